import { type Choice, type Dimension, dimension } from "../../../core/dimension/catalogue.ts";
import { CONDITIONS } from "../../../core/dimension/condition.ts";
import {
  type FieldUnit,
  fieldUnit,
  printEntry,
  printReading,
  unitWord,
} from "../../../core/dimension/entry.ts";
import { lackingOf } from "../../../core/finding/lacking.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import type { Grade } from "../../../core/rig/grade.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import type { Subject } from "../../../core/subject/subject.ts";
import { SUBJECTS } from "../../../core/subjects/index.ts";
import { lackingToCouple } from "../../../core/subjects/lacking.ts";
import { namedTogether } from "../../../core/subjects/walk.ts";
import { askedByTerminal } from "../card/card-view.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { LACKING, LACKING_LABELS } from "./lacking.ts";

export type SheetRow = {
  key: string;
  letter: string;
  label: string;
  fromTo: string;
  before: string;
  now: string;
  grade: Grade;
  stale: boolean;
  style: FieldUnit;
  /** what stands beside the field: nothing where things are counted */
  unit: string;
  /** nobody read it, and nothing waits for it */
  quiet: boolean;
  choices: readonly Choice[];
};

export type SheetKind = { key: string; label: string; stations: readonly string[] };

/** What a sheet is of: what a terminal is told, what is needed to couple, or all of it. */
export function sheetKinds(): SheetKind[] {
  const all = SUBJECTS.filter(({ onSheet }) => onSheet);
  const kind = (key: string, subjects: readonly Subject[], label = namedTogether(subjects)): SheetKind => ({
    key,
    label,
    stations: subjects.map((each) => each.key),
  });
  return [
    kind(
      "guidance",
      all.filter(({ holds }) => holds === "card"),
    ),
    kind(
      "hitching",
      all.filter(({ holds }) => holds === "hook-up"),
    ),
    kind("all", all, "Everything"),
    ...Object.entries(LACKING_LABELS).map(([key, label]) => kind(key, [], label)),
  ];
}

export function isSheetKey(text: string | null): text is string {
  return sheetKinds().some(({ key }) => key === text);
}

/** The lines of a sheet in the order of walking round; of what the card lacks also those its terminal asks for, under the headings they have at their stations. */
export function sheetTopics(
  open: OpenRig,
  sheet: string,
  units: Units,
): { topic: string; rows: SheetRow[] }[] {
  const { whole, index, resolved: rig } = open;
  if (sheet === LACKING.card) {
    const rows = [...new Set([...lackingOf(rig), ...askedByTerminal(open)])].map((key) =>
      rowOf(dimension(key, rig), rig, units),
    );
    return rows.length === 0 ? [] : [{ topic: "In this order: the first moves the work most", rows }];
  }
  const lacking = sheet === LACKING.couple ? new Set(lackingToCouple(whole, index)) : null;
  const { stations } = sheetKinds().find(({ key }) => key === sheet)!;
  const topics: { topic: string; rows: SheetRow[] }[] = [];
  for (const entry of askedOf(rig)) {
    const on = lacking ? lacking.has(entry.key) : stations.includes(entry.station);
    if (!on) continue;
    const row = rowOf(entry, rig, units);
    const last = topics.at(-1);
    if (last?.topic === entry.topic) last.rows.push(row);
    else topics.push({ topic: entry.topic, rows: [row] });
  }
  return topics;
}

function rowOf(entry: Dimension, rig: ResolvedRig, units: Units): SheetRow {
  const { value, reading, grade, stale } = rig.values[entry.key];
  return {
    key: entry.key,
    letter: entry.letter,
    label: entry.label,
    fromTo: entry.fromTo,
    before: entry.conditions.map((key) => CONDITIONS[key].toLowerCase()).join(", "),
    now:
      value === null
        ? entry.whenMissing === "quiet"
          ? "not read"
          : "missing"
        : reading && entry.kind === "choice"
          ? printReading(entry, reading, units)
          : printEntry(entry, value, units),
    grade,
    stale: stale !== null,
    style: fieldUnit(entry, units),
    unit: unitWord(entry, units),
    quiet: value === null && entry.whenMissing === "quiet",
    choices: entry.choices ?? [],
  };
}
