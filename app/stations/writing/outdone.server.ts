import type { Dimension } from "../../../core/dimension/catalogue.ts";
import { printReading } from "../../../core/dimension/entry.ts";
import { currentReading } from "../../../data/facts.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

/**
 * Which reading counts in the place of one that arrives late: "Mara Veld read 1.470 m later, 14 Nov 09:12, and that counts". Null where
 * none was read after it.
 */
export function outdone({ db, rig, preferences }: OpenRig, entry: Dimension, at: Date): string | null {
  const counts = currentReading(db, rig, entry.key);
  if (!counts || counts.measuredAt <= at.toISOString()) return null;
  const value = printReading(entry, counts, preferences.units);
  return `${counts.person} read ${value} later, ${moment(counts.measuredAt)}, and that counts`;
}
