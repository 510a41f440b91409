/** What rate, speed, pressure and nozzle leave of each other. */
import {
  flowAt,
  flowWanted,
  NOZZLE_SIZE_KEYS,
  NOZZLE_SIZES,
  type NozzleSizeKey,
  pressureFor,
} from "./nozzles.ts";

/** Water, kg/m³. */
export const WATER = 1000;

/** What is sprayed, SI: m³/m², metres between nozzles, kg/m³. */
export type Spraying = { rate: number; spacing: number; density: number };

/** Pressures a nozzle works between, Pa. */
export type PressureWindow = { low: number; high: number };

/** Flow a nozzle of a rated flow really gives of a mix at a pressure, m³/s: a denser one runs slower by the root of its density. */
export function mixFlow(rated: number, pressure: number, density: number): number {
  return flowAt(rated, pressure) * Math.sqrt(WATER / density);
}

/** Pressure at which the rate holds at a speed, Pa. `rated` in m³/s at 3 bar, `speed` in m/s. */
export function pressureAt({ rate, spacing, density }: Spraying, rated: number, speed: number): number {
  return pressureFor(rated * Math.sqrt(WATER / density), flowWanted(rate, speed, spacing));
}

/** Rate at a speed and a pressure, m³/m². */
export function rateAt(
  { spacing, density }: Omit<Spraying, "rate">,
  rated: number,
  speed: number,
  pressure: number,
): number {
  return mixFlow(rated, pressure, density) / (speed * spacing);
}

/**
 * Slowest and fastest at which a nozzle holds the rate within its pressures, m/s.
 * Example: 150 l/ha at 0.5 m from a 04 between 1.5 and 5 bar: 9.1 to 16.5 km/h.
 */
export function speedWindow(
  { rate, spacing, density }: Spraying,
  rated: number,
  { low, high }: PressureWindow,
): { low: number; high: number } {
  const at = (pressure: number) => mixFlow(rated, pressure, density) / (rate * spacing);
  return { low: at(low), high: at(high) };
}

export type SizeChoice = {
  size: NozzleSizeKey;
  window: { low: number; high: number };
  /** at the speed that is driven, Pa */
  pressure: number;
  holds: boolean;
};

/** Every size with the speeds it holds the rate at; `holds`: also at this one. */
export function sizesFor(spraying: Spraying, speed: number, pressures: PressureWindow): SizeChoice[] {
  return NOZZLE_SIZE_KEYS.map((size) => {
    const { flow } = NOZZLE_SIZES[size];
    const window = speedWindow(spraying, flow, pressures);
    return {
      size,
      window,
      pressure: pressureAt(spraying, flow, speed),
      holds: speed >= window.low && speed <= window.high,
    };
  });
}

/** The size to take: of those that hold the rate at this speed, the one that leaves most room to the nearer end; null where none does. */
export function bestSize(choices: readonly SizeChoice[], speed: number): SizeChoice | null {
  const room = ({ window: { low, high } }: SizeChoice) => Math.min(speed / low, high / speed);
  return choices
    .filter(({ holds }) => holds)
    .reduce<SizeChoice | null>(
      (best, each) => (best === null || room(each) > room(best) ? each : best),
      null,
    );
}
