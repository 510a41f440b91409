import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { boardOf, feasible, rulesOf } from "./board.ts";
import { applied, curesOf, reasonsOf } from "./reasons.ts";
import { sampleFunction, sampleProblem, sampleRemote } from "./sample.ts";
import { anyProblem } from "./sample-any.ts";
import { solve } from "./solve.ts";

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
          const changed = [...cure].reverse().reduce((before, change) => applied(before, change), problem);
          expect(solve(changed)).not.toBeNull();
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
