import { type SQL, sql } from "drizzle-orm";
import { type CheckBuilder, check, type SQLiteColumn } from "drizzle-orm/sqlite-core";

/** A CHECK that a column holds one of these; where it may be empty, null passes as it does in SQL. */
export function oneOf(name: string, column: SQLiteColumn, values: readonly string[]): CheckBuilder {
  return check(name, sql`${column} in (${list(values)})`);
}

function list(values: readonly string[]): SQL {
  return sql.raw(values.map((each) => `'${each.replaceAll("'", "''")}'`).join(", "));
}

/** A CHECK that at most one of these columns says something. */
export function atMostOne(name: string, columns: readonly SQLiteColumn[]): CheckBuilder {
  return check(
    name,
    sql`${sql.join(
      columns.map((column) => sql`(${column} is not null)`),
      sql` + `,
    )} <= 1`,
  );
}
