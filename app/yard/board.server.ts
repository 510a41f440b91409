import { judge } from "../../core/finding/judge.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { resolveRig } from "../../core/rig/resolve.ts";
import { factsOf } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import type { Rig } from "../../data/rigs.ts";
import { keysOf, type Marks, marksOf, touchedSince } from "../../data/touched.ts";

export type Standing = { stops: number; fixes: number; checks: number };

type Board = { marks: Marks; standings: Map<number, Standing> };

const boards = new WeakMap<Database, Board>();

/**
 * How each rig stands. Judging a large yard takes longer than a page may, so standings are remembered and only the rigs
 * that something was written about since are judged again.
 */
export function standingsOf(db: Database, rigs: readonly Rig[]): Map<number, Standing> {
  const board = boards.get(db) ?? { marks: marksOf(db), standings: new Map() };
  const touched = touchedSince(db, board.marks);
  board.marks = marksOf(db);
  if (touched === null) board.standings.clear();
  else
    for (const rig of rigs) if (keysOf(rig).some((key) => touched.has(key))) board.standings.delete(rig.id);
  const unknown = rigs.filter(({ id }) => !board.standings.has(id));
  if (unknown.length > 0) {
    const facts = factsOf(db, unknown);
    for (const { id } of unknown) {
      const found = judge(resolveRig(facts.get(id)!), PRESETS.metric);
      const count = (severity: string) => found.filter((finding) => finding.severity === severity).length;
      board.standings.set(id, { stops: count("stop"), fixes: count("fix"), checks: count("check") });
    }
  }
  boards.set(db, board);
  return board.standings;
}
