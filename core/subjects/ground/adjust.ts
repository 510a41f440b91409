/**
 * Which adjusters to turn, and how many whole steps each: first so that everything is within tolerance, then with the fewest adjusters, then
 * with the fewest steps; where that is out of reach, so that what is furthest out is least so. Solved exactly, to a thousandth of a tolerance.
 */

import { leastOf } from "../../programme/linear.ts";

/** Something that shall come right: how far it is off now (now − wanted), and how far it may be; one unit for both. */
export type Target = { key: string; off: number; tolerance: number };

/** What can be turned in whole steps: one adjuster, or several that are kept equal and turned together. */
export type Turnable = {
  key: string;
  /** what one step more changes on each target, in the target's unit */
  effects: readonly number[];
  /** how many steps it may still go down (0 or less) and up (0 or more); beyond zero where it stands out of its range now */
  low: number;
  high: number;
  /** adjusters that are turned with it */
  parts: number;
};

export type Turning = {
  /** steps of each turnable: 0 is left alone */
  steps: readonly number[];
  /** how far each target is off afterwards */
  left: readonly number[];
  /** the furthest of them, in its tolerances */
  worst: number;
  within: boolean;
  /** turnables that stand at an end of their range and would have to go further; empty where everything is within */
  binds: readonly number[];
};

/** Nothing is told apart that differs by less than so much of a tolerance. */
const NEAR = 5e-4;
const ROUNDING = 1e-9;

type Problem = {
  /** targets, turnables */
  k: number;
  n: number;
  /** how far off, in tolerances */
  off: Float64Array;
  /** effects in tolerances, turnable by turnable */
  by: Float64Array;
  low: Int32Array;
  high: Int32Array;
  parts: Int32Array;
};

/** As near to what is wanted as half of what is allowed is near enough. */
const NEAR_ENOUGH = 0.5;

/**
 * As `turnThem`, but by those adjusters well within: the fewest steps that come within half of each tolerance, or where they cannot, as near as
 * they can. On the edge of what is allowed the next reading would as often say that it is out.
 */
export function turnWellWithin(targets: readonly Target[], turnables: readonly Turnable[]): Turning {
  const edge = turnThem(targets, turnables);
  const moved = edge.steps.flatMap((steps, at) => (steps === 0 ? [] : [at]));
  if (!edge.within || moved.length === 0 || edge.worst <= NEAR_ENOUGH) return edge;
  const own = moved.map((at) => turnables[at]!);
  const nearest = leastWorst(targets, own);
  const share = Math.max(NEAR_ENOUGH, nearest + 2 * NEAR);
  const well = turnThem(scaledTo(targets, share), own);
  if (!well.within) return edge;
  const steps = edge.steps.map((_, at) => (moved.includes(at) ? well.steps[moved.indexOf(at)]! : 0));
  return { ...well, steps, worst: well.worst * share, binds: [] };
}

const scaledTo = (targets: readonly Target[], share: number) =>
  targets.map((each) => ({ ...each, tolerance: each.tolerance * share }));

/** How near they can come at all, in tolerances. */
function leastWorst(targets: readonly Target[], turnables: readonly Turnable[]): number {
  const problem = scaled(targets, turnables);
  return largest(errorsOf(problem, leastWrong(problem)));
}

/** @throws RangeError where there is no target, a tolerance is not positive, an effect is missing, or a range is empty or not whole */
export function turnThem(targets: readonly Target[], turnables: readonly Turnable[]): Turning {
  const problem = scaled(targets, turnables);
  const steps = fewest(problem, 1 + ROUNDING) ?? leastWrong(problem);
  const errors = errorsOf(problem, steps);
  const worst = largest(errors);
  const within = worst <= 1 + 2 * ROUNDING;
  return {
    steps: [...steps],
    left: targets.map(({ tolerance }, at) => errors[at]! * tolerance),
    worst,
    within,
    binds: within ? [] : bindsOf(problem, steps),
  };
}

function scaled(targets: readonly Target[], turnables: readonly Turnable[]): Problem {
  const [k, n] = [targets.length, turnables.length];
  if (k === 0) throw new RangeError("Nothing is wanted.");
  if (targets.some(({ tolerance }) => !(tolerance > 0)))
    throw new RangeError("A tolerance is more than nothing.");
  for (const { key, effects, low, high } of turnables) {
    if (effects.length !== k || effects.some((each) => !Number.isFinite(each)))
      throw new RangeError(`The effect of ${key} is not known.`);
    if (!Number.isInteger(low) || !Number.isInteger(high) || low > high)
      throw new RangeError(`The range of ${key} is none.`);
  }
  const by = new Float64Array(n * k);
  for (const [j, { effects }] of turnables.entries())
    for (let t = 0; t < k; t += 1) by[j * k + t] = effects[t]! / targets[t]!.tolerance;
  return {
    k,
    n,
    off: Float64Array.from(targets, ({ off, tolerance }) => off / tolerance),
    by,
    low: Int32Array.from(turnables, ({ low }) => low),
    high: Int32Array.from(turnables, ({ high }) => high),
    parts: Int32Array.from(turnables, ({ parts }) => parts),
  };
}

function errorsOf({ k, n, off, by }: Problem, steps: ArrayLike<number>): Float64Array {
  const errors = Float64Array.from(off);
  for (let j = 0; j < n; j += 1)
    if (steps[j] !== 0) for (let t = 0; t < k; t += 1) errors[t]! += steps[j]! * by[j * k + t]!;
  return errors;
}

function largest(errors: Float64Array): number {
  let most = 0;
  for (const each of errors) most = Math.max(most, Math.abs(each));
  return most;
}

/**
 * The steps with the fewest adjusters, then the fewest steps, that leave no target further off than `limit` tolerances; null where there are
 * none. First it is branched on which turnables are used at all, then among as few on which gives the fewest steps; within a set on what is
 * not whole in the least of the linear programme. `known`: steps within the limit that are known already.
 */
function fewest(problem: Problem, limit: number, known: Int32Array | null = null): Int32Array | null {
  const { n, low, high } = problem;
  // What stands out of its range has to move, whatever else does; what cannot move is out of it.
  const begin = Array.from(
    { length: n },
    (_, j): Use => (low[j]! > 0 || high[j]! < 0 ? "used" : low[j] === high[j] ? "left alone" : "open"),
  );
  const found = fewestUsed(problem, begin, limit, known);
  return found && fewestSteps(problem, begin, limit, found).steps;
}

type Use = "open" | "used" | "left alone";

const withUse = (uses: readonly Use[], j: number, use: Use): Use[] => uses.with(j, use);
const those = (uses: readonly Use[], wanted: (use: Use) => boolean): number[] =>
  uses.flatMap((use, j) => (wanted(use) ? [j] : []));

/** Steps with as few adjusters as can be. */
function fewestUsed(
  problem: Problem,
  begin: readonly Use[],
  limit: number,
  known: Int32Array | null,
): Found | null {
  let best: Found | null = known && { steps: known, total: stepsBy(problem, known) };
  let count = known ? usedBy(problem, known) : Number.POSITIVE_INFINITY;
  const visit = (uses: readonly Use[]): void => {
    const least = leastUsed(problem, uses, limit);
    if (!least || Math.ceil(least.value - 1e-6) >= count) return;
    const open = those(uses, (use) => use === "open");
    const taken = open.filter((j) => Math.abs(least.steps[j]!) > 1e-9);
    if (taken.length === 0) {
      const found = branch(
        problem,
        those(uses, (use) => use === "used"),
        limit,
        null,
      );
      if (found) {
        best = found;
        count = usedBy(problem, found.steps);
        return;
      }
      // Whole steps do not do with these alone, although broken ones would.
    }
    const next = mostTaken(problem, taken.length > 0 ? taken : open, least.steps);
    if (next === null) return;
    visit(withUse(uses, next, "used"));
    visit(withUse(uses, next, "left alone"));
  };
  visit(begin);
  return best;
}

/** Among all ways that use no more adjusters than `found` the one with the fewest steps. */
function fewestSteps(problem: Problem, begin: readonly Use[], limit: number, found: Found): Found {
  const most = usedBy(problem, found.steps);
  let best = found;
  const visit = (uses: readonly Use[]): void => {
    const least = leastUsed(problem, uses, limit);
    if (!least || Math.ceil(least.value - 1e-6) > most) return;
    const used = those(uses, (use) => use === "used");
    const open = those(uses, (use) => use === "open");
    const steps = leastSteps(problem, [...used, ...open], limit, problem.low, problem.high);
    if (!steps || Math.ceil(steps.value - 1e-6) >= best.total) return;
    const next = mostTaken(problem, open, steps.steps);
    if (next === null || used.reduce((sum, j) => sum + problem.parts[j]!, 0) >= most) {
      best = branch(problem, used, limit, best) ?? best;
      return;
    }
    visit(withUse(uses, next, "used"));
    visit(withUse(uses, next, "left alone"));
  };
  visit(begin);
  return best;
}

function stepsBy({ parts }: Problem, steps: Int32Array): number {
  return steps.reduce((sum, each, j) => sum + Math.abs(each) * parts[j]!, 0);
}

function usedBy({ parts }: Problem, steps: Int32Array): number {
  return steps.reduce((sum, each, j) => sum + (each === 0 ? 0 : parts[j]!), 0);
}

/** The one of these that turns the largest share of its range; null where there is none. */
function mostTaken({ low, high }: Problem, of: readonly number[], steps: ArrayLike<number>): number | null {
  let [found, most]: [number | null, number] = [null, -1];
  for (const j of of) {
    const share = Math.abs(steps[j]!) / Math.max(1, high[j]!, -low[j]!);
    if (share > most) [found, most] = [j, share];
  }
  return found;
}

/** A bound from below for the adjusters it takes: those used, and of the open ones the share of their range that is needed. */
function leastUsed(
  problem: Problem,
  uses: readonly Use[],
  limit: number,
): { value: number; steps: Float64Array } | null {
  const { low, high, parts } = problem;
  const set = those(uses, (use) => use !== "left alone");
  const costs = set.map((j) =>
    uses[j] === "used" ? [0, 0] : [parts[j]! / Math.max(1, high[j]!), parts[j]! / Math.max(1, -low[j]!)],
  ) as [up: number, down: number][];
  const found = leastOfSteps(problem, set, costs, limit, low, high);
  return (
    found && {
      ...found,
      value: found.value + set.reduce((sum, j) => sum + (uses[j] === "used" ? parts[j]! : 0), 0),
    }
  );
}

type Found = { steps: Int32Array; total: number };

/** The fewest whole steps of one set within the limit, where they are fewer than those of `before`. */
function branch(problem: Problem, set: readonly number[], limit: number, before: Found | null): Found | null {
  let best = before;
  const visit = (low: Int32Array, high: Int32Array): void => {
    const found = leastSteps(problem, set, limit, low, high);
    if (!found || (best && Math.ceil(found.value - 1e-6) >= best.total)) return;
    const split = mostBroken(set, found.steps);
    if (split === null) {
      const steps = Int32Array.from(found.steps, Math.round);
      if (largest(errorsOf(problem, steps)) <= limit + 1e-7) best = { steps, total: stepsBy(problem, steps) };
      return;
    }
    for (const [from, to] of nearestFirst(found.steps[split]!)) {
      const [lower, upper] = [Int32Array.from(low), Int32Array.from(high)];
      lower[split] = Math.max(low[split]!, from);
      upper[split] = Math.min(high[split]!, to);
      if (lower[split]! <= upper[split]!) visit(lower, upper);
    }
  };
  visit(problem.low, problem.high);
  return best;
}

const FAR = 1e6;

/** Both sides of a broken number of steps, the nearer whole one first. */
function nearestFirst(steps: number): [number, number][] {
  const down: [number, number] = [-FAR, Math.floor(steps)];
  const up: [number, number] = [Math.ceil(steps), FAR];
  return steps - Math.floor(steps) < 0.5 ? [down, up] : [up, down];
}

/** Of these the one whose steps are furthest from whole; null where all are whole. */
function mostBroken(set: readonly number[], steps: ArrayLike<number>): number | null {
  let [found, most]: [number | null, number] = [null, 1e-6];
  for (const j of set) {
    const off = Math.abs(steps[j]! - Math.round(steps[j]!));
    if (off > most) [found, most] = [j, off];
  }
  return found;
}

/** The fewest steps of a set between its ends, also broken ones, with every target within the limit; null where none do. */
function leastSteps(
  problem: Problem,
  set: readonly number[],
  limit: number,
  low: Int32Array,
  high: Int32Array,
) {
  const costs = set.map((j): [number, number] => [problem.parts[j]!, problem.parts[j]!]);
  return leastOfSteps(problem, set, costs, limit, low, high);
}

/**
 * The cheapest steps of a set between its ends, also broken ones, with every target within the limit; null where none do. Steps up and steps
 * down are variables of their own, and so is what is left of each target.
 */
function leastOfSteps(
  { k, n, by, off }: Problem,
  set: readonly number[],
  costs: readonly [up: number, down: number][],
  limit: number,
  low: Int32Array,
  high: Int32Array,
): { value: number; steps: Float64Array } | null {
  const rows = Array.from({ length: k }, (_, t) => [
    ...set.map((j) => by[j * k + t]!),
    ...set.map((j) => -by[j * k + t]!),
    ...Array.from({ length: k }, (_, other) => (other === t ? -1 : 0)),
  ]);
  const found = leastOf({
    cost: [...costs.map(([up]) => up), ...costs.map(([, down]) => down), ...rows.map(() => 0)],
    rows,
    right: rows.map((_, t) => -off[t]!),
    low: [
      ...set.map((j) => Math.max(0, low[j]!)),
      ...set.map((j) => Math.max(0, -high[j]!)),
      ...rows.map(() => -limit),
    ],
    high: [
      ...set.map((j) => Math.max(0, high[j]!)),
      ...set.map((j) => Math.max(0, -low[j]!)),
      ...rows.map(() => limit),
    ],
  });
  if (!found) return null;
  const steps = new Float64Array(n);
  for (const [at, j] of set.entries()) steps[j] = found.x[at]! - found.x[at + set.length]!;
  return { value: found.value, steps };
}

/** The steps that leave the furthest target least far off; among those the fewest adjusters and steps. */
function leastWrong(problem: Problem): Int32Array {
  const { n, low, high } = problem;
  let best = Int32Array.from(low, (each, j) => Math.min(Math.max(0, each), high[j]!));
  let least = largest(errorsOf(problem, best));
  const all = Array.from({ length: n }, (_, j) => j);
  const visit = (from: Int32Array, to: Int32Array): void => {
    const found = leastError(problem, from, to);
    if (!found || found.value > least - NEAR) return;
    // Rounded it is often as good: what is found early cuts the most.
    const rounded = Int32Array.from(found.steps, (each, j) =>
      Math.min(to[j]!, Math.max(from[j]!, Math.round(each))),
    );
    const worst = largest(errorsOf(problem, rounded));
    if (worst < least) [best, least] = [rounded, worst];
    const split = mostBroken(all, found.steps);
    if (split === null) return;
    for (const [lowest, highest] of nearestFirst(found.steps[split]!)) {
      const [lower, upper] = [Int32Array.from(from), Int32Array.from(to)];
      lower[split] = Math.max(from[split]!, lowest);
      upper[split] = Math.min(to[split]!, highest);
      if (lower[split]! <= upper[split]!) visit(lower, upper);
    }
  };
  visit(low, high);
  return fewest(problem, least + NEAR, best) ?? best;
}

/** The least that the furthest target can be off, in tolerances, with steps between their ends, also broken ones. */
function leastError(
  problem: Problem,
  low: ArrayLike<number>,
  high: ArrayLike<number>,
): { value: number; steps: Float64Array } | null {
  const { k, n, by, off } = problem;
  const most = furthest(problem, low, high);
  // For each target: its error less the largest is at most nothing, and so is its opposite; what lacks to that is a variable of its own.
  const rows: number[][] = [];
  const right: number[] = [];
  for (let t = 0; t < k; t += 1)
    for (const sign of [1, -1]) {
      const row = Array.from({ length: n + 1 + 2 * k }, () => 0);
      for (let j = 0; j < n; j += 1) row[j] = sign * by[j * k + t]!;
      row[n] = -1;
      row[n + 1 + rows.length] = 1;
      rows.push(row);
      right.push(-sign * off[t]!);
    }
  const found = leastOf({
    cost: Array.from({ length: n + 1 + 2 * k }, (_, at) => (at === n ? 1 : 0)),
    rows,
    right,
    low: [...Array.from({ length: n }, (_, j) => low[j]!), ...Array.from({ length: 1 + 2 * k }, () => 0)],
    high: [
      ...Array.from({ length: n }, (_, j) => high[j]!),
      ...Array.from({ length: 1 + 2 * k }, () => 2 * most),
    ],
  });
  return found && { value: found.value, steps: Float64Array.from(found.x.slice(0, n)) };
}

/** More than any target can be off with steps between these ends. */
function furthest({ k, n, by, off }: Problem, low: ArrayLike<number>, high: ArrayLike<number>): number {
  let most = largest(off) + 1;
  for (let j = 0; j < n; j += 1) {
    const steps = Math.max(Math.abs(low[j]!), Math.abs(high[j]!));
    let reach = 0;
    for (let t = 0; t < k; t += 1) reach = Math.max(reach, Math.abs(by[j * k + t]!) * steps);
    most += reach;
  }
  return most;
}

/** Those at an end of their range that would have to go on for the furthest target to come nearer: with one step more it does. */
function bindsOf(problem: Problem, steps: Int32Array): number[] {
  const { n, low, high } = problem;
  const all = Array.from({ length: n }, (_, j) => j);
  const now = leastError(problem, low, high)!.value;
  return all.filter((j) => {
    if (steps[j] !== low[j] && steps[j] !== high[j]) return false;
    const wider = { low: Int32Array.from(low), high: Int32Array.from(high) };
    if (steps[j] === low[j]) wider.low[j]! -= 1;
    if (steps[j] === high[j]) wider.high[j]! += 1;
    return leastError(problem, wider.low, wider.high)!.value < now - 1e-6;
  });
}
