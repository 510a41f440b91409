import fc from "fast-check";
import { mean, sampleStandardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { shareInterval } from "../../../statistics/binomial.ts";
import { t95 } from "../../../statistics/student.ts";
import { countFromTape, judgeStand, type RowCount, spacingBins } from "./stand.ts";

const row = (place: number, part: Partial<RowCount> = {}): RowCount => ({
  row: place,
  length: 10,
  singles: 60,
  skips: 1,
  doubles: 0,
  spacings: [],
  ...part,
});

describe("plants along a tape", () => {
  it("are doubles under half of the spacing wanted, skips over one and a half (ISO 7256-1, from memory)", () => {
    expect(countFromTape(1, [0, 0.2, 0.25, 0.4, 0.8], 0.2, 1)).toMatchObject({
      singles: 3,
      doubles: 1,
      skips: 1,
    });
    expect(countFromTape(1, [0, 0.2, 0.8], 0.2, 1)).toMatchObject({ singles: 3, doubles: 0, skips: 2 });
    // On the very limits it is a single one.
    expect(countFromTape(1, [0, 0.1, 0.4], 0.2, 1)).toMatchObject({ singles: 3, doubles: 0, skips: 0 });
  });

  it("are the same in whatever order they are told, and none is lost", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: 2, maxLength: 60 }),
        (positions) => {
          const one = countFromTape(1, positions, 0.2, 10);
          expect(countFromTape(1, [...positions].reverse(), 0.2, 10)).toEqual(one);
          expect(one.singles).toBe(Math.max(0, positions.length - 2 * one.doubles));
        },
      ),
    );
  });

  it("fill a histogram by their share of the spacing, everything beyond in the last bin", () => {
    const bins = spacingBins([[0, 0.2, 0.22, 0.4, 5]], 0.2);
    expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(4);
    expect(bins[10]!.count).toBe(1);
    expect(bins.at(-1)!.count).toBe(1);
  });
});

describe("a stand", () => {
  it("has its population over all rows, with Student's interval over them (simple-statistics)", () => {
    const rows = [58, 61, 60, 63].map((singles, at) => row(at + 1, { singles }));
    const { population } = judgeStand(rows, 0.75)!;
    const each = [58, 61, 60, 63].map((plants) => plants / 7.5);
    expect(population.value).toBeCloseTo(mean(each), 12);
    expect(population.half!).toBeCloseTo((t95(3) * sampleStandardDeviation(each)) / 2, 9);
  });

  it("has singulation as the share of places with one plant, with the binomial interval", () => {
    const stand = judgeStand([row(1, { singles: 95, skips: 4, doubles: 1 })], 0.75)!;
    expect(stand.singulation).toMatchObject({ value: 0.95, ...shareInterval(95, 100) });
    expect(stand.population.half).toBeNull();
  });

  it("names the row that skips, beyond what chance does beside the others", () => {
    const rows = [1, 2, 3, 4, 5, 6].map((place) => row(place, place === 4 ? { singles: 50, skips: 11 } : {}));
    expect(
      judgeStand(rows, 0.75)!
        .rows.filter(({ faults }) => faults.length > 0)
        .map((each) => each.row),
    ).toEqual([4]);
    // Six in a hundred of so few is chance.
    const few = [1, 2, 3].map((place) => row(place, { singles: 15, skips: place === 2 ? 1 : 0 }));
    expect(judgeStand(few, 0.75)!.rows.every(({ faults }) => faults.length === 0)).toBe(true);
  });

  it("questions a healthy planter seldom: of a thousand of eight rows under one in ten", () => {
    let seed = 3;
    const random = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648;
    };
    let questioned = 0;
    for (let time = 0; time < 1000; time += 1) {
      const rows = Array.from({ length: 8 }, (_, at) => {
        const skips = Array.from({ length: 60 }, () => (random() < 0.02 ? 1 : 0)).reduce<number>(
          (a, b) => a + b,
          0,
        );
        return row(at + 1, { singles: 60 - skips, skips });
      });
      if (judgeStand(rows, 0.75)!.rows.some(({ faults }) => faults.length > 0)) questioned += 1;
    }
    expect(questioned).toBeLessThan(100);
  });

  it("names doubles and uneven spacing by themselves, and is nothing of nothing", () => {
    const rows = [
      row(1, { doubles: 9 }),
      row(2),
      row(3, { spacings: [0.1, 0.3, 0.12, 0.28, 0.2, 0.1, 0.31, 0.29, 0.11] }),
    ];
    expect(judgeStand(rows, 0.75)!.rows.map(({ faults }) => faults)).toEqual([["doubles"], [], ["spacing"]]);
    expect(judgeStand([], 0.75)).toBeNull();
    expect(judgeStand([row(1, { singles: 0, skips: 0 })], 0.75)).toBeNull();
  });
});
