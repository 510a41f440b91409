import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { DepthPoint } from "../../yard/ground.ts";
import { zonesOf } from "./zones.ts";

/** Along one line from the left, centimetres deep. */
const line = (x: number, depths: readonly number[], wide = 7): DepthPoint[] =>
  depths.map((depth, at) => ({
    label: `${x} ${at}`,
    x,
    y: wide * ((at + 0.5) / depths.length - 0.5),
    depth: depth / 100,
  }));

describe("zones", () => {
  it("set each wing beside the middle of its own line, by hand", () => {
    // Left 8, 8.4 (mean 8.2), middle 9, 9.2, 9.4 (9.2), right 10, 10.2 (10.1).
    const [left, right] = zonesOf(line(1, [8, 8.4, 9, 9.2, 9.4, 10, 10.2]), 7);
    expect(left).toMatchObject({ side: "left", points: 2 });
    expect(left!.by).toBeCloseTo(-0.01, 10);
    expect(right!.by).toBeCloseTo(0.009, 10);
    // Squares 0.08, 0.08, 0.02 over 4 degrees: 0.045 cm²; times (1/2 + 1/3).
    expect(left!.error).toBeCloseTo(Math.sqrt(0.045 * (5 / 6)) / 100, 10);
  });

  it("are not moved by a difference of front and rear, where a wing was dug along one of them only", () => {
    const front = line(1, [8, 8, 8, 8, 8, 8, 8]);
    const rear = line(-1, [12, 12, 12, 12, 12, 12, 12]).slice(2);
    expect(zonesOf([...front, ...rear], 7).map(({ by }) => by)).toEqual([0, 0]);
  });

  it("leave out what does not fit the others, and a wing nobody dug", () => {
    const points = line(1, [20, 8, 8, 8, 8, 8, 8]);
    expect(zonesOf(points, 7, [0])[0]!.by).toBeCloseTo(0, 10);
    expect(zonesOf(points.slice(2), 7).map(({ side }) => side)).toEqual(["right"]);
    expect(zonesOf(line(1, [8, 8, 8], 7), 7)[0]!.error).toBeNull();
    expect(zonesOf([], 7)).toEqual([]);
  });

  it("follow a wing as it is let down, whatever the rest does", () => {
    const depths = fc.array(fc.double({ min: 5, max: 15, noNaN: true }), { minLength: 7, maxLength: 7 });
    fc.assert(
      fc.property(depths, fc.double({ min: -5, max: 5, noNaN: true }), (all, by) => {
        const before = zonesOf(line(0, all), 7);
        const after = zonesOf(
          line(
            0,
            all.map((each, at) => (at < 2 ? each + by : each)),
          ),
          7,
        );
        expect(after[0]!.by - before[0]!.by).toBeCloseTo(by / 100, 9);
        expect(after[1]!.by).toBeCloseTo(before[1]!.by, 12);
        expect(after[0]!.error).toBeCloseTo(before[0]!.error!, 9);
      }),
    );
  });
});
