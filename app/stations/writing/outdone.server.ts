import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { printReading } from "../../../core/dimension/entry.ts";
import { rigFacts } from "../../../data/facts.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

/**
 * Which reading counts in the place of one that arrives late: "Mara Veld read 1.470 m later, 14 Nov 09:12, and that counts". Null where
 * none was read after it.
 */
export function outdone(
  { db, rig, resolved, preferences }: OpenRig,
  key: DimensionKey,
  at: Date,
): string | null {
  const counts = rigFacts(db, rig).readings[key]?.at(-1);
  if (!counts || counts.measuredAt <= at.toISOString()) return null;
  const value = printReading(dimension(key, resolved), counts, preferences.units);
  return `${counts.person} read ${value} later, ${moment(counts.measuredAt)}, and that counts`;
}
