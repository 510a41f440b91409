/** How one boundary lies to another. */
import { areaPathsD, FillRule, intersectD, type PathsD, xorD } from "clipper2-ts";
import { flatten } from "../geodesy/flat.ts";
import type { Geographic } from "../geodesy/plane.ts";
import { type Boundary, ringsOf } from "./boundary.ts";

export type Compared = {
  /** m² of the one that the other does not have, either way */
  differs: number;
  /** what both have, of what the smaller one has: 0 to 1 */
  shared: number;
};

/** Less than a strip of this width along all edges is the same boundary written otherwise: 1 cm. */
const SAME_STRIP = 0.01;

/** How much ground the one has and the other not, and how much both. */
export function compareBoundaries(a: Boundary, b: Boundary): Compared {
  const origin = a[0]!.outer[0]!;
  const [one, two] = [pathsOf(a, origin), pathsOf(b, origin)];
  const common = area(intersectD(one, two, FillRule.EvenOdd, DECIMALS));
  return {
    differs: area(xorD(one, two, FillRule.EvenOdd, DECIMALS)),
    shared: common / Math.max(1e-9, Math.min(area(one), area(two))),
  };
}

/** Whether two boundaries are the same, wherever their rings begin and whichever way round they run. `outline`: metres round the first. */
export function isSameBoundary({ differs }: Compared, outline: number): boolean {
  return differs <= outline * SAME_STRIP;
}

const DECIMALS = 4;
const area = (paths: PathsD) => Math.abs(areaPathsD(paths));

function pathsOf(boundary: Boundary, origin: Geographic): PathsD {
  const rings = ringsOf(boundary).map((ring) =>
    ring.map((corner) => {
      const { east, north } = flatten(origin, corner);
      return { x: east, y: north };
    }),
  );
  return evened(rings as PathsD, boundary);
}

/** Outlines anticlockwise and holes clockwise, so that areas add up with their signs. */
function evened(rings: PathsD, boundary: Boundary): PathsD {
  const holes = new Set<number>();
  let at = 0;
  for (const part of boundary) {
    for (let hole = 1; hole <= part.holes.length; hole += 1) holes.add(at + hole);
    at += 1 + part.holes.length;
  }
  return rings.map((ring, index) =>
    areaPathsD([ring]) > 0 === !holes.has(index) ? ring : ([...ring].reverse() as typeof ring),
  ) as PathsD;
}
