/** What ends what once held: a run ends another, the road puts things back, a working day asks again. Times are ISO 8601, UTC. */
import { SEQUENCE_LABELS, type SequenceKind } from "../sequence/step.ts";

/** The last time a sequence was run to its end, and the last time a step of it was done, finished or not; null where never. */
export type LastRun = { finished: string | null; begun: string | null };

/** Sequences that end what one brought about, from their first step on. */
const ENDED_BY: Partial<Record<SequenceKind, readonly SequenceKind[]>> = {
  unfold: ["fold", "uncouple"],
  start: ["stop", "fold", "uncouple"],
};

/**
 * Why what a sequence brought about does not hold, in a sentence; null where it does. `coupled` is when the rig was coupled, `road` when it
 * went by road last.
 */
export function endedSince(
  kind: SequenceKind,
  runs: ReadonlyMap<SequenceKind, LastRun>,
  { coupled, road }: { coupled: string | null; road: string | null },
): string | null {
  const label = SEQUENCE_LABELS[kind];
  const at = runs.get(kind)?.finished ?? null;
  if (at === null || coupled === null || at < coupled)
    return `${label} was not run through since it was coupled`;
  const by = (ENDED_BY[kind] ?? []).find((each) => (runs.get(each)?.begun ?? "") > at);
  if (by) return `${SEQUENCE_LABELS[by]} was begun since`;
  if (road !== null && road > at) return "It went by road since: lock-outs and locks are in again";
  return null;
}

/** A pause this long ends a working day, hours (common practice: never midnight, harvest runs past it). */
export const PAUSE_HOURS = 6;

/**
 * When the working day began that `now` is in: the first act after a pause, or now where the pause still lasts. `acts` are times somebody
 * entered, ran or ticked something on the rig, in any order; with none the day begins now.
 */
export function dayBegan(acts: readonly string[], now: string): string {
  const pause = PAUSE_HOURS * 3_600_000;
  const times = [...acts].filter((at) => at <= now).sort();
  let began = now;
  for (const at of times.reverse()) {
    if (Date.parse(began) - Date.parse(at) >= pause) return began;
    began = at;
  }
  return began;
}
