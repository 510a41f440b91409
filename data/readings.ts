import { randomUUID } from "node:crypto";
import { desc, eq, inArray, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import { type Attachment, hangsOn } from "../core/dimension/attachment.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../core/dimension/change.ts";
import type { ConditionKey } from "../core/dimension/condition.ts";
import type { PointKind } from "../core/dimension/point-kinds.ts";
import type { Reading, SectionPart } from "../core/rig/facts.ts";
import type { Instrument } from "../core/rig/grade.ts";
import { pointIdsOf, readingsOf, subjectColumns } from "./facts.ts";
import type { Database } from "./handle.ts";
import { TAKES_BACK_READING, toReading } from "./live.ts";
import type { Rig } from "./rigs.ts";
import {
  batch,
  change,
  coupling,
  couplingEvent,
  fieldTest,
  hookupTick,
  machine,
  observation,
  photo,
  point,
  proof,
  reading,
  retraction,
  section,
  sectionLayout,
} from "./schema.ts";

type Stamp = { instrument: Instrument; person: string; at: Date; batchId?: string };

export type NewReading = Stamp & {
  key: DimensionKey;
  rawText: string;
  value: number;
  step: number;
  reason?: string;
  /** given by the device that took it, so that sending it twice keeps it once */
  id?: string;
  /** repeats share it; without one the reading stands alone */
  sitting?: string;
  conditions?: ConditionKey[];
  note?: string;
  photo?: { type: "image/jpeg" | "image/png" | "image/webp"; bytes: Buffer } | null;
  measuredAt?: Date;
  /** it was set to another value, not merely read again: what else hangs on that goes stale */
  changed?: { kind: ChangeKind; note: string } | null;
};

/** Appends a reading to the subject the catalogue names; returns its id. An id that is there already is left as it is. */
export function keepReading(db: Database, rig: Rig, given: NewReading): string {
  const {
    key,
    at,
    reason = "",
    id = randomUUID(),
    measuredAt = at,
    photo: picture = null,
    changed = null,
    ...rest
  } = given;
  const recordedAt = at.toISOString();
  const subject = subjectColumns(key, rig);
  if (!subject) throw new RangeError(`${rig.name} has nothing that ${key} could be read of`);
  db.transaction((tx) => {
    if (tx.select({ id: reading.id }).from(reading).where(eq(reading.id, id)).get()) return;
    const photoId = picture ? randomUUID() : null;
    if (picture && photoId)
      tx.insert(photo)
        .values({ id: photoId, ...picture, recordedAt })
        .run();
    tx.insert(reading)
      .values({
        id,
        dimension: key,
        ...subject,
        sitting: id,
        ...rest,
        reason,
        photoId,
        measuredAt: measuredAt.toISOString(),
        recordedAt,
      })
      .run();
    // What was set to another value was changed: what hangs on it goes stale, the reading itself does not. One number for both.
    if (changed)
      tx.insert(change)
        .values({
          id,
          machineId: CHANGES[changed.kind].machine === "tractor" ? rig.tractor.id : rig.implement.id,
          ...changed,
          person: rest.person,
          at: new Date(measuredAt.getTime() - 1).toISOString(),
          recordedAt,
        })
        .run();
  });
  return id;
}

/** Appends a section layout, widths in metres from left to right; returns its id. */
export function keepSections(
  db: Database,
  rig: Rig,
  widths: readonly number[],
  {
    at,
    id = randomUUID(),
    parts = [],
    measuredAt = at,
    ...rest
  }: Stamp & { id?: string; parts?: readonly SectionPart[]; measuredAt?: Date },
): string {
  db.transaction((tx) => {
    if (tx.select({ id: sectionLayout.id }).from(sectionLayout).where(eq(sectionLayout.id, id)).get()) return;
    tx.insert(sectionLayout)
      .values({
        id,
        machineId: rig.implement.id,
        variantId: rig.variant?.id ?? null,
        ...rest,
        measuredAt: measuredAt.toISOString(),
        recordedAt: at.toISOString(),
      })
      .run();
    tx.insert(section)
      .values(widths.map((width, index) => ({ layoutId: id, number: index + 1, width, ...parts[index] })))
      .run();
  });
  return id;
}

type Column =
  | "readingId"
  | "layoutId"
  | "batchId"
  | "changeId"
  | "proofId"
  | "tickId"
  | "eventId"
  | "observationId"
  | "testId";

/**
 * Takes a reading, a layout, an import, a change or a proof back; what stood before stands again.
 * Returns false where there is no such thing on this rig, or it was taken back already.
 */
export function retract(
  db: Database,
  rig: Rig,
  id: string,
  { person, at }: { person: string; at: Date },
): boolean {
  return db.transaction((tx) => {
    const column = columnOf(tx as unknown as Database, rig, id);
    if (!column) return false;
    if (tx.select().from(retraction).where(eq(retraction[column], id)).get()) return false;
    tx.insert(retraction)
      .values({ id: randomUUID(), [column]: id, person, recordedAt: at.toISOString() })
      .run();
    // A change that was kept with a reading, under its number, goes with it.
    if (column === "readingId" && tx.select().from(change).where(eq(change.id, id)).get())
      tx.insert(retraction)
        .values({ id: randomUUID(), changeId: id, person, recordedAt: at.toISOString() })
        .run();
    return true;
  });
}

function columnOf(db: Database, rig: Rig, id: string): Column | null {
  const known = db.select().from(reading).where(eq(reading.id, id)).get();
  if (known) {
    const mine = subjectColumns(known.dimension, rig) ?? { pointId: -1 };
    const same = (Object.entries(mine) as [keyof typeof mine, number][]).every(
      ([column, value]) => known[column] === value,
    );
    return same ? "readingId" : null;
  }
  const layout = db.select().from(sectionLayout).where(eq(sectionLayout.id, id)).get();
  if (layout) return layout.machineId === rig.implement.id ? "layoutId" : null;
  const changed = db.select().from(change).where(eq(change.id, id)).get();
  if (changed) return [rig.tractor.id, rig.implement.id].includes(changed.machineId) ? "changeId" : null;
  const proved = db.select().from(proof).where(eq(proof.id, id)).get();
  if (proved) return proved.rigId === rig.id ? "proofId" : null;
  const ticked = db.select().from(hookupTick).where(eq(hookupTick.id, id)).get();
  if (ticked) return ticked.rigId === rig.id ? "tickId" : null;
  const event = db.select().from(couplingEvent).where(eq(couplingEvent.id, id)).get();
  if (event) return event.rigId === rig.id ? "eventId" : null;
  return columnInTests(db, rig, id);
}

/** What is taken back of a field test: all that was accepted at once, one observation, the whole job. */
function columnInTests(db: Database, rig: Rig, id: string): Column | null {
  const accepted = db.select().from(proof).where(eq(proof.batchId, id)).get();
  if (accepted) return accepted.rigId === rig.id ? "batchId" : null;
  const test = db.select().from(fieldTest).where(eq(fieldTest.id, id)).get();
  if (test) return test.rigId === rig.id ? "testId" : null;
  const measured = db
    .select({ rigId: fieldTest.rigId })
    .from(observation)
    .innerJoin(fieldTest, eq(fieldTest.id, observation.testId))
    .where(eq(observation.id, id))
    .get();
  return measured?.rigId === rig.id ? "observationId" : null;
}

/** Takes an import back as one. Returns false where it was never taken over, or was taken back already. */
export function retractBatch(
  db: Database,
  id: string,
  { person, at }: { person: string; at: Date },
): boolean {
  return db.transaction((tx) => {
    const known = tx.select().from(batch).where(eq(batch.id, id)).get();
    if (known?.state !== "taken") return false;
    if (tx.select().from(retraction).where(eq(retraction.batchId, id)).get()) return false;
    tx.insert(retraction)
      .values({ id: randomUUID(), batchId: id, person, recordedAt: at.toISOString() })
      .run();
    return true;
  });
}

export type PastReading = Reading & {
  reason: string;
  /** who took it back and when; null while it stands */
  takenBack: { person: string; at: string } | null;
  /** the file it came in */
  fromFile: string | null;
};

/** Every reading of one dimension of a rig, newest first, those taken back as well. */
export function historyOf(db: Database, rig: Rig, key: DimensionKey): PastReading[] {
  return db
    .select({ row: reading, taken: retraction, from: batch })
    .from(reading)
    .leftJoin(batch, eq(batch.id, reading.batchId))
    .leftJoin(retraction, TAKES_BACK_READING)
    .where(readingsOf(rig, key))
    .orderBy(desc(sql`${reading}.rowid`))
    .all()
    .map(({ row, taken, from }) => ({
      ...toReading(row),
      reason: row.reason,
      takenBack: taken && { person: taken.person, at: taken.recordedAt },
      fromFile: from?.fileName ?? null,
    }));
}

export function findPhoto(db: Database, id: string): { type: string; bytes: Buffer } | null {
  return (
    db.select({ type: photo.type, bytes: photo.bytes }).from(photo).where(eq(photo.id, id)).get() ?? null
  );
}

export type ListedReading = Reading & {
  /** in whose words it is written down */ attachment: Attachment;
  machine: string;
  point: string;
  takenBack: boolean;
};

/** Every reading in the yard, not of practice rigs, or of one rig's machines, oldest first, those taken back as well. */
export function listReadings(db: Database, rig: Rig | null): ListedReading[] {
  const implement = alias(machine, "implement");
  const holder = alias(machine, "holder");
  const mine = rig
    ? or(
        inArray(reading.machineId, [rig.tractor.id, rig.implement.id]),
        inArray(reading.pointId, pointIdsOf(rig)),
        eq(reading.couplingId, rig.couplingId),
      )
    : sql`coalesce(${machine.practice}, ${holder.practice}, ${implement.practice}) = 0`;
  const rows = db
    .select({ row: reading, machine, point, holder, implement, taken: retraction.id })
    .from(reading)
    .leftJoin(machine, eq(machine.id, reading.machineId))
    .leftJoin(point, eq(point.id, reading.pointId))
    .leftJoin(holder, eq(holder.id, point.machineId))
    .leftJoin(coupling, eq(coupling.id, reading.couplingId))
    .leftJoin(implement, eq(implement.id, coupling.implementId))
    .leftJoin(retraction, TAKES_BACK_READING)
    .where(mine)
    .orderBy(sql`${reading}.rowid`)
    .all();
  const own = wordsOfSelfPropelled(db);
  return rows.map(({ row, taken, ...of }) => ({
    ...toReading(row),
    machine: nameOf(of.machine ?? of.holder ?? of.implement),
    point: of.point?.label ?? (of.implement ? "coupling" : ""),
    attachment: wordsOf(of, own),
    takenBack: taken !== null,
  }));
}

/** In whose words a reading is written down: its tool's, those of what hangs on its point, or a drawn tool's for a tractor itself. */
function wordsOf(
  of: {
    machine: { id: number; kind: string; attachment: Attachment } | null;
    point: { kind: PointKind } | null;
    implement: { attachment: Attachment } | null;
  },
  selfPropelled: ReadonlyMap<number, Attachment>,
): Attachment {
  if (of.implement) return of.implement.attachment;
  if (of.machine?.kind === "implement") return of.machine.attachment;
  const { machine, point } = of;
  return (
    (machine && selfPropelled.get(machine.id)) ?? (point && hangsOn(point.kind)) ?? ("drawn" as Attachment)
  );
}

/** What each machine that drives itself carries: what is coupled to it, or would hang on its own points. */
function wordsOfSelfPropelled(db: Database): Map<number, Attachment> {
  const implement = alias(machine, "implement");
  const rows = db
    .select({ id: point.machineId, kind: point.kind, coupled: implement.attachment })
    .from(point)
    .innerJoin(machine, eq(machine.id, point.machineId))
    .leftJoin(coupling, eq(coupling.parentPointId, point.id))
    .leftJoin(implement, eq(implement.id, coupling.implementId))
    .where(eq(machine.kind, "self-propelled"))
    .orderBy(sql`${coupling.id} is null`, point.id)
    .all();
  const found = new Map<number, Attachment>();
  for (const { id, kind, coupled } of rows) {
    const carried = coupled ?? hangsOn(kind);
    if (carried && !found.has(id)) found.set(id, carried);
  }
  return found;
}

function nameOf(of: { make: string; model: string; fleetNumber: string } | null): string {
  return of ? [of.fleetNumber, of.make, of.model].filter(Boolean).join(" ") : "";
}
