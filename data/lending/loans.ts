/** Loans: that a machine went to another yard, came from one, or went back. */
import { randomUUID } from "node:crypto";
import { asc, eq, sql } from "drizzle-orm";
import type { Way } from "../../core/lending/machine-file.ts";
import type { Database } from "../handle.ts";
import { prepared } from "../prepared.ts";
import { aboutsOf, isOfKind, record, standingOf, type Told } from "../record.ts";
import { fact, lending } from "../schema/index.ts";

export const LENDING = "lending";

/** Where a machine is, as far as loans go. */
export type Lending = {
  /** by which it is known again */
  loan: string;
  way: Way;
  there: string;
  here: string;
  until: string;
  person: string;
  at: string;
  /** how this loan began here: it is our machine that went, or another's that came */
  began: Way;
};

/** The last that was said of each machine's loans; those that were never lent are not in it. */
export function lendingsOf(db: Database, machines: readonly number[]): Map<number, Lending> {
  const query = prepared(db, "lendings", () =>
    db
      .select({ fact, row: lending })
      .from(fact)
      .innerJoin(lending, eq(lending.seq, fact.seq))
      .where(standingOf(LENDING))
      .orderBy(asc(fact.seq))
      .prepare(),
  );
  const rows = query.all({ abouts: aboutsOf({ machine: machines }) });
  const began = new Map<string, Way>();
  for (const { fact, row } of rows) if (!began.has(fact.topic)) began.set(fact.topic, row.way);
  return new Map(
    rows.map(({ fact: { machineId, topic, person, happened }, row: { way, there, here, until } }) => [
      machineId!,
      { loan: topic, way, there, here, until, person, at: happened, began: began.get(topic)! },
    ]),
  );
}

/** Whether a machine is at another yard: one of ours that went, or one of another's that went back. */
const isElsewhere = ({ way, began }: Lending): boolean => way === "out" || (way === "back" && began === "in");

/** Machines that are at another yard, with the loan that took them there. */
export function machinesElsewhere(db: Database): Map<number, Lending> {
  const query = prepared(db, "machines ever lent", () =>
    db
      .selectDistinct({ id: fact.machineId })
      .from(lending)
      // Crossed, few loans are looked up among many facts; joined, every fact is looked up among the loans.
      .crossJoin(fact)
      .where(eq(fact.seq, lending.seq))
      .prepare(),
  );
  const lent = query.all().map(({ id }) => id!);
  return lent.length === 0
    ? new Map()
    : new Map([...lendingsOf(db, lent)].filter(([, loan]) => isElsewhere(loan)));
}

/** How a loan began in this yard: "out" where it is our machine that went, "in" where another's came; null of a loan that is not known here. */
export function loanBegan(db: Database, loan: string): Way | null {
  return (
    db
      .select({ way: lending.way })
      .from(fact)
      .innerJoin(lending, eq(lending.seq, fact.seq))
      .where(sql`${isOfKind(LENDING)} and ${fact.topic} = ${loan}`)
      .orderBy(asc(fact.seq))
      .get()?.way ?? null
  );
}

/** Notes that a machine went, came or went back. Out begins a loan; the others are of the one it is on. */
export function keepLending(
  db: Database,
  machineId: number,
  given: Pick<Lending, "way" | "there" | "here"> & { until?: string; loan?: string; partOf?: number | null },
  told: Told,
): void {
  const { way, there, here, until = "", loan = randomUUID(), partOf = null } = given;
  record(db, { kind: LENDING, about: { machineId }, topic: loan, partOf }, told, (seq) => {
    db.insert(lending).values({ seq, way, there, here, until }).run();
  });
}

/** Every loan a machine was on. */
export function loansOf(db: Database, machineId: number): string[] {
  return db
    .selectDistinct({ loan: fact.topic })
    .from(fact)
    .where(sql`${fact.about} = ${`machine ${machineId}`} and ${isOfKind(LENDING)}`)
    .all()
    .map(({ loan }) => loan);
}
