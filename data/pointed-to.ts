/** What many jobs or entries of the log point to, each read once. */
import { eq } from "drizzle-orm";
import { areaOfBoundary } from "./areas.ts";
import type { Database } from "./handle.ts";
import { lineOfSeq } from "./lines.ts";
import { fieldNamed } from "./places.ts";
import { crop, product, variety } from "./schema/index.ts";

/** The same as `read`, which is asked once for each key. */
export function once<Key, What>(read: (key: Key) => What): (key: Key) => What {
  const known = new Map<Key, What>();
  return (key) => {
    if (!known.has(key)) known.set(key, read(key));
    return known.get(key)!;
  };
}

/** Fields, lines, crops, varieties and products by their numbers; a field with its hectares as m², null where nobody told where it ends. */
export const pointedTo = (db: Database) => ({
  field: once((id: number) => {
    const { boundaryId, ...field } = fieldNamed(db, id)!;
    return { ...field, area: boundaryId === null ? null : areaOfBoundary(db, boundaryId) };
  }),
  line: once((seq: number) => lineOfSeq(db, seq)),
  crop: once((id: number) => db.select().from(crop).where(eq(crop.id, id)).get()!),
  variety: once((id: number) => db.select().from(variety).where(eq(variety.id, id)).get()!),
  product: once((id: number) => db.select().from(product).where(eq(product.id, id)).get()!),
});

export type PointedTo = ReturnType<typeof pointedTo>;
