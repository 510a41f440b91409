import fc from "fast-check";
import highs from "highs";
import { beforeAll, describe, expect, it } from "vitest";
import { type Linear, leastOf } from "./linear.ts";

let solver: Awaited<ReturnType<typeof highs>>;
beforeAll(async () => {
  solver = await highs();
});

/** The same programme for a published solver (HiGHS); null where it has no answer. */
function published({ cost, rows, right, low, high }: Linear): number | null {
  const sum = (row: readonly number[]) =>
    row.map((each, j) => `${each < 0 ? "-" : "+"} ${Math.abs(each)} x${j}`).join(" ");
  const text = [
    "Minimize",
    ` obj: ${sum(cost)}`,
    "Subject To",
    ...rows.map((row, i) => ` r${i}: ${sum(row)} = ${right[i]}`),
    "Bounds",
    ...cost.map((_, j) => ` ${low[j]} <= x${j} <= ${high[j]}`),
    "End",
  ].join("\n");
  const { Status, ObjectiveValue } = solver.solve(text);
  return Status === "Optimal" ? ObjectiveValue : null;
}

describe("a linear programme", () => {
  it("is a worked example: two products, two machines", () => {
    // Most 3x + 5y with 2x + 3y ≤ 12 and x + 3y ≤ 9 (slack up to 20): x = 3, y = 2, 19.
    const answer = leastOf({
      cost: [-3, -5, 0, 0],
      rows: [
        [2, 3, 1, 0],
        [1, 3, 0, 1],
      ],
      right: [12, 9],
      low: [0, 0, 0, 0],
      high: [10, 10, 20, 20],
    })!;
    expect(answer.value).toBeCloseTo(-19, 9);
    expect(answer.x[0]).toBeCloseTo(3, 9);
    expect(answer.x[1]).toBeCloseTo(2, 9);
  });

  it("has no answer where its rows cannot be met, or an end lies beyond the other", () => {
    const one = { cost: [1], rows: [[1]], right: [5], low: [0], high: [4] };
    expect(leastOf(one)).toBeNull();
    expect(leastOf({ ...one, right: [1], low: [3], high: [2] })).toBeNull();
    expect(() => leastOf({ ...one, high: [Number.POSITIVE_INFINITY] })).toThrow(RangeError);
  });

  it("is as small as a published solver finds it, for any", () => {
    const whole = (most: number) => fc.integer({ min: -most, max: most });
    let solved = 0;
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 12 })).chain(([m, n]) =>
          fc.record({
            cost: fc.array(whole(9), { minLength: n, maxLength: n }),
            rows: fc.array(fc.array(whole(5), { minLength: n, maxLength: n }), {
              minLength: m,
              maxLength: m,
            }),
            right: fc.array(whole(12), { minLength: m, maxLength: m }),
            low: fc.array(fc.integer({ min: -6, max: 0 }), { minLength: n, maxLength: n }),
            high: fc.array(fc.integer({ min: 0, max: 6 }), { minLength: n, maxLength: n }),
          }),
        ),
        (programme) => {
          const theirs = published(programme);
          const ours = leastOf(programme);
          if (theirs === null) {
            expect(ours).toBeNull();
            return;
          }
          solved += 1;
          expect(ours!.value).toBeCloseTo(theirs, 6);
          for (const [i, row] of programme.rows.entries())
            expect(row.reduce((sum, each, j) => sum + each * ours!.x[j]!, 0)).toBeCloseTo(
              programme.right[i]!,
              6,
            );
        },
      ),
      { numRuns: 400 },
    );
    expect(solved).toBeGreaterThan(50);
  });
});
