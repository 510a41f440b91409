import { mkdirSync } from "node:fs";
import { dirname, resolve } from "node:path";
import SqliteFile from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import type { Database } from "./handle.ts";
import * as schema from "./schema.ts";
import { keepShippedSchemes } from "./schemes.ts";

/** Opens, or creates, a database file and brings it up to date. `:memory:` opens a throw-away one. */
export function openDatabase(path: string): Database {
  if (path !== ":memory:") mkdirSync(dirname(resolve(path)), { recursive: true });
  const file = new SqliteFile(path);
  file.pragma("journal_mode = WAL");
  const database = databaseOver(file);
  migrate(database, { migrationsFolder: resolve("data/migrations") });
  keepShippedSchemes(database);
  return database;
}

/** Drizzle over an open file that is up to date. */
export function databaseOver(file: SqliteFile.Database): Database {
  file.pragma("foreign_keys = ON");
  file.pragma("busy_timeout = 5000");
  // A phone drops its own copy of an entry on the answer: what is answered is on the disk.
  file.pragma("synchronous = FULL");
  return drizzle(file, { schema, casing: "snake_case" });
}

let opened: Database | null = null;

export function databasePath(): string {
  return process.env.AMBREK_DB || "var/ambrek.db";
}

/** The server's one connection, to the file named by AMBREK_DB. */
export function database(): Database {
  opened ??= openDatabase(databasePath());
  return opened;
}

/** Lets go of the file; the next call of `database` opens it again. */
export function closeDatabase(): void {
  opened?.$client.pragma("wal_checkpoint(TRUNCATE)");
  opened?.$client.close();
  opened = null;
}
