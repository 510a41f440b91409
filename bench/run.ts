/**
 * Speed, as ratios and percentiles: printed, never asserted. Run with `npm run bench`, after a build; `npm run bench -- load` for what a large
 * yard costs on a server as it is started, `npm run bench -- curve` for how every page's time grows with the yard, `-- yards`
 * for what several yards cost one machine.
 */
import { existsSync } from "node:fs";
import { drawPlan } from "../core/drawing/plan.ts";
import { judge } from "../core/finding/judge.ts";
import { parseLength } from "../core/quantity/length.ts";
import { PRESETS } from "../core/quantity/units.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { rankTaping } from "../core/rig/tape-next.ts";
import { twelveOnSix } from "../core/subjects/hoses/sample.ts";
import { solve } from "../core/subjects/hoses/solve.ts";
import { rigFacts } from "../data/facts.ts";
import type { Database } from "../data/handle.ts";
import { listMachines } from "../data/machines.ts";
import { findRig } from "../data/rigs.ts";
import { benchAdjusters } from "./adjusters.ts";
import { benchCoverage, benchWorld } from "./coverage.ts";
import { benchHistory } from "./history.ts";
import { benchJointCoverage } from "./joint-coverage.ts";
import { benchLadder } from "./ladder.ts";
import { benchCurve } from "./load/curve.ts";
import { benchLoad } from "./load/load.ts";
import { benchYards } from "./load/yards.ts";
import { report, yardOf } from "./measure.ts";
import { benchPlan } from "./plan.ts";
import { benchProofs } from "./proofs.ts";
import { benchRates } from "./rates.ts";
import { benchWalkRound } from "./walk-round.ts";
import { benchYardPage } from "./yard-page.ts";

function rigPage(db: Database) {
  return () => {
    const resolved = resolveRig(rigFacts(db, findRig(db, 2)!));
    judge(resolved);
    rankTaping(resolved);
  };
}

const alone = { load: benchLoad, curve: benchCurve, yards: benchYards }[process.argv[2] ?? ""];
if (alone) {
  await alone();
  process.exit(0);
}

if (existsSync("build/server/index.cjs")) await benchYardPage();
else console.log("No build yet: run npm run build to have the yard page measured as well.\n");

const small = yardOf(1, 0);
const large = yardOf(38, 60);
const few = report(`rig page without drawing, ${listMachines(small).length} machines`, rigPage(small));
const many = report(`rig page without drawing, ${listMachines(large).length} machines`, rigPage(large));
console.log(
  `  ratio large / small yard: ${(many / few).toFixed(2)} (the rig's own history is longer, too)\n`,
);

benchWalkRound(small);

const twelve = twelveOnSix();
report("12 functions on 6 remotes through 8 phases, proved optimal", () => solve(twelve));

benchAdjusters();

benchRates();

benchProofs(small);

benchJointCoverage();

benchLadder();

benchHistory();

await benchPlan();

benchCoverage();

benchWorld();

const resolved = resolveRig(rigFacts(small, findRig(small, 1)!));
const sheet = {
  width: 424,
  height: 736,
  region: "rig",
  station: "tool",
  sections: true,
  only: null,
  units: PRESETS.metric,
} as const;
const bare = report("plan without labels", () => drawPlan(resolved, { ...sheet, labels: "none" }));
const labelled = report("plan with twelve labels", () => drawPlan(resolved, { ...sheet, labels: "values" }));
console.log(`  ratio with / without labels: ${(labelled / bare).toFixed(1)}\n`);
const text = "12' 6 3/8\"";
const parse = report("reading 1000 lengths", () => {
  for (let index = 0; index < 1000; index += 1) parseLength(text, "m");
});
const number = report("reading 1000 plain numbers with Number()", () => {
  let sum = 0;
  for (let index = 0; index < 1000; index += 1) sum += Number(`${index}.81`);
  return sum;
});
console.log(`  ratio: ${(parse / number).toFixed(0)}`);
