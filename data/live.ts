/** What nobody took back: readings, sections, changes and proofs, for any number of machines at once. */
import { and, asc, eq, isNull, or, type SQL, sql } from "drizzle-orm";
import type { HourMark } from "../core/rig/due.ts";
import type { Change, Proof, Reading, SectionLayout, SectionPart } from "../core/rig/facts.ts";
import type { Database } from "./handle.ts";
import { among, listed, prepared } from "./prepared.ts";
import { change, proof, proofTerm, reading, retraction, section, sectionLayout } from "./schema.ts";

/** Readings that nobody took back, singly or with the import they came in. */
export const LIVE_READING: SQL = sql`${reading.id} not in (select ${retraction.readingId} from ${retraction} where ${retraction.readingId} is not null) and (${reading.batchId} is null or ${reading.batchId} not in (select ${retraction.batchId} from ${retraction} where ${retraction.batchId} is not null))`;

/** Joins a reading with the retraction that took it back, singly or with its import. */
export const TAKES_BACK_READING: SQL = sql`(${retraction.readingId} = ${reading.id} or (${reading.batchId} is not null and ${retraction.batchId} = ${reading.batchId}))`;

/** Joins a proof with the retraction that took it back, singly or with all that was accepted with it. */
export const TAKES_BACK_PROOF: SQL = sql`(${retraction.proofId} = ${proof.id} or (${proof.batchId} is not null and ${retraction.batchId} = ${proof.batchId}))`;

export function toReading(row: typeof reading.$inferSelect): Reading {
  const { id, dimension: key, value, step, rawText, instrument, person, measuredAt } = row;
  const { sitting, conditions, note, photoId } = row;
  return {
    id,
    key,
    value,
    step,
    rawText,
    instrument,
    person,
    measuredAt,
    sitting,
    conditions,
    note,
    photoId,
  };
}

export type Subjects = { machines: number[]; points: number[]; couplings: number[] };
export type ReadingRow = typeof reading.$inferSelect;

/**
 * The current sitting of each dimension of each subject, and the newest reading before it, oldest first. What is newest is told by the time
 * it happened and then by the order it came in: what waited on a device does not displace what was read after it. A yard keeps
 * every reading it ever had: those further back are history, and are not carried through every page.
 */
export function currentReadings(db: Database, { machines, points, couplings }: Subjects): ReadingRow[] {
  const query = prepared(db, "current readings", () => {
    const mine = or(
      among(reading.machineId, "machines"),
      among(reading.pointId, "points"),
      among(reading.couplingId, "couplings"),
    );
    const current = sql`
      with live as (
        select ${reading}.rowid as n, ${reading.machineId} as m, ${reading.pointId} as p, ${reading.couplingId} as c,
          ${reading.variantId} as v, ${reading.dimension} as d, ${reading.sitting} as sitting, ${reading.measuredAt} as at
        from ${reading} where ${mine} and ${LIVE_READING}),
      marked as (
        select n, m, p, c, v, d, at, sitting,
          first_value(sitting) over (partition by m, p, c, v, d order by at desc, n desc) as newest
        from live),
      before as (
        select n, row_number() over (partition by m, p, c, v, d order by at desc, n desc) as place
        from marked where sitting <> newest)
      select n from marked where sitting = newest
      union all
      select n from before where place = 1`;
    return db
      .select()
      .from(reading)
      .where(sql`${reading}.rowid in (${current})`)
      .orderBy(asc(reading.measuredAt), sql`${reading}.rowid`)
      .prepare();
  });
  return query.all({
    machines: listed(machines),
    points: listed(points),
    couplings: listed(couplings),
  });
}

/** An implement's sections are those of one variant, or of the whole tool. */
export const layoutKey = (machineId: number, variantId: number | null): string =>
  `${machineId}/${variantId ?? ""}`;

/** The newest layout of each implement and each of its variants, by `layoutKey`. */
export function currentSections(db: Database, machineIds: readonly number[]): Map<string, LiveLayout> {
  const query = prepared(db, "current sections", () => {
    const live = sql`not exists (select 1 from ${retraction} where ${retraction.layoutId} = ${sectionLayout.id} or (${sectionLayout.batchId} is not null and ${retraction.batchId} = ${sectionLayout.batchId}))`;
    const newest = sql`${sectionLayout}.rowid in (select n from (select ${sectionLayout}.rowid as n, row_number() over (partition by ${sectionLayout.machineId}, ${sectionLayout.variantId} order by ${sectionLayout.measuredAt} desc, ${sectionLayout}.rowid desc) as place from ${sectionLayout} where ${among(sectionLayout.machineId, "machines")} and ${live}) where place = 1)`;
    return db
      .select({ layout: sectionLayout, section })
      .from(sectionLayout)
      .innerJoin(section, eq(section.layoutId, sectionLayout.id))
      .where(newest)
      .orderBy(asc(section.layoutId), asc(section.number))
      .prepare();
  });
  const layouts = new Map<string, LiveLayout & { widths: number[]; parts: SectionPart[] }>();
  for (const { layout, section: each } of query.all({ machines: listed(machineIds) })) {
    const { id, instrument, person, measuredAt, machineId, variantId } = layout;
    const key = layoutKey(machineId, variantId);
    const known = layouts.get(key) ?? {
      id,
      machineId,
      variantId,
      widths: [],
      parts: [],
      instrument,
      person,
      measuredAt,
    };
    known.widths.push(each.width);
    known.parts.push({ ahead: each.ahead, product: each.product });
    layouts.set(key, known);
  }
  return layouts;
}

export type LiveLayout = SectionLayout & { machineId: number; variantId: number | null };

/** What the hour meters of some machines showed, each in the order of time. */
export function hourMarks(db: Database, machineIds: readonly number[]): Map<number, HourMark[]> {
  const query = prepared(db, "hour marks", () =>
    db
      .select()
      .from(reading)
      .where(and(eq(reading.dimension, "tractor.hours"), among(reading.machineId, "machines"), LIVE_READING))
      .orderBy(asc(reading.measuredAt))
      .prepare(),
  );
  const marks = new Map<number, HourMark[]>();
  for (const { machineId, measuredAt, value } of query.all({ machines: listed(machineIds) }))
    push(marks, machineId!, { at: measuredAt, value });
  return marks;
}

/** Changes of each machine, in the order they were recorded. */
export function liveChanges(db: Database, machineIds: readonly number[]): Map<number, Change[]> {
  const query = prepared(db, "live changes", () =>
    db
      .select({ row: change })
      .from(change)
      .leftJoin(retraction, eq(retraction.changeId, change.id))
      .where(and(isNull(retraction.id), among(change.machineId, "machines")))
      .orderBy(sql`${change}.rowid`)
      .prepare(),
  );
  const byMachine = new Map<number, Change[]>();
  for (const { row } of query.all({ machines: listed(machineIds) })) {
    const { id, kind, at, person, note, machineId } = row;
    push(byMachine, machineId, { id, kind, at, person, note });
  }
  return byMachine;
}

/** A proof and the tool it speaks of; null where it was told of the whole rig. */
export type LiveProof = Proof & { couplingId: number | null; variantId: number | null };

/** Proofs of each rig with their sums, the newest first. */
export function liveProofs(db: Database, rigIds: readonly number[]): Map<number, LiveProof[]> {
  const query = prepared(db, "live proofs", () =>
    db
      .select({ row: proof, term: proofTerm })
      .from(proof)
      .innerJoin(proofTerm, eq(proofTerm.proofId, proof.id))
      .leftJoin(retraction, TAKES_BACK_PROOF)
      .where(and(isNull(retraction.id), among(proof.rigId, "rigs")))
      .orderBy(sql`${proof.at} desc`, sql`${proof}.rowid desc`)
      .prepare(),
  );
  const proofs = new Map<string, LiveProof & { rigId: number; terms: Proof["terms"][number][] }>();
  for (const { row, term } of query.all({ rigs: listed(rigIds) })) {
    const { recordedAt: _, evidence: __, testId: ___, batchId: ____, ...rest } = row;
    const known = proofs.get(row.id) ?? { ...rest, terms: [] };
    known.terms.push({ key: term.dimension, coefficient: term.coefficient });
    proofs.set(row.id, known);
  }
  const byRig = new Map<number, LiveProof[]>();
  for (const { rigId, ...each } of proofs.values()) push(byRig, rigId, each);
  return byRig;
}

export function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}
