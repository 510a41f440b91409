/** A season planned: how near to what no plan beats, in under five seconds, at several sizes. */
import loadHighs from "highs";
import { solverBy } from "../core/programme/highs.ts";
import { firstPlan } from "../core/season/plan/first.ts";
import { judgePlan } from "../core/season/plan/judged.ts";
import { HA, HOUR, LARGE, type Size, sampleSeason } from "../core/season/plan/sample.ts";
import { solveSeason } from "../core/season/plan/solve.ts";

const SIZES: readonly (readonly [string, Size])[] = [
  ["12 jobs, 4 tractors, 3 weeks", { ...LARGE, jobs: 12, tractors: 4, days: 21, outfits: 6, people: 4 }],
  ["30 jobs, 8 tractors, 6 weeks", { ...LARGE, jobs: 30, tractors: 8, days: 42, outfits: 12, people: 6 }],
  ["60 jobs, 12 tractors, 8 weeks", LARGE],
  ["60 jobs, 12 tractors, 8 weeks, twice the work", { ...LARGE, load: 360 }],
];

/** Prints seconds, hectares inside their windows as a share of what no plan beats, and of what the first plan has. */
export async function benchPlan(): Promise<void> {
  const solver = solverBy(await loadHighs());
  for (const [name, size] of SIZES)
    for (const seed of [1, 2, 3]) {
      const asked = sampleSeason(seed, size);
      const began = performance.now();
      const now = () => (performance.now() - began) / 1000;
      const { judged, most, leastLate, leastRerig } = solveSeason(asked, solver, {
        seconds: 4.5,
        now,
        onBetter: () => {},
        onProgress: () => {},
      });
      const seconds = now();
      const first = judgePlan(asked, firstPlan(asked));
      const of = (bound: number | null) =>
        bound === null ? "not known" : (judged.inside / bound).toFixed(4);
      console.log(
        `plan, ${name}, yard ${seed}: ${seconds.toFixed(1)} s; ${(judged.inside / HA).toFixed(0)} of ${(judged.asked / HA).toFixed(0)} ha, ${of(most)} of the bound, ${(judged.inside / first.inside).toFixed(3)} of the first plan; late ${(judged.late / HOUR).toFixed(0)} h·d (at least ${leastLate === null ? "?" : (leastLate / HOUR).toFixed(0)}); setting ${(judged.rerig / 60).toFixed(0)} min (at least ${leastRerig === null ? "?" : (leastRerig / 60).toFixed(0)}; first ${(first.rerig / 60).toFixed(0)})`,
      );
    }
  console.log("");
}
