/** What a scale, a flow of fertiliser or a yield monitor shows against what a weighbridge says. */

import { solveConstant } from "../../../calibration/judge.ts";
import {
  type Asked,
  type Calibrating,
  type CalibrationKind,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { fitRatio, type Pair } from "../../../calibration/ratio.ts";
import type { DimensionKey } from "../../../dimension/catalogue.ts";
import { joined, quantity, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE } from "../../../simulation/dose.ts";
import type { Chance } from "../../../simulation/random.ts";
import { AMOUNT_COSTS, COUNT_COSTS, hadOf, isOneOf, rounded, told } from "./common.ts";

const mass = (key: string, label: string, hint: string): Asked => ({
  key,
  label,
  hint,
  kind: "measure",
  family: "mass",
  range: [5, 60_000],
});

/** New factor = old × Σweighed ÷ Σshown. */
const pairOf: Parameters<typeof solveConstant>[0]["pairOf"] = ({ figures: { shown, weighed } }, setup) => ({
  over: (setup.figures.had ?? Number.NaN) * (weighed ?? Number.NaN),
  under: shown ?? 0,
});

type OnScale = {
  /** there really is so much, from and to, kg */
  between: readonly [number, number];
  /** what the scale says of it, kg */
  weighed: (real: number, random: Chance) => number;
  /** last place of what the machine shows, and of the scale, kg */
  steps: readonly [number, number];
};

const ON_WEIGHBRIDGE: Omit<OnScale, "between"> = {
  weighed: (real, random) => real + random.normal(NOISE.weighbridge),
  steps: [5, 10],
};

/** Loads on the bench: `shown` what the machine says of them at the factor it stands at. */
function benchOf(key: DimensionKey, { between: [least, most], weighed, steps }: OnScale) {
  const bench: NonNullable<CalibrationKind["bench"]> = ({ constants }, { figures: { had } }, _, random) => {
    const constant = constants[key];
    if (constant === undefined || had === undefined) return [];
    const real = random.between(least, most);
    return [
      runOf({
        shown: rounded((real * had) / constant, steps[0]),
        weighed: rounded(weighed(real, random), steps[1]),
      }),
    ];
  };
  return bench;
}

export const SCALE: CalibrationKind = {
  key: "scale",
  title: "Its scale against a weighbridge",
  tells: "By what the scale multiplies what its load cells give.",
  constant: "rate.scale",
  kit: ["weighbridge"],
  steps: [
    "Set the scale to nothing with the hopper empty, on level ground, engine off.",
    "Fill it, and note what it shows.",
    "Weigh the machine full and empty; the difference is what was filled.",
    "Two loads of different size at least.",
  ],
  cautions: ["Nobody on the platform or under the hopper while it is weighed."],
  one: "load",
  enough: { count: 2, why: "two of different size tell a wrong factor from a wrong zero" },
  setup: [hadOf("rate.scale")],
  fields: [
    mass("shown", "Its scale shows", "since it was set to nothing"),
    mass("weighed", "Weighbridge says", "full less empty"),
  ],
  entered: "singly",
  asked: isOneOf("spreader"),
  first: (rig) => told(rig, { had: "rate.scale" }),
  solve: (what) => solveConstant({ ...SCALE, pairOf }, what),
  costs: COUNT_COSTS,
  bench: benchOf("rate.scale", { ...ON_WEIGHBRIDGE, between: [900, 2200] }),
};

export const FLOW_FACTOR: CalibrationKind = {
  key: "flow-factor",
  title: "Flow factor of the fertiliser",
  tells: "How this product runs against the one the spreading table was made with.",
  constant: "rate.flowFactor",
  kit: ["bucket and scale, or the spreader's own scale"],
  steps: [
    "Slide at the opening the table gives, spinner off or disc taken down, one side.",
    "Let it run for as long as the terminal asks; note what it expected.",
    "Weigh what came. Two runs at least.",
  ],
  cautions: ["Shaft off, key out and disc standing before a hand goes near it."],
  one: "run",
  enough: { count: 2, why: "a second one tells whether the first ran evenly" },
  setup: [hadOf("rate.flowFactor")],
  fields: [
    mass("shown", "Expected by the terminal", "at the factor it stands at"),
    mass("weighed", "Weighed", "without the bucket"),
  ],
  entered: "singly",
  asked: isOneOf("spreader"),
  first: (rig) => told(rig, { had: "rate.flowFactor" }),
  solve: (what) => solveConstant({ ...FLOW_FACTOR, pairOf }, what),
  costs: AMOUNT_COSTS,
  bench: benchOf("rate.flowFactor", {
    between: [20, 40],
    weighed: (real, random) => real * (1 + random.normal(NOISE.catch)),
    steps: [0.01, 0.01],
  }),
};

/** What the constant would be without each load in turn: how much hangs on a single ticket. Null of fewer than three. */
export function withoutEach(
  pairs: readonly Pair[],
  left: ReadonlySet<number>,
): { low: { at: number; value: number }; high: { at: number; value: number } } | null {
  const kept = pairs.flatMap((_, at) => (left.has(at) ? [] : [at]));
  if (kept.length < 3) return null;
  const each = kept.flatMap((at) => {
    const fitted = fitRatio(pairs, new Set([...left, at]));
    return fitted ? [{ at, value: fitted.estimate.value }] : [];
  });
  const sorted = each.sort((a, b) => a.value - b.value);
  return { low: sorted[0]!, high: sorted.at(-1)! };
}

function loadsSaid({ runs, left, setup }: Calibrating): Outcome["also"] {
  const pairs = runs.map((run) => pairOf(run, setup));
  const fitted = fitRatio(pairs, left);
  const spread = withoutEach(pairs, left);
  const { had } = setup.figures;
  if (!fitted || !had) return [];
  const corrected = runs.flatMap(({ figures: { shown } }, at) =>
    left.has(at) || shown === undefined
      ? []
      : [tell`${String(at + 1)}: ${quantity("mass", (shown * fitted.estimate.value) / had)}`],
  );
  return [
    ...(spread
      ? [
          {
            key: "without",
            label: "One load left out at a time",
            said: tell`${quantity("factor", spread.low.value)} without load ${String(spread.low.at + 1)} to ${quantity("factor", spread.high.value)} without load ${String(spread.high.at + 1)}`,
          },
        ]
      : []),
    { key: "corrected", label: "Loads corrected", said: joined(corrected, ", ") },
  ];
}

/** Three loads spread over the range of flows are enough to see one that does not belong (common practice, no source). */
export const YIELD: CalibrationKind = {
  key: "yield",
  title: "Yield by weigh tickets",
  tells: "What the monitor shows against what the weighbridge says, load by load.",
  constant: "rate.yield",
  kit: ["weighbridge tickets", "the monitor's list of loads"],
  steps: [
    "Loads of one crop and one moisture, each unloaded whole.",
    "Drive some fast and some slow: the sensor is not as good at every flow.",
    "Enter of each load what the monitor showed and what the ticket says.",
    "Loads that were counted before are corrected afterwards by the same factor.",
  ],
  cautions: ["On the weighbridge nobody between the machines; unloading auger in before the road."],
  one: "load",
  enough: { count: 3, why: "three tell whether one ticket belongs to another load" },
  setup: [hadOf("rate.yield")],
  fields: [mass("shown", "Monitor shows", "of this load"), mass("weighed", "Ticket says", "net")],
  entered: "singly",
  asked: isOneOf("header"),
  first: (rig) => told(rig, { had: "rate.yield" }),
  wrongWith: ({ figures: { weighed } }, _, rig) => {
    const tank = known(rig, "tractor.grainTank");
    return tank !== null && (weighed ?? 0) > 6 * tank
      ? { weighed: "That is more than six tanks: look at the unit." }
      : ({} as Record<string, string>);
  },
  solve: (what) => {
    const outcome = solveConstant({ ...YIELD, pairOf }, what);
    return outcome.constant ? { ...outcome, also: loadsSaid(what) } : outcome;
  },
  costs: COUNT_COSTS,
  bench: benchOf("rate.yield", { ...ON_WEIGHBRIDGE, between: [4000, 9000] }),
};

/** What is added to the moisture the sensor shows: the mean of what a tested sample differs by. */
export const MOISTURE: CalibrationKind = {
  key: "moisture",
  title: "Moisture against a tested sample",
  tells: "What is added to the moisture the sensor shows: dry tonnes are reckoned by it.",
  constant: "rate.moistureOffset",
  kit: ["a sample of each load", "a tested moisture meter, or the buyer's"],
  steps: [
    "Take a sample of a load while it is unloaded, from top, middle and end, and close it.",
    "Note what the monitor showed for that load.",
    "Enter both, three loads or more.",
  ],
  cautions: ["Nobody in the tank or at the auger while it turns: take the sample from the stream, outside."],
  one: "sample",
  enough: { count: 3, why: "three tell whether one of them dried before it was tested" },
  setup: [hadOf("rate.moistureOffset")],
  fields: [
    {
      key: "shown",
      label: "Sensor shows",
      hint: "of the load",
      kind: "measure",
      family: "ratio",
      range: [0.02, 0.6],
    },
    {
      key: "tested",
      label: "Tested",
      hint: "of its sample",
      kind: "measure",
      family: "ratio",
      range: [0.02, 0.6],
    },
  ],
  entered: "singly",
  asked: isOneOf("header"),
  first: (rig) => told(rig, { had: "rate.moistureOffset" }),
  solve: (what) =>
    solveConstant(
      {
        ...MOISTURE,
        near: MOISTURE_NEAR,
        pairOf: ({ figures: { shown, tested } }, { figures: { had } }) => ({
          over: (had ?? 0) + (tested ?? Number.NaN) - (shown ?? Number.NaN),
          under: 1,
        }),
      },
      what,
    ),
  bench: ({ constants }, { figures: { had } }, _, random) => {
    const real = random.between(0.13, 0.17);
    const offset = constants["rate.moistureOffset"] ?? 0;
    return [
      runOf({
        shown: rounded(real - offset + (had ?? 0), 0.001),
        tested: rounded(real + random.normal(0.0015), 0.001),
      }),
    ];
  },
};

/** Samples within two per cent of this, 0.4 points of moisture, repeat well. */
const MOISTURE_NEAR = 0.2;
