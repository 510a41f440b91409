/** What a yard has besides readings: weights, tyres, and the limits of its roads. */
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import { sameName } from "../core/place/given.ts";
import { SOIL_KEYS, SOIL_STATES, type SoilLimits, type SoilState } from "../core/trade/pressed.ts";
import type { RoadLimits } from "../core/yard/road.ts";
import type { TyreTable } from "../core/yard/tyres.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { aboutsOf, awaySince, isNewest, record, settingChanged, type Told } from "./record.ts";
import {
  axleTyre,
  fact,
  roadLimits,
  soilLimit,
  tyre,
  tyreCell,
  weight,
  weightFitted,
} from "./schema/index.ts";

export type StockedWeight = typeof weight.$inferSelect;
export type Axle = (typeof axleTyre.$inferSelect)["axle"];
export type Tyre = { id: number; label: string; source: string } & TyreTable;
export type AxleTyre = { machineId: number; axle: Axle; count: number; tyre: Tyre };

const NO_LIMITS: RoadLimits = { country: "", width: null, height: null, speed: null, unbraked: null };

export function roadLimitsOf(db: Database): RoadLimits {
  const row = prepared(db, "road limits", () => db.select().from(roadLimits).prepare()).get();
  return row ?? NO_LIMITS;
}

export function setRoadLimits(db: Database, limits: RoadLimits, by: Told): void {
  db.transaction(() => {
    db.insert(roadLimits)
      .values({ id: 1, ...limits })
      .onConflictDoUpdate({ target: roadLimits.id, set: limits })
      .run();
    settingChanged(db, "road limits", {}, by);
  });
}

/** How deep soil may be pressed: ours where nobody here said otherwise. */
export function soilLimitsOf(db: Database): SoilLimits {
  const own = new Map(
    db
      .select()
      .from(soilLimit)
      .all()
      .map(({ state, depth }) => [state, depth]),
  );
  const of = (state: SoilState) => ({
    depth: own.get(state) ?? SOIL_STATES[state].limit,
    told: own.has(state),
  });
  return { wet: of("wet"), moist: of("moist"), dry: of("dry") };
}

/** Tells them otherwise; null: ours again. No rig is judged by them: the day's soil is told where it is asked. */
export function setSoilLimits(
  db: Database,
  limits: Readonly<Record<SoilState, number | null>>,
  by: Told,
): void {
  db.transaction(() => {
    record(db, { kind: "soil-told", about: {}, topic: "limits" }, by);
    for (const state of SOIL_KEYS) {
      const depth = limits[state];
      if (depth === null) db.delete(soilLimit).where(eq(soilLimit.state, state)).run();
      else
        db.insert(soilLimit)
          .values({ state, depth })
          .onConflictDoUpdate({ target: soilLimit.state, set: { depth } })
          .run();
    }
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

export function addWeight(db: Database, given: Omit<StockedWeight, "id" | "archivedAt">, by: Told): number {
  return db.transaction(() => {
    settingChanged(db, "weights", { machineId: given.machineId }, by);
    return db.insert(weight).values(given).returning().get().id;
  });
}

/** Takes a weight out of the stock, or puts it back into it. */
export function archiveWeight(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    const { machineId } = db
      .update(weight)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(weight.id, id))
      .returning()
      .get();
    settingChanged(db, "weights", { machineId }, by);
  });
}

const FITTED = "weights";

/** How many of each weight are on for each rig: rig id, then weight id. */
export function fittedOf(db: Database, rigIds: readonly number[]): Map<number, Map<number, number>> {
  const query = prepared(db, "weights fitted", () =>
    db
      .select({ rigId: fact.rigId, weightId: weightFitted.weightId, count: weightFitted.count })
      .from(fact)
      .innerJoin(weightFitted, eq(weightFitted.seq, fact.seq))
      .where(isNewest(FITTED))
      .prepare(),
  );
  const found = new Map<number, Map<number, number>>();
  for (const { rigId, weightId, count } of query.all({ abouts: aboutsOf({ rig: rigIds }) })) {
    const own = found.get(rigId!) ?? new Map<number, number>();
    found.set(rigId!, own.set(weightId, count));
  }
  return found;
}

export function fitWeights(
  db: Database,
  rigId: number,
  counts: ReadonlyMap<number, number>,
  told: Told,
): void {
  db.transaction(() => {
    for (const [weightId, count] of counts)
      record(db, { kind: FITTED, about: { rigId }, topic: String(weightId) }, told, (seq) =>
        db.insert(weightFitted).values({ seq, weightId, count }).run(),
      );
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

/** A tyre table by its name, however it is written large or small; null where there is none. */
export function tyreCalled(db: Database, label: string): Tyre | null {
  return listTyres(db).find((each) => sameName(each.label, label)) ?? null;
}

/** Whether two tables say the same. */
export function isSameTable(a: Omit<Tyre, "id">, b: Omit<Tyre, "id">): boolean {
  const rows = ({ cells }: Omit<Tyre, "id">) =>
    cells
      .map(({ speed, pressure, load }) => `${speed} ${pressure} ${load}`)
      .sort()
      .join("; ");
  return a.source === b.source && rows(a) === rows(b);
}

export function addTyre(db: Database, { label, source, cells }: Omit<Tyre, "id">, by: Told): number {
  return db.transaction((tx) => {
    const { id } = tx.insert(tyre).values({ label, source }).returning().get();
    if (cells.length > 0)
      tx.insert(tyreCell)
        .values(cells.map(({ speed, pressure, load }) => ({ tyreId: id, speed, pressure, load })))
        .run();
    settingChanged(db, "tyres", {}, by);
    return id;
  });
}

/** Writes a tyre's table anew, whole. */
export function changeTyre(
  db: Database,
  id: number,
  { label, source, cells }: Omit<Tyre, "id">,
  by: Told,
): void {
  db.transaction((tx) => {
    tx.update(tyre).set({ label, source }).where(eq(tyre.id, id)).run();
    tx.delete(tyreCell).where(eq(tyreCell.tyreId, id)).run();
    if (cells.length > 0)
      tx.insert(tyreCell)
        .values(cells.map(({ speed, pressure, load }) => ({ tyreId: id, speed, pressure, load })))
        .run();
    settingChanged(db, "tyres", {}, by);
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
  by: Told,
): void {
  db.transaction((tx) => {
    tx.delete(axleTyre)
      .where(and(eq(axleTyre.machineId, machineId), eq(axleTyre.axle, axle)))
      .run();
    if (fitted)
      tx.insert(axleTyre)
        .values({ machineId, axle, ...fitted })
        .run();
    settingChanged(db, "tyres", { machineId }, by);
  });
}
