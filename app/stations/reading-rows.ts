import {
  CATALOGUE,
  type Dimension,
  type DimensionKey,
  dimension,
  SECTIONS_LETTER,
  type StationKey,
} from "../../core/dimension/catalogue.ts";
import { CHANGES } from "../../core/dimension/change.ts";
import { CONDITIONS, type ConditionKey } from "../../core/dimension/condition.ts";
import { printEntry } from "../../core/dimension/entry.ts";
import type { Target } from "../../core/finding/finding.ts";
import { type LengthStyle, printLength } from "../../core/quantity/length.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Change, Reading } from "../../core/rig/facts.ts";
import { type Grade, gradeOf } from "../../core/rig/grade.ts";
import type { ResolvedRig } from "../../core/rig/resolve.ts";
import { sectionSum } from "../../core/rig/sections.ts";
import { bareWord, day, fine } from "./print.ts";

export type ReadingRow = {
  target: Target;
  letter: string;
  label: string;
  fromTo: string;
  how: string;
  /** the value in the operator's units; null where missing */
  value: string | null;
  grade: Grade;
  doubted: boolean;
  /** what changed since: "other tyres on the tractor, 3 Nov 2026"; null while nothing did */
  stale: string | null;
  /** "typed “1,472 m”, Ilse Marrin, 14 Sep 2026"; null where there is nothing yet */
  source: string | null;
  /** the current sitting, when there is more than one reading in it */
  repeats: { id: string; text: string }[];
  spread: string | null;
  /** the field test that proves it by itself */
  proof: string | null;
  /** how the field shows and reads lengths */
  style: LengthStyle;
  bareUnit: string;
  sides: { plus: string; minus: string } | null;
  faces: { left: string; right: string } | null;
  conditions: { key: ConditionKey; label: string }[];
  kind: "length" | "count" | "sections";
};

export function readingRows(station: StationKey, rig: ResolvedRig, units: Units): ReadingRow[] {
  const rows = CATALOGUE.filter((entry) => entry.station === station).map((entry) =>
    readingRow(entry.key, rig, units),
  );
  return station === "tool" ? [...rows, sectionsRow(rig, units)] : rows;
}

function readingRow(key: DimensionKey, rig: ResolvedRig, units: Units): ReadingRow {
  const entry = dimension(key);
  const { value, grade, doubt, reading, stale, repeats, spread, proof } = rig.values[key];
  return {
    target: key,
    letter: entry.letter,
    label: entry.label,
    fromTo: entry.fromTo,
    how: entry.how,
    value: value === null ? null : printEntry(entry, value, units),
    grade,
    doubted: doubt !== null && doubt !== "habitual zero",
    stale: stale && staleText(stale),
    source: reading && sourceOf(reading),
    repeats:
      repeats.length < 2
        ? []
        : repeats.map((each) => ({ id: each.id, text: printEntry(entry, each.value, units) })),
    spread: repeats.length < 2 ? null : fine(spread, units),
    proof: proof && `${proof.how} ${proof.result} ${proof.person}, ${day(proof.at)}`,
    ...fieldOf(entry, units),
  };
}

function fieldOf(entry: Dimension, units: Units) {
  const style = units[entry.shown];
  return {
    style,
    bareUnit: bareWord(style),
    sides: entry.sides,
    faces: entry.fromFaces && { left: entry.fromFaces.left, right: entry.fromFaces.right },
    conditions: entry.conditions.map((key) => ({ key, label: CONDITIONS[key] })),
    kind: entry.kind,
  };
}

function staleText({ kind, at }: Change): string {
  return `${CHANGES[kind].label.toLowerCase()}, ${day(at)}`;
}

function sourceOf({ rawText, person, measuredAt, note }: Reading): string {
  return [`typed “${rawText}”`, person, day(measuredAt), note].filter(Boolean).join(", ");
}

function sectionsRow({ sections, sectionsStale }: ResolvedRig, units: Units): ReadingRow {
  return {
    target: "sections",
    letter: SECTIONS_LETTER,
    label: "Sections",
    fromTo: "every section's width, from the left end to the right",
    how: "Count rows in each section and multiply by the row spacing, or tape from hose to hose.",
    value: sections
      ? `${groupWidths(sections.widths, units)} = ${printLength(sectionSum(sections.widths), units.tape)}`
      : null,
    grade: sections ? gradeOf(sections.instrument) : "missing",
    doubted: false,
    stale: sectionsStale && staleText(sectionsStale),
    source: sections
      ? `${sections.widths.length} sections, ${sections.person}, ${day(sections.measuredAt)}`
      : null,
    repeats: [],
    spread: null,
    proof: null,
    style: units.tape,
    bareUnit: bareWord(units.tape),
    sides: null,
    faces: null,
    conditions: [],
    kind: "sections",
  };
}

/** "5 × 1.000; 0.700": equal neighbours together, left to right, as it can be typed again. */
function groupWidths(widths: readonly number[], units: Units): string {
  const groups: { text: string; count: number }[] = [];
  for (const width of widths) {
    const text = printLength(width, units.tape, { bare: true });
    const last = groups.at(-1);
    if (last?.text === text) last.count += 1;
    else groups.push({ text, count: 1 });
  }
  return groups.map(({ text, count }) => (count > 1 ? `${count} × ${text}` : text)).join("; ");
}
