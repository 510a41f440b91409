import { describe, expect, it } from "vitest";
import type { JobSetup } from "../../job/kind.ts";
import { solveJob } from "../../job/solve.ts";
import { sampleRig } from "../../rig/sample.ts";
import { jobKind } from "../../subjects/jobs.ts";
import { UNKNOWN_CONDITIONS } from "../../trade/field-conditions.ts";

const SETUP = { ...UNKNOWN_CONDITIONS, spacing: 4.5, rowToRow: false } as unknown as JobSetup;
const joint = (gap: number | undefined, left: string, right: string) => ({
  values: gap === undefined ? {} : { joint: gap },
  choices: { left, right },
});

describe("an observation that lacks a figure", () => {
  it("is left out and named, never a zero", () => {
    const whole = [
      joint(0.02, "there", "back"),
      joint(-0.02, "back", "there"),
      joint(0.021, "there", "back"),
      joint(-0.019, "back", "there"),
    ];
    const clean = solveJob(jobKind("joints"), whole, new Set(), SETUP, sampleRig());
    const lacking = solveJob(
      jobKind("joints"),
      [...whole, joint(undefined, "there", "back")],
      new Set(),
      SETUP,
      sampleRig(),
    );
    expect(lacking.measured.map(({ off }) => off.value)).toEqual(clean.measured.map(({ off }) => off.value));
    expect(lacking.open.join(" ")).toContain("Observation 5 lacks a figure");
    expect(lacking.residuals.some(({ at }) => at === 4)).toBe(false);
  });

  it("from row to row waits for the row spacing", () => {
    const rig = sampleRig({ "rows.spacing": null });
    const result = solveJob(
      jobKind("joints"),
      [joint(0.15, "there", "back")],
      new Set(),
      { ...SETUP, rowToRow: true },
      rig,
    );
    expect(result.measured).toEqual([]);
    expect(result.open.join(" ")).toContain("row spacing is not read yet");
  });

  it("of coordinates is not the middle of the ocean", () => {
    const values = { latitude1: 0.9, longitude1: 0.17, latitude2: 0.9, heading: 1 };
    const result = solveJob(
      jobKind("wheel-coordinates"),
      [{ values, choices: {} }],
      new Set(),
      SETUP,
      sampleRig(),
    );
    expect(result.measured).toEqual([]);
    expect(result.open.join(" ")).toContain("lacks a figure");
  });
});
