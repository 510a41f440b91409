/** Lists of steps as people edited them, and runs through them: who did what, when. */
import { randomUUID } from "node:crypto";
import { and, desc, eq, inArray, sql } from "drizzle-orm";
import type { SequenceKind, Step } from "../core/sequence/step.ts";
import type { Lists } from "../core/sequence/templates.ts";
import type { Database } from "./handle.ts";
import { run, runEvent, sequenceList } from "./schema.ts";

export type Run = typeof run.$inferSelect;
export type RunEvent = typeof runEvent.$inferSelect;
type Told = { person: string; at: Date };

/** The edited lists of implements, by machine; what was given back to its template is not among them. */
export function listsOf(db: Database, machineIds: readonly number[]): Map<number, Lists> {
  const rows = db
    .select()
    .from(sequenceList)
    .where(inArray(sequenceList.machineId, [...machineIds]))
    .orderBy(sql`${sequenceList}.rowid`)
    .all();
  const found = new Map<number, Map<SequenceKind, readonly Step[] | null>>();
  for (const { machineId, kind, steps } of rows) {
    const own = found.get(machineId) ?? new Map<SequenceKind, readonly Step[] | null>();
    found.set(machineId, own.set(kind, steps));
  }
  return new Map(
    [...found].map(([machineId, own]) => [
      machineId,
      Object.fromEntries([...own].filter(([, steps]) => steps !== null)) as Lists,
    ]),
  );
}

/** Keeps a list as edited, or with null gives it back to its template. */
export function keepList(
  db: Database,
  machineId: number,
  kind: SequenceKind,
  steps: Step[] | null,
  { person, at }: Told,
): void {
  db.insert(sequenceList)
    .values({ id: randomUUID(), machineId, kind, steps, person, at: at.toISOString() })
    .run();
}

/** The run that is under way of one sequence; null where none is, or the last one was finished or aborted. */
export function openRunOf(db: Database, rigId: number, machineId: number, kind: SequenceKind): Run | null {
  const last = db
    .select()
    .from(run)
    .where(and(eq(run.rigId, rigId), eq(run.machineId, machineId), eq(run.kind, kind)))
    .orderBy(desc(sql`${run}.rowid`))
    .limit(1)
    .get();
  if (!last) return null;
  const over = runEventsOf(db, [last.id]).some(({ what }) => what === "finished" || what === "aborted");
  return over ? null : last;
}

/** Runs of a rig, the newest first. */
export function runsOf(db: Database, rigId: number, most: number): Run[] {
  return db
    .select()
    .from(run)
    .where(eq(run.rigId, rigId))
    .orderBy(desc(sql`${run}.rowid`))
    .limit(most)
    .all();
}

/** Events of runs in the order they happened. */
export function runEventsOf(db: Database, runIds: readonly string[]): RunEvent[] {
  return db
    .select()
    .from(runEvent)
    .where(inArray(runEvent.runId, [...runIds]))
    .orderBy(sql`${runEvent}.rowid`)
    .all();
}

/** The steps done in a run and not taken back, in order. */
export function doneIn(events: readonly Pick<RunEvent, "what" | "step">[]): string[] {
  const done = new Set<string>();
  for (const { what, step } of events) {
    if (what === "done") done.add(step);
    if (what === "back") done.delete(step);
  }
  return [...done];
}

export type NewEvent = Pick<RunEvent, "what" | "step" | "said">;

/** Writes what happened, opening the run where it is the first; sent twice it is written once. */
export function keepRunEvents(
  db: Database,
  { id, rigId, machineId, kind }: Pick<Run, "id" | "rigId" | "machineId" | "kind">,
  events: readonly (NewEvent & { id?: string })[],
  { person, at }: Told,
): void {
  const stamp = { person, at: at.toISOString() };
  db.transaction((tx) => {
    tx.insert(run)
      .values({ id, rigId, machineId, kind, ...stamp })
      .onConflictDoNothing()
      .run();
    for (const { id: eventId = randomUUID(), ...event } of events)
      tx.insert(runEvent)
        .values({ id: eventId, runId: id, ...event, ...stamp })
        .onConflictDoNothing()
        .run();
  });
}
