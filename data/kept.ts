/** What a device sends twice is kept once: by the number it gave the entry. */
import { eq } from "drizzle-orm";
import type { Database } from "./handle.ts";
import {
  change,
  couplingEvent,
  hookupTick,
  observation,
  reading,
  runEvent,
  sectionLayout,
} from "./schema.ts";

const TABLES = {
  reading,
  layout: sectionLayout,
  tick: hookupTick,
  event: couplingEvent,
  run: runEvent,
  observation,
  change,
};
export type KeptKind = keyof typeof TABLES;

/** True where an entry of this kind with this number was kept before. */
export function wasKept(db: Database, kind: KeptKind, id: string): boolean {
  const table = TABLES[kind];
  return db.select({ id: table.id }).from(table).where(eq(table.id, id)).get() !== undefined;
}
