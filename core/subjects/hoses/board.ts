/** The assignment without costs: what may be plugged where, and what follows for the stage after. */
import { couplingsOf } from "../../yard/circuit.ts";
import { type Need, unmet } from "./fit.ts";
import { keepsThrough, type Problem, type Stage, stagesOf } from "./problem.ts";
import { type Steps, step, stepsOf } from "./steps.ts";

export type Board = {
  stages: readonly Stage[];
  remotes: number;
  /** stage → functions used in it */
  active: readonly (readonly number[])[];
  /** function → couplings its hoses may go on */
  allowed: readonly (readonly number[])[];
  /** function → whether its hoses may be taken off between its first and its last use */
  lockable: readonly boolean[];
  /** stage → functions that stay where they were in the stage before */
  kept: readonly ReadonlySet<number>[];
  first: readonly number[];
  last: readonly number[];
};

/** One rule of the board: what is not waived holds. */
export type Rule =
  | { kind: "need"; fn: number; need: Need }
  | { kind: "pin"; fn: number }
  | { kind: "use"; fn: number; stage: number }
  | { kind: "locked"; fn: number }
  | { kind: "kept"; fn: number; stage: number };

const nameOf = (rule: Rule) => Object.values(rule).join(" ");

/** Every rule of a problem that could stand in the way, the telling ones last. */
export function rulesOf(problem: Problem): Rule[] {
  const { functions, supply, pins } = problem;
  const board = boardOf(problem);
  const remotes = couplingsOf(supply);
  const each = <T>(of: (fn: number) => readonly T[]) => functions.flatMap((_, fn) => of(fn));
  return [
    ...board.kept.flatMap((set, stage) => [...set].map((fn) => ({ kind: "kept" as const, fn, stage }))),
    ...each((fn) => (board.lockable[fn] ? [] : [{ kind: "locked" as const, fn }])),
    ...each((fn) =>
      [...new Set(remotes.flatMap((remote) => unmet(functions[fn]!, remote, supply)))].map((need) => ({
        kind: "need" as const,
        fn,
        need,
      })),
    ),
    ...board.active.flatMap((active, stage) => active.map((fn) => ({ kind: "use" as const, fn, stage }))),
    ...each((fn) => (pins.has(functions[fn]!.id) ? [{ kind: "pin" as const, fn }] : [])),
  ];
}

/** The board of a problem, some of its rules waived. */
export function boardOf(problem: Problem, waived: readonly Rule[] = []): Board {
  const { functions, supply, pins } = problem;
  const without = new Set(waived.map(nameOf));
  const holds = (rule: Rule) => !without.has(nameOf(rule));
  const remotes = couplingsOf(supply);
  const stages = stagesOf(problem);
  const active = stages.map((each, stage) => each.active.filter((fn) => holds({ kind: "use", fn, stage })));
  const stagesOfFn = functions.map((_, fn) => active.flatMap((each, at) => (each.includes(fn) ? [at] : [])));
  return {
    stages,
    remotes: remotes.length,
    active,
    allowed: functions.map((fn, index) => {
      const pinned = holds({ kind: "pin", fn: index }) ? pins.get(fn.id) : undefined;
      return remotes.flatMap((remote, at) =>
        (pinned === undefined || pinned === remote.id) &&
        unmet(fn, remote, supply).every((need) => !holds({ kind: "need", fn: index, need }))
          ? [at]
          : [],
      );
    }),
    lockable: functions.map(({ lockable }, fn) => lockable || !holds({ kind: "locked", fn })),
    kept: stages.map((stage, at) => {
      const before = stages[at - 1];
      return new Set(
        before
          ? active[at]!.filter(
              (fn) =>
                active[at - 1]!.includes(fn) &&
                keepsThrough(functions[fn]!, before, stage) &&
                holds({ kind: "kept", fn, stage: at }),
            )
          : [],
      );
    }),
    first: stagesOfFn.map((at) => at[0] ?? -1),
    last: stagesOfFn.map((at) => at.at(-1) ?? -1),
  };
}

/** What is plugged into a coupling: index of a function, or one of these. */
export const NEVER = -1;
/** Used before and free to take: its function needs it no more, or moved. */
export const USED = -2;
/** Left by a function that needs it no more but cannot be taken off. */
export const STUCK = -3;

export type Plugged = readonly number[];

/**
 * Every way to plug in what a stage uses: `take` gets the coupling of each active function and the number of swaps, and
 * `stop`, asked on the way with the swaps so far, cuts a branch off.
 * @throws TooManyWays once `steps` are used up
 */
export function eachChoice(
  board: Board,
  stage: number,
  at: Plugged,
  take: (chosen: readonly number[], swaps: number) => void,
  stop: (swaps: number) => boolean,
  steps: Steps,
): void {
  const active = board.active[stage]!;
  const chosen: number[] = [];
  const choose = (swaps: number) => {
    step(steps);
    if (stop(swaps)) return;
    const fn = active[chosen.length];
    if (fn === undefined) return take(chosen, swaps);
    const now = at.indexOf(fn);
    const stays = now >= 0 && (board.kept[stage]!.has(fn) || !board.lockable[fn]);
    for (const remote of board.allowed[fn]!) {
      if (chosen.includes(remote) || (stays && remote !== now)) continue;
      const held = at[remote]!;
      if (held !== fn && (held === STUCK || (held >= 0 && !board.lockable[held]))) continue;
      const swap = held === fn || (held === NEVER && board.first[fn] === stage) ? 0 : 1;
      chosen.push(remote);
      choose(swaps + swap);
      chosen.pop();
    }
  };
  choose(0);
}

/** What is plugged once a stage is over. */
export function pluggedAfter(
  board: Board,
  stage: number,
  before: Plugged,
  chosen: readonly number[],
): number[] {
  const active = board.active[stage]!;
  const at = [...before];
  for (let index = 0; index < active.length; index += 1) {
    const old = before.indexOf(active[index]!);
    if (old >= 0 && old !== chosen[index]) at[old] = USED;
  }
  for (let index = 0; index < active.length; index += 1) at[chosen[index]!] = active[index]!;
  for (let remote = 0; remote < at.length; remote += 1) {
    const fn = at[remote]!;
    if (fn >= 0 && board.last[fn]! <= stage) at[remote] = board.lockable[fn] ? USED : STUCK;
  }
  return at;
}

/** Every coupling free, none of them ever used. */
export const nothingPlugged = ({ remotes }: Board): Plugged => Array(remotes).fill(NEVER);

/** Whether there is any plan at all. @throws TooManyWays once `steps` are used up */
export function feasible(board: Board, steps: Steps = stepsOf()): boolean {
  if (board.allowed.some((remotes, fn) => remotes.length === 0 && board.first[fn] !== -1)) return false;
  const failed = board.stages.map(() => new Set<string>());
  const reach = (stage: number, at: Plugged): boolean => {
    if (stage === board.stages.length) return true;
    const key = at.join();
    if (failed[stage]!.has(key)) return false;
    let found = false;
    eachChoice(
      board,
      stage,
      at,
      (chosen) => {
        found = reach(stage + 1, pluggedAfter(board, stage, at, chosen));
      },
      () => found,
      steps,
    );
    if (!found) failed[stage]!.add(key);
    return found;
  };
  return reach(0, nothingPlugged(board));
}
