import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type LaneTool, lanesOf, passesAcross, together, trodden } from "./lanes.ts";

const tool = (spacing: number, more: Partial<LaneTool> = {}): LaneTool => ({
  spacing,
  track: 1.8,
  tyre: 0.5,
  shift: 0,
  ...more,
});

describe("where wheels run", () => {
  it("begins half a pass from the edge", () => {
    expect(passesAcross(tool(6), 20).filter((middle) => middle > 0)).toEqual([3, 9, 15, 21]);
    expect(lanesOf(tool(6), 6)).toEqual([
      [expect.closeTo(1.85, 9), expect.closeTo(2.35, 9)],
      [expect.closeTo(3.65, 9), expect.closeTo(4.15, 9)],
    ]);
  });

  it("treads two tyres of each pass, and no more where others run on the same marks", () => {
    expect(trodden([tool(6)])).toBeCloseTo(1 / 6, 6);
    expect(trodden([tool(6), tool(18)])).toBeCloseTo(1 / 6, 6);
    // Four times: between the marks from the edge, on them when shifted by half a base.
    expect(trodden([tool(6), tool(24)])).toBeGreaterThan(1 / 6 + 0.03);
    expect(trodden([tool(6), tool(24, { shift: 3 })])).toBeCloseTo(1 / 6, 6);
  });

  it("of tools that do not fit treads nearly what each treads alone", () => {
    const both = trodden([tool(6), tool(5.83)]);
    expect(both).toBeGreaterThan(0.25);
    expect(both).toBeLessThan(1 / 6 + 1 / 5.83);
  });

  it("treads no less than the worst of them, no more than their sum, and never more than all", () => {
    const any = fc.record({
      spacing: fc.double({ min: 2, max: 36, noNaN: true }),
      track: fc.double({ min: 1.2, max: 3, noNaN: true }),
      tyre: fc.double({ min: 0.2, max: 1, noNaN: true }),
      shift: fc.double({ min: -6, max: 6, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 4 }), (tools) => {
        const all = trodden(tools);
        const widest = Math.max(...tools.map(({ spacing }) => spacing));
        const sum = tools.reduce((most, each) => most + (2 * each.tyre) / each.spacing, 0);
        expect(all).toBeLessThanOrEqual(Math.min(1, sum) + tools.length * (0.02 + 3 / (40 * widest)));
        expect(all).toBeGreaterThan(0);
      }),
    );
  });

  it("puts strips over one another together", () => {
    expect(
      together([
        [3, 4],
        [0, 1],
        [0.5, 2],
      ]),
    ).toEqual([
      [0, 2],
      [3, 4],
    ]);
  });

  it("is nothing of no tool", () => {
    expect(() => trodden([])).toThrow(RangeError);
  });
});
