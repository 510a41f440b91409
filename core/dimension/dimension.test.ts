import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { printedStep } from "../quantity/length.ts";
import { UNIT_SYSTEMS } from "../quantity/units.ts";
import { CATALOGUE, dimension, isDimensionKey } from "./catalogue.ts";
import { parseEntry, printEntry } from "./entry.ts";

const read = (key: Parameters<typeof dimension>[0], text: string, system: "metric" | "us" = "metric") =>
  parseEntry(dimension(key), text, system);

describe("the catalogue", () => {
  it("gives every dimension a letter of its own, and none that is mistaken for a figure", () => {
    const letters = CATALOGUE.map((entry) => entry.letter);
    expect(new Set(letters).size).toBe(letters.length);
    expect(letters).not.toContain("I");
    expect(letters).not.toContain("O");
  });

  it("has a typical value inside the plausible range", () => {
    for (const { typical, plausible, label } of CATALOGUE)
      expect(typical >= plausible[0] && typical <= plausible[1], label).toBe(true);
  });

  it("knows its keys", () => {
    expect(isDimensionKey("tool.width")).toBe(true);
    expect(isDimensionKey("toString")).toBe(false);
    expect(() => dimension("nonsense" as never)).toThrow(RangeError);
  });
});

describe("what is typed for a dimension", () => {
  it("takes side words on a lateral, right positive", () => {
    expect(read("tool.lateral", "2 cm left")).toMatchObject({ ok: true, value: { value: -0.02 } });
    expect(read("tool.lateral", "2 right")).toMatchObject({ ok: true, value: { value: 0.02 } });
    const threeQuarters = read("tool.lateral", '3/4" left', "us");
    expect(threeQuarters.ok && threeQuarters.value.value).toBeCloseTo(-0.01905, 12);
    expect(read("receiver.foreAft", "0.3 behind")).toMatchObject({ ok: true, value: { value: -0.3 } });
    expect(read("receiver.lateral", "0 left")).toMatchObject({ ok: true, value: { value: 0 } });
  });

  it("refuses a sign and a side word together, and side words where there are no sides", () => {
    expect(read("tool.lateral", "-2 cm left")).toMatchObject({ ok: false });
    expect(read("pin.pivot", "4.2 left")).toMatchObject({ ok: false });
    expect(read("tool.lateral", "2 ahead")).toMatchObject({ ok: false });
  });

  it("refuses a minus on a distance that runs one way only", () => {
    const refused = read("pin.workFront", "-3.9");
    expect(refused).toMatchObject({ ok: false });
    if (!refused.ok) expect(refused.problem).toContain("without a sign");
  });

  it("takes whole rows only", () => {
    expect(read("rows.count", " 32 ")).toMatchObject({ ok: true, value: { value: 32 } });
    for (const text of ["0", "3.5", "-4", "many", "", "32 rows"])
      expect(read("rows.count", text).ok).toBe(false);
  });

  it("is printed so that it can be typed again, to half the printed place", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CATALOGUE.filter((entry) => entry.kind === "length")),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(...UNIT_SYSTEMS),
        (entry, share, system) => {
          const value = entry.plausible[0] + share * (entry.plausible[1] - entry.plausible[0]);
          const again = parseEntry(entry, printEntry(entry, value, system), system);
          expect(again.ok && Math.abs(again.value.value - value)).toBeLessThanOrEqual(
            printedStep(entry.shown[system]) / 2 + 1e-9,
          );
        },
      ),
    );
  });
});
