import fc from "fast-check";
import Quantities from "js-quantities";
import { describe, expect, it } from "vitest";
import { FAMILIES, type Family, measureStep, parseMeasure, printMeasure, type UnitOf } from "./measure.ts";

const si = <F extends Family>(family: F, text: string, unit: UnitOf<F>) => {
  const read = parseMeasure(family, text, unit);
  if (!read.ok) throw new Error(read.problem);
  return read.value.value;
};

describe("unit factors", () => {
  // js-quantities is a general units library that has nothing to do with this project.
  it.each([
    ["speed", "km/h", "1 kph", "m/s"],
    ["speed", "mph", "1 mph", "m/s"],
    ["mass", "lb", "1 lb", "kg"],
    ["mass", "t", "1 tonne", "kg"],
    ["area", "ha", "1 hectare", "m2"],
    ["pressure", "bar", "1 bar", "Pa"],
    ["pressure", "psi", "1 psi", "Pa"],
    ["pressure", "kPa", "1 kPa", "Pa"],
    ["flow", "l/min", "1 liter/min", "m3/s"],
    ["flow", "gal/min", "1 gal/min", "m3/s"],
    ["volume", "l", "1 liter", "m3"],
    ["volume", "gal", "1 gal", "m3"],
    ["displacement", "cm³", "1 cm3", "m3"],
    ["displacement", "in³", "1 in3", "m3"],
  ] as const)("%s in %s agree with a units library", (family, unit, quantity, to) => {
    const factor = (FAMILIES[family] as Record<string, { factor: number }>)[unit]!.factor;
    const known = new Quantities(quantity).to(to).scalar;
    expect(Math.abs(factor / known - 1)).toBeLessThan(1e-6);
  });

  it("has the international acre, and the US gallon of 231 cubic inches (NIST SP 811, appendix B.8)", () => {
    expect(FAMILIES.area.ac.factor).toBeCloseTo(4046.8564224, 7);
    expect(si("volume per area", "1 gal/ac", "l/ha")).toBeCloseTo(3.785411784e-3 / 4046.8564224, 12);
    // common practice: 1 gal/ac is 9.354 l/ha, 1 lb/ac is 1.121 kg/ha
    expect(si("volume per area", "10 gal/ac", "l/ha") * 1e7).toBeCloseTo(93.54, 2);
    expect(si("mass per area", "100 lb/ac", "kg/ha") * 1e4).toBeCloseTo(112.09, 2);
  });
});

describe("what people write", () => {
  it.each([
    ["speed", "8,5", "km/h", 8.5 / 3.6],
    ["speed", "5 mph", "km/h", 2.2352],
    ["mass", "12.5 t", "kg", 12500],
    ["mass", "1 250 kg", "kg", 1250],
    ["pressure", "1.2bar", "bar", 1.2e5],
    ["pressure", "160 kpa", "bar", 1.6e5],
    ["area", "12 ha", "ha", 120000],
    ["volume per area", "150 L / ha", "l/ha", 1.5e-5],
    ["count per area", "300 seeds/m2", "/ha", 300],
  ] as [Family, string, never, number][])("%s: %s", (family, text, unit, value) => {
    expect(si(family, text, unit)).toBeCloseTo(value, 9);
  });

  it.each([
    ["", "Nothing was typed"],
    ["-3", "cannot be negative"],
    ["1,500", "could be 1.500 or 1500"],
    ["3 furlongs", "“furlongs” is not a unit of mass"],
    ["1.2.3 kg", "two decimal marks"],
    ["heavy", "“heavy” was not understood"],
  ])("%j is refused with an example", (text, piece) => {
    const read = parseMeasure("mass", text, "kg");
    expect(read.ok ? "" : read.problem).toContain(piece);
    expect(read.ok ? "" : read.problem).toContain("Type it like 12.5 kg");
  });

  it("is printed so that it can be typed again, to half the printed place", () => {
    const units = Object.entries(FAMILIES).flatMap(([family, entries]) =>
      Object.keys(entries).map((unit) => [family as Family, unit as never] as const),
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.double({ min: 0, max: 500, noNaN: true }),
        ([family, unit], count) => {
          const factor = (FAMILIES[family] as Record<string, { factor: number }>)[unit]!.factor;
          const again = si(family, printMeasure(family, count * factor, unit), unit);
          expect(Math.abs(again - count * factor)).toBeLessThanOrEqual(measureStep(family, unit) / 2 + 1e-9);
        },
      ),
    );
  });

  it("never prints what is no number", () => {
    expect(() => printMeasure("mass", Number.NaN, "kg")).toThrow(RangeError);
  });
});

describe("words every object has", () => {
  it.each(["constructor", "toString", "__proto__"])(
    "%s is no unit, of what was typed or of the field",
    (word) => {
      expect(parseMeasure("mass", `5 ${word}`, "kg").ok).toBe(false);
      expect(parseMeasure("mass", "5", word as "kg").ok).toBe(false);
    },
  );
});
