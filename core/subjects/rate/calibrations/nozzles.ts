/** Every nozzle caught for a time at one pressure: which of them is worn, blocked or another size. */

import { counted } from "../../../calibration/judge.ts";
import {
  type Calibrating,
  type CalibrationKind,
  type FoundAt,
  type PartState,
  runOf,
} from "../../../calibration/kind.ts";
import { moreOrLess, percent } from "../../../calibration/percent.ts";
import { variationOf } from "../../../calibration/ratio.ts";
import { quantity, type Said, tell } from "../../../quantity/said.ts";
import type { ResolvedRig } from "../../../rig/resolve.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE } from "../../../simulation/dose.ts";
import { flowAt, NOZZLE_SIZES, type NozzleSizeKey, RATED_PRESSURE } from "../../../trade/nozzles.ts";
import { caughtByPlace, isOneOf, LITRE, rounded, told } from "./common.ts";

/** Within this of the mean of those neither blocked nor worn a nozzle is good (common practice, no source). */
export const NEAR_MEAN = 0.05;
/** Over this of a new one it is worn (common practice, no source). */
export const WORN = 1.1;
/** Under this of the middle of the boom something is in it, or it is another size (our threshold). */
export const BLOCKED = 0.85;
/** So many worn ones, as a share of all, and the whole set is changed (common practice, no source). */
const WHOLE_SET = 0.1;

export type JudgedNozzles = {
  found: readonly FoundAt[];
  /** mean flow of those neither blocked nor worn, brought to 3 bar, m³/s; null where none is left */
  mean: number | null;
  /** their coefficient of variation; null of fewer than two */
  variation: number | null;
};

/**
 * Judges nozzles by their flow at 3 bar, m³/s. `rated` is the flow of a new one; null where nobody told the size: then none can be called worn,
 * only unlike the others.
 */
export function judgeNozzles(
  flows: readonly { place: number; flow: number }[],
  rated: number | null,
): JudgedNozzles {
  const middle = median(flows.map(({ flow }) => flow));
  const first = flows.map(({ flow }): PartState | null =>
    rated !== null && flow > WORN * rated ? "worn" : flow < BLOCKED * middle ? "blocked" : null,
  );
  const rest = flows.flatMap(({ flow }, at) => (first[at] === null ? [flow] : []));
  const mean = rest.length === 0 ? null : rest.reduce((sum, flow) => sum + flow, 0) / rest.length;
  const found = flows.map(({ place, flow }, at): FoundAt => {
    const apart = mean === null ? 0 : flow / mean - 1;
    const state = first[at] ?? (Math.abs(apart) > NEAR_MEAN ? "odd" : "good");
    return { place, value: flow, state, said: saidOf(state, place, flow, apart, rated) };
  });
  return { found, mean, variation: variationOf(rest) };
}

function saidOf(state: PartState, place: number, flow: number, apart: number, rated: number | null): Said {
  switch (state) {
    case "worn":
      return tell`Nozzle ${String(place)} gives ${moreOrLess(flow / rated! - 1)} than a new one: worn. Change it.`;
    case "blocked":
      return tell`Nozzle ${String(place)} gives ${moreOrLess(apart)} than the others: filter or tip is blocked. Clean it, and catch it again.`;
    case "odd":
      return tell`Nozzle ${String(place)} gives ${moreOrLess(apart)} than the mean: look at its size, its filter and its seal.`;
    case "good":
      return "";
  }
}

function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return sorted.length % 2 === 1
    ? sorted[Math.floor(middle)]!
    : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
}

/** Flow of a new one at 3 bar, m³/s; null where the size was not told. */
export function ratedFlow({ values }: Pick<ResolvedRig, "values">): number | null {
  const size = values["rate.nozzle"].choice;
  return size !== null && Object.hasOwn(NOZZLE_SIZES, size) ? NOZZLE_SIZES[size as NozzleSizeKey].flow : null;
}

const byPlace = (a: { place: number }, b: { place: number }) => a.place - b.place;

/** How many it takes to judge a boom by (common practice, no source). */
const FEWEST = 4;

function solve({ rig, setup, runs, left, kept }: Calibrating) {
  const { pressure, time } = setup.figures;
  const caught = caughtByPlace({ runs, left });
  const scale = pressure && time ? Math.sqrt(RATED_PRESSURE / pressure) / time : null;
  const flows = scale === null ? [] : [...caught].map(([place, volume]) => ({ place, flow: volume * scale }));
  const rated = ratedFlow(rig);
  const before = kept
    .filter(({ place }) => !caught.has(place))
    .map(({ place, value }) => ({ place, flow: value }));
  const { found, mean, variation } = judgeNozzles([...flows, ...before].sort(byPlace), rated);
  const bad = found.filter(({ state }) => state !== "good");
  const worn = found.filter(({ state }) => state === "worn");
  const all = known(rig, "rows.count");
  return {
    constant: null,
    parts: found,
    figures: mean === null ? {} : { mean },
    also: [
      ...(mean === null
        ? []
        : [
            {
              key: "mean",
              label: "Mean of those neither blocked nor worn",
              said: tell`${quantity("flow", flowAt(mean, pressure ?? RATED_PRESSURE), 3)} at the pressure tested`,
            },
          ]),
      ...(rated !== null && mean !== null
        ? [{ key: "new", label: "Against new ones", said: tell`${moreOrLess(mean / rated - 1)}` }]
        : []),
      ...(variation === null
        ? []
        : [
            {
              key: "variation",
              label: "They differ by",
              said: tell`${percent(variation, { sign: false })} (coefficient of variation, n − 1)`,
            },
          ]),
    ],
    next: [
      ...(worn.length > 0 && worn.length >= WHOLE_SET * found.length
        ? [
            tell`${counted(worn.length, "nozzle")} of ${String(found.length)} are worn: change the whole set, the others follow soon.`,
          ]
        : []),
      ...bad.map(({ said }) => said),
      ...(bad.length === 0 && found.length > 0 ? ["All that were caught are good."] : []),
      ...(all !== null && found.length > 0 && found.length < all
        ? [`${all - found.length} of ${all} were not caught: nothing is known of them.`]
        : []),
      ...(rated === null && found.length > 0
        ? ["Nobody told the nozzles' size: none of them can be called worn."]
        : []),
    ],
    barred: [
      ...(scale === null ? ["Tell pressure and time: a flow is nothing without them."] : []),
      ...(flows.length === 0 ? ["None was caught yet."] : []),
      ...(found.length < FEWEST
        ? [`${found.length} of ${counted(FEWEST, "nozzle")}: fewer tell nothing of the boom.`]
        : []),
    ],
  };
}

export const NOZZLE_SET: CalibrationKind = {
  key: "nozzles",
  title: "Jug test of the nozzles",
  tells: "Which nozzle is worn, blocked or of another size, each on the boom where it sits.",
  constant: null,
  parts: { kind: "nozzle", figure: "flow", limit: NEAR_MEAN },
  kit: ["jug with a scale in millilitres", "stopwatch", "a brush and spare tips"],
  steps: [
    "All sections open, pump on, clean water. Set a pressure, and leave it alone.",
    "Catch each nozzle for the same time, a minute as a rule, and enter what is in the jug.",
    "A blocked one is cleaned with a brush, never blown out by mouth, and caught again.",
    "Worn ones are changed; where many are, the whole set.",
  ],
  cautions: [
    "With clean water, gloves and glasses on. Set the pressure first, then get out and catch.",
    "Engine running, nobody at the controls: brake on, and nobody under the boom while it folds.",
  ],
  one: "nozzle",
  enough: { count: FEWEST, why: "fewer tell nothing of the boom" },
  setup: [
    {
      key: "pressure",
      label: "Pressure",
      hint: "at the nozzles, the same for all of them",
      kind: "measure",
      family: "pressure",
      range: [0.5e5, 20e5],
    },
    {
      key: "time",
      label: "Time of each catch",
      hint: "a minute, as a rule",
      kind: "measure",
      family: "time",
      unit: "s",
      range: [10, 600],
    },
  ],
  fields: [
    { key: "place", label: "Nozzle", hint: "from the left", kind: "count", range: [1, 400] },
    {
      key: "caught",
      label: "Caught",
      hint: "in the jug",
      kind: "measure",
      family: "volume",
      unit: "ml",
      range: [0, 20 * LITRE],
    },
  ],
  entered: "by part",
  asked: isOneOf("sprayer"),
  first: (rig) => told(rig, { pressure: RATED_PRESSURE, time: 60 }),
  wrongWith: ({ figures: { place } }, _, rig) => {
    const has = known(rig, "rows.count");
    return has !== null && (place ?? 0) > has ? { place: `The boom has ${has} nozzles.` } : {};
  },
  solve,
  reallyWrong: ({ nozzles }) =>
    nozzles.flatMap((share, at) => (share > WORN || share < BLOCKED ? [at + 1] : [])),
  renew: (truth, places) => ({
    ...truth,
    nozzles: truth.nozzles.map((share, at) => (places.includes(at + 1) ? 1 : share)),
  }),
  bench: ({ nozzles }, { figures: { pressure, time } }, rig, random) => {
    const rated = ratedFlow(rig);
    if (rated === null || pressure === undefined || time === undefined) return [];
    return nozzles.map((share, at) =>
      runOf({
        place: at + 1,
        caught: rounded(share * flowAt(rated, pressure) * time * (1 + random.normal(NOISE.nozzle)), 5e-6),
      }),
    );
  },
};
