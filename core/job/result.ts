import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Term } from "../rig/frame.ts";
import type { Estimate } from "../statistics/estimate.ts";

/** What a test says of one sum of readings: how far the truth lies from what is entered. */
export type Measured = {
  key: string;
  label: string;
  unit: "length" | "time";
  /** the readings it is a sum of */
  terms: readonly Term[];
  /** the sum as it is entered, SI; null where a reading is missing */
  entered: number | null;
  /** true − entered, SI; where nothing is entered and the test tells the whole sum, that */
  off: Estimate;
  /** the test tells the sum itself, not only how far it is from what the terminal had */
  absolute: boolean;
  /** words for + and − of the sum, where it has sides */
  sides: { plus: string; minus: string } | null;
};

/** One observation against the fit. */
export type Residual = {
  /** which observation, from 0 */
  at: number;
  /** where it stands on the plot: number, speed */
  x: number;
  observed: number;
  fitted: number;
  group: string;
  outlier: boolean;
};

export type TestResult = {
  measured: readonly Measured[];
  /** other figures the test gives, with what they are */
  also: readonly { key: string; label: string; estimate: Estimate }[];
  residuals: readonly Residual[];
  /** what the plot's x is */
  along: "number" | "speed";
  /** what cannot be said yet, and what would make it so */
  open: readonly string[];
};

export const NOTHING_YET: TestResult = { measured: [], also: [], residuals: [], along: "number", open: [] };

/** The observation as the solvers take it: numbers in SI, choices by key. */
export type Observation = {
  values: Readonly<Record<string, number>>;
  choices: Readonly<Record<string, string>>;
  /** under which it was measured, from 0; its place in the list where none is told */
  number?: number;
};

/** What is entered, as the solvers look it up. */
export type Entered = {
  /** the sum of some readings; null where one is missing */
  sum: (terms: readonly Term[]) => number | null;
  value: (key: DimensionKey) => number | null;
};
