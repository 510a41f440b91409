import fc from "fast-check";
import highs from "highs";
import { describe, expect, it } from "vitest";
import { type Target, type Turnable, turnThem } from "./adjust.ts";

const at = (key: string, off: number, tolerance: number): Target => ({ key, off, tolerance });
const screw = (key: string, effects: number[], low = -10, high = 10, parts = 1): Turnable => ({
  key,
  effects,
  low,
  high,
  parts,
});

const ranges = (turnables: readonly Turnable[]) =>
  turnables.map(({ low, high }) => Array.from({ length: high - low + 1 }, (_, index) => low + index));

function* everyWay(turnables: readonly Turnable[]): Generator<number[]> {
  const all = ranges(turnables);
  const steps = all.map(([first]) => first!);
  const walk = function* (index: number): Generator<number[]> {
    if (index === all.length) return yield [...steps];
    for (const each of all[index]!) {
      steps[index] = each;
      yield* walk(index + 1);
    }
  };
  yield* walk(0);
}

const worstOf = (targets: readonly Target[], turnables: readonly Turnable[], steps: readonly number[]) =>
  Math.max(
    ...targets.map(
      ({ off, tolerance }, t) =>
        Math.abs(off + turnables.reduce((sum, { effects }, j) => sum + effects[t]! * steps[j]!, 0)) /
        tolerance,
    ),
  );
const countOf = (turnables: readonly Turnable[], steps: readonly number[]) =>
  turnables.reduce((sum, { parts }, j) => sum + (steps[j] === 0 ? 0 : parts), 0);
const totalOf = (turnables: readonly Turnable[], steps: readonly number[]) =>
  turnables.reduce((sum, { parts }, j) => sum + parts * Math.abs(steps[j]!), 0);

describe("which adjusters to turn", () => {
  it("is none where everything is within", () => {
    const answer = turnThem([at("depth", 0.004, 0.01)], [screw("wheel", [0.003])]);
    expect(answer).toMatchObject({ steps: [0], within: true, binds: [] });
    expect(answer.left[0]).toBeCloseTo(0.004, 12);
  });

  it("is the fewest adjusters before the fewest steps", () => {
    // 12 mm too deep: one wheel of 3 mm a turn needs one turn to be within 10 mm, two of 1 mm two between them.
    const answer = turnThem(
      [at("depth", 0.012, 0.01), at("lean", 0.02, 0.008)],
      [
        screw("left", [-0.001, -0.012]),
        screw("right", [-0.001, 0.012]),
        screw("both", [-0.006, 0], -3, 3, 2),
      ],
    );
    // One turn on the left: 11 mm and 8 mm left; two: 10 mm and −4 mm. One adjuster, two turns.
    expect(answer.steps).toEqual([2, 0, 0]);
    expect(answer.within).toBe(true);
  });

  it("says which limit binds where it is out of reach", () => {
    const answer = turnThem(
      [at("depth", 0.05, 0.01)],
      [screw("shims", [-0.0127], -3, 2), screw("wheel", [-0.002], 0, 4)],
    );
    expect(answer.steps).toEqual([2, 4]);
    expect(answer.within).toBe(false);
    expect(answer.left[0]).toBeCloseTo(0.05 - 2 * 0.0127 - 4 * 0.002, 12);
    expect(answer.binds).toEqual([0, 1]);
  });

  it("brings back what stands out of its range first of all", () => {
    const answer = turnThem([at("depth", 0, 0.01)], [screw("crank", [0.001], -6, -2)]);
    expect(answer.steps).toEqual([-2]);
  });

  it("refuses what is no problem", () => {
    expect(() => turnThem([], [])).toThrow(/Nothing is wanted/);
    expect(() => turnThem([at("depth", 1, 0)], [])).toThrow(/tolerance/);
    expect(() => turnThem([at("depth", 1, 1)], [screw("a", [Number.NaN])])).toThrow(/effect of a/);
    expect(() => turnThem([at("depth", 1, 1)], [screw("a", [1], 2, 1)])).toThrow(/range of a/);
  });

  it("is what trying every way finds", () => {
    const effect = fc.integer({ min: -40, max: 40 }).map((each) => each / 10_000);
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 3 })
          .chain((k) =>
            fc.tuple(
              fc.array(fc.integer({ min: -300, max: 300 }), { minLength: k, maxLength: k }),
              fc.array(
                fc.tuple(
                  fc.array(effect, { minLength: k, maxLength: k }),
                  fc.integer({ min: -4, max: 1 }),
                  fc.integer({ min: 0, max: 4 }),
                  fc.integer({ min: 1, max: 2 }),
                ),
                { minLength: 1, maxLength: 4 },
              ),
            ),
          ),
        ([offs, given]) => {
          const targets = offs.map((off, t) => at(`t${t}`, off / 10_000, 0.005));
          const turnables = given.map(([effects, low, width, parts], j) =>
            screw(`s${j}`, effects, low, low + width, parts),
          );
          let best: [number, number, number] | null = null;
          let least = Number.POSITIVE_INFINITY;
          for (const steps of everyWay(turnables)) {
            const worst = worstOf(targets, turnables, steps);
            least = Math.min(least, worst);
            if (worst > 1 + 1e-9) continue;
            const mine: [number, number, number] = [
              countOf(turnables, steps),
              totalOf(turnables, steps),
              worst,
            ];
            if (!best || mine[0] < best[0] || (mine[0] === best[0] && mine[1] < best[1])) best = mine;
          }
          const answer = turnThem(targets, turnables);
          expect(answer.worst).toBeCloseTo(worstOf(targets, turnables, answer.steps), 9);
          if (best) {
            expect([countOf(turnables, answer.steps), totalOf(turnables, answer.steps)]).toEqual(
              best.slice(0, 2),
            );
            expect(answer.within).toBe(true);
          } else {
            expect(answer.within).toBe(false);
            expect(answer.worst).toBeLessThanOrEqual(least + 1e-3);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

/** The same problem as an integer programme for a published solver (HiGHS): the least largest error, or the fewest adjusters within 1. */
async function programme(
  targets: readonly Target[],
  turnables: readonly Turnable[],
  what: "least wrong" | "fewest",
): Promise<number | null> {
  const solver = await highs();
  const sum = (t: number) =>
    turnables
      .map(
        ({ effects }, j) =>
          `${effects[t]! < 0 ? "-" : "+"} ${Math.abs(effects[t]! / targets[t]!.tolerance).toFixed(12)} s${j}`,
      )
      .join(" ");
  const rows = targets.flatMap(({ off, tolerance }, t) => {
    const by = (off / tolerance).toFixed(12);
    return what === "fewest"
      ? [`a${t}: ${sum(t)} <= ${1 - Number(by)}`, `b${t}: ${sum(t)} >= ${-1 - Number(by)}`]
      : [`a${t}: ${sum(t)} - e <= ${-Number(by)}`, `b${t}: ${sum(t)} + e >= ${-Number(by)}`];
  });
  const linked = turnables.flatMap(({ low, high }, j) => [
    `l${j}: s${j} - ${high} z${j} <= 0`,
    `m${j}: s${j} + ${-low} z${j} >= 0`,
  ]);
  const text = [
    "Minimize",
    what === "fewest" ? ` obj: ${turnables.map(({ parts }, j) => `${parts} z${j}`).join(" + ")}` : " obj: e",
    "Subject To",
    ...[...rows, ...(what === "fewest" ? linked : [])].map((row) => ` ${row}`),
    "Bounds",
    ...turnables.map(({ low, high }, j) => ` ${low} <= s${j} <= ${high}`),
    "General",
    ` ${turnables.map((_, j) => `s${j}`).join(" ")}`,
    ...(what === "fewest" ? ["Binary", ` ${turnables.map((_, j) => `z${j}`).join(" ")}`] : []),
    "End",
  ].join("\n");
  const solved = solver.solve(text, { mip_rel_gap: 1e-9, mip_abs_gap: 1e-9 });
  return solved.Status === "Optimal" ? solved.ObjectiveValue : null;
}

/** A machine of twelve adjusters with 21 steps each, from a seed. */
function machine(seed: number, far: number): { targets: Target[]; turnables: Turnable[] } {
  let state = seed;
  const random = () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296 - 0.5;
  };
  const targets = [
    at("depth", 0.06 * far * random(), 0.005),
    at("fore-aft", 0.05 * far * random(), 0.009),
    at("lean", 0.05 * far * random(), 0.009),
  ];
  const turnables = Array.from({ length: 12 }, (_, j) =>
    screw(`s${j}`, [0.003 * random(), 0.004 * random(), 0.004 * random()]),
  );
  return { targets, turnables };
}

describe("twelve adjusters of 21 steps", () => {
  it.each([1, 2, 3, 4, 5, 6])("are as few as an integer programme finds, machine %i", async (seed) => {
    const { targets, turnables } = machine(seed, 3);
    const answer = turnThem(targets, turnables);
    const few = await programme(targets, turnables, "fewest");
    expect(answer.within ? countOf(turnables, answer.steps) : null).toBe(
      few === null ? null : Math.round(few),
    );
  });

  it.each([11, 12, 13, 14, 15, 16])(
    "are as little wrong as it finds, out of reach, machine %i",
    async (seed) => {
      const { targets, turnables } = machine(seed, 40);
      const answer = turnThem(targets, turnables);
      const least = await programme(targets, turnables, "least wrong");
      expect(answer.worst).toBeGreaterThanOrEqual(least! - 1e-6);
      expect(answer.worst).toBeLessThanOrEqual(least! + 1e-3);
    },
  );
});
