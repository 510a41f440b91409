/** Clients, farms and fields; where a field ends. */
import { and, asc, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { degreesOf, placeAt } from "../core/geodesy/degrees.ts";
import type { Geographic } from "../core/geodesy/plane.ts";
import type { Boundary } from "../core/place/boundary.ts";
import { nameOf, sameName } from "../core/place/given.ts";
import type { Database } from "./handle.ts";
import { listed, prepared } from "./prepared.ts";
import {
  awaySince,
  backing,
  isNewest,
  isOfKind,
  newestFirst,
  record,
  standing,
  TAKES_BACK,
  type Told,
} from "./record.ts";
import {
  type BoundarySource,
  boundary,
  client,
  type Degrees,
  depthMap,
  fact,
  farm,
  field,
  preset,
  strip,
} from "./schema/index.ts";

export const BOUNDARY = "boundary";
/** That a client, a farm or a field was named, moved or put away, which no rig is judged by. */
const PLACE = "place";

/** The yard, as facts about a field are about. */
const OF_YARD = listed(["yard"]);

/** A field as it is called: empty where nobody told whose it is. */
export type FieldNamed = {
  id: number;
  /** null where nobody told */
  farmId: number | null;
  client: string;
  farm: string;
  name: string;
  archivedAt: string | null;
};

export type FieldBounded = FieldNamed & {
  /** as it was entered last; null where nobody entered any */
  bounded: Bounded | null;
};

export type Bounded = {
  id: string;
  seq: number;
  boundary: Boundary;
  source: BoundarySource;
  note: string;
  person: string;
  at: string;
};

export const asDegrees = ({ latitude, longitude }: Geographic): Degrees => [
  degreesOf(latitude),
  degreesOf(longitude),
];
export const asPlaces = (points: readonly Degrees[]): Geographic[] =>
  points.map(([latitude, longitude]) => placeAt(latitude, longitude));

type Parts = (typeof boundary.$inferSelect)["parts"];

export const partsOf = (given: Boundary): Parts =>
  given.map(({ outer, holes }) => ({
    outer: outer.map(asDegrees),
    holes: holes.map((hole) => hole.map(asDegrees)),
  }));

export const boundaryOf = (parts: Parts): Boundary =>
  parts.map(({ outer, holes }) => ({ outer: asPlaces(outer), holes: holes.map(asPlaces) }));

/** Every field with its newest boundary, by client, farm and name; those put away last. */
export function listFields(db: Database): FieldBounded[] {
  const bounded = new Map(
    prepared(db, "newest boundaries", () => boundaries(db, isNewest(BOUNDARY)).prepare())
      .all({ abouts: OF_YARD })
      .map((row) => [row.fieldId, boundedOf(row)]),
  );
  return namedFields(db).map((each) => ({ ...each, bounded: bounded.get(each.id) ?? null }));
}

function namedFields(db: Database): FieldNamed[] {
  return fieldNames(db)
    .orderBy(isNotNull(field.archivedAt), asc(client.name), asc(farm.name), asc(field.name))
    .all();
}

function fieldNames(db: Database) {
  return db
    .select({
      id: field.id,
      farmId: field.farmId,
      client: sql<string>`coalesce(${client.name}, '')`,
      farm: sql<string>`coalesce(${farm.name}, '')`,
      name: field.name,
      archivedAt: field.archivedAt,
    })
    .from(field)
    .leftJoin(farm, eq(farm.id, field.farmId))
    .leftJoin(client, eq(client.id, farm.clientId));
}

/** A field and the id of the boundary that counts of it, without its corners. */
export function fieldNamed(db: Database, id: number): (FieldNamed & { boundaryId: string | null }) | null {
  const named = prepared(db, "one field's names", () =>
    fieldNames(db)
      .where(eq(field.id, sql.placeholder("id")))
      .prepare(),
  ).get({ id });
  if (!named) return null;
  const newest = prepared(db, "one field's newest boundary", () =>
    db
      .select({ id: fact.id })
      .from(fact)
      .where(
        sql`${fact.about} = 'yard' and ${isOfKind(BOUNDARY)} and ${fact.slot} = ${sql.placeholder("slot")} and ${standing()}`,
      )
      .orderBy(...newestFirst)
      .prepare(),
  ).get({ slot: `${id}/` });
  return { ...named, boundaryId: newest?.id ?? null };
}

/** Where a field ends as it counts; null where nobody told. */
export function boundaryOfField(db: Database, fieldId: number): Boundary | null {
  const id = fieldNamed(db, fieldId)?.boundaryId ?? null;
  return id === null ? null : boundaryOfId(db, id);
}

/** A boundary by its id. @throws RangeError where there is none */
export function boundaryOfId(db: Database, id: string): Boundary {
  const row = db
    .select({ parts: boundary.parts })
    .from(boundary)
    .innerJoin(fact, eq(fact.seq, boundary.seq))
    .where(eq(fact.id, id))
    .get();
  if (!row) throw new RangeError(`no boundary ${id}`);
  return boundaryOf(row.parts);
}

export function fieldOf(db: Database, id: number): FieldBounded | null {
  return listFields(db).find((each) => each.id === id) ?? null;
}

function boundaries(db: Database, which: ReturnType<typeof isNewest>) {
  return db
    .select({
      id: fact.id,
      seq: fact.seq,
      person: fact.person,
      at: fact.happened,
      fieldId: boundary.fieldId,
      parts: boundary.parts,
      source: boundary.source,
      note: boundary.note,
      taken: backing.seq,
    })
    .from(fact)
    .innerJoin(boundary, eq(boundary.seq, fact.seq))
    .leftJoin(backing, TAKES_BACK)
    .where(which)
    .orderBy(...newestFirst);
}

type BoundaryRow = ReturnType<ReturnType<typeof boundaries>["all"]>[number];

const boundedOf = ({ parts, fieldId: _, taken: __, ...rest }: BoundaryRow): Bounded => ({
  ...rest,
  boundary: boundaryOf(parts),
});

/** Every boundary a field ever had, newest first, with those that were taken back. */
export function boundariesOf(db: Database, fieldId: number): (Bounded & { takenBack: boolean })[] {
  return boundaries(db, and(isOfKind(BOUNDARY), eq(boundary.fieldId, fieldId))!)
    .all()
    .map((row) => ({ ...boundedOf(row), takenBack: row.taken !== null }));
}

export type FieldTold = { client: string; farm: string; name: string };

/** A field of such a name is there already. */
export class NameTaken extends Error {}

/** Adds a field, and its client and farm where they are new; returns its id. @throws NameTaken */
export function addField(db: Database, told: FieldTold, by: Told): number {
  return db.transaction(() => {
    const { farmId, name } = homeOf(db, told, null);
    const { id } = db.insert(field).values({ farmId, name }).returning().get();
    placeChanged(db, `field ${id}`, by);
    return id;
  });
}

/** Calls a field otherwise, or gives it to another farm. @throws NameTaken */
export function changeField(db: Database, id: number, told: FieldTold, by: Told): void {
  db.transaction(() => {
    db.update(field)
      .set(homeOf(db, told, id))
      .where(eq(field.id, id))
      .run();
    placeChanged(db, `field ${id}`, by);
  });
}

/** Puts a field away, or takes it out again. */
export function putFieldAway(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    db.update(field)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(field.id, id))
      .run();
    placeChanged(db, `field ${id}`, by);
  });
}

function placeChanged(db: Database, topic: string, by: Told): void {
  record(db, { kind: PLACE, about: {}, topic }, by);
}

/** Where a field belongs, its client and farm found by name or made. */
function homeOf(db: Database, told: FieldTold, self: number | null): { farmId: number | null; name: string } {
  const [ofClient, ofFarm, name] = [nameOf(told.client), nameOf(told.farm), nameOf(told.name)];
  const twin = namedFields(db).find(
    (each) =>
      each.id !== self &&
      sameName(each.name, name) &&
      sameName(each.farm, ofFarm) &&
      sameName(each.client, ofClient),
  );
  if (twin) throw new NameTaken(`There is a field ${twin.name} there already.`);
  if (ofFarm === "" && ofClient === "") return { farmId: null, name };
  const clientId = ofClient === "" ? null : clientNamed(db, ofClient);
  // A client whose farm nobody named has one of its own name.
  return { farmId: farmNamed(db, clientId, ofFarm === "" ? ofClient : ofFarm), name };
}

function clientNamed(db: Database, name: string): number {
  const known = db
    .select()
    .from(client)
    .all()
    .find((each) => sameName(each.name, name));
  return known?.id ?? db.insert(client).values({ name }).returning().get().id;
}

function farmNamed(db: Database, clientId: number | null, name: string): number {
  const own = clientId === null ? isNull(farm.clientId) : eq(farm.clientId, clientId);
  const known = db
    .select()
    .from(farm)
    .where(own)
    .all()
    .find((each) => sameName(each.name, name));
  return known?.id ?? db.insert(farm).values({ clientId, name }).returning().get().id;
}

/** Farms that are in use, each with whose it is. */
export function farmsOf(db: Database): { id: number; name: string }[] {
  return db
    .select({ id: farm.id, name: farm.name, client: sql<string>`coalesce(${client.name}, '')` })
    .from(farm)
    .leftJoin(client, eq(client.id, farm.clientId))
    .where(isNull(farm.archivedAt))
    .orderBy(asc(farm.name))
    .all()
    .map(({ id, name, client: of }) => ({ id, name: of === "" ? name : `${name}, ${of}` }));
}

/** Clients and farms there are, for whoever types one. */
export function namesOf(db: Database): { clients: string[]; farms: string[] } {
  const names = (rows: readonly { name: string }[]) => [...new Set(rows.map(({ name }) => name))].sort();
  return { clients: names(db.select().from(client).all()), farms: names(db.select().from(farm).all()) };
}

export type NewBoundary = {
  fieldId: number;
  boundary: Boundary;
  source: BoundarySource;
  note?: string;
  id?: string;
  partOf?: number | null;
};

/** Keeps where a field ends; returns the id. */
export function keepBoundary(db: Database, given: NewBoundary, told: Told): string {
  const { fieldId, boundary: shape, source, note = "", id, partOf = null } = given;
  return record(db, { kind: BOUNDARY, about: {}, topic: String(fieldId), id, partOf }, told, (seq) => {
    db.insert(boundary)
      .values({ seq, fieldId, parts: partsOf(shape), source, note })
      .run();
  });
}

/** Names of fields that were typed with strips, depth maps and presets, and are no field yet, with how often. */
export function typedNames(db: Database): { name: string; times: number }[] {
  const typed = [depthMap, strip, preset].flatMap((table) =>
    db
      .select({ name: table.field })
      .from(fact)
      .innerJoin(table, eq(table.seq, fact.seq))
      .where(standing())
      .all(),
  );
  const known = namedFields(db);
  const times = new Map<string, { name: string; times: number }>();
  for (const { name: given } of typed) {
    const name = nameOf(given);
    if (name === "" || known.some((each) => sameName(each.name, name))) continue;
    const key = name.toLocaleLowerCase("en");
    times.set(key, { name, times: (times.get(key)?.times ?? 0) + 1 });
  }
  return [...times.values()].sort((a, b) => b.times - a.times || a.name.localeCompare(b.name));
}
