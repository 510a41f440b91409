/** Pulses counted over a taped distance: what the terminal takes for a metre. */

import { solveConstant } from "../../../calibration/judge.ts";
import { type CalibrationKind, runOf } from "../../../calibration/kind.ts";
import { NOISE } from "../../../simulation/dose.ts";
import { hadOf, SPEED_COSTS, told } from "./common.ts";

const pairOf: Parameters<typeof solveConstant>[0]["pairOf"] = ({ figures }) => ({
  over: figures.pulses ?? Number.NaN,
  under: figures.distance ?? 0,
});

export const SPEED: CalibrationKind = {
  key: "speed",
  title: "Speed over a taped distance",
  tells: "How many pulses the speed sensor gives on each metre: hectares and rate hang on it.",
  constant: "rate.pulsesPerMetre",
  kit: ["tape of 50 m or more", "two flags"],
  steps: [
    "Tape 100 m in the field that is worked, not on the road: a tyre rolls and slips otherwise there.",
    "Tank or hopper half full, tyres at working pressure, tool at work.",
    "Count from flag to flag on the terminal's calibration page, at working speed.",
    "Three times, both ways. Distances may differ: long ones weigh more.",
  ],
  cautions: ["Nobody stands between the flags or beside the tool while it moves."],
  one: "run",
  enough: { count: 3, why: "three tell whether one of them was counted wrong" },
  setup: [hadOf("rate.pulsesPerMetre")],
  fields: [
    {
      key: "distance",
      label: "Distance taped",
      hint: "from flag to flag",
      kind: "measure",
      family: "length",
      range: [5, 2000],
    },
    {
      key: "pulses",
      label: "Pulses counted",
      hint: "as the terminal shows them; none is no signal",
      kind: "count",
      range: [1, 1_000_000],
    },
  ],
  entered: "singly",
  asked: ({ values }) => ["wheel", "tractor", "radar"].includes(values["rate.speedSource"].choice ?? ""),
  first: (rig) => told(rig, { had: "rate.pulsesPerMetre" }),
  solve: (what) => solveConstant({ ...SPEED, pairOf }, what),
  costs: SPEED_COSTS,
  bench: ({ constants }, _, __, random) => {
    const constant = constants["rate.pulsesPerMetre"];
    if (constant === undefined) return [];
    return [runOf({ distance: 100, pulses: Math.round(100 * constant * (1 + random.normal(NOISE.speed))) })];
  },
};
