import { randomUUID } from "node:crypto";
import { and, asc, eq, isNull, or, sql } from "drizzle-orm";
import { type DimensionKey, dimension, type Subject } from "../core/dimension/catalogue.ts";
import type { Instrument } from "../core/rig/grade.ts";
import type { Reading, RigFacts, SectionLayout } from "../core/rig/resolve.ts";
import type { Database } from "./handle.ts";
import type { Rig } from "./rigs.ts";
import { reading, retraction, section, sectionLayout } from "./schema.ts";

type SubjectColumns = { machineId?: number; pointId?: number; couplingId?: number };

/** Whose reading a dimension of this rig is: the mount's, the hole's, the implement's, the coupling's. */
function subjectColumns(subject: Subject, rig: Rig): SubjectColumns {
  switch (subject) {
    case "receiver mount":
      return { pointId: rig.receiver.id };
    case "drawbar hole":
      return { pointId: rig.hole.id };
    case "implement":
      return { machineId: rig.implement.id };
    case "coupling":
      return { couplingId: rig.couplingId };
  }
}

/** What is known of a rig: the newest reading of each dimension that nobody took back. */
export function rigFacts(db: Database, rig: Rig): RigFacts {
  const rows = db
    .select({ row: reading })
    .from(reading)
    .leftJoin(retraction, eq(retraction.readingId, reading.id))
    .where(
      and(
        isNull(retraction.id),
        or(
          eq(reading.pointId, rig.receiver.id),
          eq(reading.pointId, rig.hole.id),
          eq(reading.machineId, rig.implement.id),
          eq(reading.couplingId, rig.couplingId),
        ),
      ),
    )
    .orderBy(sql`${reading}.rowid`)
    .all();
  // In order of recording, so that the newest of each dimension is written last and stays.
  const readings = Object.fromEntries(rows.map(({ row }) => [row.dimension, toReading(row)]));
  return { readings, sections: currentSections(db, rig.implement.id) };
}

function toReading(row: typeof reading.$inferSelect): Reading {
  const { id, dimension: key, value, step, rawText, instrument, person, measuredAt } = row;
  return { id, key, value, step, rawText, instrument, person, measuredAt };
}

function currentSections(db: Database, machineId: number): SectionLayout | null {
  const layouts = db
    .select({ layout: sectionLayout })
    .from(sectionLayout)
    .leftJoin(retraction, eq(retraction.layoutId, sectionLayout.id))
    .where(and(isNull(retraction.id), eq(sectionLayout.machineId, machineId)))
    .orderBy(sql`${sectionLayout}.rowid`)
    .all();
  const newest = layouts.at(-1)?.layout;
  if (!newest) return null;
  const { id, instrument, person, measuredAt } = newest;
  const widths = db
    .select({ width: section.width })
    .from(section)
    .where(eq(section.layoutId, id))
    .orderBy(asc(section.number))
    .all()
    .map(({ width }) => width);
  return { id, widths, instrument, person, measuredAt };
}

type Stamp = { instrument: Instrument; person: string; at: Date };

export type NewReading = Stamp & {
  key: DimensionKey;
  rawText: string;
  value: number;
  step: number;
  reason?: string;
};

/** Appends a reading to the subject the catalogue names; returns its id. */
export function keepReading(db: Database, rig: Rig, { key, at, reason = "", ...rest }: NewReading): string {
  const id = randomUUID();
  const stamp = at.toISOString();
  db.insert(reading)
    .values({
      id,
      dimension: key,
      ...subjectColumns(dimension(key).subject, rig),
      ...rest,
      reason,
      measuredAt: stamp,
      recordedAt: stamp,
    })
    .run();
  return id;
}

/** Appends a section layout, widths in metres from left to right; returns its id. */
export function keepSections(
  db: Database,
  rig: Rig,
  widths: readonly number[],
  { at, ...rest }: Stamp,
): string {
  const id = randomUUID();
  const stamp = at.toISOString();
  db.transaction((tx) => {
    tx.insert(sectionLayout)
      .values({ id, machineId: rig.implement.id, ...rest, measuredAt: stamp, recordedAt: stamp })
      .run();
    tx.insert(section)
      .values(widths.map((width, index) => ({ layoutId: id, number: index + 1, width })))
      .run();
  });
  return id;
}

/**
 * Takes a current reading or layout of this rig back; what stood before it stands again.
 * Returns false where the id is not current on this rig.
 */
export function retract(
  db: Database,
  rig: Rig,
  id: string,
  { person, at }: { person: string; at: Date },
): boolean {
  return db.transaction((tx) => {
    const { readings, sections } = rigFacts(tx as unknown as Database, rig);
    const isReading = Object.values(readings).some((each) => each.id === id);
    if (!isReading && sections?.id !== id) return false;
    tx.insert(retraction)
      .values({
        id: randomUUID(),
        ...(isReading ? { readingId: id } : { layoutId: id }),
        person,
        recordedAt: at.toISOString(),
      })
      .run();
    return true;
  });
}
