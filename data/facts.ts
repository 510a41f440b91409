import { and, asc, eq, inArray, isNull, notExists, or, type SQL, sql } from "drizzle-orm";
import { DIMENSION_KEYS, type DimensionKey, dimension, type Subject } from "../core/dimension/catalogue.ts";
import type { Change, Proof, Reading, RigFacts, SectionLayout } from "../core/rig/facts.ts";
import { gradeOf } from "../core/rig/grade.ts";
import type { Database } from "./handle.ts";
import type { Rig } from "./rigs.ts";
import { change, proof, proofTerm, reading, retraction, section, sectionLayout } from "./schema.ts";

export type SubjectColumns = { machineId?: number; pointId?: number; couplingId?: number };

/** Whose reading a dimension of this rig is: the tractor's, the mount's, the hole's, the implement's, the coupling's. */
export function subjectColumns(subject: Subject, rig: Rig): SubjectColumns {
  switch (subject) {
    case "tractor":
      return { machineId: rig.tractor.id };
    case "receiver mount":
      return { pointId: rig.receiver.id };
    case "drawbar hole":
      return { pointId: rig.hole.id };
    case "implement":
      return { machineId: rig.implement.id };
    case "coupling":
      return { couplingId: rig.couplingId };
  }
}

/** Above this many rigs the whole table is read at once rather than by subject. */
const BY_SUBJECT = 60;

/** What is known of a rig: facts nobody took back. */
export function rigFacts(db: Database, rig: Rig): RigFacts {
  return factsOf(db, [rig]).get(rig.id)!;
}

/** What is known of each rig, by its id. */
export function factsOf(db: Database, rigs: readonly Rig[]): Map<number, RigFacts> {
  const scope = rigs.length <= BY_SUBJECT ? rigs : null;
  const readings = liveReadings(db, scope);
  const sections = sectionsOf(db, scope && scope.map(({ implement }) => implement.id));
  const changes = liveChanges(db, scope);
  const proofs = liveProofs(db, scope);
  return new Map(
    rigs.map((rig) => [
      rig.id,
      {
        ...sittings(rig, readings),
        sections: sections.get(rig.implement.id) ?? null,
        changes: [...(changes.get(rig.tractor.id) ?? []), ...(changes.get(rig.implement.id) ?? [])],
        proofs: proofs.get(rig.id) ?? [],
      },
    ]),
  );
}

type SubjectKey = string;
const subjectKey = ({
  machineId,
  pointId,
  couplingId,
}: Partial<Record<keyof SubjectColumns, number | null>>): SubjectKey =>
  machineId ? `m${machineId}` : pointId ? `p${pointId}` : `c${couplingId}`;

/** Readings that nobody took back, singly or with the import they came in. */
const LIVE_READING: SQL = sql`${reading.id} not in (select ${retraction.readingId} from ${retraction} where ${retraction.readingId} is not null) and (${reading.batchId} is null or ${reading.batchId} not in (select ${retraction.batchId} from ${retraction} where ${retraction.batchId} is not null))`;

function liveReadings(db: Database, rigs: readonly Rig[] | null): Map<SubjectKey, Reading[]> {
  const ids = (pick: (rig: Rig) => number[]) => [...new Set((rigs ?? []).flatMap(pick))];
  const mine = rigs
    ? or(
        inArray(
          reading.machineId,
          ids((rig) => [rig.tractor.id, rig.implement.id]),
        ),
        inArray(
          reading.pointId,
          ids((rig) => [rig.receiver.id, rig.hole.id]),
        ),
        inArray(
          reading.couplingId,
          ids((rig) => [rig.couplingId]),
        ),
      )
    : undefined;
  const rows = db.select().from(reading).where(and(mine, LIVE_READING)).orderBy(sql`${reading}.rowid`).all();
  const bySubject = new Map<SubjectKey, Reading[]>();
  for (const row of rows) push(bySubject, subjectKey(row), toReading(row));
  return bySubject;
}

export function toReading(row: typeof reading.$inferSelect): Reading {
  const { id, dimension: key, value, step, rawText, instrument, person, measuredAt } = row;
  const { conditions, note, photoId } = row;
  // Readings from before sittings were kept stand alone.
  const sitting = row.sitting || id;
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

/** The current sitting of each dimension, and what stood before it. Rows come oldest first. */
function sittings(rig: Rig, bySubject: Map<SubjectKey, Reading[]>): Pick<RigFacts, "readings" | "previous"> {
  const readings: Partial<Record<DimensionKey, Reading[]>> = {};
  const previous: Partial<Record<DimensionKey, Reading>> = {};
  const subjects = new Set(
    (["tractor", "receiver mount", "drawbar hole", "implement", "coupling"] as const).map((subject) =>
      subjectKey(subjectColumns(subject, rig)),
    ),
  );
  for (const subject of subjects)
    for (const each of bySubject.get(subject) ?? []) {
      const { key, sitting } = each;
      const current = readings[key];
      if (current?.at(-1)?.sitting === sitting) current.push(each);
      else {
        if (current) previous[key] = current.at(-1)!;
        readings[key] = [each];
      }
    }
  return { readings, previous };
}

function sectionsOf(db: Database, machineIds: readonly number[] | null): Map<number, SectionLayout> {
  const taken = db
    .select({ one: sql`1` })
    .from(retraction)
    .where(
      or(
        eq(retraction.layoutId, sectionLayout.id),
        and(sql`${sectionLayout.batchId} is not null`, eq(retraction.batchId, sectionLayout.batchId)),
      ),
    );
  const mine = machineIds ? inArray(sectionLayout.machineId, [...machineIds]) : undefined;
  const layouts = new Map(
    db
      .select()
      .from(sectionLayout)
      .where(and(mine, notExists(taken)))
      .orderBy(sql`${sectionLayout}.rowid`)
      .all()
      .map((layout) => [layout.machineId, layout]),
  );
  const widths = new Map<string, number[]>();
  const current = [...layouts.values()].map(({ id }) => id);
  const wanted = machineIds ? inArray(section.layoutId, current) : undefined;
  for (const row of db
    .select()
    .from(section)
    .where(wanted)
    .orderBy(asc(section.layoutId), asc(section.number))
    .all())
    push(widths, row.layoutId, row.width);
  return new Map(
    [...layouts].map(([machineId, { id, instrument, person, measuredAt }]) => [
      machineId,
      { id, widths: widths.get(id) ?? [], instrument, person, measuredAt },
    ]),
  );
}

function liveChanges(db: Database, rigs: readonly Rig[] | null): Map<number, Change[]> {
  const mine = rigs
    ? inArray(
        change.machineId,
        rigs.flatMap(({ tractor, implement }) => [tractor.id, implement.id]),
      )
    : undefined;
  const rows = db
    .select({ row: change })
    .from(change)
    .leftJoin(retraction, eq(retraction.changeId, change.id))
    .where(and(isNull(retraction.id), mine))
    .orderBy(sql`${change}.rowid`)
    .all();
  const byMachine = new Map<number, Change[]>();
  for (const { row } of rows) {
    const { id, kind, at, person, note, machineId } = row;
    push(byMachine, machineId, { id, kind, at, person, note });
  }
  return byMachine;
}

function liveProofs(db: Database, rigs: readonly Rig[] | null): Map<number, Proof[]> {
  const mine = rigs
    ? inArray(
        proof.rigId,
        rigs.map(({ id }) => id),
      )
    : undefined;
  const rows = db
    .select({ row: proof, term: proofTerm })
    .from(proof)
    .innerJoin(proofTerm, eq(proofTerm.proofId, proof.id))
    .leftJoin(retraction, eq(retraction.proofId, proof.id))
    .where(and(isNull(retraction.id), mine))
    .orderBy(sql`${proof}.rowid desc`)
    .all();
  const proofs = new Map<string, Proof & { rigId: number; terms: Proof["terms"][number][] }>();
  for (const { row, term } of rows) {
    const { recordedAt: _, ...rest } = row;
    const known = proofs.get(row.id) ?? { ...rest, terms: [] };
    known.terms.push({ key: term.dimension, coefficient: term.coefficient });
    proofs.set(row.id, known);
  }
  const byRig = new Map<number, Proof[]>();
  for (const { rigId, ...each } of proofs.values()) push(byRig, rigId, each);
  return byRig;
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}

/** The condition that names one dimension's readings on a rig. */
export function readingsOf(rig: Rig, key: DimensionKey): SQL {
  const { machineId, pointId, couplingId } = subjectColumns(dimension(key).subject, rig);
  return and(
    eq(reading.dimension, key),
    machineId ? eq(reading.machineId, machineId) : undefined,
    pointId ? eq(reading.pointId, pointId) : undefined,
    couplingId ? eq(reading.couplingId, couplingId) : undefined,
  )!;
}

/** The newest readings of one machine, wherever `subjectOf` says each dimension's are kept, and its sections. */
export function machineFacts(
  db: Database,
  subjectOf: (key: DimensionKey) => SubjectColumns | null,
  machineId: number | null,
): {
  readings: Partial<Record<DimensionKey, Reading>>;
  sections: { widths: readonly number[]; grade: string } | null;
} {
  const readings: Partial<Record<DimensionKey, Reading>> = {};
  for (const key of DIMENSION_KEYS) {
    const subject = subjectOf(key);
    if (!subject) continue;
    const row = db
      .select()
      .from(reading)
      .where(
        and(
          eq(reading.dimension, key),
          subject.machineId ? eq(reading.machineId, subject.machineId) : undefined,
          subject.pointId ? eq(reading.pointId, subject.pointId) : undefined,
          LIVE_READING,
        ),
      )
      .orderBy(sql`${reading}.rowid desc`)
      .get();
    if (row) readings[key] = toReading(row);
  }
  const layout = machineId === null ? undefined : sectionsOf(db, [machineId]).get(machineId);
  return { readings, sections: layout ? { widths: layout.widths, grade: gradeOf(layout.instrument) } : null };
}
