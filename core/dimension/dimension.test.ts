import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { printedStep } from "../quantity/length.ts";
import { PRESETS, styleOf, UNIT_SYSTEMS, type UnitSystem } from "../quantity/units.ts";
import { ATTACHMENT_KEYS } from "./attachment.ts";
import { catalogueOf, DIMENSION_KEYS, dimension, isDimensionKey, unchanging } from "./catalogue.ts";
import { parseEntry, printEntry } from "./entry.ts";

const read = (key: Parameters<typeof dimension>[0], text: string, system: UnitSystem = "metric") =>
  parseEntry(dimension(key, "drawn"), text, styleOf(dimension(key, "drawn").shown, PRESETS[system]));

const EVERYTHING = ATTACHMENT_KEYS.flatMap((attachment) => catalogueOf(attachment));

describe("the catalogue", () => {
  it("has nothing among what is called unchanging that changes with how a tool hangs", () => {
    for (const key of DIMENSION_KEYS)
      for (const attachment of ATTACHMENT_KEYS) {
        const { letter, kind, family, choices, station, topic } = dimension(key, attachment);
        expect(unchanging(key), `${key} ${attachment}`).toMatchObject({
          letter,
          kind,
          family,
          choices,
          station,
          topic,
        });
      }
  });

  it.each(ATTACHMENT_KEYS)("gives every drawn dimension of what is %s a mark of its own", (attachment) => {
    const letters = catalogueOf(attachment)
      .map((entry) => entry.letter)
      .filter((letter) => letter !== "");
    expect(new Set(letters).size).toBe(letters.length);
    expect(letters).not.toContain("I");
    expect(letters).not.toContain("O");
  });

  it("has a typical value inside the plausible range", () => {
    for (const { typical, plausible, label } of EVERYTHING)
      expect(typical >= plausible[0] && typical <= plausible[1], label).toBe(true);
  });

  it("knows its keys", () => {
    expect(isDimensionKey("tool.width")).toBe(true);
    expect(isDimensionKey("toString")).toBe(false);
    expect(() => dimension("nonsense" as never, "drawn")).toThrow(RangeError);
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
    expect(refused).toMatchObject({ ok: false, problem: expect.stringContaining("without a sign") });
  });

  it("takes a lateral from the distances to both sides", () => {
    // receiver 93.4 from the left wheel's face and 92.2 from the right: (93.4 − 92.2)/2 = 0.6 cm to the right
    const receiver = read("receiver.lateral", "left 93.4, right 92.2");
    expect(receiver.ok && receiver.value.value).toBeCloseTo(0.006, 12);
    // the tool reaches 3.012 m left of the centre line and 2.976 right of it: (2.976 − 3.012)/2 = 1.8 cm to the left
    const tool = read("tool.lateral", "left 3.012 m right 2.976 m");
    expect(tool.ok && tool.value.value).toBeCloseTo(-0.018, 12);
    expect(read("tool.lateral", "left 3.012 m right")).toMatchObject({ ok: false });
    expect(read("receiver.lateral", "left 93.4 right -92")).toMatchObject({ ok: false });
    expect(read("pin.pivot", "left 3 right 2").ok).toBe(false);
    const inches = read("receiver.lateral", 'left 36 3/4" right 36 1/4"', "us");
    expect(inches.ok && inches.value.value).toBeCloseTo(0.00635, 12);
  });

  it("takes whole rows only", () => {
    expect(read("rows.count", " 32 ")).toMatchObject({ ok: true, value: { value: 32 } });
    for (const text of ["0", "3.5", "-4", "many", "", "32 rows"])
      expect(read("rows.count", text).ok).toBe(false);
  });

  it("is printed so that it can be typed again, to half the printed place", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...EVERYTHING.filter((entry) => entry.kind === "length")),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(...UNIT_SYSTEMS),
        (entry, share, system) => {
          const units = PRESETS[system];
          const value = entry.plausible[0] + share * (entry.plausible[1] - entry.plausible[0]);
          const again = parseEntry(entry, printEntry(entry, value, units), styleOf(entry.shown, units));
          expect(again.ok && Math.abs(again.value.value - value)).toBeLessThanOrEqual(
            printedStep(styleOf(entry.shown, units)) / 2 + 1e-9,
          );
        },
      ),
    );
  });
});

describe("what is no length", () => {
  const on = (key: Parameters<typeof dimension>[0], text: string, unit = "m") =>
    parseEntry(dimension(key, "mounted"), text, unit as never);

  it("takes masses, speeds, pressures and angles in the field's unit or a named one", () => {
    expect(on("tool.mass", "1,61 t", "kg")).toMatchObject({ ok: true, value: { value: 1610 } });
    expect(on("work.speed", "5", "mph")).toMatchObject({ ok: true, value: { value: 5 * 0.44704 } });
    // NIST SP 811, appendix B.8: 1 psi = 6894.757 Pa.
    const read = on("tractor.pressureRearLeft", "20 psi", "bar");
    expect(read.ok && read.value.value).toBeCloseTo(20 * 6894.757, 0);
    expect(on("tool.mass", "1,500", "kg")).toMatchObject({ ok: false });
    expect(on("tool.mass", "-20", "kg")).toMatchObject({ ok: false });
    expect(on("tool.mass", "12 bar", "kg")).toMatchObject({ ok: false });
  });

  it("takes a pitch either way, by word or by sign", () => {
    const degrees = (text: string) => {
      const read = on("work.pitch", text, "°");
      return read.ok ? (read.value.value * 180) / Math.PI : null;
    };
    expect(degrees("1.5 nose down")).toBeCloseTo(-1.5, 9);
    expect(degrees("-1.5")).toBeCloseTo(-1.5, 9);
    expect(degrees("2° nose up")).toBeCloseTo(2, 9);
  });

  it("takes one of its choices, by key", () => {
    expect(on("hitch.category", "3N")).toMatchObject({ ok: true });
    expect(on("hitch.category", "9")).toMatchObject({
      ok: false,
      problem: expect.stringContaining("Choose one"),
    });
  });

  it("asks of each attachment what it has, in its own words", () => {
    const keys = (attachment: (typeof ATTACHMENT_KEYS)[number]) =>
      new Set(catalogueOf(attachment).map(({ key }) => key));
    expect(keys("mounted").has("pin.pivot")).toBe(false);
    expect(keys("drawn").has("work.topLink")).toBe(false);
    expect(keys("links").has("hitch.linkLeft")).toBe(true);
    expect(keys("train").has("train.hitch")).toBe(true);
    expect(dimension("axle.pin", "front").label).not.toBe(dimension("axle.pin", "drawn").label);
    expect(dimension("tractor.front", "head").label).toMatch(/^Drive axle/);
  });
});
