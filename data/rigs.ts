import { asc, eq } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Database } from "./handle.ts";
import { coupling, machine, point, rig } from "./schema.ts";

export type Machine = typeof machine.$inferSelect;

/** A tractor with one drawn implement at one of its drawbar holes. */
export type Rig = {
  id: number;
  name: string;
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

export function listRigs(db: Database): Rig[] {
  return rigsQuery(db).orderBy(asc(rig.id)).all();
}

export function findRig(db: Database, id: number): Rig | null {
  return rigsQuery(db).where(eq(rig.id, id)).get() ?? null;
}
