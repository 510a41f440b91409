/**
 * Hydraulic nozzles by size. ISO 10625 (from memory): the size is a tenth of a US gallon a minute at 40 psi, rounded in metric use to 0.4 l/min
 * at 3 bar for each tenth; the two differ by 1.3 %.
 */

/** 3 bar, at which a size's flow is told, Pa */
export const RATED_PRESSURE = 3e5;

const LITRES_PER_MINUTE = 0.001 / 60;

export type NozzleSizeKey = "01" | "015" | "02" | "025" | "03" | "04" | "05" | "06" | "08";

/** Flow at 3 bar, m³/s, and the colour its tip has by the standard. */
export const NOZZLE_SIZES: Readonly<Record<NozzleSizeKey, { flow: number; colour: string }>> = {
  "01": { flow: 0.4 * LITRES_PER_MINUTE, colour: "orange" },
  "015": { flow: 0.6 * LITRES_PER_MINUTE, colour: "green" },
  "02": { flow: 0.8 * LITRES_PER_MINUTE, colour: "yellow" },
  "025": { flow: 1.0 * LITRES_PER_MINUTE, colour: "lilac" },
  "03": { flow: 1.2 * LITRES_PER_MINUTE, colour: "blue" },
  "04": { flow: 1.6 * LITRES_PER_MINUTE, colour: "red" },
  "05": { flow: 2.0 * LITRES_PER_MINUTE, colour: "brown" },
  "06": { flow: 2.4 * LITRES_PER_MINUTE, colour: "grey" },
  "08": { flow: 3.2 * LITRES_PER_MINUTE, colour: "white" },
};

/** The smallest first: keys that look like whole numbers would not keep their order. */
export const NOZZLE_SIZE_KEYS: readonly NozzleSizeKey[] = [
  "01",
  "015",
  "02",
  "025",
  "03",
  "04",
  "05",
  "06",
  "08",
];

/** Flow of a nozzle at a pressure, m³/s: it grows with the square root of pressure. `rated` is its flow at 3 bar. */
export function flowAt(rated: number, pressure: number): number {
  return rated * Math.sqrt(pressure / RATED_PRESSURE);
}

/** Pressure at which a nozzle of this rated flow gives a flow, Pa. */
export function pressureFor(rated: number, flow: number): number {
  return RATED_PRESSURE * (flow / rated) ** 2;
}

/** Flow one nozzle has to give, m³/s: rate (m³/m²) × speed (m/s) × spacing (m). The sprayer equation of the extension handbooks. */
export function flowWanted(rate: number, speed: number, spacing: number): number {
  return rate * speed * spacing;
}
