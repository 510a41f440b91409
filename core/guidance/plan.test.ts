import fc from "fast-check";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import GeoJSONReader from "jsts/org/locationtech/jts/io/GeoJSONReader.js";
import BufferOp from "jsts/org/locationtech/jts/operation/buffer/BufferOp.js";
import OverlayOp from "jsts/org/locationtech/jts/operation/overlay/OverlayOp.js";
import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import { between, reached } from "../geodesy/ellipsoid.ts";
import { unflatten } from "../geodesy/flat.ts";
import { offsetRings } from "../geodesy/offset.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import { sizeOf } from "../place/boundary.ts";
import { onPlane, type PlaneField, placeOf, turn, turnBack } from "../place/plane-field.ts";
import { signedArea } from "../place/ring.ts";
import { bestPlan, figuresOf, headingsOf, layPasses, type Plan, sweep } from "./plan.ts";

const HERE = placeAt(52.4, 10.7);
type Corners = readonly (readonly [number, number])[];
const field = (...rings: readonly Corners[]): PlaneField => ({
  origin: HERE,
  rings: rings.map((ring) => ring.map(([east, north]) => ({ east, north }))),
});
const BOX: Corners = [
  [0, 0],
  [400, 0],
  [400, 300],
  [0, 300],
];
const POLE: Corners = [
  [200, 140],
  [200, 160],
  [220, 160],
  [220, 140],
];
const NORTH = { heading: 0, start: { kind: "left" } as const, rounds: 0 };
const areas = (rings: readonly (readonly OnPlane[])[]) =>
  rings.reduce((sum, ring) => sum + signedArea(ring), 0);
const worked = ({ runs }: Plan) => runs.reduce((sum, { area }) => sum + area, 0);

/** The same rings as a geometry of JTS. */
const reader = new GeoJSONReader(new GeometryFactory());
const close = (ring: readonly OnPlane[]) => [...ring, ring[0]!].map(({ east, north }) => [east, north]);
const jts = (rings: readonly (readonly OnPlane[])[]) =>
  reader.read({ type: "Polygon", coordinates: rings.map(close) });

/** A field round a place, its corners at uneven steps and distances: odd, and never crossing itself. */
const odd = fc.array(fc.double({ min: 80, max: 300, noNaN: true }), { minLength: 5, maxLength: 12 }).map(
  (radii): PlaneField => ({
    origin: HERE,
    rings: [
      radii.map((radius, at) => {
        const angle = (2 * Math.PI * at) / radii.length;
        return { east: radius * Math.cos(angle), north: radius * Math.sin(angle) };
      }),
    ],
  }),
);

describe("straight passes", () => {
  it("over a box are so many, so long, with the last as wide as is left", () => {
    // By hand: 400 m across at 12 m are 33 whole passes and one of 4 m, each 300 m long.
    const plan = layPasses(field(BOX), { ...NORTH, spacing: 12 });
    expect(plan.passes).toBe(34);
    expect(plan.runs).toHaveLength(34);
    expect(plan.first).toBeCloseTo(12, 6);
    expect(plan.last).toBeCloseTo(4, 6);
    expect(plan.runMetres).toBeCloseTo(34 * 300, 3);
    expect(plan.turns).toBe(33);
    expect(plan.runs[0]!.from.east).toBeCloseTo(6, 6);
    const east = layPasses(field(BOX), { ...NORTH, heading: Math.PI / 2, spacing: 12 });
    expect(east.passes).toBe(25);
    expect(east.last).toBeCloseTo(12, 3);
  });

  it("begin at the other end, or with one on a line wherever that lies", () => {
    const right = layPasses(field(BOX), { ...NORTH, spacing: 12, start: { kind: "right" } });
    expect(right.first).toBeCloseTo(4, 6);
    expect(right.last).toBeCloseTo(12, 6);
    for (const across of [-500, -3, 0, 131, 399, 700]) {
      const plan = layPasses(field(BOX), { ...NORTH, spacing: 12, start: { kind: "line", across } });
      const steps = plan.runs.map(({ from }) => (from.east - across) / 12);
      expect(steps.every((each) => Math.abs(each - Math.round(each)) < 1e-6)).toBe(true);
      expect(worked(plan)).toBeCloseTo(120_000, 0);
      expect(plan.first).toBeGreaterThan(0);
      expect(plan.last).toBeGreaterThan(0);
    }
  });

  it("are cut into runs by a hole as wide as a pass, and lifted over a smaller one", () => {
    const wide = layPasses(field(BOX, POLE), { ...NORTH, spacing: 10 });
    // The hole from 200 to 220 takes passes 21 and 22 apart.
    expect(wide.runs.filter(({ pass }) => pass === 21)).toHaveLength(2);
    expect(wide.runs).toHaveLength(42);
    expect(worked(wide)).toBeCloseTo(120_000 - 400, 0);
    const narrow = layPasses(field(BOX, POLE), { ...NORTH, spacing: 50 });
    expect(narrow.runs).toHaveLength(8);
    expect(worked(narrow)).toBeCloseTo(120_000 - 400, 0);
  });

  it("work all of an odd field and nothing twice, at any heading, by what a geometry library says each lies over (JTS)", () => {
    fc.assert(
      fc.property(
        odd,
        fc.double({ min: 0, max: Math.PI, noNaN: true }),
        fc.integer({ min: 6, max: 40 }),
        (given, heading, spacing) => {
          const plan = layPasses(given, { ...NORTH, heading, spacing });
          expect(Math.abs(worked(plan) - areas(given.rings))).toBeLessThan(1 * plan.passes);
          const [run] = plan.runs;
          const own = plan.runs.filter(({ pass }) => pass === run!.pass);
          const middle = turn(run!.from, heading).across;
          const strip = [
            turnBack(middle - spacing / 2, -1000, heading),
            turnBack(middle + spacing / 2, -1000, heading),
            turnBack(middle + spacing / 2, 1000, heading),
            turnBack(middle - spacing / 2, 1000, heading),
          ];
          const under = OverlayOp.intersection(jts(given.rings), jts([strip]));
          expect(Math.abs(under.getArea() - own.reduce((sum, { area }) => sum + area, 0))).toBeLessThan(1);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("rounds along the edge", () => {
  it("leave what a geometry library leaves (JTS, buffer), round where a corner opens", () => {
    fc.assert(
      fc.property(odd, fc.double({ min: 2, max: 30, noNaN: true }), (given, inwards) => {
        const theirs = BufferOp.bufferOp(jts(given.rings), -inwards, 64).getArea();
        const ours = areas(offsetRings(given.rings, -inwards));
        expect(Math.abs(ours - theirs)).toBeLessThan(1 + theirs * 1e-4);
      }),
      { numRuns: 60 },
    );
  });

  it("are as long as the edge they follow, and the passes begin within them", () => {
    const plan = layPasses(field(BOX), { ...NORTH, spacing: 12, rounds: 2 });
    // By hand: 6 m in 388 × 288, 18 m in 364 × 264; within 24 m 352 × 252, 29 passes and 4 m.
    expect(plan.headland.map(({ length }) => Math.round(length))).toEqual([1352, 1256]);
    expect(plan.passes).toBe(30);
    expect(plan.last).toBeCloseTo(4, 3);
    expect(plan.turns).toBe(30 + 2 - 1);
    expect(worked(plan)).toBeCloseTo(352 * 252, 0);
    expect(layPasses(field(BOX), { ...NORTH, spacing: 12, rounds: 20 })).toMatchObject({
      runs: [],
      inner: [],
    });
  });

  it("go round holes as well", () => {
    const plan = layPasses(field(BOX, POLE), { ...NORTH, spacing: 12, rounds: 1 });
    expect(plan.headland).toHaveLength(2);
    // Round a square of 20 m, 6 m out: its sides and a circle.
    expect(Math.min(...plan.headland.map(({ length }) => length))).toBeCloseTo(80 + 2 * Math.PI * 6, 0);
  });
});

describe("which heading", () => {
  // A parallelogram leaning east by half of its height.
  const lean = field([
    [0, 0],
    [200, 0],
    [500, 600],
    [300, 600],
  ]);

  it("has fewest turns along the long side, which is among those looked at", () => {
    const outcomes = [...sweep(lean, { spacing: 12, rounds: 0 })].flatMap((each) => each.outcomes);
    const best = bestPlan(outcomes, "turns");
    expect(best!.heading).toBeCloseTo(Math.atan2(300, 600), 6);
    // Its width across: 200 · cos of the lean.
    expect(best!.runs).toBe(Math.ceil((200 * Math.cos(Math.atan2(300, 600))) / 12));
    const north = figuresOf(layPasses(lean, { ...NORTH, spacing: 12 }));
    expect(north.turns).toBeGreaterThan(2 * best!.turns);
  });

  it("with least sliver leaves the widest last pass that a fifth more turns buy, and says how far it has come", () => {
    const steps = [...sweep(lean, { spacing: 12, rounds: 1 })];
    expect(steps.at(-1)).toMatchObject({ done: steps.length, all: steps.length });
    const outcomes = steps.flatMap((each) => each.outcomes);
    const best = bestPlan(outcomes, "sliver")!;
    const fewest = bestPlan(outcomes, "turns")!;
    expect(best.turns).toBeLessThanOrEqual(1.2 * fewest.turns);
    const within = outcomes.filter(({ turns }) => turns <= 1.2 * fewest.turns);
    expect(best.sliver).toBe(Math.max(...within.map(({ sliver }) => sliver)));
    expect(best.sliver).toBeGreaterThanOrEqual(fewest.sliver);
    expect(bestPlan([], "turns")).toBeNull();
  });

  it("is looked for a degree at a time and along long edges", () => {
    expect(headingsOf(lean)).toHaveLength(180 + 1);
    expect(headingsOf(field(BOX))).toHaveLength(180);
  });
});

describe("passes on the ellipsoid", () => {
  it("lie at their own geodesic distance from the line, to a millimetre 2 km out (GeographicLib)", () => {
    const boundary = [
      {
        outer: [
          [-900, -900],
          [900, -900],
          [900, 900],
          [-900, 900],
        ].map(([east, north]) => unflatten(HERE, { east: east!, north: north! })),
        holes: [],
      },
    ];
    const plane = onPlane(boundary);
    expect(areas(plane.rings) / sizeOf(boundary).area).toBeCloseTo(1, 6);
    const heading = 0.6;
    const plan = layPasses(plane, { spacing: 24, rounds: 0, heading, start: { kind: "line", across: 0 } });
    const [a, b] = [-400, 400].map((along) => placeOf(plane, turnBack(0, along, heading)));
    const line = between(a!, b!);
    for (const run of plan.runs.filter((_, at) => at % 9 === 0)) {
      const { across } = turn(run.from, heading);
      const on = placeOf(plane, turnBack(across, 0, heading));
      // Square off the middle of the line, as far as the pass is said to lie.
      const middle = reached(a!, line.heading, line.distance / 2);
      const { distance } = between(middle, on);
      expect(Math.abs(distance - Math.abs(across))).toBeLessThan(1e-3);
      // And as far at either end: the meridians draw together, the passes do not.
      for (const along of [-400, 400])
        expect(
          Math.abs(
            between(
              placeOf(plane, turnBack(0, along, heading)),
              placeOf(plane, turnBack(across, along, heading)),
            ).distance - Math.abs(across),
          ),
        ).toBeLessThan(1e-3);
    }
  });
});
