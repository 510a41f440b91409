import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve as solveInteger } from "yalps";
import { couplingsOf, type HoseFunction } from "./circuit.ts";
import { costFrom, planCost, weigh } from "./cost.ts";
import { unmet } from "./fit.ts";
import { keepsThrough, type Plan, type Problem, type Stage, stagesOf, swapsOf } from "./problem.ts";
import { sampleFunction, sampleProblem, sampleRemote, twelveOnSix } from "./sample.ts";
import { anyProblem } from "./sample-any.ts";
import { solve } from "./solve.ts";

const allowedIn = ({ supply, functions, pins }: Problem) =>
  functions.map((fn) =>
    couplingsOf(supply).flatMap((remote, at) =>
      unmet(fn, remote, supply).length === 0 && (pins.get(fn.id) ?? remote.id) === remote.id ? [at] : [],
    ),
  );

/** The rules said once more, of a whole plan at once. */
function lawful({ functions }: Problem, stages: readonly Stage[], plan: Plan): boolean {
  return functions.every((fn, index) => {
    const places = plan[index]!;
    const first = places.findIndex((place) => place !== null);
    if (first < 0) return true;
    const kept = stages.every(
      (stage, at) => at === 0 || !keepsThrough(fn, stages[at - 1]!, stage) || places[at] === places[at - 1],
    );
    // What cannot be taken off has its coupling to itself from its first use to the end.
    const stays =
      fn.lockable ||
      stages.every(
        (_, at) =>
          at < first ||
          ((places[at] ?? places[first]) === places[first] &&
            plan.every((others, other) => other === index || others[at] !== places[first])),
      );
    return kept && stays;
  });
}

/** The cheapest of all plans there are, by trying each. */
function bruteForce(problem: Problem): number | null {
  const stages = stagesOf(problem);
  const allowed = allowedIn(problem);
  const plan: Plan = problem.functions.map(() => stages.map(() => null));
  let best: number | null = null;
  const choose = (stage: number, index: number): void => {
    if (stage === stages.length) {
      if (!lawful(problem, stages, plan)) return;
      const cost = weigh(planCost(problem, stages, plan));
      if (best === null || cost < best) best = cost;
      return;
    }
    const { active } = stages[stage]!;
    if (index === active.length) {
      choose(stage + 1, 0);
      return;
    }
    const fn = active[index]!;
    for (const remote of allowed[fn]!) {
      if (active.slice(0, index).some((other) => plan[other]![stage] === remote)) continue;
      plan[fn]![stage] = remote;
      choose(stage, index + 1);
    }
    plan[fn]![stage] = null;
  };
  choose(0, 0);
  return best;
}

/** Fewest swaps by integer programming: x used, p plugged in, z plugged in anew. Null where the program has no solution. */
function fewestSwaps(problem: Problem): number | null {
  const stages = stagesOf(problem);
  const allowed = allowedIn(problem);
  const variables = new Map<string, Map<string, number>>();
  const constraints = new Map<string, { equal?: number; min?: number; max?: number }>();
  const term = (variable: string, constraint: string, coefficient: number) => {
    const known = variables.get(variable) ?? new Map<string, number>();
    variables.set(variable, known.set(constraint, (known.get(constraint) ?? 0) + coefficient));
  };
  const remotes = couplingsOf(problem.supply).map((_, at) => at);
  for (const [f, fn] of problem.functions.entries()) {
    const where = stages.flatMap(({ active }, at) => (active.includes(f) ? [at] : []));
    if (where.length === 0) continue;
    for (const [s, stage] of stages.entries()) {
      const used = stage.active.includes(f);
      const sum = `one ${f} ${s}`;
      constraints.set(sum, used ? { equal: 1 } : { max: 1 });
      for (const r of remotes) {
        const p = `p ${f} ${s} ${r}`;
        term(p, sum, 1);
        term(p, `room ${s} ${r}`, 1);
        constraints.set(`room ${s} ${r}`, { max: 1 });
        if (used && !allowed[f]!.includes(r)) {
          term(p, `no ${p}`, 1);
          constraints.set(`no ${p}`, { equal: 0 });
        }
        if (s === 0) continue;
        const before = `p ${f} ${s - 1} ${r}`;
        // p now − p before ≤ z: plugged in anew.
        const anew = `anew ${f} ${s} ${r}`;
        term(p, anew, 1);
        term(before, anew, -1);
        term(`z ${f} ${s} ${r}`, anew, -1);
        term(`z ${f} ${s} ${r}`, "swaps", 1);
        constraints.set(anew, { max: 0 });
        const stays = !fn.lockable && s > where[0]!;
        if (stays || (used && keepsThrough(fn, stages[s - 1]!, stage))) {
          const stay = `stay ${f} ${s} ${r}`;
          term(p, stay, 1);
          term(before, stay, -1);
          constraints.set(stay, { min: 0 });
        }
      }
    }
  }
  if (variables.size === 0) return 0;
  const { status, result } = solveInteger({
    direction: "minimize",
    objective: "swaps",
    constraints,
    variables,
    binaries: true,
  });
  return status === "optimal" ? Math.round(result) : null;
}

describe("the assignment", () => {
  it("is the cheapest of all there are, or none where there is none: brute force on 3000 small cases", () => {
    let [solvable, not] = [0, 0];
    fc.assert(
      fc.property(anyProblem, (problem) => {
        const solved = solve(problem);
        const best = bruteForce(problem);
        if (best === null) {
          not += 1;
          expect(solved).toBeNull();
          return;
        }
        solvable += 1;
        expect(solved && weigh(solved.cost)).toBe(best);
        expect(lawful(problem, solved!.stages, solved!.plan)).toBe(true);
        expect(planCost(problem, solved!.stages, solved!.plan)).toEqual(solved!.cost);
      }),
      { numRuns: 3000, endOnFailure: true },
    );
    // The cases are no use if nearly all of them fall on one side.
    expect(Math.min(solvable, not)).toBeGreaterThan(300);
  }, 60_000);

  it("has as few swaps as an integer program finds, over the same cases", () => {
    fc.assert(
      fc.property(anyProblem, (problem) => {
        expect(solve(problem)?.cost.swaps ?? null).toBe(fewestSwaps(problem));
      }),
      { numRuns: 400, endOnFailure: true },
    );
  }, 60_000);

  it("of twelve functions on six remotes is the same every time, and an integer program finds no fewer swaps", () => {
    const solved = solve(twelveOnSix())!;
    expect(solve(twelveOnSix())).toEqual(solved);
    expect(swapsOf(solved.stages, solved.plan).length).toBe(solved.cost.swaps);
    expect(solved.cost.swaps).toBe(fewestSwaps(twelveOnSix()));
  }, 60_000);

  it("puts five circuits on four remotes with the jack swapped out, and back to uncouple", () => {
    const folding: HoseFunction["uses"] = {
      unfold: "moves",
      field: "floats",
      headland: "floats",
      fold: "moves",
    };
    const work: HoseFunction["uses"] = { field: "moves", headland: "moves" };
    const problem = sampleProblem(
      [1, 2, 3, 4].map((number) => sampleRemote(number)),
      [
        sampleFunction(1, { name: "jack", uses: { stand: "moves", uncouple: "moves" } }),
        sampleFunction(2, { name: "front lift", uses: work }),
        sampleFunction(3, { name: "rear lift", uses: work, trigger: true }),
        sampleFunction(4, {
          name: "undercarriage",
          uses: { unfold: "moves", ...work, fold: "moves" },
          lockable: false,
        }),
        sampleFunction(5, { name: "wings", uses: folding, lockable: false }),
      ],
    );
    const { stages, plan, cost } = solve(problem)!;
    const swaps = swapsOf(stages, plan);
    // The jack comes off, one of the lifts goes on in its place, and the jack back at the end.
    expect(cost.swaps).toBe(2);
    expect(swaps.map((swap) => [swap.out, swap.in])).toEqual([
      [0, swaps[0]!.in],
      [swaps[0]!.in, 0],
    ]);
    expect([1, 2]).toContain(swaps[0]!.in);
  });

  it("never swaps between field and headland", () => {
    const functions = [
      sampleFunction(1, { uses: { field: "moves" } }),
      sampleFunction(2, { uses: { headland: "moves" } }),
    ];
    expect(solve(sampleProblem([sampleRemote(1)], functions))).toBeNull();
    expect(solve(sampleProblem([sampleRemote(1), sampleRemote(2)], functions))?.cost.swaps).toBe(0);
  });

  it("keeps what somebody pinned, at any price", () => {
    const functions = [sampleFunction(1), sampleFunction(2)];
    const remotes = [sampleRemote(1), sampleRemote(2)];
    expect(solve(sampleProblem(remotes, functions))!.plan).toEqual([[0], [1]]);
    expect(solve(sampleProblem(remotes, functions, { pins: new Map([[1, 2]]) }))!.plan).toEqual([[1], [0]]);
    expect(
      solve(
        sampleProblem(remotes, functions, {
          pins: new Map([
            [1, 2],
            [2, 2],
          ]),
        }),
      ),
    ).toBeNull();
  });

  it("leaves the lever as it is on the tractor's other rigs before it counts from the front", () => {
    const functions = [sampleFunction(1, { kind: "lift" }), sampleFunction(2, { kind: "wings" })];
    const remotes = [sampleRemote(1), sampleRemote(2)];
    const habits = new Map([
      ["lift", 2],
      ["wings", 1],
    ]);
    expect(solve(sampleProblem(remotes, functions, { habits }))!.plan).toEqual([[1], [0]]);
  });

  it("has nothing to say of no functions, nor of functions used in no phase", () => {
    expect(solve(sampleProblem([sampleRemote(1)], []))).toMatchObject({ plan: [], cost: { swaps: 0 } });
    expect(solve(sampleProblem([], [sampleFunction(1, { uses: {} })]))).toMatchObject({ plan: [[]] });
  });
});

describe("a cost", () => {
  it("is ordered as its parts are, and comes apart again", () => {
    const part = fc.integer({ min: 0, max: 999 });
    const cost = fc.record({ swaps: part, slowed: part, broken: part, numbers: part });
    fc.assert(
      fc.property(cost, (each) => {
        expect(costFrom(weigh(each))).toEqual(each);
        expect(weigh({ ...each, swaps: each.swaps + 1, slowed: 0, broken: 0, numbers: 0 })).toBeGreaterThan(
          weigh(each),
        );
      }),
    );
  });
});
