/** The boundary somebody walked or drove round with a receiver. */

import type { Fixed } from "../geodesy/fixed.ts";
import { offsetRing } from "../geodesy/offset.ts";
import { fromPlane, type Geographic, type OnPlane } from "../geodesy/plane.ts";
import { roundLength, type Said, tell } from "../quantity/said.ts";
import type { Ring } from "./boundary.ts";
import { thinned } from "./thinned.ts";

export type Driven = { ok: true; ring: Ring; notes: Said[] } | { ok: false; problem: string };

/** Corners that lie nearer than this to the straight between their neighbours say nothing: half of what a good receiver wanders (ours). */
const STRAIGHT = 0.05;
/** Standing about is no corner. */
const NEAREST = 0.3;
/** Where the way ends so near to where it began, it is closed without a word. */
const CLOSED = 5;
/** The end of a round, in which its beginning is looked for. */
const LAST = 0.2;
/** A round shorter than this goes round nothing, metres. */
const SHORTEST = 20;

/**
 * A ring of a receiver's log about `origin`. What was driven beyond the start is left out. `outside`: how far the field's edge lies outside
 * the antenna's way, metres; negative: inside.
 */
export function ringFromLog(points: readonly Fixed[], origin: Geographic, outside = 0): Driven {
  const good = withFix(points);
  const way = apart(good);
  if (way.length < 3)
    return {
      ok: false,
      problem: `Only ${way.length} ${way.length === 1 ? "position differs" : "positions differ"}: a boundary needs three at least.`,
    };
  if (lengthOf(way) < SHORTEST) return { ok: false, problem: "It goes round nothing: under 20 m of way." };
  const { round, beyond } = closed(way);
  const gap = distance(round[0]!, round.at(-1)!);
  const single = good.filter(({ fix }) => fix === "single" || fix === "float").length / good.length;
  const thin = thinned(round, STRAIGHT);
  const grown = outside === 0 ? [thin] : offsetRing(thin, outside);
  if (grown.length !== 1)
    return {
      ok: false,
      problem: "Shifted so far, the way falls apart or vanishes: give a smaller distance.",
    };
  return {
    ok: true,
    ring: grown[0]!.map((each) => fromPlane(origin, each)),
    notes: [
      ...(beyond > 1 ? [tell`${roundLength(beyond)} driven beyond the start are left out.`] : []),
      ...(gap > CLOSED ? [tell`It is closed across ${roundLength(gap)} nobody drove.`] : []),
      ...(single > 0
        ? [tell`${Math.round(100 * single)} % of its positions are single or float: off by a metre or more.`]
        : []),
      ...(good.length < points.length
        ? [tell`${points.length - good.length} positions without a fix are left out.`]
        : []),
    ],
  };
}

export type DrivenWay = { ok: true; way: Geographic[]; notes: Said[] } | { ok: false; problem: string };

/** The line somebody drove once, thinned to where it bends. */
export function wayFromLog(points: readonly Fixed[], origin: Geographic): DrivenWay {
  const good = withFix(points);
  const way = apart(good);
  if (way.length < 2 || lengthOf(way) < SHORTEST)
    return { ok: false, problem: "It leads nowhere: under 20 m of way." };
  const poor = good.filter(({ fix }) => fix === "single" || fix === "float").length / good.length;
  return {
    ok: true,
    way: thinned(way, STRAIGHT).map((each) => fromPlane(origin, each)),
    notes:
      poor > 0
        ? [tell`${Math.round(100 * poor)} % of its positions are single or float: off by a metre or more.`]
        : [],
  };
}

/** Positions with a fix; all of them where the log tells of none. */
function withFix(points: readonly Fixed[]): readonly Fixed[] {
  const known = points.filter(({ fix }) => fix !== null);
  return known.length === 0 ? points : known;
}

const distance = (a: OnPlane, b: OnPlane) => Math.hypot(a.east - b.east, a.north - b.north);
const lengthOf = (way: readonly OnPlane[]) =>
  way.slice(1).reduce((sum, to, at) => sum + distance(way[at]!, to), 0);

function apart(points: readonly OnPlane[]): OnPlane[] {
  const kept: OnPlane[] = [];
  for (const { east, north } of points)
    if (kept.length === 0 || distance(kept.at(-1)!, { east, north }) >= NEAREST) kept.push({ east, north });
  return kept;
}

/** The way up to where it comes nearest to its start again, in its last fifth. */
function closed(way: readonly OnPlane[]): { round: OnPlane[]; beyond: number } {
  const all = lengthOf(way);
  let [driven, best] = [0, way.length - 1];
  for (let at = 1; at < way.length; at += 1) {
    driven += distance(way[at - 1]!, way[at]!);
    if (driven >= (1 - LAST) * all && distance(way[at]!, way[0]!) < distance(way[best]!, way[0]!)) best = at;
  }
  return { round: way.slice(0, best + 1), beyond: lengthOf(way.slice(best)) };
}
