/** Lists of steps as people edited them, and runs through them: who did what, when. */
import { and, eq, type SQL, sql } from "drizzle-orm";
import type { SequenceKind, Step } from "../core/sequence/step.ts";
import type { Lists } from "../core/sequence/templates.ts";
import type { Database } from "./handle.ts";
import { listed, prepared } from "./prepared.ts";
import { aboutsOf, factOf, inOrder, isNewest, isOfKind, newestFirst, record, type Told } from "./record.ts";
import { coupling, fact, runEvent, sequenceList } from "./schema/index.ts";

const LIST = "sequence";
const RUN = "run";
export const RUN_EVENT = "run event";

export type Run = {
  id: string;
  seq: number;
  couplingId: number;
  machineId: number;
  kind: SequenceKind;
  person: string;
  at: string;
};
export type RunEvent = Omit<typeof runEvent.$inferSelect, "seq"> & {
  id: string;
  runId: string;
  step: string;
  person: string;
  at: string;
};

/** The edited lists of implements, by machine; what was given back to its template is not among them. */
export function listsOf(db: Database, machineIds: readonly number[]): Map<number, Lists> {
  const query = prepared(db, "sequence lists", () =>
    db
      .select({ machineId: fact.machineId, kind: fact.topic, steps: sequenceList.steps })
      .from(fact)
      .innerJoin(sequenceList, eq(sequenceList.seq, fact.seq))
      .where(isNewest(LIST))
      .prepare(),
  );
  const found = new Map<number, Lists>();
  for (const { machineId, kind, steps } of query.all({ abouts: aboutsOf({ machine: machineIds }) }))
    found.set(machineId!, { ...found.get(machineId!), ...(steps ? { [kind]: steps } : {}) });
  return found;
}

/** Keeps a list as edited, or with null gives it back to its template. */
export function keepList(
  db: Database,
  machineId: number,
  kind: SequenceKind,
  steps: Step[] | null,
  told: Told,
): void {
  record(db, { kind: LIST, about: { machineId }, topic: kind }, told, (seq) =>
    db.insert(sequenceList).values({ seq, steps }).run(),
  );
}

/** The run that is under way of one sequence; null where none is, or the last one was finished or aborted. */
export function openRunOf(db: Database, couplingId: number, kind: SequenceKind): Run | null {
  const [last] = runsWhere(
    db,
    sql`${fact.about} = ${`coupling ${couplingId}`} and ${fact.topic} = ${kind}`,
    1,
  );
  if (!last) return null;
  const over = runEventsOf(db, [last.id]).some(({ what }) => what === "finished" || what === "aborted");
  return over ? null : last;
}

/** Runs of a rig, the newest first. */
export function runsOf(db: Database, rigId: number, most: number): Run[] {
  return runsWhere(
    db,
    sql`${fact.about} in (select 'coupling ' || c.id from coupling c where c.rig_id = ${rigId})`,
    most,
  );
}

/** Runs of a tool begun since a time, in order. */
export function runsSince(db: Database, couplingId: number, since: string): Run[] {
  const of = sql`${fact.about} = ${`coupling ${couplingId}`} and ${fact.happened} >= ${since}`;
  return runsWhere(db, of, MOST_RUNS).reverse();
}

/** What stands after so many runs stands by the last of them. */
const MOST_RUNS = 60;

function runsWhere(db: Database, which: SQL, most: number): Run[] {
  return db
    .select({ fact, machineId: coupling.implementId })
    .from(fact)
    .innerJoin(coupling, eq(coupling.id, fact.couplingId))
    .where(and(isOfKind(RUN), which))
    .orderBy(...newestFirst)
    .limit(most)
    .all()
    .map(({ fact: { id, seq, couplingId, topic, person, happened }, machineId }) => ({
      id,
      seq,
      couplingId: couplingId!,
      machineId,
      kind: topic as SequenceKind,
      person,
      at: happened,
    }));
}

/** Events of runs in the order they happened. */
export function runEventsOf(db: Database, runIds: readonly string[]): RunEvent[] {
  const run = sql<string>`(select run.id from fact run where run.seq = ${fact.partOf})`;
  return db
    .select({ id: fact.id, runId: run, step: fact.topic, person: fact.person, at: fact.happened, runEvent })
    .from(fact)
    .innerJoin(runEvent, eq(runEvent.seq, fact.seq))
    .where(
      sql`${fact.partOf} in (select run.seq from fact run where run.id in (select value from json_each(${listed(runIds)})))`,
    )
    .orderBy(...inOrder)
    .all()
    .map(({ runEvent: { what, said }, ...of }) => ({ ...of, what, said }));
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
  { id, couplingId, kind }: Pick<Run, "id" | "couplingId" | "kind">,
  events: readonly (NewEvent & { id?: string })[],
  told: Told,
): void {
  const about = { couplingId };
  db.transaction(() => {
    record(db, { kind: RUN, about, id, topic: kind }, told);
    const partOf = factOf(db, id)!.seq;
    for (const { id: eventId, step, what, said } of events)
      record(db, { kind: RUN_EVENT, about, id: eventId, topic: step, partOf }, told, (seq) =>
        db.insert(runEvent).values({ seq, what, said }).run(),
      );
  });
}
