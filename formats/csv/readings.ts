import Papa from "papaparse";
import type { Attachment } from "../../core/dimension/attachment.ts";
import { type Dimension, dimension } from "../../core/dimension/catalogue.ts";
import { fieldUnit } from "../../core/dimension/entry.ts";
import { bareUnit, isLengthStyle, METRES_PER } from "../../core/quantity/length.ts";
import { FAMILIES } from "../../core/quantity/measure.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Reading } from "../../core/rig/facts.ts";
import { gradeOf } from "../../core/rig/grade.ts";
import { WRITTEN } from "./cell.ts";

export type ReadingLine = Reading & {
  /** how the tool hangs it is read of, or that hangs on what it is read of: its words follow */
  attachment: Attachment;
  machine: string;
  /** the mount or hole, where it is one's */
  point: string;
  takenBack: boolean;
};

const COLUMNS = [
  "machine",
  "point",
  "dimension",
  "meaning",
  "value (in the unit beside it)",
  "unit",
  "resolution (in that unit)",
  "as typed",
  "grade",
  "person",
  "measured at (UTC)",
  "sitting",
  "conditions",
  "note",
  "taken back",
];

/** Nine digits: more than any tape or scale tells apart, and no binary remainders. */
const plain = (value: number) => Number(value.toPrecision(9));

/** A unit a spreadsheet can reckon in: feet and inches are counted in inches. */
function unitFor(entry: Dimension, units: Units): { name: string; factor: number } {
  if (entry.kind === "count") return { name: "", factor: 1 };
  const unit = fieldUnit(entry, units);
  if (entry.kind === "measure" && entry.family)
    return {
      name: unit,
      factor: (FAMILIES[entry.family] as Record<string, { factor: number }>)[unit]!.factor,
    };
  const length = isLengthStyle(unit) ? bareUnit(unit) : "m";
  return { name: length, factor: METRES_PER[length] };
}

function rowOf(line: ReadingLine, units: Units): unknown[] {
  const entry = dimension(line.key, line.attachment);
  const { name, factor } = unitFor(entry, units);
  const chosen = entry.kind === "choice";
  return [
    line.machine,
    line.point,
    line.key,
    `${entry.label}, ${entry.fromTo}`,
    chosen ? "" : plain(line.value / factor),
    chosen ? "" : name,
    chosen || entry.kind === "count" ? "" : plain(line.step / factor),
    line.rawText,
    gradeOf(line.instrument),
    line.person,
    line.measuredAt,
    line.sitting,
    line.conditions.join("; "),
    line.note,
    line.takenBack ? "yes" : "",
  ];
}

/** Lines written at once. */
const AT_ONCE = 500;

/**
 * Readings as CSV (RFC 4180), one a line, in the reader's units with the unit beside each, piece by piece. Text that a spreadsheet would take for a
 * formula is written with an apostrophe before it.
 */
export function* readingsCsv(lines: Iterable<ReadingLine>, units: Units): Generator<string> {
  const write = (rows: unknown[][]) => Papa.unparse(rows, WRITTEN);
  yield write([COLUMNS]);
  let rows: unknown[][] = [];
  for (const line of lines) {
    rows.push(rowOf(line, units));
    if (rows.length < AT_ONCE) continue;
    yield `\r\n${write(rows)}`;
    rows = [];
  }
  if (rows.length > 0) yield `\r\n${write(rows)}`;
}
