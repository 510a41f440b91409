import { describe, expect, it } from "vitest";
import { PHASES } from "../../trade/phases.ts";
import { boardOf, feasible } from "./board.ts";
import { sampleFunction, sampleProblem, sampleRemote, twelveOnSix } from "./sample.ts";
import { solve } from "./solve.ts";
import { stepsOf, TooManyWays } from "./steps.ts";

const remotes = (count: number) => Array.from({ length: count }, (_, at) => sampleRemote(at + 1));
const atOnce = (count: number) =>
  Array.from({ length: count }, (_, at) =>
    sampleFunction(at + 1, { uses: { field: "moves", headland: "moves" } }),
  );

describe("more ways to plug in than can be weighed", () => {
  it("ends after its steps, on every machine alike, instead of weighing eleven factorial", () => {
    // 11! is 39 916 800 ways, of each stage.
    const problem = sampleProblem(remotes(11), atOnce(11));
    const steps = stepsOf(2);
    const before = steps.left;
    const solved = solve(problem, steps);
    expect(steps.left).toBeLessThanOrEqual(0);
    expect(before).toBeGreaterThan(0);
    // What the narrow look found works, and is not said to be the cheapest.
    expect(solved!.proved).toBe(false);
    expect(new Set(solved!.plan.map(([remote]) => remote)).size).toBe(11);
  });

  it("is refused where not even a narrow look finds a way, and never called impossible", () => {
    // Eight that go anywhere, and three that share one coupling between them: none of the first ways works.
    const problem = sampleProblem(remotes(11), atOnce(11), {
      pins: new Map([
        [9, 1],
        [10, 1],
        [11, 1],
      ]),
    });
    expect(() => solve(problem)).toThrow(TooManyWays);
    expect(() => feasible(boardOf(problem), stepsOf())).toThrow(TooManyWays);
  });

  it("pins make it tellable again", () => {
    const pins = new Map(Array.from({ length: 8 }, (_, at) => [at + 1, at + 1] as const));
    expect(solve(sampleProblem(remotes(11), atOnce(11), { pins }))!.proved).toBe(true);
  });

  it("a train of 36 functions on 11 couplings has a plan that works, proved or said not to be", () => {
    const functions = Array.from({ length: 36 }, (_, at) =>
      sampleFunction(at + 1, { uses: { [PHASES[at % PHASES.length]!.key]: "moves" } }),
    );
    const { stages, plan, proved } = solve(sampleProblem(remotes(11), functions))!;
    expect(proved).toBe(false);
    for (const [stage, { active }] of stages.entries())
      expect(new Set(active.map((fn) => plan[fn]![stage])).size).toBe(active.length);
  });

  it("ordinary rigs are proved well within the steps", () => {
    const steps = stepsOf(2);
    expect(solve(twelveOnSix(), steps)!.proved).toBe(true);
    expect(steps.left).toBeGreaterThan(stepsOf(1).left);
  });
});
