/** Field tests as jobs: begun, measured observation by observation, accepted as proofs or taken back. */
import { randomUUID } from "node:crypto";
import { and, asc, desc, eq, isNull, sql } from "drizzle-orm";
import type { Accepted } from "../core/proof/accepting.ts";
import type { TestConditions } from "../core/proof/conditions.ts";
import type { TestKey } from "../core/proof/kinds.ts";
import { subjectColumns } from "./facts.ts";
import type { Database } from "./handle.ts";
import { TAKES_BACK_PROOF } from "./live.ts";
import type { Rig } from "./rigs.ts";
import { batch, fieldTest, observation, proof, proofTerm, reading, retraction } from "./schema.ts";

export type FieldTest = typeof fieldTest.$inferSelect;
export type KeptObservation = typeof observation.$inferSelect;

type Stamp = { person: string; at: Date };

export function beginTest(
  db: Database,
  rig: Rig,
  {
    id,
    kind,
    conditions,
    spacing,
    person,
    at,
  }: Stamp & {
    id: string;
    kind: TestKey;
    conditions: TestConditions;
    spacing: number | null;
  },
): void {
  db.insert(fieldTest)
    .values({
      id,
      rigId: rig.id,
      couplingId: rig.couplingId,
      variantId: rig.variant?.id ?? null,
      kind,
      conditions,
      spacing,
      person,
      at: at.toISOString(),
    })
    .onConflictDoNothing()
    .run();
}

/** The tests of a rig with the tool in view, as the variant it works as, that nobody took back, newest first. */
export function testsOfRig(db: Database, rig: Rig): FieldTest[] {
  return db
    .select({ row: fieldTest })
    .from(fieldTest)
    .leftJoin(retraction, eq(retraction.testId, fieldTest.id))
    .where(
      and(
        isNull(retraction.id),
        eq(fieldTest.rigId, rig.id),
        eq(fieldTest.couplingId, rig.couplingId),
        rig.variant ? eq(fieldTest.variantId, rig.variant.id) : isNull(fieldTest.variantId),
      ),
    )
    .orderBy(desc(sql`${fieldTest}.rowid`))
    .all()
    .map(({ row }) => row);
}

export function findTest(db: Database, rig: Rig, id: string): FieldTest | null {
  return testsOfRig(db, rig).find((each) => each.id === id) ?? null;
}

export function setTest(
  db: Database,
  id: string,
  changed: Partial<Pick<FieldTest, "conditions" | "spacing" | "rowToRow" | "note">>,
): void {
  db.update(fieldTest).set(changed).where(eq(fieldTest.id, id)).run();
}

/**
 * What was measured in a test and not taken back, in the order it was. Each has the number it was measured under: taking one back does not
 * make its neighbours neighbours of each other.
 */
export function observationsOf(db: Database, testId: string): (KeptObservation & { number: number })[] {
  return db
    .select({ row: observation, taken: retraction.id })
    .from(observation)
    .leftJoin(retraction, eq(retraction.observationId, observation.id))
    .where(eq(observation.testId, testId))
    .orderBy(asc(observation.at), sql`${observation}.rowid`)
    .all()
    .flatMap(({ row, taken }, number) => (taken === null ? [{ ...row, number }] : []));
}

export type NewObservation = Pick<KeptObservation, "id" | "values" | "choices" | "texts">;

/** Keeps observations, all or none; one that was sent twice is kept once. */
export function keepObservations(
  db: Database,
  testId: string,
  observations: readonly NewObservation[],
  { person, at }: Stamp,
): void {
  db.transaction((tx) => {
    for (const each of observations)
      tx.insert(observation)
        .values({ ...each, testId, person, at: at.toISOString() })
        .onConflictDoNothing()
        .run();
  });
}

export function leaveOut(db: Database, id: string, leftOut: boolean): void {
  db.update(observation).set({ leftOut }).where(eq(observation.id, id)).run();
}

/**
 * Accepts figures of a test: proofs, and the readings they write, as one batch. Returns its id, by which it is taken
 * back.
 */
export function acceptTest(
  db: Database,
  rig: Rig,
  testId: string,
  accepted: readonly Accepted[],
  { person, at }: Stamp,
): string {
  const batchId = randomUUID();
  const stamp = at.toISOString();
  db.transaction((tx) => {
    tx.insert(batch)
      .values({
        id: batchId,
        kind: "proof",
        fileName: "",
        hash: "",
        content: "",
        state: "taken",
        person,
        recordedAt: stamp,
      })
      .run();
    for (const { correction, terms, ...rest } of accepted) {
      const readingId = correction && randomUUID();
      if (correction && readingId)
        tx.insert(reading)
          .values({
            id: readingId,
            dimension: correction.key,
            ...subjectColumns(correction.key, rig),
            rawText: correction.rawText,
            value: correction.value,
            step: 0.001,
            sitting: readingId,
            note: rest.what,
            instrument: "field test",
            person,
            measuredAt: stamp,
            recordedAt: stamp,
            batchId,
          })
          .run();
      const id = randomUUID();
      tx.insert(proof)
        .values({
          id,
          rigId: rig.id,
          couplingId: rig.couplingId,
          variantId: rig.variant?.id ?? null,
          ...rest,
          readingId,
          testId,
          batchId,
          person,
          at: stamp,
          recordedAt: stamp,
        })
        .run();
      tx.insert(proofTerm)
        .values(terms.map(({ key, coefficient }) => ({ proofId: id, dimension: key, coefficient })))
        .run();
    }
  });
  return batchId;
}

export type Standing = Pick<
  typeof proof.$inferSelect,
  "id" | "testId" | "what" | "result" | "batchId" | "at" | "person"
>;

/** The accepted proofs of a rig's tests that stand, by test. */
export function acceptedOf(db: Database, rigId: number): Map<string, Standing[]> {
  const found = new Map<string, Standing[]>();
  const rows = db
    .select({ row: proof })
    .from(proof)
    .leftJoin(retraction, TAKES_BACK_PROOF)
    .where(and(isNull(retraction.id), eq(proof.rigId, rigId)))
    .orderBy(sql`${proof}.rowid`)
    .all();
  for (const { row } of rows) if (row.testId) found.set(row.testId, [...(found.get(row.testId) ?? []), row]);
  return found;
}
