import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { endOf, largestHeld } from "./bisection.ts";

describe("halving", () => {
  it("finds √2 where squares reach 2, and the root of any rising line", () => {
    expect(endOf((at) => at * at < 2, 0, 2)).toBeCloseTo(Math.SQRT2, 12);
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (root) => {
        expect(Math.abs(endOf((at) => at < root, 0, 1e6 + 1) / root - 1)).toBeLessThan(1e-6);
      }),
    );
  });

  it("stops as near as it is told", () => {
    const asked: number[] = [];
    const below = (at: number) => {
      asked.push(at);
      return at < 0.3;
    };
    expect(endOf(below, 0, 1, 0.01)).toBeCloseTo(0.3, 1);
    expect(asked.length).toBeLessThan(12);
  });

  it("gives the largest that is held: all of it, some, or none", () => {
    expect(largestHeld(() => true, 7)).toBe(7);
    expect(largestHeld((at) => at <= 3, 7)).toBeCloseTo(3, 9);
    expect(largestHeld(() => false, 7)).toBeNull();
  });
});
