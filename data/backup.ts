import { copyFileSync, existsSync, renameSync, rmSync, writeFileSync } from "node:fs";
import SqliteFile from "better-sqlite3";
import { openDatabase } from "./database.ts";
import type { Database } from "./handle.ts";

/** The whole database as the bytes of one SQLite file, in one consistent state. */
export function backupOf(db: Database): Buffer {
  return db.$client.serialize();
}

/** Tables without which a file is no yard. */
const OURS = ["machine", "point", "rig", "coupling", "reading", "retraction", "scheme"];

/** Why a file cannot be a yard; null where it can. Opens it apart from the running database, read-only. */
function problemOf(path: string): string | null {
  let file: SqliteFile.Database | null = null;
  try {
    file = new SqliteFile(path, { readonly: true, fileMustExist: true });
    if (file.pragma("integrity_check", { simple: true }) !== "ok") return "The file is damaged.";
    if ((file.pragma("foreign_key_check") as unknown[]).length > 0)
      return "The file is damaged: records point nowhere.";
    const tables = file
      .prepare("select name from sqlite_master where type = 'table'")
      .pluck()
      .all() as string[];
    const missing = OURS.filter((name) => !tables.includes(name));
    return missing.length > 0 ? "That is a database, but no yard of Ambrek's." : null;
  } catch {
    return "That is no SQLite database.";
  } finally {
    file?.close();
  }
}

const OF_ANOTHER_KIND = "The file is a yard of a newer Ambrek, or was changed by hand.";

/** Every column of every table, to be held against those this Ambrek knows. */
function columnsOf({ $client }: Database): string {
  const tables =
    "select name from sqlite_master where type = 'table' and name not like 'sqlite_%' order by name";
  return ($client.prepare(tables).pluck().all() as string[])
    .map((table) => {
      const columns = $client.prepare("select name from pragma_table_info(?)").pluck().all(table) as string[];
      return `${table}: ${columns.sort().join(" ")}`;
    })
    .join("\n");
}

/**
 * Puts a backup in the place of the database file at `path`, brought up to date; the file that was there is kept
 * beside it. `close` lets go of the running database. Returns why it was refused, or null; refused, nothing changes.
 */
export function restoreFile(path: string, bytes: Uint8Array, close: () => void): string | null {
  const fresh = `${path}.restoring`;
  const clear = () => {
    for (const end of ["", "-wal", "-shm"]) rmSync(fresh + end, { force: true });
  };
  clear();
  try {
    writeFileSync(fresh, bytes);
    const problem = problemOf(fresh);
    if (problem) return problem;
    try {
      const checked = openDatabase(fresh);
      const ours = openDatabase(":memory:");
      const known = columnsOf(checked) === columnsOf(ours);
      ours.$client.close();
      checked.$client.pragma("wal_checkpoint(TRUNCATE)");
      checked.$client.close();
      if (!known) return OF_ANOTHER_KIND;
    } catch {
      return OF_ANOTHER_KIND;
    }
    close();
    if (existsSync(path)) copyFileSync(path, `${path}.before-restore`);
    for (const end of ["-wal", "-shm"]) rmSync(path + end, { force: true });
    renameSync(fresh, path);
    return null;
  } finally {
    clear();
  }
}
