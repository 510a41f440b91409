/** Both sides of the hoses as they are kept, what somebody pinned, and how they were plugged in. */
import { randomUUID } from "node:crypto";
import { and, asc, desc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import type { HoseFunction, Remote } from "../core/yard/circuit.ts";
import type { RigHoses } from "../core/yard/rig-hoses.ts";
import type { Database } from "./handle.ts";
import type { Rig } from "./rigs.ts";
import { hoseFunction, hosePin, hosePlan, hydraulics, remote, rig } from "./schema.ts";
import { settingChanged } from "./settings.ts";

export type Hydraulics = Omit<typeof hydraulics.$inferSelect, "machineId">;
export type NewRemote = Omit<Remote, "id">;
export type NewFunction = Omit<HoseFunction, "id">;

const NO_HYDRAULICS: Hydraulics = {
  pumpFlow: null,
  pressure: null,
  freeReturn: false,
  powerBeyond: false,
  loadSensing: false,
  spareOil: null,
  mainLever: null,
  sockets: [],
};

/** What was told of machines' hydraulics, by machine. */
export function hydraulicsOf(db: Database, machineIds: readonly number[]): Map<number, Hydraulics> {
  const rows = db
    .select()
    .from(hydraulics)
    .where(inArray(hydraulics.machineId, [...machineIds]))
    .all();
  return new Map(rows.map(({ machineId, ...told }) => [machineId, told]));
}

/** Keeps what was told of a machine's hydraulics; what is not given stays as it is. */
export function setHydraulics(db: Database, machineId: number, told: Partial<Hydraulics>): void {
  db.transaction((tx) => {
    tx.insert(hydraulics)
      .values({ machineId, ...NO_HYDRAULICS, ...told })
      .onConflictDoUpdate({ target: hydraulics.machineId, set: { machineId, ...told } })
      .run();
    settingChanged(tx, "hoses");
  });
}

/** A machine's remotes, lowest number first. */
export function remotesOf(db: Database, machineIds: readonly number[]): Map<number, Remote[]> {
  const rows = db
    .select()
    .from(remote)
    .where(and(inArray(remote.machineId, [...machineIds]), isNull(remote.archivedAt)))
    .orderBy(asc(remote.number))
    .all();
  return grouped(rows.map(({ machineId, archivedAt: _, ...each }) => [machineId, each]));
}

export function addRemote(db: Database, machineId: number, given: NewRemote): number {
  return db.transaction((tx) => {
    settingChanged(tx, "hoses");
    return tx
      .insert(remote)
      .values({ machineId, ...given })
      .returning()
      .get().id;
  });
}

export function changeRemote(db: Database, id: number, given: NewRemote): void {
  db.transaction((tx) => {
    tx.update(remote).set(given).where(eq(remote.id, id)).run();
    settingChanged(tx, "hoses");
  });
}

/** Takes a remote out, or with null back in; pins on it go. False where another has its number by now. */
export function archiveRemote(db: Database, id: number, at: Date | null): boolean {
  return db.transaction((tx) => {
    const known = tx.select().from(remote).where(eq(remote.id, id)).get();
    if (!known) return false;
    const same = and(
      eq(remote.machineId, known.machineId),
      eq(remote.number, known.number),
      isNull(remote.archivedAt),
    );
    if (at === null && tx.select().from(remote).where(same).get()) return false;
    tx.update(remote)
      .set({ archivedAt: at?.toISOString() ?? null })
      .where(eq(remote.id, id))
      .run();
    tx.delete(hosePin).where(eq(hosePin.remoteId, id)).run();
    settingChanged(tx, "hoses");
    return true;
  });
}

/** Functions of implements, from the front of each. */
export function functionsOf(db: Database, machineIds: readonly number[]): Map<number, HoseFunction[]> {
  const rows = db
    .select()
    .from(hoseFunction)
    .where(and(inArray(hoseFunction.machineId, [...machineIds]), isNull(hoseFunction.archivedAt)))
    .orderBy(asc(hoseFunction.position), asc(hoseFunction.id))
    .all();
  return grouped(rows.map((row) => [row.machineId, functionFrom(row)]));
}

function functionFrom(row: typeof hoseFunction.$inferSelect): HoseFunction {
  const {
    bore,
    rod,
    stroke,
    cylinders,
    displacement,
    speed,
    caseDrain,
    machineId: _,
    position: __,
    archivedAt: ___,
    ...rest
  } = row;
  return {
    ...rest,
    cylinder:
      bore === null || rod === null || stroke === null || cylinders === null
        ? null
        : { bore, rod, stroke, count: cylinders },
    motor: displacement === null || speed === null ? null : { displacement, speed, caseDrain },
  };
}

function columnsOf({ cylinder, motor, ...rest }: NewFunction) {
  return {
    ...rest,
    bore: cylinder?.bore ?? null,
    rod: cylinder?.rod ?? null,
    stroke: cylinder?.stroke ?? null,
    cylinders: cylinder?.count ?? null,
    displacement: motor?.displacement ?? null,
    speed: motor?.speed ?? null,
    caseDrain: motor?.caseDrain ?? false,
  };
}

/** Adds a function behind the others; the implement's functions are told from then on. */
export function addFunction(db: Database, machineId: number, given: NewFunction): number {
  return db.transaction((tx) => {
    const { last } = tx
      .select({ last: sql<number>`coalesce(max(${hoseFunction.position}), 0)` })
      .from(hoseFunction)
      .where(eq(hoseFunction.machineId, machineId))
      .get()!;
    settingChanged(tx, "hoses");
    return tx
      .insert(hoseFunction)
      .values({ machineId, position: last + 1, ...columnsOf(given) })
      .returning()
      .get().id;
  });
}

export function changeFunction(db: Database, id: number, given: NewFunction): void {
  db.transaction((tx) => {
    tx.update(hoseFunction).set(columnsOf(given)).where(eq(hoseFunction.id, id)).run();
    settingChanged(tx, "hoses");
  });
}

/** Takes a function out, or with null back in; pins of it go. */
export function archiveFunction(db: Database, id: number, at: Date | null): void {
  db.transaction((tx) => {
    tx.update(hoseFunction)
      .set({ archivedAt: at?.toISOString() ?? null })
      .where(eq(hoseFunction.id, id))
      .run();
    tx.delete(hosePin).where(eq(hosePin.functionId, id)).run();
    settingChanged(tx, "hoses");
  });
}

/** What was taken out of a machine last: a remote or a function, by name; null where nothing was. */
export function lastTakenOut(
  db: Database,
  machineId: number,
): { what: "remote" | "function"; id: number; name: string } | null {
  const [lastRemote] = db
    .select()
    .from(remote)
    .where(and(eq(remote.machineId, machineId), isNotNull(remote.archivedAt)))
    .orderBy(desc(remote.archivedAt))
    .limit(1)
    .all();
  const [lastFunction] = db
    .select()
    .from(hoseFunction)
    .where(and(eq(hoseFunction.machineId, machineId), isNotNull(hoseFunction.archivedAt)))
    .orderBy(desc(hoseFunction.archivedAt))
    .limit(1)
    .all();
  if (lastRemote) return { what: "remote", id: lastRemote.id, name: `Remote ${lastRemote.number}` };
  return lastFunction ? { what: "function", id: lastFunction.id, name: lastFunction.name } : null;
}

/** Puts a machine's functions in an order, from its front; ids that are not its own are left out. */
export function orderFunctions(db: Database, machineId: number, ids: readonly number[]): void {
  db.transaction((tx) => {
    for (const [at, id] of ids.entries())
      tx.update(hoseFunction)
        .set({ position: at + 1 })
        .where(and(eq(hoseFunction.id, id), eq(hoseFunction.machineId, machineId)))
        .run();
    settingChanged(tx, "hoses");
  });
}

/** Wants a function of a rig on a remote, or with null wherever it may go. */
export function pinFunction(db: Database, rigId: number, functionId: number, remoteId: number | null): void {
  db.transaction((tx) => {
    tx.delete(hosePin)
      .where(and(eq(hosePin.rigId, rigId), eq(hosePin.functionId, functionId)))
      .run();
    if (remoteId !== null) tx.insert(hosePin).values({ rigId, functionId, remoteId }).run();
    settingChanged(tx, "hoses");
  });
}

export function unpinAll(db: Database, rigId: number): void {
  db.transaction((tx) => {
    tx.delete(hosePin).where(eq(hosePin.rigId, rigId)).run();
    settingChanged(tx, "hoses");
  });
}

export type HosePlan = typeof hosePlan.$inferSelect;

/** Keeps how a rig's hoses are plugged in; the tractor's other rigs are held to it from then on. */
export function keepPlan(
  db: Database,
  rigId: number,
  places: HosePlan["places"],
  { person, at }: { person: string; at: Date },
): void {
  db.transaction((tx) => {
    tx.insert(hosePlan).values({ id: randomUUID(), rigId, places, person, at: at.toISOString() }).run();
    settingChanged(tx, "hoses");
  });
}

/** The newest plan kept of every rig of some tractors, the oldest first. */
function plansOf(db: Database, tractorIds: readonly number[]): (HosePlan & { tractorId: number })[] {
  const rows = db
    .select({ plan: hosePlan, tractorId: rig.tractorId })
    .from(hosePlan)
    .innerJoin(rig, eq(rig.id, hosePlan.rigId))
    .where(inArray(rig.tractorId, [...tractorIds]))
    .orderBy(sql`${hosePlan}.rowid`)
    .all()
    .map(({ plan, tractorId }) => ({ ...plan, tractorId }));
  return [...new Map(rows.map((row) => [row.rigId, row])).values()];
}

/** The plan of a rig that was kept last; null where none was. */
export function planOf(db: Database, { id, tractor }: Pick<Rig, "id" | "tractor">): HosePlan | null {
  return plansOf(db, [tractor.id]).find(({ rigId }) => rigId === id) ?? null;
}

/** Everything about the hoses of whole rigs, by rig. */
export function hosesOfRigs(db: Database, rigs: ReadonlyMap<number, readonly Rig[]>): Map<number, RigHoses> {
  const tractors = [...new Set([...rigs.values()].map(([first]) => first!.tractor.id))];
  const tools = [...new Set([...rigs.values()].flat().map(({ implement }) => implement.id))];
  const told = hydraulicsOf(db, [...tractors, ...tools]);
  const remotes = remotesOf(db, tractors);
  const functions = functionsOf(db, tools);
  const plans = plansOf(db, tractors);
  const pins = db
    .select()
    .from(hosePin)
    .where(inArray(hosePin.rigId, [...rigs.keys()]))
    .all();
  return new Map(
    [...rigs].map(([id, parts]): [number, RigHoses] => {
      const tractor = parts[0]!.tractor.id;
      const supply = told.get(tractor);
      const habits = plans
        .filter(({ rigId, tractorId }) => rigId !== id && tractorId === tractor)
        .flatMap(({ places }) => places.map(({ kind, number }): [string, number] => [kind, number]));
      return [
        id,
        {
          supply:
            supply || remotes.has(tractor)
              ? { ...NO_HYDRAULICS, ...supply, remotes: remotes.get(tractor) ?? [] }
              : null,
          functions: parts.flatMap(({ implement }, part) =>
            (functions.get(implement.id) ?? []).map((fn) => ({ ...fn, part })),
          ),
          pins: new Map(
            pins.flatMap(({ rigId, functionId, remoteId }) =>
              rigId === id ? [[functionId, remoteId] as const] : [],
            ),
          ),
          habits: new Map(habits),
          told: parts.map(({ implement }) => told.has(implement.id) || functions.has(implement.id)),
          sockets: parts.map(({ implement }) => told.get(implement.id)?.sockets ?? []),
        },
      ];
    }),
  );
}

function grouped<T>(rows: readonly (readonly [number, T])[]): Map<number, T[]> {
  const groups = new Map<number, T[]>();
  for (const [key, each] of rows) groups.set(key, [...(groups.get(key) ?? []), each]);
  return groups;
}
