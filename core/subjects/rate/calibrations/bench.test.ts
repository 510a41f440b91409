/** Every calibration made on the bench: what it finds is what is true there, by as much as the noise allows. */
import { describe, expect, it } from "vitest";
import type { CalibrationKind, Run } from "../../../calibration/kind.ts";
import type { DimensionKey } from "../../../dimension/catalogue.ts";
import { figuresIn, inWords } from "../../../quantity/said.ts";
import { PRESETS } from "../../../quantity/units.ts";
import type { ResolvedRig } from "../../../rig/resolve.ts";
import { type Lines, samplePart } from "../../../rig/sample-whole.ts";
import { NOISE, type TrueDose } from "../../../simulation/dose.ts";
import { chance } from "../../../simulation/random.ts";
import { shapeOf } from "../../../trade/overlap.ts";
import { SLIP } from "../../balance/slip.ts";
import { seedDose } from "../practise.ts";
import { acreStrip } from "./flow.ts";
import { CALIBRATIONS } from "./index.ts";
import { judgeNozzles, ratedFlow } from "./nozzles.ts";
import { catchesOf, learntEffect, TRAYS } from "./trays.ts";
import { nextConstant, VALVE } from "./valve.ts";

const SPRAYER: Lines = {
  "tool.kind": "sprayer",
  "rows.count": "36",
  "rows.spacing": "0.5",
  "tool.width": "18",
  "work.speed": "8 km/h",
  "work.area": "10 ha",
  "rate.liquid": "200 l/ha",
  "rate.speedSource": "wheel",
  "rate.pulsesPerMetre": "10 /m",
  "rate.pulsesPerLitre": "200 /l",
  "rate.nozzle": "04",
  "rate.tank": "2400 l",
  "rate.valve": "300",
};
const DRILL: Lines = {
  "tool.kind": "drill",
  "tool.meterDrive": "motor",
  "rows.count": "24",
  "rows.spacing": "0.125",
  "tool.width": "3",
  "work.area": "6 ha",
  "rate.seed": "150 kg/ha",
  "rate.speedSource": "radar",
  "rate.pulsesPerMetre": "97 /m",
  "rate.displacement": "120 g",
};
const PLANTER: Lines = {
  "tool.kind": "planter",
  "rows.count": "6",
  "rows.spacing": "0.75",
  "rate.seeds": "85000 /ha",
  "rate.speedSource": "receiver",
};
const SPREADER: Lines = {
  "tool.kind": "spreader",
  "tool.width": "21",
  "work.area": "15 ha",
  "work.speed": "10 km/h",
  "rate.spread": "180 kg/ha",
  "rate.speedSource": "tractor",
  "rate.pulsesPerMetre": "130 /m",
  "rate.flowFactor": "1",
  "rate.scale": "1",
  "guidance.trackSpacing": "21",
};
const HEADER: Lines = {
  "tool.kind": "header",
  "tool.width": "5",
  "rate.yield": "1",
  "tractor.grainTank": "7000 kg",
};

const RIGS: readonly [string, ResolvedRig][] = [
  ["sprayer", samplePart("boom", SPRAYER).rig],
  ["drill", samplePart("drawn", DRILL).rig],
  ["planter", samplePart("drawn", PLANTER).rig],
  ["spreader", samplePart("mounted", SPREADER).rig],
  ["header", samplePart("head", HEADER).rig],
];

/** Makes as many runs as a careful hand would, and solves them. */
function made(kind: CalibrationKind, rig: ResolvedRig, truth: TrueDose, presses: number, seed: number) {
  const setup = kind.first(rig);
  const runs: Run[] = [];
  for (let press = 0; press < presses; press += 1) {
    const next = kind.next?.({ rig, runs, left: new Set() }) ?? {};
    runs.push(...kind.bench!(truth, setup, rig, chance(seed * 977 + press), next));
  }
  return { runs, outcome: kind.solve({ rig, setup, runs, left: new Set(), kept: [], before: [] }) };
}

const ONE_BY_ONE = CALIBRATIONS.filter(
  ({ entered, constant, key }) => entered === "singly" && constant !== null && key !== "valve",
);
const pairs = RIGS.flatMap(([name, rig]) =>
  ONE_BY_ONE.filter((kind) => kind.asked(rig)).map((kind) => [kind.key, name, kind, rig] as const),
);

describe("a calibration on the bench", () => {
  it("is there of every kind: none cannot be practised", () => {
    expect(CALIBRATIONS.filter(({ bench }) => !bench).map(({ key }) => key)).toEqual([]);
    expect(new Set(pairs.map(([key]) => key)).size).toBe(ONE_BY_ONE.length);
  });

  it.each(pairs)("“%s” of the %s finds what is true there within 2 %%", (_, __, kind, rig) => {
    const off: number[] = [];
    for (let seed = 0; seed < 12; seed += 1) {
      const truth = seedDose(rig, seed);
      const { outcome } = made(kind, rig, truth, kind.key === "flow-128" ? 24 : 6, seed);
      const real = truth.constants[kind.constant as DimensionKey]!;
      const found = outcome.constant!.estimate.value;
      // What may be nothing is held against what is kept apart there: a kilogram, a point of a per cent.
      const size = Math.abs(real) < 0.5 && kind.key !== "catch" ? 1 : Math.abs(real);
      off.push((found - real) / (kind.key === "load-cells" ? Math.max(size, 100) : size));
    }
    for (const each of off) expect(Math.abs(each)).toBeLessThan(kind.key === "flow-128" ? 0.04 : 0.02);
  });

  it("makes the terminal's figures and the real ones agree once the true constant is in: the balance of mass", () => {
    const rig = RIGS[0]![1];
    const truth = seedDose(rig, 5);
    for (const key of ["flow-nozzles", "flow-tank"]) {
      const kind = CALIBRATIONS.find((each) => each.key === key)!;
      const setup = { ...kind.first(rig) };
      const figures = { ...setup.figures, had: truth.constants["rate.pulsesPerLitre"]! };
      const runs = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((press) => [
        ...kind.bench!(truth, { ...setup, figures }, rig, chance(press), {}),
      ]);
      const sum = (of: (run: Run) => number) => runs.reduce((total, run) => total + of(run), 0);
      const shown = sum(({ figures: each }) => each.shown!);
      const real = sum(({ figures: each }) =>
        key === "flow-tank" ? each.gone! : (each.caught! / each.time!) * truth.nozzles.length,
      );
      expect(Math.abs(shown / real - 1)).toBeLessThan(0.02);
    }
  });

  it("has the noise that is told: catches scatter by 1.5 %, nozzles by 2 %, speed by half a per cent", () => {
    const scatter = (numbers: number[]) => {
      const middle = numbers.reduce((sum, each) => sum + each, 0) / numbers.length;
      return Math.sqrt(
        numbers.reduce((sum, each) => sum + (each / middle - 1) ** 2, 0) / (numbers.length - 1),
      );
    };
    const drill = RIGS[1]![1];
    const dose = seedDose(drill, 3);
    const catches = Array.from({ length: 400 }, (_, press) => {
      const [run] = CALIBRATIONS.find(({ key }) => key === "catch")!.bench!(
        dose,
        { figures: {}, choices: {} },
        drill,
        chance(press),
        {},
      );
      return run!.figures.caught! / run!.figures.counts!;
    });
    expect(scatter(catches) / NOISE.catch).toBeGreaterThan(0.85);
    expect(scatter(catches) / NOISE.catch).toBeLessThan(1.15);
    const speeds = Array.from({ length: 400 }, (_, press) => {
      const [run] = CALIBRATIONS.find(({ key }) => key === "speed")!.bench!(
        dose,
        { figures: {}, choices: {} },
        drill,
        chance(press),
        {},
      );
      return run!.figures.pulses! / run!.figures.distance!;
    });
    expect(scatter(speeds) / NOISE.speed).toBeGreaterThan(0.85);
    expect(scatter(speeds) / NOISE.speed).toBeLessThan(1.15);
  });

  it("says by field what cannot be: more nozzles than the boom, a catch beyond the hopper, turns the wrong way round", () => {
    const [sprayer, drill] = [RIGS[0]![1], samplePart("drawn", { ...DRILL, "rate.hopper": "400 kg" }).rig];
    const wrong = (key: string, figures: Record<string, number>, rig: ResolvedRig, setup = {}) =>
      CALIBRATIONS.find((each) => each.key === key)!.wrongWith!(
        { figures, choices: {}, lists: {} },
        { figures: setup, choices: {} },
        rig,
      );
    expect(wrong("flow-nozzles", {}, sprayer, { nozzles: 60 })).toEqual({ nozzles: "The boom has 36." });
    expect(wrong("nozzles", { place: 37 }, sprayer)).toEqual({ place: "The boom has 36 nozzles." });
    expect(wrong("flow-tank", { gone: 3 }, sprayer)).toEqual({ gone: "That is more than the tank holds." });
    expect(wrong("catch", { caught: 401 }, drill)).toEqual({ caught: "That is more than the hopper holds." });
    expect(wrong("catch", { caught: 4 }, drill)).toEqual({});
    expect(
      SLIP.wrongWith!(
        { figures: { pulled: 18, unpulled: 20 }, choices: {}, lists: {} },
        { figures: {}, choices: {} },
        drill,
      ),
    ).toHaveProperty("unpulled");
  });
});

describe("a 128th of an acre", () => {
  // US extension tables of strips to drive, in feet, by nozzle spacing in inches.
  it.each([
    [20, 204],
    [30, 136],
    [40, 102],
    [15, 272],
  ])("under nozzles %i in apart is a strip of %i ft", (inches, feet) => {
    expect(acreStrip(inches * 0.0254) / 0.3048).toBeCloseTo(feet, 0);
  });

  it("caught in ounces is gallons an acre", () => {
    const rig = RIGS[0]![1];
    const kind = CALIBRATIONS.find(({ key }) => key === "flow-128")!;
    const ounce = (231 * 0.0254 ** 3) / 128;
    const gpa = (128 * ounce) / (43560 * 0.3048 ** 2);
    // 20 oz caught and 20 gal/ac shown: the constant stands.
    const runs = [1, 2, 3].map(() => ({
      figures: { shown: 20 * gpa, caught: 20 * ounce },
      choices: {},
      lists: {},
    }));
    const { constant } = kind.solve({
      rig,
      setup: kind.first(rig),
      runs,
      left: new Set(),
      kept: [],
      before: [],
    });
    expect(constant!.moved!).toBeCloseTo(0, 12);
  });
});

describe("the nozzles on the bench", () => {
  it("are named where they are worn, and new ones are not", () => {
    const rig = RIGS[0]![1];
    const kind = CALIBRATIONS.find(({ key }) => key === "nozzles")!;
    const truth: TrueDose = {
      ...seedDose(rig, 1),
      nozzles: Array.from({ length: 36 }, (_, at) => (at === 8 ? 1.2 : 1)),
    };
    const { outcome } = made(kind, rig, truth, 1, 1);
    expect(outcome.parts.filter(({ state }) => state === "worn").map(({ place }) => place)).toEqual([9]);
    const renewed = made(kind, rig, kind.renew!(truth, [9]), 1, 2);
    expect(renewed.outcome.parts.filter(({ state }) => state === "worn")).toEqual([]);
  });

  it("are judged at 3 bar whatever the pressure of the test", () => {
    const rig = RIGS[0]![1];
    const kind = CALIBRATIONS.find(({ key }) => key === "nozzles")!;
    const solveAt = (pressure: number) => {
      const volume = 1.6e-3 * Math.sqrt(pressure / 3e5);
      const runs = [1, 2, 3, 4].map((place) => ({
        figures: { place, caught: volume },
        choices: {},
        lists: {},
      }));
      const setup = { figures: { pressure, time: 60 }, choices: {} };
      return kind.solve({ rig, setup, runs, left: new Set(), kept: [], before: [] }).parts[0]!.value;
    };
    expect(solveAt(2e5)).toBeCloseTo(ratedFlow(rig)!, 12);
    expect(solveAt(4e5)).toBeCloseTo(ratedFlow(rig)!, 12);
  });

  it("blocked and worn ones do not pull the mean the others are held against", () => {
    const flows = [1, 1.01, 0.99, 1.02, 0.98, 1, 1.2, 0.6].map((flow, at) => ({ place: at + 1, flow }));
    const { found, mean, variation } = judgeNozzles(flows, 1);
    expect(mean).toBeCloseTo(1, 12);
    expect(variation!).toBeCloseTo(Math.sqrt(0.001 / 5), 12);
    expect(found.map(({ state }) => state)).toEqual([...Array(6).fill("good"), "worn", "blocked"]);
    expect(judgeNozzles(flows, null).found[6]!.state).toBe("odd");
    expect(inWords(found[6]!.said, PRESETS.metric)).toBe(
      "Nozzle 7 gives 20.0\u00a0% more than a new one: worn. Change it.",
    );
  });

  it("say what was not caught, and that without a size none can be called worn", () => {
    const bare = samplePart("boom", { ...SPRAYER, "rate.nozzle": undefined }).rig;
    const kind = CALIBRATIONS.find(({ key }) => key === "nozzles")!;
    const runs = [1, 2, 3, 4].map((place) => ({ figures: { place, caught: 1e-3 }, choices: {}, lists: {} }));
    const { next, barred } = kind.solve({
      rig: bare,
      setup: kind.first(bare),
      runs,
      left: new Set(),
      kept: [],
      before: [],
    });
    const said = next.map((each) => inWords(each, PRESETS.metric));
    expect(barred).toEqual([]);
    expect(said).toContain("32 of 36 were not caught: nothing is known of them.");
    expect(said).toContain("Nobody told the nozzles' size: none of them can be called worn.");
  });
});

describe("the tray test on the bench", () => {
  const rig = RIGS[3]![1];

  it("finds to which side it lies, and turned as it says it comes to the middle", () => {
    const truth = { ...seedDose(rig, 2), pattern: { reach: 10.5, slope: 5.5, shift: 1.2, middle: 0.06 } };
    const first = TRAYS.first(rig);
    const test = (vaneRight: number, before: Parameters<typeof TRAYS.solve>[0]["before"], seed: number) => {
      const setup = { ...first, figures: { ...first.figures, vaneRight } };
      const runs = TRAYS.bench!(truth, setup, rig, chance(seed), {});
      const what = { rig, setup, runs, left: new Set<number>(), kept: [], before };
      return { setup, outcome: TRAYS.solve(what), shape: shapeOf(catchesOf(what)) };
    };
    const one = test(10, [], 1);
    expect(one.outcome.figures.shift!).toBeGreaterThan(0.8);
    expect(inWords(one.outcome.next[0]!, PRESETS.metric)).toContain(
      "Turn the vane of the right disc one mark back",
    );
    const kept = (each: typeof one) => ({ setup: each.setup.figures, figures: each.outcome.figures });
    const two = test(9, [kept(one)], 2);
    const effect = learntEffect(two.outcome.figures.shift!, two.setup.figures, [kept(one)])!;
    expect(effect).toBeGreaterThan(0.25);
    expect(effect).toBeLessThan(0.65);
    const marks = Math.round(-two.outcome.figures.shift! / effect);
    const three = test(9 + marks, [kept(two), kept(one)], 3);
    expect(Math.abs(three.shape.shift)).toBeLessThan(0.3);
    expect(three.outcome.constant!.estimate.value).toBeLessThan(0.1);
  });

  it("learns nothing of two tests whose vanes stood alike, or of one without marks", () => {
    expect(
      learntEffect(1, { vaneLeft: 10, vaneRight: 10 }, [
        { setup: { vaneLeft: 10, vaneRight: 10 }, figures: { shift: 0 } },
      ]),
    ).toBeNull();
    expect(learntEffect(1, {}, [])).toBeNull();
  });

  it("says nothing of fewer trays than show a pattern", () => {
    const { outcome } = made(TRAYS, rig, { ...seedDose(rig, 2), pattern: null }, 1, 1);
    expect(outcome.constant).toBeNull();
    expect(inWords(outcome.barred[0]!, PRESETS.metric)).toContain("0 of 7 trays");
  });
});

describe("the valve on the bench", () => {
  it("rests in the end, from far too slow and from far too fast, a tenth at a time", () => {
    const rig = RIGS[0]![1];
    for (const start of ["60", "2400"]) {
      const from = samplePart("boom", { ...SPRAYER, "rate.valve": start }).rig;
      const truth = { ...seedDose(rig, 4), valve: { gain: 0.0022, lag: 0.6 } };
      const { runs, outcome } = made(VALVE, from, truth, 40, 1);
      expect(runs.at(-1)!.choices.seen).toBe("rests");
      expect(outcome.barred).toEqual([]);
      expect(figuresIn(outcome.next[0]!)).toEqual([]);
    }
    expect([nextConstant(300, "slow"), nextConstant(300, "hunts"), nextConstant(300, "rests")]).toEqual([
      330, 270, 300,
    ]);
    expect(nextConstant(3, "slow")).toBe(4);
  });
});
