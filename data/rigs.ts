import { randomUUID } from "node:crypto";
import { and, asc, eq, isNotNull, isNull, notInArray, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { coupling, machine, point, reading, retraction, rig } from "./schema.ts";

export type Machine = typeof machine.$inferSelect;

/** A tractor with one drawn implement at one of its drawbar holes. */
export type Rig = {
  id: number;
  name: string;
  archivedAt: string | null;
  tractor: Machine;
  implement: Machine;
  couplingId: number;
  receiver: { id: number; label: string };
  hole: { id: number; label: string };
};

const tractor = alias(machine, "tractor");
const implement = alias(machine, "implement");
const receiver = alias(point, "receiver");
const hole = alias(point, "hole");

function rigsQuery(db: Database) {
  return db
    .select({
      id: rig.id,
      name: rig.name,
      archivedAt: rig.archivedAt,
      tractor,
      implement,
      couplingId: coupling.id,
      receiver: { id: receiver.id, label: receiver.label },
      hole: { id: hole.id, label: hole.label },
    })
    .from(rig)
    .innerJoin(tractor, eq(tractor.id, rig.tractorId))
    .innerJoin(receiver, eq(receiver.id, rig.receiverPointId))
    .innerJoin(coupling, eq(coupling.rigId, rig.id))
    .innerJoin(implement, eq(implement.id, coupling.implementId))
    .innerJoin(hole, eq(hole.id, coupling.parentPointId));
}

/** The rigs in use, oldest first. */
export function listRigs(db: Database): Rig[] {
  return listEveryRig(db).filter(({ archivedAt }) => archivedAt === null);
}

/** Those put away as well. */
export function listEveryRig(db: Database): Rig[] {
  return prepared(db, "every rig", () => rigsQuery(db).orderBy(asc(rig.id)).prepare()).all();
}

export function findRig(db: Database, id: number): Rig | null {
  const query = prepared(db, "one rig", () =>
    rigsQuery(db)
      .where(eq(rig.id, sql.placeholder("id")))
      .prepare(),
  );
  return query.get({ id }) ?? null;
}

/** Rigs in use that a machine is part of. */
export function rigsOf(db: Database, machineId: number): Rig[] {
  return rigsQuery(db)
    .where(and(isNull(rig.archivedAt), or(eq(tractor.id, machineId), eq(implement.id, machineId))))
    .orderBy(asc(rig.id))
    .all();
}

export type NewRig = {
  name: string;
  tractorId: number;
  receiverPointId: number;
  holePointId: number;
  implementId: number;
};

/** Couples a tractor's mount and hole with an implement; returns the rig's id. */
export function createRig(
  db: Database,
  { name, tractorId, receiverPointId, holePointId, implementId }: NewRig,
): number {
  return db.transaction((tx) => {
    const { id } = tx.insert(rig).values({ name, tractorId, receiverPointId }).returning().get();
    tx.insert(coupling).values({ rigId: id, parentPointId: holePointId, implementId }).run();
    return id;
  });
}

/**
 * The same machines, mount and hole under another name: readings belong to them, so the copy has them too. What belongs
 * to the coupling alone, such as the overlap, is copied with it and says so.
 */
export function copyRig(db: Database, original: Rig, name: string): number {
  return db.transaction(() => {
    const id = createRig(db, {
      name,
      tractorId: original.tractor.id,
      receiverPointId: original.receiver.id,
      holePointId: original.hole.id,
      implementId: original.implement.id,
    });
    const { couplingId } = findRig(db, id)!;
    const taken = db
      .select({ id: retraction.readingId })
      .from(retraction)
      .where(isNotNull(retraction.readingId));
    const own = db
      .select()
      .from(reading)
      .where(and(eq(reading.couplingId, original.couplingId), notInArray(reading.id, taken)))
      .orderBy(sql`${reading}.rowid`)
      .all();
    for (const row of new Map(own.map((each) => [each.dimension, each])).values()) {
      const copy = randomUUID();
      const note = [`copied from ${original.name}`, row.note].filter(Boolean).join("; ").slice(0, 300);
      db.insert(reading)
        .values({ ...row, id: copy, sitting: copy, couplingId, note })
        .run();
    }
    return id;
  });
}

export function renameRig(db: Database, id: number, name: string): void {
  db.update(rig).set({ name }).where(eq(rig.id, id)).run();
}

/** Puts a rig away, or with null back into use. Nothing of it is lost. */
export function archiveRig(db: Database, id: number, at: Date | null): void {
  db.update(rig)
    .set({ archivedAt: at?.toISOString() ?? null })
    .where(eq(rig.id, id))
    .run();
}
