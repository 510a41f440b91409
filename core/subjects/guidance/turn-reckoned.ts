/** The turn into the next pass as a rig drives it, and what it may not. */
import {
  type Asked,
  bendsInTurn,
  type HeadlandTurn,
  leastRadius,
  swingOut,
  turnAtHeadland,
  type Way,
} from "../../motion/headland.ts";
import { steadyBend } from "../../motion/train.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { type BendLimits, bendLimitsOf } from "./turn-limits.ts";
import { type TurnRig, turnOfRig, type Unknown } from "./turn-of-rig.ts";

/** A turn's figures: its poses are driven again by whoever draws them. */
export type TurnFigures = { way: Way } & Pick<
  HeadlandTurn,
  "length" | "depth" | "before" | "bends" | "holds"
>;

/** One drawbar on the machine that drives, turned so. */
export type BentBar = {
  part: number;
  /** in the train */
  joint: number;
  /** largest bend going into the next pass, forwards, radians */
  bend: number;
  /** on a full circle of that radius; null: it folds up there */
  steady: number | null;
  limits: BendLimits;
  /** the least radius of half a circle at which each holds, metres; null: none up to 40 m; absent where the limit is not known */
  fits: Partial<Record<keyof BendLimits, number | null>>;
};

export type TurnReckoned = {
  rig: TurnRig;
  ways: readonly TurnFigures[];
  bars: readonly BentBar[];
  /** the least radius of half a circle at which nothing folds up and every known limit holds, metres; null: none up to 40 m */
  least: number | null;
  /** how far anything swings out of its straight track as it is steered over, metres */
  swing: number;
};

/** Into the next pass on the least radius; the reading it hangs on where one is not known. */
export function reckonTurn(whole: WholeRig, apart: number, radius: number): TurnReckoned | Unknown {
  const rig = turnOfRig(whole);
  if ("key" in rig) return rig;
  const { turning, drawn } = rig;
  const backs = turning.train.length === 0 && apart < 2 * radius;
  const ways = (backs ? (["round", "backed"] as const) : (["round"] as const)).map((way) => ({
    way,
    ...worstOf(rig, { way, apart, radius }),
  }));
  const tried = new Map<number, Pick<HeadlandTurn, "bends" | "holds">>();
  const halfCircle = (at: number) => {
    const turn = tried.get(at) ?? bendsOf(rig, { way: "round", apart: Math.max(apart, 2 * at), radius: at });
    tried.set(at, turn);
    return turn;
  };
  const bars = turning.train.flatMap((link, joint): BentBar[] => {
    if (link.behind !== 0) return [];
    const steady = steadyBend(radius, link);
    const limits = bendLimitsOf(whole, drawn[joint]!);
    const least = (upTo: number) =>
      leastRadius(
        (at) => [halfCircle(at)].every(({ holds, bends }) => holds && bends[joint]! <= upTo),
        radius,
      );
    return [
      {
        part: drawn[joint]!,
        joint,
        bend: ways[0]!.bends[joint]!,
        steady: Number.isNaN(steady) ? null : steady,
        limits,
        fits: fitsOf(limits, least),
      },
    ];
  });
  return {
    rig,
    ways,
    bars,
    least: leastOf([
      leastRadius((at) => halfCircle(at).holds, radius),
      ...bars.flatMap(({ fits }) => Object.values(fits)),
    ]),
    swing: Math.max(swingOut(turning, radius, 1), swingOut(turning, radius, -1)),
  };
}

function fitsOf(limits: BendLimits, least: (upTo: number) => number | null): BentBar["fits"] {
  const keys = ["tyre", "shaft", "hoses"] as const;
  return Object.fromEntries(
    keys.flatMap((key) => {
      const limit = limits[key];
      return limit !== null && typeof limit !== "string" && "upTo" in limit
        ? [[key, limit.upTo === null ? null : least(limit.upTo)]]
        : [];
    }),
  );
}

/** Where all hold: the largest; null where one never does. */
function leastOf(each: readonly (number | null)[]): number | null {
  return each.some((one) => one === null) ? null : Math.max(...(each as number[]));
}

/** The bends alone, to either hand. */
function bendsOf({ turning }: TurnRig, asked: Omit<Asked, "hand">) {
  const right = bendsInTurn(turning, { ...asked, hand: 1 });
  const left = isEven(turning) ? right : bendsInTurn(turning, { ...asked, hand: -1 });
  return {
    bends: right.bends.map((bend, joint) => Math.max(bend, left.bends[joint]!)),
    holds: right.holds && left.holds,
  };
}

/** Nothing lies to one side: both hands are alike. */
const isEven = ({ works }: TurnRig["turning"]) => works.every(({ middle }) => middle === 0);

/** To either hand, the worse of each figure: a tool to one side turns otherwise to the left than to the right. */
function worstOf({ turning }: TurnRig, asked: Omit<Asked, "hand">) {
  const right = turnAtHeadland(turning, { ...asked, hand: 1 });
  const left = isEven(turning) ? right : turnAtHeadland(turning, { ...asked, hand: -1 });
  return {
    length: Math.max(right.length, left.length),
    depth: Math.max(right.depth, left.depth),
    before: Math.max(right.before, left.before),
    bends: right.bends.map((bend, joint) => Math.max(bend, left.bends[joint]!)),
    holds: right.holds && left.holds,
  };
}
