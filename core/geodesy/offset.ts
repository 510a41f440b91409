/** Rings shifted outwards or inwards on a plane, round at the corners where they open (by Clipper, Vatti's clipping with offsets). Metres. */
import { EndType, inflatePathsD, JoinType, type PathD } from "clipper2-ts";
import type { OnPlane } from "./plane.ts";

/** Decimals of a metre the library reckons with: 0.1 mm. */
export const DECIMALS = 4;
/** How far a round corner may lie off its arc: 1 cm. */
const ARC = 0.01;

/** A ring as the library has it. */
export const toPath = (ring: readonly OnPlane[]): PathD =>
  ring.map(({ east, north }) => ({ x: east, y: north })) as PathD;
/** The inverse. */
export const toRing = (path: PathD): OnPlane[] => path.map(({ x, y }) => ({ east: x, north: y }));

/** What a field's rings become when every edge moves by so much, positive outwards. Outlines run anticlockwise, holes clockwise. */
export function offsetRings(rings: readonly (readonly OnPlane[])[], outside: number): OnPlane[][] {
  return inflatePathsD(rings.map(toPath), outside, JoinType.Round, EndType.Polygon, 2, DECIMALS, ARC).map(
    toRing,
  );
}

/** The same of one ring, whichever way round it runs. */
export function offsetRing(ring: readonly OnPlane[], outside: number): OnPlane[][] {
  return offsetRings([anticlockwise(ring) ? ring : [...ring].reverse()], outside);
}

function anticlockwise(ring: readonly OnPlane[]): boolean {
  return (
    ring.reduce((sum, a, at) => {
      const b = ring[(at + 1) % ring.length]!;
      return sum + (a.east * b.north - b.east * a.north);
    }, 0) > 0
  );
}
