import { eq, gt, type SQL, sql } from "drizzle-orm";
import type { SQLiteTable } from "drizzle-orm/sqlite-core";
import { pointIdsOf } from "./facts.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import type { Rig } from "./rigs.ts";
import { change, proof, reading, retraction, sectionLayout, settingChange, weightFitted } from "./schema.ts";

/** How far each append-only table had grown when somebody last looked. */
export type Marks = Record<
  "reading" | "layout" | "change" | "proof" | "retraction" | "fitted" | "setting",
  number
>;

const TABLES = {
  reading,
  layout: sectionLayout,
  change,
  proof,
  retraction,
  fitted: weightFitted,
  setting: settingChange,
} as const;
const rowid = (table: SQLiteTable): SQL<number> => sql<number>`${table}.rowid`;

export function marksOf(db: Database): Marks {
  const last = (name: string, table: SQLiteTable) =>
    prepared(db, `last ${name}`, () =>
      db
        .select({ last: sql<number>`coalesce(max(${rowid(table)}), 0)` })
        .from(table)
        .prepare(),
    ).get()!.last;
  return Object.fromEntries(
    Object.entries(TABLES).map(([name, table]) => [name, last(name, table)]),
  ) as Marks;
}

/** What was written since: machines, points, couplings and rigs, each as one key. Null where it may be anything: an import was taken back, a setting changed. */
export function touchedSince(db: Database, marks: Marks, now: Marks): Set<string> | null {
  if (Object.entries(marks).every(([name, mark]) => now[name as keyof Marks] === mark)) return new Set();
  if (marks.setting !== now.setting) return null;
  const since = (table: SQLiteTable, mark: number) => gt(rowid(table), mark);
  const taken = db.select().from(retraction).where(since(retraction, marks.retraction)).all();
  if (taken.some(({ batchId }) => batchId !== null)) return null;
  const readings = [
    ...db.select().from(reading).where(since(reading, marks.reading)).all(),
    ...taken.flatMap(({ readingId }) =>
      readingId ? db.select().from(reading).where(eq(reading.id, readingId)).all() : [],
    ),
  ];
  const machines = [
    ...db.select().from(sectionLayout).where(since(sectionLayout, marks.layout)).all(),
    ...db.select().from(change).where(since(change, marks.change)).all(),
    ...taken.flatMap(({ layoutId, changeId }) => [
      ...(layoutId ? db.select().from(sectionLayout).where(eq(sectionLayout.id, layoutId)).all() : []),
      ...(changeId ? db.select().from(change).where(eq(change.id, changeId)).all() : []),
    ]),
  ];
  const proofs = [
    ...db.select().from(proof).where(since(proof, marks.proof)).all(),
    ...taken.flatMap(({ proofId }) =>
      proofId ? db.select().from(proof).where(eq(proof.id, proofId)).all() : [],
    ),
  ];
  return new Set([
    ...readings.map(({ machineId, pointId, couplingId }) =>
      machineId ? `machine ${machineId}` : pointId ? `point ${pointId}` : `coupling ${couplingId}`,
    ),
    ...machines.map(({ machineId }) => `machine ${machineId}`),
    ...proofs.map(({ rigId }) => `rig ${rigId}`),
    ...db
      .select()
      .from(weightFitted)
      .where(since(weightFitted, marks.fitted))
      .all()
      .map(({ rigId }) => `rig ${rigId}`),
  ]);
}

/** The keys under which a rig's facts are written. */
export function keysOf(rig: Rig): string[] {
  return [
    `rig ${rig.id}`,
    `machine ${rig.tractor.id}`,
    `machine ${rig.implement.id}`,
    ...pointIdsOf(rig).map((id) => `point ${id}`),
    `coupling ${rig.couplingId}`,
  ];
}
