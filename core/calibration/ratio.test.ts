import fc from "fast-check";
import { Matrix, solve } from "ml-matrix";
import { mean, sampleStandardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { chance } from "../simulation/random.ts";
import { t95 } from "../statistics/student.ts";
import { fitRatio, type Pair, variationOf } from "./ratio.ts";
import { slipOf } from "./slip.ts";

const NONE = new Set<number>();
const run = fc.record({
  over: fc.double({ min: 1, max: 1e4, noNaN: true }),
  under: fc.double({ min: 1, max: 1e3, noNaN: true }),
});

describe("a constant out of several runs", () => {
  it("is all that was counted over all that was measured, not the mean of the ratios", () => {
    const fitted = fitRatio(
      [
        { over: 1300, under: 100 },
        { over: 656, under: 50 },
      ],
      NONE,
    )!;
    expect(fitted.estimate.value).toBeCloseTo(1956 / 150, 12);
    expect(fitted.estimate.value).not.toBeCloseTo((13 + 13.12) / 2, 3);
  });

  it("of runs alike long has the standard error of a mean, and Student's interval (simple-statistics)", () => {
    const ratios = [13.02, 13.11, 12.96, 13.05, 13.0];
    const { estimate, variation } = fitRatio(
      ratios.map((ratio) => ({ over: ratio * 100, under: 100 })),
      NONE,
    )!;
    expect(estimate.value).toBeCloseTo(mean(ratios), 10);
    expect(estimate.error!).toBeCloseTo(sampleStandardDeviation(ratios) / Math.sqrt(5), 10);
    expect(estimate.half!).toBeCloseTo((t95(4) * sampleStandardDeviation(ratios)) / Math.sqrt(5), 9);
    expect(variation!).toBeCloseTo(sampleStandardDeviation(ratios) / mean(ratios), 12);
  });

  it("is the weighted fit a matrix library gives, for any runs", () => {
    fc.assert(
      fc.property(fc.array(run, { minLength: 1, maxLength: 12 }), (pairs: Pair[]) => {
        const root = pairs.map(({ under }) => Math.sqrt(under));
        const fit = solve(
          new Matrix(root.map((each) => [each])),
          Matrix.columnVector(pairs.map(({ over }, at) => over / root[at]!)),
        ).get(0, 0);
        expect(fitRatio(pairs, NONE)!.estimate.value / fit).toBeCloseTo(1, 9);
      }),
    );
  });

  it("names one run five per cent off among eight, which still passes two per cent", () => {
    const random = chance(11);
    const pairs = Array.from({ length: 8 }, (_, at) => ({
      over: 1300 * (at === 5 ? 1.05 : 1 + random.normal(0.003)),
      under: 100,
    }));
    const { runs, variation } = fitRatio(pairs, NONE)!;
    expect(runs.filter(({ odd }) => odd).map(({ at }) => at)).toEqual([5]);
    expect(variation!).toBeLessThan(0.02);
    const without = fitRatio(pairs, new Set([5]))!;
    expect(without.runs[5]).toMatchObject({ leftOut: true });
    expect(without.estimate.value).toBeLessThan(13.06);
  });

  it("holds small differences against what is told where the constant itself may be nothing", () => {
    const zeros = [0, 0.5, 0].map((over) => ({ over, under: 1 }));
    expect(fitRatio(zeros, NONE, 100)!.variation!).toBeCloseTo(
      sampleStandardDeviation([0, 0.5, 0]) / 100,
      12,
    );
    expect(fitRatio([{ over: 0, under: 1 }], NONE)).toBeNull();
  });

  it("says nothing of runs without length, without figures, or all left out", () => {
    expect(fitRatio([{ over: 12, under: 0 }], NONE)).toBeNull();
    expect(fitRatio([{ over: Number.NaN, under: 3 }], NONE)).toBeNull();
    expect(fitRatio([{ over: 12, under: 3 }], new Set([0]))).toBeNull();
    const one = fitRatio([{ over: 12, under: 3 }], NONE)!;
    expect(one).toMatchObject({ variation: null, estimate: { value: 4, error: null, half: null } });
  });

  it("has the coefficient of variation of a library, and none of a single figure or of nothing", () => {
    const numbers = [1.2, 1.31, 1.18, 1.25];
    expect(variationOf(numbers)!).toBeCloseTo(sampleStandardDeviation(numbers) / mean(numbers), 12);
    expect(variationOf([1])).toBeNull();
    expect(variationOf([1, -1])).toBeNull();
  });

  it("covers the truth nineteen times in twenty under the noise it reckons with", () => {
    let held = 0;
    for (let seed = 0; seed < 1000; seed += 1) {
      const random = chance(seed);
      const pairs = [60, 100, 140, 80].map((under) => ({
        under,
        over: 13 * under + random.normal(Math.sqrt(under) * 0.4),
      }));
      const { estimate } = fitRatio(pairs, NONE)!;
      if (Math.abs(estimate.value - 13) <= estimate.half!) held += 1;
    }
    // Binomial at 0.95 and 1000: two standard errors are 14.
    expect(held).toBeGreaterThan(930);
    expect(held).toBeLessThan(970);
  });
});

describe("a factor that is no drift", () => {
  it("is told by what it looks like, either way round, where it can happen", () => {
    expect(slipOf(2.01, "count per length")).toContain("both edges");
    expect(slipOf(0.5, "count per length")).toContain("both edges");
    // 231 in³ to the gallon, 0.45359237 kg to the pound (NIST Handbook 44, appendix C).
    expect(slipOf(3.785, "count per volume")).toContain("gallons");
    expect(slipOf(0.4536, "mass per count")).toContain("pounds");
    expect(slipOf(3.785, "count per length")).toBeNull();
    expect(slipOf(1.06, "count per volume")).toBeNull();
    expect(slipOf(10, "factor")).toContain("comma");
  });
});
