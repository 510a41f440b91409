/** A field test solved against what is entered: one way in for all kinds. */
import { hasDimension } from "../../dimension/catalogue.ts";
import { TAPE_SIGMA } from "../../dimension/entry-type.ts";
import { POINT_KEYS, type PointKey, pointLabel } from "../../dimension/points.ts";
import { capital } from "../../quantity/capital.ts";
import { steersBy } from "../../rig/asked.ts";
import { between, evaluate } from "../../rig/chain.ts";
import { termsBetween } from "../../rig/frame.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { NORMAL_95 } from "../../statistics/student.ts";
import { solveCircle } from "./circle.ts";
import type { Fix } from "./conditions.ts";
import { predictDistance } from "./cross-tape.ts";
import { solveHeadland } from "./headland.ts";
import { solveJoints } from "./joints.ts";
import type { TestKey } from "./kinds.ts";
import { type Entered, type Measured, NOTHING_YET, type Observation, type TestResult } from "./result.ts";
import { solveRunLog } from "./run-log.ts";
import { solveCoordinates, solveWheelMarks } from "./wheel-marks.ts";

/** What a test is set up with, besides its observations. */
export type TestSetup = {
  fix: Fix | null;
  /** the track spacing in the terminal while it was driven, metres */
  spacing: number | null;
  /** joints taped from row to row instead of from edge to edge */
  rowToRow: boolean;
};

export function enteredOf(rig: ResolvedRig): Entered {
  return {
    sum: (terms) => evaluate(terms, rig).total,
    value: (key) => rig.values[key].value,
  };
}

/** The hitch behind what the machine turns about: its axle, or the middle of its tracks. */
function hitchBehind(rig: ResolvedRig): { hitch: number; sigma: number } | null {
  const { total, sigma } = between(rig, steersBy(rig) === "tracks" ? "turn" : "axle", "pin", "x");
  return total === null || sigma === null ? null : { hitch: -total, sigma };
}

/** What an observation of each test must have before it says anything. */
const NEEDED: Record<TestKey, readonly string[]> = {
  joints: ["joint"],
  "wheel-marks": ["first", "second"],
  "wheel-coordinates": ["latitude1", "longitude1", "latitude2", "longitude2", "heading"],
  headland: ["speed", "mark"],
  circle: ["tractorOuter", "tractorInner", "toolOuter", "toolInner"],
  "cross-tape": ["distance"],
  "run-log": ["across"],
};

/**
 * Solves a test; `left` are observations somebody left out, by number from 0. One that lacks a figure is left out as well and named: it
 * never counts as a zero.
 */
export function solveTest(
  kind: TestKey,
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  setup: TestSetup,
  rig: ResolvedRig,
): TestResult {
  const lacking = observations.flatMap(({ values }, at) =>
    NEEDED[kind].every((name) => Number.isFinite(values[name])) ? [] : [at],
  );
  const result = solveWhole(kind, observations, new Set([...left, ...lacking]), setup, rig);
  return {
    ...result,
    residuals: result.residuals.filter(({ at }) => !lacking.includes(at)),
    open: [...result.open, ...lacking.map((at) => `Observation ${at + 1} lacks a figure, and is left out.`)],
  };
}

function solveWhole(
  kind: TestKey,
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  setup: TestSetup,
  rig: ResolvedRig,
): TestResult {
  const entered = enteredOf(rig);
  const { attachment } = rig;
  if (kind === "joints" && setup.rowToRow && entered.value("rows.spacing") === null)
    return {
      ...NOTHING_YET,
      open: ["Joints were measured from row to row, and the row spacing is not read yet: read it first."],
    };
  switch (kind) {
    case "joints":
      return solveJoints(
        observations,
        left,
        {
          spacing: setup.spacing,
          less: setup.rowToRow ? (entered.value("rows.spacing") ?? 0) : 0,
          fix: setup.fix,
          across: termsBetween(attachment, "receiver", "workMid", "y"),
        },
        entered,
      );
    case "wheel-marks":
      return solveWheelMarks(observations, left, entered);
    case "wheel-coordinates":
      return solveCoordinates(observations, left, entered);
    case "headland":
      return solveHeadland(
        observations,
        left,
        {
          oneLine: !hasDimension(attachment, "pin.workRear"),
          start: termsBetween(attachment, "receiver", "workFront", "x"),
          stop: termsBetween(attachment, "receiver", "workRear", "x"),
        },
        entered,
      );
    case "circle":
      return solveCircle(observations, left, hitchBehind(rig), entered);
    case "cross-tape":
      return solveCrossTape(observations, left, rig);
    case "run-log":
      return solveRunLog(observations, left, entered);
  }
}

/** Each distance stands for itself: its uncertainty is the tape's. */
function solveCrossTape(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  rig: ResolvedRig,
): TestResult {
  const measured: Measured[] = [];
  const open: string[] = [];
  const residuals: TestResult["residuals"][number][] = [];
  for (const [at, { values, choices }] of observations.entries()) {
    const [from, to] = [pointOf(choices.from), pointOf(choices.to)];
    const taped = values.distance;
    if (!from || !to || taped === undefined) continue;
    const predicted = predictDistance(rig, from, to);
    const label = `${pointLabel(from, rig.attachment)} to ${pointLabel(to, rig.attachment)}`;
    if (predicted.distance === null) {
      open.push(`${label}: a reading on the way is missing, so nothing is predicted.`);
      continue;
    }
    const off = taped - predicted.distance;
    const limit = NORMAL_95 * Math.hypot(predicted.sigma, TAPE_SIGMA.taped);
    residuals.push({
      at,
      x: at + 1,
      observed: taped,
      fitted: predicted.distance,
      group: label,
      outlier: Math.abs(off) > limit,
    });
    if (left.has(at)) continue;
    measured.push({
      key: `distance-${at + 1}`,
      label: capital(label),
      unit: "length",
      terms: predicted.terms,
      entered: predicted.distance,
      off: {
        value: off,
        error: TAPE_SIGMA.taped,
        half: NORMAL_95 * TAPE_SIGMA.taped,
        freedom: Number.POSITIVE_INFINITY,
      },
      absolute: false,
      sides: null,
    });
  }
  return { ...NOTHING_YET, measured, residuals, open };
}

export function pointOf(text: string | undefined): PointKey | null {
  return POINT_KEYS.find((key) => key === text) ?? null;
}
