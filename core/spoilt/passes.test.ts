import fc from "fast-check";
import geodesic from "geographiclib-geodesic";
import { describe, expect, it } from "vitest";
import type { Fixed } from "../geodesy/fixed.ts";
import { fromPlane } from "../geodesy/plane.ts";
import { corrected, passesOfTrack } from "./passes.ts";

/** Up and down a field with turns of a radius between, a position each metre and second. */
function upAndDown(passes: number, length: number, spacing: number, course = 0): Fixed[] {
  const way: { x: number; y: number }[] = [];
  for (let pass = 0; pass < passes; pass++) {
    const up = pass % 2 === 0;
    for (let at = 0; at <= length; at++) way.push({ x: pass * spacing, y: up ? at : length - at });
    if (pass === passes - 1) break;
    const radius = spacing / 2;
    for (let turn = 0.1; turn < Math.PI; turn += 1 / radius)
      way.push({
        x: pass * spacing + radius * (1 - Math.cos(turn)),
        y: (up ? length : 0) + (up ? 1 : -1) * radius * Math.sin(turn),
      });
  }
  return way.map(({ x, y }, time) => ({
    east: x * Math.cos(course) + y * Math.sin(course),
    north: y * Math.cos(course) - x * Math.sin(course),
    time,
    fix: "fixed",
  }));
}

describe("the passes of a track", () => {
  it("are what lies between its turns, each with its heading, whichever way the field lies", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 60, max: 300 }),
        fc.double({ min: 5, max: 24, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (count, length, spacing, course) => {
          const passes = passesOfTrack(upAndDown(count, length, spacing, course));
          expect(passes).toHaveLength(count);
          for (const [at, pass] of passes.entries()) {
            const out = course + (at % 2 === 0 ? 0 : Math.PI);
            expect(Math.cos(pass.heading - out)).toBeGreaterThan(0.99);
            expect(pass.length).toBeGreaterThan(length - 12);
            expect(pass.length).toBeLessThan(length + 12);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it("end where the receiver was silent, and are none where it stood or only turned", () => {
    const [pass] = [upAndDown(1, 120, 6)];
    const cut = pass!.map((each, at) => ({ ...each, time: at < 60 ? at : at + 40 }));
    expect(passesOfTrack(cut)).toHaveLength(2);
    expect(passesOfTrack(pass!.map((each) => ({ ...each, north: 0 })))).toEqual([]);
    const ring = Array.from({ length: 200 }, (_, time) => ({
      east: 8 * Math.sin(time / 8),
      north: 8 * Math.cos(time / 8),
      time,
      fix: null,
    }));
    expect(passesOfTrack(ring)).toEqual([]);
  });
});

describe("a pass corrected", () => {
  it("is moved to its own right and ahead: to the one side and the other up and down", () => {
    const [up, down] = passesOfTrack(upAndDown(2, 100, 6));
    const shift = { right: 0.1, ahead: 0.4 };
    const [first, second] = [corrected(up!, shift), corrected(down!, shift)];
    expect(first[5]!.east - up!.points[5]!.east).toBeCloseTo(0.1, 6);
    expect(first[5]!.north - up!.points[5]!.north).toBeCloseTo(0.4, 6);
    expect(second[8]!.east - down!.points[8]!.east).toBeCloseTo(-0.1, 6);
    expect(second[8]!.north - down!.points[8]!.north).toBeCloseTo(-0.4, 6);
  });

  it("lies as far off as GeographicLib has it", () => {
    const origin = { latitude: (52 * Math.PI) / 180, longitude: (11 * Math.PI) / 180 };
    const [pass] = passesOfTrack(upAndDown(1, 200, 6, 0.9));
    const moved = corrected(pass!, { right: 0.25, ahead: 0 });
    const degrees = (radians: number) => (radians * 180) / Math.PI;
    const at = (point: { east: number; north: number }) => fromPlane(origin, point);
    const [was, is] = [at(pass!.points[20]!), at(moved[20]!)];
    const inverse = geodesic.Geodesic.WGS84.Inverse(
      degrees(was.latitude),
      degrees(was.longitude),
      degrees(is.latitude),
      degrees(is.longitude),
    );
    expect(inverse.s12!).toBeCloseTo(0.25, 4);
    expect((inverse.azi1! + 360) % 360).toBeCloseTo(degrees(0.9 + Math.PI / 2), 1);
  });
});
