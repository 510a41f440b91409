/** Depth and level of a tool: its adjusters with where they stand, and what was measured in the ground. */
import { isDeepStrictEqual } from "node:util";
import { asc, eq, inArray } from "drizzle-orm";
import { ADJUSTER } from "../core/subjects/ground/subject.ts";
import {
  type Adjuster,
  type DepthMap,
  type DepthPoint,
  type PartGround,
  type StepEffect,
  settingsNow,
} from "../core/yard/ground.ts";
import {
  addComponents,
  changeComponent,
  componentHistory,
  componentReadings,
  componentsOf,
  keepOnComponent,
  type NewComponent,
  type Past,
} from "./components.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { aboutsOf, newestFirst, record, settingChanged, standingOf, type Told } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { adjuster, depthMap, depthPoint, depthSetting, fact } from "./schema/index.ts";
import { settingRows, stripsOfTools } from "./strips.ts";

export const DEPTH_MAP = "depth map";

type Row = typeof adjuster.$inferSelect;

/** What is known of the ground under each tool, by the id of its coupling. */
export function groundOfTools(
  db: Database,
  tools: readonly Pick<RigTool, "couplingId" | "implement">[],
): Map<number, PartGround> {
  const adjusters = adjustersOf(
    db,
    tools.map(({ implement }) => implement.id),
  );
  const maps = mapsOf(
    db,
    tools.map(({ couplingId }) => couplingId),
  );
  const strips = stripsOfTools(db, tools);
  return new Map(
    tools.map(({ couplingId, implement }) => {
      const [map = null, before = null] = maps.get(couplingId) ?? [];
      const own = { adjusters: adjusters.get(implement.id) ?? [], map, before };
      return [couplingId, { ...own, ...strips.get(couplingId)! }];
    }),
  );
}

/** The adjusters of these machines, each with where it stands, in their row. */
export function adjustersOf(db: Database, machineIds: readonly number[]): Map<number, Adjuster[]> {
  const components = componentsOf(db, machineIds, ADJUSTER.key);
  const ids = [...components.values()].flat().map(({ id }) => id);
  if (ids.length === 0) return new Map();
  const rows = new Map(
    db
      .select()
      .from(adjuster)
      .where(inArray(adjuster.componentId, ids))
      .all()
      .map((row) => [row.componentId, row]),
  );
  const readings = componentReadings(db, ids);
  const inUse = new Set(ids);
  return new Map(
    [...components].map(([machineId, own]) => [
      machineId,
      own.flatMap(({ id, label, x, y }) => {
        const row = rows.get(id);
        return row
          ? [among(inUse, toAdjuster(row, { label, x, y }, readings.get(id)?.at(-1)?.value ?? null))]
          : [];
      }),
    ]),
  );
}

/** With what was taken off nothing is kept equal, and nothing follows it. */
function among(inUse: ReadonlySet<number>, { pair, master, ...rest }: Adjuster): Adjuster {
  return {
    ...rest,
    pair: pair && inUse.has(pair.id) ? pair : null,
    master: master !== null && inUse.has(master) ? master : null,
  };
}

type Placed = Pick<Adjuster, "label" | "x" | "y">;

function toAdjuster(row: Row, placed: Placed, setting: number | null): Adjuster {
  const { componentId, form, low, high, storage, start, front, rear, across, measure, amount } = row;
  const { pairId, difference, masterId: master, up, learntFrom, how } = row;
  return {
    id: componentId,
    ...placed,
    form,
    low,
    high,
    storage,
    start,
    effect: front === null || rear === null || across === null ? null : { front, rear, across },
    acts: measure === null ? null : { measure, by: amount },
    pair: pairId === null ? null : { id: pairId, difference },
    master,
    up,
    learntFrom,
    error: errorOf(row),
    how,
    setting,
  };
}

function errorOf({ frontError, rearError, acrossError, amountError }: Row): Adjuster["error"] {
  if (amountError !== null) return amountError;
  return frontError === null || rearError === null || acrossError === null
    ? null
    : { front: frontError, rear: rearError, across: acrossError };
}

export type NewAdjuster = Omit<Adjuster, "id" | "setting" | "learntFrom" | "error"> &
  Pick<NewComponent, "place">;

/** Adds an adjuster to a machine; returns the id of its component. @throws where its range is none */
export function addAdjuster(db: Database, machineId: number, given: NewAdjuster, by: Told): number {
  const { label, x, y, place, ...told } = given;
  return db.transaction(() => {
    const [id] = addComponents(db, machineId, ADJUSTER.key, [{ label, x, y, place }], by);
    db.insert(adjuster)
      .values({ componentId: id!, ...columnsOf(told) })
      .run();
    return id!;
  });
}

/** Tells what parts of a machine that are adjusters are, which nobody told yet; what each does as it was learnt, wherever that was. */
export function equipAdjusters(
  db: Database,
  machineId: number,
  told: readonly Omit<Adjuster, "label" | "x" | "y" | "setting">[],
  by: Told,
): void {
  db.transaction(() => {
    settingChanged(db, ADJUSTER.key, { machineId }, by);
    for (const { id: componentId, learntFrom, error, ...rest } of told)
      db.insert(adjuster)
        .values({ componentId, learntFrom, ...columnsOf(rest), ...errorColumns(error) })
        .run();
  });
}

/** Tells an adjuster otherwise, whole. What a step does was told then, if it is not what it was, and not learnt. */
export function changeAdjuster(
  db: Database,
  { id, learntFrom, effect, acts }: Pick<Adjuster, "id" | "learntFrom" | "effect" | "acts">,
  { label, x, y, ...told }: Omit<NewAdjuster, "place">,
  by: Told,
): void {
  db.transaction(() => {
    changeComponent(db, id, { label, x, y }, by);
    const same = isDeepStrictEqual([effect, acts], [told.effect, told.acts]);
    db.update(adjuster)
      .set({ ...columnsOf(told), ...(same ? { learntFrom } : { learntFrom: null, ...errorColumns(null) }) })
      .where(eq(adjuster.componentId, id))
      .run();
  });
}

/** Tells what a step of these adjusters does, as it was learnt from a map. */
export function learnEffect(
  db: Database,
  machineId: number,
  effects: ReadonlyMap<number, { effect: StepEffect; error: StepEffect | null }>,
  learntFrom: string,
  by: Told,
): void {
  db.transaction(() => {
    settingChanged(db, ADJUSTER.key, { machineId }, by);
    for (const [id, { effect, error }] of effects)
      db.update(adjuster)
        .set({ ...effect, ...errorColumns(error), learntFrom })
        .where(eq(adjuster.componentId, id))
        .run();
  });
}

/** Tells what a step of these adjusters does to the single thing they move, SI, as it was learnt from a look. */
export function learnAmount(
  db: Database,
  machineId: number,
  amounts: ReadonlyMap<number, { by: number; error: number }>,
  learntFrom: string,
  by: Told,
): void {
  db.transaction(() => {
    settingChanged(db, ADJUSTER.key, { machineId }, by);
    for (const [id, { by: amount, error }] of amounts)
      db.update(adjuster)
        .set({ amount, ...errorColumns(error), learntFrom })
        .where(eq(adjuster.componentId, id))
        .run();
  });
}

function errorColumns(error: Adjuster["error"]) {
  const of = typeof error === "number" ? null : error;
  return {
    frontError: of?.front ?? null,
    rearError: of?.rear ?? null,
    acrossError: of?.across ?? null,
    amountError: typeof error === "number" ? error : null,
  };
}

function columnsOf(told: Omit<NewAdjuster, "label" | "x" | "y" | "place">) {
  const { form, low, high, storage, start, effect, acts, pair, master, up, how } = told;
  return {
    form,
    low,
    high,
    storage,
    start,
    up,
    how,
    masterId: master,
    measure: acts?.measure ?? null,
    amount: acts?.by ?? null,
    front: effect?.front ?? null,
    rear: effect?.rear ?? null,
    across: effect?.across ?? null,
    pairId: pair?.id ?? null,
    difference: pair?.difference ?? 0,
  };
}

/** Keeps where an adjuster stands, in steps; returns the id. @throws RangeError where that cannot be */
export function keepSetting(db: Database, id: number, steps: number, told: Told, factId?: string): string {
  return keepOnComponent(
    db,
    id,
    {
      key: "setting",
      value: steps,
      step: 1,
      rawText: String(steps),
      instrument: "tape",
      ...(factId ? { id: factId } : {}),
    },
    told,
  );
}

/** How each of these adjusters stood, in steps, the newest first; what was taken back is left out. */
export function settingHistory(db: Database, ids: readonly number[]): Map<number, Past[]> {
  return componentHistory(db, ids, "setting");
}

/** Where the adjusters of a machine stand, in steps, that anybody told. */
export function settingsOf(db: Database, machineId: number): Map<number, number> {
  return settingsNow(adjustersOf(db, [machineId]).get(machineId) ?? []);
}

/** Keeps a depth map of a coupled tool, whole, with where its adjusters stand; returns its id. */
export function keepDepthMap(
  db: Database,
  { couplingId, implement }: Pick<RigTool, "couplingId" | "implement">,
  { field, wanted, points, id }: NewMap,
  told: Told,
): string {
  const settings = settingsOf(db, implement.id);
  return record(db, { kind: DEPTH_MAP, about: { couplingId }, id }, told, (seq) => {
    db.insert(depthMap).values({ seq, field, wanted }).run();
    db.insert(depthPoint)
      .values(points.map((point, position) => ({ map: seq, position, ...point })))
      .run();
    const stood = settingRows(settings);
    if (stood.length > 0)
      db.insert(depthSetting)
        .values(stood.map((each) => ({ map: seq, ...each })))
        .run();
  });
}

export type NewMap = { field: string; wanted: number; points: readonly DepthPoint[]; id?: string };

type Read = DepthMap & { points: DepthPoint[]; settings: Map<number, number> };

/** The depth maps of these couplings that stand, the newest first. */
export function mapsOf(db: Database, couplingIds: readonly number[]): Map<number, DepthMap[]> {
  const abouts = aboutsOf({ coupling: couplingIds });
  const query = prepared(db, "depth maps", () =>
    db
      .select({ fact, map: depthMap, point: depthPoint })
      .from(fact)
      .innerJoin(depthMap, eq(depthMap.seq, fact.seq))
      .innerJoin(depthPoint, eq(depthPoint.map, depthMap.seq))
      .where(standingOf(DEPTH_MAP))
      .orderBy(...newestFirst, asc(depthPoint.position))
      .prepare(),
  );
  const maps = new Map<number, Read>();
  const found = new Map<number, Read[]>();
  for (const { fact: of, map, point } of query.all({ abouts })) {
    const { label, x, y, depth } = point;
    const known = maps.get(of.seq);
    if (known) known.points.push({ label, x, y, depth });
    else {
      const { id, couplingId, person, happened: at } = of;
      const { field, wanted } = map;
      const read: Read = {
        id,
        field,
        wanted,
        points: [{ label, x, y, depth }],
        settings: new Map(),
        person,
        at,
      };
      maps.set(of.seq, read);
      found.set(couplingId!, [...(found.get(couplingId!) ?? []), read]);
    }
  }
  for (const { map, componentId, steps } of settingsQuery(db).all({ abouts }))
    maps.get(map)?.settings.set(componentId, steps);
  return found;
}

function settingsQuery(db: Database) {
  return prepared(db, "settings of depth maps", () =>
    db
      .select({ map: depthSetting.map, componentId: depthSetting.componentId, steps: depthSetting.steps })
      .from(fact)
      .innerJoin(depthSetting, eq(depthSetting.map, fact.seq))
      .where(standingOf(DEPTH_MAP))
      .prepare(),
  );
}
