import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fallsAt } from "./spread.ts";
import { FOLLOWED_EVERY, followed, judgeFollowing } from "./valve.ts";

describe("a valve that follows a rate", () => {
  it("without a lag comes back as an exponential does: 1 − 0.2·e^(−kt)", () => {
    const k = 1.5;
    const { share } = followed({ gain: k / 300, lag: 0 }, 300);
    for (const seconds of [0.5, 1, 2, 4])
      expect(share[Math.round(seconds / FOLLOWED_EVERY)]!).toBeCloseTo(1 - 0.2 * Math.exp(-k * seconds), 2);
  });

  it("with a lag rests, overshoots or runs away by the product of both: swings past e⁻¹, grows past π/2 (control theory)", () => {
    const grows = (product: number) => {
      const { share } = followed({ gain: product / 0.6, lag: 0.6 }, 1);
      const off = share.map((each) => Math.abs(each - 1));
      return Math.max(...off.slice(300)) > Math.max(...off.slice(20, 120));
    };
    expect(grows(1.2)).toBe(false);
    expect(grows(1.9)).toBe(true);
    const over = (product: number) => Math.max(...followed({ gain: product / 0.6, lag: 0.6 }, 1).share) - 1;
    expect(over(0.3)).toBeLessThan(0.001);
    expect(over(0.7)).toBeGreaterThan(0.005);
  });

  it("is slow, rests and hunts in that order as its constant is raised: never the other way", () => {
    const order = { slow: 0, rests: 1, hunts: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.01, noNaN: true }),
        fc.double({ min: 0.3, max: 0.9, noNaN: true }),
        (gain, lag) => {
          const seen = Array.from(
            { length: 30 },
            (_, at) => order[judgeFollowing(followed({ gain, lag }, 20 * 1.2 ** at))],
          );
          expect(seen).toEqual([...seen].sort((a, b) => a - b));
          expect(seen).toContain(1);
        },
      ),
    );
  });
});

describe("what a spreader throws", () => {
  it("falls off to half at its reach, on both sides of where it lies", () => {
    const pattern = { reach: 10, slope: 4, shift: 1, middle: 0 };
    expect(fallsAt(pattern, 11)).toBeCloseTo(0.5, 9);
    expect(fallsAt(pattern, -9)).toBeCloseTo(0.5, 9);
    expect(fallsAt(pattern, 1)).toBeGreaterThan(0.99);
    expect(fallsAt(pattern, 30)).toBeLessThan(0.001);
  });
});
