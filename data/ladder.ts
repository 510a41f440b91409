/** What happened on rigs, for their ladders: couplings, runs, kept hoses, ticks of people, field tests. */
import { and, eq, sql } from "drizzle-orm";
import { isAfter, type Moment } from "../core/rig/facts.ts";
import type { SequenceKind } from "../core/sequence/step.ts";
import type { Database } from "./handle.ts";
import { COUPLING, RUNG } from "./hookup.ts";
import { newestPlans } from "./hoses.ts";
import { PROOF, push } from "./live.ts";
import { prepared } from "./prepared.ts";
import { aboutsOf, inOrder, isNewest, newestFirst, newestIn, slotsOf, standingOf } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { couplingEvent, fact, runEvent } from "./schema/index.ts";
import { RUN_EVENT } from "./sequences.ts";

export type LadderFacts = {
  coupled: { at: string; person: string } | null;
  runs: ReadonlyMap<SequenceKind, string>[];
  plugged: ReadonlySet<string> | null;
  ticks: ReadonlyMap<string, { person: string; at: string; id: string }>;
  proved: string | null;
};

const BEFORE_ALL: Moment = { at: "", seq: 0 };

/** Ladder facts of whole rigs, by rig. Ticks count from the last uncoupling on. */
export function ladderFacts(
  db: Database,
  rigs: ReadonlyMap<number, readonly RigTool[]>,
): Map<number, LadderFacts> {
  const ids = [...rigs.keys()];
  const couplings = [...rigs.values()].flat().map(({ couplingId }) => couplingId);
  const events = grouped(lastEvents(db, ids), ({ rigId }) => rigId);
  const ticks = grouped(newestTicks(db, ids), ({ rigId }) => rigId);
  const runs = grouped(finishedRuns(db, couplings), ({ couplingId }) => couplingId);
  const plans = new Map(newestPlans(db, ids).map(({ rigId, places }) => [rigId, places]));
  const proved = newestProofs(db, couplings);
  return new Map(
    [...rigs].map(([id, tools]): [number, LadderFacts] => {
      const [last] = events.get(id) ?? [];
      const since = events.get(id)?.find(({ what }) => what === "uncoupled") ?? BEFORE_ALL;
      const places = plans.get(id);
      return [
        id,
        {
          coupled: last?.what === "coupled" ? { at: last.at, person: last.person } : null,
          runs: tools.map(
            ({ couplingId }) =>
              new Map((runs.get(couplingId) ?? []).map(({ kind, at }) => [kind as SequenceKind, at])),
          ),
          plugged: places ? new Set(places.map(({ kind, number }) => `${kind} ${number}`)) : null,
          ticks: new Map(
            (ticks.get(id) ?? [])
              .filter((tick) => isAfter(tick, since))
              .map(({ rung, person, at, id: tick }) => [rung, { person, at, id: tick }]),
          ),
          proved: latest(tools.map(({ couplingId }) => proved.get(couplingId))),
        },
      ];
    }),
  );
}

function grouped<T>(rows: readonly T[], by: (row: T) => number | null): Map<number | null, T[]> {
  const found = new Map<number | null, T[]>();
  for (const row of rows) push(found, by(row), row);
  return found;
}

function latest(times: readonly (string | undefined)[]): string | null {
  return times.reduce<string | null>((last, at) => (at && (last === null || at > last) ? at : last), null);
}

/** The last event of each rig, and the last time it was uncoupled, the newest first. */
function lastEvents(db: Database, rigIds: readonly number[]) {
  const query = prepared(db, "last coupling events", () => {
    const uncoupled = sql`and exists (select 1 from coupling_event e where e.seq = f.seq and e.what = 'uncoupled')`;
    return db
      .select({
        rigId: fact.rigId,
        what: couplingEvent.what,
        person: fact.person,
        at: fact.happened,
        seq: fact.seq,
      })
      .from(fact)
      .innerJoin(couplingEvent, eq(couplingEvent.seq, fact.seq))
      .where(
        sql`${fact.seq} in (with recursive ${slotsOf(COUPLING)}
          select ${newestIn(COUPLING, "slots")} from slots where slots.slot is not null
          union all select ${newestIn(COUPLING, "slots", uncoupled)} from slots where slots.slot is not null)`,
      )
      .orderBy(...newestFirst)
      .prepare();
  });
  return query.all({ abouts: aboutsOf({ rig: rigIds }) });
}

/** Of each rung the newest tick nobody took back: whether it still counts hangs on the last uncoupling. */
function newestTicks(db: Database, rigIds: readonly number[]) {
  const query = prepared(db, "newest ladder ticks", () =>
    db
      .select({
        rigId: fact.rigId,
        rung: fact.topic,
        id: fact.id,
        person: fact.person,
        at: fact.happened,
        seq: fact.seq,
      })
      .from(fact)
      .where(isNewest(RUNG))
      .prepare(),
  );
  return query.all({ abouts: aboutsOf({ rig: rigIds }) });
}

/** Runs that were finished, in order: the last of a kind is when it was done last. */
function finishedRuns(db: Database, couplingIds: readonly number[]) {
  const query = prepared(db, "finished runs", () =>
    db
      .select({
        couplingId: fact.couplingId,
        kind: sql<string>`(select run.topic from fact run where run.seq = ${fact.partOf})`,
        at: fact.happened,
      })
      .from(fact)
      .innerJoin(runEvent, and(eq(runEvent.seq, fact.seq), eq(runEvent.what, "finished")))
      .where(standingOf(RUN_EVENT))
      .orderBy(...inOrder)
      .prepare(),
  );
  return query.all({ abouts: aboutsOf({ coupling: couplingIds }) });
}

/** When each tool was proved last, of what nobody took back. */
function newestProofs(db: Database, couplingIds: readonly number[]): Map<number, string> {
  const query = prepared(db, "newest proofs", () =>
    db
      .select({ couplingId: fact.couplingId, at: sql<string>`max(${fact.happened})` })
      .from(fact)
      .where(standingOf(PROOF))
      .groupBy(fact.couplingId)
      .prepare(),
  );
  const rows = query.all({ abouts: aboutsOf({ coupling: couplingIds }) });
  return new Map(rows.map(({ couplingId, at }) => [couplingId!, at]));
}
