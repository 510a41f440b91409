/**
 * The cheapest plan, proved: dynamic programming over the stages. A state says what is plugged into each coupling; of all
 * ways to reach a state only the cheapest matters. A first, narrow run finds a good plan; the second leaves out nothing
 * but what cannot become cheaper than that, so what it ends with is the optimum.
 */

import { isPort, type Remote } from "../../yard/circuit.ts";
import {
  type Board,
  boardOf,
  eachChoice,
  NEVER,
  nothingPlugged,
  type Plugged,
  pluggedAfter,
  STUCK,
} from "./board.ts";
import { brokenAlone, type Cost, costFrom, weigh } from "./cost.ts";
import { sharesOf } from "./flow.ts";
import { wantedFlow } from "./oil.ts";
import { type Plan, type Problem, remotesOf, type Stage } from "./problem.ts";
import { type Steps, step, stepsOf, TooManyWays, within } from "./steps.ts";

export type Solved = {
  stages: readonly Stage[];
  plan: Plan;
  cost: Cost;
  /** no plan is cheaper; false where there were too many ways to weigh them all */
  proved: boolean;
};

type State = {
  at: Plugged;
  cost: number;
  from: State | null;
  /** coupling of each active function of the stage that led here */
  chosen: readonly number[];
};

type Priced = {
  board: Board;
  /** of a stage's choice, swaps apart */
  costOf: (stage: number, chosen: readonly number[]) => number;
  /** at least what all stages from this one on cost, swaps apart */
  rest: readonly number[];
  /** at least so many swaps come after a stage that leaves this plugged in */
  swapsToCome: (stage: number, at: Plugged) => number;
};

const SWAP = weigh({ swaps: 1, slowed: 0, broken: 0, numbers: 0 });
/** States kept for each stage in the first run. */
const NARROW = 40;
/** Choices looked at from each state in the first run: the first ones, by number of the coupling. */
const FIRST_CHOICES = 300;
const ALL = Number.POSITIVE_INFINITY;

/**
 * The cheapest plan, the same one every time; null where there is none. Where the ways are too many for a proof, the best of
 * those that a narrow look finds, not proved.
 * @throws TooManyWays where even that takes more steps than `steps`
 */
export function solve(problem: Problem, steps: Steps = stepsOf(2)): Solved | null {
  const board = boardOf(problem);
  if (board.allowed.some((remotes, fn) => remotes.length === 0 && board.first[fn] !== -1)) return null;
  const costOf = costs(problem, board);
  const priced = { board, costOf, rest: lowerBounds(board, costOf), swapsToCome: swapCounter(board) };
  const quick = search(priced, ALL, NARROW, steps);
  const better = within(() => search(priced, quick ? quick.cost - 1 : ALL, ALL, steps), "not proved");
  const proved = better !== "not proved";
  if (!proved && !quick) throw new TooManyWays();
  const best = proved ? (better ?? quick) : quick;
  return (
    best && { stages: board.stages, plan: planOf(problem, board, best), cost: costFrom(best.cost), proved }
  );
}

/** A row of digits below `base` as one key: a number while numbers tell them all apart, text beyond. */
export function keyOf(digits: readonly number[], base: number): number | string {
  if (base ** digits.length > Number.MAX_SAFE_INTEGER) return digits.join(" ");
  return digits.reduce((sum, digit) => sum * base + digit, 0);
}

/** Cost of a stage's choice, swaps apart, taken apart so that little is left to do for each choice. */
function costs(problem: Problem, { stages, allowed }: Board): Priced["costOf"] {
  const remotes = remotesOf(problem);
  const alone = problem.functions.map((_, fn) =>
    remotes.map((remote, at) =>
      weigh({ swaps: 0, slowed: 0, broken: brokenAlone(problem, fn, remote).length, numbers: at }),
    ),
  );
  const order = weigh({ swaps: 0, slowed: 0, broken: 1, numbers: 0 });
  const levers = remotes.map((remote) => (isPort(remote) ? -1 : remote.number));
  const slowed = stages.map((stage) => slowedIn(problem, stage, remotes, allowed));
  return (stage, chosen) => {
    const { active } = stages[stage]!;
    let cost = slowed[stage]!(chosen);
    let highest = -1;
    for (let index = 0; index < chosen.length; index += 1) {
      const remote = chosen[index]!;
      cost += alone[active[index]!]![remote]!;
      const number = levers[remote]!;
      if (number >= 0 && number < highest) cost += order;
      highest = Math.max(highest, number);
    }
    return cost;
  };
}

/** How much being slowed costs in a stage: the same for every choice, where no coupling limits what any function asks for. */
function slowedIn(
  problem: Problem,
  stage: Stage,
  remotes: readonly Remote[],
  allowed: Board["allowed"],
): (chosen: readonly number[]) => number {
  const { functions, supply } = problem;
  const one = weigh({ swaps: 0, slowed: 1, broken: 0, numbers: 0 });
  const count = (remoteOf: (fn: number) => Remote) =>
    stage.phases.reduce(
      (sum, phase) =>
        sum + sharesOf(functions, phase, remoteOf, supply.pumpFlow).filter(({ slowedBy }) => slowedBy).length,
      0,
    ) * one;
  const asks = (fn: number) =>
    new Set(allowed[fn]!.map((at) => Math.min(wantedFlow(functions[fn]!) ?? ALL, remotes[at]!.flow ?? ALL)));
  if (stage.active.every((fn) => asks(fn).size === 1)) {
    const always = count((fn) => remotes[allowed[fn]![0]!]!);
    return () => always;
  }
  const known = new Map<number | string, number>();
  return (chosen) => {
    const key = keyOf(chosen, remotes.length);
    const found = known.get(key) ?? count((fn) => remotes[chosen[stage.active.indexOf(fn)]!]!);
    known.set(key, found);
    return found;
  };
}

/**
 * For each stage the least it and all after it can cost, swaps apart: its best choice, whatever was plugged in before. Nothing,
 * which holds as well, where there are too many.
 */
function lowerBounds({ active, allowed, stages }: Board, costOf: Priced["costOf"]): number[] {
  const least = stages.map((_, stage) => {
    const chosen: number[] = [];
    const steps = stepsOf();
    let best = ALL;
    const choose = () => {
      step(steps);
      const fn = active[stage]![chosen.length];
      if (fn === undefined) {
        best = Math.min(best, costOf(stage, chosen));
        return;
      }
      for (const remote of allowed[fn]!) {
        if (chosen.includes(remote)) continue;
        chosen.push(remote);
        choose();
        chosen.pop();
      }
    };
    return within(() => {
      choose();
      return best;
    }, 0);
  });
  return stages.map((_, at) => least.slice(at).reduce((sum, each) => sum + each, 0));
}

function search(
  { board, costOf, rest, swapsToCome }: Priced,
  limit: number,
  width: number,
  steps: Steps,
): State | null {
  let states: State[] = [{ at: nothingPlugged(board), cost: 0, from: null, chosen: [] }];
  for (const stage of board.stages.keys()) {
    const reached = new Map<number | string, { state: State; bound: number }>();
    const after = rest[stage + 1] ?? 0;
    for (const from of states) {
      let seen = 0;
      eachChoice(
        board,
        stage,
        from.at,
        (chosen, swaps) => {
          seen += 1;
          const cost = from.cost + swaps * SWAP + costOf(stage, chosen);
          if (cost + after > limit) return;
          const at = pluggedAfter(board, stage, from.at, chosen);
          const bound = cost + after + swapsToCome(stage, at) * SWAP;
          if (bound > limit) return;
          const key = keyOf(
            at.map((fn) => fn + 3),
            board.allowed.length + 3,
          );
          const known = reached.get(key);
          if (!known || cost < known.state.cost)
            reached.set(key, { state: { at, cost, from, chosen: [...chosen] }, bound });
        },
        (swaps) =>
          from.cost + swaps * SWAP + rest[stage]! > limit || (width !== ALL && seen >= FIRST_CHOICES),
        steps,
      );
    }
    const all = [...reached.values()];
    const kept = all.length > width ? all.sort((a, b) => a.bound - b.bound).slice(0, width) : all;
    states = kept.map(({ state }) => state);
  }
  return states.reduce<State | null>((best, each) => (best && best.cost <= each.cost ? best : each), null);
}

/**
 * At least so many swaps are still to come, whichever couplings they are: of what is plugged in, what is used again last is
 * taken off first, the way that needs the fewest pluggings (Belady's rule for paging). Those on couplings never used
 * may have been there since coupling.
 */
function swapCounter(board: Board): (stage: number, at: Plugged) => number {
  const { active, stages } = board;
  const nextUse = (fn: number, after: number) => {
    const at = active.findIndex((each, stage) => stage > after && each.includes(fn));
    return at < 0 ? ALL : at;
  };
  const known = stages.map(() => new Map<number | string, number>());
  // Held functions as bits of a number, with room and free beside them: exact up to here, by name beyond.
  const counted = 2 ** board.allowed.length * (board.allowed.length + 2) ** 2 <= Number.MAX_SAFE_INTEGER;
  return (stage, at) => {
    let [held, room, free] = [0, 0, 0];
    for (const fn of at) {
      if (fn >= 0) held += 2 ** fn;
      if (fn !== STUCK) room += 1;
      if (fn === NEVER) free += 1;
    }
    const key = counted
      ? (held * (at.length + 1) + room) * (at.length + 1) + free
      : `${[...at].filter((fn) => fn >= 0).sort((a, b) => a - b)} ${room} ${free}`;
    const found = known[stage]!.get(key);
    if (found !== undefined) return found;
    const present = new Set(at.filter((fn) => fn >= 0));
    let plugged = 0;
    for (let next = stage + 1; next < stages.length; next += 1) {
      for (const fn of active[next]!) {
        if (!present.has(fn)) plugged += 1;
        present.add(fn);
      }
      const others = [...present].filter((fn) => !active[next]!.includes(fn));
      others.sort((a, b) => nextUse(a, next) - nextUse(b, next));
      while (present.size > room && others.length > 0) present.delete(others.pop()!);
    }
    const least = Math.max(0, plugged - free);
    known[stage]!.set(key, least);
    return least;
  };
}

function planOf({ functions }: Problem, { stages, active }: Board, end: State): Plan {
  const plan: Plan = functions.map(() => stages.map(() => null));
  let state = end;
  for (let stage = stages.length - 1; state.from; stage -= 1) {
    active[stage]!.forEach((fn, index) => {
      plan[fn]![stage] = state.chosen[index]!;
    });
    state = state.from;
  }
  return plan;
}
