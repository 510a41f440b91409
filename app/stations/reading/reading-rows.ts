import type { Hung } from "../../../core/dimension/attachment.ts";
import {
  type Choice,
  type Dimension,
  type DimensionKey,
  SECTIONS_LETTER,
  type StationKey,
} from "../../../core/dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../../../core/dimension/change.ts";
import { CONDITIONS, type ConditionKey } from "../../../core/dimension/condition.ts";
import {
  exampleOf,
  type FieldUnit,
  fieldUnit,
  printEntry,
  printReading,
} from "../../../core/dimension/entry.ts";
import { wordsOf } from "../../../core/dimension/kind-words.ts";
import type { Target } from "../../../core/finding/finding.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inInches, type Units } from "../../../core/quantity/units.ts";
import { askedOf, guidedBy, usesTerminal } from "../../../core/rig/asked.ts";
import type { Change, Reading } from "../../../core/rig/facts.ts";
import { type Grade, gradeOf, type Instrument } from "../../../core/rig/grade.ts";
import { givenSections, isBelieved, type ResolvedRig } from "../../../core/rig/resolve.ts";
import { countSections, sectionSum } from "../../../core/rig/sections.ts";
import { works } from "../../../core/rig/whole.ts";
import { subjectOf } from "../../../core/subjects/walk.ts";
import { bareWord, day, fine } from "../frame/print.ts";

export type ReadingRow = {
  target: Target;
  /** how the tool hangs it is read of, and what it is */
  hung: Hung;
  /** the heading it stands under */
  topic: string;
  letter: string;
  label: string;
  fromTo: string;
  how: string;
  /** the value in the operator's units; null where missing */
  value: string | null;
  /** the value in SI; null where missing, or where it is no figure */
  was: number | null;
  grade: Grade;
  doubted: boolean;
  /** what changed since: "other tyres on the tractor, 3 Nov 2026"; null while nothing did */
  stale: string | null;
  /** that it is due to be read again, and why; null while it is good */
  due: string | null;
  /** "typed “1,472 m”, Ilse Marrin, 14 Sep 2026"; null where there is nothing yet */
  source: string | null;
  /** the current sitting, when there is more than one reading in it */
  repeats: { id: string; text: string }[];
  spread: string | null;
  /** a rig may do without it, until something asks for it */
  quiet: boolean;
  /** the field test that proves it by itself */
  proof: string | null;
  /** what is reckoned with while nobody read it, with its source; null where there is no such thing */
  otherwise: string | null;
  /** how the field shows and reads its quantity */
  style: FieldUnit;
  /** a figure of usual size, as one would type it */
  example: string;
  bareUnit: string;
  sides: { plus: string; minus: string } | null;
  faces: { left: string; right: string } | null;
  conditions: { key: ConditionKey; label: string }[];
  kind: Dimension["kind"] | "sections";
  choices: readonly Choice[];
  /** how it may have been come by, the honest way first */
  ways: { value: Instrument; label: string }[];
  /** the change that another value of it is, and what it would make stale; null where it is none */
  alters: { kind: ChangeKind; stales: readonly string[] } | null;
};

/** What each kind of change would make stale on the whole rig, in words. */
export type Stales = Partial<Record<ChangeKind, readonly string[]>>;

export function readingRows(
  station: StationKey,
  rig: ResolvedRig,
  units: Units,
  stales: Stales = {},
  dues: ReadonlyMap<DimensionKey, string> = new Map(),
): ReadingRow[] {
  const working = works(rig);
  const rows = askedOf(rig)
    .filter((entry) => entry.station === station)
    .map((entry) => ({ ...readingRow(entry, rig, units, stales), due: dues.get(entry.key) ?? null }));
  return subjectOf(station)?.measured?.sections && working && guidedBy(rig).sections
    ? [...rows, sectionsRow(rig, units)]
    : rows;
}

function readingRow(
  entry: Dimension,
  rig: ResolvedRig,
  units: Units,
  stales: Stales,
): Omit<ReadingRow, "due"> {
  const { value, grade, doubt, reading, stale, repeats, spread, proof } = rig.values[entry.key];
  return {
    target: entry.key,
    hung: { attachment: rig.attachment, tool: rig.tool },
    topic: entry.topic,
    letter: entry.letter,
    label: entry.label,
    fromTo: entry.fromTo,
    how: entry.how,
    value: writtenValue(entry, rig, units),
    was: reading === null ? null : value,
    grade,
    doubted: !isBelieved(doubt),
    stale: stale && reading && staleText(stale, reading.measuredAt),
    source: reading && sourceOf(reading),
    repeats:
      repeats.length < 2
        ? []
        : repeats.map((each) => ({ id: each.id, text: printReading(entry, each, units) })),
    spread:
      repeats.length < 2 || entry.kind === "choice"
        ? null
        : entry.kind === "length"
          ? fine(spread, units)
          : printEntry({ ...entry, sides: null }, spread, units),
    proof: proof && `${proof.how} ${proof.result} ${proof.person}, ${day(proof.at)}`,
    quiet: entry.whenMissing === "quiet" || !usesTerminal(rig),
    otherwise: reckonedWith(entry, rig, units),
    ...fieldOf(entry, units),
    alters: entry.alters && value !== null ? { kind: entry.alters, stales: others(entry, stales) } : null,
  };
}

/** What a change to this reading makes stale besides itself. */
function others({ alters, label }: Dimension, stales: Stales): readonly string[] {
  return (alters ? (stales[alters] ?? []) : []).filter((each) => each !== label);
}

function writtenValue(entry: Dimension, rig: ResolvedRig, units: Units): string | null {
  const { value, reading } = rig.values[entry.key];
  if (value === null || reading === null) return null;
  return entry.kind === "choice" ? printReading(entry, reading, units) : printEntry(entry, value, units);
}

/** What is reckoned with while nobody read it, and where that comes from. */
function reckonedWith(entry: Dimension, rig: ResolvedRig, units: Units): string | null {
  const { told, value } = rig.values[entry.key];
  if (told && value !== null) return `${printEntry(entry, told.value, units)}, as the implement tells`;
  return entry.otherwise && `${otherwiseText(entry, units)}, ${entry.otherwise.source}`;
}

function otherwiseText(entry: Dimension, units: Units): string {
  const { value } = entry.otherwise!;
  return typeof value === "string"
    ? (entry.choices?.find(({ key }) => key === value)?.label ?? value)
    : printEntry(entry, value, units);
}

function fieldOf(entry: Dimension, units: Units) {
  const style = fieldUnit(entry, units);
  return {
    style,
    example: exampleOf(entry, style),
    bareUnit: bareWord(style),
    choices: entry.choices ?? [],
    ways: waysOf(entry),
    sides: entry.sides,
    faces: entry.fromFaces && { left: entry.fromFaces.left, right: entry.fromFaces.right },
    conditions: entry.conditions.map((key) => ({ key, label: CONDITIONS[key] })),
    kind: entry.kind,
  };
}

/** A weighbridge slip, a gauge and a look count as a tape does. */
function waysOf({ kind, family }: Pick<Dimension, "kind" | "family">): ReadingRow["ways"] {
  const read: ReadingRow["ways"][number] =
    kind === "choice"
      ? { value: "look", label: "Looked" }
      : family === "mass"
        ? { value: "scale", label: "Weighed" }
        : family === "pressure"
          ? { value: "gauge", label: "Gauge" }
          : kind === "measure"
            ? { value: "look", label: "Read off" }
            : { value: "tape", label: "Tape" };
  return [read, { value: "book", label: "Book" }, { value: "estimate", label: "Guess" }];
}

/** What was read when, and what was changed since by whom. */
function staleText({ kind, at, person, note }: Change, measuredAt: string): string {
  const told = [day(at), person, note].filter(Boolean).join(", ");
  return `${CHANGES[kind].label.toLowerCase()} (${told}), after it was read on ${day(measuredAt)}`;
}

function sourceOf({ rawText, person, measuredAt, note }: Reading): string {
  return [`typed “${rawText}”`, person, day(measuredAt), note].filter(Boolean).join(", ");
}

function sectionsRow({ attachment, tool, sections, sectionsStale }: ResolvedRig, units: Units): ReadingRow {
  const given = givenSections({ sections });
  const { one, many } = wordsOf(tool);
  return {
    target: "sections",
    hung: { attachment, tool },
    topic: "Tool",
    letter: SECTIONS_LETTER,
    label: "Sections",
    fromTo: "every section's width, from the left end to the right",
    how: `Count the ${many} in each section and multiply by the ${one} spacing, or tape from end to end.`,
    value: given
      ? `${groupWidths(given.widths, units)} = ${printLength(sectionSum(given.widths), units.tape)}`
      : null,
    was: null,
    grade: sections ? gradeOf(sections.instrument) : "missing",
    doubted: false,
    stale: sectionsStale && given && staleText(sectionsStale, given.measuredAt),
    due: null,
    source: given ? `${countSections(given)}, ${given.person}, ${day(given.measuredAt)}` : null,
    repeats: [],
    spread: null,
    proof: null,
    style: units.tape,
    example: inInches(units.tape) ? `3 × 4' 11"` : "3 × 1.5",
    bareUnit: bareWord(units.tape),
    sides: null,
    faces: null,
    conditions: [],
    kind: "sections",
    quiet: false,
    otherwise: sections && !given ? "one section as wide as the tool, assumed" : null,
    choices: [],
    ways: waysOf({ kind: "length", family: null }),
    alters: null,
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
