import { and, asc, count, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Attachment } from "../core/dimension/attachment.ts";
import { sameName } from "../core/place/given.ts";
import { READING, writeReading } from "./entries.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { push } from "./push.ts";
import { aboutsOf, awaySince, isNewest, lastSettingOf, settingChanged, type Told } from "./record.ts";
import { coupling, fact, machine, point, reading, rig, variant } from "./schema/index.ts";

export type Machine = typeof machine.$inferSelect;

type PointRef = { id: number; label: string };

/** A rig seen from one of its tools: the machine that drives, and that tool. The first coupled is in view unless another is asked for. */
export type RigTool = {
  id: number;
  name: string;
  archivedAt: string | null;
  tractor: Machine;
  receiver: PointRef;
  couplingId: number;
  /** 1 is the first coupled */
  position: number;
  implement: Machine;
  /** as its implement has it, but behind another implement it is a train */
  attachment: Attachment;
  /** the point of the tractor it hangs on, or for a train its first implement hangs on */
  hitch: PointRef;
  /** of a train: the point of the implement ahead, and that one's coupling */
  rearHitch: PointRef | null;
  /** of a train of three: the point of the first implement */
  leadHitch: PointRef | null;
  parentCouplingId: number | null;
  /** the shaft end on its side of the tractor */
  pto: PointRef | null;
  /** the variant its implement works as; null: whole */
  variant: { id: number; name: string } | null;
};

const tractor = alias(machine, "tractor");
const implement = alias(machine, "implement");
const receiver = alias(point, "receiver");
const hitch = alias(point, "hitch");
const rearHitch = alias(point, "rear_hitch");
const leadHitch = alias(point, "lead_hitch");
const pto = alias(point, "pto");
const ahead = alias(coupling, "ahead");
const first = alias(coupling, "first");

function rigsQuery(db: Database) {
  return db
    .select({
      id: rig.id,
      name: rig.name,
      archivedAt: rig.archivedAt,
      tractor,
      receiver: { id: receiver.id, label: receiver.label },
      couplingId: coupling.id,
      position: coupling.position,
      implement,
      attachment: sql<Attachment>`case when ${coupling.parentCouplingId} is null then ${implement.attachment} when ${ahead.parentCouplingId} is null then 'train' else 'third' end`,
      hitch: { id: hitch.id, label: hitch.label },
      rearHitch: { id: rearHitch.id, label: rearHitch.label },
      leadHitch: { id: leadHitch.id, label: leadHitch.label },
      parentCouplingId: coupling.parentCouplingId,
      pto: { id: pto.id, label: pto.label },
      variant: { id: variant.id, name: variant.name },
    })
    .from(rig)
    .innerJoin(tractor, eq(tractor.id, rig.tractorId))
    .innerJoin(receiver, eq(receiver.id, rig.receiverPointId))
    .innerJoin(coupling, eq(coupling.rigId, rig.id))
    .innerJoin(implement, eq(implement.id, coupling.implementId))
    .leftJoin(ahead, eq(ahead.id, coupling.parentCouplingId))
    .leftJoin(first, eq(first.id, ahead.parentCouplingId))
    .innerJoin(
      hitch,
      eq(hitch.id, sql`coalesce(${first.parentPointId}, ${ahead.parentPointId}, ${coupling.parentPointId})`),
    )
    .leftJoin(rearHitch, and(eq(rearHitch.id, coupling.parentPointId), isNotNull(coupling.parentCouplingId)))
    .leftJoin(leadHitch, and(eq(leadHitch.id, ahead.parentPointId), isNotNull(ahead.parentCouplingId)))
    .leftJoin(variant, eq(variant.id, coupling.variantId))
    .leftJoin(
      pto,
      and(
        eq(pto.machineId, tractor.id),
        eq(pto.kind, sql`case ${implement.attachment} when 'front' then 'front PTO' else 'rear PTO' end`),
      ),
    );
}

/** The rigs in use, oldest first, each seen from its first tool. */
export function listRigs(db: Database): RigTool[] {
  return listEveryRig(db).filter(({ archivedAt }) => archivedAt === null);
}

/** How many there are, those put away as well. */
export const countRigs = (db: Database): number => db.select({ rigs: count() }).from(rig).get()!.rigs;

/** Those put away as well. */
export function listEveryRig(db: Database): RigTool[] {
  return listEveryTool(db).filter(({ position }) => position === 1);
}

const remembered = new WeakMap<Database, { setting: string; parts: readonly RigTool[] }>();

/** Every tool of every rig, rig by rig in the order they are coupled. Read once for as long as no setting of the yard was changed. */
export function listEveryTool(db: Database): readonly RigTool[] {
  const setting = lastSettingOf(db);
  const known = remembered.get(db);
  if (known?.setting === setting) return known.parts;
  const parts = prepared(db, "every rig", () =>
    rigsQuery(db).orderBy(asc(rig.id), asc(coupling.position)).prepare(),
  ).all();
  remembered.set(db, { setting, parts });
  return parts;
}

const byMachine = new WeakMap<readonly RigTool[], Map<number, Set<number>>>();
const byNumber = new WeakMap<readonly RigTool[], Map<number, RigTool[]>>();

/** Every tool of the rigs these machines are part of. */
export function toolsWith(db: Database, machines: readonly number[]): RigTool[] {
  const parts = listEveryTool(db);
  const rigs = new Set(machines.flatMap((id) => [...(rigsByMachine(parts).get(id) ?? [])]));
  return [...rigs].sort((a, b) => a - b).flatMap((id) => everyRig(parts).get(id)!);
}

function rigsByMachine(parts: readonly RigTool[]): Map<number, Set<number>> {
  const known = byMachine.get(parts);
  if (known) return known;
  const found = new Map<number, Set<number>>();
  for (const { id, tractor, implement } of parts)
    for (const machineId of [tractor.id, implement.id])
      found.set(machineId, (found.get(machineId) ?? new Set()).add(id));
  byMachine.set(parts, found);
  return found;
}

/** The same as `byRig`, put together once for a list that is kept. */
export function everyRig(parts: readonly RigTool[]): ReadonlyMap<number, RigTool[]> {
  const known = byNumber.get(parts) ?? byRig(parts);
  byNumber.set(parts, known);
  return known;
}

/** Parts by their rig, each rig's in the order they came. */
export function byRig(parts: readonly RigTool[]): Map<number, RigTool[]> {
  const found = new Map<number, RigTool[]>();
  for (const part of parts) push(found, part.id, part);
  return found;
}

/** The tools of one rig in the order they are coupled; empty where there is no such rig. */
export function toolsOf(db: Database, id: number): RigTool[] {
  return prepared(db, "one rig", () =>
    rigsQuery(db)
      .where(eq(rig.id, sql.placeholder("id")))
      .orderBy(asc(coupling.position))
      .prepare(),
  ).all({ id });
}

/** A rig seen from its first tool. */
export function findRig(db: Database, id: number): RigTool | null {
  return toolsOf(db, id)[0] ?? null;
}

/** Rigs in use that a machine is part of. */
export function rigsOf(db: Database, machineId: number): RigTool[] {
  const parts = listEveryTool(db).filter(({ archivedAt }) => archivedAt === null);
  const mine = new Set(
    parts
      .filter((part) => part.tractor.id === machineId || part.implement.id === machineId)
      .map(({ id }) => id),
  );
  return parts.filter(({ id, position }) => position === 1 && mine.has(id));
}

/** Which of a rig's tools this one hangs behind, by its place among them; null: it hangs on the machine that drives. */
export function behindOf({ parentCouplingId }: RigTool, tools: readonly RigTool[]): number | null {
  return parentCouplingId === null
    ? null
    : tools.findIndex(({ couplingId }) => couplingId === parentCouplingId);
}

/** The tools of a rig as one outfit: the same tools on another machine are the same outfit, in whatever order they hang. */
export const outfitOf = (parts: readonly RigTool[]): string =>
  parts
    .map(({ implement }) => implement.id)
    .sort((a, b) => a - b)
    .join(" ");

export type NewCoupling = {
  /** the point of the machine it hangs on, or of the implement ahead */
  pointId: number;
  implementId: number;
  /** which of the new couplings it hangs behind, counted from 0; null: on the machine that drives */
  behind: number | null;
};

export type NewRig = {
  name: string;
  tractorId: number;
  receiverPointId: number;
  /** in the order they are coupled; at least one */
  couplings: readonly NewCoupling[];
};

/** Couples a machine with its tools; returns the rig's id. */
export function createRig(
  db: Database,
  { name, tractorId, receiverPointId, couplings }: NewRig,
  by: Told,
): number {
  return db.transaction(() => {
    const { id } = db.insert(rig).values({ name, tractorId, receiverPointId }).returning().get();
    const made: number[] = [];
    for (const [index, { pointId, implementId, behind }] of couplings.entries()) {
      const row = {
        rigId: id,
        parentPointId: pointId,
        implementId,
        parentCouplingId: behind === null ? null : made[behind]!,
        position: index + 1,
      };
      made.push(db.insert(coupling).values(row).returning().get().id);
    }
    settingChanged(db, "rig put together", { rigId: id }, by);
    return id;
  });
}

/**
 * The same machines, mount and hole under another name: readings belong to them, so the copy has them too. What belongs
 * to the coupling alone, such as the overlap, is copied with it and says so.
 */
export function copyRig(db: Database, original: RigTool, name: string, by: Told): number {
  return db.transaction(() => {
    const parts = toolsOf(db, original.id);
    const id = createRig(
      db,
      {
        name,
        tractorId: original.tractor.id,
        receiverPointId: original.receiver.id,
        couplings: parts.map((part) => ({
          pointId: (part.rearHitch ?? part.hitch).id,
          implementId: part.implement.id,
          behind: behindOf(part, parts),
        })),
      },
      by,
    );
    for (const [index, part] of toolsOf(db, id).entries())
      copyCoupling(db, parts[index]!.couplingId, part.couplingId, original.name);
    return id;
  });
}

/** Copies what was read of a coupling to another, and says so. `goes`: which readings go along. */
export function copyCoupling(
  db: Database,
  from: number,
  to: number,
  name: string,
  goes: (topic: string) => boolean = () => true,
): void {
  const own = db
    .select({ fact, reading })
    .from(fact)
    .innerJoin(reading, eq(reading.seq, fact.seq))
    .where(isNewest(READING))
    .orderBy(asc(fact.seq))
    .prepare()
    .all({ abouts: aboutsOf({ coupling: [from] }) });
  for (const { fact: of, reading: row } of own) {
    if (!goes(of.topic)) continue;
    const note = [`copied from ${name}`, row.note].filter(Boolean).join("; ").slice(0, 300);
    const { topic, variantId, person, happened, arrived } = of;
    const told = { person, at: new Date(happened), now: new Date(arrived), device: null };
    writeReading(db, { about: { couplingId: to }, variantId, topic }, told, {
      ...row,
      sitting: undefined,
      note,
    });
  }
}

/** Rigs in use that go by a name, however it is written large or small. */
export function rigsCalled(db: Database, name: string): number[] {
  return db
    .select({ id: rig.id, name: rig.name })
    .from(rig)
    .where(isNull(rig.archivedAt))
    .all()
    .filter((each) => sameName(each.name, name))
    .map(({ id }) => id);
}

export function renameRig(db: Database, id: number, name: string, by: Told): void {
  db.transaction(() => {
    db.update(rig).set({ name }).where(eq(rig.id, id)).run();
    settingChanged(db, "rig renamed", { rigId: id }, by);
  });
}

/** Puts a rig away, or back into use. Nothing of it is lost. */
export function archiveRig(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    db.update(rig)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(rig.id, id))
      .run();
    settingChanged(db, away ? "rig put away" : "rig put back", { rigId: id }, by);
  });
}
