import { and, asc, eq, isNull } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { awaySince, lastSettingOf, settingChanged, type Told } from "./record.ts";
import type { Machine } from "./rigs.ts";
import { machine, point } from "./schema/index.ts";

export type Point = typeof point.$inferSelect;
export type MachineDetails = Pick<Machine, "make" | "model" | "fleetNumber" | "serial" | "busName"> &
  Partial<Pick<Machine, "attachment">>;

const remembered = new WeakMap<Database, { setting: string; machines: readonly Machine[] }>();

/** Machines in use that stand in the yard: not those of the simulated field. Read once for as long as no setting of the yard was changed. */
export function machinesInUse(db: Database): readonly Machine[] {
  const setting = lastSettingOf(db);
  const known = remembered.get(db);
  if (known?.setting === setting) return known.machines;
  const machines = db
    .select()
    .from(machine)
    .where(and(isNull(machine.archivedAt), eq(machine.practice, false)))
    .orderBy(asc(machine.id))
    .all();
  remembered.set(db, { setting, machines });
  return machines;
}

/** The same as a list of one's own. */
export const listMachines = (db: Database): Machine[] => [...machinesInUse(db)];

export function listArchivedMachines(db: Database): Machine[] {
  return db
    .select()
    .from(machine)
    .orderBy(asc(machine.id))
    .all()
    .filter(({ archivedAt }) => archivedAt !== null);
}

/** Every machine there is or was, by its number: what was done with one that is put away is told of still. */
export const everyMachine = (db: Database): ReadonlyMap<number, Machine> =>
  new Map(
    db
      .select()
      .from(machine)
      .all()
      .map((each) => [each.id, each]),
  );

export function findMachine(db: Database, id: number): Machine | null {
  return db.select().from(machine).where(eq(machine.id, id)).get() ?? null;
}

export function listPoints(db: Database): Point[] {
  return db.select().from(point).orderBy(asc(point.id)).all();
}

export function pointsOf(db: Database, machineId: number): Point[] {
  return db.select().from(point).where(eq(point.machineId, machineId)).orderBy(asc(point.id)).all();
}

/** What a new machine has at least; the rest is added where there is more. */
const FIRST_POINTS: Record<Machine["kind"], readonly Pick<Point, "kind" | "label">[]> = {
  tractor: [
    { kind: "receiver mount", label: "cab roof" },
    { kind: "drawbar hole", label: "hole 1" },
    { kind: "rear three-point", label: "rear links" },
    { kind: "rear PTO", label: "rear shaft" },
  ],
  "self-propelled": [
    { kind: "receiver mount", label: "cab roof" },
    { kind: "head mount", label: "feeder house" },
  ],
  implement: [],
};

/** Adds a machine; returns its id. */
export function createMachine(
  db: Database,
  kind: Machine["kind"],
  details: MachineDetails,
  by: Told,
): number {
  return db.transaction(() => {
    const { id } = db
      .insert(machine)
      .values({ kind, ...details })
      .returning()
      .get();
    for (const each of FIRST_POINTS[kind])
      db.insert(point)
        .values({ machineId: id, ...each })
        .run();
    settingChanged(db, "machine added", { machineId: id }, by);
    return id;
  });
}

export function changeMachine(db: Database, id: number, details: MachineDetails, by: Told): void {
  db.transaction(() => {
    db.update(machine).set(details).where(eq(machine.id, id)).run();
    settingChanged(db, "machine", { machineId: id }, by);
  });
}

/** Puts a machine away, or back into use. */
export function archiveMachine(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    db.update(machine)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(machine.id, id))
      .run();
    settingChanged(db, away ? "machine put away" : "machine put back", { machineId: id }, by);
  });
}

/** Another mount or hole; returns its id. */
export function addPoint(
  db: Database,
  machineId: number,
  kind: Point["kind"],
  label: string,
  by: Told,
): number {
  return db.transaction(() => {
    settingChanged(db, "points", { machineId }, by);
    return db.insert(point).values({ machineId, kind, label }).returning().get().id;
  });
}
