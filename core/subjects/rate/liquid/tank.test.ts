import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mixingOrder } from "./mixing.ts";
import { planTank, productIn, type TankAsked } from "./tank.ts";

const L_HA = 1e-7;
const HA = 1e4;
const asked = (part: Partial<TankAsked> = {}): TankAsked => ({
  area: 20 * HA,
  rate: 160 * L_HA,
  tank: 1.2,
  rest: 0,
  width: 24,
  pass: null,
  refill: "both ends",
  ...part,
});

describe("fills for a field", () => {
  it("1200 l at 160 l/ha and 24 m last 7.5 ha, 3125 m (worked example of the handbook)", () => {
    const { full } = planTank(asked());
    expect(full.area / HA).toBeCloseTo(7.5, 10);
    expect(full.metres).toBeCloseTo(3125, 8);
  });

  it("in US units: feet = gallons × 43 560 ÷ (gpa × ft)", () => {
    const gallon = 231 * 0.0254 ** 3;
    const acre = 43560 * 0.3048 ** 2;
    const { full } = planTank(asked({ tank: 300 * gallon, rate: (15 * gallon) / acre, width: 60 * 0.3048 }));
    expect(full.metres / 0.3048).toBeCloseTo((300 * 43560) / (15 * 60), 6);
  });

  it("three fills of 20 ha, the last one in part; mixed is what is sprayed and what stays", () => {
    const { fills, mixed } = planTank(asked({ rest: 0.03 }));
    expect(fills.map(({ volume }) => Math.round(volume * 1000))).toEqual([1200, 1170, 860]);
    expect(mixed).toBeCloseTo(3.23, 9);
    expect(fills.reduce((sum, { volume }) => sum + volume, 0)).toBeCloseTo(mixed, 9);
  });

  it("ends where one can drive: whole passes, there and back where it is filled at one end", () => {
    const both = planTank(asked({ pass: 500 }));
    expect(both.passesATank).toBe(6);
    expect(planTank(asked({ pass: 650, refill: "both ends" })).passesATank).toBe(4);
    const one = planTank(asked({ pass: 600, refill: "one end" }));
    expect(one.passesATank).toBe(4);
    expect(one.fills[0]!.passes).toBeCloseTo(4, 9);
    // A tank that does not last there and back runs dry inside the field.
    const dry = planTank(asked({ pass: 1700, refill: "one end" }));
    expect(dry.passesATank).toBe(0);
    expect(dry.fills[0]!.passes).toBeCloseTo(3125 / 1700, 9);
  });

  it("sprays the whole field and no more, whatever is asked", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 80, noNaN: true }),
        fc.double({ min: 60, max: 400, noNaN: true }),
        fc.double({ min: 0.4, max: 6, noNaN: true }),
        fc.option(fc.double({ min: 50, max: 1500, noNaN: true }), { nil: null }),
        fc.constantFrom("one end" as const, "both ends" as const),
        (hectares, litres, tank, pass, refill) => {
          const given = asked({ area: hectares * HA, rate: litres * L_HA, tank, rest: 0.02, pass, refill });
          const { fills, mixed } = planTank(given);
          expect(fills.reduce((sum, { area }) => sum + area, 0) / given.area).toBeCloseTo(1, 8);
          expect(fills.reduce((sum, { volume }) => sum + volume, 0) / mixed).toBeCloseTo(1, 8);
          for (const { inTank } of fills) expect(inTank).toBeLessThanOrEqual(tank + 1e-9);
        },
      ),
    );
  });

  it("refuses what there is nothing to plan of", () => {
    expect(() => planTank(asked({ rate: 0 }))).toThrow(RangeError);
    expect(() => planTank(asked({ rest: 1.2 }))).toThrow(RangeError);
  });
});

describe("the mix", () => {
  it("has of a product its dose on all that is in the tank: 0.8 l/ha in 1200 l at 160 l/ha are 6 l", () => {
    expect(productIn({ inTank: 1.2 }, 0.8 * L_HA, 160 * L_HA) * 1000).toBeCloseTo(6, 9);
  });

  it("goes in by the labels, and where they say nothing as it is usual", () => {
    const products = [
      { name: "wetter", formulation: "wetter", label: null },
      { name: "flowable", formulation: "suspension", label: null },
      { name: "granules", formulation: "granules", label: null },
      { name: "said first", formulation: "feed", label: 1 },
    ] as const;
    expect(mixingOrder(products).map(({ name }) => name)).toEqual([
      "said first",
      "granules",
      "flowable",
      "wetter",
    ]);
  });
});
