import fc from "fast-check";
import Coordinate from "jsts/org/locationtech/jts/geom/Coordinate.js";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import GeoJSONReader from "jsts/org/locationtech/jts/io/GeoJSONReader.js";
import DistanceOp from "jsts/org/locationtech/jts/operation/distance/DistanceOp.js";
import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import type { PlaneField } from "../place/plane-field.ts";
import { signedArea } from "../place/ring.ts";
import { type BentLine, circleLine, curveLine, passesAlong } from "./bent.ts";
import { layAlong, layPasses } from "./plan.ts";
import { tighterThan, tightestOf, wayLength } from "./way.ts";

type Pair = readonly [east: number, north: number];
const points = (...pairs: readonly Pair[]): OnPlane[] => pairs.map(([east, north]) => ({ east, north }));
const box = (half: number): OnPlane[] => points([-half, -half], [half, -half], [half, half], [-half, half]);
const fieldOf = (...rings: OnPlane[][]): PlaneField => ({ origin: placeAt(48.1, 16.2), rings });
const lineThrough = (way: readonly OnPlane[], gap = 3): BentLine => {
  const found = curveLine(way, gap, 400);
  if (!found.ok) throw new Error(found.problem);
  return found.line;
};
const total = (all: readonly { area: number }[]) => all.reduce((sum, { area }) => sum + area, 0);
const arc = (radius: number, from: number, to: number, steps = 200): OnPlane[] =>
  Array.from({ length: steps + 1 }, (_, at) => {
    const angle = from + ((to - from) * at) / steps;
    return { east: radius * Math.cos(angle), north: radius * Math.sin(angle) };
  });

const reader = new GeoJSONReader(new GeometryFactory());
const asLine = (way: readonly OnPlane[]) =>
  reader.read({ type: "LineString", coordinates: way.map(({ east, north }) => [east, north]) });
const asPoint = ({ east, north }: OnPlane) => new GeometryFactory().createPoint(new Coordinate(east, north));

describe("passes along a line that bends", () => {
  it("are the straight ones where it is straight", () => {
    const field = fieldOf(box(150), points([20, 20], [20, 50], [50, 50], [50, 20]));
    const straight = layPasses(field, {
      spacing: 12,
      rounds: 1,
      heading: 0,
      start: { kind: "line", across: 7 },
    });
    const bent = layAlong(field, {
      spacing: 12,
      rounds: 1,
      along: lineThrough(points([0, -60], [0, -20], [0, 40])),
      across: 7,
    });
    expect(bent.runs).toHaveLength(straight.runs.length);
    for (const [at, run] of bent.runs.entries()) {
      expect(run.pass).toBe(straight.runs[at]!.pass);
      expect(run.length).toBeCloseTo(straight.runs[at]!.length, 2);
      expect(run.area).toBeCloseTo(straight.runs[at]!.area, 0);
      expect(run.from.east).toBeCloseTo(straight.runs[at]!.from.east, 2);
      expect(run.from.north).toBeCloseTo(straight.runs[at]!.from.north, 2);
      expect(run.tightest).toBeGreaterThan(1e4);
    }
    expect(bent.first).toBeCloseTo(straight.first, 2);
    expect(bent.last).toBeCloseTo(straight.last, 2);
  });

  it("reach over the whole of a long field from a line along its end, on either side", () => {
    const long = fieldOf(points([-400, -40], [400, -40], [400, 40], [-400, 40]));
    for (const east of [-395, 395])
      for (const way of [points([east, -30], [east, 30]), points([east, 30], [east, -30])]) {
        const found = curveLine(way, 3, 402);
        if (!found.ok) throw new Error(found.problem);
        const { runs, missed } = passesAlong(long.rings, found.line, { spacing: 10, across: 0 });
        expect(runs).toHaveLength(80);
        expect((total(runs) + missed) / 64_000).toBeCloseTo(1, 5);
      }
  });

  it("round a pivot are circles with rings of field under them, and pieces of them in the corners", () => {
    const { runs, missed, first, last } = passesAlong([box(200)], circleLine({ east: 0, north: 0 }, 100), {
      spacing: 12,
      across: 0,
    });
    const round = runs.filter(
      ({ from, to }) => from === to || Math.hypot(from.east - to.east, from.north - to.north) < 1e-6,
    );
    // Radii 4, 16 … 196: those whose middle stays on the field are whole.
    expect(round).toHaveLength(17);
    expect(first).toBeGreaterThan(9.9);
    expect(first).toBeLessThanOrEqual(10);
    expect(last).toBeGreaterThan(200 * Math.SQRT2 - 274 - 0.2);
    for (const [at, { length, area, tightest }] of round.entries()) {
      const radius = 4 + 12 * at;
      expect(length / (2 * Math.PI * radius)).toBeCloseTo(1, at === 0 ? 1 : 2);
      const outer = Math.min(200, radius + 6);
      if (radius < 190)
        expect(area / (Math.PI * (outer ** 2 - Math.max(0, radius - 6) ** 2))).toBeCloseTo(1, 2);
      if (at > 0 && radius < 45) expect(tightest / radius).toBeCloseTo(1, 1);
    }
    expect(runs.filter((run) => !round.includes(run)).length % 4).toBe(0);
    expect((total(runs) + missed) / 160_000).toBeCloseTo(1, 4);
  });

  it("leave the middle of a circle that none can be driven round", () => {
    const { missed, runs } = passesAlong([box(200)], circleLine({ east: 0, north: 0 }, 96), {
      spacing: 12,
      across: 0,
    });
    expect(missed / (Math.PI * 36)).toBeCloseTo(1, 2);
    expect((total(runs) + missed) / 160_000).toBeCloseTo(1, 4);
    const outwards = passesAlong([box(200)], circleLine({ east: 0, north: 0 }, 96), {
      spacing: 12,
      across: 4,
    });
    expect(outwards.missed).toBe(0);
  });

  it("lie at whole passes from it, and cover the field once: by JTS", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 60, max: 200, noNaN: true }),
        fc.double({ min: 5, max: 24, noNaN: true }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (swing, wave, spacing, across) => {
          const way = Array.from({ length: 81 }, (_, at) => {
            const north = -200 + at * 5;
            return { east: swing * Math.sin(north / wave), north };
          });
          const line = lineThrough(way);
          const { runs, missed } = passesAlong([box(180)], line, { spacing, across });
          // Where the bend is all but too tight a cusp of a few square metres is left between two passes.
          expect(Math.abs((total(runs) + missed) / 129_600 - 1)).toBeLessThan(3e-4);
          const base = asLine(line.way);
          for (const run of runs)
            for (const place of run.way.filter((_, at) => at % 9 === 4)) {
              const off = DistanceOp.distance(asPoint(place), base);
              const side = Math.min(
                ...[off - across, off + across].map((each) =>
                  Math.abs(each / spacing - Math.round(each / spacing)),
                ),
              );
              expect(side * spacing).toBeLessThan(0.03);
            }
        },
      ),
      { numRuns: 12 },
    );
  });

  it("never leave the field but for the ends of the tool", () => {
    const way = Array.from({ length: 60 }, (_, at) => ({
      east: 20 * Math.sin(at / 9),
      north: -150 + at * 5,
    }));
    const { runs } = passesAlong([box(180)], lineThrough(way), { spacing: 6, across: 0 });
    const out = runs
      .flatMap((run) => run.way)
      .map(({ east, north }) => Math.max(Math.abs(east), Math.abs(north)));
    expect(Math.max(...out)).toBeLessThan(186);
  });

  it("bend tighter towards the inside, down to a corner", () => {
    const line = lineThrough(arc(60, 0, Math.PI / 2));
    const { runs } = passesAlong([box(100)], line, { spacing: 10, across: 0 });
    const tightest = Math.min(...runs.map((run) => run.tightest));
    expect(tightest).toBeLessThan(5);
    const along = runs.find(({ tightest: least }) => Math.abs(least - 60) < 6);
    expect(along).toBeDefined();
  });

  it("along a round begin inside or outside of it alike, whichever way round it was driven", () => {
    const ring = box(100);
    const round = (way: OnPlane[]) =>
      passesAlong([box(160)], lineThrough([...way, way[0]!]), { spacing: 20, across: 6 });
    const [left, right] = [round(ring), round([...ring].reverse())];
    // Right of a round driven to the left is outside of it, of one driven to the right inside.
    const nearest = ({ runs }: typeof left, north: number) =>
      Math.min(...runs.flatMap(({ way }) => way.map((place) => Math.abs(place.north - north))));
    expect(nearest(left, 106)).toBeLessThan(0.02);
    expect(nearest(right, 94)).toBeLessThan(0.02);
    expect((total(left.runs) + left.missed) / 320 ** 2).toBeCloseTo(1, 4);
  });

  it("are none along a line that crosses itself, or is too short to tell a way", () => {
    expect(curveLine(points([0, 0], [50, 50], [50, 0], [0, 50]), 3, 400)).toEqual({
      ok: false,
      problem: "crosses itself",
    });
    // Its ends, gone on straight, meet on the field; beyond it they close it.
    expect(curveLine(points([-20, 0], [-60, 100], [60, 100], [20, 0]), 3, 400)).toEqual({
      ok: false,
      problem: "crosses itself",
    });
    expect(curveLine(points([-50, -150], [-60, 150], [60, 150], [50, -150]), 3, 240).ok).toBe(true);
    expect(curveLine(points([0, 0], [4, 4]), 3, 400)).toEqual({ ok: false, problem: "too short" });
    expect(() => circleLine({ east: 0, north: 0 }, 0)).toThrow(RangeError);
  });
});

describe("how tightly a way bends", () => {
  it("is the radius of a circle, and of a corner by its angle", () => {
    expect(tightestOf(arc(25, 0, 3)) / 25).toBeCloseTo(1, 2);
    expect(tightestOf(points([0, 0], [0, 100]))).toBe(Number.POSITIVE_INFINITY);
    const turned = Math.PI / 3;
    const corner = points([0, -20], [0, 0], [20 * Math.sin(turned), 20 * Math.cos(turned)]);
    // Three places 3 m apart about a corner: half an arm over the sine of half its turn.
    expect(tightestOf(corner)).toBeCloseTo(1.5 / Math.sin(turned / 2), 1);
    const [stretch, ...others] = tighterThan(corner, 20);
    expect(others).toEqual([]);
    for (const { east, north } of stretch!) expect(Math.hypot(east, north)).toBeLessThan(3);
    expect(tighterThan(corner, 2)).toEqual([]);
  });

  it("and how long it is, is the sum of its edges", () => {
    expect(wayLength(points([0, 0], [3, 4], [3, 14]))).toBe(15);
  });

  it("and what a ring encloses, runs anticlockwise", () => {
    expect(signedArea(circleLine({ east: 3, north: 4 }, 50).left) / (Math.PI * 2500)).toBeCloseTo(1, 3);
  });
});
