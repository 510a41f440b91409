/** A constant out of several runs: what was counted over what was really there, each run named where it does not belong. */
import { type Estimate, estimateOf, scaled } from "../statistics/estimate.ts";
import { fitBoth } from "../statistics/outliers.ts";

/** One run: the constant is `over` divided by `under`. */
export type Pair = { over: number; under: number };

export type FittedRun = {
  /** which run, from 0 */
  at: number;
  /** what the constant would be by this run alone, SI */
  ratio: number;
  /** by how much that lies off the fit, as a share of it */
  off: number;
  leftOut: boolean;
  /** it does not belong to the others: an externally studentised residual beyond Bonferroni's limit */
  odd: boolean;
};

export type Ratio = {
  estimate: Estimate;
  runs: readonly FittedRun[];
  /** coefficient of variation of the runs that count, n − 1 in the denominator; null of fewer than two */
  variation: number | null;
};

/**
 * The constant of several runs, Σover / Σunder: over unequal distances not the mean of the ratios. It is the weighted least-squares fit where
 * the error of a run grows with the root of its length. `near` is a size to reckon small differences against where the constant itself may be
 * nothing; absent, the constant's own. Null where no run counts, or none has anything under it.
 *
 * Example: 1300 pulses on 100 m and 656 on 50 m give 13.04 a metre.
 */
export function fitRatio(pairs: readonly Pair[], left: ReadonlySet<number>, near?: number): Ratio | null {
  const usable = pairs.flatMap(({ over, under }, at) =>
    under > 0 && Number.isFinite(over) ? [{ over, under, at }] : [],
  );
  const kept = usable.filter(({ at }) => !left.has(at));
  if (kept.length === 0) return null;
  const value = total(kept, "over") / total(kept, "under");
  const size = near ?? Math.abs(value);
  if (size === 0) return null;
  const long = total(kept, "under") / kept.length;
  const rows = usable.map(({ under }) => [Math.sqrt(under / long)]);
  const y = usable.map(({ over, under }, at) => (over / under / size) * rows[at]![0]!);
  const leftHere = new Set(usable.flatMap(({ at }, index) => (left.has(at) ? [index] : [])));
  const { fit, odd } = fitBoth(rows, y, leftHere);
  if (!fit) return null;
  const ratios = kept.map(({ over, under }) => over / under);
  return {
    estimate: scaled(estimateOf(fit, 0), size),
    runs: usable.map(({ over, under, at }, index) => ({
      at,
      ratio: over / under,
      off: (over / under - value) / size,
      leftOut: left.has(at),
      odd: odd.has(index),
    })),
    variation: ratios.length < 2 ? null : deviation(ratios) / size,
  };
}

function total(pairs: readonly Pair[], of: keyof Pair): number {
  return pairs.reduce((sum, pair) => sum + pair[of], 0);
}

/** Standard deviation of a sample, n − 1. Precondition: at least two. */
export function deviation(numbers: readonly number[]): number {
  const mean = numbers.reduce((sum, each) => sum + each, 0) / numbers.length;
  return Math.sqrt(numbers.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (numbers.length - 1));
}

/** Standard deviation over the mean, n − 1; null of fewer than two, or where they come to nothing. */
export function variationOf(numbers: readonly number[]): number | null {
  if (numbers.length < 2) return null;
  const mean = numbers.reduce((sum, each) => sum + each, 0) / numbers.length;
  return mean === 0 ? null : deviation(numbers) / Math.abs(mean);
}
