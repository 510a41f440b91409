/** Seed by weight and by count. SI: kg, m, 1/m². */
import { FAMILIES } from "../quantity/measure.ts";

/**
 * Seed to sow for a stand: plants wanted × mass of a grain ÷ share that comes up (cereal growers' guides).
 * Example: 320 plants/m², 46 g a thousand, 88 %: 167 kg/ha.
 * @throws RangeError where none would come up
 */
export function seedRate(plants: number, grainMass: number, establishment: number): number {
  if (!(establishment > 0)) throw new RangeError("none would come up");
  return (plants * grainMass) / establishment;
}

/** Seeds on an area at a spacing in the row. Example: 0.5 m rows, a seed every 0.18 m: 111 111 a hectare. */
export function seedsAt(rowSpacing: number, seedSpacing: number): number {
  return 1 / (rowSpacing * seedSpacing);
}

/** Spacing in the row for so many seeds on an area, metres. */
export function seedSpacing(seeds: number, rowSpacing: number): number {
  return 1 / (seeds * rowSpacing);
}

/** Row to count for an area, metres: a thousandth of an acre at 30 in is 17 ft 5 in (US extension tables). */
export function rowFor(area: number, rowSpacing: number): number {
  return area / rowSpacing;
}

/** A thousandth of an acre, and ten square metres: the areas stands are counted on, m². */
export const COUNT_AREAS = { thousandth: FAMILIES.area.ac.factor / 1000, ten: 10 } as const;

/** Turns or pulses of a meter a second: rate (kg/m²) × width (m) × speed (m/s) ÷ displacement (kg each). */
export function meterSpeed(rate: number, width: number, speed: number, displacement: number): number {
  return (rate * width * speed) / displacement;
}
