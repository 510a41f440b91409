/**
 * What a tool that doses really is: known to the simulated bench, and to nobody who calibrates on it. Constants as they truly are, and how each
 * nozzle, row and side of a spread pattern differs.
 */
import type { DimensionKey } from "../dimension/catalogue.ts";

/** How a row unit really sets its seed. */
export type TrueRow = {
  /** share of seed places left empty, and set twice */
  skips: number;
  doubles: number;
  /** coefficient of variation of the spacing of single seeds */
  spacing: number;
  /** share of seeds that come up */
  emerge: number;
};

/** How a spreader really throws: a fan on each side, metres, and how its two discs share. */
export type TruePattern = {
  /** how far each half reaches at half its height, and how steeply it falls off */
  reach: number;
  slope: number;
  /** right less left: the whole lies so far to the right, metres */
  shift: number;
  /** share of what falls behind the middle beyond an even pattern */
  middle: number;
};

export type TrueDose = {
  seed: number;
  /** true constants, SI */
  constants: Partial<Record<DimensionKey, number>>;
  /** flow of each nozzle against one of its size when new, by place */
  nozzles: readonly number[];
  rows: readonly TrueRow[];
  pattern: TruePattern | null;
  /** how the regulating valve follows: flow per second for each unit of error at constant 1, and how late the meter tells, s */
  valve: { gain: number; lag: number } | null;
  /** share by which driving wheels really slip at work, and litres an hour it burns */
  slip: number;
};

/** Noise of real ones, 1 σ (common practice, no source): as a share of what is measured, and of a weighbridge in kilograms. */
export const NOISE = { catch: 0.015, nozzle: 0.02, speed: 0.005, weighbridge: 20 } as const;
