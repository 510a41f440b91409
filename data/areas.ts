/** How large boundaries are, each worked out once: a boundary never changes. */
import { sizeOf } from "../core/place/boundary.ts";
import type { Database } from "./handle.ts";
import { boundaryOfId } from "./places.ts";

const areas = new Map<string, number>();
const MOST_KEPT = 5_000;

/** m² within a boundary. @throws RangeError where there is none */
export function areaOfBoundary(db: Database, boundaryId: string): number {
  const known = areas.get(boundaryId);
  if (known !== undefined) return known;
  if (areas.size > MOST_KEPT) areas.clear();
  const { area } = sizeOf(boundaryOfId(db, boundaryId));
  areas.set(boundaryId, area);
  return area;
}
