/** The record of what happened: adding to it, taking back, and what of it stands. Every kind of fact goes through here. */
import { eq, type SQL, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Database } from "./handle.ts";
import { listed, prepared } from "./prepared.ts";
import { fact } from "./schema/index.ts";
import { numberOf } from "./sent.ts";
import { deviceOf } from "./signing.ts";

export type FactRow = typeof fact.$inferSelect;

/** What a fact is about: one of these, or with none the yard. */
export type About = Partial<Pick<FactRow, "machineId" | "pointId" | "couplingId" | "rigId" | "componentId">>;

/** Who says so, when it happened, and when that arrived here. */
export type Told = {
  person: string;
  at: Date;
  now?: Date;
  /** whose device it came from, where that is not the one that asks: null of what is copied, which says so in the name */
  device?: string | null;
};

export type NewFact = {
  kind: string;
  about: About;
  /** given by the device that wrote it, so that sending it twice keeps it once */
  id?: string | undefined;
  variantId?: number | null;
  topic?: string;
  /** the number of the fact it came with: taken back with it */
  partOf?: number | null;
};

export const TAKE_BACK = "take-back";

/**
 * Adds a fact, and with `more` what its kind keeps of its own, in one transaction; returns its id. One whose id is there already is left as
 * it is.
 */
export function record(
  db: Database,
  { kind, about, id = numberOf(), variantId = null, topic = "", partOf = null }: NewFact,
  { person, at, now = at, device = deviceOf() }: Told,
  more: (seq: number) => void = () => {},
): string {
  db.transaction(() => {
    if (factOf(db, id)) return;
    const { machineId = null, pointId = null, couplingId = null, rigId = null, componentId = null } = about;
    const row = factAdded(db).get({
      machineId,
      pointId,
      couplingId,
      rigId,
      componentId,
      id,
      kind,
      variantId,
      topic,
      partOf,
      named: person,
      deviceOf: device,
      happened: at.toISOString(),
      arrived: now.toISOString(),
    });
    more(row!.seq);
  });
  return id;
}

/** Adds a fact: built once, as it is what every entry does. */
const factAdded = (db: Database) =>
  prepared(db, "fact added", () =>
    db
      .insert(fact)
      .values({
        id: sql.placeholder("id"),
        kind: sql.placeholder("kind"),
        machineId: sql.placeholder("machineId"),
        pointId: sql.placeholder("pointId"),
        couplingId: sql.placeholder("couplingId"),
        rigId: sql.placeholder("rigId"),
        componentId: sql.placeholder("componentId"),
        variantId: sql.placeholder("variantId"),
        topic: sql.placeholder("topic"),
        partOf: sql.placeholder("partOf"),
        named: sql.placeholder("named"),
        deviceOf: sql.placeholder("deviceOf"),
        happened: sql.placeholder("happened"),
        arrived: sql.placeholder("arrived"),
      })
      .returning({ seq: fact.seq })
      .prepare(),
  );

/** A fact by its id, taken back or not; null where there is none. */
export function factOf(db: Database, id: string): FactRow | null {
  const query = prepared(db, "one fact", () =>
    db
      .select()
      .from(fact)
      .where(eq(fact.id, sql.placeholder("id")))
      .prepare(),
  );
  return query.get({ id }) ?? null;
}

/** Takes a fact back, and all that is part of it; what stood before stands again. False where there is none, or it was taken back. */
export function takeBack(
  db: Database,
  id: string,
  { person, at, now = at, device = deviceOf() }: Told,
): boolean {
  return db.transaction(() => {
    const known = factOf(db, id);
    if (!known || known.kind === TAKE_BACK || isTakenBack(db, known.seq)) return false;
    const { machineId, pointId, couplingId, rigId, componentId, variantId, kind, seq } = known;
    db.insert(fact)
      .values({
        id: numberOf(),
        kind: TAKE_BACK,
        machineId,
        pointId,
        couplingId,
        rigId,
        componentId,
        variantId,
        topic: kind,
        takesBack: seq,
        named: person,
        deviceOf: device,
        happened: at.toISOString(),
        arrived: now.toISOString(),
      })
      .run();
    return true;
  });
}

export function isTakenBack(db: Database, seq: number): boolean {
  return db.select({ seq: fact.seq }).from(fact).where(eq(fact.takesBack, seq)).get() !== undefined;
}

/** A second look at the facts: what takes one back. */
export const backing = alias(fact, "backing");

/** Joins a fact with what took it back, singly or with what it is part of; the one or the other. */
export const TAKES_BACK: SQL = sql`${backing.seq} = (select max(b.seq) from fact b where b.takes_back in (${fact.seq}, ${fact.partOf}))`;

/** True of a fact nobody took back, neither it nor what it is part of. `f`: the name the facts go by in the query. */
export function standing(f = "fact"): SQL {
  const own = sql.raw(`"${f}"."seq"`);
  const whole = sql.raw(`"${f}"."part_of"`);
  return sql`(not exists (select 1 from fact b where b.takes_back = ${own}) and (${whole} is null or not exists (select 1 from fact b where b.takes_back = ${whole})))`;
}

/**
 * A `with recursive` list of every slot in which the subjects named by the placeholder `abouts` have facts of a kind, found by steps through
 * the index: as many looks as there are slots, however long the history.
 */
export function slotsOf(kind: string): SQL {
  const next = (beyond: SQL) =>
    sql`(select min(f.slot) from fact f where f.about = slots.about and f.kind = ${written(kind)} and f.slot > ${beyond})`;
  return sql`subjects(about) as (select value from json_each(${sql.placeholder("abouts")})),
    slots(about, slot) as (
      select about, (select min(f.slot) from fact f where f.about = subjects.about and f.kind = ${written(kind)}) from subjects
      union all
      select slots.about, ${next(sql`slots.slot`)} from slots where slots.slot is not null)`;
}

/**
 * A kind as it is written into a query, not bound to it: one index is of settings alone, so a query with a bound kind is planned anew each
 * time it is asked, which takes ten times as long as the answer.
 * @throws where it is no word of our own
 */
export function written(kind: string): SQL {
  if (!/^[a-z -]+$/.test(kind)) throw new Error(`no kind of fact: ${kind}`);
  return sql.raw(`'${kind}'`);
}

/** True of facts of a kind. */
export const isOfKind = (kind: string): SQL => sql`${fact.kind} = ${written(kind)}`;

/** The number of the newest fact of a kind in a slot that stands: by when it happened, then by the order it came in. Of the row `of`. */
export function newestIn(kind: string, of: string, more: SQL = sql``): SQL {
  const [about, slot] = [sql.raw(`${of}.about`), sql.raw(`${of}.slot`)];
  return sql`(select f.seq from fact f where f.about = ${about} and f.kind = ${written(kind)} and f.slot = ${slot} and ${standing("f")} ${more} order by f.happened desc, f.seq desc limit 1)`;
}

/** True of a fact that is the newest of its slot and stands, among the subjects named by the placeholder `abouts`. */
export function isNewest(kind: string): SQL {
  return sql`${fact.seq} in (with recursive ${slotsOf(kind)} select ${newestIn(kind, "slots")} from slots where slots.slot is not null)`;
}

/** The order of things: by when they happened, then as they came in. */
export const inOrder: SQL[] = [sql`${fact.happened}`, sql`${fact.seq}`];
export const newestFirst: SQL[] = [sql`${fact.happened} desc`, sql`${fact.seq} desc`];

/** True of facts of a kind that stand, about the subjects named by the placeholder `abouts`. */
export function standingOf(kind: string): SQL {
  return sql`${fact.about} in (select value from json_each(${sql.placeholder("abouts")})) and ${isOfKind(kind)} and ${standing()}`;
}

type Named = Partial<Record<"machine" | "point" | "coupling" | "rig" | "component", Iterable<number>>>;

/** Which subjects facts are about, as they stand in the column `about`, for the placeholder `abouts`. */
export function aboutsOf(subjects: Named): string {
  return listed(Object.entries(subjects).flatMap(([name, ids]) => Array.from(ids, (id) => `${name} ${id}`)));
}

/** That a setting was changed, which is no fact: who did it, and of what. Without a subject it is the yard's. */
export const SETTING = "setting";

export function settingChanged(db: Database, what: string, about: About, told: Told): void {
  record(db, { kind: SETTING, about, topic: what }, told);
}

/** Which change of a setting was the last; empty before the first. */
export function lastSettingOf(db: Database): string {
  const query = prepared(db, "last setting", () =>
    db.select({ id: fact.id }).from(fact).where(isOfKind(SETTING)).orderBy(sql`${fact.seq} desc`).prepare(),
  );
  return query.get()?.id ?? "";
}

/** Since when something is put away; null: it is in use. */
export const awaySince = (away: boolean, { at }: Told): string | null => (away ? at.toISOString() : null);

/** How far the record had grown when somebody last looked. */
export function markOf(db: Database): number {
  const query = prepared(db, "last fact", () =>
    db
      .select({ last: sql<number>`coalesce(max(${fact.seq}), 0)` })
      .from(fact)
      .prepare(),
  );
  return query.get()!.last;
}

/** What was written about since, as the column `about` says it; null where it may be anything: a setting of the yard. */
export function touchedSince(db: Database, mark: number): Set<string> | null {
  const query = prepared(db, "touched since", () =>
    db
      .selectDistinct({
        about: sql<string>`${fact.about}`,
        // What is about a part of a machine is about the machine as well.
        machine: sql<
          string | null
        >`(select 'machine ' || c.machine_id from component c where c.id = ${fact.componentId})`,
        setting: sql<number>`${isOfKind(SETTING)}`,
      })
      .from(fact)
      .where(
        sql`${fact.seq} > ${sql.placeholder("mark")} or ${fact.partOf} in (select b.takes_back from fact b where b.seq > ${sql.placeholder("mark")} and b.takes_back is not null)`,
      )
      .prepare(),
  );
  const touched = query.all({ mark });
  if (touched.some(({ about, setting }) => setting === 1 && about === "yard")) return null;
  return new Set([
    ...touched.flatMap(({ about, machine }) => (machine === null ? [about] : [about, machine])),
    ...rigsOnFields(db, mark),
  ]);
}

/**
 * Rigs that are, or were, set to a field of which something was written since: its boundary, a line, a shift, a map, that work was begun on it by any rig, or
 * one of them taken back.
 */
function rigsOnFields(db: Database, mark: number): string[] {
  const query = prepared(db, "rigs on touched fields", () =>
    db
      .selectDistinct({ about: sql<string>`'rig ' || job.rig_id` })
      .from(fact)
      .innerJoin(
        sql`fact said`,
        sql`said.seq = coalesce(${fact.takesBack}, ${fact.seq}) and said.about = 'yard' and said.kind in ('boundary', 'line', 'line-shift', 'place', 'variety-map') or said.seq = coalesce(${fact.takesBack}, ${fact.seq}) and said.kind = 'work-begun'`,
      )
      .leftJoin(sql`work_begun b`, sql`b.seq = said.seq`)
      .leftJoin(sql`work done`, sql`done.seq = b.work`)
      .innerJoin(
        sql`work w`,
        sql`w.field_id = coalesce(done.field_id, cast(replace(said.topic, 'field ', '') as integer))`,
      )
      .innerJoin(sql`fact job`, sql`job.seq = w.seq`)
      .where(sql`${fact.seq} > ${sql.placeholder("mark")}`)
      .prepare(),
  );
  return query.all({ mark }).map(({ about }) => about);
}
