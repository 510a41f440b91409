/** Ways of several corners on a plane: how far along them a point lies, pieces of them, how tightly they bend. Metres. */
import type { OnPlane } from "../geodesy/plane.ts";

export type Way = readonly OnPlane[];

const apart = (a: OnPlane, b: OnPlane) => Math.hypot(b.east - a.east, b.north - a.north);

/** How far from its beginning each corner lies. */
export function reaches(way: Way): number[] {
  let along = 0;
  return way.map((point, at) => {
    if (at > 0) along += apart(way[at - 1]!, point);
    return along;
  });
}

/** Metres along a way. */
export const wayLength = (way: Way): number => reaches(way).at(-1) ?? 0;

/** The nearest point of a way: how far along it lies, and how far away it is. `at`: its `reaches`. */
export function nearestOn(way: Way, at: readonly number[], point: OnPlane): { along: number; off: number } {
  let [along, best] = [0, Number.POSITIVE_INFINITY];
  for (let edge = 1; edge < way.length; edge += 1) {
    const [a, b] = [way[edge - 1]!, way[edge]!];
    const [east, north] = [b.east - a.east, b.north - a.north];
    const [toEast, toNorth] = [point.east - a.east, point.north - a.north];
    const square = east * east + north * north;
    const share = square === 0 ? 0 : Math.min(1, Math.max(0, (toEast * east + toNorth * north) / square));
    const off = (toEast - share * east) ** 2 + (toNorth - share * north) ** 2;
    if (off >= best) continue;
    best = off;
    along = at[edge - 1]! + share * Math.sqrt(square);
  }
  return { along, off: Math.sqrt(best) };
}

/** The place so far along; the ends beyond them. */
export function placeAlong(way: Way, at: readonly number[], along: number): OnPlane {
  const found = at.findIndex((reach, index) => index > 0 && reach >= along);
  const edge = found < 0 ? way.length - 1 : found;
  const [from, to] = [at[edge - 1]!, at[edge]!];
  const share = to === from ? 0 : Math.min(1, Math.max(0, (along - from) / (to - from)));
  const [a, b] = [way[edge - 1]!, way[edge]!];
  return { east: a.east + share * (b.east - a.east), north: a.north + share * (b.north - a.north) };
}

/** The piece from here to there along it. */
export function pieceOf(way: Way, at: readonly number[], from: number, to: number): OnPlane[] {
  return [
    placeAlong(way, at, from),
    ...way.filter((_, index) => at[index]! > from && at[index]! < to),
    placeAlong(way, at, to),
  ];
}

/** Places a step apart from the beginning. */
function stepped(way: Way, step: number): OnPlane[] {
  const at = reaches(way);
  const places: OnPlane[] = [];
  let edge = 1;
  for (let along = 0; along <= (at.at(-1) ?? 0); along += step) {
    while (edge < way.length - 1 && at[edge]! < along) edge += 1;
    const [from, to] = [at[edge - 1]!, at[edge]!];
    const share = to === from ? 0 : (along - from) / (to - from);
    const [a, b] = [way[edge - 1]!, way[edge]!];
    places.push({ east: a.east + share * (b.east - a.east), north: a.north + share * (b.north - a.north) });
  }
  return places;
}

/** A bend is told by three places, one so many metres before and one after: 2 cm of wander look like a circle of over 200 m (ours). */
const ARM = 3;

/** The radius of the circle through three places; infinite where they lie on a straight line. */
function radiusThrough(a: OnPlane, b: OnPlane, c: OnPlane): number {
  const twice = Math.abs((b.east - a.east) * (c.north - a.north) - (b.north - a.north) * (c.east - a.east));
  return twice > 1e-9 ? (apart(a, b) * apart(b, c) * apart(c, a)) / (2 * twice) : Number.POSITIVE_INFINITY;
}

/** Places a metre apart, each with the radius the way bends with there. */
function bendsAlong(way: Way): { place: OnPlane; radius: number }[] {
  const places = stepped(way, 1);
  return places.slice(ARM, -ARM).map((place, at) => ({
    place,
    radius: radiusThrough(places[at]!, place, places[at + 2 * ARM]!),
  }));
}

/** The least radius a way bends with, by the circle through three places; infinite of one that is straight or too short to tell. */
export function tightestOf(way: Way): number {
  return bendsAlong(way).reduce((least, { radius }) => Math.min(least, radius), Number.POSITIVE_INFINITY);
}

/** The stretches of a way that bend tighter than a radius, places a metre apart. */
export function tighterThan(way: Way, least: number): OnPlane[][] {
  const stretches: OnPlane[][] = [];
  let last = -2;
  for (const [at, { place, radius }] of bendsAlong(way).entries()) {
    if (radius >= least) continue;
    if (at === last + 1) stretches.at(-1)!.push(place);
    else stretches.push([place]);
    last = at;
  }
  return stretches;
}
