/** Zones of a field, each with what stands there: how much of the field each has, what lies in none, and what in more than one. */
import { common, either } from "../geodesy/overlay.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import { type Boundary, whereOf } from "./boundary.ts";
import { onPlane } from "./plane-field.ts";
import { signedArea } from "./ring.ts";

export type Zone = { variety: string; boundary: Boundary };

export type ZonesOn = {
  /** m² of the field within its zones, by variety, in the order of the file */
  shares: { variety: string; area: number }[];
  /** m² of the field in no zone */
  uncovered: number;
  /** m² of the field in zones of more than one variety */
  twice: number;
  /** m² of zones that lie beside the field */
  beside: number;
};

type Rings = readonly (readonly OnPlane[])[];
const areaOf = (rings: Rings) => rings.reduce((sum, ring) => sum + signedArea(ring), 0);

/** What zones make of a field, reckoned on the plane at its middle. */
export function zonesOn(field: Boundary, zones: readonly Zone[]): ZonesOn {
  const origin = whereOf(field);
  const whole = onPlane(field, origin).rings;
  const byVariety = new Map<string, OnPlane[][]>();
  for (const { variety, boundary } of zones)
    byVariety.set(variety, either(byVariety.get(variety) ?? [], onPlane(boundary, origin).rings));
  let [taken, twice, beside]: [OnPlane[][], number, number] = [[], 0, 0];
  const shares = [...byVariety].map(([variety, rings]) => {
    const within = common(whole, rings);
    const area = areaOf(within);
    beside += areaOf(rings) - area;
    twice += areaOf(common(taken, within));
    taken = either(taken, within);
    return { variety, area };
  });
  return { shares, uncovered: Math.max(0, areaOf(whole) - areaOf(taken)), twice, beside };
}
