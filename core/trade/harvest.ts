/** What was harvested: at the moisture that is paid, and by the bushel. SI. */
import { BUSHEL, FAMILIES } from "../quantity/measure.ts";

/** Mass as it would be at another moisture: wet × (1 − m) ÷ (1 − m₀). Shares of the wet mass. */
export function atMoisture(wet: number, moisture: number, standard: number): number {
  return (wet * (1 - moisture)) / (1 - standard);
}

/** Bushels an acre of a yield, kg/m², of a crop of this test weight, kg/m³. */
export function bushelsAnAcre(yieldMass: number, density: number): number {
  return (yieldMass * FAMILIES.area.ac.factor) / (density * BUSHEL);
}
