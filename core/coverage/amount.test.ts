import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountsOf, squaresOf } from "./amount.ts";

const BOX = { left: 0, bottom: 0, right: 40, top: 30 };
const quad = (left: number, bottom: number, right: number, top: number) => [
  { x: left, y: bottom },
  { x: right, y: bottom },
  { x: right, y: top },
  { x: left, y: top },
];

describe("how much lies where", () => {
  it("is all that was passed over, summed by squares: by hand", () => {
    const found = squaresOf(amountsOf([quad(0, 0, 10, 5), quad(0, 0, 10, 5), quad(12, 2, 14, 4)], BOX, 5));
    expect(found.map(({ west, south, passed }) => [west, south, Math.round(passed * 100) / 100])).toEqual([
      [0, 0, 2],
      [5, 0, 2],
      [10, 0, 0.16],
    ]);
  });

  it("loses nothing and makes nothing of pieces within the box, however they lie", () => {
    const corner = fc.record({
      x: fc.double({ min: 5, max: 35, noNaN: true }),
      y: fc.double({ min: 5, max: 25, noNaN: true }),
      heading: fc.double({ min: 0, max: 6, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(corner, { minLength: 1, maxLength: 8 }), (all) => {
        const pieces = all.map(({ x, y, heading }) => {
          const [c, s] = [Math.cos(heading), Math.sin(heading)];
          return [
            { x, y },
            { x: x + 3 * c, y: y + 3 * s },
            { x: x + 3 * c - s, y: y + 3 * s + c },
            { x: x - s, y: y + c },
          ];
        });
        const sum = squaresOf(amountsOf(pieces, BOX, 2)).reduce((all2, { passed }) => all2 + passed * 4, 0);
        expect(sum).toBeCloseTo(3 * all.length, 6);
      }),
    );
  });

  it("is refused where there is no ground", () => {
    expect(() => amountsOf([], BOX, 0)).toThrow(RangeError);
    expect(() => amountsOf([], { ...BOX, right: 0 }, 1)).toThrow(RangeError);
  });
});
