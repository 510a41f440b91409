/** Speed, as ratios and percentiles: printed, never asserted. Run with `npm run bench`. */

import { drawPlan } from "../core/drawing/plan.ts";
import { judge } from "../core/finding/judge.ts";
import { parseLength } from "../core/quantity/length.ts";
import { PRESETS } from "../core/quantity/units.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { rankTaping } from "../core/rig/tape-next.ts";
import { openDatabase } from "../data/database.ts";
import { plantDemoYard } from "../data/demo/yard.ts";
import { rigFacts } from "../data/facts.ts";
import type { Database } from "../data/handle.ts";
import { keepReading } from "../data/readings.ts";
import { findRig, listRigs } from "../data/rigs.ts";

const RUNS = 200;

function percentiles(act: () => unknown): { p50: number; p95: number } {
  for (let warm = 0; warm < 20; warm += 1) act();
  const times = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { p50: times[RUNS * 0.5]!, p95: times[RUNS * 0.95]! };
}

function report(name: string, act: () => unknown): number {
  const { p50, p95 } = percentiles(act);
  console.log(`${name.padEnd(58)} p50 ${p50.toFixed(3)} ms   p95 ${p95.toFixed(3)} ms`);
  return p50;
}

/** A yard of `pairs` × 2 rigs, each with `repeats` more readings of one length. */
function yardOf(pairs: number, repeats: number): Database {
  const db = openDatabase(":memory:");
  db.transaction(() => {
    for (let pair = 0; pair < pairs; pair += 1) plantDemoYard(db);
    for (const rig of listRigs(db))
      for (let index = 0; index < repeats; index += 1)
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

function rigPage(db: Database) {
  return () => {
    const resolved = resolveRig(rigFacts(db, findRig(db, 2)!));
    judge(resolved, PRESETS.metric);
    rankTaping(resolved);
  };
}

const small = yardOf(1, 0);
const large = yardOf(125, 68);
const machines = listRigs(large).length * 2;
console.log(`large yard: ${machines} machines, ${listRigs(large).length * 80} readings\n`);
const few = report("rig page without drawing, 4 machines", rigPage(small));
const many = report(`rig page without drawing, ${machines} machines`, rigPage(large));
console.log(
  `  ratio large / small yard: ${(many / few).toFixed(2)} (the rig's own history is longer, too)\n`,
);

const resolved = resolveRig(rigFacts(small, findRig(small, 1)!));
const sheet = {
  width: 424,
  height: 736,
  region: "rig",
  station: "tool",
  only: null,
  units: PRESETS.metric,
} as const;
const bare = report("plan without labels", () => drawPlan(resolved, { ...sheet, labels: "none" }));
const labelled = report("plan with eleven labels", () => drawPlan(resolved, { ...sheet, labels: "values" }));
console.log(`  ratio with / without labels: ${(labelled / bare).toFixed(1)}\n`);
const text = "12' 6 3/8\"";
const parse = report("reading 1000 lengths", () => {
  for (let index = 0; index < 1000; index += 1) parseLength(text, "m");
});
const number = report("reading 1000 plain numbers with Number()", () => {
  for (let index = 0; index < 1000; index += 1) Number("3.81");
});
console.log(`  ratio: ${(parse / number).toFixed(0)}`);
