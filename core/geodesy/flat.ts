/**
 * Latitude and longitude stretched evenly to about metres. What is straight in degrees stays straight, as the edges of a boundary are (RFC 7946, 3.1.1):
 * so whether edges cross is asked here. Lengths are right within the field only; areas are asked of the ellipsoid.
 */
import type { Geographic, OnPlane } from "./plane.ts";

/** Metres of a radian along the meridian, the mean over the ellipsoid (WGS 84: quarter of a meridian over a right angle). */
const METRES_PER_RADIAN = 6_367_449;

/** A longitude seen from another: the short way round, radians. */
export const fromMeridian = (longitude: number, of: number): number => {
  const off = (longitude - of) % (2 * Math.PI);
  return off > Math.PI ? off - 2 * Math.PI : off < -Math.PI ? off + 2 * Math.PI : off;
};

/** Metres east and north of the origin, roughly. */
export function flatten(origin: Geographic, point: Geographic): OnPlane {
  return {
    east: fromMeridian(point.longitude, origin.longitude) * METRES_PER_RADIAN * Math.cos(origin.latitude),
    north: (point.latitude - origin.latitude) * METRES_PER_RADIAN,
  };
}

/** The inverse. */
export function unflatten(origin: Geographic, { east, north }: OnPlane): Geographic {
  return {
    latitude: origin.latitude + north / METRES_PER_RADIAN,
    longitude: origin.longitude + east / (METRES_PER_RADIAN * Math.cos(origin.latitude)),
  };
}
