import type { Database } from "./handle.ts";

const statements = new WeakMap<object, Map<string, unknown>>();

/**
 * A query built once for each open database and kept: building one takes longer than running it, and a page runs the
 * same few every time. The first of a list is asked for by `get` alone: a limit is bound as a value, by which SQLite plans the query anew
 * each time it is asked.
 */
export function prepared<Query>(db: Database, name: string, build: () => Query): Query {
  const own = statements.get(db) ?? new Map<string, unknown>();
  statements.set(db, own);
  if (!own.has(name)) own.set(name, build());
  return own.get(name) as Query;
}

/** Values for a placeholder that a query reads with json_each: a prepared query has no lists. */
export function listed(values: Iterable<number | string>): string {
  return JSON.stringify([...new Set(values)]);
}
