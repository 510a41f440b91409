/** A job solved, and every figure it gives judged: the one way from observations to verdicts. */
import type { ResolvedRig } from "../rig/resolve.ts";
import type { TestConditions } from "../trade/field-conditions.ts";
import { type JudgedFigure, verdictsOf } from "./corrections.ts";
import type { JobKind } from "./kind.ts";
import type { Observation, TestResult } from "./result.ts";
import { solveJob } from "./solve.ts";
import { toleranceOf } from "./tolerance.ts";

export type ToJudge = {
  kind: JobKind;
  conditions: TestConditions;
  /** metres */
  spacing: number | null;
  rowToRow: boolean;
  observations: readonly (Observation & { leftOut: boolean })[];
};

/** `tolerance` in metres: along the line for what is proved along it, to the side for the rest. */
export function judgeJob(
  { kind, conditions, spacing, rowToRow, observations }: ToJudge,
  rig: ResolvedRig,
): { result: TestResult; verdicts: JudgedFigure[]; tolerance: number } {
  const left = new Set(observations.flatMap(({ leftOut }, at) => (leftOut ? [at] : [])));
  const result = solveJob(kind, observations, left, { fix: conditions.fix, spacing, rowToRow }, rig);
  const tolerance = toleranceOf(rig)[kind.judgedBy];
  const verdicts = verdictsOf(kind, result.measured, rig, conditions, {
    tolerance,
    observations: observations.length - left.size,
  });
  return { result, verdicts, tolerance };
}
