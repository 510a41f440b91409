/** The facts a ladder is derived from, with years of ticks behind them. */
import { keepTick, RUNG } from "../data/hookup.ts";
import { ladderFacts } from "../data/ladder.ts";
import { takeBack } from "../data/record.ts";
import { toolsOf } from "../data/rigs.ts";
import { report, yardOf } from "./measure.ts";

const TICKS = 8_000;
const TAKEN_BACK = 2_000;
const RUNGS = ["position", "record", "engaged", "pressure", "drive", "lamp"];

export function benchLadder(): void {
  const db = yardOf(1, 0);
  const at = (n: number) => new Date(Date.parse("2024-01-01T06:00:00Z") + n * 60_000);
  db.transaction(() => {
    for (let n = 0; n < TICKS; n += 1) {
      const id = keepTick(
        db,
        1,
        { line: RUNGS[n % RUNGS.length]!, said: "", state: "done", reason: "" },
        { person: "Mira", at: at(n), on: RUNG },
      );
      if (n % (TICKS / TAKEN_BACK) === 0) takeBack(db, id, { person: "Mira", at: at(n) });
    }
  });
  const rigs = new Map([[1, toolsOf(db, 1)]]);
  const bare = report("ladder facts of a new yard", () => ladderFacts(yardOfOne, rigs));
  const many = report(`ladder facts with ${TICKS} ticks, ${TAKEN_BACK} of them taken back`, () =>
    ladderFacts(db, rigs),
  );
  console.log(`  ratio with / without history: ${(many / bare).toFixed(1)}\n`);
}

const yardOfOne = yardOf(1, 0);
