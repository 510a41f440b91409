import fc from "fast-check";
import { Matrix, pseudoInverse, solve } from "ml-matrix";
import { linearRegression, mean, sampleStandardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { combined, estimateOf, scaled } from "./estimate.ts";
import { leastSquares } from "./least-squares.ts";
import { fitWithout, outliers } from "./outliers.ts";
import { t95, tQuantile } from "./student.ts";

describe("least squares", () => {
  it("gives a mean with its standard error as simple-statistics does", () => {
    const marks = [0.031, 0.042, 0.036, 0.029, 0.044];
    const fit = leastSquares(
      marks.map(() => [1]),
      marks,
    )!;
    expect(fit.estimates[0]).toBeCloseTo(mean(marks), 12);
    expect(fit.scatter).toBeCloseTo(sampleStandardDeviation(marks), 12);
    expect(fit.errors![0]).toBeCloseTo(sampleStandardDeviation(marks) / Math.sqrt(5), 12);
  });

  it("fits a line as simple-statistics does", () => {
    const points = [
      [1, 0.12],
      [1.9, 0.51],
      [2.8, 0.83],
      [3.6, 1.22],
    ];
    const { m, b } = linearRegression(points);
    const fit = leastSquares(
      points.map(([x]) => [1, x!]),
      points.map(([, y]) => y!),
    )!;
    expect(fit.estimates[0]).toBeCloseTo(b, 12);
    expect(fit.estimates[1]).toBeCloseTo(m, 12);
  });

  it("gives estimates, covariance and leverages as a matrix library does, for any design", () => {
    let compared = 0;
    const number = fc.integer({ min: -100, max: 100 }).map((tenths) => tenths / 10);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }).chain((unknowns) =>
          fc.array(fc.tuple(fc.array(number, { minLength: unknowns, maxLength: unknowns }), number), {
            minLength: unknowns + 2,
            maxLength: 25,
          }),
        ),
        (observations) => {
          const rows = observations.map(([row]) => row);
          const y = observations.map(([, value]) => value);
          const x = new Matrix(rows);
          const gram = x.transpose().mmul(x);
          const fit = leastSquares(rows, y);
          const inverse = pseudoInverse(gram);
          const size =
            Math.max(...gram.to1DArray().map(Math.abs)) * Math.max(...inverse.to1DArray().map(Math.abs));
          // Where the design is nearly dependent, two good methods differ by rounding alone.
          if (!fit || size > 1e6) return;
          compared += 1;
          const expected = solve(gram, x.transpose().mmul(Matrix.columnVector(y))).to1DArray();
          for (const [index, value] of expected.entries()) expect(fit.estimates[index]).toBeCloseTo(value, 6);
          const hat = x.mmul(inverse).mmul(x.transpose());
          for (const [index, leverage] of fit.leverages.entries())
            expect(leverage).toBeCloseTo(hat.get(index, index), 6);
          for (const [row, spread] of fit.spread.entries())
            for (const [column, value] of spread.entries())
              expect(value).toBeCloseTo(inverse.get(row, column), 6);
        },
      ),
    );
    expect(compared).toBeGreaterThan(60);
  });

  it("says nothing where the columns tell nothing apart, or observations are too few", () => {
    expect(
      leastSquares(
        [
          [1, 2],
          [1, 2],
          [1, 2],
        ],
        [1, 2, 3],
      ),
    ).toBeNull();
    expect(leastSquares([[1, 2]], [1])).toBeNull();
    expect(leastSquares([], [])).toBeNull();
    const exact = leastSquares(
      [
        [1, -2],
        [1, 2],
      ],
      [-0.06, 0.14],
    )!;
    expect(exact.errors).toBeNull();
    expect(estimateOf(exact, 1)).toMatchObject({ error: null, half: null, freedom: 0 });
  });
});

describe("Student's t", () => {
  // NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2: upper critical values at 0.975 and 0.95
  it.each([
    [1, 12.706, 6.314],
    [2, 4.303, 2.92],
    [3, 3.182, 2.353],
    [5, 2.571, 2.015],
    [10, 2.228, 1.812],
    [30, 2.042, 1.697],
    [100, 1.984, 1.66],
  ])("with %i degrees of freedom", (freedom, at975, at95) => {
    expect(t95(freedom)).toBeCloseTo(at975, 3);
    expect(tQuantile(0.95, freedom)).toBeCloseTo(at95, 3);
    expect(tQuantile(0.025, freedom)).toBeCloseTo(-at975, 3);
  });

  it("is the tangent of an angle for one degree of freedom (Cauchy), exactly", () => {
    for (const p of [0.6, 0.9, 0.99, 0.9999])
      expect(tQuantile(p, 1)).toBeCloseTo(Math.tan(Math.PI * (p - 0.5)), 6);
    expect(() => tQuantile(1, 3)).toThrow(RangeError);
    expect(() => tQuantile(0.9, 0)).toThrow(RangeError);
  });
});

describe("estimates and outliers", () => {
  const marks = [0.02, 0.024, 0.018, 0.022, 0.021, 0.142, 0.019, 0.023];
  const rows = marks.map(() => [1]);

  it("names the one that does not belong, and fits without it", () => {
    const fit = leastSquares(rows, marks)!;
    expect(outliers(fit)).toEqual([5]);
    expect(fitWithout(rows, marks, new Set([5]))!.estimates[0]).toBeCloseTo(0.021, 6);
  });

  it("questions honest scatter no more often than it says", () => {
    let seed = 7;
    const random = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648;
    };
    const normal = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
    const questioned = Array.from({ length: 2000 }, () =>
      outliers(
        leastSquares(
          rows,
          rows.map(() => 0.02 * normal()),
        )!,
      ),
    ).filter((found) => found.length > 0).length;
    expect(questioned / 2000).toBeGreaterThan(0.02);
    expect(questioned / 2000).toBeLessThan(0.075);
  });

  it("adds and scales unknowns with what they share", () => {
    const fit = leastSquares(
      [
        [1, 1],
        [1, 2],
        [1, 3],
        [1, 4],
      ],
      [1.1, 1.9, 3.2, 3.8],
    )!;
    const at2 = combined(fit, [1, 2]);
    expect(at2.value).toBeCloseTo(fit.estimates[0]! + 2 * fit.estimates[1]!, 12);
    // standard error of a fitted value: s·√(1/n + (x − x̄)²/Sxx)
    expect(at2.error).toBeCloseTo(fit.scatter! * Math.sqrt(1 / 4 + 0.25 / 5), 12);
    expect(scaled(at2, -2, 1)).toMatchObject({ value: 1 - 2 * at2.value, error: 2 * at2.error! });
  });
});
