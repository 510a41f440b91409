/** What rigs are set to do: jobs that somebody confirmed; crops and varieties. */
import { and, asc, eq, sql } from "drizzle-orm";
import { nameOf, sameName } from "../core/place/given.ts";
import { zonesOn } from "../core/place/zones.ts";
import type { OperationKey } from "../core/trade/operations.ts";
import type { Sown, Work, WorkVarietyMap } from "../core/yard/work.ts";
import type { Database } from "./handle.ts";
import { boundaryOfField } from "./places.ts";
import { once, pointedTo } from "./pointed-to.ts";
import { prepared } from "./prepared.ts";
import {
  aboutsOf,
  inOrder,
  isOfKind,
  newestFirst,
  record,
  settingChanged,
  standing,
  standingOf,
  type Told,
} from "./record.ts";
import { crop, fact, rig, variety, work, workBegun } from "./schema/index.ts";
import { varietyMapsOf } from "./variety-maps.ts";

export const WORK = "work";

type WorkRow = { fact: typeof fact.$inferSelect; work: typeof work.$inferSelect };

/** Every job that was confirmed for these rigs and stands, newest first. */
function rowsOf(db: Database, rigs: Iterable<number>): WorkRow[] {
  const query = prepared(db, "works", () =>
    db
      .select({ fact, work })
      .from(fact)
      .innerJoin(work, eq(work.seq, fact.seq))
      .where(standingOf(WORK))
      .orderBy(...newestFirst)
      .prepare(),
  );
  return query.all({ abouts: aboutsOf({ rig: rigs }) });
}

/** What each of these rigs is set to do; one that nobody set has none. */
export function worksOf(db: Database, rigs: Iterable<number>): Map<number, Work> {
  const rows = rowsOf(db, rigs);
  if (rows.length === 0) return new Map();
  const words = wordsOf(db);
  const found = new Map<number, Work>();
  for (const row of rows) {
    const rigId = row.fact.rigId!;
    if (found.has(rigId)) continue;
    const earlier = rows.filter(({ fact: of }) => of.rigId === rigId);
    found.set(rigId, workOf(row, earlier, words));
  }
  return found;
}

type Words = ReturnType<typeof wordsOf>;

/** What jobs point to, each read once. */
const wordsOf = (db: Database) => ({
  ...pointedTo(db),
  grown: once((fieldId: number) => grownOn(db, fieldId)),
  map: (fieldId: number, cropId: number) => mapOn(db, fieldId, cropId),
});

function workOf({ fact: of, work: row }: WorkRow, mine: readonly WorkRow[], words: Words): Work {
  const field = words.field(row.fieldId);
  const line = row.line === null ? null : words.line(row.line);
  const same = (like: (other: WorkRow["work"]) => boolean) => {
    const broken = mine.findIndex(({ work: other }) => !like(other));
    return (broken < 0 ? mine : mine.slice(0, broken)).at(-1)!.fact.happened;
  };
  return {
    id: of.id,
    person: of.person,
    at: of.happened,
    since: same(({ fieldId }) => fieldId === row.fieldId),
    varietySince: same(({ varieties }) => JSON.stringify(varieties) === JSON.stringify(row.varieties)),
    field: {
      id: field.id,
      name: field.name,
      farm: field.farm,
      client: field.client,
      area: field.area,
      before: words.grown(row.fieldId).find(({ season }) => season !== row.season) ?? null,
    },
    operations: row.operations,
    crop: row.cropId === null ? null : words.crop(row.cropId),
    varietyWay: row.varietyWay,
    varieties: row.varieties.map(({ id, rows }) => ({ id, name: words.variety(id).name, rows })),
    varietyMap: row.varietyWay === "map" && row.cropId !== null ? words.map(row.fieldId, row.cropId) : null,
    sown: words.grown(row.fieldId).find(({ sown, cropId }) => sown && cropId === row.cropId) ?? null,
    products: row.products.map(({ id, rate, counted }) => {
      const { name, form, doseLow, doseHigh, grainMass } = words.product(id);
      return { id, name, form, rate, counted, doseLow, doseHigh, grainMass };
    }),
    trigger: row.recordedBy,
    line: line
      ? {
          id: line.id,
          name: line.name,
          kind: line.shape.kind,
          shifted: line.shifts.reduce((sum, { amount }) => sum + amount, 0),
        }
      : null,
    season: row.season,
    screen: row.screen,
    screenActive: row.screenActive,
    alarms: row.alarms,
    mutedRows: row.mutedRows,
  };
}

const GROWS: ReadonlySet<OperationKey> = new Set(["sowing", "planting", "harvest"]);

const SOWS: ReadonlySet<OperationKey> = new Set(["sowing", "planting"]);

type Grown = Sown & { crop: string; cropId: number; season: string; sown: boolean };

/** What was sown, planted or harvested on a field by the log, newest first. */
export function grownOn(db: Database, fieldId: number): Grown[] {
  const names = new Map(
    db
      .select()
      .from(variety)
      .all()
      .map(({ id, name }) => [id, name]),
  );
  return db
    .select({ at: fact.happened, work, crop: crop.name })
    .from(fact)
    .innerJoin(workBegun, eq(workBegun.seq, fact.seq))
    .innerJoin(work, eq(work.seq, workBegun.work))
    .innerJoin(crop, eq(crop.id, work.cropId))
    .where(and(eq(work.fieldId, fieldId), standing()))
    .orderBy(...newestFirst)
    .all()
    .filter(({ work: { operations } }) => operations.some((each) => GROWS.has(each)))
    .map(({ at, work: { operations, season, cropId, varieties }, crop: name }) => ({
      at,
      crop: name,
      cropId: cropId!,
      season,
      sown: operations.some((each) => SOWS.has(each)),
      varieties: varieties.map(({ id }) => names.get(id)!),
    }));
}

/** What the newest map of a crop makes of a field; null without a map or a boundary. */
function mapOn(db: Database, fieldId: number, cropId: number): WorkVarietyMap | null {
  const boundary = boundaryOfField(db, fieldId);
  const map = boundary && varietyMapsOf(db, fieldId).find(({ crop: { id } }) => id === cropId);
  return map ? { ...zonesOn(boundary, map.zones), fileName: map.fileName } : null;
}

/** `partOf`: the import it came with. */
export type NewWork = Omit<typeof work.$inferInsert, "seq"> & { id?: string; partOf?: number };

/** Keeps what a rig is set to do; returns the id. */
export function keepWork(db: Database, rigId: number, { id, partOf, ...row }: NewWork, told: Told): string {
  const of = partOf === undefined ? {} : { partOf };
  return record(db, { kind: WORK, about: { rigId }, id, ...of }, told, (seq) => {
    db.insert(work)
      .values({ seq, ...row })
      .run();
  });
}

/** What was set the last time on a field for one of these operations, by this rig before others; null where nobody set any. */
export function lastWorkOn(
  db: Database,
  fieldId: number,
  rigId: number,
  operations: readonly OperationKey[],
): { work: Work; rig: string } | null {
  const rows = db
    .select({ fact, work })
    .from(fact)
    .innerJoin(work, eq(work.seq, fact.seq))
    .where(and(isOfKind(WORK), eq(work.fieldId, fieldId), standing()))
    .orderBy(...newestFirst)
    .all()
    .filter(({ work: row }) => row.operations.some((each) => operations.includes(each)));
  const found = rows.find(({ fact: of }) => of.rigId === rigId) ?? rows[0];
  if (!found) return null;
  const { name } = db.select({ name: rig.name }).from(rig).where(eq(rig.id, found.fact.rigId!)).get()!;
  return { work: workOf(found, [found], wordsOf(db)), rig: name };
}

/** Rigs that are set to a line, by the newest job of each. */
export function rigsOnLine(db: Database, lineSeq: number): number[] {
  const rows = db
    .select({ fact, work })
    .from(fact)
    .innerJoin(work, eq(work.seq, fact.seq))
    .where(and(isOfKind(WORK), standing()))
    .orderBy(...inOrder)
    .all();
  const newest = new Map(rows.map(({ fact: of, work: row }) => [of.rigId!, row.line]));
  return [...newest].flatMap(([rigId, line]) => (line === lineSeq ? [rigId] : []));
}

export type Crop = { id: number; name: string; varieties: { id: number; name: string }[] };

export function cropsOf(db: Database): Crop[] {
  const varieties = db
    .select()
    .from(variety)
    .orderBy(asc(sql`lower(${variety.name})`))
    .all();
  return db
    .select()
    .from(crop)
    .orderBy(asc(sql`lower(${crop.name})`))
    .all()
    .map(({ id, name }) => ({
      id,
      name,
      varieties: varieties.flatMap((each) => (each.cropId === id ? [{ id: each.id, name: each.name }] : [])),
    }));
}

/** The crop of a name, made where there is none; returns its id. */
export function cropNamed(db: Database, given: string, by: Told): number {
  const name = nameOf(given);
  const known = db
    .select()
    .from(crop)
    .all()
    .find((each) => sameName(each.name, name));
  if (known) return known.id;
  settingChanged(db, "crop added", {}, by);
  return db.insert(crop).values({ name }).returning().get().id;
}

/** The same of a variety. */
export function varietyNamed(db: Database, cropId: number, given: string, by: Told): number {
  const name = nameOf(given);
  const known = db
    .select()
    .from(variety)
    .where(eq(variety.cropId, cropId))
    .all()
    .find((each) => sameName(each.name, name));
  if (known) return known.id;
  settingChanged(db, "variety added", {}, by);
  return db.insert(variety).values({ cropId, name }).returning().get().id;
}
