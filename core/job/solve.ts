import { evaluate } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { type JobKind, type JobSetup, neededOf } from "./kind.ts";
import type { Entered, Observation, TestResult } from "./result.ts";

/**
 * What is entered of a rig, as a job looks it up: sums and single readings in SI, null where one is
 * missing.
 */
export function enteredOf(rig: ResolvedRig): Entered {
  return {
    sum: (terms) => evaluate(terms, rig).total,
    value: (key) => rig.values[key].value,
  };
}

/**
 * Solves a job; `left` are observations somebody left out, by number from 0. One that lacks a figure is left out as well
 * and named: it never counts as a zero.
 */
export function solveJob(
  job: JobKind,
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  setup: JobSetup,
  rig: ResolvedRig,
): TestResult {
  const needed = neededOf(job);
  const lacking = observations.flatMap(({ values }, at) =>
    needed.every((name) => Number.isFinite(values[name])) ? [] : [at],
  );
  const result = job.solve({
    observations,
    left: new Set([...left, ...lacking]),
    setup,
    rig,
    entered: enteredOf(rig),
  });
  return {
    ...result,
    residuals: result.residuals.filter(({ at }) => !lacking.includes(at)),
    open: [...result.open, ...lacking.map((at) => `Observation ${at + 1} lacks a figure, and is left out.`)],
  };
}
