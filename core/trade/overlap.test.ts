import fc from "fast-check";
import { linearRegression, linearRegressionLine, mean, standardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { type Catch, EVEN, fellAt, massFlow, shapeOf, spacingsFor, sweep, windowsOf } from "./overlap.ts";

const triangle = (half: number, apart: number, shift = 0): Catch[] =>
  Array.from({ length: Math.round((2 * half) / apart) + 1 }, (_, at) => {
    const x = -half + at * apart;
    return { x, caught: Math.max(0, 100 * (1 - Math.abs(x - shift) / half)) };
  });

/** Flat to 10 m each side, down to nothing at 14. */
const trapezoid = (shift: number): Catch[] =>
  Array.from({ length: 61 }, (_, at) => {
    const x = at / 2 - 15;
    return { x, caught: Math.min(100, Math.max(0, ((14 - Math.abs(x - shift)) / 4) * 100)) };
  });

/** What falls at a place, summed over fifty passes each side, every other one turned about: slow, and written otherwise. */
function brute(catches: readonly Catch[], x: number, spacing: number, turned: boolean): number {
  const at = (place: number): number => {
    for (let i = 1; i < catches.length; i += 1) {
      const [a, b] = [catches[i - 1]!, catches[i]!];
      if (place >= a.x && place <= b.x)
        return linearRegressionLine(
          linearRegression([
            [a.x, a.caught],
            [b.x, b.caught],
          ]),
        )(place);
    }
    return 0;
  };
  let sum = 0;
  for (let pass = -50; pass <= 50; pass += 1) {
    const off = x - pass * spacing;
    sum += at(turned && Math.abs(pass) % 2 === 1 ? -off : off);
  }
  return sum;
}

function bruteVariation(catches: readonly Catch[], spacing: number, turned: boolean): number {
  const period = turned ? 2 * spacing : spacing;
  const fell = Array.from({ length: 600 }, (_, at) => brute(catches, (at / 600) * period, spacing, turned));
  return standardDeviation(fell) / mean(fell);
}

describe("a pattern laid over itself", () => {
  it("of a triangle is even at half its width and at a quarter, whichever way it is driven", () => {
    const [half, quarter] = sweep(triangle(12, 0.5), [12, 6]);
    for (const each of [half!, quarter!]) {
      expect(each.toAndFro).toBeLessThan(0.005);
      expect(each.roundAndRound).toBeLessThan(0.005);
    }
  });

  it("of a box is even at its width, and at one and a half of it covers two strips of three", () => {
    const box: Catch[] = [-6.001, -6, 6, 6.001].map((x) => ({ x, caught: Math.abs(x) > 6 ? 0 : 10 }));
    // Where two thirds have 10 and one third nothing, the deviation is √(2/9)·10 and the mean 20/3: 0.707.
    const [wide] = sweep(box, [18]);
    expect(wide!.roundAndRound).toBeCloseTo(Math.SQRT1_2, 1);
  });

  it("has the variation a slow sum over fifty passes has, for any pattern, spacing and way", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { minLength: 9, maxLength: 15 }),
        fc.double({ min: 5, max: 14, noNaN: true }),
        fc.boolean(),
        (weights, spacing, turned) => {
          // Caught to where nothing falls any more.
          const caughtAll = [0, ...weights, 0];
          const catches = caughtAll.map((caught, at) => ({ x: at - (caughtAll.length - 1) / 2, caught }));
          if (mean(weights) < 1) return;
          const [found] = sweep(catches, [spacing]);
          const mine = turned ? found!.toAndFro : found!.roundAndRound;
          expect(Math.abs(mine - bruteVariation(catches, spacing, turned))).toBeLessThan(0.03);
        },
      ),
      { numRuns: 25 },
    );
  });

  it("puts down what one pass threw, no more and no less: the mean over a period is the pattern over the spacing", () => {
    const catches = triangle(12, 0.5, 1.3);
    for (const spacing of [9, 14, 21]) {
      const fell = Array.from({ length: 400 }, (_, at) =>
        fellAt(catches, (at / 400) * 2 * spacing, spacing, true),
      );
      expect(mean(fell) / (shapeOf(catches).total / spacing)).toBeCloseTo(1, 2);
    }
  });

  it("shifted by 0.8 m turns half a per cent into over a tenth, to and fro; round and round it stays", () => {
    const [straight] = sweep(trapezoid(0), [24]);
    const [shifted] = sweep(trapezoid(0.8), [24]);
    expect(straight!.toAndFro).toBeLessThan(0.01);
    expect(shifted!.toAndFro).toBeGreaterThan(0.1);
    expect(shifted!.roundAndRound).toBeLessThan(0.02);
  });

  it("reports every stretch of spacings under the limit: the curve rises and falls", () => {
    const catches = trapezoid(0);
    const windows = windowsOf(sweep(catches, spacingsFor(catches, 300)), "to and fro");
    expect(windows.length).toBeGreaterThan(1);
    for (const even of [12, 24]) expect(windows.some(({ from, to }) => from < even && to > even)).toBe(true);
    for (const { from, to } of windows)
      for (const spacing of [from, (from + to) / 2, to])
        expect(sweep(catches, [spacing])[0]!.toAndFro).toBeLessThan(EVEN + 0.01);
    expect(windowsOf(sweep(catches, [18]), "round and round")).toEqual([]);
  });

  it("tells how far it lies to one side, and how the sides differ", () => {
    expect(shapeOf(triangle(12, 0.5))).toMatchObject({
      shift: expect.closeTo(0, 6),
      sides: expect.closeTo(1, 6),
    });
    const right = shapeOf([
      { x: -2, caught: 0 },
      { x: 0, caught: 0 },
      { x: 1, caught: 10 },
      { x: 2, caught: 0 },
    ]);
    expect(right).toMatchObject({ shift: expect.closeTo(1, 9), sides: null, total: expect.closeTo(10, 9) });
    expect(() => sweep([{ x: 1, caught: 3 }], [10])).toThrow(RangeError);
  });

  it("asks for rate × speed × width ÷ 600 kg/min: 220 kg/ha, 11 km/h, 24 m are 96.8", () => {
    expect(massFlow(0.022, 11 / 3.6, 24) * 60).toBeCloseTo((220 * 11 * 24) / 600, 9);
  });
});
