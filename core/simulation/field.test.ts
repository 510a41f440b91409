import { describe, expect, it, vi } from "vitest";
import { readLog } from "../../formats/nmea/log.ts";
import { writeLog } from "../../formats/nmea/write.ts";
import { askedLines } from "../card/ahead.ts";
import { fillCard } from "../card/fill.ts";
import { SHIPPED_SCHEMES } from "../card/shipped.ts";
import type { Axis, PointKey } from "../dimension/points.ts";
import type { JobSetup } from "../job/kind.ts";
import type { Measured, Observation } from "../job/result.ts";
import { solveJob } from "../job/solve.ts";
import { PRESETS } from "../quantity/units.ts";
import { between } from "../rig/chain.ts";
import { pivotOf, towedRadius } from "../rig/circle.ts";
import { type ResolvedRig, resolveRig } from "../rig/resolve.ts";
import { sampleFacts } from "../rig/sample.ts";
import { leastSquares } from "../statistics/least-squares.ts";
import { t95 } from "../statistics/student.ts";
import { jobKind } from "../subjects/jobs.ts";
import { acrossOf, findPasses } from "../subjects/proof/fits/run-log.ts";
import type { Fix } from "../trade/field-conditions.ts";
import { type Believed, believe } from "./believed.ts";
import { crossString, driveCircle, driveJoints, parkOnCoordinates, parkTwice, settle } from "./drive.ts";
import { chance } from "./random.ts";
import { recordRun } from "./receiver.ts";
import { seedTruth, type Truth, trueBetween } from "./truth.ts";

const rig = resolveRig(sampleFacts());

/** What a terminal believes that was fed this rig's card, and switching times nobody read off it. */
function fed(of: ResolvedRig, id = "axle-m"): Believed {
  const scheme = SHIPPED_SCHEMES.find((each) => each.id === id)!;
  const { lines } = fillCard(scheme, of, [], PRESETS.metric, []);
  const believed = believe(
    { lines: askedLines(scheme, of, []) },
    lines.map(({ figure, word }) => ({ text: figure ?? "0", word })),
  );
  return { ...believed, delays: { on: 0.8, off: 0.5 } };
}

const setup: JobSetup = { fix: "fixed", spacing: fed(rig).spacing, rowToRow: false };
const observation = (values: Observation["values"], choices: Observation["choices"] = {}) => ({
  values,
  choices,
});
const PAIRS = { "1,-1": "up-down", "-1,1": "down-up" } as Record<string, string>;

function joints(
  truth: Truth,
  believed: Believed,
  seed: number,
  fix: Fix = "fixed",
  passes = 9,
): Observation[] {
  return driveJoints({ truth, believed, random: chance(seed), fix }, passes).map(({ left, right, gap }) =>
    observation({ joint: gap }, { pair: PAIRS[`${left},${right}`]! }),
  );
}

const level = (truth: Truth): Truth => ({ ...truth, rollBias: 0 });
const by = (measured: readonly Measured[], key: string) => measured.find((each) => each.key === key)!;

/** Share of draws whose 95 % interval holds the truth. */
function coverage(
  draws: number,
  draw: (seed: number) => { off: Measured["off"]; truth: number }[],
): number[] {
  const inside: number[] = [];
  for (let seed = 1; seed <= draws; seed += 1)
    for (const [index, { off, truth }] of draw(seed).entries())
      inside[index] = (inside[index] ?? 0) + (Math.abs(off.value - truth) <= off.half! ? 1 : 0);
  return inside.map((count) => count / draws);
}

function expectHonest(shares: number[]): void {
  expect(shares.length).toBeGreaterThan(0);
  for (const share of shares) {
    expect(share).toBeGreaterThan(0.93);
    expect(share).toBeLessThan(0.97);
  }
}

/** Joints fitted as if each were for itself. */
function plainJoints(observations: readonly Observation[]) {
  const fit = leastSquares(
    observations.map(({ choices }) => [1, choices.pair === "up-down" ? -2 : 2]),
    observations.map(({ values }) => values.joint!),
  )!;
  return { fit: { value: fit.estimates[1]!, half: fit.errors![1]! * t95(fit.freedom) } };
}

function wanted(to: PointKey, axis: Axis): number {
  return between(rig, "receiver", to, axis).total!;
}

const DRAWS = 3000;
/** Thousands of draws take some seconds; on a busy machine many. */
vi.setConfig({ testTimeout: 90_000 });

describe("95 % intervals hold the truth 93 to 97 times in a hundred", () => {
  // The mix of wander and tape is not known: intervals that hold whichever it is hold more than 95 of most. How wide they
  // may be for it is held in bench/joint-coverage.test.ts.
  it("of pass joints, at least: sideways error and width", () => {
    const shares = coverage(DRAWS, (seed) => {
      const truth = level(seedTruth(rig, seed));
      const believed = fed(rig);
      const { measured } = solveJob(
        jobKind("joints"),
        joints(truth, believed, seed + 1e6),
        new Set(),
        setup,
        rig,
      );
      return [
        {
          off: by(measured, "lateral").off,
          truth:
            trueBetween(truth, "receiver", "workMid", "y") - believed.between("receiver", "workMid", "y"),
        },
        {
          off: by(measured, "width").off,
          truth: truth.values["tool.width"]! - rig.values["tool.width"].value!,
        },
      ];
    });
    expect(shares).toHaveLength(2);
    for (const share of shares) expect(share).toBeGreaterThan(0.93);
  });

  it("of wheel marks by coordinates: the antenna's whole offset", () => {
    expectHonest(
      coverage(DRAWS, (seed) => {
        const truth = level(seedTruth(rig, seed));
        const field = { truth, random: chance(seed + 9e6), fix: "fixed" as const };
        const rounds = Array.from({ length: 4 }, () => {
          const { heading, first, second } = parkOnCoordinates(field);
          return observation(
            {
              heading,
              latitude1: first.latitude,
              longitude1: first.longitude,
              latitude2: second.latitude,
              longitude2: second.longitude,
            },
            { shown: "antenna" },
          );
        });
        const { measured } = solveJob(jobKind("wheel-coordinates"), rounds, new Set(), setup, rig);
        const { off, entered } = by(measured, "lateral");
        return [{ off, truth: trueBetween(truth, "axle", "receiver", "y") - entered! }];
      }),
    );
  });

  it("of wheel marks: lateral and fore-aft", () => {
    expectHonest(
      coverage(DRAWS, (seed) => {
        const truth = level(seedTruth(rig, seed));
        const field = { truth, believed: fed(rig), random: chance(seed + 2e6), fix: "fixed" as const };
        const rounds = Array.from({ length: 4 }, () => observation(parkTwice(field)));
        const { measured } = solveJob(jobKind("wheel-marks"), rounds, new Set(), setup, rig);
        return (["lateral", "foreAft"] as const).map((key) => {
          const axis = key === "lateral" ? "y" : "x";
          return {
            off: by(measured, key).off,
            truth:
              trueBetween(truth, "axle", "receiver", axis) - field.believed.between("axle", "receiver", axis),
          };
        });
      }),
    );
  });

  it("of headland marks: where work begins and ends, and both delays", () => {
    expectHonest(
      coverage(DRAWS, (seed) => {
        const truth = seedTruth(rig, seed);
        const believed = fed(rig);
        const field = { truth, believed, random: chance(seed + 3e6), fix: "fixed" as const };
        const crossings = [1.4, 2.8].flatMap((speed) =>
          (["on", "off"] as const).flatMap((edge) =>
            ([1, -1, 1] as const).map((way) =>
              observation(
                { speed, mark: crossString(field, { edge, way, speed, shift: 0.06 }) },
                { edge, way: way === 1 ? "there" : "back" },
              ),
            ),
          ),
        );
        const { measured } = solveJob(jobKind("headland"), crossings, new Set(), setup, rig);
        const length = (point: "workFront" | "workRear") =>
          trueBetween(truth, "receiver", point, "x") - believed.between("receiver", point, "x");
        return [
          { off: by(measured, "onLength").off, truth: length("workFront") },
          { off: by(measured, "offLength").off, truth: length("workRear") },
          { off: by(measured, "onDelay").off, truth: truth.delays.on - 0 },
          { off: by(measured, "offDelay").off, truth: truth.delays.off - 0 },
        ].map(({ off, truth: wanted }, index) => ({
          // Nothing is entered for a delay on this rig, so what is found is the delay the terminal lacks.
          off,
          truth: index < 2 ? wanted : wanted - believed.delays[index === 2 ? "on" : "off"],
        }));
      }),
    );
  });
});

describe("what plain least squares would say of joints", () => {
  it("calls the sideways error surer than it is, since a pass strays into both its joints", () => {
    const believed = fed(rig);
    const inside = Array.from({ length: 1500 }, (_, index) => {
      const truth = level(seedTruth(rig, index + 1));
      const observations = joints(truth, believed, index + 4e6);
      const wanted =
        trueBetween(truth, "receiver", "workMid", "y") - believed.between("receiver", "workMid", "y");
      // Straying set against the tape as if there were none: every joint for itself.
      const { fit } = plainJoints(observations);
      return Math.abs(fit.value - wanted) <= fit.half ? 1 : 0;
    }).reduce((sum: number, each) => sum + each, 0);
    expect(inside / 1500).toBeLessThan(0.9);
  });
});

describe("a circle driven step by step", () => {
  it("settles on the radius of the closed form", () => {
    for (const [radius, hitch, pivot] of [
      [12, 1.1, 5.2],
      [9, 0.9, 4.1],
      [14, 1.3, 8],
    ] as const)
      expect(settle(radius, hitch, pivot)).toBeCloseTo(towedRadius(radius, hitch, pivot), 4);
  });

  it("gives the pivot back, within what the marks allow", () => {
    const truth = seedTruth(rig, 11);
    const random = chance(5);
    const circles = Array.from({ length: 4 }, () => observation(driveCircle({ truth, random })));
    const believing = rig.values["axle.pin"].value!;
    expect(Math.abs(believing - truth.values["axle.pin"]!)).toBeLessThan(0.05);
    const { measured } = solveJob(jobKind("circle"), circles, new Set(), setup, rig);
    const { off } = by(measured, "pivot");
    expect(Math.abs(off.value + rig.values["pin.pivot"].value! - truth.values["pin.pivot"]!)).toBeLessThan(
      0.06,
    );
    expect(pivotOf(12, 10.871, 1.1)).toBeCloseTo(5.2, 2);
  });
});

describe("the log of an up-and-back run", () => {
  const truth = level({
    ...seedTruth(rig, 21),
    values: { ...seedTruth(rig, 21).values, "receiver.lateral": 0.147 },
  });
  const run = (decimals: number, seed = 3) =>
    readLog(writeLog(recordRun({ truth, random: chance(seed), fix: "fixed" }, 3), decimals));

  it("is read, its six passes found, and the receiver's lateral told", () => {
    const read = run(7);
    if (!read.ok) throw new Error(read.problem);
    expect(read.log).toMatchObject({ decimals: 7, spoiled: 0 });
    expect(read.log.rate).toBeCloseTo(5, 6);
    expect(read.log.fixes.fixed).toBeCloseTo(1, 9);
    const passes = findPasses(read.log.points);
    expect(passes.map(({ way }) => way)).toEqual([1, -1, 1, -1, 1, -1]);
    const observations = acrossOf(passes).map(({ way, across }) =>
      observation({ across }, { way: way === 1 ? "there" : "back" }),
    );
    const { measured } = solveJob(jobKind("run-log"), observations, new Set(), setup, rig);
    const { off, entered } = by(measured, "lateral");
    expect(entered! + off.value).toBeCloseTo(0.147, 1);
    expect(Math.abs(entered! + off.value - 0.147)).toBeLessThan(off.half!);
  });

  it("holds the truth more than nine times in ten, however the receiver wanders", () => {
    const draws = 100;
    let inside = 0;
    for (let seed = 1; seed <= draws; seed += 1) {
      const read = run(7, seed);
      if (!read.ok) throw new Error(read.problem);
      const observations = acrossOf(findPasses(read.log.points)).map(({ way, across }) =>
        observation({ across }, { way: way === 1 ? "there" : "back" }),
      );
      const { off, entered } = by(
        solveJob(jobKind("run-log"), observations, new Set(), setup, rig).measured,
        "lateral",
      );
      if (Math.abs(entered! + off.value - 0.147) <= off.half!) inside += 1;
    }
    expect(inside / draws).toBeGreaterThan(0.91);
  }, 60_000);
});

describe("a terminal", () => {
  it("believes what its card says, by whichever scheme it asks", () => {
    for (const id of ["axle-m", "axle-in", "hitch-m", "antenna-m", "antenna-in", "iso-mm"]) {
      const believed = fed(rig, id);
      const inches = id.endsWith("in") ? 0.002 : 0;
      for (const [to, axis] of [
        ["workMid", "y"],
        ["workMid", "x"],
      ] as const)
        expect(Math.abs(believed.between("receiver", to, axis) - wanted(to, axis))).toBeLessThan(
          0.0101 + inches,
        );
      expect(believed.width).toBeCloseTo(4.5, 2);
    }
  });

  it("takes nothing typed for zero", () => {
    const scheme = SHIPPED_SCHEMES[0]!;
    const believed = believe(scheme, []);
    expect(believed.between("receiver", "workMid", "x")).toBe(0);
    expect(believed.width).toBe(0);
    expect(believed.delays).toEqual({ on: 0, off: 0 });
  });
});
