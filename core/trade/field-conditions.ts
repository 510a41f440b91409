/** What held during a field test. Without a fixed solution nothing that rests on the receiver is proven. */

export const FIXES = {
  fixed: "Fixed (RTK or base station)",
  float: "Float",
  differential: "Satellite correction",
  single: "No correction",
} as const;
export type Fix = keyof typeof FIXES;

export const SLOPES = {
  level: "Level",
  along: "Up and down the slope",
  side: "Along a side slope",
} as const;
export type Slope = keyof typeof SLOPES;

export const SOILS = {
  firm: "Firm",
  tilled: "Tilled",
  soft: "Soft or wet",
} as const;
export type Soil = keyof typeof SOILS;

export type TestConditions = {
  fix: Fix | null;
  /** "own base, 3 km", as told */
  source: string;
  slope: Slope | null;
  soil: Soil | null;
  /** m/s */
  speed: number | null;
};

export const UNKNOWN_CONDITIONS: TestConditions = {
  fix: null,
  source: "",
  slope: null,
  soil: null,
  speed: null,
};

/** For all but a handful of positions (our threshold). */
const NEARLY_ALL = 0.98;

/**
 * The kind of solution that held for nearly all positions of a log, given the share of each, 0 to 1. Where it was mixed it
 * counts as float; null where none is told.
 */
export function mostlyFix(shares: Readonly<Partial<Record<Fix, number>>>): Fix | null {
  const [most] = Object.entries(shares).sort((a, b) => b[1] - a[1]) as [Fix, number][];
  if (!most) return null;
  return most[1] > NEARLY_ALL ? most[0] : "float";
}
