/** Lays passes at every heading and along lines that bend, off the page's thread; says how far it has come. */
import { type BentGiven, type BentProblem, bentLine } from "../../../core/guidance/bent.ts";
import { layAlong, type Outcome, type Plan, sweep } from "../../../core/guidance/plan.ts";
import type { PlaneField } from "../../../core/place/plane-field.ts";

export type BentAsked = { id: string; given: BentGiven; across: number };
export type PlanAsked = { field: PlaneField; spacing: number; rounds: number; bent: BentAsked[] };
export type BentLaid = { ok: true; plan: Plan } | { ok: false; problem: BentProblem };
export type PlanTold =
  | { what: "bent"; id: string; laid: BentLaid }
  | { what: "headings"; done: number; all: number; outcomes: Outcome[] };

/** So many headings go by between two words of it. */
const EACH = 6;

const tell = (told: PlanTold) => self.postMessage(told);

function along({ field, spacing, rounds }: PlanAsked, { given, across }: BentAsked): BentLaid {
  const found = bentLine(given, field.rings, spacing);
  return found.ok
    ? { ok: true, plan: layAlong(field, { spacing, rounds, along: found.line, across }) }
    : found;
}

self.onmessage = ({ data }: MessageEvent<PlanAsked>) => {
  const { field, spacing, rounds, bent } = data;
  for (const line of bent) tell({ what: "bent", id: line.id, laid: along(data, line) });
  let outcomes: Outcome[] = [];
  for (const { done, all, outcomes: more } of sweep(field, { spacing, rounds })) {
    outcomes = [...outcomes, ...more];
    if (done % EACH !== 0 && done < all) continue;
    tell({ what: "headings", done, all, outcomes });
    outcomes = [];
  }
};
