/** Degrees, as coordinates are written, and radians, as they are reckoned with. */
import type { Geographic } from "./plane.ts";

const PER_DEGREE = Math.PI / 180;

/** Nine decimals of a degree are a tenth of a millimetre: as fine as ISO 11783-10 writes a position. */
const DECIMALS = 1e9;

/** Radians of an angle in degrees. */
export const radiansOf = (degrees: number): number => degrees * PER_DEGREE;

/** Rounded to nine decimals, so that what was written reads back the same. */
export const degreesOf = (radians: number): number =>
  Math.round((radians / PER_DEGREE) * DECIMALS) / DECIMALS;

/** A place by its degrees, north and east positive. */
export const placeAt = (latitude: number, longitude: number): Geographic => ({
  latitude: radiansOf(latitude),
  longitude: radiansOf(longitude),
});
