import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { POINT_KEYS } from "../dimension/points.ts";
import { between, trackSpacing } from "./chain.ts";
import { termsBetween } from "./frame.ts";
import { below, weakest } from "./grade.ts";
import { resolveRig } from "./resolve.ts";
import { SAMPLE_LENGTHS, sampleFacts, sampleProof, sampleReading, sampleRig } from "./sample.ts";
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
    expect(termsBetween("drawn", "axle", "workMid", "x")).toContainEqual({
      key: "pin.workFront",
      coefficient: -0.5,
    });
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

  it("gives line spacing as width less overlap", () => {
    expect(trackSpacing(sampleRig({ "work.overlap": 0.06 })).total).toBeCloseTo(4.44, 12);
  });

  it("is antisymmetric and additive between any three points", () => {
    const rig = sampleRig();
    const point = fc.constantFrom(...POINT_KEYS.filter((key) => !["joint", "turn", "toolbar"].includes(key)));
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
    ["tool.width", 45, "tape", null],
    ["tool.width", 62, "tape", "unusual"],
    ["tool.width", 450, "tape", "range"],
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

describe("repeats of one sitting", () => {
  const repeated = (...values: number[]) => {
    const facts = sampleFacts();
    const repeats = values.map((value, index) => sampleReading("pin.pivot", value, { id: String(index) }));
    return resolveRig({ ...facts, readings: { ...facts.readings, "pin.pivot": repeats } }).values[
      "pin.pivot"
    ];
  };

  it("give their mean and spread", () => {
    const { value, spread, reading } = repeated(5.26, 5.264, 5.258);
    expect(value).toBeCloseTo((5.26 + 5.264 + 5.258) / 3, 12);
    expect(spread).toBeCloseTo(0.006, 12);
    expect(reading?.id).toBe("2");
  });

  it("lower the random half of the variance with their number, never the rest", () => {
    const step = 0.001 ** 2 / 12;
    // 5 mm taped: σ² = 25/2 + (25/2 + step²)/n in mm²
    expect(repeated(5.26).sigma).toBeCloseTo(Math.sqrt(25e-6 + step), 9);
    expect(repeated(5.26, 5.26, 5.26, 5.26).sigma).toBeCloseTo(Math.sqrt(12.5e-6 + (12.5e-6 + step) / 4), 9);
    expect(repeated(...Array<number>(400).fill(5.26)).sigma).toBeGreaterThan(Math.sqrt(12.5e-6));
  });

  it("raise it where they scatter more than a tape does", () => {
    // two readings 4 cm apart: s² = 0.02² · 2 = 8e-4, halved for the mean
    expect(repeated(5.26, 5.3).sigma).toBeCloseTo(Math.sqrt(12.5e-6 + 8e-4 / 2), 9);
  });
});

describe("proofs", () => {
  const at = "2026-04-01T10:00:00.000Z";
  const joint = sampleProof({
    at,
    sigma: null,
    terms: [
      { key: "receiver.lateral", coefficient: 1 },
      { key: "tool.lateral", coefficient: -1 },
    ],
  });

  it("sit on the sum they confirm; the links stay taped", () => {
    const rig = resolveRig({ ...sampleFacts(), proofs: [joint] });
    expect(between(rig, "receiver", "workMid", "y")).toMatchObject({ grade: "proven", proof: { id: "p" } });
    expect(between(rig, "workMid", "receiver", "y").grade).toBe("proven");
    expect(rig.values["tool.lateral"].grade).toBe("taped");
    expect(between(rig, "receiver", "workFront", "x").grade).toBe("taped");
  });

  it("of one dimension make it proven", () => {
    const width = sampleProof({ at, sigma: null, terms: [{ key: "tool.width", coefficient: 1 }] });
    expect(resolveRig({ ...sampleFacts(), proofs: [width] }).values["tool.width"].grade).toBe("proven");
  });

  it("carry the uncertainty of their fit: the sum its own, the reading they wrote that of the others besides", () => {
    const fitted = { ...joint, sigma: 0.003, readingId: "tool.lateral" };
    const rig = resolveRig({ ...sampleFacts(), proofs: [fitted] });
    expect(between(rig, "receiver", "workMid", "y").sigma).toBe(0.003);
    const receiver = rig.values["receiver.lateral"].sigma;
    expect(rig.values["tool.lateral"]).toMatchObject({ grade: "proven", proof: { id: "p" } });
    expect(rig.values["tool.lateral"].sigma).toBeCloseTo(Math.hypot(0.003, receiver), 12);
    expect(rig.values["receiver.lateral"].grade).toBe("taped");
    const width = sampleProof({ at, sigma: 0.002, terms: [{ key: "tool.width", coefficient: 1 }] });
    expect(resolveRig({ ...sampleFacts(), proofs: [width] }).values["tool.width"].sigma).toBe(0.002);
  });

  it("lapse when a link is read again or touched by a change", () => {
    const facts = sampleFacts();
    const later = "2026-04-02T10:00:00.000Z";
    const again = [sampleReading("tool.lateral", 0.025, { id: "again", measuredAt: later })];
    const reread = resolveRig({
      ...facts,
      proofs: [joint],
      readings: { ...facts.readings, "tool.lateral": again },
    });
    expect(between(reread, "receiver", "workMid", "y").grade).toBe("taped");
    const moved = { id: "c", seq: 2, kind: "receiver moved" as const, at: later, person: "", note: "" };
    expect(resolveRig({ ...facts, proofs: [joint], changes: [moved] }).proofs).toEqual([]);
  });

  it("lapse where another reading counts than they were fitted to, whenever it was read", () => {
    const facts = sampleFacts();
    const counts = (reading: ReturnType<typeof sampleReading>, ...more: (typeof reading)[]) =>
      resolveRig({
        ...facts,
        proofs: [joint],
        readings: { ...facts.readings, "tool.lateral": [reading, ...more] },
      }).proofs;
    const fitted = sampleReading("tool.lateral", 0.02);
    expect(counts(fitted)).toHaveLength(1);
    // What was fitted to was taken back, and an older one counts; or what waited on a device came in between.
    expect(
      counts(sampleReading("tool.lateral", 0.02, { id: "older", measuredAt: "2026-02-01T08:00:00.000Z" })),
    ).toEqual([]);
    expect(counts(fitted, sampleReading("tool.lateral", 0.03, { id: "repeat" }))).toEqual([]);
  });

  it("take a change of the same moment for later where it came in later", () => {
    const change = (seq: number) => ({
      id: "c",
      seq,
      kind: "receiver moved" as const,
      at,
      person: "",
      note: "",
    });
    const proofs = (seq: number) =>
      resolveRig({ ...sampleFacts(), proofs: [joint], changes: [change(seq)] }).proofs;
    expect(proofs(0)).toHaveLength(1);
    expect(proofs(2)).toEqual([]);
  });
});

describe("a stale value", () => {
  it("keeps its grade, is no better than a guess, and is open to be taped", () => {
    const moved = {
      id: "c",
      seq: 2,
      kind: "receiver moved" as const,
      at: "2026-05-01T00:00:00Z",
      person: "",
      note: "",
    };
    const rig = resolveRig({ ...sampleFacts(), changes: [moved] });
    const { grade, stale, sigma } = rig.values["receiver.foreAft"];
    expect({ grade, stale }).toEqual({ grade: "taped", stale: moved });
    expect(sigma).toBeGreaterThan(0.1);
    expect(rankTaping(rig)[0]).toMatchObject({ open: true, key: expect.stringMatching(/^receiver/) });
    expect(between(rig, "receiver", "workFront", "x").stale).toBe(true);
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
    ["3.5 3.5 3.5", [3.5, 3.5, 3.5]],
    ["3 x 3.5, 3", [3.5, 3.5, 3.5, 3]],
    ["1,5, 2, 1,5", [1.5, 2, 1.5]],
    ["2 × 1.5 3 2 × 1.5", [1.5, 1.5, 3, 1.5, 1.5]],
    ["4 m 50 cm; 3", [4.5, 3]],
  ])("are read from %s", (text, widths) => {
    expect(parseSections(text, "m")).toEqual({ ok: true, value: widths });
  });

  it.each(["", "3 ×", "1.5;;1.5", "0 × 2", "999 × 1", "2 × 0", "2 × -1", "six"])(
    "are refused as %j",
    (text) => {
      expect(parseSections(text, "m").ok).toBe(false);
    },
  );

  it("are read in feet and inches", () => {
    const read = parseSections("2 x 4' 11 1/16\"", "ft-in");
    expect(read.ok && read.value[1]).toBeCloseTo((4 * 12 + 11 + 1 / 16) * 0.0254, 12);
  });

  it("need to know the offset", () => {
    expect(placeSections(sampleRig({ "tool.lateral": null }))).toEqual([]);
  });
});

describe("tape this next", () => {
  it("ranks a missing length by its plausible range over √12, ahead of what is taped", () => {
    const [first] = rankTaping(sampleRig({ "pin.workFront": null }));
    expect(first).toMatchObject({ key: "pin.workFront", open: true, moves: "where the work starts" });
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

describe("a proof of a tool that hangs otherwise", () => {
  const at = "2026-04-02T10:00:00.000Z";
  const facts = { ...sampleFacts({ "pin.pivot": null }), attachment: "mounted" as const };
  const proof = sampleProof({
    at,
    sigma: 0.004,
    terms: [{ key: "axle.pin", coefficient: 1 }],
  });
  const changed = (kind: "links" | "tractor drawbar") =>
    resolveRig({
      ...facts,
      proofs: [proof],
      changes: [{ id: "c", seq: 2, kind, at: "2026-04-03T10:00:00.000Z", person: "", note: "" }],
    }).proofs;

  it("ends with what changes that tool's hitch, not a drawn one's", () => {
    expect(changed("links")).toEqual([]);
    expect(changed("tractor drawbar")).toHaveLength(1);
  });
});

describe("a proof that has ended", () => {
  it("leaves the reading it wrote no surer than its fit was", () => {
    const at = "2026-04-02T10:00:00.000Z";
    const facts = sampleFacts({}, { "tool.lateral": "field test" });
    const joint = sampleProof({
      at,
      sigma: 0.031,
      readingId: "tool.lateral",
      terms: [
        { key: "tool.lateral", coefficient: 1 },
        { key: "receiver.lateral", coefficient: -1 },
      ],
    });
    const held = resolveRig({ ...facts, proofs: [joint] });
    const other = held.values["receiver.lateral"].sigma;
    expect(held.values["tool.lateral"]).toMatchObject({ grade: "proven" });
    expect(held.values["tool.lateral"].sigma).toBeCloseTo(Math.hypot(0.031, other), 9);
    // The receiver's offset is read again: the sum is proved no more, the tool's offset still came out of that fit.
    const again = sampleReading("receiver.lateral", -0.02, {
      id: "again",
      measuredAt: "2026-04-03T10:00:00.000Z",
    });
    const ended = resolveRig({
      ...facts,
      readings: { ...facts.readings, "receiver.lateral": [again] },
      proofs: [joint],
    });
    expect(ended.values["tool.lateral"].grade).toBe("taped");
    expect(ended.values["tool.lateral"].sigma).toBeGreaterThanOrEqual(0.031);
  });
});
