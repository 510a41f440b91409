/** A round along the edge of a field as a line one is guided along. */
import { offsetRings } from "../geodesy/offset.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import type { PlaneField } from "../place/plane-field.ts";
import { signedArea } from "../place/ring.ts";

/**
 * The way of the middle of the tool in its `round`th round within the edge, from 1, metres on the field's plane: closed, along the field's outline and, of
 * several parts, of the largest. Null where the field is too narrow for it.
 */
export function roundWithin({ rings }: PlaneField, round: number, spacing: number): OnPlane[] | null {
  const ways = offsetRings(rings, -(round - 0.5) * spacing).filter((ring) => signedArea(ring) > 0);
  if (ways.length === 0) return null;
  const way = ways.reduce((most, ring) => (signedArea(ring) > signedArea(most) ? ring : most));
  return [...way, way[0]!];
}
