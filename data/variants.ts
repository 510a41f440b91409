/** Variants of implements: other ways the same tool works, each with its own width, sections and track spacing. */
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { coupling, variant } from "./schema.ts";
import { settingChanged } from "./settings.ts";

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

export function addVariant(db: Database, machineId: number, name: string): number {
  return db.insert(variant).values({ machineId, name }).returning().get().id;
}

/** Takes a variant out of use, or with null back; rigs that work as it work whole meanwhile. */
export function archiveVariant(db: Database, id: number, at: Date | null): void {
  db.transaction((tx) => {
    tx.update(variant)
      .set({ archivedAt: at?.toISOString() ?? null })
      .where(eq(variant.id, id))
      .run();
    if (at) tx.update(coupling).set({ variantId: null }).where(eq(coupling.variantId, id)).run();
    settingChanged(db, "variants");
  });
}

/** The variant a coupled tool works as; null: whole. What was read on another stays what it is. */
export function chooseVariant(db: Database, couplingId: number, variantId: number | null): void {
  db.transaction((tx) => {
    tx.update(coupling).set({ variantId }).where(eq(coupling.id, couplingId)).run();
    settingChanged(db, "variants");
  });
}
