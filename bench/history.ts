/** A rig's facts with a long history behind them: the newest is found by its index, whatever lies before. */
import { factsOf } from "../data/facts.ts";
import { listMachines } from "../data/machines.ts";
import { toolsOf } from "../data/rigs.ts";
import { report, yardOf } from "./measure.ts";

const READINGS = 200_000;

export function benchHistory(): void {
  const [bare, long] = [yardOf(1, 0), yardOf(1, Math.ceil(READINGS / 14))];
  const facts = (db: typeof bare) => () => factsOf(db, toolsOf(db, 2));
  const without = report("a rig's facts, no history", facts(bare));
  const many = report(
    `a rig's facts, ${READINGS / 1000} 000 readings on ${listMachines(long).length} machines`,
    facts(long),
  );
  console.log(`  ratio with / without history: ${(many / without).toFixed(1)}\n`);
}
