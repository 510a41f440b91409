/** Both sides of the hoses as they are kept, what somebody pinned, and how they were plugged in. */
import { and, asc, desc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import type { HoseFunction, Remote } from "../core/yard/circuit.ts";
import type { RigHoses } from "../core/yard/rig-hoses.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { aboutsOf, awaySince, inOrder, isNewest, record, settingChanged, type Told } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { fact, hoseFunction, hosePin, hosePlan, hydraulics, remote, rig } from "./schema/index.ts";

export type Hydraulics = Omit<typeof hydraulics.$inferSelect, "machineId">;
/** In the record: how the hoses of a rig were plugged in. */
const PLUGGED = "hoses";

export type HosePlan = { places: { kind: string; number: number }[]; person: string; at: string };
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
export function setHydraulics(db: Database, machineId: number, told: Partial<Hydraulics>, by: Told): void {
  db.transaction(() => {
    db.insert(hydraulics)
      .values({ machineId, ...NO_HYDRAULICS, ...told })
      .onConflictDoUpdate({ target: hydraulics.machineId, set: { machineId, ...told } })
      .run();
    settingChanged(db, "hoses", { machineId }, by);
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

export function addRemote(db: Database, machineId: number, given: NewRemote, by: Told): number {
  return db.transaction(() => {
    settingChanged(db, "hoses", { machineId }, by);
    return db
      .insert(remote)
      .values({ machineId, ...given })
      .returning()
      .get().id;
  });
}

export function changeRemote(db: Database, id: number, given: NewRemote, by: Told): void {
  db.transaction(() => {
    db.update(remote).set(given).where(eq(remote.id, id)).run();
    settingChanged(db, "hoses", remoteMachine(db, id), by);
  });
}

/** Takes a remote out, or puts it back in; pins on it go. False where another has its number by now. */
export function archiveRemote(db: Database, id: number, away: boolean, by: Told): boolean {
  return db.transaction(() => {
    const known = db.select().from(remote).where(eq(remote.id, id)).get();
    if (!known) return false;
    const same = and(
      eq(remote.machineId, known.machineId),
      eq(remote.number, known.number),
      isNull(remote.archivedAt),
    );
    if (!away && db.select().from(remote).where(same).get()) return false;
    db.update(remote)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(remote.id, id))
      .run();
    db.delete(hosePin).where(eq(hosePin.remoteId, id)).run();
    settingChanged(db, "hoses", { machineId: known.machineId }, by);
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
export function addFunction(db: Database, machineId: number, given: NewFunction, by: Told): number {
  return db.transaction(() => {
    const { last } = db
      .select({ last: sql<number>`coalesce(max(${hoseFunction.position}), 0)` })
      .from(hoseFunction)
      .where(eq(hoseFunction.machineId, machineId))
      .get()!;
    settingChanged(db, "hoses", { machineId }, by);
    return db
      .insert(hoseFunction)
      .values({ machineId, position: last + 1, ...columnsOf(given) })
      .returning()
      .get().id;
  });
}

export function changeFunction(db: Database, id: number, given: NewFunction, by: Told): void {
  db.transaction(() => {
    db.update(hoseFunction).set(columnsOf(given)).where(eq(hoseFunction.id, id)).run();
    settingChanged(db, "hoses", functionMachine(db, id), by);
  });
}

/** Takes a function out, or puts it back in; pins of it go. */
export function archiveFunction(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    db.update(hoseFunction)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(hoseFunction.id, id))
      .run();
    db.delete(hosePin).where(eq(hosePin.functionId, id)).run();
    settingChanged(db, "hoses", functionMachine(db, id), by);
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
export function orderFunctions(db: Database, machineId: number, ids: readonly number[], by: Told): void {
  db.transaction(() => {
    for (const [at, id] of ids.entries())
      db.update(hoseFunction)
        .set({ position: at + 1 })
        .where(and(eq(hoseFunction.id, id), eq(hoseFunction.machineId, machineId)))
        .run();
    settingChanged(db, "hoses", { machineId }, by);
  });
}

/** Wants a function of a rig on a remote, or with null wherever it may go. */
export function pinFunction(
  db: Database,
  rigId: number,
  functionId: number,
  remoteId: number | null,
  by: Told,
): void {
  db.transaction(() => {
    db.delete(hosePin)
      .where(and(eq(hosePin.rigId, rigId), eq(hosePin.functionId, functionId)))
      .run();
    if (remoteId !== null) db.insert(hosePin).values({ rigId, functionId, remoteId }).run();
    settingChanged(db, "hoses", { rigId }, by);
  });
}

export function unpinAll(db: Database, rigId: number, by: Told): void {
  db.transaction(() => {
    db.delete(hosePin).where(eq(hosePin.rigId, rigId)).run();
    settingChanged(db, "hoses", { rigId }, by);
  });
}

/** Keeps how the hoses of a rig are plugged in; what the driver is used to counts for the other rigs of the same machine. */
export function keepPlan(
  db: Database,
  { id: rigId, tractor }: Pick<RigTool, "id" | "tractor">,
  places: HosePlan["places"],
  by: Told,
): void {
  record(db, { kind: PLUGGED, about: { rigId } }, by, (seq) => {
    db.insert(hosePlan).values({ seq, places }).run();
    settingChanged(db, "hoses", { machineId: tractor.id }, by);
  });
}

/** The newest plan kept of each of these rigs, the oldest first. */
export function newestPlans(
  db: Database,
  rigIds: Iterable<number>,
): (HosePlan & { rigId: number; seq: number })[] {
  const query = prepared(db, "newest hose plans", () =>
    db
      .select({
        rigId: fact.rigId,
        person: fact.person,
        at: fact.happened,
        seq: fact.seq,
        places: hosePlan.places,
      })
      .from(fact)
      .innerJoin(hosePlan, eq(hosePlan.seq, fact.seq))
      .where(isNewest(PLUGGED))
      .orderBy(...inOrder)
      .prepare(),
  );
  return query
    .all({ abouts: aboutsOf({ rig: rigIds }) })
    .map(({ rigId, ...plan }) => ({ ...plan, rigId: rigId! }));
}

/** Those of every rig of some tractors. */
function plansOf(
  db: Database,
  tractorIds: readonly number[],
): (HosePlan & { rigId: number; tractorId: number })[] {
  const rows = db
    .select({ id: rig.id, tractorId: rig.tractorId })
    .from(rig)
    .where(inArray(rig.tractorId, [...tractorIds]))
    .all();
  const tractors = new Map(rows.map(({ id, tractorId }) => [id, tractorId]));
  return newestPlans(db, tractors.keys()).map((plan) => ({ ...plan, tractorId: tractors.get(plan.rigId)! }));
}

/** The plan of a rig that was kept last; null where none was. */
export function planOf(db: Database, { id }: Pick<RigTool, "id">): HosePlan | null {
  return newestPlans(db, [id])[0] ?? null;
}

const remoteMachine = (db: Database, id: number) =>
  db.select({ machineId: remote.machineId }).from(remote).where(eq(remote.id, id)).get() ?? {};

const functionMachine = (db: Database, id: number) =>
  db.select({ machineId: hoseFunction.machineId }).from(hoseFunction).where(eq(hoseFunction.id, id)).get() ??
  {};

/** Everything about the hoses of whole rigs, by rig. */
export function hosesOfRigs(
  db: Database,
  rigs: ReadonlyMap<number, readonly RigTool[]>,
): Map<number, RigHoses> {
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
