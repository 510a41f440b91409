import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { POINT_KEYS } from "../dimension/points.ts";
import { between, trackSpacing } from "./chain.ts";
import { termsBetween } from "./frame.ts";
import { below, weakest } from "./grade.ts";
import { SAMPLE_LENGTHS, sampleRig } from "./sample.ts";
import { parseSections, placeSections } from "./sections.ts";
import { rankTaping } from "./tape-next.ts";

describe("the chain", () => {
  it("works the handbook's example: receiver 1.842 ahead, pin 0.985 behind, coulters 3.899 behind the pin", () => {
    const rig = sampleRig({ "receiver.foreAft": 1.842, "axle.pin": 0.985, "pin.workFront": 3.899 });
    const chain = between(rig, "receiver", "workFront", "x");
    // −1.842 − 0.985 − 3.899 = −6.726, behind is −
    expect(chain.links.map((link) => link.contribution)).toEqual([-1.842, -0.985, -3.899]);
    expect(chain.total).toBeCloseTo(-6.726, 12);
    expect(between(rig, "workFront", "receiver", "x").total).toBeCloseTo(6.726, 12);
  });

  it("adds uncertainties as the root sum of squares", () => {
    const rig = sampleRig({}, { "pin.workFront": "book" });
    const step = 0.001 / Math.sqrt(12);
    // two taped links (5 mm and the millimetre step), one from the book (30 mm): √(2·(5² + step²) + 30² + step²)
    const expected = Math.sqrt(2 * 0.005 ** 2 + 0.03 ** 2 + 3 * step ** 2);
    expect(between(rig, "receiver", "workFront", "x").sigma).toBeCloseTo(expected, 9);
  });

  it("takes the middle of the work as half of each rank, and its weight with it", () => {
    const rig = sampleRig();
    // −1.04 − (4.18 + 4.50)/2 = −5.38
    expect(between(rig, "axle", "workMid", "x").total).toBeCloseTo(-5.38, 12);
    expect(termsBetween("axle", "workMid", "x")).toContainEqual({ key: "pin.workFront", coefficient: -0.5 });
  });

  it("counts the edge distance from the left as half the width less the offset", () => {
    // centre distance from the left edge = 4.5/2 − 0.025 = 2.225, so the offset is −(2.225 − 2.25) = 0.025
    expect(between(sampleRig(), "leftEdge", "pin", "y").total).toBeCloseTo(2.225, 12);
    expect(between(sampleRig(), "pin", "rightEdge", "y").total).toBeCloseTo(2.275, 12);
  });

  it("has no total while a link is missing, and says what is known", () => {
    const chain = between(sampleRig({ "axle.pin": null }), "receiver", "workFront", "x");
    expect(chain.total).toBeNull();
    expect(chain.sigma).toBeNull();
    expect(chain.known).toBeCloseTo(-5.91, 12);
    expect(chain.grade).toBe("missing");
  });

  it("gives track spacing as width less overlap", () => {
    expect(trackSpacing(sampleRig({ "work.overlap": 0.06 })).total).toBeCloseTo(4.44, 12);
  });

  it("is antisymmetric and additive between any three points", () => {
    const rig = sampleRig();
    const point = fc.constantFrom(...POINT_KEYS);
    fc.assert(
      fc.property(point, point, point, fc.constantFrom("x" as const, "y" as const), (a, b, c, axis) => {
        const span = (from: typeof a, to: typeof a) => between(rig, from, to, axis).total!;
        expect(span(a, b) + span(b, c)).toBeCloseTo(span(a, c), 9);
        expect(span(a, b) + span(b, a)).toBeCloseTo(0, 9);
      }),
    );
  });
});

describe("resolving", () => {
  it("never takes missing for zero", () => {
    const { value, grade } = sampleRig({ "pin.pivot": null }).values["pin.pivot"];
    expect(value).toBeNull();
    expect(grade).toBe("missing");
  });

  it.each<[DimensionKey, number, "tape" | "book", string | null]>([
    ["pin.workFront", 0, "book", "zero"],
    ["pin.workFront", 0, "tape", "zero"],
    ["receiver.foreAft", 0, "book", "zero"],
    ["receiver.foreAft", 0, "tape", null],
    ["tool.lateral", 0, "book", "habitual zero"],
    ["tool.lateral", 0, "tape", null],
    ["work.overlap", 0, "book", null],
    ["pin.workRear", -4.5, "book", "sign"],
    ["tool.lateral", -0.4, "tape", null],
    ["tool.width", 45, "tape", "range"],
  ])("%s of %d by %s: doubt %s", (key, value, instrument, doubt) => {
    expect(sampleRig({ [key]: value }, { [key]: instrument }).values[key].doubt).toBe(doubt);
  });

  it("lets a coarse reading be less certain, up to a point", () => {
    const rig = sampleRig();
    const sigma = rig.values["pin.pivot"].sigma;
    expect(sigma).toBeGreaterThan(0.005);
    expect(sigma).toBeLessThan(0.0051);
  });

  it("orders grades", () => {
    expect(below("book", "taped")).toBe(true);
    expect(below("taped", "taped")).toBe(false);
    expect(weakest(["proven", "book", "taped"])).toBe("book");
  });
});

describe("sections", () => {
  it("lie side by side about the tool's own offset", () => {
    const centres = placeSections(sampleRig()).map((section) => section.centre);
    // middle at +0.025; neighbours 1.5 to either side
    expect(centres[0]).toBeCloseTo(-1.475, 12);
    expect(centres[1]).toBeCloseTo(0.025, 12);
    expect(centres[2]).toBeCloseTo(1.525, 12);
  });

  it.each([
    ["3 × 1.5", [1.5, 1.5, 1.5]],
    ["2x1,25; 0.5", [1.25, 1.25, 0.5]],
    ["1.5; 1.5 ; 1200 mm", [1.5, 1.5, 1.2]],
  ])("are read from %s", (text, widths) => {
    expect(parseSections(text, "metric")).toEqual({ ok: true, value: widths });
  });

  it.each(["", "3 ×", "1.5;;1.5", "0 × 2", "999 × 1", "2 × 0", "2 × -1", "six"])(
    "are refused as %j",
    (text) => {
      expect(parseSections(text, "metric").ok).toBe(false);
    },
  );

  it("are read in feet and inches", () => {
    const read = parseSections("2 x 4' 11 1/16\"", "us");
    expect(read.ok && read.value[1]).toBeCloseTo((4 * 12 + 11 + 1 / 16) * 0.0254, 12);
  });

  it("need to know the offset", () => {
    expect(placeSections(sampleRig({ "tool.lateral": null }))).toEqual([]);
  });
});

describe("tape this next", () => {
  it("ranks a missing length by its plausible range over √12, ahead of what is taped", () => {
    const [first] = rankTaping(sampleRig({ "pin.workFront": null }));
    expect(first).toMatchObject({ key: "pin.workFront", open: true, moves: "where seed starts" });
    expect(first!.effect).toBeCloseTo((15 - 0.8) / Math.sqrt(12), 9);
  });

  it("weighs the height by the sine of the slope: 30 mm of book height moves the tool 2 mm", () => {
    const ranked = rankTaping(sampleRig({}, { "receiver.height": "book", "pin.pivot": "book" }));
    expect(ranked.map((each) => each.key).slice(0, 2)).toEqual(["pin.pivot", "receiver.height"]);
    expect(ranked[1]!.effect).toBeCloseTo(0.03 * Math.sin((4 * Math.PI) / 180), 4);
  });

  it("is reordered by a new reading", () => {
    const before = rankTaping(sampleRig({}, { "pin.pivot": "estimate", "tool.width": "book" }));
    const after = rankTaping(sampleRig({}, { "tool.width": "book" }));
    expect(before[0]!.key).toBe("pin.pivot");
    expect(after[0]!.key).toBe("tool.width");
  });

  it("has nothing open when all is taped", () => {
    expect(rankTaping(sampleRig()).some((each) => each.open)).toBe(false);
  });

  it("uses derivatives that a nudge of the reading confirms", () => {
    const nudge = 1e-6;
    for (const key of ["receiver.foreAft", "pin.workFront", "pin.workRear"] as const) {
      const at = (value: number) => between(sampleRig({ [key]: value }), "receiver", "workMid", "x");
      const slope = (at(SAMPLE_LENGTHS[key] + nudge).total! - at(SAMPLE_LENGTHS[key]).total!) / nudge;
      const coefficient = at(SAMPLE_LENGTHS[key]).links.find((link) => link.key === key)!.coefficient;
      expect(slope).toBeCloseTo(coefficient, 5);
    }
  });
});
