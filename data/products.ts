/** What a yard puts out, sows and harvests, and what each machine holds of it. */
import { and, asc, eq, isNull } from "drizzle-orm";
import type { Product } from "../core/yard/product.ts";
import type { Database } from "./handle.ts";
import { aboutsOf, isNewest, record, settingChanged, type Told } from "./record.ts";
import { fact, loaded, product } from "./schema/index.ts";

export const LOADED = "loaded";

/** Products in use, by name. */
export function productsOf(db: Database): Product[] {
  return db
    .select()
    .from(product)
    .where(isNull(product.archivedAt))
    .orderBy(asc(product.name))
    .all()
    .map(({ archivedAt: _, ...row }) => row);
}

/** Adds a product; returns its id. */
export function addProduct(db: Database, given: Omit<Product, "id">, by: Told): number {
  return db.transaction(() => {
    settingChanged(db, "product added", {}, by);
    return db.insert(product).values(given).returning().get().id;
  });
}

/** Tells a product otherwise. */
export function changeProduct(db: Database, { id, ...told }: Product, by: Told): void {
  db.transaction(() => {
    settingChanged(db, "product", {}, by);
    db.update(product).set(told).where(eq(product.id, id)).run();
  });
}

/** What a machine was filled with last; null where nobody told. */
export function productIn(db: Database, machineId: number): Product | null {
  const row = db
    .select({ product })
    .from(fact)
    .innerJoin(loaded, eq(loaded.seq, fact.seq))
    .innerJoin(product, eq(product.id, loaded.productId))
    .where(and(isNewest(LOADED)))
    .prepare()
    .get({ abouts: aboutsOf({ machine: [machineId] }) });
  if (!row) return null;
  const { archivedAt: _, ...rest } = row.product;
  return rest;
}

/** Records what a machine was filled with; returns the id. */
export function keepLoaded(
  db: Database,
  machineId: number,
  productId: number,
  told: Told & { id?: string; partOf?: number | null },
): string {
  const { id, partOf = null, ...by } = told;
  return record(db, { kind: LOADED, about: { machineId }, id, partOf }, by, (seq) =>
    db.insert(loaded).values({ seq, productId }).run(),
  );
}
