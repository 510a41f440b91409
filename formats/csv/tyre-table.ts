/**
 * A tyre maker's table as it is copied out of a spreadsheet or typed: the first line the speeds, then a line a pressure
 * with what one tyre carries at each speed. Cells are parted by tabs or semicolons; an empty cell or a dash is a hole.
 */
import Papa from "papaparse";
import { type Family, parseMeasure, printMeasure } from "../../core/quantity/measure.ts";
import { type Units, unitOf } from "../../core/quantity/units.ts";
import type { TyreTable } from "../../core/yard/tyres.ts";

export type TyreCell = TyreTable["cells"][number];
export type TableRead =
  | { ok: true; cells: TyreCell[] }
  /** line from 1, 0 for the whole table */
  | { ok: false; problems: { line: number; problem: string }[] };

const MOST_LINES = 40;
const HOLE = /^[-−–]?$/;

/** Reads a table; bare numbers take the operator's units, a unit beside a number counts. */
export function readTyreTable(text: string, units: Units): TableRead {
  const rows = Papa.parse<string[]>(text.trimEnd(), { delimiter: text.includes("\t") ? "\t" : ";" }).data;
  const [head = [], ...lines] = rows.map((row) => row.map((cell) => cell.trim()));
  const problems: { line: number; problem: string }[] = [];
  const read = (family: Family, cell: string, line: number) => {
    const measured = parseMeasure(family, cell, unitOf(family, units) as never);
    if (measured.ok && measured.value.value > 0) return measured.value.value;
    problems.push({ line, problem: measured.ok ? `“${cell}” is zero.` : measured.problem });
    return Number.NaN;
  };
  const whole = (problem: string): TableRead => ({ ok: false, problems: [{ line: 0, problem }] });
  if (rows.length > MOST_LINES) return whole(`A table has at most ${MOST_LINES} lines.`);
  const speeds = head.slice(1).map((cell) => read("speed", cell, 1));
  if (speeds.length === 0)
    return whole("The first line gives the speeds: leave its first cell empty, then one speed a cell.");
  const cells: TyreCell[] = [];
  for (const [index, [first = "", ...loads]] of lines.entries()) {
    const line = index + 2;
    const pressure = read("pressure", first, line);
    if (loads.length > speeds.length)
      problems.push({ line, problem: `${loads.length} loads for ${speeds.length} speeds.` });
    for (const [column, load] of loads.slice(0, speeds.length).entries())
      if (!HOLE.test(load)) cells.push({ speed: speeds[column]!, pressure, load: read("mass", load, line) });
  }
  if (problems.length > 0) return { ok: false, problems };
  if (cells.length === 0) return whole("There is no load in the table yet.");
  const odd = oddities(cells, units);
  return odd.length > 0
    ? { ok: false, problems: odd.map((problem) => ({ line: 0, problem })) }
    : { ok: true, cells };
}

/** What no maker's table says: the same cell twice, less carried at more pressure, more carried when faster. */
function oddities(cells: readonly TyreCell[], units: Units): string[] {
  const say = (family: Family, value: number) => printMeasure(family, value, unitOf(family, units) as never);
  const found: string[] = [];
  for (const [index, a] of cells.entries())
    for (const b of cells.slice(index + 1)) {
      const at = `${say("pressure", b.pressure)} at ${say("speed", b.speed)}`;
      if (a.speed === b.speed && a.pressure === b.pressure) found.push(`${at} stands there twice.`);
      else if (a.speed === b.speed && (a.pressure - b.pressure) * (a.load - b.load) < 0)
        found.push(`${at}: more pressure must not carry less (beside ${say("pressure", a.pressure)}).`);
      else if (a.pressure === b.pressure && (a.speed - b.speed) * (a.load - b.load) > 0)
        found.push(`${at}: a faster wheel must not carry more (beside ${say("speed", a.speed)}).`);
    }
  return found.slice(0, 4);
}

const ascending = (numbers: Iterable<number>) => [...new Set(numbers)].sort((a, b) => a - b);

/** The same table as text, parted by semicolons, holes as dashes. */
export function writeTyreTable(cells: readonly TyreCell[], units: Units): string {
  const say = (family: Family, value: number) =>
    printMeasure(family, value, unitOf(family, units) as never).replace("\u00a0", " ");
  const speeds = ascending(cells.map(({ speed }) => speed));
  const lines = ascending(cells.map(({ pressure }) => pressure)).map((pressure) =>
    [
      say("pressure", pressure),
      ...speeds.map((speed) => {
        const cell = cells.find((each) => each.pressure === pressure && each.speed === speed);
        return cell ? say("mass", cell.load) : "–";
      }),
    ].join("; "),
  );
  return [["", ...speeds.map((speed) => say("speed", speed))].join("; "), ...lines].join("\n");
}
