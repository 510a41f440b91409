/** Where a machine stands: on its two axles, or on the end rollers of its tracks. Metres, x forward from the rear axle or drive wheels. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import { steersBy } from "./asked.ts";
import type { ResolvedRig } from "./resolve.ts";
import { known } from "./whole.ts";

/** Whether the machine that drives stands on tracks. */
export function onTracks(rig: ResolvedRig): boolean {
  return steersBy(rig) === "tracks";
}

export type FrontSupport = { x: number; missing: null } | { x: null; missing: DimensionKey };

/** The front axle; of a machine on tracks the front end roller. */
export function frontSupportOf(rig: ResolvedRig): FrontSupport {
  const keys: DimensionKey[] = onTracks(rig)
    ? ["tractor.turn", "tractor.rollerFront"]
    : ["tractor.wheelbase"];
  const missing = keys.find((key) => known(rig, key) === null);
  return missing
    ? { x: null, missing }
    : { x: keys.reduce((sum, key) => sum + known(rig, key)!, 0), missing: null };
}
