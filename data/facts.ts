import { and, eq, type SQL } from "drizzle-orm";
import { DIMENSION_KEYS, type DimensionKey, dimension, type Subject } from "../core/dimension/catalogue.ts";
import type { Reading, RigFacts } from "../core/rig/facts.ts";
import { gradeOf } from "../core/rig/grade.ts";
import type { Database } from "./handle.ts";
import {
  currentReadings,
  currentSections,
  liveChanges,
  liveProofs,
  push,
  type ReadingRow,
  toReading,
} from "./live.ts";
import type { Rig } from "./rigs.ts";
import { reading } from "./schema.ts";

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

const SUBJECTS = ["tractor", "receiver mount", "drawbar hole", "implement", "coupling"] as const;

/** What is known of a rig: facts nobody took back. */
export function rigFacts(db: Database, rig: Rig): RigFacts {
  return factsOf(db, [rig]).get(rig.id)!;
}

/** What is known of each rig, by its id. */
export function factsOf(db: Database, rigs: readonly Rig[]): Map<number, RigFacts> {
  const machines = rigs.flatMap(({ tractor, implement }) => [tractor.id, implement.id]);
  const readings = bySubject(
    currentReadings(db, {
      machines,
      points: rigs.flatMap(({ receiver, hole }) => [receiver.id, hole.id]),
      couplings: rigs.map(({ couplingId }) => couplingId),
    }),
  );
  const sections = currentSections(
    db,
    rigs.map(({ implement }) => implement.id),
  );
  const changes = liveChanges(db, machines);
  const proofs = liveProofs(
    db,
    rigs.map(({ id }) => id),
  );
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

const subjectKey = ({
  machineId,
  pointId,
  couplingId,
}: Partial<Record<keyof SubjectColumns, number | null>>): string =>
  machineId ? `m${machineId}` : pointId ? `p${pointId}` : `c${couplingId}`;

function bySubject(rows: readonly ReadingRow[]): Map<string, Reading[]> {
  const found = new Map<string, Reading[]>();
  for (const row of rows) push(found, subjectKey(row), toReading(row));
  return found;
}

/** The current sitting of each dimension, and what stood before it. Readings come oldest first. */
function sittings(rig: Rig, found: Map<string, Reading[]>): Pick<RigFacts, "readings" | "previous"> {
  const readings: Partial<Record<DimensionKey, Reading[]>> = {};
  const previous: Partial<Record<DimensionKey, Reading>> = {};
  const own = new Set(SUBJECTS.map((subject) => subjectKey(subjectColumns(subject, rig))));
  for (const subject of own)
    for (const each of found.get(subject) ?? []) {
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
  const subjects = DIMENSION_KEYS.flatMap((key) => subjectOf(key) ?? []);
  const found = bySubject(
    currentReadings(db, {
      machines: subjects.flatMap((each) => each.machineId ?? []),
      points: subjects.flatMap((each) => each.pointId ?? []),
      couplings: [],
    }),
  );
  const readings: Partial<Record<DimensionKey, Reading>> = {};
  for (const key of DIMENSION_KEYS) {
    const subject = subjectOf(key);
    const newest = subject && found.get(subjectKey(subject))?.findLast((each) => each.key === key);
    if (newest) readings[key] = newest;
  }
  const layout = machineId === null ? undefined : currentSections(db, [machineId]).get(machineId);
  return { readings, sections: layout ? { widths: layout.widths, grade: gradeOf(layout.instrument) } : null };
}
