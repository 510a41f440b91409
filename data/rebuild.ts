/** A yard's rows in a database of this build's own making: nothing of the given file's schema is carried over, and each row is looked at. */
import { toSnakeCase } from "drizzle-orm/casing";
import { getTableConfig, type SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import { judgeWhole } from "../core/subjects/judge-whole.ts";
import { openDatabase } from "./database.ts";
import type { Database } from "./handle.ts";
import { photoType } from "./photo-type.ts";
import { byRig, listEveryTool, type RigTool } from "./rigs.ts";
import * as schema from "./schema/index.ts";
import { wholesOf } from "./whole.ts";

/** Why a yard is not taken, with the row it is about. */
export class YardRefused extends Error {}

const quoted = (name: string) => `"${name}"`;

type Table = { name: string; columns: SQLiteColumn[] };

function tablesOf(): Table[] {
  return Object.values(schema).flatMap((each): Table[] => {
    if (!(each instanceof SQLiteTable)) return [];
    const { name, columns } = getTableConfig(each);
    // What the database makes of the others is not carried over.
    return [{ name, columns: columns.filter(({ generated }) => generated === undefined) }];
  });
}

/** @throws YardRefused with a sentence that names the row; the new file is then left behind, to be removed */
export function rebuild(from: string, to: string): void {
  const db = openDatabase(to, { anew: true });
  const file = db.$client;
  try {
    file.pragma("foreign_keys = OFF");
    file.prepare("attach database ? as given").run(from);
    const tables = tablesOf();
    // Shipped schemes are among the given rows.
    for (const { name } of [...tables].reverse()) file.exec(`delete from ${quoted(name)}`);
    for (const table of tables) checkRows(file, table);
    file.transaction(() => {
      for (const table of tables) copyRows(file, table);
    })();
    file.exec("detach database given");
    const [loose] = file.pragma("foreign_key_check") as { table: string; rowid: number; parent: string }[];
    if (loose) throw refusal(loose.table, loose.rowid, `points to a ${loose.parent} that is not there`);
    file.pragma("foreign_keys = ON");
    checkPhotos(file);
    judgeYard(db);
    file.pragma("wal_checkpoint(TRUNCATE)");
  } finally {
    file.close();
  }
}

const refusal = (table: string, row: number | null, what: string) =>
  new YardRefused(`Its table ${table}${row === null ? "" : `, row ${row},`} ${what}.`);

/** In the order they were written, which is an order of its own where two happened at one time. */
function copyRows(file: Database["$client"], { name, columns }: Table): void {
  const list = columns.map((column) => quoted(toSnakeCase(column.name))).join(", ");
  try {
    file.exec(
      `insert into main.${quoted(name)} (${list}) select ${list} from given.${quoted(name)} order by rowid`,
    );
  } catch (error) {
    throw refusal(name, null, `cannot be taken over: ${(error as Error).message}`);
  }
}

/** What a column may hold, as SQL that is true of a wrong value; empty where anything may stand. */
function wrongIn(column: SQLiteColumn): string {
  const name = quoted(toSnakeCase(column.name));
  const wrong: string[] = [];
  if (column.dataType === "json") wrong.push(`not json_valid(${name})`);
  else if (column.dataType === "number") wrong.push(`typeof(${name}) not in ('integer', 'real')`);
  else if (column.dataType === "string") wrong.push(`typeof(${name}) <> 'text'`);
  if (column.enumValues?.length)
    wrong.push(
      `${name} not in (${column.enumValues.map((each) => `'${each.replaceAll("'", "''")}'`).join(", ")})`,
    );
  return wrong.length === 0 ? "" : `${name} is not null and (${wrong.join(" or ")})`;
}

function checkRows(file: Database["$client"], { name, columns }: Table): void {
  for (const column of columns) {
    const wrong = wrongIn(column);
    if (!wrong) continue;
    const row = file
      .prepare(`select rowid from given.${quoted(name)} where ${wrong} limit 1`)
      .pluck()
      .get();
    if (row !== undefined)
      throw refusal(name, row as number, `has a ${toSnakeCase(column.name)} that cannot be`);
  }
}

function checkPhotos(file: Database["$client"]): void {
  const rows = file.prepare("select rowid as at, type, bytes from photo").iterate() as IterableIterator<{
    at: number;
    type: string;
    bytes: Buffer;
  }>;
  for (const { at, type, bytes } of rows)
    if (photoType(bytes) !== type) throw refusal("photo", at, "is no picture of the kind it says");
}

/** Every rig is read and judged as a page would: what cannot be is found now, not on the first page. */
function judgeYard(db: Database): void {
  const parts = listEveryTool(db);
  // Read at once; where that breaks, rig by rig, to name the one it breaks on.
  let all: ReturnType<typeof wholesOf> | null = null;
  try {
    all = wholesOf(db, parts);
  } catch {
    all = null;
  }
  for (const own of byRig(parts).values()) judgeRig(db, own, all);
}

/** Judges a rig as it stands, from what was `read` of the yard or else of it alone. @throws YardRefused with the rig's name */
export function judgeRig(
  db: Database,
  parts: readonly RigTool[],
  read: ReturnType<typeof wholesOf> | null = null,
): void {
  const [{ id, name }] = parts as [RigTool];
  try {
    judgeWhole((read ?? wholesOf(db, parts)).get(id)!);
  } catch (error) {
    throw new YardRefused(`Its rig “${name}” cannot be read: ${(error as Error).message}.`);
  }
}
