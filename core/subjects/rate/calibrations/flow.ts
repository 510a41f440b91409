/** Litres as the terminal counts them against litres caught, weighed, or driven over a 128th of an acre. */

import { solveConstant } from "../../../calibration/judge.ts";
import { type Asked, type CalibrationKind, type Run, runOf } from "../../../calibration/kind.ts";
import { FAMILIES } from "../../../quantity/measure.ts";
import { roundLength, type Said, smallLength, tell } from "../../../quantity/said.ts";
import type { ResolvedRig } from "../../../rig/resolve.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE, type TrueDose } from "../../../simulation/dose.ts";
import { flowAt, NOZZLE_SIZES, type NozzleSizeKey } from "../../../trade/nozzles.ts";
import { FLOW_COSTS, hadOf, isOneOf, LITRE, MINUTE, rounded, told } from "./common.ts";

const ON_WATER =
  "With clean water, gloves and glasses on: what is left in the pipes is on your hands. Set the pressure first, then get out and catch.";

const FLOW: Pick<CalibrationKind, "constant" | "costs" | "cautions" | "entered" | "asked"> = {
  constant: "rate.pulsesPerLitre",
  costs: FLOW_COSTS,
  cautions: [ON_WATER, "Follow the label: rinse, and empty where it is allowed."],
  entered: "singly",
  asked: isOneOf("sprayer"),
};

const NOZZLES_OPEN: Asked = {
  key: "nozzles",
  label: "Nozzles open",
  hint: "all sections: the display divides its flow by them",
  kind: "count",
  range: [1, 400],
};

/** More nozzles open than the boom has cannot be. */
const tooMany = ({ figures }: Run | { figures: Run["figures"] }, rig: ResolvedRig) => {
  const has = known(rig, "rows.count");
  return has !== null && (figures.nozzles ?? 0) > has ? { nozzles: `The boom has ${has}.` } : {};
};

/** What all nozzles together really give at a pressure, m³/s, and what the meter makes the terminal show of it. */
export function trueFlow(
  { nozzles, constants }: TrueDose,
  rig: ResolvedRig,
  pressure: number,
): { real: number; shown: (had: number) => number } | null {
  const size = rig.values["rate.nozzle"].choice as NozzleSizeKey | null;
  const constant = constants["rate.pulsesPerLitre"];
  if (size === null || !(size in NOZZLE_SIZES) || constant === undefined || nozzles.length === 0) return null;
  const real = nozzles.reduce((sum, share) => sum + share * flowAt(NOZZLE_SIZES[size].flow, pressure), 0);
  return { real, shown: (had) => (real * constant) / had };
}

export const FLOW_NOZZLES: CalibrationKind = {
  ...FLOW,
  key: "flow-nozzles",
  title: "Flow by the nozzles",
  tells: "The flow shown against what the nozzles really give: what the terminal takes for a litre.",
  kit: ["jug with a scale in millilitres", "stopwatch"],
  steps: [
    "All sections open, pump on, engine at working speed. Set a pressure and note it.",
    "Note the flow the terminal shows.",
    "Catch one minute at five nozzles or more, spread over the boom; enter their mean.",
    "Three times at pressures you work with.",
  ],
  one: "run",
  enough: { count: 3, why: "three tell whether one of them was caught wrong" },
  setup: [hadOf("rate.pulsesPerLitre"), NOZZLES_OPEN],
  fields: [
    {
      key: "shown",
      label: "Flow shown",
      hint: "by the terminal, all nozzles together",
      kind: "measure",
      family: "flow",
      range: [LITRE / MINUTE, (1500 * LITRE) / MINUTE],
    },
    {
      key: "caught",
      label: "Caught, mean of a nozzle",
      hint: "in the time below",
      kind: "measure",
      family: "volume",
      unit: "ml",
      range: [0.02 * LITRE, 20 * LITRE],
    },
    {
      key: "time",
      label: "Time",
      hint: "a minute, as a rule",
      kind: "measure",
      family: "time",
      unit: "s",
      range: [10, 600],
    },
  ],
  first: (rig) => told(rig, { had: "rate.pulsesPerLitre", nozzles: "rows.count" }),
  wrongWith: (_, setup, rig) => tooMany(setup, rig) as Record<string, string>,
  solve: (what) =>
    solveConstant(
      {
        ...FLOW_NOZZLES,
        pairOf: ({ figures: { shown, caught, time } }, { figures: { had, nozzles } }) => ({
          over: (had ?? Number.NaN) * (shown ?? Number.NaN),
          under: ((caught ?? 0) / (time ?? Number.NaN)) * (nozzles ?? Number.NaN) || 0,
        }),
      },
      what,
    ),
  bench: (truth, { figures: { had } }, rig, random) => {
    const flow = trueFlow(truth, rig, random.between(2e5, 4e5));
    if (!flow || had === undefined) return [];
    // Five nozzles are caught: their mean is as uncertain as one of them by √5.
    const mean = (flow.real / truth.nozzles.length) * (1 + random.normal(NOISE.catch / Math.sqrt(5)));
    return [
      runOf({
        shown: rounded(flow.shown(had), LITRE / MINUTE / 10),
        caught: rounded(mean * 60, 1e-6),
        time: 60,
      }),
    ];
  },
};

export const FLOW_TANK: CalibrationKind = {
  ...FLOW,
  key: "flow-tank",
  title: "Flow by the tank",
  tells: "Litres counted against litres weighed or gauged out of the tank.",
  kit: ["weighbridge, or a gauged tank"],
  steps: [
    "Weigh the machine, or read the gauge on level ground. Set the volume counted to nothing.",
    "Spray out a good part of the tank: a quarter or more.",
    "Weigh again the same way, same fuel, same people aboard. Note the litres counted.",
  ],
  one: "tank",
  enough: { count: 2, why: "a second one tells whether the first was read right" },
  setup: [hadOf("rate.pulsesPerLitre")],
  fields: [
    {
      key: "shown",
      label: "Litres counted",
      hint: "by the terminal since it was set to nothing",
      kind: "measure",
      family: "volume",
      range: [10 * LITRE, 20_000 * LITRE],
    },
    {
      key: "gone",
      label: "Litres gone out of the tank",
      hint: "weighed (1 kg of water is 1 l) or gauged",
      kind: "measure",
      family: "volume",
      range: [10 * LITRE, 20_000 * LITRE],
    },
  ],
  first: (rig) => told(rig, { had: "rate.pulsesPerLitre" }),
  wrongWith: ({ figures: { gone } }, _, rig) => {
    const tank = known(rig, "rate.tank");
    return tank !== null && (gone ?? 0) > 1.05 * tank
      ? { gone: "That is more than the tank holds." }
      : ({} as Record<string, string>);
  },
  solve: (what) =>
    solveConstant(
      {
        ...FLOW_TANK,
        pairOf: ({ figures: { shown, gone } }, { figures: { had } }) => ({
          over: (had ?? Number.NaN) * (shown ?? Number.NaN),
          under: gone ?? 0,
        }),
      },
      what,
    ),
  bench: ({ constants }, { figures: { had } }, rig, random) => {
    const constant = constants["rate.pulsesPerLitre"];
    if (constant === undefined || had === undefined) return [];
    const real = 0.6 * (known(rig, "rate.tank") ?? 2);
    const weighed = real + random.normal((NOISE.weighbridge * Math.SQRT2) / 1000);
    return [runOf({ shown: rounded((real * constant) / had, LITRE), gone: rounded(weighed, LITRE) })];
  },
};

const OUNCE = FAMILIES.volume["fl oz"].factor;
const ACRE = FAMILIES.area.ac.factor;

/** Metres to drive for one 128th of an acre under one nozzle: 43 560 ft² / 128 / spacing (US extension). 204 ft at 20 in. */
export function acreStrip(spacing: number): number {
  return ACRE / 128 / spacing;
}

const stripSaid = (spacing: number): Said =>
  tell`${roundLength(acreStrip(spacing))} for nozzles ${smallLength(spacing)} apart`;

export const FLOW_ACRE: CalibrationKind = {
  ...FLOW,
  key: "flow-128",
  title: "A 128th of an acre",
  tells: "Ounces caught in the time a 128th of an acre takes are gallons an acre: against the rate shown.",
  kit: ["tape", "jug in fluid ounces", "stopwatch"],
  steps: [
    "Drive the distance for your nozzle spacing at working speed and take the time. At 20 in it is 204 ft.",
    "Standing, at the same pressure, catch one nozzle for that time.",
    "Ounces are gallons an acre. Note the rate the terminal shows.",
    "Three nozzles or more, spread over the boom.",
  ],
  one: "catch",
  enough: { count: 3, why: "one nozzle alone may be worn" },
  setup: [hadOf("rate.pulsesPerLitre")],
  fields: [
    {
      key: "shown",
      label: "Rate shown",
      hint: "by the terminal at that speed",
      kind: "measure",
      family: "volume per area",
      range: [1e-6, 0.3],
    },
    {
      key: "caught",
      label: "Caught at one nozzle",
      hint: "in the time the strip takes",
      kind: "measure",
      family: "volume",
      unit: "fl oz",
      range: [OUNCE, 400 * OUNCE],
    },
  ],
  first: (rig) => told(rig, { had: "rate.pulsesPerLitre" }),
  solve: (what) => {
    const outcome = solveConstant(
      {
        ...FLOW_ACRE,
        pairOf: ({ figures: { shown, caught } }, { figures: { had } }) => ({
          over: (had ?? Number.NaN) * (shown ?? Number.NaN),
          under: (128 * (caught ?? 0)) / ACRE,
        }),
      },
      what,
    );
    const spacing = known(what.rig, "rows.spacing");
    const strip =
      spacing === null ? [] : [{ key: "strip", label: "Strip to drive", said: stripSaid(spacing) }];
    return { ...outcome, also: strip };
  },
  bench: ({ constants, nozzles }, { figures: { had } }, rig, random) => {
    const constant = constants["rate.pulsesPerLitre"];
    const rate = known(rig, "rate.liquid");
    if (constant === undefined || had === undefined || rate === null || nozzles.length === 0) return [];
    // The controller holds what it shows at the rate: what falls is less or more by as much as its litre is wrong.
    const real = (rate * had) / constant;
    const mean = nozzles.reduce((sum, each) => sum + each, 0) / nozzles.length;
    const nozzle = nozzles[Math.floor(random.between(0, nozzles.length))]! / mean;
    return [
      runOf({
        shown: rounded(rate, 1e-8),
        caught: rounded(((real * ACRE) / 128) * nozzle * (1 + random.normal(NOISE.catch)), OUNCE / 10),
      }),
    ];
  },
};
