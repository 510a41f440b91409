/** A field on a plane of its own, where passes are laid: the tangent plane at its middle, on which lengths hold to a part in ten million over 2 km. */

import { fromMeridian } from "../geodesy/flat.ts";
import { fromPlane, type Geographic, type OnPlane, toPlane } from "../geodesy/plane.ts";
import { type Boundary, whereOf } from "./boundary.ts";
import { signedArea } from "./ring.ts";

export type PlaneRing = readonly OnPlane[];

export type PlaneField = {
  origin: Geographic;
  /** outlines anticlockwise, holes clockwise; metres east and north of the origin */
  rings: readonly PlaneRing[];
};

/** An edge straight in degrees is split so that on the plane it strays by under a millimetre. */
const LONGEST_EDGE = 150;

/** A boundary on the plane at its middle, or at another origin, its long edges split. */
export function onPlane(boundary: Boundary, origin: Geographic = whereOf(boundary)): PlaneField {
  const ring = (corners: readonly Geographic[], sense: 1 | -1): PlaneRing => {
    const flat = split(corners).map((corner) => toPlane(origin, corner));
    return Math.sign(signedArea(flat)) === sense ? flat : [...flat].reverse();
  };
  return {
    origin,
    rings: boundary.flatMap(({ outer, holes }) => [ring(outer, 1), ...holes.map((hole) => ring(hole, -1))]),
  };
}

/** The place of a point of the plane. */
export const placeOf = ({ origin }: PlaneField, point: OnPlane): Geographic => fromPlane(origin, point);

/** Metres of a radian of latitude, roughly. */
const RADIAN = 6.37e6;

function split(corners: readonly Geographic[]): Geographic[] {
  return corners.flatMap((from, at) => {
    const to = corners[(at + 1) % corners.length]!;
    const [north, east] = [to.latitude - from.latitude, fromMeridian(to.longitude, from.longitude)];
    const length = Math.hypot(north, east * Math.cos(from.latitude)) * RADIAN;
    const pieces = Math.max(1, Math.ceil(length / LONGEST_EDGE));
    return Array.from({ length: pieces }, (_, piece) => ({
      latitude: from.latitude + (north * piece) / pieces,
      longitude: from.longitude + (east * piece) / pieces,
    }));
  });
}

/** Turned so that the heading runs along the second axis: across to the right, and along. */
export const turn = ({ east, north }: OnPlane, heading: number): { across: number; along: number } => ({
  across: east * Math.cos(heading) - north * Math.sin(heading),
  along: east * Math.sin(heading) + north * Math.cos(heading),
});

/** The inverse. */
export const turnBack = (across: number, along: number, heading: number): OnPlane => ({
  east: across * Math.cos(heading) + along * Math.sin(heading),
  north: -across * Math.sin(heading) + along * Math.cos(heading),
});
