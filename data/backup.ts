import { existsSync, mkdtempSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import SqliteFile from "better-sqlite3";
import { openDatabase } from "./database.ts";
import type { Database } from "./handle.ts";
import { copiesOf, copyBeside, TAKING } from "./keeping.ts";
import { rebuild, YardRefused } from "./rebuild.ts";
import { diskTroubleOf } from "./trouble.ts";

/**
 * Copies the whole database into a file of its own, in one consistent state, by SQLite's online backup: page by page, while others read and
 * write. Returns the file and what takes it away again.
 */
export async function backupOf(db: Database): Promise<{ path: string; remove: () => void }> {
  const { name, memory } = db.$client;
  // Beside the yard: where it is cut off, the next start finds and clears it.
  const folder = mkdtempSync(memory ? join(tmpdir(), "ambrek-backup-") : `${name}${TAKING}`);
  const path = join(folder, "yard.db");
  const remove = () => rmSync(folder, { recursive: true, force: true });
  try {
    await db.$client.backup(path);
    return { path, remove };
  } catch (error) {
    remove();
    throw error;
  }
}

/** Tables without which a file is no yard. */
const OURS = ["machine", "point", "rig", "coupling", "reading", "scheme"];

/** Why a file cannot be a yard; null where it can. Opens it apart from the running database, read-only. */
export function problemOf(path: string): string | null {
  let file: SqliteFile.Database | null = null;
  try {
    file = new SqliteFile(path, { readonly: true, fileMustExist: true });
    if (file.pragma("integrity_check", { simple: true }) !== "ok") return "The file is damaged.";
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

/** What else a file brought that would run by itself here: it stays out before anything is asked of the file. */
function disarm(path: string): void {
  const file = new SqliteFile(path);
  try {
    file.pragma("trusted_schema = OFF");
    const armed = file
      .prepare("select type, name from sqlite_master where type in ('trigger', 'view')")
      .all() as { type: string; name: string }[];
    for (const { type, name } of armed) file.exec(`drop ${type} "${name.replaceAll('"', '""')}"`);
  } finally {
    file.close();
  }
}

/** A yard that is ready to be put in the place of another. */
export type Rebuilt = { ok: true; file: string } | { ok: false; problem: string };

/**
 * Makes of a backup a yard that may stand at `path`, in a file beside it: brought up to date, its rows in a database of this build's own
 * making, checked row by row, and judged once. It takes seconds and touches nothing that runs; one at a time. Refused, nothing is left.
 */
export function rebuiltFor(path: string, bytes: Uint8Array): Rebuilt {
  const [given, fresh] = [`${path}.restoring`, `${path}.rebuilt`];
  const refuse = (problem: string): Rebuilt => {
    clear(fresh);
    return { ok: false, problem };
  };
  for (const file of [given, fresh]) clear(file);
  try {
    writeFileSync(given, bytes);
    const problem = problemOf(given);
    if (problem) return refuse(problem);
    disarm(given);
    const checked = openDatabase(given, { anew: true });
    const ours = openDatabase(":memory:");
    const known = columnsOf(checked) === columnsOf(ours);
    for (const each of [checked, ours]) each.$client.close();
    if (!known) return refuse(OF_ANOTHER_KIND);
    for (const copy of migrationCopies(given)) rmSync(copy, { force: true });
    rebuild(given, fresh);
    return { ok: true, file: fresh };
  } catch (error) {
    return refuse(error instanceof YardRefused ? error.message : (diskTroubleOf(error) ?? OF_ANOTHER_KIND));
  } finally {
    clear(given);
  }
}

/** Puts a yard that was made ready in the place of the one at `path`; a dated copy of what was there is kept beside it. `close` lets go of what runs. */
export function putInPlace(path: string, fresh: string, close: () => void): void {
  close();
  if (existsSync(path)) copyBeside(path, "before-restore");
  for (const end of ["-wal", "-shm"]) rmSync(path + end, { force: true });
  renameSync(fresh, path);
}

/** Takes a database away, with what lies beside it. */
export function clear(file: string): void {
  for (const end of ["", "-wal", "-shm"]) rmSync(file + end, { force: true });
}

/** What bringing the given file up to date copied: the backup itself is the copy. */
function migrationCopies(given: string): string[] {
  return copiesOf(given).map(({ name }) => join(dirname(given), name));
}
