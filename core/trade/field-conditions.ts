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
