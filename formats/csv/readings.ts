import Papa from "papaparse";
import type { Attachment } from "../../core/dimension/attachment.ts";
import { dimension } from "../../core/dimension/catalogue.ts";
import type { Reading } from "../../core/rig/facts.ts";
import { gradeOf } from "../../core/rig/grade.ts";

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
  "value (m or count)",
  "resolution (m)",
  "as typed",
  "grade",
  "person",
  "measured at (UTC)",
  "sitting",
  "conditions",
  "note",
  "taken back",
];

function rowOf(line: ReadingLine): unknown[] {
  const entry = dimension(line.key, line.attachment);
  return [
    line.machine,
    line.point,
    line.key,
    `${entry.label}, ${entry.fromTo}`,
    line.value,
    entry.kind === "count" ? "" : line.step,
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
 * Readings as CSV (RFC 4180), one a line, SI with the unit in the header, piece by piece. Text that a spreadsheet would take for a
 * formula is written with an apostrophe before it.
 */
export function* readingsCsv(lines: Iterable<ReadingLine>): Generator<string> {
  const write = (rows: unknown[][]) => Papa.unparse(rows, { escapeFormulae: true, newline: "\r\n" });
  yield write([COLUMNS]);
  let rows: unknown[][] = [];
  for (const line of lines) {
    rows.push(rowOf(line));
    if (rows.length < AT_ONCE) continue;
    yield `\r\n${write(rows)}`;
    rows = [];
  }
  if (rows.length > 0) yield `\r\n${write(rows)}`;
}
