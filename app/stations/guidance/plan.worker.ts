/** Lays passes at every heading, off the page's thread; says how far it has come. */
import { type Outcome, sweep } from "../../../core/guidance/plan.ts";
import type { PlaneField } from "../../../core/guidance/plane-field.ts";

export type PlanAsked = { field: PlaneField; spacing: number; rounds: number };
export type PlanTold = { done: number; all: number; outcomes: Outcome[] };

/** So many headings go by between two words of it. */
const EACH = 6;

self.onmessage = ({ data: { field, spacing, rounds } }: MessageEvent<PlanAsked>) => {
  let outcomes: Outcome[] = [];
  for (const step of sweep(field, { spacing, rounds })) {
    outcomes = [...outcomes, ...step.outcomes];
    if (step.done % EACH !== 0 && step.done < step.all) continue;
    self.postMessage({ done: step.done, all: step.all, outcomes } satisfies PlanTold);
    outcomes = [];
  }
};
