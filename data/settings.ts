/** What a yard has besides readings: weights, tyres, and the limits of its roads. */
import { randomUUID } from "node:crypto";
import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { RoadLimits } from "../core/yard/road.ts";
import type { TyreTable } from "../core/yard/tyres.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { axleTyre, roadLimits, settingChange, tyre, tyreCell, weight, weightFitted } from "./schema.ts";

export type StockedWeight = typeof weight.$inferSelect;
export type Axle = (typeof axleTyre.$inferSelect)["axle"];
export type Tyre = { id: number; label: string; source: string } & TyreTable;
export type AxleTyre = { machineId: number; axle: Axle; count: number; tyre: Tyre };

/** Notes that a setting of the yard was changed: every rig is judged again. */
export function settingChanged(db: Pick<Database, "insert">, what: string): void {
  db.insert(settingChange).values({ id: randomUUID(), what, at: new Date().toISOString() }).run();
}

const NO_LIMITS: RoadLimits = { country: "", width: null, height: null, speed: null, unbraked: null };

export function roadLimitsOf(db: Database): RoadLimits {
  const row = prepared(db, "road limits", () => db.select().from(roadLimits).prepare()).get();
  return row ?? NO_LIMITS;
}

export function setRoadLimits(db: Database, limits: RoadLimits): void {
  db.transaction(() => {
    db.insert(roadLimits)
      .values({ id: 1, ...limits })
      .onConflictDoUpdate({ target: roadLimits.id, set: limits })
      .run();
    settingChanged(db, "road limits");
  });
}

/** Weights of a machine that are in use. */
export function weightsOf(db: Database, machineId: number): StockedWeight[] {
  return db
    .select()
    .from(weight)
    .where(and(eq(weight.machineId, machineId), isNull(weight.archivedAt)))
    .orderBy(asc(weight.id))
    .all();
}

export function addWeight(db: Database, given: Omit<StockedWeight, "id" | "archivedAt">): number {
  return db.transaction(() => {
    settingChanged(db, "weights");
    return db.insert(weight).values(given).returning().get().id;
  });
}

/** Takes a weight out of the stock, or with null back into it. */
export function archiveWeight(db: Database, id: number, at: Date | null): void {
  db.transaction(() => {
    db.update(weight)
      .set({ archivedAt: at?.toISOString() ?? null })
      .where(eq(weight.id, id))
      .run();
    settingChanged(db, "weights");
  });
}

/** How many of each weight are on for each rig: rig id, then weight id. */
export function fittedOf(db: Database, rigIds: readonly number[]): Map<number, Map<number, number>> {
  const found = new Map<number, Map<number, number>>();
  const rows = db
    .select()
    .from(weightFitted)
    .where(inArray(weightFitted.rigId, [...rigIds]))
    .orderBy(sql`${weightFitted}.rowid`)
    .all();
  for (const { rigId, weightId, count } of rows) {
    const own = found.get(rigId) ?? new Map<number, number>();
    own.set(weightId, count);
    found.set(rigId, own);
  }
  return found;
}

export function fitWeights(
  db: Database,
  rigId: number,
  counts: ReadonlyMap<number, number>,
  { person, at }: { person: string; at: Date },
): void {
  db.transaction((tx) => {
    for (const [weightId, count] of counts)
      tx.insert(weightFitted)
        .values({ id: randomUUID(), rigId, weightId, count, person, at: at.toISOString() })
        .run();
  });
}

/** Every tyre table of the yard. */
export function listTyres(db: Database): Tyre[] {
  return withCells(
    prepared(db, "tyres", () => db.select().from(tyre).orderBy(asc(tyre.id)).prepare()).all(),
    prepared(db, "tyre cells", () => db.select().from(tyreCell).prepare()).all(),
  );
}

function withCells(
  tyres: readonly (typeof tyre.$inferSelect)[],
  cells: readonly (typeof tyreCell.$inferSelect)[],
): Tyre[] {
  const byTyre = new Map(tyres.map(({ id }): [number, (typeof cells)[number][]] => [id, []]));
  for (const cell of cells) byTyre.get(cell.tyreId)?.push(cell);
  return tyres.map((row) => ({ ...row, cells: byTyre.get(row.id)! }));
}

export function addTyre(db: Database, { label, source, cells }: Omit<Tyre, "id">): number {
  return db.transaction((tx) => {
    const { id } = tx.insert(tyre).values({ label, source }).returning().get();
    if (cells.length > 0)
      tx.insert(tyreCell)
        .values(cells.map(({ speed, pressure, load }) => ({ tyreId: id, speed, pressure, load })))
        .run();
    settingChanged(db, "tyres");
    return id;
  });
}

/** Writes a tyre's table anew, whole. */
export function changeTyre(db: Database, id: number, { label, source, cells }: Omit<Tyre, "id">): void {
  db.transaction((tx) => {
    tx.update(tyre).set({ label, source }).where(eq(tyre.id, id)).run();
    tx.delete(tyreCell).where(eq(tyreCell.tyreId, id)).run();
    if (cells.length > 0)
      tx.insert(tyreCell)
        .values(cells.map(({ speed, pressure, load }) => ({ tyreId: id, speed, pressure, load })))
        .run();
    settingChanged(db, "tyres");
  });
}

/** Which tyres these machines run on. */
export function axleTyresOf(db: Database, machineIds: readonly number[]): AxleTyre[] {
  const fitted = db
    .select()
    .from(axleTyre)
    .where(inArray(axleTyre.machineId, [...machineIds]))
    .all();
  const ids = [...new Set(fitted.map(({ tyreId }) => tyreId))];
  const found = withCells(
    db.select().from(tyre).where(inArray(tyre.id, ids)).all(),
    db.select().from(tyreCell).where(inArray(tyreCell.tyreId, ids)).all(),
  );
  const tyres = new Map(found.map((each) => [each.id, each]));
  return fitted.map(({ machineId, axle, count, tyreId }) => ({
    machineId,
    axle,
    count,
    tyre: tyres.get(tyreId)!,
  }));
}

/** Puts a tyre on an axle, `count` of them; with null takes what was told about it away. */
export function setAxleTyre(
  db: Database,
  { machineId, axle }: { machineId: number; axle: Axle },
  fitted: { tyreId: number; count: number } | null,
): void {
  db.transaction((tx) => {
    tx.delete(axleTyre)
      .where(and(eq(axleTyre.machineId, machineId), eq(axleTyre.axle, axle)))
      .run();
    if (fitted)
      tx.insert(axleTyre)
        .values({ machineId, axle, ...fitted })
        .run();
    settingChanged(db, "tyres");
  });
}
