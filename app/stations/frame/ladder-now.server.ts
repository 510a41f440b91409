/** What the ladder of a rig hangs on, read once for a rig as it was opened: what is written about it opens it anew. */
import type { WholeRig } from "../../../core/rig/whole.ts";
import type { Database } from "../../../data/handle.ts";
import { type LadderFacts, type LadderRead, ladderAt, ladderRead } from "../../../data/ladder.ts";
import type { RigTool } from "../../../data/rigs.ts";

const readings = new WeakMap<WholeRig, LadderRead>();

type Opened = { db: Database; parts: readonly RigTool[]; readonly whole: WholeRig };

export function ladderNow({ db, parts, whole }: Opened): LadderFacts {
  const { id } = parts[0]!;
  const now = new Date().toISOString();
  const known = readings.get(whole) ?? ladderRead(db, new Map([[id, parts]]), now).get(id)!;
  readings.set(whole, known);
  return ladderAt(known, now);
}
