/** Lengths, directions and areas on the WGS 84 ellipsoid, by GeographicLib (Karney 2013: geodesics to nanometres). */
import geodesic from "geographiclib-geodesic";
import { placeAt, radiansOf } from "./degrees.ts";
import { fromMeridian } from "./flat.ts";
import type { Geographic } from "./plane.ts";

const { WGS84 } = geodesic.Geodesic;

/** A longer edge is split before it is taken for a geodesic: over 100 m the two differ by under 0.1 mm. */
const LONGEST_EDGE = 100;

const asDegrees = ({ latitude, longitude }: Geographic) =>
  [latitude / radiansOf(1), longitude / radiansOf(1)] as const;

/** How far and which way it is from one place to another: metres, and radians clockwise of north at the first. */
export function between(from: Geographic, to: Geographic): { distance: number; heading: number } {
  const [a, b] = [asDegrees(from), asDegrees(to)];
  const { s12, azi1 } = WGS84.Inverse(a[0], a[1], b[0], b[1]);
  return { distance: s12!, heading: turned(radiansOf(azi1!)) };
}

/** Where one comes to from a place, so many metres along a heading, radians clockwise of north. */
export function reached(from: Geographic, heading: number, distance: number): Geographic {
  const [latitude, longitude] = asDegrees(from);
  const { lat2, lon2 } = WGS84.Direct(latitude, longitude, heading / radiansOf(1), distance);
  return placeAt(lat2!, lon2!);
}

/** A heading from 0 to a full turn. */
export const turned = (heading: number): number => ((heading % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);

/** What a ring of corners, straight between each two in latitude and longitude, encloses and how long it is: m² and metres, whichever way round. */
export function ringSize(ring: readonly Geographic[]): { area: number; length: number } {
  const polygon = WGS84.Polygon(false);
  for (const corner of split(ring)) polygon.AddPoint(...asDegrees(corner));
  const { area, perimeter } = polygon.Compute(false, true);
  return { area: Math.abs(area ?? 0), length: perimeter };
}

/** A closed ring with corners between, so that no edge is longer than 100 m. */
function split(ring: readonly Geographic[]): Geographic[] {
  return ring.flatMap((corner, at) => {
    const next = ring[(at + 1) % ring.length]!;
    const pieces = Math.max(1, Math.ceil(between(corner, next).distance / LONGEST_EDGE));
    const along = fromMeridian(next.longitude, corner.longitude);
    return Array.from({ length: pieces }, (_, piece) => ({
      latitude: corner.latitude + ((next.latitude - corner.latitude) * piece) / pieces,
      longitude: corner.longitude + (along * piece) / pieces,
    }));
  });
}
