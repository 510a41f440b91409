import { describe, expect, it } from "vitest";
import type { JobSetup } from "../../../job/kind.ts";
import { solveJob } from "../../../job/solve.ts";
import { towedRadius } from "../../../rig/circle.ts";
import { sampleRig } from "../../../rig/sample.ts";
import { samplePart } from "../../../rig/sample-whole.ts";
import { jobKind } from "../../../subjects/jobs.ts";
import { UNKNOWN_CONDITIONS } from "../../../trade/field-conditions.ts";
import { designJoints, fitJoints } from "./joints.ts";
import { mixesOf } from "./straying.ts";

const SETUP: JobSetup = { ...UNKNOWN_CONDITIONS, fix: "fixed", spacing: 4.5, rowToRow: false };

describe("a joint that was taken back", () => {
  it("leaves its neighbours strangers: they share no pass", () => {
    const gaps = [0.031, -0.012, 0.024, -0.021, 0.018, -0.009];
    const joint = (gap: number, number: number) => ({
      values: { joint: gap },
      choices: { pair: number % 2 === 0 ? "up-down" : "down-up" },
      number,
    });
    const all = gaps.map(joint);
    const without = all.filter(({ number }) => number !== 3);
    const fit = fitJoints(
      designJoints(
        without.map(({ number }) => ({
          left: number % 2 === 0 ? 1 : -1,
          right: number % 2 === 0 ? -1 : 1,
        })),
        [0, 1, 2, 4, 5],
        mixesOf("fixed"),
      )!,
      without.map(({ values }) => values.joint),
    );
    const { measured } = solveJob(jobKind("joints"), without, new Set(), SETUP, sampleRig());
    expect(measured.find(({ key }) => key === "lateral")!.off.value).toBeCloseTo(fit.lateral.value, 12);
  });
});

describe("a circle", () => {
  const circles = (radius: number, hitch: number, pivot: number) =>
    [0, 1, 2, 3].map((at) => {
      const [tractor, tool] = [radius + at, towedRadius(radius + at, hitch, pivot)];
      return {
        values: {
          tractorOuter: 2 * tractor + 1.9,
          tractorInner: 2 * tractor - 1.9,
          toolOuter: 2 * tool + 2.2,
          toolInner: 2 * tool - 2.2,
        },
        choices: {},
      };
    });

  it("of a machine on tracks counts from the middle of its tracks: 5.000 m, as it is", () => {
    const rig = samplePart("drawn", {
      "axle.pin": "1.1",
      "tractor.steering": "tracks",
      "tractor.turn": "1.3",
      "pin.pivot": "5",
    }).rig;
    const { measured } = solveJob(jobKind("circle"), circles(12, 2.4, 5), new Set(), SETUP, rig);
    expect(measured[0]!.off.value + rig.values["pin.pivot"].value!).toBeCloseTo(5, 6);
  });

  it("is no surer than the hitch it counts from: L_h / L_t of its uncertainty, in every circle alike", () => {
    const rig = samplePart("drawn", { "axle.pin": "1.1", "pin.pivot": "5" }).rig;
    const { measured } = solveJob(jobKind("circle"), circles(12, 1.1, 5), new Set(), SETUP, rig);
    // The circles themselves agree to nothing: what is left is the hitch's.
    expect(measured[0]!.off.error!).toBeCloseTo((1.1 / 5) * rig.values["axle.pin"].sigma, 6);
  });
});
