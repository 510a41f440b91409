/** What an implement tells a terminal about itself, beside what was read off it. */
import { type Dimension, type DimensionKey, dimension, hasDimension } from "../dimension/catalogue.ts";
import { isAsked } from "./asked.ts";
import { isLeftZero, isSameReading, type ToldValue } from "./facts.ts";
import type { ResolvedRig } from "./resolve.ts";

/** What implements tell: their lengths from the hitch, their width, their rows, and what a planter is built with. */
const MAY_TELL: readonly DimensionKey[] = [
  "pin.pivot",
  "pin.workFront",
  "pin.workRear",
  "pin.toolbar",
  "pin.foremost",
  "tool.lateral",
  "tool.width",
  "tool.overall",
  "rows.count",
  "rows.spacing",
  "tool.downforce",
  "tool.hoppers",
  "tool.liquid",
  "tool.products",
];

/** What this implement may tell of itself. */
export function tellsOf(rig: ResolvedRig): Dimension[] {
  return MAY_TELL.filter((key) => hasDimension(rig, key))
    .map((key) => dimension(key, rig))
    .filter((entry) => isAsked(entry, rig));
}

/** Their keys, the width first: a place told from an edge of it follows from it. */
export function keysTold(rig: ResolvedRig): DimensionKey[] {
  const keys = tellsOf(rig).map(({ key }) => key);
  return [...keys.filter((key) => key === "tool.width"), ...keys.filter((key) => key !== "tool.width")];
}

/**
 * How what is told stands to what was read: nothing is told; a zero that means nothing was entered; told, and nobody read it; the same within
 * what the reading is sure to; or another, by so much (told − read, SI; null where it is a choice).
 */
export type Telling =
  | { kind: "untold" }
  | { kind: "zero"; told: ToldValue }
  | { kind: "alone"; told: ToldValue }
  | { kind: "same"; told: ToldValue }
  | { kind: "differs"; told: ToldValue; by: number | null };

/** Two values of a length within a centimetre are the same to who drives (common practice, no source). */
const CENTIMETRE = 0.01;

/** How what the implement tells of one dimension stands to its reading. */
export function tellingOf(entry: Dimension, { values }: ResolvedRig): Telling {
  const { told, reading, value, sigma } = values[entry.key];
  if (!told) return { kind: "untold" };
  if (entry.kind === "choice") {
    if (!reading) return { kind: "alone", told };
    return reading.rawText === told.rawText ? { kind: "same", told } : { kind: "differs", told, by: null };
  }
  if (isLeftZero(entry, told.value)) return { kind: "zero", told };
  if (!reading || value === null) return { kind: "alone", told };
  const by = told.value - value;
  const within =
    entry.kind === "count" ? 0 : Math.max(entry.shown === "small" ? 0.002 : CENTIMETRE, 2 * sigma);
  const same = isSameReading(told.value, value) || Math.abs(by) <= within;
  return same ? { kind: "same", told } : { kind: "differs", told, by };
}

/** Sideways offset from the distance between an edge and the line of pull: right is +, metres. */
export function offsetFromEdge(edge: "left" | "right", distance: number, width: number): number {
  return edge === "left" ? width / 2 - distance : distance - width / 2;
}
