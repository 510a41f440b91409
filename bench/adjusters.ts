/** Which of so many adjusters to turn, depth, fore-aft and across at once: within reach, and far out of it. */
import { chance } from "../core/simulation/random.ts";
import { turnWellWithin } from "../core/subjects/ground/adjust.ts";
import { line, timesOf } from "./measure.ts";

const TOLERANCE = 0.01;
const PROBLEMS = 300;

/** So many problems of their own, each solved once: the slow ones are what counts. */
function timed(name: string, adjusters: number, tolerancesOff: number): number {
  const random = chance(29);
  const times = Array.from({ length: PROBLEMS }, () => {
    const targets = ["depth", "fore", "across"].map((key) => ({
      key,
      off: random.between(-1, 1) * tolerancesOff * TOLERANCE,
      tolerance: TOLERANCE,
    }));
    const screws = Array.from({ length: adjusters }, (_, at) => ({
      key: `${at}`,
      effects: targets.map(() => random.between(-1, 1) * 0.4 * TOLERANCE),
      low: -10,
      high: 10,
      parts: 1,
    }));
    const start = performance.now();
    turnWellWithin(targets, screws);
    return performance.now() - start;
  });
  const of = timesOf(times.slice(PROBLEMS / 10));
  line(name, of);
  return of.p95;
}

export function benchAdjusters(): void {
  const few = timed("6 adjusters of 21 steps, within reach", 6, 3);
  const many = timed("12 adjusters of 21 steps, within reach", 12, 3);
  const out = timed("12 adjusters of 21 steps, out of reach", 12, 30);
  console.log(
    `  ratio, slowest in twenty, 12 / 6 adjusters: ${(many / few).toFixed(1)}; out of reach / within: ${(out / many).toFixed(1)}\n`,
  );
}
