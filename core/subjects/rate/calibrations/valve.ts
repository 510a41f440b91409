/** The regulating valve: its constant raised where the rate lags behind the speed, lowered where it hunts, until it rests. */
import {
  type Calibrating,
  type CalibrationKind,
  NOTHING_FOUND,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { tell } from "../../../quantity/said.ts";
import { FOLLOWED_EVERY, followed, judgeFollowing, type TrueValve } from "../../../simulation/valve.ts";
import { isOneOf, told } from "./common.ts";

/** It is set otherwise by a tenth each time (common practice). */
const STEP = 0.1;

/** Of what the bench follows every so many moments are kept, to be drawn. */
const EVERY = 4;
/** Seconds between two that are kept. */
export const KEPT_EVERY = FOLLOWED_EVERY * EVERY;

const SEEN = { slow: "It lags behind", rests: "It rests", hunts: "It over- and undershoots" } as const;

/** The constant to try next. */
export function nextConstant(tried: number, seen: string): number {
  const by = seen === "slow" ? 1 + STEP : seen === "hunts" ? 1 - STEP : 1;
  const next = Math.round(tried * by);
  return next === tried && by !== 1 ? tried + Math.sign(by - 1) : next;
}

function solve({ runs, left }: Calibrating): Outcome {
  const kept = runs.filter((_, at) => !left.has(at));
  const last = kept.at(-1);
  const tried = last?.figures.tried;
  if (!last || tried === undefined) return { ...NOTHING_FOUND, barred: ["Nothing was tried yet."] };
  const seen = last.choices.seen ?? "";
  const rests = seen === "rests";
  const turned =
    kept.some(({ choices }) => choices.seen === "slow") &&
    kept.some(({ choices }) => choices.seen === "hunts");
  return {
    ...NOTHING_FOUND,
    constant: {
      key: "rate.valve",
      had: kept[0]!.figures.tried ?? null,
      estimate: { value: tried, error: null, half: null, freedom: 0 },
      moved: kept.length > 1 && kept[0]!.figures.tried ? tried / kept[0]!.figures.tried - 1 : null,
      variation: null,
      runs: [],
    },
    next: rests
      ? ["It rests: leave it there."]
      : [
          tell`${seen === "slow" ? "It lags" : "It hunts"}: set ${String(nextConstant(tried, seen))}, drive faster and slower once, and look again.`,
          ...(turned
            ? [
                "It lagged before and hunts now: the one between is the best there is; then look at air in the meter and a sticking valve.",
              ]
            : []),
        ],
    barred: rests ? [] : ["It does not rest yet."],
  };
}

/** The constant nearest to one at which a valve rests; itself, where it does. */
function nearestResting(valve: TrueValve, from: number): number | null {
  const rests = (constant: number) => judgeFollowing(followed(valve, constant)) === "rests";
  for (let step = 0; step <= 200; step += 1)
    for (const share of [1 + step / 100, 1 - step / 200])
      if (share > 0 && rests(from * share)) return from * share;
  return null;
}

export const VALVE: CalibrationKind = {
  key: "valve",
  title: "Regulating valve",
  tells: "How fast the rate follows the speed: too low it lags, too high it hunts.",
  constant: "rate.valve",
  kit: [],
  steps: [
    "Water in the tank, all sections open, flow calibrated before.",
    "Drive at working speed until the rate stands, then one gear faster.",
    "Look at the rate: does it come late, rest at once, or swing over and under?",
    "Late: raise the constant by a tenth. Swinging: lower it by a tenth. Again, until it rests.",
  ],
  cautions: ["Look at the display only where nobody and nothing is ahead."],
  one: "try",
  enough: { count: 1, why: "the one at which it rests" },
  setup: [],
  fields: [
    {
      key: "tried",
      label: "Regulation constant tried",
      hint: "as it stands in the terminal",
      kind: "count",
      range: [1, 9999],
    },
    {
      key: "seen",
      label: "What the rate does",
      hint: "after the speed was changed",
      kind: "choice",
      choices: Object.entries(SEEN).map(([key, label]) => ({ key, label })),
    },
  ],
  entered: "singly",
  asked: isOneOf("sprayer"),
  first: (rig) => told(rig, {}),
  next: ({ rig, runs, left }) => {
    const last = runs.filter((_, at) => !left.has(at)).at(-1);
    const tried = last?.figures.tried ?? rig.values["rate.valve"].value;
    return tried === null ? {} : { tried: last ? nextConstant(tried, last.choices.seen ?? "") : tried };
  },
  solve,
  truthOf: ({ valve }, _, rig) => {
    const now = rig.values["rate.valve"].value;
    return valve === null || now === null ? null : nearestResting(valve, now);
  },
  bench: ({ valve }, _, __, ___, typed) => {
    const tried = typed.tried;
    if (!valve || tried === undefined) return [];
    const after = followed(valve, tried);
    const share = after.share.filter((_, at) => at % EVERY === 0);
    return [{ ...runOf({ tried }), choices: { seen: judgeFollowing(after) }, lists: { share } }];
  },
};
