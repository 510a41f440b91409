import fc from "fast-check";
import { binomialDistribution } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { atLeast, shareInterval } from "./binomial.ts";

/** Chance of k or more of n, summed from a statistics library's distribution. */
const tail = (k: number, n: number, p: number) =>
  (binomialDistribution(n, p) ?? []).slice(k).reduce((sum, each) => sum + each, 0);

const counted = fc
  .integer({ min: 1, max: 60 })
  .chain((n) => fc.tuple(fc.integer({ min: 0, max: n }), fc.constant(n)));

describe("the interval of a share", () => {
  it("leaves what is known of 22 of 24 open, and needs 36 of 36 for nine in ten (35 come within a ten-thousandth)", () => {
    expect(shareInterval(22, 24).low).toBeCloseTo(0.73, 2);
    expect(shareInterval(22, 24).high).toBeCloseTo(0.99, 2);
    expect(shareInterval(36, 36).low).toBeGreaterThan(0.9);
    expect(shareInterval(35, 35).low).toBeCloseTo(0.9, 4);
    expect(shareInterval(0, 7)).toMatchObject({ low: 0 });
    expect(shareInterval(7, 7).high).toBe(1);
  });

  it("leaves a fortieth in each tail, by a library's distribution", () => {
    fc.assert(
      fc.property(counted, ([k, n]) => {
        const { low, high } = shareInterval(k, n);
        // The library stops summing near one: a ten-thousandth is its own error.
        if (k > 0) expect(Math.abs(tail(k, n, low) - 0.025)).toBeLessThan(2e-4);
        if (k < n) expect(Math.abs(1 - tail(k + 1, n, high) - 0.025)).toBeLessThan(2e-4);
        expect(low).toBeLessThanOrEqual(k / n);
        expect(high).toBeGreaterThanOrEqual(k / n);
      }),
    );
  });

  it("sums to one over both sides, and refuses what is no share", () => {
    expect(atLeast(0, 5, 0.3)).toBe(1);
    expect(atLeast(5, 5, 0.5)).toBeCloseTo(1 / 32, 12);
    expect(atLeast(3, 5, 0)).toBe(0);
    for (const [k, n] of [
      [3, 2],
      [-1, 4],
      [0, 0],
      [1.5, 3],
    ] as const)
      expect(() => shareInterval(k, n)).toThrow(RangeError);
  });
});
