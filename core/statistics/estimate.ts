import type { Fit } from "./least-squares.ts";
import { t95 } from "./student.ts";

/** What a test says of one quantity, SI. */
export type Estimate = {
  value: number;
  /** standard error; null where there are too few observations for one */
  error: number | null;
  /** the 95 % interval is value ± this; null with the standard error */
  half: number | null;
  /** observations less unknowns */
  freedom: number;
};

/** A linear combination of the unknowns of a fit. */
export function combined(fit: Fit, weights: readonly number[]): Estimate {
  const value = weights.reduce((sum, weight, index) => sum + weight * fit.estimates[index]!, 0);
  if (fit.scatter === null) return { value, error: null, half: null, freedom: fit.freedom };
  const variance = weights.reduce(
    (sum, weight, row) =>
      sum + weights.reduce((inner, other, column) => inner + weight * other * fit.spread[row]![column]!, 0),
    0,
  );
  const error = fit.scatter * Math.sqrt(Math.max(variance, 0));
  return { value, error, half: error * t95(fit.freedom), freedom: fit.freedom };
}

/** One unknown of a fit. */
export function estimateOf(fit: Fit, index: number): Estimate {
  return combined(
    fit,
    fit.estimates.map((_, at) => (at === index ? 1 : 0)),
  );
}

/** The same estimate in another measure: value × by + plus. */
export function scaled({ value, error, half, freedom }: Estimate, by: number, plus = 0): Estimate {
  return {
    value: value * by + plus,
    error: error === null ? null : error * Math.abs(by),
    half: half === null ? null : half * Math.abs(by),
    freedom,
  };
}

/** True where the interval leaves zero outside: the test has found something. */
export function differsFromZero({ value, half }: Estimate): boolean {
  return half !== null && Math.abs(value) > half;
}
