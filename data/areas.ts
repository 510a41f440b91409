/** How large boundaries are, each worked out once: a boundary never changes. */
import { type Size, sizeOf } from "../core/place/boundary.ts";
import type { Database } from "./handle.ts";
import { type Bounded, boundaryOfId } from "./places.ts";

const sizes = new Map<string, Size>();
const MOST_KEPT = 5_000;

function kept(id: string, work: () => Size): Size {
  const known = sizes.get(id);
  if (known) return known;
  if (sizes.size > MOST_KEPT) sizes.clear();
  const size = work();
  sizes.set(id, size);
  return size;
}

/** How large a boundary that was read is. */
export const sizeKept = ({ id, boundary }: Bounded): Size => kept(id, () => sizeOf(boundary));

/** m² within a boundary, which is read only where nobody asked before. @throws RangeError where there is none */
export const areaOfBoundary = (db: Database, id: string): number =>
  kept(id, () => sizeOf(boundaryOfId(db, id))).area;
