/** A field test solved, and every figure it gives judged: the one way from observations to verdicts. */
import type { ResolvedRig } from "../../rig/resolve.ts";
import type { TestConditions } from "./conditions.ts";
import { type JudgedFigure, verdictsOf } from "./corrections.ts";
import { type TestKey, testKind } from "./kinds.ts";
import type { Observation, TestResult } from "./result.ts";
import { solveTest } from "./solve.ts";
import { toleranceOf } from "./tolerance.ts";

export type ToJudge = {
  kind: TestKey;
  conditions: TestConditions;
  /** metres */
  spacing: number | null;
  rowToRow: boolean;
  observations: readonly (Observation & { leftOut: boolean })[];
};

/** `tolerance` in metres: along the line for what is proved along it, to the side for the rest. */
export function judgeTest(
  { kind, conditions, spacing, rowToRow, observations }: ToJudge,
  rig: ResolvedRig,
): { result: TestResult; verdicts: JudgedFigure[]; tolerance: number } {
  const left = new Set(observations.flatMap(({ leftOut }, at) => (leftOut ? [at] : [])));
  const result = solveTest(kind, observations, left, { fix: conditions.fix, spacing, rowToRow }, rig);
  const { across, along } = toleranceOf(rig);
  const tolerance = kind === "headland" || kind === "circle" ? along : across;
  const verdicts = verdictsOf(testKind(kind), result.measured, rig, conditions, {
    tolerance,
    observations: observations.length - left.size,
  });
  return { result, verdicts, tolerance };
}
