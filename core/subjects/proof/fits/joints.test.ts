import fc from "fast-check";
import { determinant, inverse, Matrix } from "ml-matrix";
import { describe, expect, it } from "vitest";
import { solveJob } from "../../../job/solve.ts";
import { sampleRig } from "../../../rig/sample.ts";
import { above, halfWidth, meanOf, sigmaOf } from "../../../statistics/mixture.ts";
import { jobKind } from "../../../subjects/jobs.ts";
import { UNKNOWN_CONDITIONS } from "../../../trade/field-conditions.ts";
import { designJoints, fitJoints } from "./joints.ts";
import { type Mix, mixesOf, type Straying } from "./straying.ts";

/** Joints of passes driven up and down; the numbers tell which lie side by side. */
const upAndDown = (numbers: readonly number[]) =>
  numbers.map((number) => {
    const way = number % 2 === 0 ? 1 : -1;
    return { left: way, right: -way } as { left: 1 | -1; right: 1 | -1 };
  });

/** Covariance of joints written out: pass m strays by η_m, cov(η_m, η_n) = w²·ρ^|m−n|; joint m is η_(m+1) − η_m and the tape's. */
function covariance(numbers: readonly number[], { wander, tape, drift }: Straying): Matrix {
  const shared = (apart: number) => wander ** 2 * drift ** Math.abs(apart);
  return new Matrix(
    numbers.map((a, row) =>
      numbers.map(
        (b, column) =>
          2 * shared(a - b) - shared(a - b + 1) - shared(a - b - 1) + (row === column ? tape ** 2 : 0),
      ),
    ),
  );
}

/** Aitken's fit by a matrix library: estimates, covariance, what is left, and restricted likelihood without constants. */
function byMatrices(numbers: readonly number[], gaps: readonly number[], mix: Straying) {
  const x = new Matrix(upAndDown(numbers).map(({ left, right }) => [1, right - left]));
  const g = Matrix.columnVector([...gaps]);
  const v = covariance(numbers, mix);
  const weights = inverse(v);
  const information = x.transpose().mmul(weights).mmul(x);
  const spread = inverse(information);
  const beta = spread.mmul(x.transpose()).mmul(weights).mmul(g);
  const residual = Matrix.sub(g, x.mmul(beta));
  const left = residual.transpose().mmul(weights).mmul(residual).get(0, 0);
  // Determinants of metres squared are tiny: in millimetres they stay in sight; the difference is the same for every mix.
  const inMm = (matrix: Matrix, by: number) => Math.log(determinant(Matrix.mul(matrix, by)));
  return { beta, spread, left, likely: -(inMm(v, 1e6) + inMm(information, 1e-6) + left) / 2 };
}

const GAPS = [-0.071, 0.128, -0.049, 0.151, -0.083, 0.119, -0.055];
const NUMBERS = [0, 1, 2, 4, 5, 6, 7];

describe("joints of neighbouring passes", () => {
  it.each([0, 0.3, 0.8, 0.95])(
    "are fitted as a matrix library fits them with the covariance written out, drift %f",
    (drift) => {
      const mix = { wander: 0.014, tape: 0.008, drift, before: 0 };
      const { beta, spread } = byMatrices(NUMBERS, GAPS, mix);
      const fit = fitJoints(designJoints(upAndDown(NUMBERS), NUMBERS, [mix])!, GAPS);
      for (const [unknown, { value, error }] of [fit.mean, fit.lateral].entries()) {
        expect(value).toBeCloseTo(beta.get(unknown, 0), 9);
        expect(error! / fit.unexplained).toBeCloseTo(Math.sqrt(spread.get(unknown, unknown)), 9);
      }
    },
  );

  it("weigh mixes by restricted likelihood, as written out", () => {
    const mixes: Mix[] = [
      { wander: 0.004, tape: 0.012, drift: 0, before: 0 },
      { wander: 0.014, tape: 0.003, drift: 0, before: 0.4 },
      { wander: 0.009, tape: 0.006, drift: 0.8, before: -0.2 },
    ];
    const gaps = GAPS.map((gap, at) => gap * 0.2 + (NUMBERS[at]! % 2 === 0 ? -0.08 : 0.08));
    const each = mixes.map((mix) => ({ ...byMatrices(NUMBERS, gaps, mix), before: mix.before }));
    const weights = each.map(({ likely, before }) => Math.exp(likely + before - each[0]!.likely));
    const sum = weights.reduce((total, weight) => total + weight, 0);
    const fit = fitJoints(designJoints(upAndDown(NUMBERS), NUMBERS, mixes)!, gaps);
    for (const [unknown, { value }] of [fit.mean, fit.lateral].entries())
      expect(value).toBeCloseTo(
        each.reduce((total, { beta }, at) => total + (weights[at]! / sum) * beta.get(unknown, 0), 0),
        9,
      );
  });

  it("move with what is added to them, for any joints", () => {
    const gap = fc.integer({ min: -150, max: 150 }).map((mm) => mm / 1000);
    fc.assert(
      fc.property(fc.array(gap, { minLength: 3, maxLength: 14 }), gap, gap, (gaps, wider, aside) => {
        const numbers = gaps.map((_, at) => at);
        const sides = upAndDown(numbers);
        const design = designJoints(sides, numbers, mixesOf("fixed"))!;
        const before = fitJoints(design, gaps);
        const after = fitJoints(
          design,
          gaps.map((each, at) => each + wider + (sides[at]!.right - sides[at]!.left) * aside),
        );
        expect(after.mean.value - before.mean.value).toBeCloseTo(wider, 9);
        expect(after.lateral.value - before.lateral.value).toBeCloseTo(aside, 9);
        expect(after.mean.half!).toBeCloseTo(before.mean.half!, 6);
        expect(after.lateral.half!).toBeCloseTo(before.lateral.half!, 6);
      }),
      { numRuns: 60 },
    );
  });

  it("say what is left open: too few, of one kind, or scattering more than receiver and tape can", () => {
    const setup = { ...UNKNOWN_CONDITIONS, fix: "fixed" as const, spacing: 4.5, rowToRow: false };
    const solved = (gaps: readonly number[]) =>
      solveJob(
        jobKind("joints"),
        gaps.map((joint, at) => ({
          values: { joint },
          choices: { pair: at % 2 === 0 ? "up-down" : "down-up" },
        })),
        new Set(),
        setup,
        sampleRig(),
      );
    const quiet = solved([-0.05, 0.06, -0.045, 0.052, -0.06, 0.048]);
    expect(quiet.open).toEqual([]);
    // 2·14² + 15² = 25 mm is the most one joint strays within the range; here they differ by 30 cm.
    const wild = solved([-0.2, 0.06, 0.1, -0.152, -0.06, 0.148]);
    expect(wild.open).toHaveLength(1);
    expect(wild.open[0]).toMatch(/more than receiver and tape make with this solution \(fixed/);
    expect(wild.measured[0]!.off.half!).toBeGreaterThan(4 * quiet.measured[0]!.off.half!);
    expect(solved([-0.05, 0.06]).measured[0]!.off.half).toBeNull();
    expect(solved([-0.05, 0.06]).open[0]).toMatch(/a third gives standard errors/);
  });

  it("are less sure where nobody told the kind of solution", () => {
    const gaps = [-0.03, 0.07, -0.06, 0.045, -0.075, 0.05];
    const design = (fix: "fixed" | null) =>
      designJoints(
        upAndDown(gaps.map((_, at) => at)),
        gaps.map((_, at) => at),
        mixesOf(fix),
      )!;
    expect(fitJoints(design(null), gaps).lateral.half!).toBeGreaterThan(
      fitJoints(design("fixed"), gaps).lateral.half!,
    );
  });
});

describe("a mixture of normal spreads", () => {
  it("leaves outside what one spread leaves: 1.96, 2.576 and 3.291 standard deviations (NIST/SEMATECH, 1.3.6.7.1)", () => {
    const one = [{ weight: 1, mean: 3, sigma: 2 }];
    expect(halfWidth(one, 0.05)).toBeCloseTo(2 * 1.96, 3);
    expect(halfWidth(one, 0.01)).toBeCloseTo(2 * 2.576, 3);
    expect(halfWidth(one, 0.001)).toBeCloseTo(2 * 3.291, 2);
  });

  it("has mean, deviation and tails as worked out from its parts", () => {
    const two = [
      { weight: 0.25, mean: -1, sigma: 1 },
      { weight: 0.75, mean: 1, sigma: 0.5 },
    ];
    expect(meanOf(two)).toBeCloseTo(0.5, 12);
    // 0.25·(1 + 1.5²) + 0.75·(0.25 + 0.5²)
    expect(sigmaOf(two)).toBeCloseTo(Math.sqrt(0.8125 + 0.375), 12);
    const half = halfWidth(two, 0.1);
    // The density added up in small steps.
    const density = (x: number) =>
      two.reduce(
        (sum, { weight, mean, sigma }) =>
          sum + (weight * Math.exp(-(((x - mean) / sigma) ** 2) / 2)) / (sigma * Math.sqrt(2 * Math.PI)),
        0,
      );
    const step = half / 5000;
    let inside = 0;
    for (let at = -5000; at < 5000; at += 1) inside += density(0.5 + (at + 0.5) * step) * step;
    expect(inside).toBeCloseTo(0.9, 5);
  });

  it.each([
    [0, 0.5],
    [0.5, 0.308538],
    [1, 0.158655],
    [2, 0.02275],
    [3, 0.00135],
  ])("has the normal's tail beyond %f: %f (NIST/SEMATECH, 1.3.6.7.1)", (z, tail) => {
    expect(above(z)).toBeCloseTo(tail, 6);
    expect(above(-z)).toBeCloseTo(1 - tail, 6);
  });
});
