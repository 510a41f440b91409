import { describe, expect, it } from "vitest";
import { inWords } from "../quantity/said.ts";
import { PRESETS } from "../quantity/units.ts";
import { samplePart } from "../rig/sample-whole.ts";
import { costSaid, type Work } from "./cost.ts";
import { counted, solveConstant } from "./judge.ts";
import { type Calibrating, runOf } from "./kind.ts";

const rig = samplePart("boom", { "tool.kind": "sprayer" }).rig;
const words = (all: readonly unknown[]) => all.map((each) => inWords(each as never, PRESETS.metric));

const KIND = {
  constant: "rate.pulsesPerLitre",
  one: "run",
  enough: { count: 3, why: "three tell" },
} as const;

/** Litres shown and measured in each run, at 186 pulses a litre. */
function solve(
  pairs: readonly (readonly [number, number])[],
  left: number[] = [],
  had: number | null = 186e3,
) {
  const what: Calibrating = {
    rig,
    setup: { figures: had === null ? {} : { had }, choices: {} },
    runs: pairs.map(([shown, measured]) => runOf({ shown, measured })),
    left: new Set(left),
    kept: [],
    before: [],
  };
  return solveConstant(
    {
      ...KIND,
      pairOf: ({ figures }, { figures: { had: old } }) => ({
        over: (old ?? Number.NaN) * figures.shown!,
        under: figures.measured!,
      }),
    },
    what,
  );
}

describe("a constant judged", () => {
  it("is old × displayed ÷ measured, and says how far it moved", () => {
    const { constant, barred, next } = solve([
      [94, 100],
      [94.4, 100],
      [93.8, 100],
    ]);
    expect(constant!.estimate.value).toBeCloseTo((186e3 * (94 + 94.4 + 93.8)) / 300, 6);
    expect(constant!.moved!).toBeCloseTo(0.94067 - 1, 4);
    expect(barred).toEqual([]);
    expect(words(next)).toEqual([
      "It moved by −5.9\u00a0%. Enter the new one in the terminal, and accept it here.",
    ]);
  });

  it("says that it is the same where it moved by less than is worth typing", () => {
    expect(
      words(
        solve([
          [100.2, 100],
          [100, 100],
          [99.9, 100],
        ]).next,
      )[0],
    ).toContain("It is what the terminal has");
  });

  it("is barred while runs are too few, too far apart, or one does not belong, each said", () => {
    expect(words(solve([[94, 100]]).barred)).toEqual(["1 of 3 runs: three tell."]);
    expect(
      words(
        solve([
          [94, 100],
          [100, 100],
          [90, 100],
        ]).barred,
      )[0],
    ).toContain("They differ by 5.3\u00a0%");
    const odd = solve([
      [94, 100],
      [94.1, 100],
      [93.9, 100],
      [94.05, 100],
      [99, 100],
    ]);
    expect(words(odd.barred)).toHaveLength(1);
    expect(words(odd.barred)[0]).toContain("Run 5 does not fit the others: +");
    const without = solve(
      [
        [94, 100],
        [94.1, 100],
        [93.9, 100],
        [94.05, 100],
        [99, 100],
      ],
      [4],
    );
    expect(without.barred).toEqual([]);
  });

  it("is barred where it cannot be, or looks like another unit", () => {
    expect(
      words(
        solve([
          [378.5, 100],
          [378.6, 100],
          [378.4, 100],
        ]).barred,
      )[0],
    ).toContain("gallons taken for litres");
    const beyond = solve([
      [9e4, 1],
      [9e4, 1],
      [9e4, 1],
    ]);
    expect(words(beyond.barred).some((each) => each.includes("cannot be"))).toBe(true);
  });

  it("finds nothing where the terminal's constant is needed and nobody told it", () => {
    const { constant, barred } = solve(
      [
        [94, 100],
        [94, 100],
        [94, 100],
      ],
      [],
      null,
    );
    expect(constant).toBeNull();
    expect(words(barred)).toEqual(["0 of 3 runs: three tell."]);
  });

  it("counts in English", () => {
    expect([counted(1, "catch"), counted(2, "catch"), counted(3, "load"), counted(2, "try")]).toEqual([
      "1 catch",
      "2 catches",
      "3 loads",
      "2 tries",
    ]);
  });
});

describe("what a wrong constant costs", () => {
  const work: Work = {
    area: 10e4,
    rate: { family: "volume per area", value: 180e-7 },
    price: { each: 240, money: "€" },
  };

  it("is said in shares, and on the field in litres and money", () => {
    expect(words(costSaid({ area: null, applied: 1.05, shown: 0.95 }, work))).toEqual([
      "5.0\u00a0% more put out than was set: 189\u00a0l/ha instead of 180\u00a0l/ha, 90.0\u00a0l on 10.00\u00a0ha, 21.60 €.",
      "5.0\u00a0% less shown than there was.",
    ]);
    expect(words(costSaid({ area: 1.02, applied: null, shown: null }, work))).toEqual([
      "0.20\u00a0ha too many shown on 10.00\u00a0ha.",
    ]);
  });

  it("says no more than is known, and nothing where nothing is wrong", () => {
    const bare: Work = { area: null, rate: null, price: null };
    expect(words(costSaid({ area: 1.02, applied: 1.05, shown: null }, bare))).toEqual([
      "2.0\u00a0% more hectares shown than were done.",
      "5.0\u00a0% more put out than was set.",
    ]);
    expect(costSaid({ area: 1, applied: 1.0005, shown: null }, work)).toEqual([]);
  });
});
