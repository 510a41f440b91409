/**
 * How SQLite is to plan a query, whatever the yard: a yard that was never analysed counts every table as large as any other, and what is
 * known of one kind of fact is then looked for among all facts there are.
 */
import type SqliteFile from "better-sqlite3";

/** So many facts, as a yard has at most: many times as many as a table not told of here is taken to have rows. */
const FACTS = "10000000";

/**
 * Tells SQLite that facts are many. Only that: of a table that was analysed it looks at the values that are asked for, and plans a query
 * that is kept anew each time.
 */
export function tellPlanner(file: SqliteFile.Database): void {
  if (isTold(file)) return;
  file.exec("analyze sqlite_schema");
  for (const table of tablesOf(file)) file.exec(`delete from ${table}`);
  file.prepare("insert into sqlite_stat1 (tbl, idx, stat) values ('fact', null, ?)").run(FACTS);
  // What is told is read now.
  file.exec("analyze sqlite_schema");
}

function isTold(file: SqliteFile.Database): boolean {
  const tables = tablesOf(file);
  if (!tables.includes("sqlite_stat1")) return false;
  const rows = tables.map((table) => file.prepare(`select * from ${table}`).raw().all() as unknown[][]);
  const [first, ...others] = rows.flat();
  return others.length === 0 && first?.[0] === "fact" && first[2] === FACTS;
}

const tablesOf = (file: SqliteFile.Database) =>
  file.prepare("select name from sqlite_master where name like 'sqlite_stat_'").pluck().all() as string[];
