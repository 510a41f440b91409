/** The assignment problem: which coupling carries which function in which phase. */

import type { Phase } from "../../trade/phases.ts";
import { couplingsOf, type HoseFunction, type Remote, type Supply } from "../../yard/circuit.ts";

export type Problem = {
  phases: readonly Phase[];
  supply: Supply;
  /** of every implement of the rig, the front of the first implement first */
  functions: readonly HoseFunction[];
  /** function id → remote id, as somebody wants it */
  pins: ReadonlyMap<number, number>;
  /** kind of function → number of the remote it is on with the tractor's other rigs */
  habits: ReadonlyMap<string, number>;
};

/** Phases between which nobody can park: what is plugged stays as it is through all of them. */
export type Stage = { phases: readonly Phase[]; active: readonly number[] };

/** remote index of each function in each stage; null where it is not used there */
export type Plan = (number | null)[][];

/** Phases between which nobody can park, together, each with the functions used in it. */
export function stagesOf({ phases, functions }: Pick<Problem, "phases" | "functions">): Stage[] {
  const runs: Phase[][] = [];
  for (const phase of phases) {
    const last = runs.at(-1);
    if (last && !phase.parkedBefore) last.push(phase);
    else runs.push([phase]);
  }
  return runs
    .map((run) => ({
      phases: run,
      active: functions.flatMap(({ uses }, index) => (run.some(({ key }) => uses[key]) ? [index] : [])),
    }))
    .filter(({ active }) => active.length > 0);
}

/** Held or in float to the end of one stage and used in the next, a function is not taken off in between. */
export function keepsThrough(fn: HoseFunction, before: Stage, after: Stage): boolean {
  const last = before.phases.findLast(({ key }) => fn.uses[key]);
  const use = last && fn.uses[last.key];
  return (use === "floats" || use === "holds") && after.phases.some(({ key }) => fn.uses[key] !== undefined);
}

export type Swap = {
  /** index of the stage it comes before */
  stage: number;
  remote: number;
  /** what was plugged there until now; null where it was free */
  out: number | null;
  in: number;
};

/**
 * Every time hoses are plugged in otherwise than at coupling. The first function on a coupling is plugged in when the
 * implement is coupled, if that is its first use; each later plugging is a swap.
 */
export function swapsOf(stages: readonly Stage[], plan: Plan): Swap[] {
  const plugged = new Map<number, number | null>();
  const seen = new Set<number>();
  const swaps: Swap[] = [];
  stages.forEach(({ active }, stage) => {
    const at = new Map([...plugged].flatMap(([remote, fn]) => (fn === null ? [] : [[fn, remote] as const])));
    const before = new Map(plugged);
    for (const fn of active) {
      const old = at.get(fn);
      if (old !== undefined && old !== plan[fn]![stage]) plugged.set(old, null);
    }
    for (const fn of active) {
      const remote = plan[fn]![stage]!;
      const held = before.get(remote);
      if (held !== fn) {
        const first = !before.has(remote) && !seen.has(fn);
        if (!first) swaps.push({ stage, remote, out: held ?? null, in: fn });
      }
      plugged.set(remote, fn);
    }
    for (const fn of active) seen.add(fn);
  });
  return swaps;
}

/** What is plugged in when the implement is coupled: the first function of each coupling, where it is that one's first place. */
export function pluggedAtCoupling(stages: readonly Stage[], plan: Plan): { fn: number; remote: number }[] {
  const swapped = swapsOf(stages, plan);
  const seen = new Set<number>();
  return stages.flatMap(({ active }, stage) =>
    active.flatMap((fn) => {
      const remote = plan[fn]![stage]!;
      const later = seen.has(fn) || swapped.some((swap) => swap.stage === stage && swap.in === fn);
      seen.add(fn);
      return later ? [] : [{ fn, remote }];
    }),
  );
}

/** Every coupling there is, lowest number first, the port beyond the valves last. */
export function remotesOf({ supply }: Problem): Remote[] {
  return couplingsOf(supply);
}
