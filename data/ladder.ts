/** What happened on rigs, for their ladders: couplings, runs, kept hoses, ticks of people, field tests. */
import { and, asc, eq, inArray, isNull, like, sql } from "drizzle-orm";
import type { SequenceKind } from "../core/sequence/step.ts";
import type { Database } from "./handle.ts";
import { TAKES_BACK_PROOF } from "./live.ts";
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
  const ticks = db
    .select({ row: hookupTick })
    .from(hookupTick)
    .leftJoin(retraction, eq(retraction.tickId, hookupTick.id))
    .where(and(isNull(retraction.id), inArray(hookupTick.rigId, ids), like(hookupTick.line, `${MARK}%`)))
    .orderBy(asc(hookupTick.at), sql`${hookupTick}.rowid`)
    .all()
    .map(({ row }) => row);
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
              .filter(({ rigId, at }) => rigId === id && at > since)
              .map(({ line, ...tick }) => [line.slice(MARK.length), tick]),
          ),
          proved: proofs
            .filter(({ rigId }) => rigId === id)
            .reduce<string | null>((latest, { at }) => (latest === null || at > latest ? at : latest), null),
        },
      ];
    }),
  );
}
