/** How a machine stands by the record of what was run on it, rather than by what its lists suppose. */
import type { SequenceKind, World } from "./step.ts";
import { type Lists, listOf, type Machine, startOf } from "./templates.ts";

/** A run since the rig was coupled: its kind, and the steps done and not taken back, in order. */
export type RunSince = { kind: SequenceKind; done: readonly string[] };

/**
 * How the machine is when a sequence begins now: what was run last says how a part stands, and of parts no run has touched what the lists before
 * suppose. Runs in the order they were begun, none from before it was coupled or went by road.
 */
export function startNow(
  kind: SequenceKind,
  machine: Machine,
  lists: Lists,
  runs: readonly RunSince[],
): World {
  const supposed = startOf(kind, machine, lists);
  const told: Record<string, string> = {};
  for (const run of runs) {
    const { steps } = listOf(run.kind, machine, lists);
    for (const id of run.done) Object.assign(told, steps.find((step) => step.id === id)?.sets);
  }
  const known = Object.entries(told).filter(([part]) => part in supposed);
  // Whoever looked round looks again before every movement.
  return { ...supposed, ...Object.fromEntries(known), people: "unknown" };
}
