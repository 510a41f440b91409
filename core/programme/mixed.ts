/** A mixed-integer programme as data, and what any solver of it answers. */

export type Mixed = {
  /** what is made least: Σ cost·x */
  cost: readonly number[];
  low: readonly number[];
  high: readonly number[];
  /** which variables are whole numbers */
  whole: readonly boolean[];
  rows: readonly MixedRow[];
};

/** low ≤ Σ by·x[at] ≤ high; ends may be infinite. */
export type MixedRow = { low: number; high: number; at: readonly number[]; by: readonly number[] };

export type MixedAnswer = {
  x: readonly number[] | null;
  value: number;
  /** nothing smaller than that is possible */
  bound: number;
  proved: boolean;
  /** false where no x meets its rows at all */
  possible: boolean;
};

export type MixedProgress = { seconds: number; value: number; bound: number };

/** What a solver is told besides: how long it may take, what is known to meet the rows, who is told how far it has come. */
export type MixedLimits = {
  seconds: number;
  start?: readonly number[] | null;
  onProgress?: (progress: MixedProgress) => void;
};

export type MixedSolver = (mixed: Mixed, limits: MixedLimits) => MixedAnswer;
