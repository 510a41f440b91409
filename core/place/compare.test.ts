import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import { unflatten } from "../geodesy/flat.ts";
import type { Boundary } from "./boundary.ts";
import { compareBoundaries, isSameBoundary } from "./compare.ts";

const HERE = placeAt(52.4, 10.7);
const box = (east: number, north: number, width: number, height: number) =>
  [
    [east, north],
    [east + width, north],
    [east + width, north + height],
    [east, north + height],
  ].map(([x, y]) => unflatten(HERE, { east: x!, north: y! }));

describe("two boundaries", () => {
  const field: Boundary = [{ outer: box(0, 0, 400, 300), holes: [box(100, 100, 50, 50)] }];

  it("are the same wherever they begin and whichever way round", () => {
    const [a, b, c, d] = field[0]!.outer;
    const other: Boundary = [{ outer: [c!, b!, a!, d!], holes: [[...field[0]!.holes[0]!].reverse()] }];
    const compared = compareBoundaries(field, other);
    expect(compared.differs).toBeLessThan(0.1);
    expect(compared.shared).toBeCloseTo(1, 4);
    expect(isSameBoundary(compared, 1400)).toBe(true);
  });

  it("differ by what the one has and the other has not", () => {
    const shifted = compareBoundaries(field, [
      { outer: box(10, 0, 400, 300), holes: [box(110, 100, 50, 50)] },
    ]);
    // Two strips of 10 m by 300, and of the hole two of 10 m by 50.
    expect(shifted.differs).toBeCloseTo(2 * 3000 + 2 * 500, -1);
    expect(isSameBoundary(shifted, 1400)).toBe(false);
    const filled = compareBoundaries(field, [{ outer: box(0, 0, 400, 300), holes: [] }]);
    expect(filled.differs).toBeCloseTo(2500, -1);
    expect(compareBoundaries(field, [{ outer: box(900, 0, 10, 10), holes: [] }]).shared).toBeCloseTo(0, 6);
  });
});
