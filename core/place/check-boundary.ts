/** What makes a boundary none: said by place, so that it can be found and mended. */
import { degreesOf } from "../geodesy/degrees.ts";
import { flatten } from "../geodesy/flat.ts";
import type { Geographic, OnPlane } from "../geodesy/plane.ts";
import { capital } from "../quantity/capital.ts";
import { type Boundary, cornersOf, type Part, type Ring, ringsOf, sizeOf, whereOf } from "./boundary.ts";
import { type Edge, firstCrossing, isInside } from "./ring.ts";

/** Nothing a plough turns in is smaller, no field larger: 1 m² and 100 km² (ours). */
const LEAST_AREA = 1;
const MOST_AREA = 1e8;
/** More corners than a receiver writes in two days round a field. */
export const MOST_CORNERS = 20_000;
/** Corners closer than that are one: 1 mm. */
const SAME = 1e-3;

const RIGHT_ANGLE = Math.PI / 2;

/** A place as it is written on a page: six decimals of a degree are a tenth of a metre. */
export function writePlace({ latitude, longitude }: Geographic): string {
  return `${degreesOf(latitude).toFixed(6)}, ${degreesOf(longitude).toFixed(6)}`;
}

/** Without a corner said twice in a row, nor the first once more at the end. */
export function tidied(boundary: Boundary): Boundary {
  return boundary.map(({ outer, holes }) => ({ outer: tidiedRing(outer), holes: holes.map(tidiedRing) }));
}

function tidiedRing(ring: Ring): Ring {
  const kept: { corner: Geographic; flat: OnPlane }[] = [];
  for (const corner of ring) {
    const flat = flatten(ring[0]!, corner);
    if (kept.length === 0 || !isSame(kept.at(-1)!.flat, flat)) kept.push({ corner, flat });
  }
  while (kept.length > 1 && isSame(kept.at(-1)!.flat, kept[0]!.flat)) kept.pop();
  return kept.map(({ corner }) => corner);
}

const isSame = (a: OnPlane, b: OnPlane) => Math.hypot(a.east - b.east, a.north - b.north) <= SAME;

/** Why a boundary cannot be a field's, in a sentence; null where it can. `known`: where the yard's other fields lie. */
export function boundaryProblem(given: Boundary, known: readonly Geographic[] = []): string | null {
  if (given.length === 0) return "There is no ring of corners in it.";
  const corners = cornersOf(given);
  if (corners > MOST_CORNERS) return `It has ${corners} corners; ${MOST_CORNERS} are read. Thin it out.`;
  const boundary = tidied(given);
  return (
    rangeProblem(boundary) ??
    shortRing(boundary) ??
    crossing(boundary) ??
    nesting(boundary) ??
    sizeProblem(boundary) ??
    swapped(boundary, known)
  );
}

const named = (boundary: Boundary) =>
  boundary.flatMap(({ holes }, part) => {
    const of = boundary.length > 1 ? ` of part ${part + 1}` : "";
    return [`the outline${of}`, ...holes.map((_, hole) => `hole ${hole + 1}${of}`)];
  });

function rangeProblem(boundary: Boundary): string | null {
  for (const [ring, corners] of ringsOf(boundary).entries())
    for (const [at, { latitude, longitude }] of corners.entries()) {
      const where = `Corner ${at + 1} of ${named(boundary)[ring]}`;
      if (!Number.isFinite(latitude) || !Number.isFinite(longitude)) return `${where} is no place.`;
      if (Math.abs(latitude) > RIGHT_ANGLE)
        return `${where} has ${degreesOf(latitude)}° of latitude, more than there is: ${
          Math.abs(longitude) <= RIGHT_ANGLE ? "latitude and longitude are swapped" : "it is not in degrees"
        }.`;
      if (Math.abs(longitude) > Math.PI)
        return `${where} has ${degreesOf(longitude)}° of longitude, more than there is.`;
    }
  return null;
}

function shortRing(boundary: Boundary): string | null {
  const at = ringsOf(boundary).findIndex(({ length }) => length < 3);
  if (at < 0) return null;
  const { length } = ringsOf(boundary)[at]!;
  return `${capital(named(boundary)[at]!)} has ${length} ${length === 1 ? "corner" : "corners"} that ${length === 1 ? "differs" : "differ"}: three are the least.`;
}

function crossing(boundary: Boundary): string | null {
  const origin = boundary[0]!.outer[0]!;
  const rings = ringsOf(boundary);
  const found = firstCrossing(rings.map((ring) => ring.map((corner) => flatten(origin, corner))));
  if (!found) return null;
  const names = named(boundary);
  const edge = ({ ring, at }: Edge) => `${at + 1} to ${((at + 1) % rings[ring]!.length) + 1}`;
  const { a, b } = found;
  const corner = rings[a.ring]![a.at]!;
  const near = `near ${writePlace(corner)}`;
  return a.ring === b.ring
    ? `${capital(names[a.ring]!)} crosses or touches itself: its edge from corner ${edge(a)} and that from ${edge(b)} meet, ${near}.`
    : `${capital(names[a.ring]!)} and ${names[b.ring]} cross or touch: edge ${edge(a)} of the one, ${edge(b)} of the other, ${near}.`;
}

/** Rings that do not cross lie in one another or apart: a hole lies in its outline and in no other hole, parts lie apart. */
function nesting(boundary: Boundary): string | null {
  const origin = boundary[0]!.outer[0]!;
  const flat = (ring: Ring) => ring.map((corner) => flatten(origin, corner));
  const lies = (inner: Ring, outer: Ring) => isInside(flat(outer), flatten(origin, inner[0]!));
  const names = named(boundary);
  let ring = 0;
  for (const [part, { outer, holes }] of boundary.entries()) {
    const own = names.slice(ring, ring + 1 + holes.length);
    ring += 1 + holes.length;
    for (const [at, hole] of holes.entries()) {
      if (!lies(hole, outer))
        return `${capital(own[at + 1]!)} lies outside its outline, near ${writePlace(hole[0]!)}.`;
      const other = holes.findIndex((each, of) => of !== at && lies(hole, each));
      if (other >= 0)
        return `${capital(own[at + 1]!)} lies in ${own[other + 1]}, near ${writePlace(hole[0]!)}.`;
    }
    const within = boundary.findIndex(
      (each, of) => of !== part && lies(outer, each.outer) && !each.holes.some((hole) => lies(outer, hole)),
    );
    if (within >= 0)
      return `Part ${part + 1} lies in part ${within + 1}, near ${writePlace(outer[0]!)}: a hole is told as one.`;
  }
  return null;
}

function sizeProblem(boundary: Boundary): string | null {
  const small = boundary.findIndex(
    (part: Part) => sizeOf([{ outer: part.outer, holes: [] }]).area < LEAST_AREA,
  );
  if (small >= 0)
    return `${capital(named([boundary[small]!])[0]!)} encloses nothing: its corners lie on one line.`;
  const { area } = sizeOf(boundary);
  if (area < LEAST_AREA) return "Its holes leave nothing of it.";
  return area > MOST_AREA ? "It encloses more than 10 000 ha (24 710 ac): that is no single field." : null;
}

/** Apart by more than that, one of two fields of a yard lies on another continent: about 1 500 km, radians. */
const FAR = 0.25;

/** With both in range only the yard's other fields tell: swapped it lies among them, as given far away. */
function swapped(boundary: Boundary, known: readonly Geographic[]): string | null {
  if (known.length === 0) return null;
  const { latitude, longitude } = whereOf(boundary);
  const nearest = (place: Geographic) => Math.min(...known.map((each) => apart(place, each)));
  return nearest({ latitude, longitude }) > FAR &&
    nearest({ latitude: longitude, longitude: latitude }) < FAR / 5
    ? `It lies at ${writePlace({ latitude, longitude })}, far from every other field; latitude and longitude swapped, it lies among them. They are swapped.`
    : null;
}

/** The angle between two places, radians (haversine). */
function apart(a: Geographic, b: Geographic): number {
  const half =
    Math.sin((b.latitude - a.latitude) / 2) ** 2 +
    Math.cos(a.latitude) * Math.cos(b.latitude) * Math.sin((b.longitude - a.longitude) / 2) ** 2;
  return 2 * Math.asin(Math.min(1, Math.sqrt(half)));
}
