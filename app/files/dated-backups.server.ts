/**
 * A backup a day into a folder, each checked by opening it and judging every rig in it; the older ones kept by rule. How it went stands in a
 * file beside the yard.
 */
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { dirname, join, resolve } from "node:path";
import { setImmediate as breathe } from "node:timers/promises";
import SqliteFile from "better-sqlite3";
import { problemOf } from "../../data/backup.ts";
import { databaseOver } from "../../data/database.ts";
import { databasePath } from "../../data/database-path.ts";
import type { Database } from "../../data/handle.ts";
import { keptDays } from "../../data/kept-days.ts";
import { judgeRig } from "../../data/rebuild.ts";
import { everyRig, listEveryTool } from "../../data/rigs.ts";

export type BackupsKept = {
  folder: string;
  /** the last that was good; null before the first */
  last: { name: string; at: string; bytes: number; rigs: number } | null;
  /** why the last try failed; null where it did not */
  problem: string | null;
  tried: string;
};

const NAME = /^ambrek-(\d{4}-\d\d-\d\d)\.db$/;
const nameOf = (day: string) => `ambrek-${day}.db`;
const stateOf = (path: string) => `${path}.backups`;

/** Where backups go unless somebody named another folder: beside the yard, which helps against a slip and not against a broken disk. */
export const backupsFolder = (path = databasePath()): string =>
  process.env.AMBREK_BACKUPS || join(dirname(resolve(path)), "backups");

/** What is known of the backups of a yard; null before the first try. */
export function backupsKept(path = databasePath()): BackupsKept | null {
  try {
    return JSON.parse(readFileSync(stateOf(path), "utf8")) as BackupsKept;
  } catch {
    return null;
  }
}

/** Makes the backup of the day unless there is one, and deletes what the rule does not keep. */
export async function keepBackup(
  db: Database,
  folder = backupsFolder(),
  now = new Date(),
): Promise<BackupsKept> {
  const path = db.$client.name;
  const day = now.toISOString().slice(0, 10);
  const name = nameOf(day);
  const known = backupsKept(path);
  const before = known?.folder === folder ? known.last : null;
  if (before?.name === name && existsSync(join(folder, name)) && !known?.problem) return known!;
  const tell = (told: Pick<BackupsKept, "last" | "problem">): BackupsKept => {
    const state = { folder, tried: now.toISOString(), ...told };
    writeFileSync(`${stateOf(path)}.part`, JSON.stringify(state));
    renameSync(`${stateOf(path)}.part`, stateOf(path));
    return state;
  };
  const part = join(folder, `${name}.part`);
  try {
    mkdirSync(folder, { recursive: true });
    await db.$client.backup(part);
    const rigs = await judged(part);
    renameSync(part, join(folder, name));
    prune(folder, day);
    const bytes = statSync(join(folder, name)).size;
    return tell({ last: { name, at: now.toISOString(), bytes, rigs }, problem: null });
  } catch (error) {
    return tell({ last: before, problem: (error as Error).message });
  } finally {
    clear(part);
  }
}

/** Takes away what was half done, as far as it can be reached. */
function clear(part: string): void {
  try {
    for (const end of ["", "-wal", "-shm", "-journal"]) rmSync(part + end, { force: true });
  } catch {
    // Where it cannot, it is in the way of the next try, which says so.
  }
}

/** Opens a backup and judges every rig in it, a few at a time; returns how many. @throws where it is no sound yard */
async function judged(path: string): Promise<number> {
  const problem = problemOf(path);
  if (problem) throw new Error(problem);
  const file = new SqliteFile(path);
  try {
    // Alone on its disk it needs no log beside it.
    file.pragma("journal_mode = DELETE");
    const db = databaseOver(file);
    const rigs = [...everyRig(listEveryTool(db)).values()];
    for (const parts of rigs) {
      judgeRig(db, parts);
      await breathe();
    }
    return rigs.length;
  } finally {
    file.close();
  }
}

/** Those of a clock that was ahead are kept by the rule for themselves: they would count as the newest for ever, in the place of each day's. */
function prune(folder: string, today: string): void {
  const days = readdirSync(folder).flatMap((name) => NAME.exec(name)?.[1] ?? []);
  const kept = new Set([
    ...keptDays(days.filter((day) => day <= today)),
    ...keptDays(days.filter((day) => day > today)),
  ]);
  for (const day of days) if (!kept.has(day)) rmSync(join(folder, nameOf(day)));
}
