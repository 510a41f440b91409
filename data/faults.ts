/** Cases somebody practises finding faults on: what is hidden, what was measured, what was named. */
import { and, asc, eq } from "drizzle-orm";
import type { Hidden } from "../core/fault/hidden.ts";
import type { Ground } from "../core/fault/observe.ts";
import type { Database } from "./handle.ts";
import { factOf, newestFirst, record, standing, type Told } from "./record.ts";
import type { FaultStep } from "./schema/faults.ts";
import { fact, faultCase, faultStep } from "./schema/index.ts";

const CASE = "fault case";
const STEP = "fault step";

export type FaultCase = {
  /** of the fact */
  id: string;
  person: string;
  at: string;
  rigId: number | null;
  hidden: Hidden;
  ground: Ground;
  steps: FaultStep[];
};

/** Begins one; returns its id. */
export function beginCase(
  db: Database,
  { rigId, hidden, ground }: Pick<FaultCase, "rigId" | "hidden" | "ground">,
  by: Told,
): string {
  return record(db, { kind: CASE, about: rigId === null ? {} : { rigId } }, by, (seq) => {
    db.insert(faultCase).values({ seq, hidden, ground }).run();
  });
}

/** Adds a step. `id`: of the form, so that what is pressed twice is done once. */
export function stepCase(
  db: Database,
  caseId: string,
  step: FaultStep,
  { id, ...by }: Told & { id?: string },
): void {
  const of = factOf(db, caseId);
  if (!of) throw new RangeError("there is no such case");
  const { rigId } = of;
  record(db, { kind: STEP, about: rigId === null ? {} : { rigId }, partOf: of.seq, id }, by, (seq) => {
    db.insert(faultStep).values({ seq, step }).run();
  });
}

const stepsOf = (db: Database, seq: number): FaultStep[] =>
  db
    .select({ step: faultStep.step })
    .from(faultStep)
    .innerJoin(fact, eq(fact.seq, faultStep.seq))
    .where(eq(fact.partOf, seq))
    .orderBy(asc(fact.seq))
    .all()
    .map(({ step }) => step);

/** One case with all its steps; null where there is none. */
export function caseOf(db: Database, id: string): FaultCase | null {
  const row = db
    .select({ fact, hidden: faultCase.hidden, ground: faultCase.ground })
    .from(fact)
    .innerJoin(faultCase, eq(faultCase.seq, fact.seq))
    .where(and(eq(fact.id, id), standing()))
    .get();
  if (!row) return null;
  const { seq, person, happened, rigId } = row.fact;
  return { id, person, at: happened, rigId, hidden: row.hidden, ground: row.ground, steps: stepsOf(db, seq) };
}

/** The newest, with all their steps; at most so many. */
export function casesOf(db: Database, most: number): FaultCase[] {
  return db
    .select({ fact, hidden: faultCase.hidden, ground: faultCase.ground })
    .from(fact)
    .innerJoin(faultCase, eq(faultCase.seq, fact.seq))
    .where(standing())
    .orderBy(...newestFirst)
    .limit(most)
    .all()
    .map(({ fact: { id, seq, person, happened, rigId }, hidden, ground }) => ({
      id,
      person,
      at: happened,
      rigId,
      hidden,
      ground,
      steps: stepsOf(db, seq),
    }));
}
