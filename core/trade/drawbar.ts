/** Drawbars, chains and the road: limits that stand beside each other, of which the lowest counts. SI. */
import { GRAVITY } from "./power.ts";

export const DRAWBAR_CATEGORIES = ["0", "1", "2", "3", "4", "5"] as const;
export type DrawbarCategory = (typeof DRAWBAR_CATEGORIES)[number];

/** Pin diameter, metres, and PTO power it reaches to, watts (ISO 6489-3 and ASABE AD6489-3, from memory: keep to the plate). */
export const DRAWBAR_SIZES: Record<DrawbarCategory, { pin: number; power: number }> = {
  "0": { pin: 0.018, power: 28e3 },
  "1": { pin: 0.03, power: 48e3 },
  "2": { pin: 0.03, power: 115e3 },
  "3": { pin: 0.038, power: 185e3 },
  "4": { pin: 0.05, power: 300e3 },
  "5": { pin: 0.07, power: 500e3 },
};

/** The strength a safety chain needs, newtons: the weight of everything behind it (ASABE S338, from memory). */
export function chainNeeded(mass: number): number {
  return mass * GRAVITY;
}

export type Limit = { what: string; value: number };

/** The lowest of the limits that are known, and which one it is; null where none is. */
export function lowest(limits: readonly { what: string; value: number | null }[]): Limit | null {
  const known = limits.filter((limit): limit is Limit => limit.value !== null);
  return known.length === 0 ? null : known.reduce((least, each) => (each.value < least.value ? each : least));
}
