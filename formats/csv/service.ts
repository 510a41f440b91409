/** What was done to machines as CSV: one line an entry, hours of the meter as they were read. */
import Papa from "papaparse";
import { cell, WRITTEN } from "./cell.ts";

export type ServiceLine = {
  machine: string;
  fleetNumber: string;
  what: string;
  kind: string;
  /** ISO 8601, UTC */
  at: string;
  /** seconds; null where nobody wrote it down */
  meter: number | null;
  note: string;
  person: string;
};

/** The history, as it is handed in; an empty cell is not known. */
export function serviceCsv(lines: readonly ServiceLine[]): string {
  const head = ["machine", "fleet number", "what", "kind", "done (UTC)", "hour meter (h)", "note", "person"];
  const rows = lines.map(({ machine, fleetNumber, what, kind, at, meter, note, person }) => [
    cell(machine),
    cell(fleetNumber),
    cell(what),
    kind,
    at,
    meter === null ? "" : String(Math.round(meter / 360) / 10),
    cell(note),
    cell(person),
  ]);
  return `${Papa.unparse([head, ...rows], WRITTEN)}\r\n`;
}
