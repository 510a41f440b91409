/** What happened on rigs, for their ladders: couplings, runs, kept hoses, ticks of people, field tests. */
import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { SequenceKind } from "../core/sequence/step.ts";
import type { Database } from "./handle.ts";
import { TAKES_BACK_PROOF } from "./live.ts";
import { among, listed, prepared } from "./prepared.ts";
import type { Rig } from "./rigs.ts";
import { couplingEvent, hookupTick, hosePlan, proof, retraction, run, runEvent } from "./schema.ts";

export type LadderFacts = {
  coupled: { at: string; person: string } | null;
  runs: ReadonlyMap<SequenceKind, string>[];
  plugged: ReadonlySet<string> | null;
  ticks: ReadonlyMap<string, { person: string; at: string; id: string }>;
  proved: string | null;
};

const MARK = "ladder ";

/** The line a rung's tick is kept under. */
export const rungLine = (key: string) => `${MARK}${key}`;

/** Ladder facts of whole rigs, by rig. Ticks count from the last uncoupling on. */
export function ladderFacts(
  db: Database,
  rigs: ReadonlyMap<number, readonly Rig[]>,
): Map<number, LadderFacts> {
  const ids = [...rigs.keys()];
  const events = db
    .select({ row: couplingEvent })
    .from(couplingEvent)
    .leftJoin(retraction, eq(retraction.eventId, couplingEvent.id))
    .where(and(isNull(retraction.id), inArray(couplingEvent.rigId, ids)))
    .orderBy(asc(couplingEvent.at), sql`${couplingEvent}.rowid`)
    .all()
    .map(({ row }) => row);
  const ticks = newestTicks(db, ids);
  const runs = db
    .select({ rigId: run.rigId, machineId: run.machineId, kind: run.kind, at: runEvent.at })
    .from(run)
    .innerJoin(runEvent, and(eq(runEvent.runId, run.id), eq(runEvent.what, "finished")))
    .where(inArray(run.rigId, ids))
    .all();
  const plans = db
    .select()
    .from(hosePlan)
    .where(inArray(hosePlan.rigId, ids))
    .orderBy(sql`${hosePlan}.rowid`)
    .all();
  const proofs = db
    .select({ rigId: proof.rigId, at: proof.at })
    .from(proof)
    .leftJoin(retraction, TAKES_BACK_PROOF)
    .where(and(isNull(retraction.id), inArray(proof.rigId, ids)))
    .all();
  return new Map(
    [...rigs].map(([id, parts]): [number, LadderFacts] => {
      const own = events.filter(({ rigId }) => rigId === id);
      const last = own.at(-1);
      const since = own.findLast(({ kind }) => kind === "uncoupled")?.at ?? "";
      const plan = plans.findLast(({ rigId }) => rigId === id);
      return [
        id,
        {
          coupled: last?.kind === "coupled" ? { at: last.at, person: last.person } : null,
          runs: parts.map(
            ({ implement }) =>
              new Map(
                runs
                  .filter(({ rigId, machineId }) => rigId === id && machineId === implement.id)
                  .map(({ kind, at }) => [kind, at]),
              ),
          ),
          plugged: plan ? new Set(plan.places.map(({ kind, number }) => `${kind} ${number}`)) : null,
          ticks: new Map(
            ticks
              .filter((tick) => tick.rigId === id && tick.at > since)
              .map(({ line, person, at, id: tick }) => [line.slice(MARK.length), { person, at, id: tick }]),
          ),
          proved: proofs
            .filter(({ rigId }) => rigId === id)
            .reduce<string | null>((latest, { at }) => (latest === null || at > latest ? at : latest), null),
        },
      ];
    }),
  );
}

type NewestTick = { rigId: number; line: string; id: string; person: string; at: string };

/**
 * Of each rung the newest tick nobody took back: whether it still counts hangs on the last uncoupling. The lines come out of the index
 * alone, and each is looked up from its end, so that years of ticks cost little more than none.
 */
function newestTicks(db: Database, rigIds: readonly number[]): NewestTick[] {
  const query = prepared(db, "newest ladder ticks", () =>
    db
      .select({
        rigId: hookupTick.rigId,
        line: hookupTick.line,
        id: hookupTick.id,
        person: hookupTick.person,
        at: hookupTick.at,
      })
      .from(hookupTick)
      .where(
        sql`${hookupTick}.rowid in (
          select (select t.rowid from hookup_tick t
            where t.rig_id = lines.rig_id and t.line = lines.line
              and not exists (select 1 from retraction r where r.tick_id = t.id)
            order by t.at desc, t.rowid desc limit 1)
          from (select distinct rig_id, line from hookup_tick
            where ${among(sql.raw("rig_id"), "rigs")} and line >= ${MARK} and line < ${`${MARK.trim()}!`}) as lines)`,
      )
      .prepare(),
  );
  return query.all({ rigs: listed(rigIds) });
}
