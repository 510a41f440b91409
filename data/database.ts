import { existsSync, mkdirSync, readFileSync } from "node:fs";
import { dirname, resolve } from "node:path";
import SqliteFile from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { databasePath } from "./database-path.ts";
import type { Database } from "./handle.ts";
import { clearLeftovers, copyBeside, identityOf, mayBegin, takeYard, YardProblem } from "./keeping.ts";
import { onDiskOf } from "./on-disk.ts";
import { tellPlanner } from "./planner.ts";
import * as schema from "./schema/index.ts";
import { keepShippedSchemes } from "./schemes.ts";
import { sayingTrouble } from "./trouble.ts";
import { upgrade } from "./upgrade.ts";

const MIGRATIONS = "data/migrations";

/**
 * Opens, or creates, a database file and brings it up to date; a yard that has to be changed for that is copied first. `:memory:` opens a
 * throw-away one. `anew`: a new one is begun whatever lies beside it.
 * @throws YardProblem where a new yard would hide an old one, or the file was written by a newer Ambrek
 */
export function openDatabase(path: string, { anew = false } = {}): Database {
  const inMemory = path === ":memory:";
  if (!inMemory) {
    mkdirSync(dirname(resolve(path)), { recursive: true });
    if (!anew) mayBegin(path);
  }
  const file = sayingTrouble(() => new SqliteFile(path));
  try {
    return sayingTrouble(() => broughtUp(file, path, inMemory));
  } catch (error) {
    // Nobody else would close it.
    file.close();
    throw error;
  }
}

function broughtUp(file: SqliteFile.Database, path: string, inMemory: boolean): Database {
  const version = ownVersion();
  if ((file.pragma("user_version", { simple: true }) as number) > version)
    throw new YardProblem(
      "This yard was written by a newer Ambrek than this one: nothing was changed. Open it with the newer one.",
    );
  file.pragma("journal_mode = WAL");
  if (!inMemory && isBehind(file, version)) {
    file.pragma("wal_checkpoint(TRUNCATE)");
    copyBeside(path, "before-migration");
  }
  // Tables are made anew under their old names, which is not to take with it what points to them.
  file.pragma("foreign_keys = OFF");
  const database = drizzle(file, { schema, casing: "snake_case" });
  migrate(database, { migrationsFolder: resolve(MIGRATIONS) });
  upgrade(database);
  file.pragma(`user_version = ${version}`);
  tellPlanner(file);
  const ready = databaseOver(file);
  keepShippedSchemes(ready);
  return ready;
}

/** The version of the yards this build writes: how many steps its file has come. */
function ownVersion(): number {
  const journal = readFileSync(resolve(MIGRATIONS, "meta/_journal.json"), "utf8");
  return (JSON.parse(journal) as { entries: unknown[] }).entries.length;
}

/** True for a yard of an older build: it has been migrated before, and not as far as this build goes. */
function isBehind(file: SqliteFile.Database, version: number): boolean {
  const known = file.prepare("select 1 from sqlite_master where name = '__drizzle_migrations'").get();
  if (!known) return false;
  const done = file.prepare("select count(*) from __drizzle_migrations").pluck().get() as number;
  return done > 0 && done < version;
}

/** Drizzle over an open file that is up to date. */
export function databaseOver(file: SqliteFile.Database): Database {
  file.pragma("foreign_keys = ON");
  file.pragma("busy_timeout = 5000");
  // KiB of the file each thread keeps at hand: of a large yard a look-up asked the disk's memory a dozen times.
  file.pragma("cache_size = -16000");
  // What was written is on the disk.
  file.pragma("synchronous = FULL");
  const database = drizzle(file, { schema, casing: "snake_case" });
  if (!file.readonly) writeAtOnce(database);
  return database;
}

/**
 * A transaction takes the file for writing as it begins: one that reads first and writes then could find that somebody else wrote
 * between. What the machine does to the file is said in words.
 */
function writeAtOnce(database: Database): void {
  const begin = database.transaction.bind(database);
  database.transaction = ((work: Parameters<typeof begin>[0], config?: Parameters<typeof begin>[1]) =>
    sayingTrouble(() => begin(work, { behavior: "immediate", ...config }))) as typeof begin;
}

type Opened = {
  database: Database;
  path: string;
  identity: string | null;
  /** waits until what was written is on the disk */
  onDisk: () => Promise<void>;
  release: () => void;
};
let opened: Opened | null = null;
/** Which file the thread that writes has open, where this one only reads. */
let stands: string | null = null;

/** True of a thread that answers pages beside the one that writes. */
const onlyReads = () => process.env.AMBREK_READS === "yes";

const GONE =
  "The file of this yard was taken away or replaced while it was open: nothing is written. Stop Ambrek, put the file right, and start it again.";

/**
 * This thread's one connection to the file named by AMBREK_DB, which no other server may have. A thread that only reads opens what the one
 * that writes has open, and again where that was put in its place.
 * @throws a 503 response with a sentence where the file is another's, was taken away, or was put aside for another one
 */
export function database(): Database {
  try {
    if (onlyReads() && opened && opened.identity !== stands) retire();
    opened ??= onlyReads() ? openBeside(databasePath()) : openOwn(databasePath());
    if (identityOf(opened.path) !== opened.identity) throw new YardProblem(GONE);
    return opened.database;
  } catch (error) {
    throw answered(error);
  }
}

/** What goes wrong with the file as an answer with its sentence; any other error as it is. */
const answered = (error: unknown) =>
  error instanceof YardProblem ? new Response(error.message, { status: 503 }) : error;

/** Writes that fail for what the machine does are answered with what is said of it. */
function answering(database: Database): Database {
  const begin = database.transaction;
  database.transaction = ((...given: Parameters<typeof begin>) => {
    try {
      return begin(...given);
    } catch (error) {
      throw answered(error);
    }
  }) as typeof begin;
  return database;
}

/** Which file this thread has open; null where it has none. */
export const openIdentity = (): string | null => opened?.identity ?? null;

/**
 * Waits until all that was written through `database` is on the disk: asked before anything that wrote is answered.
 * @throws a 503 response with a sentence where the disk erred
 */
export async function onDisk(): Promise<void> {
  try {
    await opened?.onDisk();
  } catch (error) {
    throw answered(error);
  }
}

/** Tells a thread that only reads which file is open. */
export function lookAfter(identity: string | null): void {
  stands = identity;
}

/** A second connection to a yard that is open: it sees what was written, and writes nothing. */
function openBeside(path: string): Opened {
  const identity = identityOf(path);
  if (identity !== stands) throw new YardProblem(GONE);
  const file = new SqliteFile(path, { readonly: true, fileMustExist: true });
  return {
    database: databaseOver(file),
    path,
    identity,
    onDisk: () => Promise.resolve(),
    release: () => {},
  };
}

/** What an earlier process left unfinished is cleared once: later on it may be somebody's who is at it. */
let tidied = false;

function openOwn(path: string): Opened {
  mkdirSync(dirname(resolve(path)), { recursive: true });
  const release = takeYard(path);
  try {
    if (!tidied) clearLeftovers(path);
    tidied = true;
    const own = answering(openDatabase(path));
    // Who answers waits for the disk (`onDisk`), and what is written next does not.
    own.$client.pragma("synchronous = NORMAL");
    process.once("exit", release);
    const identity = existsSync(path) ? identityOf(path) : null;
    return { database: own, path, identity, onDisk: onDiskOf(path, own.$client), release };
  } catch (error) {
    release();
    throw error;
  }
}

/** What is being read of a yard that was put aside is read to its end, ms. */
const READ_TO_THE_END = 60_000;

/** Another file stands in its place: who reads this one reads on. */
function retire(): void {
  const { $client } = opened!.database;
  setTimeout(() => $client.close(), READ_TO_THE_END).unref();
  opened = null;
}

/** Lets go of the file; the next call of `database` opens it again. */
export function closeDatabase(): void {
  if (!onlyReads()) opened?.database.$client.pragma("wal_checkpoint(TRUNCATE)");
  opened?.database.$client.close();
  opened?.release();
  if (opened) process.off("exit", opened.release);
  opened = null;
}
