import { type SQL, sql } from "drizzle-orm";
import type { SQLiteColumn } from "drizzle-orm/sqlite-core";
import type { Database } from "./handle.ts";

const statements = new WeakMap<object, Map<string, unknown>>();

/**
 * A query built once for each open database and kept: building one takes longer than running it, and a page runs the
 * same few every time.
 */
export function prepared<Query>(db: Database, name: string, build: () => Query): Query {
  const own = statements.get(db) ?? new Map<string, unknown>();
  statements.set(db, own);
  if (!own.has(name)) own.set(name, build());
  return own.get(name) as Query;
}

/** True for the values of a list of any length, given as JSON under this name: a prepared query has no lists. */
export function among(column: SQLiteColumn | SQL, name: string): SQL {
  return sql`${column} in (select value from json_each(${sql.placeholder(name)}))`;
}

export function listed(values: Iterable<number | string>): string {
  return JSON.stringify([...new Set(values)]);
}
