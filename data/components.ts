/** Parts of machines of which there are several, each with its place: nozzles, adjusters, openers. Facts sit on them as on a point. */
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { Reading } from "../core/rig/facts.ts";
import { componentFigure, componentKind } from "../core/subjects/components.ts";
import { READING, writeReading } from "./entries.ts";
import type { Database } from "./handle.ts";
import { readingsAbout, toReading } from "./live.ts";
import { prepared } from "./prepared.ts";
import {
  aboutsOf,
  awaySince,
  isNewest,
  newestFirst,
  record,
  settingChanged,
  standingOf,
  type Told,
} from "./record.ts";
import { component, fact, reading } from "./schema/index.ts";

export type Component = Omit<typeof component.$inferSelect, "archivedAt">;
export type NewComponent = Pick<Component, "label" | "x" | "y" | "place">;

/** The parts of some kind of machines that are in use, by machine, in their row. */
export function componentsOf(
  db: Database,
  machineIds: readonly number[],
  kind: string,
): Map<number, Component[]> {
  const found = new Map<number, Component[]>();
  const rows = db
    .select()
    .from(component)
    .where(
      and(
        inArray(component.machineId, [...machineIds]),
        eq(component.kind, kind),
        isNull(component.archivedAt),
      ),
    )
    .orderBy(asc(component.place), asc(component.id))
    .all();
  for (const { archivedAt: _, ...row } of rows)
    found.set(row.machineId, [...(found.get(row.machineId) ?? []), row]);
  return found;
}

/** Adds parts of a kind to a machine, all or none; returns their ids. @throws RangeError where no subject has such parts */
export function addComponents(
  db: Database,
  machineId: number,
  key: string,
  given: readonly NewComponent[],
  by: Told,
): number[] {
  const { key: kind, one } = componentKind(key);
  return db.transaction(() => {
    settingChanged(db, `${one} added`, { machineId }, by);
    return given.map(
      (each) =>
        db
          .insert(component)
          .values({ machineId, kind, ...each })
          .returning()
          .get().id,
    );
  });
}

/** Tells a part's label, place or number otherwise. */
export function changeComponent(db: Database, id: number, told: Partial<NewComponent>, by: Told): void {
  db.transaction(() => {
    const { machineId, kind } = db.update(component).set(told).where(eq(component.id, id)).returning().get();
    settingChanged(db, kind, { machineId }, by);
  });
}

/** Takes a part off its machine, or puts it back; what was read on it stays. */
export function archiveComponent(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    const { machineId, kind } = db
      .update(component)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(component.id, id))
      .returning()
      .get();
    settingChanged(db, away ? `${kind} taken off` : `${kind} put back`, { machineId }, by);
  });
}

/** Whether a part of this machine was taken off it. */
export function isTakenOff(db: Database, machineId: number, id: number): boolean {
  const row = db.select().from(component).where(eq(component.id, id)).get();
  return row !== undefined && row.machineId === machineId && row.archivedAt !== null;
}

/** Appends a reading of one part; returns its id. @throws RangeError where its kind has no such figure, or it is out of range */
export function keepOnComponent(
  db: Database,
  componentId: number,
  {
    id,
    key,
    partOf = null,
    ...row
  }: Parameters<typeof writeReading>[3] & { id?: string; key: string; partOf?: number | null },
  told: Told,
): string {
  const { kind } = db.select().from(component).where(eq(component.id, componentId)).get()!;
  const { label, range } = componentFigure(componentKind(kind), key);
  if (row.value < range[0] || row.value > range[1])
    throw new RangeError(`${label} is outside what is plausible.`);
  return writeReading(db, { about: { componentId }, topic: key, id, partOf }, told, row);
}

export const PART_CHANGED = "part changed";

/** Records that these parts were changed for others: what was read of them before is of what was taken off. */
export function changeParts(db: Database, ids: readonly number[], by: Told): void {
  db.transaction(() => {
    for (const componentId of ids) record(db, { kind: PART_CHANGED, about: { componentId } }, by);
  });
}

/** When each of these parts was changed last, ISO 8601 UTC. */
export function changedParts(db: Database, ids: readonly number[]): Map<number, string> {
  const query = prepared(db, "changed parts", () =>
    db.select().from(fact).where(isNewest(PART_CHANGED)).prepare(),
  );
  return new Map(
    query
      .all({ abouts: aboutsOf({ component: ids }) })
      .map(({ componentId, happened }) => [componentId!, happened]),
  );
}

/** What counts on each of these parts: the current sitting of each reading and the one before, oldest first. */
export function componentReadings(db: Database, ids: readonly number[]): Map<number, Reading[]> {
  const found = new Map<number, Reading[]>();
  for (const row of readingsAbout(db, aboutsOf({ component: ids }))) {
    const id = row.fact.componentId!;
    found.set(id, [...(found.get(id) ?? []), toReading(row)]);
  }
  return found;
}

/** A reading of a part as it once stood: SI, by whom, ISO 8601 UTC. */
export type Past = { value: number; person: string; at: string };

/** Every reading of one figure of these parts that stands, the newest first, by part. */
export function componentHistory(db: Database, ids: readonly number[], key: string): Map<number, Past[]> {
  const found = new Map<number, Past[]>();
  const query = prepared(db, "history of parts", () =>
    db
      .select({ fact, value: reading.value })
      .from(fact)
      .innerJoin(reading, eq(reading.seq, fact.seq))
      .where(standingOf(READING))
      .orderBy(...newestFirst)
      .prepare(),
  );
  for (const { fact: of, value } of query.all({ abouts: aboutsOf({ component: ids }) }))
    if (of.topic === key) {
      const { componentId: id, person, happened: at } = of;
      found.set(id!, [...(found.get(id!) ?? []), { value, person, at }]);
    }
  return found;
}
