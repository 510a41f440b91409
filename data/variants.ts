/** Variants of implements: other ways the same tool works, each with its own width, sections and track spacing. */
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { awaySince, settingChanged, type Told } from "./record.ts";
import { coupling, variant } from "./schema/index.ts";

export type Variant = typeof variant.$inferSelect;

/** The variants of an implement that are in use, oldest first. */
export function variantsOf(db: Database, machineId: number): Variant[] {
  return variantsOfAll(db, [machineId]).get(machineId) ?? [];
}

export function variantsOfAll(db: Database, machineIds: readonly number[]): Map<number, Variant[]> {
  const found = new Map<number, Variant[]>();
  const rows = db
    .select()
    .from(variant)
    .where(and(inArray(variant.machineId, [...machineIds]), isNull(variant.archivedAt)))
    .orderBy(asc(variant.id))
    .all();
  for (const row of rows) found.set(row.machineId, [...(found.get(row.machineId) ?? []), row]);
  return found;
}

export function addVariant(db: Database, machineId: number, name: string, by: Told): number {
  return db.transaction(() => {
    settingChanged(db, "variants", { machineId }, by);
    return db.insert(variant).values({ machineId, name }).returning().get().id;
  });
}

/** Takes a variant out of use, or puts it back; rigs that work as it work whole meanwhile. */
export function archiveVariant(db: Database, id: number, away: boolean, by: Told): void {
  db.transaction(() => {
    const { machineId } = db
      .update(variant)
      .set({ archivedAt: awaySince(away, by) })
      .where(eq(variant.id, id))
      .returning()
      .get();
    if (away) db.update(coupling).set({ variantId: null }).where(eq(coupling.variantId, id)).run();
    settingChanged(db, "variants", { machineId }, by);
  });
}

/** The variant a coupled tool works as; null: whole. What was read on another stays what it is. */
export function chooseVariant(db: Database, couplingId: number, variantId: number | null, by: Told): void {
  db.transaction(() => {
    db.update(coupling).set({ variantId }).where(eq(coupling.id, couplingId)).run();
    settingChanged(db, "variants", { couplingId }, by);
  });
}
