/** Rings on a plane: what they enclose, and where they cross. Metres. */
import type { OnPlane } from "../geodesy/plane.ts";

export type FlatRing = readonly OnPlane[];

/** Twice what a triangle encloses: positive where c lies left of the way from a to b. */
const cross = (a: OnPlane, b: OnPlane, c: OnPlane): number =>
  (b.east - a.east) * (c.north - a.north) - (b.north - a.north) * (c.east - a.east);

/** What a ring encloses, positive where it runs anticlockwise (the shoelace formula). */
export function signedArea(ring: FlatRing): number {
  const [origin] = ring;
  return ring.reduce((sum, from, at) => sum + cross(origin!, from, ring[(at + 1) % ring.length]!) / 2, 0);
}

/** The middle of what a ring encloses, and how much that is. */
export function middleOf(ring: FlatRing): { middle: OnPlane; area: number } {
  const [origin] = ring;
  let [area, east, north] = [0, 0, 0];
  for (const [at, from] of ring.entries()) {
    const to = ring[(at + 1) % ring.length]!;
    const twice = cross(origin!, from, to);
    area += twice / 2;
    east += (twice * (from.east + to.east + origin!.east)) / 6;
    north += (twice * (from.north + to.north + origin!.north)) / 6;
  }
  return { middle: { east: east / area, north: north / area }, area: Math.abs(area) };
}

/** Whether a point lies within a ring: it is crossed an odd number of times on the way out. */
export function isInside(ring: FlatRing, { east, north }: OnPlane): boolean {
  let inside = false;
  for (const [at, a] of ring.entries()) {
    const b = ring[(at + 1) % ring.length]!;
    if (a.north > north === b.north > north) continue;
    if (east < a.east + ((north - a.north) / (b.north - a.north)) * (b.east - a.east)) inside = !inside;
  }
  return inside;
}

export type Edge = { ring: number; at: number; from: OnPlane; to: OnPlane };

/** Every edge of every ring, each with where it stands. */
export const edgesOf = (rings: readonly FlatRing[]): Edge[] =>
  rings.flatMap((corners, ring) =>
    corners.map((from, at) => ({ ring, at, from, to: corners[(at + 1) % corners.length]! })),
  );

export type Crossing = { a: Edge; b: Edge; where: OnPlane };

/**
 * The first two edges that meet where they may not: neighbours only in their common corner, others not at all. Looked for from west to
 * east, so that only edges over one another are held against each other.
 */
export function firstCrossing(rings: readonly FlatRing[], play = 1e-3): Crossing | null {
  const west = ({ from, to }: Edge) => Math.min(from.east, to.east);
  const east = ({ from, to }: Edge) => Math.max(from.east, to.east);
  let open: Edge[] = [];
  for (const b of edgesOf(rings).sort((one, two) => west(one) - west(two))) {
    open = open.filter((a) => east(a) >= west(b) - play);
    for (const a of open) {
      const where = meetingOf(a, b, rings[a.ring]!.length, play);
      if (where)
        return a.ring < b.ring || (a.ring === b.ring && a.at < b.at)
          ? { a, b, where }
          : { a: b, b: a, where };
    }
    open.push(b);
  }
  return null;
}

function meetingOf(a: Edge, b: Edge, corners: number, play: number): OnPlane | null {
  const step = a.ring === b.ring ? (b.at - a.at + corners) % corners : null;
  if (step === 1) return foldsBack(a, b, play);
  if (step === corners - 1) return foldsBack(b, a, play);
  return meeting(a, b, play);
}

/** Two edges one after the other: wrong where the second runs back along the first. */
function foldsBack(first: Edge, second: Edge, play: number): OnPlane | null {
  const [one, two] = [first.from, second.to];
  const turn = first.to;
  const ahead =
    (one.east - turn.east) * (two.east - turn.east) + (one.north - turn.north) * (two.north - turn.north);
  if (ahead <= 0) return null;
  const longer = Math.hypot(two.east - turn.east, two.north - turn.north);
  return Math.abs(cross(turn, one, two)) <=
    play * Math.max(longer, Math.hypot(one.east - turn.east, one.north - turn.north))
    ? turn
    : null;
}

/** Where two pieces cross or touch within the play; null where they do not. */
function meeting(a: Edge, b: Edge, play: number): OnPlane | null {
  const [s, t] = [cross(a.from, a.to, b.from), cross(a.from, a.to, b.to)];
  const [u, v] = [cross(b.from, b.to, a.from), cross(b.from, b.to, a.to)];
  if (s > 0 !== t > 0 && u > 0 !== v > 0 && s !== t) {
    const share = s / (s - t);
    return {
      east: b.from.east + share * (b.to.east - b.from.east),
      north: b.from.north + share * (b.to.north - b.from.north),
    };
  }
  const ends = [
    [b.from, a],
    [b.to, a],
    [a.from, b],
    [a.to, b],
  ] as const;
  return ends.find(([point, edge]) => distanceToEdge(point, edge) <= play)?.[0] ?? null;
}

/** How far a point lies from a straight piece. */
export function distanceToEdge({ east, north }: OnPlane, { from, to }: Pick<Edge, "from" | "to">): number {
  const [de, dn] = [to.east - from.east, to.north - from.north];
  const length = de ** 2 + dn ** 2;
  const share =
    length === 0
      ? 0
      : Math.min(1, Math.max(0, ((east - from.east) * de + (north - from.north) * dn) / length));
  return Math.hypot(from.east + share * de - east, from.north + share * dn - north);
}
