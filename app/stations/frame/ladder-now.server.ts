/** What the ladder of a rig hangs on, read once for a rig as it was opened: what is written about it opens it anew. */
import type { WholeRig } from "../../../core/rig/whole.ts";
import { type LadderFacts, type LadderRead, ladderAt, ladderRead } from "../../../data/ladder.ts";
import type { OpenRig } from "./rig-view.server.ts";

const readings = new WeakMap<WholeRig, LadderRead>();

export function ladderNow({ db, rig: { id }, parts, whole }: OpenRig): LadderFacts {
  const now = new Date().toISOString();
  const known = readings.get(whole) ?? ladderRead(db, new Map([[id, parts]]), now).get(id)!;
  readings.set(whole, known);
  return ladderAt(known, now);
}
