/** How far the drawbar on the machine may bend: for its tyres, its shaft and its hoses. Metres, radians. */
import { type DimensionKey, hasDimension } from "../../dimension/catalogue.ts";
import { steersBy } from "../../rig/asked.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { UNDRIVEN } from "../../trade/kinds.ts";
import {
  bendUpTo,
  HOSE_SLACK,
  hoseWay,
  type ShaftJoints,
  shaftBent,
  shaftLimits,
  TYRE_CLEAR,
  tyreClear,
} from "../../trade/turning.ts";
import { drawbarOf } from "./turn-of-rig.ts";

/** `upTo`: the largest bend at which it holds; null: not even in line. `at`: what is there at a bend. */
export type Limit<At> = { upTo: number | null; at: (bend: number) => At } | { missing: DimensionKey };

export type BendLimits = {
  /** what is free between tyre and drawbar, metres; nothing is read of tracks, nor of a frame that hangs on the links */
  tyre: Limit<number> | "tracks" | "hung";
  /** null: no shaft drives it */
  shaft: Limit<{ ahead: Joint; behind: Joint; length: number }> | null;
  /** what the shortest hose is longer than its way, metres; null: it has no hoses, or nobody told it has */
  hoses: Limit<number> | null;
};

/** A joint's bend and what it may bend. */
export type Joint = { bend: number; running: number; briefly: number };

/** All of one tool on the machine that drives. `part` is its index in the rig. */
export function bendLimitsOf(whole: WholeRig, part: number): BendLimits {
  const { rig } = whole.parts[part]!;
  return {
    tyre: !hasDimension(rig, "tool.barWidth")
      ? "hung"
      : steersBy(rig) === "tracks"
        ? "tracks"
        : tyreLimit(rig),
    shaft: shaftLimit(rig),
    hoses: hoseLimit(rig, whole, part),
  };
}

/** The readings by key; or the first that is not known. */
function readings<Key extends DimensionKey>(
  rig: ResolvedRig,
  keys: readonly Key[],
): { read: Record<Key, number> } | { missing: Key } {
  const missing = keys.find((key) => known(rig, key) === null);
  if (missing) return { missing };
  return { read: Object.fromEntries(keys.map((key) => [key, known(rig, key)!])) as Record<Key, number> };
}

function tyreLimit(rig: ResolvedRig): Limit<number> {
  const needs = readings(rig, [
    "axle.pin",
    "tractor.trackRear",
    "tractor.tyreWidth",
    "tractor.tyreHeight",
  ] as const);
  if ("missing" in needs) return needs;
  const drawbar = drawbarOf(rig);
  if (typeof drawbar === "string") return { missing: drawbar };
  const { read } = needs;
  const [track, width] = [read["tractor.trackRear"], read["tractor.tyreWidth"]];
  const tyre = {
    ahead: read["axle.pin"],
    reach: read["tractor.tyreHeight"] / 2,
    inner: (track - width) / 2,
    outer: (track + width) / 2,
  };
  const free = (bend: number) => tyreClear(drawbar, tyre, bend);
  // A corner may pass the tyre on its way and stand free of it again: the nearest on the way there counts.
  const at = (bend: number) =>
    Array.from({ length: 41 }, (_, share) => free((bend * share) / 40)).reduce((a, b) => Math.min(a, b));
  return { at, upTo: bendUpTo((bend) => free(bend) >= TYRE_CLEAR) };
}

function shaftLimit(rig: ResolvedRig): BendLimits["shaft"] {
  const takes = chosen(rig, "tool.pto");
  if (takes === "none" || !hasDimension(rig, "tool.shaftInput")) return null;
  if (takes === null)
    return rig.tool !== null && UNDRIVEN.includes(rig.tool) ? null : { missing: "tool.pto" };
  const needs = readings(rig, ["hitch.toPto", "tool.shaftInput"] as const);
  if ("missing" in needs) return needs;
  const place = { ahead: needs.read["hitch.toPto"], behind: needs.read["tool.shaftInput"] };
  const limits = shaftLimits(
    chosen<ShaftJoints>(rig, "tool.shaftJoints") ?? "plain",
    known(rig, "tool.shaftBend"),
  );
  const at = (bend: number) => {
    const { ahead, behind, length } = shaftBent(place, bend);
    return { ahead: { bend: ahead, ...limits.ahead }, behind: { bend: behind, ...limits.behind }, length };
  };
  const holds = (bend: number) =>
    [at(bend).ahead, at(bend).behind].every((joint) => joint.bend <= joint.running);
  return { at, upTo: bendUpTo(holds) };
}

function hoseLimit(rig: ResolvedRig, { hoses }: WholeRig, part: number): BendLimits["hoses"] {
  const has = hoses.functions.some((each) => each.part === part) || known(rig, "tool.hoseLength") !== null;
  if (!has || !hasDimension(rig, "tool.hoseLength")) return null;
  const needs = readings(rig, [
    "hitch.couplers",
    "tractor.couplersAside",
    "work.couplersAbove",
    "tool.hosesHeld",
    "tool.hoseLength",
  ] as const);
  if ("missing" in needs) return needs;
  const { read } = needs;
  const place = {
    ahead: read["hitch.couplers"],
    aside: read["tractor.couplersAside"],
    above: read["work.couplersAbove"],
    held: read["tool.hosesHeld"],
  };
  const at = (bend: number) => read["tool.hoseLength"] - hoseWay(place, bend);
  return { at, upTo: bendUpTo((bend) => at(bend) >= HOSE_SLACK) };
}
