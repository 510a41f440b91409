import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import { fromPlane } from "../geodesy/plane.ts";
import { type Boundary, sizeOf } from "./boundary.ts";
import { type Zone, zonesOn } from "./zones.ts";

const HERE = placeAt(50.2, 12.6);
const box = (west: number, south: number, east: number, north: number): Boundary => [
  {
    outer: [
      [west, south],
      [east, south],
      [east, north],
      [west, north],
    ].map(([x, y]) => fromPlane(HERE, { east: x!, north: y! })),
    holes: [],
  },
];
const zone = (variety: string, ...corners: [number, number, number, number]): Zone => ({
  variety,
  boundary: box(...corners),
});
const FIELD = box(0, 0, 400, 250);

describe("zones of a field", () => {
  it("share it out, and what lies beside it is told", () => {
    const { shares, uncovered, twice, beside } = zonesOn(FIELD, [
      zone("Alder", -50, 0, 150, 250),
      zone("Birk", 150, 0, 350, 250),
      zone("Alder", 350, 0, 400, 100),
    ]);
    expect(shares.map(({ variety }) => variety)).toEqual(["Alder", "Birk"]);
    expect(shares[0]!.area).toBeCloseTo(150 * 250 + 50 * 100, -1);
    expect(shares[1]!.area).toBeCloseTo(200 * 250, -1);
    expect(uncovered).toBeCloseTo(50 * 150, -1);
    expect(twice).toBeLessThan(1);
    expect(beside).toBeCloseTo(50 * 250, -1);
  });

  it("are told where two varieties stand on the same ground, and not where one is drawn twice", () => {
    const { twice } = zonesOn(FIELD, [zone("Alder", 0, 0, 220, 250), zone("Birk", 200, 0, 400, 250)]);
    expect(twice).toBeCloseTo(20 * 250, -1);
    expect(zonesOn(FIELD, [zone("Alder", 0, 0, 220, 250), zone("Alder", 200, 0, 400, 250)]).twice).toBe(0);
  });

  it("with what is left come to the field as geodesy has it (GeographicLib), wherever they are cut", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 399, noNaN: true }),
        fc.double({ min: 1, max: 249, noNaN: true }),
        (x, y) => {
          const { shares, uncovered } = zonesOn(FIELD, [
            zone("Alder", 0, 0, x, 250),
            zone("Birk", x, 0, 400, y),
          ]);
          const all = shares.reduce((sum, { area }) => sum + area, uncovered);
          expect(all / sizeOf(FIELD).area).toBeCloseTo(1, 5);
        },
      ),
      { numRuns: 30 },
    );
  });
});
