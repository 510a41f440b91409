import fc from "fast-check";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import GeoJSONReader from "jsts/org/locationtech/jts/io/GeoJSONReader.js";
import IsValidOp from "jsts/org/locationtech/jts/operation/valid/IsValidOp.js";
import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import { between, reached, ringSize } from "../geodesy/ellipsoid.ts";
import { flatten, unflatten } from "../geodesy/flat.ts";
import { fromPlane } from "../geodesy/plane.ts";
import { type Boundary, contains, distanceTo, sizeOf, whereOf } from "./boundary.ts";
import { boundaryProblem, tidied } from "./check-boundary.ts";
import { firstCrossing, signedArea } from "./ring.ts";
import { partsOf, readPlace, readRings, writeRings } from "./typed.ts";

const HERE = placeAt(52.4, 10.7);
/** Corners in metres east and north of a place in the plain. */
const ring = (...corners: readonly (readonly [number, number])[]) =>
  corners.map(([east, north]) => unflatten(HERE, { east, north }));
const field = (...outer: readonly (readonly [number, number])[]): Boundary => [
  { outer: ring(...outer), holes: [] },
];
const SQUARE = [
  [0, 0],
  [400, 0],
  [400, 300],
  [0, 300],
] as const;
const said = (boundary: Boundary, known = [HERE]) => boundaryProblem(boundary, known);

describe("how large a field is", () => {
  it("is what its corners enclose on a plane laid to the ellipsoid, to two hundred-thousandths: an edge of 800 m bulges by 2 cm", () => {
    const corners = [
      [0, 0],
      [820, 40],
      [760, 610],
      [300, 520],
      [-30, 380],
    ].map(([east, north]) => ({ east: east!, north: north! }));
    const { area } = ringSize(corners.map((corner) => fromPlane(HERE, corner)));
    expect(Math.abs(area / signedArea(corners) - 1)).toBeLessThan(2e-5);
  });

  it("differs from the geodesic polygon of the same corners where edges are long: GeoJSON edges are straight in degrees", () => {
    // Handbook: 57 m² on 230 ha. A field of 1.5 km by 1.5 km, edges along parallels bulge to the south of the geodesic.
    const outer = [placeAt(52, 10), placeAt(52, 10.022), placeAt(52.0135, 10.022), placeAt(52.0135, 10)];
    const { area } = ringSize(outer);
    // On the sphere of the same authalic radius the cell between two parallels is R²·Δλ·(sin φ₂ − sin φ₁); on the ellipsoid, with q(φ) (Snyder 1987, 3-12).
    const e = Math.sqrt((1 / 298.257223563) * (2 - 1 / 298.257223563));
    const q = (degrees: number) => {
      const s = Math.sin((degrees * Math.PI) / 180);
      return (1 - e * e) * (s / (1 - e * e * s * s) - Math.log((1 - e * s) / (1 + e * s)) / (2 * e));
    };
    const exact = (6378137 ** 2 / 2) * ((0.022 * Math.PI) / 180) * (q(52.0135) - q(52));
    expect(Math.abs(area - exact)).toBeLessThan(0.5);
  });

  it("takes holes off and adds parts", () => {
    const hole = ring([100, 100], [150, 100], [150, 150], [100, 150]);
    const whole: Boundary = [
      { outer: ring(...SQUARE), holes: [hole] },
      { outer: ring([500, 0], [600, 0], [600, 100]), holes: [] },
    ];
    const { area, outline, holes } = sizeOf(whole);
    const bare = sizeOf([whole[0]!]).area;
    expect(area - bare).toBeCloseTo(ringSize(whole[1]!.outer).area, 6);
    expect(bare).toBeCloseTo(ringSize(whole[0]!.outer).area - ringSize(hole).area, 6);
    expect(holes).toBeCloseTo(200, -1);
    expect(outline).toBeCloseTo(1400 + 200 + Math.hypot(100, 100), -1);
  });

  it("does not hang on which way round, where it begins, or a corner between two others", () => {
    const corner = fc.tuple(
      fc.double({ min: 5, max: 400, noNaN: true }),
      fc.double({ min: 0.01, max: 1, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(corner, { minLength: 3, maxLength: 12 }), fc.nat(11), (polar, start) => {
        let turn = 0;
        const all = polar.reduce((sum, [, step]) => sum + step, 0);
        const outer = polar.map(([distance, step]) => {
          turn += (step / all) * 2 * Math.PI;
          return unflatten(HERE, { east: distance * Math.cos(turn), north: distance * Math.sin(turn) });
        });
        const { area } = ringSize(outer);
        const begun = [...outer.slice(start % outer.length), ...outer.slice(0, start % outer.length)];
        expect(ringSize(begun.reverse()).area).toBeCloseTo(area, 1);
        const middle = unflatten(outer[0]!, {
          east: flatten(outer[0]!, outer[1]!).east / 2,
          north: flatten(outer[0]!, outer[1]!).north / 2,
        });
        expect(ringSize([outer[0]!, middle, ...outer.slice(1)]).area).toBeCloseTo(area, 1);
      }),
      { numRuns: 60 },
    );
  });
});

describe("where a field is", () => {
  it("is the middle of what it encloses, and asked of a place whether it lies in it", () => {
    const holed: Boundary = [
      { outer: ring(...SQUARE), holes: [ring([100, 100], [150, 100], [150, 150], [100, 150])] },
    ];
    expect(flatten(HERE, whereOf(field(...SQUARE))).east).toBeCloseTo(200, 3);
    expect(flatten(HERE, whereOf(field(...SQUARE))).north).toBeCloseTo(150, 3);
    const at = (east: number, north: number) => unflatten(HERE, { east, north });
    expect(contains(holed, at(20, 20))).toBe(true);
    expect(contains(holed, at(120, 120))).toBe(false);
    expect(contains(holed, at(-5, 20))).toBe(false);
    expect(distanceTo(holed, at(-5, 20))).toBeCloseTo(5, 3);
    expect(distanceTo(holed, at(120, 120))).toBeCloseTo(20, 2);
  });

  it("is reached again by the heading and distance from elsewhere", () => {
    const there = placeAt(52.43, 10.76);
    const { distance, heading } = between(HERE, there);
    const back = reached(HERE, heading, distance);
    expect(flatten(there, back).east).toBeCloseTo(0, 6);
    expect(flatten(there, back).north).toBeCloseTo(0, 6);
  });
});

describe("a boundary that is none", () => {
  it("is refused by place", () => {
    expect(said(field(...SQUARE))).toBeNull();
    expect(said(field([0, 0], [400, 300], [400, 0], [0, 300]))).toContain(
      "from corner 1 to 2 and that from 3 to 4 meet",
    );
    expect(said(field([0, 0], [100, 0]))).toContain("2 corners that differ");
    expect(said(field([0, 0], [0, 0], [0, 0]))).toContain("1 corner that differs");
    expect(said(field([0, 0], [100, 0], [50, 0]))).toMatch(/touches itself|encloses nothing/);
    expect(said([])).toContain("no ring");
    expect(said(field([0, 0], [20_000, 0], [20_000, 20_000], [0, 20_000]))).toContain("no single field");
  });

  it("is one whose hole lies outside, or in another, or crosses; or whose part lies in another", () => {
    const outer = ring(...SQUARE);
    const hole = ring([100, 100], [200, 100], [200, 200]);
    expect(said([{ outer, holes: [hole] }])).toBeNull();
    expect(said([{ outer, holes: [ring([500, 500], [600, 500], [600, 600])] }])).toContain(
      "Hole 1 lies outside",
    );
    expect(said([{ outer, holes: [hole, ring([150, 110], [190, 110], [190, 150])] }])).toContain(
      "Hole 2 lies in hole 1",
    );
    expect(said([{ outer, holes: [ring([300, 100], [500, 100], [500, 200])] }])).toContain(
      "The outline and hole 1 cross",
    );
    expect(
      said([
        { outer, holes: [] },
        { outer: hole, holes: [] },
      ]),
    ).toContain("Part 2 lies in part 1");
    expect(
      said([
        { outer, holes: [hole] },
        { outer: ring([150, 110], [190, 110], [190, 145]), holes: [] },
      ]),
    ).toBeNull();
  });

  it("is one with latitude and longitude swapped: out of range by itself, else by where the others lie", () => {
    const swap = (boundary: Boundary): Boundary =>
      boundary.map(({ outer }) => ({
        outer: outer.map(({ latitude, longitude }) => ({ latitude: longitude, longitude: latitude })),
        holes: [],
      }));
    expect(said(swap(field(...SQUARE)))).toContain("swapped");
    expect(said(swap(field(...SQUARE)), [])).toBeNull();
    const east = [{ outer: [placeAt(120, 52), placeAt(120.01, 52), placeAt(120.01, 52.01)], holes: [] }];
    expect(said(east, [])).toContain("Corner 1 of the outline has 120° of latitude");
    // Far from the others either way: another continent is no swap.
    expect(
      said([{ outer: [placeAt(-30, 140), placeAt(-30.001, 140), placeAt(-30, 140.001)], holes: [] }]),
    ).toBeNull();
  });

  it("drops what is said twice, and the first corner at the end", () => {
    const [a, b, c] = ring([0, 0], [100, 0], [100, 100]) as [typeof HERE, typeof HERE, typeof HERE];
    expect(tidied([{ outer: [a, a, b, c, c, a], holes: [] }])).toEqual([{ outer: [a, b, c], holes: [] }]);
  });
});

describe("edges that cross", () => {
  const coordinate = fc.integer({ min: 0, max: 30 });

  it("are found where a geometry library finds them (JTS, IsValidOp)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 8 }), (corners) => {
        const distinct = corners.filter(([x, y], at) => {
          const [px, py] = corners[(at + corners.length - 1) % corners.length]!;
          return x !== px || y !== py;
        });
        fc.pre(distinct.length >= 3);
        const closed = [...distinct, distinct[0]!];
        const polygon = new GeoJSONReader(new GeometryFactory()).read({
          type: "Polygon",
          coordinates: [closed],
        });
        const found = firstCrossing([distinct.map(([east, north]) => ({ east, north }))], 1e-9);
        expect(found === null).toBe(new IsValidOp(polygon).isValid());
      }),
      { numRuns: 400 },
    );
  });
});

describe("corners as they are typed", () => {
  const degrees = (text: string) => {
    const read = readPlace(text);
    if (typeof read === "string") return read;
    return [read.latitude, read.longitude].map((each) => Number(((each * 180) / Math.PI).toFixed(6)));
  };

  it("are read in degrees, minutes and seconds, with letters or signs", () => {
    for (const text of [
      "52.40341, 10.7512",
      "52.40341 10.7512",
      "52,40341; 10,7512",
      "10.7512 E, 52.40341 N",
      "52° 24.2046' N 10° 45.072' E",
      "N52 24 12.276 E10 45 4.32",
      "52°24'12.276\"N, 10°45'4.32\"E",
    ])
      expect(degrees(text)).toEqual([52.40341, 10.7512]);
    expect(degrees("-33.9, 18.4")).toEqual([-33.9, 18.4]);
    expect(degrees("33.9 S 18.4 W")).toEqual([-33.9, -18.4]);
  });

  it("are refused by line where they are none", () => {
    expect(degrees("52.4")).toContain("Two angles");
    expect(degrees("here, there")).toContain("no angle");
    expect(degrees("95.1, 10")).toContain("Latitude comes first");
    expect(degrees("52 N 10 N")).toContain("Two angles");
    expect(degrees("52° 70' N 10° 5' E")).toContain("no angle");
    expect(degrees("-52 N 10 E")).toContain("no angle");
    expect(readRings("52.4, 10.7\n\n52.41, 10.7\nand on")).toMatchObject({ ok: false, line: 4 });
  });

  it("are rings parted by empty lines: one in another is a hole of it", () => {
    const whole: Boundary = [
      { outer: ring(...SQUARE), holes: [ring([100, 100], [150, 100], [150, 150])] },
      { outer: ring([500, 0], [600, 0], [600, 100]), holes: [] },
    ];
    const read = readRings(`\n${writeRings(whole)}\n\n`);
    expect(read.ok && read.rings.map(({ length }) => length)).toEqual([4, 3, 3]);
    const parts = partsOf(read.ok ? read.rings : []);
    expect(parts.map(({ holes }) => holes.length)).toEqual([1, 0]);
    expect(sizeOf(parts).area).toBeCloseTo(sizeOf(whole).area, 0);
  });
});
