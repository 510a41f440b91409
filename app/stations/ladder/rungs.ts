import { ladderOf, type RigLog, type Rung } from "../../../core/ladder/ladder.ts";
import type { WholeRig } from "../../../core/rig/whole.ts";
import type { Judged } from "../../../core/subjects/judge-whole.ts";
import { placesOf } from "../hoses/hoses-view.ts";

/** The ladder of a rig that was judged, with what the log says of it. */
export function rungsOf(whole: WholeRig, judged: Judged, facts: Omit<RigLog, "places">): Rung[] {
  const { problem, solved } = judged.reckoned.hoses;
  const places =
    problem && solved ? placesOf(problem, solved).map(({ kind, number }) => `${kind} ${number}`) : [];
  return ladderOf({ whole, judged, log: { ...facts, places: new Set(places) } });
}
