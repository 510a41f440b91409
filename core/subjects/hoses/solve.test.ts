import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve as solveInteger } from "yalps";
import { PHASES, type Phase } from "../../trade/phases.ts";
import { couplingsOf, type HoseFunction } from "../../yard/circuit.ts";
import { boardOf, feasible, rulesOf } from "./board.ts";
import { costFrom, planCost, weigh } from "./cost.ts";
import { unmet } from "./fit.ts";
import { keepsThrough, type Plan, type Problem, type Stage, stagesOf, swapsOf } from "./problem.ts";
import { appliedAll, curesOf, reasonsOf } from "./reasons.ts";
import { litresPerMinute, sampleFunction, sampleProblem, sampleRemote, twelveOnSix } from "./sample.ts";
import { keyOf, solve } from "./solve.ts";

const maybe = <T>(value: T) => fc.constantFrom(value, null);
const use = fc.constantFrom("moves", "floats", "holds", "runs", undefined, undefined);

/** Small cases of every sort: few couplings, needs that clash, phases that may and may not be parked between. */
const anyProblem: fc.Arbitrary<Problem> = fc
  .record({
    parked: fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
    remotes: fc.array(
      fc.record({
        action: fc.constantFrom("double", "double", "single"),
        float: fc.boolean(),
        detent: fc.boolean(),
        automatic: fc.boolean(),
        flow: maybe(litresPerMinute(50)),
        place: fc.constantFrom("rear", "rear", "front"),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    functions: fc.array(
      fc.record({
        uses: fc.tuple(use, use, use),
        action: fc.constantFrom("double", "double", "single", "motor"),
        automatic: fc.constantFrom(true, false, false),
        trigger: fc.boolean(),
        lockable: fc.constantFrom(true, true, false),
        place: fc.constantFrom("rear", "rear", "rear", "front"),
        flow: fc.constantFrom(null, litresPerMinute(30), litresPerMinute(70)),
        kind: fc.constantFrom("lift", "wing"),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    freeReturn: fc.boolean(),
    powerBeyond: fc.constantFrom(true, false, false),
    mainLever: maybe(1),
    pin: fc.option(fc.tuple(fc.nat({ max: 3 }), fc.integer({ min: 1, max: 3 })), { freq: 4 }),
  })
  .map(({ parked, remotes, functions, freeReturn, powerBeyond, mainLever, pin }) => {
    const phases: Phase[] = PHASES.slice(0, 3).map((phase, at) => ({
      ...phase,
      parkedBefore: parked[at]!,
      together: at === 1,
    }));
    return sampleProblem(
      remotes.map((remote, at) => sampleRemote(at + 1, remote as never)),
      functions.map(({ uses, ...rest }, at) => {
        const entries = uses.flatMap((each, phase) => (each ? [[phases[phase]!.key, each]] : []));
        return sampleFunction(at + 1, {
          ...rest,
          uses: Object.fromEntries(entries),
        } as Partial<HoseFunction>);
      }),
      {
        phases,
        tractor: { freeReturn, powerBeyond, mainLever, pumpFlow: litresPerMinute(90) },
        pins: new Map(pin ? [pin] : []),
        habits: new Map([["wing", 2]]),
      },
    );
  });

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
    // Of the two lifts the one that does not start and stop the record.
    expect(swaps[0]!.in).toBe(1);
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

describe("where there is no plan", () => {
  it("the reasons suffice, and dropping any one of them there is a plan", () => {
    let infeasible = 0;
    fc.assert(
      fc.property(anyProblem, (problem) => {
        const reasons = reasonsOf(problem);
        const solved = solve(problem);
        expect(reasons.length === 0).toBe(solved !== null);
        if (solved) return;
        infeasible += 1;
        const but = (kept: typeof reasons) =>
          rulesOf(problem).filter(
            (rule) => !kept.some((each) => JSON.stringify(each) === JSON.stringify(rule)),
          );
        expect(feasible(boardOf(problem, but(reasons)))).toBe(false);
        for (const reason of reasons)
          expect(feasible(boardOf(problem, but(reasons.filter((each) => each !== reason))))).toBe(true);
      }),
      { numRuns: 800, endOnFailure: true },
    );
    expect(infeasible).toBeGreaterThan(80);
  }, 60_000);

  it("every cure cures: the problem it makes has a plan", () => {
    let cured = 0;
    fc.assert(
      fc.property(anyProblem, (problem) => {
        fc.pre(solve(problem) === null);
        for (const cure of curesOf(problem)) {
          cured += 1;
          expect(solve(appliedAll(problem, cure))).not.toBeNull();
        }
      }),
      { numRuns: 150, endOnFailure: true },
    );
    expect(cured).toBeGreaterThan(100);
  }, 60_000);

  it("names all that work at once where couplings are short, and one more remote as the cure", () => {
    const functions = [1, 2, 3].map((id) => sampleFunction(id, { automatic: true }));
    const problem = sampleProblem([sampleRemote(1), sampleRemote(2)], functions);
    expect(reasonsOf(problem).map(({ kind }) => kind)).toEqual(["use", "use", "use"]);
    expect(curesOf(problem)[0]).toEqual([{ kind: "more", place: "rear", count: 1 }]);
  });

  it("names the need nothing meets, and the kit that would", () => {
    const problem = sampleProblem(
      [sampleRemote(1, { float: false }), sampleRemote(2, { action: "single", float: false })],
      [sampleFunction(1, { uses: { field: "floats" } })],
    );
    expect(reasonsOf(problem)).toContainEqual({ kind: "need", fn: 0, need: "float" });
    expect(curesOf(problem)[0]).toEqual([{ kind: "upgrade", remote: 1, need: "float" }]);
  });

  it("gives up a wish before it buys a valve, and a valve before a remote", () => {
    const jack = { stand: "moves", uncouple: "moves" } as const;
    const one = [sampleRemote(1)];
    const pinned = sampleProblem([sampleRemote(1), sampleRemote(2)], [sampleFunction(1), sampleFunction(2)], {
      pins: new Map([
        [1, 1],
        [2, 1],
      ]),
    });
    expect(curesOf(pinned)[0]).toEqual([{ kind: "unpin", fn: 0 }]);
    const bare = sampleProblem(one, [sampleFunction(1, { uses: jack, lockable: false }), sampleFunction(2)]);
    expect(curesOf(bare)[0]).toEqual([{ kind: "valve", fn: 0 }]);
    const fold = { unfold: "moves", fold: "moves" } as const;
    const two = sampleProblem(one, [sampleFunction(1, { uses: fold }), sampleFunction(2, { uses: fold })]);
    expect(curesOf(two)[0]).toEqual([{ kind: "diverter", fns: [0, 1] }]);
  });

  it("lets a motor return its oil: by a free return, or by power beyond", () => {
    const fan = sampleFunction(1, { action: "motor", uses: { field: "runs" }, flow: 4e-4 });
    const problem = sampleProblem([sampleRemote(1)], [fan], { tractor: { freeReturn: false } });
    expect(curesOf(problem).map(([change]) => change!.kind)).toEqual([
      "return",
      "power beyond",
      "other tractor",
    ]);
  });
});

describe("the key of a state", () => {
  it("tells every state apart, also of 36 functions on 11 couplings, where numbers run out", () => {
    expect(39 ** 11).toBeGreaterThan(Number.MAX_SAFE_INTEGER);
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 38 }), { minLength: 11, maxLength: 11 }),
        fc.integer({ min: 0, max: 10 }),
        (digits, at) => {
          const other = digits.map((digit, index) => (index === at ? (digit + 1) % 39 : digit));
          expect(keyOf(other, 39)).not.toBe(keyOf(digits, 39));
        },
      ),
    );
    expect(keyOf([1, 2, 3], 10)).toBe(123);
  });
});
