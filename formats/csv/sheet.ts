/** A sheet of readings filled in a spreadsheet, or readings as they were handed out: what to type for each dimension. */
import Papa from "papaparse";
import { type DimensionKey, isDimensionKey, unchanging } from "../../core/dimension/catalogue.ts";
import { FAMILIES, type Family } from "../../core/quantity/measure.ts";
import { WRITTEN } from "./cell.ts";

export type SheetRead = { ok: true; texts: Map<DimensionKey, string> } | { ok: false; problem: string };

type Row = Record<string, string | undefined>;

const MOST_ROWS = 20_000;

/** The columns of an empty sheet. */
export type SheetLine = { dimension: string; letter: string; label: string; "from, to": string; now: string };

export function sheetCsv(lines: readonly SheetLine[]): string {
  return Papa.unparse(
    lines.map((line) => ({ ...line, reading: "" })),
    WRITTEN,
  );
}

/** The columns of readings as they are handed out, and as older builds did: in SI. */
const VALUE = "value (in the unit beside it)";
const VALUE_BEFORE = "value (m or count)";

/**
 * Reads a sheet by its column "reading", or readings by their value and its unit. A dimension that is filled in twice is
 * refused; what was taken back does not count.
 */
export function readSheetCsv(text: string): SheetRead {
  const plain = text.replace(/^\ufeff/, "");
  const parsed = Papa.parse<Row>(plain, {
    header: true,
    skipEmptyLines: true,
    delimiter: delimiterOf(plain),
  });
  const fields = parsed.meta.fields ?? [];
  if (!fields.includes("dimension"))
    return { ok: false, problem: "There is no column “dimension”: begin with the empty sheet." };
  const column = ["reading", VALUE, VALUE_BEFORE].find((each) => fields.includes(each));
  if (!column) return { ok: false, problem: "There is no column “reading”." };
  if (parsed.data.length > MOST_ROWS)
    return { ok: false, problem: `A sheet has at most ${MOST_ROWS} lines.` };
  const texts = new Map<DimensionKey, string>();
  for (const [index, row] of parsed.data.entries()) {
    const key = row.dimension?.trim();
    const told = row[column]?.trim().replace(/^'/, "") ?? "";
    // What was chosen has no number: it stands as it was typed.
    const value = told === "" && column === VALUE ? (row["as typed"]?.trim() ?? "") : told;
    if (value === "" || row["taken back"] === "yes") continue;
    if (!isDimensionKey(key))
      return { ok: false, problem: `Line ${index + 2}: there is no dimension “${key ?? ""}”.` };
    if (column === "reading" && texts.has(key))
      return { ok: false, problem: `Line ${index + 2}: “${key}” is there twice. Leave one of them.` };
    if (column === "reading") texts.set(key, value);
    else if (column === VALUE_BEFORE || unchanging(key).kind === "choice")
      texts.set(key, asTyped(key, value, row["as typed"] ?? ""));
    else texts.set(key, `${value} ${row.unit?.trim() ?? ""}`.trim());
  }
  return texts.size === 0 ? { ok: false, problem: "Nothing is filled in." } : { ok: true, texts };
}

/** A spreadsheet that counts decimals with a comma parts its cells with semicolons. */
function delimiterOf(text: string): string {
  const [head = ""] = text.split(/\r?\n/, 1);
  return head.split(";").length > head.split(",").length ? ";" : ",";
}

/** An SI value as a person would type it. */
function asTyped(key: DimensionKey, value: string, typed: string): string {
  const { kind, family } = unchanging(key);
  if (kind === "choice") return typed.replace(/^'/, "");
  if (kind === "length") return `${value} m`;
  if (kind === "count") return value;
  const [[unit, { factor }]] = Object.entries(FAMILIES[family as Family]) as [[string, { factor: number }]];
  return `${Number((Number(value) / factor).toPrecision(9))} ${unit}`;
}
