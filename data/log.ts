/** The log of work: begun, added to, ended. What it was driven with is frozen when it begins. */
import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Frozen, LogEntry } from "../core/yard/log.ts";
import type { Database } from "./handle.ts";
import { type PointedTo, pointedTo } from "./pointed-to.ts";
import { listed, prepared } from "./prepared.ts";
import { factOf, inOrder, isOfKind, newestFirst, record, standing, type Told, written } from "./record.ts";
import {
  fact,
  rig,
  work,
  workBegun,
  workEnded,
  workLoad,
  workNote,
  workTrack,
  workUsed,
} from "./schema/index.ts";

export const WORK_BEGUN = "work-begun";
export const WORK_ENDED = "work-ended";
const WORK_USED = "work-used";
export const WORK_TRACK = "work-track";
export const WORK_LOAD = "work-load";
export const WORK_NOTE = "work-note";

/** Begins a job of a rig; returns the id. @throws RangeError where there is no such job */
export function beginWork(
  db: Database,
  rigId: number,
  given: { workId: string; frozen: Frozen; id?: string },
  told: Told,
): string {
  const set = factOf(db, given.workId);
  if (!set || set.rigId !== rigId) throw new RangeError(`no job ${given.workId}`);
  return record(db, { kind: WORK_BEGUN, about: { rigId }, id: given.id }, told, (seq) => {
    db.insert(workBegun).values({ seq, work: set.seq, frozen: given.frozen }).run();
  });
}

type Begun = { seq: number; rigId: number; at: string; ended: boolean; workSeq: number };

/** A beginning that stands; null where there is none. */
export function begunOf(db: Database, id: string): Begun | null {
  const row = db
    .select({ fact, work: workBegun.work })
    .from(fact)
    .innerJoin(workBegun, eq(workBegun.seq, fact.seq))
    .where(and(eq(fact.id, id), standing()))
    .get();
  if (!row) return null;
  const end = db
    .select({ seq: fact.seq })
    .from(fact)
    .innerJoin(workEnded, eq(workEnded.seq, fact.seq))
    .where(and(eq(fact.partOf, row.fact.seq), standing()))
    .get();
  return {
    seq: row.fact.seq,
    rigId: row.fact.rigId!,
    at: row.fact.happened,
    ended: end !== undefined,
    workSeq: row.work,
  };
}

const partOfBegun = (begun: Begun, kind: string, id: string | undefined) => ({
  kind,
  about: { rigId: begun.rigId },
  topic: kind,
  partOf: begun.seq,
  id,
});

export type NewEnd = Omit<typeof workEnded.$inferInsert, "seq"> & {
  id?: string;
  used: readonly { productId: number; amount: number }[];
};

/** Ends it, with what was used. */
export function endWork(db: Database, begun: Begun, { id, used, ...row }: NewEnd, told: Told): string {
  return db.transaction(() => {
    const ended = record(db, partOfBegun(begun, WORK_ENDED, id), told, (seq) => {
      db.insert(workEnded)
        .values({ seq, ...row })
        .run();
    });
    for (const { productId, amount } of used)
      record(
        db,
        {
          ...partOfBegun(begun, WORK_USED, undefined),
          topic: String(productId),
          partOf: factOf(db, ended)!.seq,
        },
        told,
        (seq) => {
          db.insert(workUsed).values({ seq, productId, amount }).run();
        },
      );
    return ended;
  });
}

export type Track = { fileName: string; passes: (typeof workTrack.$inferSelect)["passes"] };

/** Where it was driven; the newest log of an entry counts. */
export function addTrack(db: Database, begun: Begun, track: Track, told: Told): string {
  return record(db, partOfBegun(begun, WORK_TRACK, undefined), told, (seq) => {
    db.insert(workTrack)
      .values({ seq, ...track })
      .run();
  });
}

/** The tracks of entries by the number of their beginning, `seq`: the newest of each. */
export function tracksOf(db: Database, begun: readonly number[]): Map<number, Track> {
  if (begun.length === 0) return new Map();
  const rows = db
    .select({ partOf: fact.partOf, row: workTrack })
    .from(fact)
    .innerJoin(workTrack, eq(workTrack.seq, fact.seq))
    .where(and(inArray(fact.partOf, [...begun]), standing()))
    .orderBy(...newestFirst)
    .all();
  const found = new Map<number, Track>();
  for (const { partOf, row } of rows)
    if (!found.has(partOf!)) found.set(partOf!, { fileName: row.fileName, passes: row.passes });
  return found;
}

/** A load that left the field. */
export function addLoad(
  db: Database,
  begun: Begun,
  { id, ...row }: Omit<typeof workLoad.$inferInsert, "seq"> & { id?: string },
  told: Told,
): string {
  return record(db, partOfBegun(begun, WORK_LOAD, id), told, (seq) => {
    db.insert(workLoad)
      .values({ seq, ...row })
      .run();
  });
}

/** Something that was seen. */
export function addNote(
  db: Database,
  begun: Begun,
  { id, ...row }: Omit<typeof workNote.$inferInsert, "seq"> & { id?: string },
  told: Told,
): string {
  return record(db, partOfBegun(begun, WORK_NOTE, id), told, (seq) => {
    db.insert(workNote)
      .values({ seq, ...row })
      .run();
  });
}

export type LogFilter = {
  rigs?: readonly number[];
  fieldId?: number;
  season?: string;
  most?: number;
  /** so many of the newest are left out */
  after?: number;
};

/** Entries that stand, newest first. */
export function logOf(db: Database, { most = 500, after = 0, ...filter }: LogFilter = {}): LogEntry[] {
  const rows = db
    .select({ fact, work, frozen: workBegun.frozen, rig: rig.name })
    .from(fact)
    .innerJoin(workBegun, eq(workBegun.seq, fact.seq))
    .innerJoin(work, eq(work.seq, workBegun.work))
    .innerJoin(rig, eq(rig.id, fact.rigId))
    .where(and(standing(), ...which(filter)))
    .orderBy(...newestFirst)
    .limit(most)
    .offset(after)
    .all();
  const words = pointedTo(db);
  return rows.map((row) => entryOf(db, row, words));
}

/** Sums over all entries that stand, SI; `untold`: ended, and nobody said how many hectares. */
export function logSums(db: Database, filter: LogFilter = {}) {
  const ended = alias(fact, "ended");
  return db
    .select({
      entries: sql<number>`count(*)`,
      area: sql<number>`total(${workEnded.area})`,
      time: sql<number>`total(${workEnded.time})`,
      fuel: sql<number>`total(${workEnded.fuel})`,
      untold: sql<number>`count(${workEnded.seq}) - count(${workEnded.area})`,
    })
    .from(fact)
    .innerJoin(workBegun, eq(workBegun.seq, fact.seq))
    .innerJoin(work, eq(work.seq, workBegun.work))
    .leftJoin(
      ended,
      and(eq(ended.partOf, fact.seq), sql`${ended.kind} = ${written(WORK_ENDED)}`, standing("ended")),
    )
    .leftJoin(workEnded, eq(workEnded.seq, ended.seq))
    .where(and(standing(), ...which(filter)))
    .get()!;
}

const which = ({ rigs, fieldId, season }: LogFilter): (SQL | undefined)[] => [
  rigs === undefined
    ? undefined
    : sql`${fact.about} in (select 'rig ' || value from json_each(${listed(rigs)})) and ${isOfKind(WORK_BEGUN)}`,
  fieldId === undefined ? undefined : eq(work.fieldId, fieldId),
  season === undefined ? undefined : eq(work.season, season),
];

type Row = { fact: typeof fact.$inferSelect; work: typeof work.$inferSelect; frozen: Frozen; rig: string };

const endQuery = (db: Database) =>
  prepared(db, "end of work", () =>
    db
      .select({ fact, row: workEnded })
      .from(fact)
      .innerJoin(workEnded, eq(workEnded.seq, fact.seq))
      .where(and(eq(fact.partOf, sql.placeholder("begun")), standing()))
      .prepare(),
  );

const usedQuery = (db: Database) =>
  prepared(db, "used for work", () =>
    db
      .select({ row: workUsed })
      .from(fact)
      .innerJoin(workUsed, eq(workUsed.seq, fact.seq))
      .where(and(eq(fact.partOf, sql.placeholder("end")), standing()))
      .prepare(),
  );

function entryOf(
  db: Database,
  { fact: begun, work: set, frozen, rig: name }: Row,
  words: PointedTo,
): LogEntry {
  const field = words.field(set.fieldId);
  const line = set.line === null ? null : words.line(set.line);
  const end = endQuery(db).get({ begun: begun.seq });
  const used = end ? usedQuery(db).all({ end: end.fact.seq }) : [];
  return {
    id: begun.id,
    seq: begun.seq,
    rigId: begun.rigId!,
    rig: name,
    person: begun.person,
    begun: begun.happened,
    field: { id: field.id, name: field.name, farm: field.farm, client: field.client },
    fieldArea: field.area,
    operations: set.operations,
    crop: set.cropId === null ? null : words.crop(set.cropId).name,
    varieties: set.varieties.map(({ id, rows }) => ({ name: words.variety(id).name, rows })),
    season: set.season,
    line: line && { id: line.id, name: line.name },
    products: productsOf(
      words,
      set.products,
      used.map(({ row }) => row),
    ),
    frozen,
    ended: end
      ? {
          id: end.fact.id,
          person: end.fact.person,
          at: end.fact.happened,
          area: end.row.area,
          parts: end.row.parts,
          time: end.row.time,
          fuel: end.row.fuel,
          note: end.row.note,
        }
      : null,
    loads: loadsOf(db, begun.seq).map(({ of, row }) => ({
      id: of.id,
      name: row.name,
      number: row.number,
      destination: row.destination,
      mass: row.mass,
      moisture: row.moisture,
      person: of.person,
      at: of.happened,
    })),
    notes: notesOf(db, begun.seq),
  };
}

function productsOf(
  words: PointedTo,
  set: Row["work"]["products"],
  used: readonly { productId: number; amount: number }[],
) {
  const ids = [...new Set([...set.map(({ id }) => id), ...used.map(({ productId }) => productId)])];
  return ids.map((id) => {
    const { name, form } = words.product(id);
    const wanted = set.find((each) => each.id === id);
    return {
      id,
      name,
      form,
      rate: wanted?.rate ?? null,
      counted: wanted?.counted ?? false,
      used: used.find(({ productId }) => productId === id)?.amount ?? null,
    };
  });
}

function loadsOf(db: Database, begun: number) {
  return prepared(db, "loads of work", () =>
    db
      .select({ of: fact, row: workLoad })
      .from(fact)
      .innerJoin(workLoad, eq(workLoad.seq, fact.seq))
      .where(and(eq(fact.partOf, sql.placeholder("begun")), standing()))
      .orderBy(...inOrder)
      .prepare(),
  ).all({ begun });
}

function notesOf(db: Database, begun: number): LogEntry["notes"] {
  return prepared(db, "notes of work", () =>
    db
      .select({ of: fact, row: workNote })
      .from(fact)
      .innerJoin(workNote, eq(workNote.seq, fact.seq))
      .where(and(eq(fact.partOf, sql.placeholder("begun")), standing()))
      .orderBy(...inOrder)
      .prepare(),
  )
    .all({ begun })
    .map(({ of, row }) => ({
      id: of.id,
      text: row.text,
      photo: row.photoId,
      person: of.person,
      at: of.happened,
    }));
}

/** Seasons there is a log of, newest first. */
export function seasonsOf(db: Database): string[] {
  return db
    .selectDistinct({ season: work.season })
    .from(workBegun)
    .innerJoin(work, eq(work.seq, workBegun.work))
    .orderBy(sql`${work.season} desc`)
    .all()
    .map(({ season }) => season);
}
