/** A field's boundary: parts, each an outer ring with holes in it. Radians; rings are not closed by repeating a corner. */
import { ringSize } from "../geodesy/ellipsoid.ts";
import { flatten, unflatten } from "../geodesy/flat.ts";
import type { Geographic, OnPlane } from "../geodesy/plane.ts";
import { distanceToEdge, isInside, middleOf } from "./ring.ts";

export type Ring = readonly Geographic[];
export type Part = { outer: Ring; holes: readonly Ring[] };
export type Boundary = readonly Part[];

export type Size = {
  /** m², holes taken off */
  area: number;
  /** metres round all outer rings, and round all holes */
  outline: number;
  holes: number;
};

/** How large a field is, on the ellipsoid. */
export function sizeOf(boundary: Boundary): Size {
  const outer = boundary.map((part) => ringSize(part.outer));
  const holes = boundary.flatMap((part) => part.holes.map(ringSize));
  const sum = (of: readonly { area: number; length: number }[], key: "area" | "length") =>
    of.reduce((total, each) => total + each[key], 0);
  return {
    area: sum(outer, "area") - sum(holes, "area"),
    outline: sum(outer, "length"),
    holes: sum(holes, "length"),
  };
}

/** Every ring, each part's outline before its holes. */
export const ringsOf = (boundary: Boundary): Ring[] =>
  boundary.flatMap(({ outer, holes }) => [outer, ...holes]);

/** How many corners it has. */
export const cornersOf = (boundary: Boundary): number =>
  ringsOf(boundary).reduce((count, { length }) => count + length, 0);

/** Where a field is: the middle of what its outer rings enclose. */
export function whereOf(boundary: Boundary): Geographic {
  const origin = boundary[0]!.outer[0]!;
  const middles = boundary.map(({ outer }) => middleOf(outer.map((corner) => flatten(origin, corner))));
  const all = middles.reduce((sum, { area }) => sum + area, 0);
  const mean = (axis: keyof OnPlane) =>
    middles.reduce((sum, { middle, area }) => sum + middle[axis] * area, 0) / all;
  return unflatten(origin, { east: mean("east"), north: mean("north") });
}

/** Whether a place lies in a field; on its very edge may be either. */
export function contains(boundary: Boundary, place: Geographic): boolean {
  const within = (ring: Ring) =>
    isInside(
      ring.map((corner) => flatten(place, corner)),
      { east: 0, north: 0 },
    );
  return boundary.some(({ outer, holes }) => within(outer) && !holes.some(within));
}

/** How far it is from a place to the nearest edge of a field, metres. */
export function distanceTo(boundary: Boundary, place: Geographic): number {
  const edges = ringsOf(boundary).flatMap((ring) => {
    const flat = ring.map((corner) => flatten(place, corner));
    return flat.map((from, at) => distanceToEdge(HERE, { from, to: flat[(at + 1) % flat.length]! }));
  });
  return edges.reduce((least, each) => Math.min(least, each), Number.POSITIVE_INFINITY);
}

/** The place asked about, seen from itself. */
const HERE: OnPlane = { east: 0, north: 0 };
