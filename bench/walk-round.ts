/** The first three stations of the demo yard's largest rig: match, hitch and balance, with every check, and the hook-up list. */
import { hookupList } from "../core/hookup/list.ts";
import type { WholeRig } from "../core/rig/whole.ts";
import { judgeWhole } from "../core/subjects/judge-whole.ts";
import type { Database } from "../data/handle.ts";
import { byRig, listEveryTool } from "../data/rigs.ts";
import { wholesOf } from "../data/whole.ts";
import { report } from "./measure.ts";

const readings = ({ parts }: WholeRig) =>
  parts.reduce(
    (sum, { rig }) => sum + Object.values(rig.values).filter(({ reading }) => reading !== null).length,
    0,
  );

export function benchWalkRound(db: Database): void {
  const wholes = wholesOf(db, listEveryTool(db));
  const [largest] = [...wholes.values()].sort((a, b) => readings(b) - readings(a));
  const name = byRig(listEveryTool(db)).get([...wholes].find(([, whole]) => whole === largest)![0])![0]!.name;
  const all = report(`match, hitch and balance of “${name}”`, () => judgeWhole(largest!));
  console.log(`  of the 10 ms they may take: ${((all / 10) * 100).toFixed(0)} %`);
  const judged = judgeWhole(largest!);
  report("its hook-up list", () => hookupList(largest!, judged));
  console.log("");
}
