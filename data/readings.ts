import { randomUUID } from "node:crypto";
import { and, eq, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import { type Attachment, hangsOn } from "../core/dimension/attachment.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../core/dimension/change.ts";
import type { ConditionKey } from "../core/dimension/condition.ts";
import type { PointKind } from "../core/dimension/point-kinds.ts";
import type { Reading } from "../core/rig/facts.ts";
import type { Instrument } from "../core/rig/grade.ts";
import { type Layout, READING, writeReading, writeSections } from "./entries.ts";
import { aboutsOfRig, ofSubject, placeOf, subjectColumns } from "./facts.ts";
import type { Database } from "./handle.ts";
import { CHANGE, TOLD, toReading } from "./live.ts";
import { listed } from "./prepared.ts";
import {
  backing,
  factOf,
  isOfKind,
  newestFirst,
  record,
  SETTING,
  TAKES_BACK,
  type Told,
  takeBack,
} from "./record.ts";
import type { RigTool } from "./rigs.ts";
import {
  change,
  coupling,
  fact,
  implementTold,
  imported,
  machine,
  photo,
  point,
  reading,
} from "./schema/index.ts";

export type NewReading = Told & {
  key: DimensionKey;
  instrument: Instrument;
  rawText: string;
  value: number;
  step: number;
  reason?: string;
  /** given by the device that took it, so that sending it twice keeps it once */
  id?: string;
  /** repeats share it; without one the reading stands alone */
  sitting?: string;
  conditions?: ConditionKey[];
  note?: string;
  photo?: { type: "image/jpeg" | "image/png" | "image/webp"; bytes: Buffer } | null;
  /** it was set to another value, not merely read again: what else hangs on that goes stale */
  changed?: { kind: ChangeKind; note: string } | null;
  /** the number of what it came with */
  partOf?: number | null;
};

/** Appends a reading to the subject the catalogue names; returns its id. An id that is there already is left as it is. */
export function keepReading(db: Database, rig: RigTool, given: NewReading): string {
  const {
    key,
    person,
    at,
    now = at,
    id,
    photo: picture = null,
    changed = null,
    partOf = null,
    ...rest
  } = given;
  const subject = subjectColumns(key, rig);
  if (!subject) throw new RangeError(`${rig.name} has nothing that ${key} could be read of`);
  const of = { ...ofSubject(subject), id, topic: key, partOf };
  return db.transaction(() => {
    if (id && factOf(db, id)) return id;
    const photoId = picture && keepPhoto(db, picture, now);
    return writeReading(db, of, { person, at, now }, { ...rest, photoId }, (seq) => {
      // What was set to another value was changed just before: what hangs on it goes stale, the reading itself does not.
      const before = new Date(at.getTime() - 1);
      if (changed) keepChange(db, rig, { ...changed, person, at: before, now, partOf: seq });
    });
  });
}

export type NewTold = { key: DimensionKey; value: number; rawText: string };

/** Keeps what an implement told of itself in one look at its page: all of it as one fact, taken back as one; returns its id. */
export function keepTold(
  db: Database,
  rig: RigTool,
  lines: readonly NewTold[],
  id: string,
  told: Told,
): string {
  db.transaction(() => {
    if (factOf(db, id)) return;
    let first: number | null = null;
    for (const [index, { key, ...row }] of lines.entries()) {
      // An implement always has what is its own.
      const of = { ...ofSubject(subjectColumns(key, rig)!), topic: key, partOf: first };
      record(db, { kind: TOLD, ...of, ...(index === 0 ? { id } : {}) }, told, (seq) => {
        first ??= seq;
        db.insert(implementTold)
          .values({ seq, ...row })
          .run();
      });
    }
  });
  return id;
}

/** Keeps a picture; returns its id. */
export function keepPhoto(db: Database, picture: NonNullable<NewReading["photo"]>, now: Date): string {
  const id = randomUUID();
  db.insert(photo)
    .values({ id, ...picture, recordedAt: now.toISOString() })
    .run();
  return id;
}

/** Records that something on one of the rig's machines was changed; returns its id. */
export function keepChange(
  db: Database,
  rig: RigTool,
  { kind, note, partOf = null, ...told }: Told & { kind: ChangeKind; note: string; partOf?: number | null },
): string {
  const machineId = CHANGES[kind].machine === "tractor" ? rig.tractor.id : rig.implement.id;
  return record(db, { kind: CHANGE, about: { machineId }, topic: kind, partOf }, told, (seq) =>
    db.insert(change).values({ seq, note }).run(),
  );
}

/** Appends a section layout, widths in metres from left to right; returns its id. */
export function keepSections(
  db: Database,
  rig: RigTool,
  widths: readonly number[],
  { id, parts = [], instrument, ...told }: Told & Omit<Layout, "widths"> & { id?: string },
): string {
  const of = { about: { machineId: rig.implement.id }, variantId: rig.variant?.id ?? null, id };
  return writeSections(db, of, told, { instrument, widths, parts });
}

/** What went out, or tells who changed a setting, stays said. */
const FOR_GOOD: readonly string[] = [SETTING, "card", "read-back", "run", "run event"];

/**
 * Takes a fact about this rig or one of its machines back: a reading, a change, a tick, all that was accepted of a test; what stood before
 * stands again. Returns false where this rig has no such thing, or it was taken back already.
 */
export function retract(db: Database, rig: RigTool, id: string, told: Told): boolean {
  const known = factOf(db, id);
  if (!known || FOR_GOOD.includes(known.kind)) return false;
  if (!aboutsOfRig(rig).includes(known.about!)) return false;
  return takeBack(db, id, told);
}

export type PastReading = Reading & {
  reason: string;
  /** who took it back and when; null while it stands */
  takenBack: { person: string; at: string } | null;
  /** the file it came in */
  fromFile: string | null;
};

/** Every reading of one dimension of a rig, newest first, those taken back as well. */
export function historyOf(db: Database, rig: RigTool, key: DimensionKey): PastReading[] {
  const place = placeOf(rig, key);
  if (!place) return [];
  return db
    .select({ fact, reading, taken: backing, from: imported.fileName })
    .from(fact)
    .innerJoin(reading, eq(reading.seq, fact.seq))
    .leftJoin(backing, TAKES_BACK)
    .leftJoin(imported, eq(imported.seq, fact.partOf))
    .where(and(eq(fact.about, place.about), isOfKind(READING), eq(fact.slot, place.slot)))
    .orderBy(...newestFirst)
    .all()
    .map(({ taken, from, ...row }) => ({
      ...toReading(row),
      reason: row.reading.reason,
      takenBack: taken && { person: taken.person, at: taken.happened },
      fromFile: from,
    }));
}

export function findPhoto(db: Database, id: string): { type: string; bytes: Buffer } | null {
  return (
    db.select({ type: photo.type, bytes: photo.bytes }).from(photo).where(eq(photo.id, id)).get() ?? null
  );
}

export type ListedReading = Reading & {
  /** in whose words it is written down */ attachment: Attachment;
  machine: string;
  point: string;
  takenBack: boolean;
};

/** Readings are fetched so many at a time: a list of all of them is longer than a page may wait. */
const AT_ONCE = 2_000;

/** Every reading in the yard, not of practice rigs, or of one rig's machines, as they came in, those taken back as well. */
export function* listReadings(db: Database, rig: RigTool | null): Generator<ListedReading> {
  const implement = alias(machine, "implement");
  const holder = alias(machine, "holder");
  const mine = rig
    ? sql`${fact.about} in (select value from json_each(${listed(aboutsOfRig(rig))}))`
    : sql`coalesce(${machine.practice}, ${holder.practice}, ${implement.practice}) = 0`;
  const query = db
    .select({ fact, reading, machine, point, holder, implement, taken: backing.seq })
    .from(fact)
    .innerJoin(reading, eq(reading.seq, fact.seq))
    .leftJoin(machine, eq(machine.id, fact.machineId))
    .leftJoin(point, eq(point.id, fact.pointId))
    .leftJoin(holder, eq(holder.id, point.machineId))
    .leftJoin(coupling, eq(coupling.id, fact.couplingId))
    .leftJoin(implement, eq(implement.id, coupling.implementId))
    .leftJoin(backing, TAKES_BACK)
    .where(and(mine, sql`${fact.seq} > ${sql.placeholder("after")}`))
    .orderBy(fact.seq)
    .limit(AT_ONCE)
    .prepare();
  const own = wordsOfSelfPropelled(db);
  let rows = query.all({ after: 0 });
  while (rows.length > 0) {
    for (const { taken, ...of } of rows)
      yield {
        ...toReading(of),
        machine: nameOf(of.machine ?? of.holder ?? of.implement),
        point: of.point?.label ?? (of.implement ? "coupling" : ""),
        attachment: wordsOf(of, own),
        takenBack: taken !== null,
      };
    rows = rows.length < AT_ONCE ? [] : query.all({ after: rows.at(-1)!.fact.seq });
  }
}

/** In whose words a reading is written down: its tool's, those of what hangs on its point, or a drawn tool's for a tractor itself. */
function wordsOf(
  of: {
    machine: { id: number; kind: string; attachment: Attachment } | null;
    point: { kind: PointKind } | null;
    implement: { attachment: Attachment } | null;
  },
  selfPropelled: ReadonlyMap<number, Attachment>,
): Attachment {
  if (of.implement) return of.implement.attachment;
  if (of.machine?.kind === "implement") return of.machine.attachment;
  const { machine, point } = of;
  return (
    (machine && selfPropelled.get(machine.id)) ?? (point && hangsOn(point.kind)) ?? ("drawn" as Attachment)
  );
}

/** What each machine that drives itself carries: what is coupled to it, or would hang on its own points. */
function wordsOfSelfPropelled(db: Database): Map<number, Attachment> {
  const implement = alias(machine, "implement");
  const rows = db
    .select({ id: point.machineId, kind: point.kind, coupled: implement.attachment })
    .from(point)
    .innerJoin(machine, eq(machine.id, point.machineId))
    .leftJoin(coupling, eq(coupling.parentPointId, point.id))
    .leftJoin(implement, eq(implement.id, coupling.implementId))
    .where(eq(machine.kind, "self-propelled"))
    .orderBy(sql`${coupling.id} is null`, point.id)
    .all();
  const found = new Map<number, Attachment>();
  for (const { id, kind, coupled } of rows) {
    const carried = coupled ?? hangsOn(kind);
    if (carried && !found.has(id)) found.set(id, carried);
  }
  return found;
}

function nameOf(of: { make: string; model: string; fleetNumber: string } | null): string {
  return of ? [of.fleetNumber, of.make, of.model].filter(Boolean).join(" ") : "";
}

/** What was typed for a reading, by the number of its fact. */
export function readingText(db: Database, seq: number): string {
  return db.select({ text: reading.rawText }).from(reading).where(eq(reading.seq, seq)).get()?.text ?? "";
}
