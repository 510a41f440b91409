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

/**
 * Readings as CSV (RFC 4180), one a line, SI with the unit in the header. Text that a spreadsheet would take for a
 * formula is written with an apostrophe before it.
 */
export function readingsCsv(lines: readonly ReadingLine[]): string {
  return Papa.unparse(
    lines.map((line) => {
      const entry = dimension(line.key, line.attachment);
      return {
        machine: line.machine,
        point: line.point,
        dimension: line.key,
        meaning: `${entry.label}, ${entry.fromTo}`,
        "value (m or count)": line.value,
        "resolution (m)": entry.kind === "count" ? "" : line.step,
        "as typed": line.rawText,
        grade: gradeOf(line.instrument),
        person: line.person,
        "measured at (UTC)": line.measuredAt,
        sitting: line.sitting,
        conditions: line.conditions.join("; "),
        note: line.note,
        "taken back": line.takenBack ? "yes" : "",
      };
    }),
    { escapeFormulae: true, newline: "\r\n" },
  );
}
