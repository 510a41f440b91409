import { type Hung, isBuiltOn } from "../dimension/attachment.ts";
import { type Dimension, dimension, isDimensionKey, SECTIONS_LETTER } from "../dimension/catalogue.ts";
import { printEntry } from "../dimension/entry.ts";
import type { Box } from "../picture/box.ts";
import type { Units } from "../quantity/units.ts";
import { termsBetween } from "../rig/frame.ts";
import { givenSections, isBelieved, type ResolvedRig } from "../rig/resolve.ts";
import { countSections } from "../rig/sections.ts";
import type { Placed } from "./place.ts";
import type { DimensionMark, Sheet } from "./sheet.ts";

/** The lengths one walks along from the receiver to the tool. */
export function leading(hung: Hung): ReadonlySet<string> {
  return new Set(
    (["pivot", "workFront", "workRear"] as const).flatMap((to) =>
      termsBetween(hung, "receiver", to, "x").map(({ key }) => key),
    ),
  );
}

/** "6 sections", as it stands beside the letter of the sections. */
export function sectionsText({ sections }: ResolvedRig): string {
  if (!sections) return "missing";
  return givenSections({ sections }) ? countSections(sections) : `${countSections(sections)}, assumed`;
}

/** A reading as it stands beside its letter, in the operator's units; empty where nothing is read. */
export function valueText(entry: Dimension, { attachment, values }: ResolvedRig, units: Units): string {
  const { value, reading } = values[entry.key];
  if (value === null) return "missing";
  if (entry.key === "rows.count") return `${value} ${isBuiltOn(attachment) ? "nozzles" : "rows"}`;
  return `${printEntry(entry, value, units).replace(/\u00a0m\b/, "")}${reading ? "" : ", assumed"}`;
}

/** A placed label as the sheet shows it: known, doubted, or dashed where nobody read it. */
export function toMark(
  { target, letter, value, path, arrows, label, clear }: Placed,
  rig: ResolvedRig,
  sheet: Sheet,
): DimensionMark {
  const entry = isDimensionKey(target) ? dimension(target, rig) : null;
  const text = entry ? valueText(entry, rig, sheet.units) : sectionsText(rig);
  const unread = entry ? rig.values[entry.key].reading === null : givenSections(rig) === null;
  const doubted = entry ? !isBelieved(rig.values[entry.key].doubt) : false;
  return {
    target,
    letter: entry?.letter ?? SECTIONS_LETTER,
    letterAt: letter,
    value: value ? { ...value, text, ground: groundOf(value, text) } : null,
    path,
    arrows,
    state: unread ? "missing" : doubted ? "doubted" : "known",
    label,
    clear,
  };
}

/** Figures and marks are narrower than the room a label is given: the ground behind them covers no more than they do. */
const FIGURE_WIDTH = 7.3;

function groundOf({ x, y, anchor }: NonNullable<Placed["value"]>, text: string): Box {
  const w = text.length * FIGURE_WIDTH + 4;
  return { x: anchor === "end" ? x - w + 2 : x - 2, y: y - 9, w, h: 18 };
}
