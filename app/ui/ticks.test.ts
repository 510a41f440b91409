import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { roundTicks } from "./ticks.ts";

describe("ticks of a chart", () => {
  it("are round numbers inside the range", () => {
    expect(roundTicks(0, 98, 6)).toEqual([0, 20, 40, 60, 80]);
    expect(roundTicks(21, 97, 5)).toEqual([40, 60, 80]);
    expect(roundTicks(-11.8, 1.5, 4)).toEqual([-10, -5, 0]);
    expect(roundTicks(5, 5, 4)).toEqual([5]);
  });

  it("never leave the range, nor crowd it", () => {
    const bound = fc.double({ min: -1e4, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(bound, fc.double({ min: 1e-3, max: 1e4, noNaN: true }), (from, length) => {
        const ticks = roundTicks(from, from + length, 5);
        expect(ticks.length).toBeLessThanOrEqual(6);
        for (const tick of ticks) {
          expect(tick).toBeGreaterThanOrEqual(from - length * 1e-6);
          expect(tick).toBeLessThanOrEqual(from + length * (1 + 1e-6));
        }
      }),
    );
  });
});
