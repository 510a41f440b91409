import Coordinate from "jsts/org/locationtech/jts/geom/Coordinate.js";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import DistanceOp from "jsts/org/locationtech/jts/operation/distance/DistanceOp.js";
import { describe, expect, it } from "vitest";
import type { OnPlane } from "../geodesy/plane.ts";
import { roundWithin } from "./rounds.ts";

const factory = new GeometryFactory();
const ring = (...corners: [number, number][]): OnPlane[] => corners.map(([east, north]) => ({ east, north }));
const ORIGIN = { latitude: 0.9, longitude: 0.2 };
const FIELD = { origin: ORIGIN, rings: [ring([0, 0], [120, 0], [140, 90], [10, 80])] };

describe("a round along the edge", () => {
  it("lies half a tool, and a tool more each round, within it: by another geometry library", () => {
    const close = (corners: readonly OnPlane[]) =>
      [...corners, corners[0]!].map(({ east, north }) => new Coordinate(east, north));
    const edge = factory.createLinearRing(close(FIELD.rings[0]!));
    for (const round of [1, 2, 3]) {
      const way = roundWithin(FIELD, round, 6)!;
      expect(way[0]).toEqual(way.at(-1));
      for (const { east, north } of way)
        expect(DistanceOp.distance(edge, factory.createPoint(new Coordinate(east, north)))).toBeCloseTo(
          (round - 0.5) * 6,
          2,
        );
    }
  });

  it("goes round the largest part, never round a hole, and is none where the field is too narrow", () => {
    const small = ring([200, 0], [230, 0], [230, 30], [200, 30]);
    const hole = ring([40, 30], [40, 50], [60, 50], [60, 30]);
    const way = roundWithin({ origin: ORIGIN, rings: [small, ...FIELD.rings, hole] }, 1, 6)!;
    expect(Math.max(...way.map(({ east }) => east))).toBeLessThan(141);
    expect(Math.min(...way.map(({ north }) => north))).toBeCloseTo(3, 2);
    expect(roundWithin({ origin: ORIGIN, rings: [small] }, 4, 6)).toBeNull();
  });
});
