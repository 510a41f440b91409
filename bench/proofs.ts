import { alongTrack, crossTrack } from "../core/rig/budget.ts";
import { dueOf } from "../core/rig/due.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { chance } from "../core/simulation/random.ts";
import { designJoints, fitJoints, type Joint } from "../core/subjects/proof/fits/joints.ts";
import { mixesOf } from "../core/subjects/proof/fits/straying.ts";
import { rigFacts } from "../data/facts.ts";
import type { Database } from "../data/handle.ts";
import { listEveryTool } from "../data/rigs.ts";
import { report } from "./measure.ts";

/** A thousand joints, and what is reckoned of a rig each time its proof is opened. */
export function benchProofs(db: Database): void {
  const random = chance(11);
  const joints = Array.from({ length: 1000 }, (_, at): Joint => {
    const way = at % 2 === 0 ? 1 : -1;
    return { left: way, right: -way as 1 | -1, gap: -2 * way * 0.05 + random.normal(0.02) };
  });
  const numbers = joints.map((_, at) => at);
  const fitOf = (count: number) => () => {
    const some = joints.slice(0, count);
    fitJoints(
      designJoints(some, numbers, mixesOf("fixed"))!,
      some.map(({ gap }) => gap),
    );
  };
  const thousand = report("1000 joints fitted", fitOf(1000));
  const hundred = report("100 joints fitted", fitOf(100));
  console.log(`  ratio 1000 / 100: ${(thousand / hundred).toFixed(1)}`);
  const largest = listEveryTool(db)
    .map((part) => rigFacts(db, part))
    .reduce((most, each) =>
      Object.keys(each.readings).length > Object.keys(most.readings).length ? each : most,
    );
  const clock = { today: "2026-11-25T08:00:00.000Z", hours: [], hectares: [] };
  report("budget, staleness and what is due, largest rig", () => {
    const rig = resolveRig(largest);
    crossTrack(rig, { receiver: "rtk", slope: 0.07, speed: 2.5 }, 0.04);
    alongTrack(rig, { receiver: "rtk", slope: 0.07, speed: 2.5 }, 0.15);
    dueOf(rig, clock);
  });
  console.log();
}
