/**
 * How deep a wheel presses the soil: the depth down to which 50 kPa are reached, by the wheel's load and the pressure in its tyre. Eight centimetres more for each
 * tonne on the wheel, and for each doubling of the pressure (from memory: a published rule of soil science for moist arable land; to be held against the
 * adviser's own). SI.
 */

/** Centimetres at one bar and no load, for each tonne, for each doubling of the pressure. */
const BASE = 21;
const EACH_TONNE = 8;
const EACH_DOUBLING = 8;
const BAR = 1e5;

/** Metres down to which 50 kPa are reached under a wheel of so many kg and Pa. @throws RangeError without a load or a pressure */
export function pressedDepth(load: number, pressure: number): number {
  if (!(load > 0) || !(pressure > 0)) throw new RangeError("a wheel presses by its load and its pressure");
  return (BASE + (EACH_TONNE * load) / 1000 + EACH_DOUBLING * Math.log2(pressure / BAR)) / 100;
}

/** The pressure in Pa at which a wheel of so many kg presses no deeper. */
export function pressureFor(load: number, depth: number): number {
  return BAR * 2 ** ((100 * depth - BASE - (EACH_TONNE * load) / 1000) / EACH_DOUBLING);
}

/** How wet the ground is today, and how deep it may be pressed (ours): wet soil is pressed for years, dry soil carries. */
export const SOIL_STATES = {
  wet: { label: "Wet: it smears, a ball keeps its shape", limit: 0.35 },
  moist: { label: "Moist: a ball falls apart when pressed", limit: 0.5 },
  dry: { label: "Dry: it makes no ball", limit: 0.7 },
} as const;
export type SoilState = keyof typeof SOIL_STATES;
export const SOIL_KEYS = Object.keys(SOIL_STATES) as SoilState[];

/** Metres down to which soil may be pressed, as wet as it is, and whether somebody here said so. */
export type SoilLimits = Readonly<Record<SoilState, { depth: number; told: boolean }>>;

export type PressedAxle = {
  /** kg on one tyre, as heavy as it gets in the field; half full; null where it carries nothing to fill */
  load: number;
  half: number | null;
  /** Pa in it now */
  pressure: number;
  /** Pa its tyre's table asks for in the field with either load; null where no table tells */
  least: number | null;
  leastHalf: number | null;
};

export type PressedAdvice =
  | { kind: "drive"; depth: number }
  /** let it down to this, which its table carries */
  | { kind: "lower"; depth: number; to: number }
  /** half full, at this pressure */
  | { kind: "half"; depth: number; to: number }
  | { kind: "wait"; depth: number }
  /** it would have to be softer, and no table says whether it may */
  | { kind: "no table"; depth: number; to: number };

/** What to do on such ground: drive, let the tyres down, fill by half, or wait; the least trouble first. */
export function adviceFor(
  { load, half, pressure, least, leastHalf }: PressedAxle,
  limit: number,
): PressedAdvice {
  const depth = pressedDepth(load, pressure);
  if (depth <= limit) return { kind: "drive", depth };
  const to = pressureFor(load, limit);
  if (least !== null && to >= least) return { kind: "lower", depth, to };
  if (half !== null && leastHalf !== null) {
    const soft = Math.min(pressure, pressureFor(half, limit));
    if (soft >= leastHalf) return { kind: "half", depth, to: soft };
  }
  return least === null ? { kind: "no table", depth, to } : { kind: "wait", depth };
}
