import type { Hung } from "../core/dimension/attachment.ts";
import {
  DIMENSION_KEYS,
  type DimensionKey,
  dimension,
  isDimensionKey,
  type RecordOf,
} from "../core/dimension/catalogue.ts";
import type { Change, Reading, RigFacts } from "../core/rig/facts.ts";
import { gradeOf } from "../core/rig/grade.ts";
import { toolOf } from "../core/rig/resolve.ts";
import type { Database } from "./handle.ts";
import {
  currentReadings,
  currentSections,
  layoutKey,
  liveChanges,
  liveProofs,
  newestReading,
  type ReadingRow,
  type ToldRow,
  toldBy,
  toReading,
} from "./live.ts";
import { push } from "./push.ts";
import type { RigTool } from "./rigs.ts";
import { type Variant, variantsOf } from "./variants.ts";

export type SubjectColumns = {
  machineId?: number;
  pointId?: number;
  couplingId?: number;
  /** null: of the tool as a whole */
  variantId?: number | null;
};

/** A subject as a fact is given it: what it is about, and of which variant. */
export function ofSubject({ variantId = null, ...about }: SubjectColumns) {
  return { about, variantId };
}

/** Whose reading a dimension of this rig is; null where the rig has no such thing, as a tractor without a shaft in front. */
function columnsOf(subject: RecordOf, rig: RigTool): SubjectColumns | null {
  switch (subject) {
    case "tractor":
      return { machineId: rig.tractor.id };
    case "receiver mount":
      return { pointId: rig.receiver.id };
    case "hitch":
      return { pointId: rig.hitch.id };
    case "lead hitch":
      return rig.leadHitch && { pointId: rig.leadHitch.id };
    case "rear hitch":
      return rig.rearHitch && { pointId: rig.rearHitch.id };
    case "PTO":
      return rig.pto && { pointId: rig.pto.id };
    case "implement":
      return { machineId: rig.implement.id };
    case "coupling":
      return { couplingId: rig.couplingId };
  }
}

/** Whose reading one dimension is on a rig, in the words of its attachment; of its variant, where variants differ in it. */
export function subjectColumns(key: DimensionKey, rig: RigTool): SubjectColumns | null {
  const { subject, ofVariant } = dimension(key, rig.attachment);
  const columns = columnsOf(subject, rig);
  return columns && { ...columns, variantId: ofVariant ? (rig.variant?.id ?? null) : null };
}

const SUBJECTS = [
  "tractor",
  "receiver mount",
  "hitch",
  "lead hitch",
  "rear hitch",
  "PTO",
  "implement",
  "coupling",
] as const satisfies readonly RecordOf[];

/** The points a rig's readings may be kept on. */
export function pointIdsOf({ receiver, hitch, leadHitch, rearHitch, pto }: RigTool): number[] {
  return [receiver, hitch, leadHitch, rearHitch, pto].flatMap((each) => (each ? [each.id] : []));
}

/** What is known of a rig: facts nobody took back. */
export function rigFacts(db: Database, rig: RigTool): RigFacts {
  return factsOf(db, [rig]).get(rig.couplingId)!;
}

/** The newest reading of one dimension that counts on a rig, without anything else of it; null where there is none. */
export function currentReading(db: Database, rig: RigTool, key: DimensionKey): Reading | null {
  const subject = subjectColumns(key, rig);
  if (!subject) return null;
  const newest = (variantId: number | null) =>
    newestReading(db, { about: aboutOf(subject), slot: `${key}/${variantId ?? ""}` });
  const own = newest(subject.variantId ?? null);
  if (own || !rig.variant || !subject.variantId) return own;
  return standsOnVariant(key, rig, new Set()) ? newest(null) : null;
}

/** How a rig's tool hangs and what it is, without anything else of it. */
export function hungOf(db: Database, rig: RigTool): Hung {
  const kind = currentReading(db, rig, "tool.kind");
  return { attachment: rig.attachment, tool: toolOf({ readings: kind ? { "tool.kind": [kind] } : {} }) };
}

/** What is known of a rig with its tool whole and as each variant of it: `now` as it works at present. */
export function factsByVariant(
  db: Database,
  rig: RigTool,
): { variant: Variant | null; now: boolean; facts: RigFacts }[] {
  return [null, ...variantsOf(db, rig.implement.id)].map((variant) => ({
    variant,
    now: (variant?.id ?? null) === (rig.variant?.id ?? null),
    facts: rigFacts(db, { ...rig, variant }),
  }));
}

/** What is known of each rig as seen from its tools, by the id of the coupling. */
export function factsOf(db: Database, rigs: readonly RigTool[]): Map<number, RigFacts> {
  const machines = rigs.flatMap(({ tractor, implement }) => [tractor.id, implement.id]);
  const readings = bySubject(
    currentReadings(db, {
      machines,
      points: rigs.flatMap(pointIdsOf),
      couplings: rigs.map(({ couplingId }) => couplingId),
    }),
  );
  const sections = currentSections(
    db,
    rigs.map(({ implement }) => implement.id),
  );
  const told = toldBy(
    db,
    rigs.map(({ implement }) => implement.id),
  );
  const changes = liveChanges(db, machines);
  const proofs = liveProofs(
    db,
    rigs.map(({ couplingId }) => couplingId),
  );
  return new Map(
    rigs.map((rig) => [
      rig.couplingId,
      {
        attachment: rig.attachment,
        variant: rig.variant,
        ...sittings(rig, readings),
        told: toldOf(rig, told),
        sections: sections.get(layoutKey(rig.implement.id, rig.variant?.id ?? null)) ?? null,
        changes: [...(changes.get(rig.tractor.id) ?? []), ...(changes.get(rig.implement.id) ?? [])],
        proofs: (proofs.get(rig.couplingId) ?? []).filter(
          ({ variantId }) => variantId === (rig.variant?.id ?? null),
        ),
      },
    ]),
  );
}

/** What was changed on the rig's machines, the one that drives and the tool in view, as told. */
export function changesOf(db: Database, { tractor, implement }: RigTool): Change[] {
  const changes = liveChanges(db, [tractor.id, implement.id]);
  return [...(changes.get(tractor.id) ?? []), ...(changes.get(implement.id) ?? [])];
}

const subjectKey = ({
  machineId,
  pointId,
  couplingId,
  variantId,
}: Partial<Record<keyof SubjectColumns, number | null>>): string =>
  `${aboutOf({ machineId, pointId, couplingId })}/${variantId ?? ""}`;

/** What a reading's subject is called in the record. */
const aboutOf = ({
  machineId,
  pointId,
  couplingId,
}: Partial<Record<keyof SubjectColumns, number | null | undefined>>): string =>
  machineId ? `machine ${machineId}` : pointId ? `point ${pointId}` : `coupling ${couplingId}`;

function bySubject(rows: readonly ReadingRow[]): Map<string, Reading[]> {
  const found = new Map<string, Reading[]>();
  for (const row of rows) push(found, subjectKey(row.fact), toReading(row));
  return found;
}

/** The current sitting of each dimension, and what stood before it. Readings come oldest first. */
function sittings(rig: RigTool, found: Map<string, Reading[]>): Pick<RigFacts, "readings" | "previous"> {
  const readings: Partial<Record<DimensionKey, Reading[]>> = {};
  const previous: Partial<Record<DimensionKey, Reading>> = {};
  for (const subject of SUBJECTS) {
    const columns = columnsOf(subject, rig);
    const whole = (columns && found.get(subjectKey(columns))) ?? [];
    const ofVariant =
      (columns && rig.variant && found.get(subjectKey({ ...columns, variantId: rig.variant.id }))) ?? [];
    const own = new Set(ofVariant.map(({ key }) => key));
    for (const [from, each] of [
      ...whole.map((reading) => ["whole", reading] as const),
      ...ofVariant.map((reading) => ["variant", reading] as const),
    ]) {
      const { key, sitting } = each;
      // Two points of a train may carry the same dimension: only the one its entry names counts.
      if (!isDimensionKey(key) || dimension(key, rig.attachment).subject !== subject) continue;
      if (from === "whole" && rig.variant && !standsOnVariant(key, rig, own)) continue;
      const current = readings[key];
      if (current?.at(-1)?.sitting === sitting) current.push(each);
      else {
        if (current) previous[key] = current.at(-1)!;
        readings[key] = [each];
      }
    }
  }
  return { readings, previous };
}

/** What the implement of a rig tells, as the variant it works as. */
function toldOf(rig: RigTool, rows: readonly ToldRow[]): RigFacts["told"] {
  const own = rows.filter(({ machineId }) => machineId === rig.implement.id);
  const ofVariant = own.filter(({ variantId }) => rig.variant !== null && variantId === rig.variant.id);
  const keys = new Set(ofVariant.flatMap(({ key }) => (isDimensionKey(key) ? [key] : [])));
  const whole = own.filter(
    ({ key, variantId }) =>
      variantId === null && isDimensionKey(key) && (!rig.variant || standsOnVariant(key, rig, keys)),
  );
  return Object.fromEntries([...whole, ...ofVariant].map(({ key, ...told }) => [key, told]));
}

/** Whether a reading of the whole tool counts on a variant: always where variants do not differ, else until it has its own. */
function standsOnVariant(key: DimensionKey, rig: RigTool, own: ReadonlySet<DimensionKey>): boolean {
  const { ofVariant } = dimension(key, rig.attachment);
  return ofVariant === null || (ofVariant === "inherits" && !own.has(key));
}

/** Where one dimension's readings of a rig stand in the record; null where it has none such. */
export function placeOf(rig: RigTool, key: DimensionKey): { about: string; slot: string } | null {
  const subject = subjectColumns(key, rig);
  return subject && { about: aboutOf(subject), slot: `${key}/${subject.variantId ?? ""}` };
}

/** The subjects under which a rig's facts are written. */
export function aboutsOfRig(rig: RigTool): string[] {
  return [
    `rig ${rig.id}`,
    `machine ${rig.tractor.id}`,
    `machine ${rig.implement.id}`,
    ...pointIdsOf(rig).map((id) => `point ${id}`),
    `coupling ${rig.couplingId}`,
  ];
}

/** Whether a rig is among what was written about (`touchedSince`): any of its tools, or where it may be anything. */
export function isAmong(touched: ReadonlySet<string> | null, parts: readonly RigTool[]): boolean {
  return touched === null || parts.flatMap(aboutsOfRig).some((about) => touched.has(about));
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
  const layout =
    machineId === null ? undefined : currentSections(db, [machineId]).get(layoutKey(machineId, null));
  return { readings, sections: layout ? { widths: layout.widths, grade: gradeOf(layout.instrument) } : null };
}
