/** Maps of which variety stands where on a field. */
import { and, eq } from "drizzle-orm";
import type { Zone } from "../core/place/zones.ts";
import type { Database } from "./handle.ts";
import { boundaryOf, partsOf } from "./places.ts";
import { newestFirst, record, standing, type Told } from "./record.ts";
import { crop, fact, varietyMap } from "./schema/index.ts";

export const VARIETY_MAP = "variety-map";

export type VarietyMap = {
  /** of the fact */
  id: string;
  person: string;
  at: string;
  crop: { id: number; name: string };
  fileName: string;
  zones: Zone[];
};

/** The maps of a field that stand, the newest of each crop, newest first. */
export function varietyMapsOf(db: Database, fieldId: number): VarietyMap[] {
  const rows = db
    .select({ fact, row: varietyMap, crop })
    .from(fact)
    .innerJoin(varietyMap, eq(varietyMap.seq, fact.seq))
    .innerJoin(crop, eq(crop.id, varietyMap.cropId))
    .where(and(eq(varietyMap.fieldId, fieldId), standing()))
    .orderBy(...newestFirst)
    .all();
  return rows
    .filter(({ crop: { id } }, at) => rows.findIndex((other) => other.crop.id === id) === at)
    .map(({ fact: { id, person, happened }, row, crop: of }) => ({
      id,
      person,
      at: happened,
      crop: { id: of.id, name: of.name },
      fileName: row.fileName,
      zones: row.zones.map(({ variety, parts }) => ({ variety, boundary: boundaryOf(parts) })),
    }));
}

/** Keeps a map of a field; returns the id. */
export function keepVarietyMap(
  db: Database,
  {
    fieldId,
    cropId,
    fileName,
    zones,
  }: { fieldId: number; cropId: number; fileName: string; zones: readonly Zone[] },
  told: Told,
): string {
  return record(db, { kind: VARIETY_MAP, about: {}, topic: String(fieldId) }, told, (seq) => {
    db.insert(varietyMap)
      .values({
        seq,
        fieldId,
        cropId,
        fileName,
        zones: zones.map(({ variety, boundary }) => ({ variety, parts: partsOf(boundary) })),
      })
      .run();
  });
}
