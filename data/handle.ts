import type SqliteFile from "better-sqlite3";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import type * as schema from "./schema/index.ts";

/** An open database: Drizzle over one SQLite file. */
export type Database = BetterSQLite3Database<typeof schema> & { $client: SqliteFile.Database };
