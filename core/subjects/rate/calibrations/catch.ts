/** A catch test: the meter turned for an area, what came out weighed. */

import { solveConstant } from "../../../calibration/judge.ts";
import { type Asked, type CalibrationKind, runOf } from "../../../calibration/kind.ts";
import { percent } from "../../../calibration/percent.ts";
import { tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE } from "../../../simulation/dose.ts";
import { AMOUNT_COSTS, hadOf, rounded, told } from "./common.ts";

const HECTARE = 1e4;
const GRAM = 0.001;

/** Areas a catch is made for: a fortieth or a tenth of a hectare, or of an acre (common practice). */
export const CATCH_AREAS = { fortieth: HECTARE / 40, tenth: HECTARE / 10 } as const;

/** Turns or pulses of the meter for an area: rate (kg/m²) × area (m²) ÷ displacement (kg each). */
export function countsFor(rate: number, area: number, displacement: number): number {
  return (rate * area) / displacement;
}

/** An electric meter that says itself what it expects is asked for that, a hand crank for its turns. */
const TURNED: readonly Asked[] = [
  {
    key: "counts",
    label: "Turns or pulses of the meter",
    hint: "as many as the test was made for",
    kind: "count",
    range: [1, 1_000_000],
  },
  {
    key: "caught",
    label: "Caught",
    hint: "without the bag",
    kind: "measure",
    family: "mass",
    range: [10 * GRAM, 2000],
  },
];

export const CATCH: CalibrationKind = {
  key: "catch",
  title: "Catch test",
  tells: "What one turn or pulse of the meter gives of this seed: the rate hangs on it.",
  constant: "rate.displacement",
  kit: ["scale to 10 g", "bag or trough", "crank, or the meter's test button"],
  steps: [
    "Ranks, roll and crop as they are worked; hopper at least a quarter full.",
    "Turn until seed runs everywhere, empty the troughs, then begin to count.",
    "Turn for a fortieth of a hectare at least, as fast as it turns at work. Weigh without the bag.",
    "Twice or oftener; then enter the new displacement, and the rate once more.",
  ],
  cautions: [
    "Dressed seed: gloves and mask, and nothing of it is left lying.",
    "Meter and fan are off before a hand goes near the roll; on an electric drive switch it off first.",
  ],
  one: "catch",
  enough: { count: 2, why: "a second one tells whether the first was caught whole" },
  setup: [hadOf("rate.displacement")],
  fields: TURNED,
  entered: "singly",
  asked: ({ values, tool }) =>
    (tool === "drill" || tool === "cart") &&
    ["wheel", "PTO generator", "oil generator", "motor"].includes(values["tool.meterDrive"].choice ?? ""),
  first: (rig) => told(rig, { had: "rate.displacement" }),
  wrongWith: ({ figures: { caught } }, _, rig) => {
    const hopper = known(rig, "rate.hopper");
    return hopper !== null && (caught ?? 0) > hopper
      ? { caught: "That is more than the hopper holds." }
      : ({} as Record<string, string>);
  },
  solve: (what) => {
    const outcome = solveConstant(
      {
        ...CATCH,
        pairOf: ({ figures: { counts, caught } }) => ({
          over: caught ?? Number.NaN,
          under: counts ?? 0,
        }),
      },
      what,
    );
    const { constant } = outcome;
    if (!constant || constant.had === null) return outcome;
    return {
      ...outcome,
      also: [
        {
          key: "error",
          label: "As it stood, the rate was",
          said: tell`${percent(constant.estimate.value / constant.had - 1)} of what was set`,
        },
      ],
    };
  },
  costs: AMOUNT_COSTS,
  bench: ({ constants }, { figures: { had } }, rig, random) => {
    const displacement = constants["rate.displacement"];
    if (displacement === undefined) return [];
    const rate = known(rig, "rate.seed") ?? 150 / HECTARE;
    const counts = Math.max(10, Math.round(countsFor(rate, CATCH_AREAS.fortieth, had ?? displacement)));
    return [
      runOf({ counts, caught: rounded(counts * displacement * (1 + random.normal(NOISE.catch)), 5 * GRAM) }),
    ];
  },
};
