/** What a practice rig really is: known to the simulated field, and to nobody who works on it. */
import { type Attachment, type Hung, isFixed, onPin } from "../dimension/attachment.ts";
import { catalogueOf, type DimensionKey, dimension, hasDimension } from "../dimension/catalogue.ts";
import type { Axis, PointKey } from "../dimension/points.ts";
import { termsBetween } from "../rig/frame.ts";
import { isBelieved, type ResolvedRig } from "../rig/resolve.ts";
import type { ToolKindKey } from "../trade/kinds.ts";
import { chance } from "./random.ts";

export type Truth = {
  attachment: Attachment;
  /** what it is; absent of one that was seeded before anybody asked */
  tool?: ToolKindKey | null;
  /** true readings, SI, in each dimension's own direction */
  values: Partial<Record<DimensionKey, number>>;
  /** seconds from the order to the work */
  delays: { on: number; off: number };
  /** indicated less true roll, radians, right side down positive */
  rollBias: number;
};

/** How far a rig lies from what somebody once wrote down about it, metres, 1 σ. */
const APART = 0.012;

const COUNTED: ReadonlySet<DimensionKey> = new Set(["rows.count", "rows.spacing", "work.overlap"]);

/** What some terminals ask besides and nothing steers by: drawn apart, so that a seed stays the rig it was before they were asked. */
const UNSTEERED: ReadonlySet<DimensionKey> = new Set(["tool.overall", "pin.toolbar", "pin.foremost"]);

/** A rig like the one that is written down, but not the same. */
export function seedTruth(rig: ResolvedRig, seed: number): Truth {
  const random = chance(seed);
  const beside = chance(seed + 7919);
  const values: Truth["values"] = {};
  for (const { key, station, kind, typical } of catalogueOf(rig)) {
    if ((station !== "antenna" && station !== "tool") || (kind !== "length" && kind !== "count")) continue;
    if (key === "guidance.trackSpacing") continue;
    const { value, doubt } = rig.values[key];
    const base = value === null || !isBelieved(doubt) ? typical : value;
    const draws = UNSTEERED.has(key) ? beside : random;
    values[key] = COUNTED.has(key) || kind === "count" ? base : roundTo(base + draws.normal(APART));
  }
  const rows = values["rows.count"]! * values["rows.spacing"]!;
  const width = rig.values["tool.width"].value ?? dimension("tool.width", rig).typical;
  // Rows that were counted for the width make it; where they never were, it is itself.
  values["tool.width"] = Math.abs(rows - width) < 0.05 ? rows : roundTo(width + random.normal(APART));
  if (onPin(rig.attachment)) values["tool.lateral"] = roundTo(values["tool.lateral"]! + random.normal(0.03));
  return {
    attachment: rig.attachment,
    tool: rig.tool,
    values,
    delays: { on: roundTo(random.between(0.35, 1.4), 100), off: roundTo(random.between(0.2, 0.9), 100) },
    rollBias: isFixed(rig.attachment) ? 0 : random.normal(0.0008),
  };
}

function roundTo(value: number, parts = 1000): number {
  return Math.round(value * parts) / parts;
}

const hungOf = ({ attachment, tool = null }: Truth): Hung => ({ attachment, tool });

/** B − A along an axis, as it really is. */
export function trueBetween(truth: Truth, from: PointKey, to: PointKey, axis: Axis): number {
  return termsBetween(hungOf(truth), from, to, axis).reduce(
    (sum, { key, coefficient }) => sum + coefficient * (truth.values[key] ?? 0),
    0,
  );
}

/** Whether the work begins and ends on two lines across the tool. */
export function hasRanks(truth: Truth): boolean {
  return hasDimension(hungOf(truth), "pin.workRear");
}
