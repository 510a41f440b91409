/** What happened on rigs, for their ladders: couplings, runs, kept hoses, ticks of people, field tests. */
import { and, eq, inArray, sql } from "drizzle-orm";
import { dayBegan, type LastRun } from "../core/ladder/ended.ts";
import { isAfter, type Moment } from "../core/rig/facts.ts";
import type { SequenceKind } from "../core/sequence/step.ts";
import type { Database } from "./handle.ts";
import { COUPLING, RUNG } from "./hookup.ts";
import { newestPlans } from "./hoses.ts";
import { PROOF } from "./live.ts";
import { prepared } from "./prepared.ts";
import { push } from "./push.ts";
import { aboutsOf, isNewest, newestFirst, newestIn, slotsOf, standingOf } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { couplingEvent, fact, runEvent } from "./schema/index.ts";
import { RUN_EVENT } from "./sequences.ts";

export type LadderFacts = {
  coupled: { at: string; person: string } | null;
  runs: ReadonlyMap<SequenceKind, LastRun>[];
  /** since when it is the same working day */
  day: string;
  plugged: ReadonlySet<string> | null;
  /** when it was uncoupled last; null where it never was */
  since: string | null;
  ticks: ReadonlyMap<string, { person: string; at: string; id: string }>;
  proved: string | null;
};

const BEFORE_ALL: Moment = { at: "", seq: 0 };

/** What the record says for a ladder, whatever the time is: with it, when somebody did something on the rig lately. */
export type LadderRead = Omit<LadderFacts, "day"> & { acts: readonly string[] };

/** Ladder facts of whole rigs, by rig. */
export function ladderFacts(
  db: Database,
  rigs: ReadonlyMap<number, readonly RigTool[]>,
  now = new Date().toISOString(),
): Map<number, LadderFacts> {
  return new Map([...ladderRead(db, rigs, now)].map(([id, read]) => [id, ladderAt(read, now)]));
}

/** Ladder facts as of a time, of what was read at that time or before. */
export function ladderAt({ acts, ...read }: LadderRead, now: string): LadderFacts {
  const since = lookedBack(now);
  return {
    ...read,
    day: dayBegan(
      acts.filter((at) => at > since),
      now,
    ),
  };
}

/** Reads what ladders hang on, by rig. Ticks count from the last uncoupling on. */
export function ladderRead(
  db: Database,
  rigs: ReadonlyMap<number, readonly RigTool[]>,
  now: string,
): Map<number, LadderRead> {
  const ids = [...rigs.keys()];
  const couplings = [...rigs.values()].flat().map(({ couplingId }) => couplingId);
  const events = grouped(lastEvents(db, ids), ({ rigId }) => rigId);
  const ticks = grouped(newestTicks(db, ids), ({ rigId }) => rigId);
  const runs = grouped(lastRunEvents(db, couplings), ({ couplingId }) => couplingId);
  const plans = new Map(newestPlans(db, ids).map((plan) => [plan.rigId, plan]));
  const proved = newestProofs(db, couplings);
  const acts = actsOf(db, rigs, now);
  return new Map(
    [...rigs].map(([id, tools]): [number, LadderRead] => {
      const [last] = events.get(id) ?? [];
      const since = events.get(id)?.find(({ what }) => what === "uncoupled") ?? BEFORE_ALL;
      const plan = plans.get(id);
      return [
        id,
        {
          coupled: last?.what === "coupled" ? { at: last.at, person: last.person } : null,
          runs: tools.map(({ couplingId }) => lastRuns(runs.get(couplingId) ?? [])),
          acts: acts.get(id) ?? [],
          plugged:
            plan && isAfter(plan, since)
              ? new Set(plan.places.map(({ kind, number }) => `${kind} ${number}`))
              : null,
          since: since.at === "" ? null : since.at,
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

function lastRuns(rows: readonly { kind: string; what: string; at: string }[]): Map<SequenceKind, LastRun> {
  const found = new Map<SequenceKind, LastRun>();
  for (const { kind, what, at } of rows) {
    const last = found.get(kind as SequenceKind) ?? { finished: null, begun: null };
    const field = what === "finished" ? "finished" : "begun";
    found.set(kind as SequenceKind, { ...last, [field]: latest([last[field] ?? undefined, at]) });
  }
  return found;
}

/** A pause is looked for no further back, hours: with nothing since, the day begins now. */
const LOOKED_BACK = 48;
const lookedBack = (now: string) => new Date(Date.parse(now) - LOOKED_BACK * 3_600_000).toISOString();

/** When somebody did something on each rig lately: entered, ran or ticked. */
function actsOf(
  db: Database,
  rigs: ReadonlyMap<number, readonly RigTool[]>,
  now: string,
): Map<number, string[]> {
  const since = lookedBack(now);
  const query = prepared(db, "acts on rigs", () =>
    db
      .select({ about: fact.about, at: fact.happened })
      .from(fact)
      .where(
        sql`${fact.about} in (select value from json_each(${sql.placeholder("abouts")})) and ${fact.happened} > ${sql.placeholder("since")}`,
      )
      .prepare(),
  );
  const owner = new Map<string, number>();
  for (const [id, tools] of rigs) {
    owner.set(`rig ${id}`, id);
    for (const { couplingId } of tools) owner.set(`coupling ${couplingId}`, id);
  }
  const found = new Map<number, string[]>();
  for (const { about, at } of query.all({ abouts: JSON.stringify([...owner.keys()]), since }))
    push(found, owner.get(about!)!, at);
  return found;
}

/** The last time each sequence of each tool was run through, and the last time a step of it was done. */
function lastRunEvents(db: Database, couplingIds: readonly number[]) {
  const query = prepared(db, "last run events", () =>
    db
      .select({
        couplingId: fact.couplingId,
        kind: sql<string>`(select run.topic from fact run where run.seq = ${fact.partOf})`,
        what: runEvent.what,
        at: sql<string>`max(${fact.happened})`,
      })
      .from(fact)
      .innerJoin(runEvent, and(eq(runEvent.seq, fact.seq), inArray(runEvent.what, ["finished", "done"])))
      .where(standingOf(RUN_EVENT))
      .groupBy(fact.couplingId, sql`2`, runEvent.what)
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
