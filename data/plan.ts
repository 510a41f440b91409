/** The plan of the season: what has to be done, who and what is there, what was pulled where, and plans that were kept. */
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { KeptPlan } from "../core/season/plan/kept.ts";
import { RERIG_USUAL, type RerigAct, type RerigSeconds } from "../core/season/rerig.ts";
import type { Database } from "./handle.ts";
import { isOfKind, newestFirst, record, standing, type Told } from "./record.ts";
import {
  fact,
  planAway,
  planDay,
  planDays,
  planDrives,
  planJob,
  planJobRig,
  planKept,
  planPerson,
  planPin,
  rerigTime,
} from "./schema/index.ts";

/** That what a plan is made from was told otherwise: no rig is judged by it. */
const TOLD = "plan-told";
export const KEPT = "plan-kept";

const told = (db: Database, what: string, by: Told) => record(db, { kind: TOLD, about: {}, topic: what }, by);

export type PlannedJob = Omit<typeof planJob.$inferSelect, "archivedAt"> & { rigs: number[] };
export type PlannedPerson = { id: number; name: string; drives: number[] };
export type PlannedAway = typeof planAway.$inferSelect;
export type PlannedDays = Omit<typeof planDays.$inferSelect, "id">;
export type PlannedPin = typeof planPin.$inferSelect;

/** Jobs that are planned, in the order their windows open. */
export function planJobs(db: Database): PlannedJob[] {
  const rigs = db.select().from(planJobRig).all();
  return db
    .select()
    .from(planJob)
    .where(isNull(planJob.archivedAt))
    .orderBy(asc(planJob.opens), asc(planJob.closes), asc(planJob.id))
    .all()
    .map(({ archivedAt: _, ...job }) => ({
      ...job,
      rigs: rigs.filter(({ jobId }) => jobId === job.id).map(({ rigId }) => rigId),
    }));
}

function setRigs(db: Database, jobId: number, rigs: readonly number[]): void {
  db.delete(planJobRig).where(eq(planJobRig.jobId, jobId)).run();
  for (const rigId of new Set(rigs)) db.insert(planJobRig).values({ jobId, rigId }).run();
}

/** Adds a job; returns its number. */
export function addPlanJob(db: Database, { rigs, ...job }: Omit<PlannedJob, "id">, by: Told): number {
  return db.transaction(() => {
    told(db, "job added", by);
    const { id } = db.insert(planJob).values(job).returning().get();
    setRigs(db, id, rigs);
    return id;
  });
}

/** Tells a job otherwise; what was pulled of it stays where its rigs may still do it. */
export function changePlanJob(db: Database, { id, rigs, ...job }: PlannedJob, by: Told): void {
  db.transaction(() => {
    told(db, "job", by);
    db.update(planJob).set(job).where(eq(planJob.id, id)).run();
    setRigs(db, id, rigs);
  });
}

/** Puts a job away, and what was pulled of it. */
export function putPlanJobAway(db: Database, id: number, by: Told): void {
  db.transaction(() => {
    told(db, "job put away", by);
    db.update(planJob).set({ archivedAt: by.at.toISOString() }).where(eq(planJob.id, id)).run();
    db.delete(planPin).where(eq(planPin.jobId, id)).run();
  });
}

/** Who drives, by name. */
export function planPeople(db: Database): PlannedPerson[] {
  const drives = db.select().from(planDrives).all();
  return db
    .select()
    .from(planPerson)
    .where(isNull(planPerson.archivedAt))
    .orderBy(asc(planPerson.id))
    .all()
    .map(({ id, name }) => ({
      id,
      name,
      drives: drives.filter(({ personId }) => personId === id).map(({ machineId }) => machineId),
    }));
}

export function addPlanPerson(db: Database, { name, drives }: Omit<PlannedPerson, "id">, by: Told): number {
  return db.transaction(() => {
    told(db, "person added", by);
    const { id } = db.insert(planPerson).values({ name }).returning().get();
    for (const machineId of new Set(drives)) db.insert(planDrives).values({ personId: id, machineId }).run();
    return id;
  });
}

export function putPlanPersonAway(db: Database, id: number, by: Told): void {
  db.transaction(() => {
    told(db, "person put away", by);
    db.update(planPerson).set({ archivedAt: by.at.toISOString() }).where(eq(planPerson.id, id)).run();
    db.delete(planAway).where(eq(planAway.personId, id)).run();
  });
}

/** Days machines and people are not there. */
export const planAways = (db: Database): PlannedAway[] =>
  db.select().from(planAway).orderBy(asc(planAway.from), asc(planAway.id)).all();

export function addPlanAway(db: Database, away: Omit<PlannedAway, "id">, by: Told): number {
  return db.transaction(() => {
    told(db, "away", by);
    return db.insert(planAway).values(away).returning().get().id;
  });
}

/** Tells when something is away otherwise; with nothing left of it, not at all. */
export function changePlanAway(
  db: Database,
  id: number,
  days: { from: string; to: string } | null,
  by: Told,
): void {
  db.transaction(() => {
    told(db, "away", by);
    if (days) db.update(planAway).set(days).where(eq(planAway.id, id)).run();
    else db.delete(planAway).where(eq(planAway.id, id)).run();
  });
}

/** From when to when is planned; null where nobody told. */
export function planDaysOf(db: Database): PlannedDays | null {
  const row = db.select().from(planDays).get();
  return row ? { first: row.first, count: row.count, week: row.week, late: row.late } : null;
}

export function setPlanDays(db: Database, days: PlannedDays, by: Told): void {
  db.transaction(() => {
    told(db, "days", by);
    db.insert(planDays)
      .values({ id: 1, ...days })
      .onConflictDoUpdate({ target: planDays.id, set: days })
      .run();
  });
}

/** Days that are another than their weekday: seconds by date. */
export const otherDays = (db: Database): Map<string, number> =>
  new Map(
    db
      .select()
      .from(planDay)
      .all()
      .map(({ day, time }) => [day, time]),
  );

export function setOtherDay(db: Database, day: string, time: number, by: Told): void {
  db.transaction(() => {
    told(db, "one day", by);
    db.insert(planDay).values({ day, time }).onConflictDoUpdate({ target: planDay.day, set: { time } }).run();
  });
}

export function likeItsWeekday(db: Database, day: string, by: Told): void {
  db.transaction(() => {
    told(db, "one day", by);
    db.delete(planDay).where(eq(planDay.day, day)).run();
  });
}

/** What was pulled somewhere, of jobs that are planned. */
export const planPins = (db: Database): PlannedPin[] =>
  db
    .select({ pin: planPin })
    .from(planPin)
    .innerJoin(planJob, and(eq(planJob.id, planPin.jobId), isNull(planJob.archivedAt)))
    .orderBy(asc(planPin.id))
    .all()
    .map(({ pin }) => pin);

/** Pulls a piece of work somewhere, in place of pieces that were pulled before. */
export function pullTo(
  db: Database,
  pin: Omit<PlannedPin, "id">,
  instead: readonly number[],
  by: Told,
): number {
  return db.transaction(() => {
    told(db, "pulled", by);
    if (instead.length > 0)
      db.delete(planPin)
        .where(inArray(planPin.id, [...instead]))
        .run();
    return db.insert(planPin).values(pin).returning().get().id;
  });
}

export function letGo(db: Database, pins: readonly number[], by: Told): void {
  if (pins.length === 0) return;
  db.transaction(() => {
    told(db, "let go", by);
    db.delete(planPin)
      .where(inArray(planPin.id, [...pins]))
      .run();
  });
}

/** Seconds each act of setting a tractor takes here. */
export function rerigSeconds(db: Database): RerigSeconds {
  const own = db.select().from(rerigTime).all();
  return { ...RERIG_USUAL, ...Object.fromEntries(own.map(({ act, time }) => [act, time])) };
}

export function setRerigTime(db: Database, act: RerigAct, time: number, by: Told): void {
  db.transaction(() => {
    told(db, "minutes of setting", by);
    db.insert(rerigTime)
      .values({ act, time })
      .onConflictDoUpdate({ target: rerigTime.act, set: { time } })
      .run();
  });
}

/** Keeps a plan; the newest counts. Returns its id. */
export function keepPlan(db: Database, plan: KeptPlan, by: Told): string {
  return record(db, { kind: KEPT, about: {} }, by, (seq) => {
    db.insert(planKept).values({ seq, plan }).run();
  });
}

/** The plan that counts, with who kept it and when; null where none was. */
export function keptPlan(db: Database): { id: string; plan: KeptPlan; person: string; at: string } | null {
  const row = db
    .select({ id: fact.id, plan: planKept.plan, person: fact.person, at: fact.happened })
    .from(planKept)
    .innerJoin(fact, eq(fact.seq, planKept.seq))
    .where(and(eq(fact.about, "yard"), isOfKind(KEPT), standing()))
    .orderBy(...newestFirst)
    .limit(1)
    .get();
  return row ?? null;
}
