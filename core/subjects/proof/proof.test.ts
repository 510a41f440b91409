import { describe, expect, it } from "vitest";
import { fromPlane } from "../../geodesy/plane.ts";
import { verdictsOf } from "../../job/corrections.ts";
import type { JobSetup } from "../../job/kind.ts";
import type { Measured, Observation } from "../../job/result.ts";
import { solveJob } from "../../job/solve.ts";
import { toleranceOf } from "../../job/tolerance.ts";
import { middleRadius, pivotOf, towedRadius } from "../../rig/circle.ts";
import { sampleRig } from "../../rig/sample.ts";
import { jobKind, jobsOf } from "../../subjects/jobs.ts";
import { UNKNOWN_CONDITIONS } from "../../trade/field-conditions.ts";
import { explains, predictDistance } from "./fits/cross-tape.ts";
import { FIELD_TESTS } from "./jobs/index.ts";
import { suspectsOf } from "./suspects.ts";

const rig = sampleRig();
const setup: JobSetup = { fix: "fixed", spacing: 4.5, rowToRow: false };
const none: ReadonlySet<number> = new Set();
const joint = (pair: string, gap: number): Observation => ({ values: { joint: gap }, choices: { pair } });
const alternating = (gaps: readonly number[]) =>
  gaps.map((gap, at) => joint(at % 2 === 0 ? "up-down" : "down-up", gap));
const by = (measured: readonly Measured[], key: string) => measured.find((each) => each.key === key)!;

describe("pass joints", () => {
  it("worked by hand: T 6.00, w 5.96, tool 5 cm right: −6 and +14 cm in turn", () => {
    const { measured, open } = solveJob(
      jobKind("joints"),
      alternating([-0.06, 0.14, -0.06, 0.14]),
      none,
      { ...setup, spacing: 6 },
      sampleRig({ "tool.width": 6 }),
    );
    expect(by(measured, "lateral").off.value).toBeCloseTo(0.05, 12);
    expect(by(measured, "width").off.value).toBeCloseTo(-0.04, 12);
    // Joints that agree to the digit were still read with a tape.
    expect(by(measured, "width").off.error!).toBeGreaterThan(0.0005);
    expect(by(measured, "width").off.error!).toBeLessThan(0.003);
    expect(open).toEqual([]);
  });

  it("does not take the width from the plain mean: two of one kind and one of the other", () => {
    const { measured } = solveJob(
      jobKind("joints"),
      alternating([-0.06, 0.14, -0.06]),
      none,
      { ...setup, spacing: 6 },
      rig,
    );
    expect(6 - (4.5 + by(measured, "width").off.value)).toBeCloseTo(0.04, 9);
  });

  it("says what it cannot separate, and what would", () => {
    const same = [joint("up-up", 0.03), joint("up-up", 0.05)];
    expect(solveJob(jobKind("joints"), same, none, setup, rig)).toMatchObject({
      measured: [],
      open: [expect.stringContaining("not separable")],
    });
    expect(solveJob(jobKind("joints"), alternating([0.02]), none, setup, rig).open[0]).toContain(
      "Measure the next joint",
    );
    expect(solveJob(jobKind("joints"), alternating([0.02, 0.04]), none, setup, rig).open[0]).toContain(
      "standard errors",
    );
    expect(solveJob(jobKind("joints"), [], none, setup, rig)).toMatchObject({ measured: [], open: [] });
  });

  it("takes the row spacing off where rows are measured", () => {
    const { measured } = solveJob(
      jobKind("joints"),
      alternating([0.15, 0.15, 0.15]),
      none,
      { ...setup, rowToRow: true },
      rig,
    );
    expect(by(measured, "width").off.value).toBeCloseTo(0, 9);
    expect(by(measured, "lateral").off.value).toBeCloseTo(0, 9);
  });

  it("marks the joint that does not belong, and can leave it out", () => {
    const gaps = [-0.05, 0.15, -0.06, 0.14, 0.44, 0.15, -0.06, 0.14, -0.05, 0.15];
    const observations = alternating(gaps);
    const { residuals } = solveJob(jobKind("joints"), observations, none, setup, rig);
    expect(residuals.filter(({ outlier }) => outlier).map(({ at }) => at)).toEqual([4]);
    const without = solveJob(jobKind("joints"), observations, new Set([4]), setup, rig);
    expect(by(without.measured, "lateral").off.value).toBeCloseTo(0.05, 2);
    expect(without.residuals).toHaveLength(10);
  });
});

describe("same wheel marks", () => {
  it("halves the difference: 8 cm to the right apart is 4 cm of lateral", () => {
    const rounds = [0.08, 0.082, 0.078].map((apart) => ({
      values: { first: 0.02 + apart, second: 0.02, along: -0.06 },
      choices: {},
    }));
    const { measured } = solveJob(jobKind("wheel-marks"), rounds, none, setup, rig);
    expect(by(measured, "lateral").off.value).toBeCloseTo(0.04, 12);
    // first − second is 6 cm ahead, so the receiver sits 3 cm further ahead than entered
    expect(by(measured, "foreAft").off.value).toBeCloseTo(0.03, 12);
    const oneRound = solveJob(jobKind("wheel-marks"), rounds.slice(0, 1), none, setup, rig);
    expect(by(oneRound.measured, "lateral").off.error).toBeNull();
    expect(oneRound.open[0]).toContain("go round again");
  });
});

describe("headland marks", () => {
  const cross = (edge: string, way: string, speed: number, mark: number): Observation => ({
    values: { speed, mark },
    choices: { edge, way },
  });

  it("worked by hand: 0.12 m at 1 m/s and 0.20 m at 2 m/s are 4 cm and 0.08 s", () => {
    const marks = ["on", "off"].flatMap((edge) =>
      ["there", "back"].flatMap((way) => [cross(edge, way, 1, 0.12), cross(edge, way, 2, 0.2)]),
    );
    const { measured, also, open } = solveJob(jobKind("headland"), marks, none, setup, rig);
    expect(by(measured, "onLength").off.value).toBeCloseTo(0.04, 12);
    expect(by(measured, "offDelay").off.value).toBeCloseTo(0.08, 12);
    expect(also.find(({ key }) => key === "boundary")!.estimate.value).toBeCloseTo(0, 12);
    expect(also.find(({ key }) => key === "workingLength")!.estimate.value).toBeCloseTo(0, 12);
    expect(open).toEqual([]);
  });

  it("tells a boundary that lies wrong from a wrong length, once crossed both ways", () => {
    const shifted = [1, 2, 3].flatMap((speed) => [
      cross("on", "there", speed, 0.05 + 0.3),
      cross("on", "back", speed, 0.05 - 0.3),
    ]);
    const { measured, also } = solveJob(jobKind("headland"), shifted, none, setup, rig);
    expect(by(measured, "onLength").off.value).toBeCloseTo(0.05, 12);
    expect(also.find(({ key }) => key === "boundary")!.estimate.value).toBeCloseTo(0.3, 12);
    const oneWay = solveJob(
      jobKind("headland"),
      shifted.filter(({ choices }) => choices.way === "there"),
      none,
      setup,
      rig,
    );
    expect(oneWay.open.join(" ")).toContain("Crossed one way only");
  });

  it("does not tell length from delay at one speed", () => {
    const { measured, open } = solveJob(
      jobKind("headland"),
      [cross("on", "there", 2, 0.2), cross("on", "there", 2, 0.21), cross("on", "back", 2, 0.19)],
      none,
      setup,
      rig,
    );
    expect(measured).toEqual([]);
    expect(open.join(" ")).toContain("length and delay are not separable");
  });
});

describe("a circle", () => {
  it("worked by hand: R 12, hitch 1.1, wheels 5.2 m: the tool runs on 10.871 m", () => {
    expect(towedRadius(12, 1.1, 5.2)).toBeCloseTo(10.871, 3);
    expect(pivotOf(12, towedRadius(12, 1.1, 5.2), 1.1)).toBeCloseTo(5.2, 12);
    expect(middleRadius(25.9, 22.1)).toBeCloseTo(12, 12);
  });

  it("refuses what no trailed tool does", () => {
    const swapped = {
      values: { tractorOuter: 20, tractorInner: 17, toolOuter: 26, toolInner: 22 },
      choices: {},
    };
    const { measured, open } = solveJob(jobKind("circle"), [swapped], none, setup, rig);
    expect(measured).toEqual([]);
    expect(open[0]).toContain("changed over");
  });
});

describe("tape against drawing", () => {
  it("predicts any distance between two points: 3-4-5 from the pin to a corner of the work", () => {
    const square = sampleRig({ "pin.workFront": 4, "pin.workRear": 4, "tool.lateral": 0, "tool.width": 6 });
    expect(predictDistance(square, "pin", "rightEdge").distance).toBeCloseTo(5, 12);
    expect(predictDistance(square, "pin", "rightEdge").terms).toEqual(
      expect.arrayContaining([{ key: "tool.width", coefficient: 0.3 }]),
    );
    expect(predictDistance(sampleRig({ "pin.workFront": null }), "pin", "leftEdge")).toMatchObject({
      distance: null,
      missing: ["pin.workFront"],
    });
  });

  it("names the reading that would have to be wrong least", () => {
    const guessed = sampleRig({}, { "pin.pivot": "book" });
    const predicted = predictDistance(guessed, "axle", "pivot");
    const [first] = explains(guessed, predicted, 0.05);
    expect(first).toMatchObject({ key: "pin.pivot" });
    expect(first!.value).toBeCloseTo(5.31, 9);
    const taped: Observation = { values: { distance: 6.35 }, choices: { from: "axle", to: "pivot" } };
    const { measured, residuals } = solveJob(jobKind("cross-tape"), [taped], none, setup, guessed);
    expect(measured[0]!.off.value).toBeCloseTo(0.05, 9);
    expect(residuals[0]!.outlier).toBe(false);
    const told = { tolerance: 0.15, observations: 1 };
    const kind = jobKind("cross-tape");
    expect(verdictsOf(kind, measured, guessed, UNKNOWN_CONDITIONS, told)[0]).toMatchObject({ unproven: [] });
    const along: Observation = { values: { distance: 5.27 }, choices: { from: "pin", to: "pivot" } };
    const repeat = solveJob(jobKind("cross-tape"), [along], none, setup, guessed).measured;
    expect(verdictsOf(kind, repeat, guessed, UNKNOWN_CONDITIONS, told)[0]!.unproven[0]).toContain("no proof");
  });
});

describe("slips that leave a print", () => {
  const rigWith = sampleRig({ "receiver.lateral": -0.18, "tool.lateral": 0.12 });
  const facts = { rig: rigWith, spacing: 4.5, others: [{ name: "one wing folded", width: 3 }] };
  const measuredOf = (key: string, value: number, terms: Measured["terms"]): Measured => ({
    key,
    label: key,
    unit: "length",
    terms,
    entered: 0,
    off: { value, error: 0.004, half: 0.012, freedom: 6 },
    absolute: false,
    sides: null,
  });
  const across = solveJob(jobKind("joints"), alternating([0, 0, 0]), none, setup, rigWith).measured[0]!.terms;

  it.each([
    ["tool's side swapped", 0.24, { kind: "side", key: "tool.lateral" }],
    ["receiver's side swapped", 0.36, { kind: "side", key: "receiver.lateral" }],
    ["tool's offset left at zero", 0.125, { kind: "zero", key: "tool.lateral" }],
    ["half the width typed as offset", 2.25, { kind: "edge", key: "tool.lateral" }],
  ])("%s", (_, value, slip) => {
    expect(suspectsOf([measuredOf("lateral", value, across)], facts)[0]!.slip).toEqual(slip);
  });

  it.each([
    ["one row too few", 0.155, { kind: "row", more: 1 }],
    ["another variant's width", -1.49, { kind: "variant", name: "one wing folded" }],
  ])("%s", (_, value, slip) => {
    expect(
      suspectsOf([measuredOf("width", value, [{ key: "tool.width", coefficient: 1 }])], facts)[0]!.slip,
    ).toEqual(slip);
  });

  it("suspects nobody for an error of its own size, or for none", () => {
    expect(suspectsOf([measuredOf("lateral", 0.07, across)], facts)).toEqual([]);
    expect(suspectsOf([measuredOf("lateral", 0.003, across)], facts)).toEqual([]);
  });
});

describe("verdicts", () => {
  const measured = solveJob(
    jobKind("joints"),
    alternating([-0.06, 0.14, -0.055, 0.145, -0.06, 0.14, -0.065]),
    none,
    setup,
    rig,
  ).measured;
  const told = { tolerance: 0.04, observations: 7 };
  const kind = jobKind("joints");

  it("differs, with one reading changed, the least certain first; nothing is proven without a fixed solution", () => {
    const [lateral] = verdictsOf(
      kind,
      measured,
      sampleRig({}, { "tool.lateral": "book" }),
      { ...UNKNOWN_CONDITIONS, fix: "fixed" },
      told,
    );
    expect(lateral).toMatchObject({ verdict: "differs", unproven: [] });
    expect(lateral!.corrections.map(({ key }) => key)).toEqual(["tool.lateral", "receiver.lateral"]);
    expect(lateral!.corrections[0]!.to).toBeCloseTo(0.075, 2);
    // mind the minus: a receiver further left moves the tool the same way as a tool further right
    expect(lateral!.corrections[1]!.to).toBeCloseTo(-0.065, 2);
    for (const fix of ["float", "differential", "single", null] as const)
      expect(
        verdictsOf(kind, measured, rig, { ...UNKNOWN_CONDITIONS, fix }, told)[0]!.unproven.join(" "),
      ).toContain("fixed");
  });

  it("agrees where the interval is narrow and holds zero, is uncertain where it is wide", () => {
    const near = solveJob(
      jobKind("joints"),
      alternating([0.002, -0.003, 0.001, 0.002, -0.002, 0.001]),
      none,
      setup,
      rig,
    ).measured;
    const conditions = { ...UNKNOWN_CONDITIONS, fix: "fixed" as const };
    expect(verdictsOf(kind, near, rig, conditions, told)[0]).toMatchObject({ verdict: "agrees" });
    expect(verdictsOf(kind, near, rig, conditions, { tolerance: 0.0001, observations: 3 })[0]).toMatchObject({
      verdict: "uncertain",
      unproven: [expect.stringContaining("3 of 6"), expect.stringContaining("wider")],
    });
  });

  it("gives a delay nobody measured all that is missing, and a known one what is missing of it", () => {
    const crossings = [1, 2, 1.5, 2.5, 1, 2].map(
      (speed): Observation => ({
        values: { mark: 0.02 + 0.5 * speed, speed },
        choices: { edge: "on", way: "there" },
      }),
    );
    const toOf = (delay: number | null) => {
      const own = sampleRig({ "work.delayOn": delay });
      const found = solveJob(jobKind("headland"), crossings, none, setup, own).measured;
      const conditions = { ...UNKNOWN_CONDITIONS, fix: "fixed" as const };
      const verdicts = verdictsOf(jobKind("headland"), found, own, conditions, told);
      return verdicts.find(({ measured: each }) => each.key === "onDelay")!.corrections;
    };
    expect(toOf(null)).toEqual([{ key: "work.delayOn", from: null, to: expect.closeTo(0.5, 6) }]);
    expect(toOf(0.3)).toEqual([{ key: "work.delayOn", from: 0.3, to: expect.closeTo(0.8, 6) }]);
  });

  it("allows a spreader more than a planter", () => {
    const tool = (choice: string) => ({
      values: { ...rig.values, "tool.kind": { ...rig.values["tool.kind"], choice } },
    });
    expect(toleranceOf(tool("planter")).across).toBeLessThan(toleranceOf(tool("spreader")).across);
    expect(toleranceOf(rig).across).toBeGreaterThan(0);
  });
});

describe("the tests a tool has", () => {
  it("no circle for what has no wheels of its own", () => {
    expect(jobsOf("mounted").map(({ key }) => key)).not.toContain("circle");
    expect(jobsOf("drawn").map(({ key }) => key)).toEqual(FIELD_TESTS.map(({ key }) => key));
  });
});

describe("same wheel marks by coordinates", () => {
  const origin = { latitude: 0.96, longitude: 0.05 };
  /** Parked facing a heading with the antenna 15 cm right and 1.8 m ahead of the axle, then facing back. */
  const round = (heading: number): Observation => {
    const at = (way: number) =>
      fromPlane(origin, {
        east: way * (1.8 * Math.sin(heading) + 0.15 * Math.cos(heading)),
        north: way * (1.8 * Math.cos(heading) - 0.15 * Math.sin(heading)),
      });
    const [first, second] = [at(1), at(-1)];
    return {
      values: {
        heading,
        latitude1: first.latitude,
        longitude1: first.longitude,
        latitude2: second.latitude,
        longitude2: second.longitude,
      },
      choices: { shown: "antenna" },
    };
  };

  it("tells the antenna's whole offset, whichever way it was parked first", () => {
    const { measured } = solveJob(jobKind("wheel-coordinates"), [0.3, 2.1, 4.4].map(round), none, setup, rig);
    const { off, entered } = by(measured, "lateral");
    expect(entered! + off.value).toBeCloseTo(0.15, 6);
    expect(measured).toHaveLength(1);
  });

  it("of the machine's own place tells how far the entered offset is off", () => {
    const rounds = [0.3, 2.1].map(round).map((each) => ({ ...each, choices: { shown: "machine" } }));
    const { measured } = solveJob(jobKind("wheel-coordinates"), rounds, none, setup, rig);
    expect(by(measured, "lateral").off.value).toBeCloseTo(0.15, 6);
    expect(by(measured, "foreAft").off.value).toBeCloseTo(1.8, 6);
  });
});
