import fc from "fast-check";
import { Matrix, solve } from "ml-matrix";
import { describe, expect, it } from "vitest";
import { tQuantile } from "../../statistics/student.ts";
import { fitMap } from "./depth-map.ts";

const grid = (across: number, long: number, depth: (x: number, y: number, at: number) => number) =>
  [long / 2, -long / 2].flatMap((x, line) =>
    Array.from({ length: across }, (_, at) => {
      const y = (at + 0.5) / across - 0.5;
      return { x, y, depth: depth(x, y, line * across + at) };
    }),
  );

describe("a depth map", () => {
  it("tells depth in the middle and both slopes: a plane by hand", () => {
    const fit = fitMap(grid(4, 2, (x, y) => 0.08 + 0.01 * x - 0.02 * y))!;
    expect(fit.depth).toBeCloseTo(0.08, 12);
    expect(fit.fore).toBeCloseTo(0.01, 12);
    expect(fit.right).toBeCloseTo(-0.02, 12);
    expect(fit.odd).toEqual([]);
  });

  it("tells no slope along which nothing was measured, and nothing of two points", () => {
    const line = [-1, 0, 1].map((y) => ({ x: 0, y, depth: 0.1 + 0.01 * y }));
    expect(fitMap(line)).toMatchObject({ fore: null });
    expect(fitMap(line)!.right).toBeCloseTo(0.01, 12);
    expect(fitMap(line.slice(1))).toBeNull();
    // Three on a slant do not tell along from across.
    expect(fitMap([0, 1, 2].map((at) => ({ x: at, y: at, depth: 0.1 })))).toBeNull();
  });

  it("questions a bent shank among twelve, and none of five", () => {
    const noise = [1, -2, 2, 0, -1, 1, -1, 2, 0, -2, 1, 0].map((each) => each / 1000);
    const bent = (across: number) =>
      fitMap(grid(across, 2, (_, __, at) => 0.1 + noise[at]! + (at === 1 ? 0.03 : 0)))!.odd;
    expect(bent(6)).toEqual([1]);
    expect(bent(2)).toEqual([]);
  });

  it("questions what, left out, the others foretell too badly: as a matrix library finds it", () => {
    let questioned = 0;
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -8, max: 8 }), { minLength: 12, maxLength: 12 }),
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 0, max: 60 }),
        (noise, where, by) => {
          const points = grid(
            6,
            2,
            (x, y, at) => 0.1 + 0.01 * x - 0.02 * y + noise[at]! / 1000 + (at === where ? by / 1000 : 0),
          );
          const odd = points.flatMap((point, at) => {
            const rest = points.filter((_, other) => other !== at);
            const x = new Matrix(rest.map(({ x, y }) => [1, x, y]));
            const y = Matrix.columnVector(rest.map(({ depth }) => depth));
            const gram = x.transpose().mmul(x);
            const beta = solve(gram, x.transpose().mmul(y));
            const left = y.sub(x.mmul(beta)).to1DArray();
            const freedom = rest.length - 3;
            const variance = left.reduce((sum, each) => sum + each * each, 0) / freedom;
            const row = new Matrix([[1, point.x, point.y]]);
            const spread = variance * (1 + row.mmul(solve(gram, row.transpose())).get(0, 0));
            const t = Math.abs(point.depth - row.mmul(beta).get(0, 0)) / Math.sqrt(spread + 1e-30);
            return t > tQuantile(1 - 0.01 / (2 * points.length), freedom) ? [at] : [];
          });
          // With whole millimetres the rest may agree to the last digit: there the product asks for a tenth of one.
          if (new Set(noise).size < 4) return;
          expect(fitMap(points)!.odd).toEqual(odd);
          questioned += odd.length;
        },
      ),
      { numRuns: 200 },
    );
    expect(questioned).toBeGreaterThan(20);
  });
});
