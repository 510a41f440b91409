import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { splitEvenly } from "../../rig/sections.ts";
import { countIn, mirror, moveBoundary, unlike } from "./layout.ts";
import { planSwaths } from "./swaths.ts";
import { baseOf, checkTraffic } from "./traffic.ts";
import { oneRank, withSections } from "./variant.ts";

const sum = (of: readonly number[]) => of.reduce((total, each) => total + each, 0);

describe("sections", () => {
  it("are split evenly, mirrored", () => {
    expect(splitEvenly(6, 4)).toEqual([1.5, 1.5, 1.5, 1.5]);
    expect(() => splitEvenly(6, 0)).toThrow(RangeError);
    expect(mirror([3, 2, 1, 9, 9])).toEqual([3, 2, 1, 2, 3]);
    expect(mirror([3, 2, 9, 9])).toEqual([3, 2, 2, 3]);
    expect(unlike([3, 2, 2.1, 3])).toEqual({ left: 2, right: 3 });
    expect(unlike(mirror([3, 2.2, 9, 9]))).toBeNull();
  });

  it("hold whole rows or not", () => {
    expect(countIn(1.5, 0.125)).toEqual({ count: 12, whole: true });
    expect(countIn(1, 0.15)).toEqual({ count: 6.67, whole: false });
  });

  it("keep their sum and stay wider than a hand, however a boundary is moved", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 4, noNaN: true }), { minLength: 2, maxLength: 12 }),
        fc.nat(12),
        fc.double({ min: -10, max: 10, noNaN: true }),
        (widths, at, by) => {
          const moved = moveBoundary(widths, at, by);
          expect(sum(moved)).toBeCloseTo(sum(widths), 9);
          expect(Math.min(...moved)).toBeGreaterThanOrEqual(0.05 - 1e-9);
        },
      ),
    );
  });
});

describe("a variant", () => {
  const boom = { widths: [3, 3, 3, 2, 2, 2, 3, 3, 3], lateral: 0, spacing: 0.5, rows: 48 };

  it("with the left wing folded works the other side only, its middle moved over", () => {
    expect(withSections(boom, 4, 9)).toMatchObject({ width: 15, lateral: 4.5, rows: 30 });
    expect(withSections(boom, 1, 9)).toMatchObject({ width: 24, lateral: 0, rows: 48 });
    expect(() => withSections(boom, 5, 4)).toThrow(RangeError);
  });

  it("with one rank has twice the spacing and lies half a row to one side", () => {
    const drill = { widths: [1.5, 1.5], lateral: 0.01, spacing: 0.15, rows: 20 };
    const first = oneRank(drill, "first")!;
    expect(first).toMatchObject({ rows: 10, spacing: 0.3 });
    expect(first.width).toBeCloseTo(3, 12);
    expect(first.lateral).toBeCloseTo(0.01 - 0.075, 12);
    expect(oneRank(drill, "second")!.lateral).toBeCloseTo(0.01 + 0.075, 12);
    expect(oneRank({ ...drill, spacing: null }, "first")).toBeNull();
  });
});

describe("the last pass", () => {
  const tool = { width: 6, spacing: 6, sections: [1.5, 1.5, 1.5, 1.5] };

  it("comes out even where it does", () => {
    expect(planSwaths(30, tool)).toMatchObject({ full: 5, left: 0, plans: [{ title: "It comes out even" }] });
  });

  it("worked by hand: 32.5 m with 6 m leaves 2.5 m, two of four sections, 0.5 m twice", () => {
    const { full, left, plans } = planSwaths(32.5, tool);
    expect([full, left]).toEqual([5, 2.5]);
    const [last, first, spread] = plans;
    expect(last!.passes.at(-1)).toMatchObject({
      from: 26.5,
      to: 32.5,
      sections: { first: 3, last: 4 },
      overlap: 0.5,
    });
    expect(first!.passes[0]).toMatchObject({ from: 0, sections: { first: 1, last: 2 } });
    expect(spread!.spacing).toBeCloseTo(5.3, 12);
  });

  it("covers the whole field and nothing beyond it, whatever the widths", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 300, noNaN: true }),
        fc.double({ min: 2, max: 36, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.integer({ min: 1, max: 9 }),
        (field, width, overlap, count) => {
          const { plans } = planSwaths(field, {
            width,
            spacing: width - overlap,
            sections: splitEvenly(width, count),
          });
          for (const { passes } of plans) {
            if (field < width) continue;
            expect(passes[0]!.from).toBeGreaterThanOrEqual(-0.06);
            expect(passes.at(-1)!.to).toBeCloseTo(field, 0);
            for (const [index, pass] of passes.slice(1).entries())
              expect(pass.from).toBeLessThanOrEqual(passes[index]!.to + 0.06);
          }
        },
      ),
    );
  });

  it("refuses what is no width", () => {
    for (const field of [0, -1, Number.NaN, 1e6]) expect(() => planSwaths(field, tool)).toThrow(RangeError);
  });
});

describe("controlled traffic", () => {
  const drill = { name: "drill", spacing: 6, track: 2 };
  const at = (spacing: number | null, track: number | null = 2) =>
    checkTraffic([drill, { name: "other", spacing, track }], drill)[1]!;

  it("an odd multiple keeps the marks, an even one is shifted, anything else does not fit", () => {
    expect(at(18)).toMatchObject({ times: 3, verdict: "fits" });
    expect(at(24)).toMatchObject({ times: 4, verdict: "shift" });
    expect(at(20)).toMatchObject({ verdict: "no" });
    expect(at(18, 1.6)).toMatchObject({ verdict: "no" });
    expect(at(18, null)).toMatchObject({ verdict: "unknown" });
    expect(at(null)).toMatchObject({ verdict: "unknown" });
  });

  it("rests on the narrowest", () => {
    expect(baseOf([drill, { name: "mower", spacing: 3, track: null }])!.name).toBe("mower");
    expect(baseOf([{ name: "?", spacing: null, track: null }])).toBeNull();
  });
});
