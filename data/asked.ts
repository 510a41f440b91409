/** Readings somebody was asked for. */
import { and, eq } from "drizzle-orm";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { Database } from "./handle.ts";
import { isOfKind, newestFirst, record, standing, type Told } from "./record.ts";
import { askedReading, fact } from "./schema/index.ts";

export const ASKED = "asked-reading";

export type AskedFor = {
  id: string;
  key: DimensionKey;
  couplingId: number;
  note: string;
  person: string;
  at: string;
};

/** Asks for one reading of a tool of a rig; returns the id. */
export function askReading(
  db: Database,
  rigId: number,
  { key, couplingId, note, id }: { key: DimensionKey; couplingId: number; note: string; id?: string },
  told: Told,
): string {
  return record(db, { kind: ASKED, about: { rigId }, topic: key, id }, told, (seq) => {
    db.insert(askedReading).values({ seq, couplingId, note }).run();
  });
}

/** What is asked of a rig and nobody took back, newest first; answered or not. */
export function askedOfRig(db: Database, rigId: number): AskedFor[] {
  return db
    .select({ fact, row: askedReading })
    .from(fact)
    .innerJoin(askedReading, eq(askedReading.seq, fact.seq))
    .where(and(eq(fact.about, `rig ${rigId}`), isOfKind(ASKED), standing()))
    .orderBy(...newestFirst)
    .all()
    .map(({ fact: { id, topic, person, happened }, row }) => ({
      id,
      key: topic as DimensionKey,
      couplingId: row.couplingId,
      note: row.note,
      person,
      at: happened,
    }));
}
