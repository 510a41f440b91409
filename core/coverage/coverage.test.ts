import { areaD, FillRule, type PathsD, unionD } from "clipper2-ts";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { numbers } from "../season/plan/sample.ts";
import { measure, measured } from "./measure.ts";
import { type At, edgesOf, quadsBetween } from "./passes.ts";
import { covered, fillRing, fillRings, isWorked, movedTo, rasterOver, type Spot, within } from "./raster.ts";

const BOX = { left: 0, bottom: 0, right: 60, top: 40 };

const shoelace = (ring: readonly Spot[]) =>
  Math.abs(
    ring.reduce((sum, { x, y }, at) => {
      const next = ring[(at + 1) % ring.length]!;
      return sum + x * next.y - next.x * y;
    }, 0) / 2,
  );
const around = (ring: readonly Spot[]) =>
  ring.reduce((sum, { x, y }, at) => {
    const next = ring[(at + 1) % ring.length]!;
    return sum + Math.hypot(next.x - x, next.y - y);
  }, 0);

/** A tool driven along a curve, its sections opened and shut by chance. */
function driven(seed: number, fixes: number, sections: number): { quads: Spot[][] } {
  const next = numbers(seed);
  const edges = edgesOf({ sections: Array.from({ length: sections }, () => 0.5) });
  const at: At[] = [];
  let [x, y, heading] = [15 + 20 * next(), 10 + 15 * next(), 2 * Math.PI * next()];
  let open = Array.from({ length: sections }, () => true);
  for (let fix = 0; fix < fixes; fix += 1) {
    if (next() < 0.2) open = open.map(() => next() < 0.7);
    at.push({ x, y, heading, open });
    heading += (next() - 0.5) * 0.4;
    x += 1.5 * Math.sin(heading);
    y += 1.5 * Math.cos(heading);
  }
  return { quads: at.slice(1).flatMap((now, place) => quadsBetween(edges, at[place]!, now)) };
}

describe("ground in cells", () => {
  it("has the area of a ring, to the cells along its edge", () => {
    const corner = fc.record({
      x: fc.double({ min: 1, max: 59, noNaN: true }),
      y: fc.double({ min: 1, max: 39, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.tuple(corner, corner, corner), (ring) => {
        const raster = rasterOver(BOX, 0.05);
        fillRing(raster, ring);
        expect(Math.abs(covered(raster).once - shoelace(ring))).toBeLessThan(0.05 * around(ring) + 0.01);
        expect(covered(raster).twice).toBe(0);
      }),
    );
  });

  it("is worked once where quads share an edge, and twice where they lie on one another", () => {
    const raster = rasterOver(BOX, 0.05);
    const strip = (from: number, to: number): Spot[] => [
      { x: from, y: 5 },
      { x: from + 3, y: 15 },
      { x: to + 3, y: 15 },
      { x: to, y: 5 },
    ];
    // Parallelograms side by side, 10 m high: 20 m wide together.
    for (const at of [10, 14, 18, 22, 26]) fillRing(raster, strip(at, at + 4));
    expect(covered(raster).once).toBeCloseTo(200, 1);
    expect(covered(raster).twice).toBe(0);
    fillRing(raster, strip(12, 15));
    expect(covered(raster).once).toBeCloseTo(200, 1);
    expect(covered(raster).twice).toBeCloseTo(30, 1);
    fillRing(raster, strip(12, 15));
    expect(covered(raster).twice).toBeCloseTo(30, 1);
  });

  it("knows what of it lies in a field with a hole, beside it, and what was left", () => {
    const ring = (left: number, bottom: number, right: number, top: number): Spot[] => [
      { x: left, y: bottom },
      { x: right, y: bottom },
      { x: right, y: top },
      { x: left, y: top },
    ];
    const field = rasterOver(BOX, 0.1);
    fillRings(field, [ring(10, 10, 30, 30), ring(15, 15, 20, 20)]);
    expect(covered(field).once).toBeCloseTo(400 - 25, 6);
    const worked = rasterOver(BOX, 0.1);
    fillRing(worked, ring(5, 10, 20, 30));
    // By hand: 300 m² worked; 100 beside, 25 in the hole; 200 left on the other side.
    const found = within(worked, field);
    expect(found.inside).toBeCloseTo(175, 6);
    expect(found.outside).toBeCloseTo(125, 6);
    expect(found.left).toBeCloseTo(200, 6);
    expect(() => within(worked, rasterOver(BOX, 0.2))).toThrow(RangeError);
    expect(() => rasterOver(BOX, 0)).toThrow(RangeError);
  });

  it("leaves out what lies beyond its box, says of a place whether it is worked, and begins anew elsewhere", () => {
    const raster = rasterOver({ left: 0, bottom: 0, right: 100, top: 100 }, 0.05);
    const square: Spot[] = [
      { x: -50, y: -50 },
      { x: 10, y: -50 },
      { x: 10, y: 10 },
      { x: -50, y: 10 },
    ];
    fillRing(raster, square);
    expect(covered(raster).once).toBeCloseTo(100, 6);
    expect(isWorked(raster, { x: 9.9, y: 9.9 })).toBe(true);
    expect(isWorked(raster, { x: 10.1, y: 9.9 })).toBe(false);
    expect(isWorked(raster, { x: -1, y: 5 })).toBe(false);
    fillRing(movedTo(raster, 5), square);
    expect(covered(raster)).toEqual({ once: expect.closeTo(50, 6), twice: 0 });
  });

  it("is measured band by band as in one go: worked, lapped, beside the field and left", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
        const { quads } = driven(seed, 40, 12);
        const box = { left: -90, bottom: -90, right: 130, top: 130 };
        const field = [
          [
            { x: 0, y: -10 },
            { x: 40, y: 0 },
            { x: 30, y: 50 },
            { x: -5, y: 30 },
          ],
        ];
        const whole = rasterOver(box, 0.2);
        for (const quad of quads) fillRing(whole, quad);
        const ground = rasterOver(box, 0.2);
        fillRings(ground, field);
        const sum = measure({ box, cell: 0.2, field, pieces: quads });
        const expected = { ...covered(whole), ...within(whole, ground) };
        for (const key of ["once", "twice", "inside", "outside", "left"] as const)
          expect(Math.abs(sum[key] - expected[key])).toBeLessThan(0.1);
        expect(sum.inside + sum.outside).toBeCloseTo(sum.once, 6);
      }),
      { numRuns: 25 },
    );
  });

  it("tells after each band how far it has come, and may be stopped there", () => {
    const box = { left: 0, bottom: 0, right: 10, top: 60 };
    const bands = measured({ box, cell: 0.05, field: [], pieces: [] });
    expect(bands.next()).toEqual({ done: false, value: { done: 1, all: 10 } });
    expect(() => measure({ box, cell: 0, field: [], pieces: [] })).toThrow(RangeError);
  });
});

describe("what a tool worked", () => {
  it("is a quad for each run of open sections between two positions", () => {
    const edges = edgesOf({ sections: [1, 2, 3, 2] });
    expect(edges).toEqual([-4, -3, -1, 2, 4]);
    const north = (y: number, open: boolean[]): At => ({ x: 10, y, heading: 0, open });
    const quads = quadsBetween(
      edges,
      north(0, [true, true, true, true]),
      north(5, [true, false, true, true]),
    );
    expect(quads.map((quad) => shoelace(quad))).toEqual([5, 25]);
    expect(quads[1]![0]).toEqual({ x: 9, y: 0 });
    expect(
      quadsBetween(edges, north(0, [false, false, false, false]), north(5, [true, true, true, true])),
    ).toEqual([]);
  });

  it("is the union of the same quads by a polygon library, within two thousandths", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
        const { quads } = driven(seed, 60, 12);
        if (quads.length === 0) return;
        const raster = rasterOver({ left: -90, bottom: -90, right: 130, top: 130 }, 0.05);
        for (const quad of quads) fillRing(raster, quad);
        const paths: PathsD = quads.map((quad) => {
          const turns = quad.reduce((sum, { x, y }, at) => {
            const next = quad[(at + 1) % 4]!;
            return sum + x * next.y - next.x * y;
          }, 0);
          return turns < 0 ? [...quad].reverse() : quad;
        });
        // A tight turn folds a quad over itself: both sides of it count as worked by even and odd crossings.
        const union = Math.abs(
          unionD(paths, [], FillRule.NonZero, 4).reduce((sum, path) => sum + areaD(path), 0),
        );
        expect(Math.abs(covered(raster).once / union - 1)).toBeLessThan(0.002);
      }),
      { numRuns: 40 },
    );
  });
});
