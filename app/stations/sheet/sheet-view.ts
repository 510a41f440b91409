import { type Choice, isOfWork, type StationKey } from "../../../core/dimension/catalogue.ts";
import { CONDITIONS } from "../../../core/dimension/condition.ts";
import { type FieldUnit, fieldUnit, printEntry, printReading } from "../../../core/dimension/entry.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import type { Grade } from "../../../core/rig/grade.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { works } from "../../../core/rig/whole.ts";

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
  choices: readonly Choice[];
};

export const SHEETS = {
  guidance: { label: "Antenna and tool", stations: ["antenna", "tool"] },
  hitching: { label: "Match, hitch and balance", stations: ["match", "hitch", "balance"] },
  all: { label: "Everything", stations: ["match", "hitch", "balance", "antenna", "tool"] },
} as const satisfies Record<string, { label: string; stations: readonly StationKey[] }>;
export type SheetKey = keyof typeof SHEETS;

export function isSheetKey(text: string | null): text is SheetKey {
  return text !== null && Object.hasOwn(SHEETS, text);
}

/** The lines of a sheet in the order of walking round, under the headings they have at their stations. */
export function sheetTopics(
  rig: ResolvedRig,
  sheet: SheetKey,
  units: Units,
): { topic: string; rows: SheetRow[] }[] {
  const stations: readonly StationKey[] = SHEETS[sheet].stations;
  const working = works(rig);
  const topics: { topic: string; rows: SheetRow[] }[] = [];
  for (const entry of askedOf(rig)) {
    if (!stations.includes(entry.station) || (!working && isOfWork(entry))) continue;
    const { value, reading, grade, stale } = rig.values[entry.key];
    const row: SheetRow = {
      key: entry.key,
      letter: entry.letter,
      label: entry.label,
      fromTo: entry.fromTo,
      before: entry.conditions.map((key) => CONDITIONS[key].toLowerCase()).join(", "),
      now:
        value === null || !reading
          ? "missing"
          : entry.kind === "choice"
            ? printReading(entry, reading, units)
            : printEntry(entry, value, units),
      grade,
      stale: stale !== null,
      style: fieldUnit(entry, units),
      choices: entry.choices ?? [],
    };
    const last = topics.at(-1);
    if (last?.topic === entry.topic) last.rows.push(row);
    else topics.push({ topic: entry.topic, rows: [row] });
  }
  return topics;
}
