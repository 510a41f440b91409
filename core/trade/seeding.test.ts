import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { COUNT_AREAS, meterSpeed, rowFor, seedRate, seedSpacing, seedsAt } from "./seeding.ts";

describe("seed by weight", () => {
  it("is plants × thousand-grain weight ÷ establishment (cereal growers' guides): 320, 46 g, 88 % are 167.3 kg/ha", () => {
    expect(seedRate(320, 46e-6, 0.88) * 1e4).toBeCloseTo(167.27, 2);
    expect(() => seedRate(320, 46e-6, 0)).toThrow(RangeError);
  });

  it("turns the meter with rate, width and speed: 160 kg/ha, 4 m, 9 km/h, 200 g each is 48 a minute", () => {
    expect(meterSpeed(0.016, 4, 2.5, 0.2) * 60).toBeCloseTo(48, 10);
  });
});

describe("seed by count", () => {
  it("0.5 m rows with a seed every 0.18 m are 111 111 a hectare", () => {
    expect(seedsAt(0.5, 0.18) * 1e4).toBeCloseTo(111_111.1, 1);
  });

  it("comes back from the spacing", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        (rows, apart) => {
          expect(seedSpacing(seedsAt(rows, apart), rows)).toBeCloseTo(apart, 10);
        },
      ),
    );
  });

  // US extension tables of row lengths for a thousandth of an acre, in feet and inches.
  it.each([
    [30, 17, 5],
    [20, 26, 2],
    [36, 14, 6],
    [15, 34, 10],
  ])("of %i in rows a thousandth of an acre is %i ft %i in", (row, feet, inches) => {
    const long = rowFor(COUNT_AREAS.thousandth, row * 0.0254) / 0.0254;
    expect(Math.abs(long - (feet * 12 + inches))).toBeLessThan(0.6);
  });
});
