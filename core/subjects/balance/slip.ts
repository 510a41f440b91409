/** Slip and fuel at work: wheel turns with the tool at work against turns without it, over the same distance. */
import { solveConstant } from "../../calibration/judge.ts";
import { type Calibrating, type CalibrationKind, type Outcome, runOf } from "../../calibration/kind.ts";
import { percent } from "../../calibration/percent.ts";
import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { quantity, type Said, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { NO_SOIL } from "../../trade/kinds.ts";

/** Slip that costs least, as a share, by the ground (extension guidance, from memory). */
const BANDS: Readonly<Record<string, readonly [number, number]>> = {
  concrete: [0.04, 0.08],
  firm: [0.08, 0.1],
  tilled: [0.11, 0.13],
  soft: [0.14, 0.16],
};

export type SlipJudged = {
  slip: number;
  surface: string;
  /** shares */
  band: readonly [number, number];
  verdict: "good" | "high" | "low";
  /** share of the fuel that is saved by the nearer end of the band; 0 where it is in it, or under it */
  saving: number;
};

/**
 * Judges slip on a ground. Fuel goes with distance turned: at a slip s it takes 1 ÷ (1 − s) turns for each that would do without.
 * Null for a ground there is no band of.
 */
export function judgeSlip(slip: number, surface: string): SlipJudged | null {
  const band = BANDS[surface];
  if (!band) return null;
  const [low, high] = band;
  const verdict = slip > high ? "high" : slip < low ? "low" : "good";
  const saving = verdict === "high" ? 1 - (1 - slip) / (1 - high) : 0;
  return { slip, surface, band, verdict, saving };
}

/** What to change first (common practice, no source; the operator's manual comes first). */
const FIRST: Readonly<Record<"high" | "low", string>> = {
  high: "First lower the tyres' pressure to what the load needs, then put ballast on the driven axle, then work shallower.",
  low: "It carries weight for nothing: take ballast off, down to what steers and holds it on the road.",
};

function judgedSaid({ slip, surface, band: [low, high], verdict }: SlipJudged): Said {
  const band = tell`${percent(low, { sign: false, decimals: 0 })} to ${percent(high, { sign: false, decimals: 0 })} on ${surface} ground`;
  const lead = tell`${percent(slip, { sign: false })} slip; best is ${band}`;
  return verdict === "good" ? tell`${lead}.` : tell`${lead}. ${FIRST[verdict]}`;
}

const pulls = ({ tool }: ResolvedRig): boolean => tool !== null && !NO_SOIL.includes(tool);

function solve(what: Calibrating): Outcome {
  const outcome = solveConstant(
    {
      ...SLIP,
      near: NEAR,
      pairOf: ({ figures: { pulled, unpulled } }) => ({
        over: (pulled ?? Number.NaN) - (unpulled ?? Number.NaN),
        under: pulled ?? 0,
      }),
    },
    what,
  );
  const surface = chosen(what.rig, "work.surface");
  const judged = outcome.constant && surface ? judgeSlip(outcome.constant.estimate.value, surface) : null;
  const fuel = fuelOf(what);
  const area = known(what.rig, "work.area");
  return {
    ...outcome,
    figures: fuel === null ? {} : { fuel },
    also:
      fuel === null
        ? []
        : [
            {
              key: "fuel",
              label: "Fuel",
              said: tell`${quantity("volume per area", fuel, 1)} over the strips`,
            },
          ],
    next: judged
      ? [
          judgedSaid(judged),
          ...(judged.saving > 0.005 ? [savingSaid(judged.saving, fuel, area)] : []),
          ...outcome.next.slice(0, 0),
        ]
      : outcome.next,
  };
}

function savingSaid(saving: number, fuel: number | null, area: number | null): Said {
  const lead = tell`In the band it takes about ${percent(saving, { sign: false })} less fuel`;
  if (fuel === null) return tell`${lead}.`;
  const each = tell`${lead}: ${quantity("volume per area", fuel * saving, 2)}`;
  return area === null
    ? tell`${each}.`
    : tell`${each}, ${quantity("volume", fuel * saving * area)} on ${quantity("area", area)}.`;
}

/** m³/m² over the strips whose litres were told with their width and length; null where none was. */
function fuelOf({ runs, left, rig, setup }: Calibrating): number | null {
  const width = known(rig, "tool.width");
  const { distance } = setup.figures;
  const litres = runs.flatMap(({ figures }, at) =>
    left.has(at) || figures.fuel === undefined ? [] : [figures.fuel],
  );
  if (width === null || distance === undefined || litres.length === 0) return null;
  return litres.reduce((sum, each) => sum + each, 0) / (litres.length * width * distance);
}

/** Slips within two per cent of this, one point, repeat well. */
const NEAR = 0.5;

export const SLIP: CalibrationKind = {
  key: "slip",
  title: "Slip and fuel",
  tells: "How much the driving wheels slip at work, and what it costs in fuel.",
  constant: "work.slip",
  kit: ["chalk on a rear tyre", "two flags", "fuel meter, if there is one"],
  steps: [
    "Chalk a mark on a driven tyre. Set two flags, 60 m or more apart, in the field.",
    "Tool at work, working speed: count the turns of that wheel from flag to flag, tenths as well.",
    "The same way with the tool lifted: count again.",
    "Twice at least, both ways.",
  ],
  cautions: [
    "Whoever counts walks well beside the wheel, never between tractor and tool; on a slope not below it.",
  ],
  one: "strip",
  enough: { count: 2, why: "a second one tells whether the turns were counted right" },
  setup: [
    {
      key: "distance",
      label: "From flag to flag",
      hint: "for the fuel; slip does not need it",
      kind: "measure",
      family: "length",
      range: [20, 2000],
      optional: true,
    },
  ],
  fields: [
    {
      key: "pulled",
      label: "Turns with the tool at work",
      hint: "tenths as well",
      kind: "measure",
      family: "turns",
      range: [3, 2000],
    },
    {
      key: "unpulled",
      label: "Turns with the tool lifted",
      hint: "over the same distance",
      kind: "measure",
      family: "turns",
      range: [3, 2000],
    },
    {
      key: "fuel",
      label: "Fuel over the strip",
      hint: "at work; leave it empty where nothing tells",
      kind: "measure",
      family: "volume",
      unit: "l",
      range: [1e-5, 0.5],
      optional: true,
    },
  ],
  entered: "singly",
  asked: pulls,
  first: () => ({ figures: { distance: 100 }, choices: {} }),
  wrongWith: ({ figures: { pulled, unpulled } }): Record<string, string> =>
    pulled !== undefined && unpulled !== undefined && unpulled > pulled * 1.02
      ? { unpulled: "More than with the tool at work: are they the other way round?" }
      : {},
  solve,
  truthOf: ({ slip }) => slip,
  bench: ({ slip }, { figures: { distance = 100 } }, _, random) => {
    const unpulled = distance / 5.1;
    const pulled = unpulled / (1 - slip);
    const tenth = (turns: number) => Math.round(turns * (1 + random.normal(0.003)) * 10) / 10;
    return [runOf({ pulled: tenth(pulled), unpulled: tenth(unpulled) })];
  },
};

/** One row for each tool whose slip was measured. */
export function slipChecks({ parts }: WholeRig): Check[] {
  return parts.flatMap(({ rig }, part): Check[] => {
    const value = known(rig, "work.slip");
    const surface = chosen(rig, "work.surface");
    if (value === null || !pulls(rig)) return [];
    const row = checkerOf("balance", rig, part)("slip", "Slip at work");
    const stale = rig.values["work.slip"].stale;
    if (stale)
      return [
        row.judged(
          "unknown",
          "calibrate slip",
          tell`${percent(value, { sign: false })} slip, before weights, tyres or pressure were changed.`,
          "It is another now.",
          "Measure it",
        ),
      ];
    const judged = surface === null ? null : judgeSlip(value, surface);
    if (!judged) return [row.unknown("work.surface")];
    return judged.verdict === "good"
      ? [row.good("calibrate slip", judgedSaid(judged))]
      : [
          row.check(
            "calibrate slip",
            judgedSaid(judged),
            judged.verdict === "high"
              ? "Wheels that turn on the spot burn fuel and smear the ground."
              : "Weight that is not needed costs fuel and presses the ground.",
            "Measure it again",
          ),
        ];
  });
}
