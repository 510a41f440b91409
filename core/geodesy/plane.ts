/**
 * The ground round a place as a plane: metres east and north of an origin on the WGS 84 ellipsoid, by way of
 * earth-centred coordinates, so that it holds over a farm and not only over a yard.
 */

/** WGS 84: semi-major axis in metres, flattening (NIMA TR 8350.2). */
const A = 6378137;
const F = 1 / 298.257223563;
const E2 = F * (2 - F);

/** Radians, north and east positive. */
export type Geographic = { latitude: number; longitude: number };

export type OnPlane = { east: number; north: number };

type Cartesian = readonly [x: number, y: number, z: number];

function cartesian({ latitude, longitude }: Geographic): Cartesian {
  const normal = A / Math.sqrt(1 - E2 * Math.sin(latitude) ** 2);
  return [
    normal * Math.cos(latitude) * Math.cos(longitude),
    normal * Math.cos(latitude) * Math.sin(longitude),
    normal * (1 - E2) * Math.sin(latitude),
  ];
}

/** Metres east and north of the origin. 1 km out, lengths differ from those along the ellipsoid by less than 0.01 mm. */
export function toPlane(origin: Geographic, point: Geographic): OnPlane {
  const [x0, y0, z0] = cartesian(origin);
  const [x, y, z] = cartesian(point);
  const [dx, dy, dz] = [x - x0, y - y0, z - z0];
  const { latitude, longitude } = origin;
  const outward = dx * Math.cos(longitude) + dy * Math.sin(longitude);
  return {
    east: -dx * Math.sin(longitude) + dy * Math.cos(longitude),
    north: -outward * Math.sin(latitude) + dz * Math.cos(latitude),
  };
}

/** The place that lies so far east and north of the origin: the inverse, to a tenth of a micrometre over a few kilometres. */
export function fromPlane(origin: Geographic, { east, north }: OnPlane): Geographic {
  const guess = { ...origin };
  for (let step = 0; step < 6; step += 1) {
    const at = toPlane(origin, guess);
    if (Math.abs(north - at.north) + Math.abs(east - at.east) < 1e-7) break;
    const sine = Math.sin(guess.latitude);
    const normal = A / Math.sqrt(1 - E2 * sine ** 2);
    const meridian = (normal * (1 - E2)) / (1 - E2 * sine ** 2);
    guess.latitude += (north - at.north) / meridian;
    guess.longitude += (east - at.east) / (normal * Math.cos(guess.latitude));
  }
  return guess;
}
