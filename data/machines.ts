import { asc, eq, isNull } from "drizzle-orm";
import type { Database } from "./handle.ts";
import type { Machine } from "./rigs.ts";
import { machine, point } from "./schema.ts";

export type Point = typeof point.$inferSelect;
export type MachineDetails = Pick<Machine, "make" | "model" | "fleetNumber" | "serial" | "busName">;

/** Machines in use, by kind. */
export function listMachines(db: Database): Machine[] {
  return db.select().from(machine).where(isNull(machine.archivedAt)).orderBy(asc(machine.id)).all();
}

export function listArchivedMachines(db: Database): Machine[] {
  return db
    .select()
    .from(machine)
    .orderBy(asc(machine.id))
    .all()
    .filter(({ archivedAt }) => archivedAt !== null);
}

export function findMachine(db: Database, id: number): Machine | null {
  return db.select().from(machine).where(eq(machine.id, id)).get() ?? null;
}

export function listPoints(db: Database): Point[] {
  return db.select().from(point).orderBy(asc(point.id)).all();
}

export function pointsOf(db: Database, machineId: number): Point[] {
  return db.select().from(point).where(eq(point.machineId, machineId)).orderBy(asc(point.id)).all();
}

/** A tractor has at least one receiver mount and one drawbar hole. */
const FIRST_POINTS = [
  { kind: "receiver mount", label: "cab roof" },
  { kind: "drawbar hole", label: "hole 1" },
] as const;

/** Adds a machine; returns its id. */
export function createMachine(db: Database, kind: Machine["kind"], details: MachineDetails): number {
  return db.transaction((tx) => {
    const { id } = tx
      .insert(machine)
      .values({ kind, ...details })
      .returning()
      .get();
    if (kind === "tractor")
      tx.insert(point)
        .values(FIRST_POINTS.map((each) => ({ machineId: id, ...each })))
        .run();
    return id;
  });
}

export function changeMachine(db: Database, id: number, details: MachineDetails): void {
  db.update(machine).set(details).where(eq(machine.id, id)).run();
}

/** Puts a machine away, or with null back into use. */
export function archiveMachine(db: Database, id: number, at: Date | null): void {
  db.update(machine)
    .set({ archivedAt: at?.toISOString() ?? null })
    .where(eq(machine.id, id))
    .run();
}

/** Another mount or hole; returns its id. */
export function addPoint(db: Database, machineId: number, kind: Point["kind"], label: string): number {
  return db.insert(point).values({ machineId, kind, label }).returning().get().id;
}
