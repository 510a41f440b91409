import type { Hung } from "../../dimension/attachment.ts";
import { dimension } from "../../dimension/catalogue.ts";
import { CHANGES } from "../../dimension/change.ts";
import type { Change, Proof, Reading } from "../../rig/facts.ts";

/** What ended a proof, in words, and when that was: a change, a reading since, or that what it was fitted to counts no more. */
export function endedBy(by: Reading | Change, proof: Proof, hung: Hung): { words: string; at: string } {
  if ("kind" in by) return { words: CHANGES[by.kind].label.toLowerCase(), at: by.at };
  const label = dimension(by.key, hung).label.toLowerCase();
  return by.measuredAt > proof.at
    ? { words: `${label} was read again`, at: by.measuredAt }
    : { words: `another reading of ${label} counts than it was fitted to`, at: by.measuredAt };
}
