/** What is looked after on machines, when it was done, what their meters showed, and what wears on them. */
import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Done, ServiceItem } from "../core/season/service.ts";
import type { Meter, UseEntry } from "../core/season/use.ts";
import { usualService } from "../core/season/usual.ts";
import type { Measured, WearPart } from "../core/season/wear.ts";
import type { Database } from "./handle.ts";
import { listed } from "./prepared.ts";
import { push } from "./push.ts";
import { inOrder, isOfKind, newestFirst, record, settingChanged, standing, type Told } from "./record.ts";
import { everyRig, listEveryTool, toolsWith } from "./rigs.ts";
import {
  fact,
  machine,
  meterReading,
  serviceDone,
  serviceItem,
  wearMeasured,
  wearPart,
  workBegun,
  workEnded,
} from "./schema/index.ts";

export const SERVICE_DONE = "service-done";
export const METER = "meter";
export const WEAR = "wear";

type ItemRow = typeof serviceItem.$inferSelect;

const itemOf = ({
  everyTime,
  everyArea,
  everyDays,
  everySeason,
  archivedAt: _,
  ...row
}: ItemRow): ServiceItem => ({
  ...row,
  every: { time: everyTime, area: everyArea, days: everyDays, season: everySeason },
});

const rowOf = ({ every, ...item }: Omit<ServiceItem, "id">) => ({
  ...item,
  everyTime: every.time,
  everyArea: every.area,
  everyDays: every.days,
  everySeason: every.season,
});

/** Items in use of these machines, or of all in use, in the order they came. */
export function serviceItems(db: Database, machines?: readonly number[]): ServiceItem[] {
  return db
    .select({ row: serviceItem })
    .from(serviceItem)
    .innerJoin(machine, eq(machine.id, serviceItem.machineId))
    .where(
      and(
        isNull(serviceItem.archivedAt),
        machines === undefined
          ? and(isNull(machine.archivedAt), eq(machine.practice, false))
          : inArray(serviceItem.machineId, [...machines]),
      ),
    )
    .orderBy(asc(serviceItem.id))
    .all()
    .map(({ row }) => itemOf(row));
}

/** Adds an item; returns its number. */
export function addServiceItem(db: Database, item: Omit<ServiceItem, "id">, by: Told): number {
  return db.transaction(() => {
    settingChanged(db, "service item added", { machineId: item.machineId }, by);
    return db.insert(serviceItem).values(rowOf(item)).returning().get().id;
  });
}

/** Tells an item otherwise. */
export function changeServiceItem(db: Database, { id, ...item }: ServiceItem, by: Told): void {
  db.transaction(() => {
    settingChanged(db, "service item", { machineId: item.machineId }, by);
    db.update(serviceItem).set(rowOf(item)).where(eq(serviceItem.id, id)).run();
  });
}

/** Puts an item away, or takes it in use again; what was done of it stays. */
export function putServiceItemAway(db: Database, item: ServiceItem, away: boolean, by: Told): void {
  db.transaction(() => {
    settingChanged(
      db,
      away ? "service item put away" : "service item back",
      { machineId: item.machineId },
      by,
    );
    db.update(serviceItem)
      .set({ archivedAt: away ? by.at.toISOString() : null })
      .where(eq(serviceItem.id, item.id))
      .run();
  });
}

/** Takes over the usual list, without what has its name already; returns how many came. */
export function takeUsual(db: Database, machineId: number, drives: boolean, by: Told): number {
  return db.transaction(() => {
    const known = new Set(serviceItems(db, [machineId]).map(({ name }) => name.toLowerCase()));
    const wanted = usualService(drives).filter(({ name }) => !known.has(name.toLowerCase()));
    for (const item of wanted) addServiceItem(db, { machineId, ...item }, by);
    return wanted.length;
  });
}

/** Records that an item was done; returns the id. */
export function keepServiced(
  db: Database,
  item: Pick<ServiceItem, "id" | "machineId">,
  { meter, note, id }: { meter: number | null; note: string; id?: string },
  told: Told,
): string {
  const about = { machineId: item.machineId };
  return record(db, { kind: SERVICE_DONE, about, topic: String(item.id), id }, told, (seq) => {
    db.insert(serviceDone).values({ seq, itemId: item.id, meter, note }).run();
  });
}

export type DoneOf = Done & { itemId: number; note: string };

/** Everything that was done of these items and stands, newest first. */
export function servicedOf(db: Database, items: readonly number[]): DoneOf[] {
  return db
    .select({ fact, row: serviceDone })
    .from(fact)
    .innerJoin(serviceDone, eq(serviceDone.seq, fact.seq))
    .where(and(inArray(serviceDone.itemId, [...items]), standing()))
    .orderBy(...newestFirst)
    .all()
    .map(({ fact: { id, happened, person }, row: { itemId, meter, note } }) => ({
      id,
      at: happened,
      person,
      itemId,
      meter,
      note,
    }));
}

/** Records what a meter showed; returns the id. */
export function keepMeter(
  db: Database,
  machineId: number,
  reading: number,
  told: Told & { id?: string },
): string {
  const { id, ...by } = told;
  return record(db, { kind: METER, about: { machineId }, id }, by, (seq) => {
    db.insert(meterReading).values({ seq, reading }).run();
  });
}

/** What each meter showed, and what was written down with service, by machine; oldest first. */
export function metersOf(db: Database, machines: readonly number[]): Map<number, Meter[]> {
  const own = db
    .select({ machineId: fact.machineId, at: fact.happened, reading: meterReading.reading })
    .from(fact)
    .innerJoin(meterReading, eq(meterReading.seq, fact.seq))
    .where(
      and(
        sql`${fact.about} in (select 'machine ' || value from json_each(${listed(machines)})) and ${isOfKind(METER)}`,
        standing(),
      ),
    )
    .orderBy(...inOrder)
    .all();
  const found = new Map<number, Meter[]>();
  for (const { machineId, at, reading } of own) push(found, machineId!, { at, reading });
  return found;
}

/** What the log has of each machine, or of these alone: entries that were ended, of every rig it is part of now. */
export function usesOf(db: Database, machines?: readonly number[]): Map<number, UseEntry[]> {
  const parts = everyRig(machines === undefined ? listEveryTool(db) : toolsWith(db, machines));
  const wanted = machines && new Set(machines);
  const found = new Map<number, UseEntry[]>();
  for (const { rigId, at, area, time } of endedEntries(db, machines && [...parts.keys()])) {
    const members = new Set(
      (parts.get(rigId!) ?? []).flatMap(({ tractor, implement }) => [tractor.id, implement.id]),
    );
    for (const id of members) if (wanted === undefined || wanted.has(id)) push(found, id, { at, area, time });
  }
  return found;
}

/** Entries that were begun and ended, of these rigs or of all, and nobody took back. */
function endedEntries(db: Database, rigs: readonly number[] | undefined) {
  const begun = alias(fact, "begun");
  const columns = { rigId: begun.rigId, at: fact.happened, area: workEnded.area, time: workEnded.time };
  const query = db
    .select(columns)
    .from(begun)
    .innerJoin(workBegun, eq(workBegun.seq, begun.seq))
    .innerJoin(fact, eq(fact.partOf, begun.seq))
    .innerJoin(workEnded, eq(workEnded.seq, fact.seq));
  const stands = and(standing("begun"), standing());
  if (rigs === undefined) return query.where(stands).all();
  return query
    .where(
      and(
        stands,
        sql`${begun.about} in (select 'rig ' || value from json_each(${listed(rigs)})) and ${begun.kind} = 'work-begun'`,
      ),
    )
    .all();
}

export type WearPartOf = WearPart & { id: number; machineId: number; name: string };

/** Parts that wear, of these machines or of all in use. */
export function wearParts(db: Database, machines?: readonly number[]): WearPartOf[] {
  return db
    .select({ row: wearPart })
    .from(wearPart)
    .innerJoin(machine, eq(machine.id, wearPart.machineId))
    .where(
      and(
        isNull(wearPart.archivedAt),
        machines === undefined
          ? and(isNull(machine.archivedAt), eq(machine.practice, false))
          : inArray(wearPart.machineId, [...machines]),
      ),
    )
    .orderBy(asc(wearPart.id))
    .all()
    .map(({ row: { archivedAt: _, ...row } }) => row);
}

/** Adds a part that wears; returns its number. */
export function addWearPart(db: Database, part: Omit<WearPartOf, "id">, by: Told): number {
  return db.transaction(() => {
    settingChanged(db, "wear part added", { machineId: part.machineId }, by);
    return db.insert(wearPart).values(part).returning().get().id;
  });
}

/** Tells a part otherwise, as what lies on the shelf. */
export function changeWearPart(db: Database, { id, ...part }: WearPartOf, by: Told): void {
  db.transaction(() => {
    settingChanged(db, "wear part", { machineId: part.machineId }, by);
    db.update(wearPart).set(part).where(eq(wearPart.id, id)).run();
  });
}

/** Puts a part away; what was measured of it stays. */
export function putWearPartAway(db: Database, part: WearPartOf, by: Told): void {
  db.transaction(() => {
    settingChanged(db, "wear part put away", { machineId: part.machineId }, by);
    db.update(wearPart).set({ archivedAt: by.at.toISOString() }).where(eq(wearPart.id, part.id)).run();
  });
}

/**
 * Records how worn a part was, or that new ones were fitted: those come off the shelf. Returns the id.
 */
export function keepWorn(
  db: Database,
  part: WearPartOf,
  { size, replaced, id }: { size: number; replaced: boolean; id?: string },
  told: Told,
): string {
  return db.transaction(() => {
    if (replaced) changeWearPart(db, { ...part, stock: Math.max(0, part.stock - part.count) }, told);
    return record(
      db,
      { kind: WEAR, about: { machineId: part.machineId }, topic: String(part.id), id },
      told,
      (seq) => {
        db.insert(wearMeasured).values({ seq, partId: part.id, size, replaced }).run();
      },
    );
  });
}

export type MeasuredOf = Measured & { id: string; partId: number; person: string };

/** What was measured of these parts and stands, oldest first. */
export function wornOf(db: Database, parts: readonly number[]): MeasuredOf[] {
  return db
    .select({ fact, row: wearMeasured })
    .from(fact)
    .innerJoin(wearMeasured, eq(wearMeasured.seq, fact.seq))
    .where(and(inArray(wearMeasured.partId, [...parts]), standing()))
    .orderBy(...inOrder)
    .all()
    .map(({ fact: { id, happened, person }, row: { partId, size, replaced } }) => ({
      id,
      at: happened,
      person,
      partId,
      size,
      replaced,
    }));
}
