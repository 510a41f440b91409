/** What a plan costs, most important first: swaps, functions slowed, preferences broken, remote numbers. */
import { isPort, type Remote } from "../../yard/circuit.ts";
import { sharesOf } from "./flow.ts";
import { type Plan, type Problem, remotesOf, type Stage, swapsOf } from "./problem.ts";

export type Cost = { swaps: number; slowed: number; broken: number; numbers: number };

/** One number that orders costs as their parts do, each part being below a thousand. */
export function weigh({ swaps, slowed, broken, numbers }: Cost): number {
  return ((swaps * 1000 + slowed) * 1000 + broken) * 1000 + numbers;
}

/** Where in a plan a preference is not held, in one stage. */
export type Broken = { fn: number; why: "habit" | "trigger" | "order" };

/** Of one function on one coupling, wherever the others are. */
export function brokenAlone({ functions, habits, supply }: Problem, fn: number, remote: Remote): Broken[] {
  if (isPort(remote)) return [];
  const { kind, trigger } = functions[fn]!;
  const habit = habits.get(kind);
  const broken: Broken[] = [];
  if (habit !== undefined && habit !== remote.number) broken.push({ fn, why: "habit" });
  if (trigger && supply.mainLever !== null && supply.mainLever !== remote.number)
    broken.push({ fn, why: "trigger" });
  return broken;
}

/** Functions are listed from the front of the implement: the one further back wants the higher number. */
export function outOfOrder(active: readonly number[], numberOf: (fn: number) => number): Broken[] {
  return active.flatMap((fn, at) =>
    active.slice(0, at).some((before) => numberOf(before) > numberOf(fn))
      ? [{ fn, why: "order" as const }]
      : [],
  );
}

/** Everything one stage costs but its swaps. */
export function stageCost(
  problem: Problem,
  { phases, active }: Stage,
  remotes: readonly Remote[],
  remoteOf: (fn: number) => number,
): Omit<Cost, "swaps"> {
  const at = (fn: number) => remotes[remoteOf(fn)]!;
  const slowed = phases.reduce(
    (sum, phase) =>
      sum +
      sharesOf(problem.functions, phase, at, problem.supply.pumpFlow).filter(({ slowedBy }) => slowedBy)
        .length,
    0,
  );
  const levers = active.filter((fn) => !isPort(at(fn)));
  const broken =
    active.reduce((sum, fn) => sum + brokenAlone(problem, fn, at(fn)).length, 0) +
    outOfOrder(levers, (fn) => at(fn).number).length;
  const numbers = active.reduce((sum, fn) => sum + remoteOf(fn), 0);
  return { slowed, broken, numbers };
}

/** The parts of a weighed cost. */
export function costFrom(weighed: number): Cost {
  const part = (shift: number) => Math.floor(weighed / 1000 ** shift) % 1000;
  return { swaps: Math.floor(weighed / 1000 ** 3), slowed: part(2), broken: part(1), numbers: part(0) };
}

/** Cost of a whole plan, from its parts. */
export function planCost(problem: Problem, stages: readonly Stage[], plan: Plan): Cost {
  const remotes = remotesOf(problem);
  const sum = { swaps: swapsOf(stages, plan).length, slowed: 0, broken: 0, numbers: 0 };
  for (const [at, stage] of stages.entries()) {
    const { slowed, broken, numbers } = stageCost(problem, stage, remotes, (fn) => plan[fn]![at]!);
    sum.slowed += slowed;
    sum.broken += broken;
    sum.numbers += numbers;
  }
  return sum;
}
