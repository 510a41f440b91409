import fc from "fast-check";
import geodesic from "geographiclib-geodesic";
import { describe, expect, it } from "vitest";
import { fromPlane, toPlane } from "./plane.ts";

const { WGS84 } = geodesic.Geodesic;

const radians = (degrees: number) => (degrees * Math.PI) / 180;
const at = (latitude: number, longitude: number) => ({
  latitude: radians(latitude),
  longitude: radians(longitude),
});

const place = fc.record({
  latitude: fc.double({ min: -70, max: 70, noNaN: true }),
  longitude: fc.double({ min: -180, max: 180, noNaN: true }),
  azimuth: fc.double({ min: -180, max: 180, noNaN: true }),
  distance: fc.double({ min: 0.5, max: 1000, noNaN: true }),
});

describe("the plane round a place", () => {
  it("agrees with GeographicLib's geodesic in length and direction, to 1 km", () => {
    fc.assert(
      fc.property(place, ({ latitude, longitude, azimuth, distance }) => {
        const { lat2, lon2 } = WGS84.Direct(latitude, longitude, azimuth, distance);
        const { east, north } = toPlane(at(latitude, longitude), at(lat2!, lon2!));
        expect(Math.abs(Math.hypot(east, north) - distance)).toBeLessThan(1e-5);
        const off = Math.atan2(east, north) - radians(azimuth);
        expect(Math.abs(Math.sin(off)) * distance).toBeLessThan(1e-4);
      }),
      { numRuns: 500 },
    );
  });

  it("leads back to where it came from", () => {
    fc.assert(
      fc.property(place, ({ latitude, longitude, azimuth, distance }) => {
        const origin = at(latitude, longitude);
        const there = {
          east: 3 * distance * Math.sin(radians(azimuth)),
          north: 3 * distance * Math.cos(radians(azimuth)),
        };
        const back = toPlane(origin, fromPlane(origin, there));
        expect(back.east).toBeCloseTo(there.east, 6);
        expect(back.north).toBeCloseTo(there.north, 6);
      }),
    );
  });
});
