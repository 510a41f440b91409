/** The demo yard as a file of its own, and an empty one: what an empty yard may be looked at with, and what takes its place again. */
import { sql } from "drizzle-orm";
import { openDatabase } from "../database.ts";
import type { Database } from "../handle.ts";
import { fact } from "../schema/index.ts";
import { BY } from "./told.ts";
import { plantDemoYard } from "./yard.ts";

function fileOf(plant: (db: Database) => void): Uint8Array {
  const db = openDatabase(":memory:");
  try {
    plant(db);
    return db.$client.serialize();
  } finally {
    db.$client.close();
  }
}

/** A whole demo yard. */
export const demoFile = () => fileOf(plantDemoYard);
/** A yard with nothing in it. */
export const emptyFile = () => fileOf(() => {});

/** Whether a yard began as the demo: its first word is the demo's, of a person and a minute no other yard begins with. */
export function isDemoYard(db: Database): boolean {
  const first = db.select().from(fact).where(sql`${fact.seq} = (select min(f.seq) from fact f)`).get();
  return first?.person === BEGAN.person && first.happened === BEGAN.at;
}

/** Read off the demo yard itself, once. */
const BEGAN = { person: BY.person, at: BY.at.toISOString() };
