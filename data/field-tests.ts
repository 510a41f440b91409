/** Field tests as jobs: begun, measured observation by observation, accepted as proofs or taken back. */
import { randomUUID } from "node:crypto";
import { and, asc, eq, type SQL, sql } from "drizzle-orm";
import type { Accepted } from "../core/job/accepting.ts";
import type { Proof } from "../core/rig/facts.ts";
import type { TestConditions } from "../core/trade/field-conditions.ts";
import { rigFacts } from "./facts.ts";
import type { Database } from "./handle.ts";
import { PROOF } from "./live.ts";
import { keepReading } from "./readings.ts";
import {
  backing,
  factOf,
  inOrder,
  isOfKind,
  type NewFact,
  record,
  standing,
  TAKES_BACK,
  type Told,
} from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { fact, leftOut, observation, proof, proofReading, proofTerm, testSetup } from "./schema/index.ts";

const TEST = "field test";
const SET_UP = "set-up";
const OBSERVATION = "observation";
const LEFT_OUT = "left out";
const ACCEPTANCE = "acceptance";

type SetUp = Omit<typeof testSetup.$inferSelect, "seq">;

export type FieldTest = SetUp & { id: string; seq: number; kind: string; person: string; at: string };
export type KeptObservation = Omit<typeof observation.$inferSelect, "seq"> & {
  id: string;
  /** taken back or left out, it does not make its neighbours neighbours of each other */
  number: number;
  leftOut: boolean;
  person: string;
  at: string;
};

const ofTool = (rig: RigTool) => ({
  about: { couplingId: rig.couplingId },
  variantId: rig.variant?.id ?? null,
});

export function beginTest(
  db: Database,
  rig: RigTool,
  {
    id,
    kind,
    conditions,
    spacing,
    ...told
  }: Told & { id: string; kind: string; conditions: TestConditions; spacing: number | null },
): void {
  record(db, { kind: TEST, ...ofTool(rig), id, topic: kind }, told, (seq) =>
    keepSetUp(db, { ...ofTool(rig), partOf: seq }, { conditions, spacing, rowToRow: false, note: "" }, told),
  );
}

/** What a fact of a test is about, and that it is part of it. */
type OfTest = Pick<NewFact, "about" | "variantId" | "partOf">;

/** @throws where there is no such test */
function ofTest(db: Database, id: string): OfTest & { partOf: number } {
  const test = factOf(db, id);
  if (test?.kind !== TEST) throw new RangeError("There is no such field test.");
  return { about: { couplingId: test.couplingId }, variantId: test.variantId, partOf: test.seq };
}

function keepSetUp(db: Database, of: OfTest, told: SetUp, { id, ...by }: Told & { id?: string }): void {
  record(db, { kind: SET_UP, ...of, id }, by, (seq) =>
    db
      .insert(testSetup)
      .values({ seq, ...told })
      .run(),
  );
}

/** The tests of a rig with the tool in view, as the variant it works as, that nobody took back, newest first. */
export function testsOfRig(db: Database, rig: RigTool): FieldTest[] {
  return db
    .select({ fact, setUp: testSetup })
    .from(fact)
    .innerJoin(testSetup, sql`${testSetup.seq} = ${newestSetUp(sql`${fact.seq}`)}`)
    .where(
      and(
        eq(fact.about, `coupling ${rig.couplingId}`),
        isOfKind(TEST),
        sql`${fact.variantId} is ${rig.variant?.id ?? null}`,
        standing(),
      ),
    )
    .orderBy(sql`${fact.seq} desc`)
    .all()
    .map(({ fact: { id, seq, topic, person, happened }, setUp: { seq: _, ...setUp } }) => ({
      ...setUp,
      id,
      seq,
      kind: topic,
      person,
      at: happened,
    }));
}

export function findTest(db: Database, rig: RigTool, id: string): FieldTest | null {
  return testsOfRig(db, rig).find((each) => each.id === id) ?? null;
}

/** Sets a test up otherwise; what is not given stays as it is. `told.id`: of the device that says so, kept once however often it is sent. */
export function setTest(
  db: Database,
  id: string,
  changed: Partial<SetUp>,
  told: Told & { id?: string },
): void {
  const of = ofTest(db, id);
  const { seq: _, ...last } = db
    .select()
    .from(testSetup)
    .where(sql`${testSetup.seq} = ${newestSetUp(sql`${of.partOf}`)}`)
    .get()!;
  keepSetUp(db, of, { ...last, ...changed }, told);
}

const newestSetUp = (test: SQL) =>
  sql`(select f.seq from fact f where f.part_of = ${test} and f.kind = ${SET_UP} order by f.happened desc, f.seq desc limit 1)`;

/** What was measured in a test and not taken back, in the order it was, each under the number it was measured under. */
export function observationsOf(db: Database, testId: string): KeptObservation[] {
  const out = sql<number>`coalesce((select l.out from left_out l join fact f on f.seq = l.seq where l.observation = ${observation.seq} order by f.happened desc, f.seq desc limit 1), 0)`;
  return db
    .select({ fact, observation, out, taken: backing.seq })
    .from(fact)
    .innerJoin(observation, eq(observation.seq, fact.seq))
    .leftJoin(backing, TAKES_BACK)
    .where(eq(fact.partOf, ofTest(db, testId).partOf))
    .orderBy(...inOrder)
    .all()
    .flatMap(({ fact: { id, person, happened: at }, observation: { seq: _, ...row }, out, taken }, number) =>
      taken === null ? [{ ...row, id, number, leftOut: out === 1, person, at }] : [],
    );
}

export type NewObservation = Pick<KeptObservation, "id" | "values" | "choices" | "texts">;

/** Keeps observations, all or none; one that was sent twice is kept once. */
export function keepObservations(
  db: Database,
  testId: string,
  observations: readonly NewObservation[],
  told: Told,
): void {
  const of = ofTest(db, testId);
  db.transaction(() => {
    for (const { id, ...rest } of observations)
      record(db, { kind: OBSERVATION, ...of, id }, told, (seq) =>
        db
          .insert(observation)
          .values({ seq, ...rest })
          .run(),
      );
  });
}

/** Leaves an observation out of the fit, or takes it in again. */
export function leaveOut(db: Database, id: string, out: boolean, told: Told): void {
  const { seq: observation, couplingId, variantId, partOf } = factOf(db, id)!;
  record(db, { kind: LEFT_OUT, about: { couplingId }, variantId, topic: id, partOf }, told, (seq) =>
    db.insert(leftOut).values({ seq, observation, out }).run(),
  );
}

/**
 * Accepts figures of a test: proofs, and the readings they write, as one. Returns its id, by which all of it is taken back.
 */
export function acceptTest(
  db: Database,
  rig: RigTool,
  testId: string,
  accepted: readonly Accepted[],
  told: Told,
): string {
  const { partOf: test } = ofTest(db, testId);
  return record(db, { kind: ACCEPTANCE, ...ofTool(rig) }, told, (acceptance) => {
    const written = accepted.map((each) => ({
      ...each,
      wrote: writeCorrection(db, rig, each, acceptance, told),
    }));
    // What a proof rests on is what counts once all of them have written.
    const facts = rigFacts(db, rig);
    for (const { correction: _, terms, what, how, result, sigma, evidence, wrote } of written)
      record(db, { kind: PROOF, ...ofTool(rig), partOf: acceptance }, told, (seq) => {
        db.insert(proof).values({ seq, what, how, result, sigma, evidence, wrote, test }).run();
        keepTerms(db, seq, terms, facts);
      });
  });
}

/** Writes the reading a figure corrects; returns its number, or null where it confirms what stood. */
function writeCorrection(
  db: Database,
  rig: RigTool,
  { correction, what }: Accepted,
  partOf: number,
  told: Told,
): number | null {
  if (!correction) return null;
  const id = randomUUID();
  const { key, rawText, value } = correction;
  keepReading(db, rig, {
    id,
    key,
    rawText,
    value,
    step: 0.001,
    note: what,
    instrument: "field test",
    partOf,
    ...told,
  });
  return factOf(db, id)!.seq;
}

/** A proof's sum, and the readings that count in it. */
function keepTerms(
  db: Database,
  seq: number,
  terms: Proof["terms"],
  { readings }: ReturnType<typeof rigFacts>,
): void {
  db.insert(proofTerm)
    .values(terms.map(({ key, coefficient }) => ({ proof: seq, dimension: key, coefficient })))
    .run();
  const rests = terms.flatMap(({ key }) => readings[key] ?? []);
  if (rests.length > 0)
    db.insert(proofReading)
      .values(rests.map((each) => ({ proof: seq, reading: each.seq })))
      .run();
}

/** Records a field test somebody tells of, without a job, and the sum it confirms; returns its id. */
export function keepProof(
  db: Database,
  rig: RigTool,
  { terms, what, how, result, ...told }: Told & Pick<Proof, "what" | "how" | "result" | "terms">,
): string {
  return record(db, { kind: PROOF, ...ofTool(rig) }, told, (seq) => {
    db.insert(proof).values({ seq, what, how, result }).run();
    keepTerms(db, seq, terms, rigFacts(db, rig));
  });
}

export type AcceptedProof = {
  id: string;
  what: string;
  result: string;
  /** what it was accepted with, by which all of it is taken back; null where it stands alone */
  acceptance: string | null;
  at: string;
  person: string;
};

/** The accepted proofs of a tool's tests that stand, by the test's id. */
export function acceptedOf(db: Database, rig: RigTool): Map<string, AcceptedProof[]> {
  const found = new Map<string, AcceptedProof[]>();
  const rows = db
    .select({
      id: fact.id,
      what: proof.what,
      result: proof.result,
      acceptance: sql<string | null>`(select a.id from fact a where a.seq = ${fact.partOf})`,
      test: sql<string | null>`(select t.id from fact t where t.seq = ${proof.test})`,
      at: fact.happened,
      person: fact.person,
    })
    .from(fact)
    .innerJoin(proof, eq(proof.seq, fact.seq))
    .where(and(eq(fact.about, `coupling ${rig.couplingId}`), isOfKind(PROOF), standing()))
    .orderBy(asc(fact.seq))
    .all();
  for (const { test, ...row } of rows) if (test) found.set(test, [...(found.get(test) ?? []), row]);
  return found;
}
