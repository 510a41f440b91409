import { openDatabase } from "../data/database.ts";
import { plantDemoYard } from "../data/demo/yard.ts";
import type { Database } from "../data/handle.ts";
import { keepReading } from "../data/readings.ts";
import { listRigs } from "../data/rigs.ts";

type Times = { p50: number; p95: number };

/** Median and 95th percentile of milliseconds. */
export function timesOf(milliseconds: readonly number[]): Times {
  const sorted = [...milliseconds].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;
  return { p50: at(0.5), p95: at(0.95) };
}

export function line(name: string, { p50, p95 }: Times): void {
  console.log(`${name.padEnd(58)} p50 ${p50.toFixed(3)} ms   p95 ${p95.toFixed(3)} ms`);
}

const RUNS = 200;

/** Runs an act often and prints how long it took; returns the median. */
export function report(name: string, act: () => unknown): number {
  for (let warm = 0; warm < 20; warm += 1) act();
  const times = timesOf(
    Array.from({ length: RUNS }, () => {
      const start = performance.now();
      act();
      return performance.now() - start;
    }),
  );
  line(name, times);
  return times.p50;
}

/** The demo yard, `sets` times over, each rig with `more` readings of one length. */
export function yardOf(sets: number, more: number, path = ":memory:"): Database {
  const db = openDatabase(path);
  db.transaction(() => {
    for (let set = 0; set < sets; set += 1) plantDemoYard(db);
    for (const rig of listRigs(db))
      for (let index = 0; index < more; index += 1)
        keepReading(db, rig, {
          key: "pin.pivot",
          rawText: "5.3",
          value: 5.3,
          step: 0.1,
          instrument: "tape",
          person: "Bench",
          at: new Date(1.7e12 + index),
        });
  });
  return db;
}
