import SqliteFile from "better-sqlite3";
import { databaseOver, openDatabase } from "../database.ts";
import type { Database } from "../handle.ts";
import { plantDemoYard } from "./yard.ts";

let planted: Buffer | null = null;

/** A demo yard in memory of one's own: planted once, and copied from then on, since tests want hundreds of them. */
export function plantedYard(): Database {
  planted ??= serialized();
  return databaseOver(new SqliteFile(planted));
}

function serialized(): Buffer {
  const db = openDatabase(":memory:");
  plantDemoYard(db);
  return db.$client.serialize();
}
