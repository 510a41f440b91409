import { type Fit, leastSquares } from "./least-squares.ts";
import { tQuantile } from "./student.ts";

/** The chance that one of all the observations is questioned although nothing is wrong with it. */
const QUESTIONED_IN_VAIN = 0.05;

/**
 * Which observations do not fit the others: externally studentised residuals beyond Bonferroni's limit (Cook and
 * Weisberg, Residuals and Influence in Regression, 2.2.2; from memory). An observation without which the unknowns could
 * not be told apart is never one. `inVain` is the chance that any is questioned although nothing is wrong.
 */
export function outliers(fit: Fit, inVain = QUESTIONED_IN_VAIN): number[] {
  const { residuals, leverages, scatter, freedom } = fit;
  if (scatter === null || freedom < 2) return [];
  const limit = tQuantile(1 - inVain / (2 * residuals.length), freedom - 1);
  return residuals.flatMap((residual, index) => {
    const open = 1 - leverages[index]!;
    if (open < 1e-9) return [];
    const without = (scatter ** 2 * freedom - residual ** 2 / open) / (freedom - 1);
    // With rounded figures the others may agree to the last digit: a hundredth of a millimetre is no disagreement.
    const beyond = Math.abs(residual) / Math.sqrt(Math.max(without, 0) * open + 1e-12);
    return beyond > limit && Math.abs(residual) > 1e-4 ? [index] : [];
  });
}

/** Fits without the observations left out; null where the rest does not tell the unknowns apart. */
export function fitWithout(
  rows: readonly (readonly number[])[],
  y: readonly number[],
  left: ReadonlySet<number>,
): Fit | null {
  const kept = rows.map((_, index) => index).filter((index) => !left.has(index));
  return leastSquares(
    kept.map((index) => rows[index]!),
    kept.map((index) => y[index]!),
  );
}

/** The fit without what was left out, the fit of all, and which of all do not belong. */
export function fitBoth(
  rows: readonly (readonly number[])[],
  y: readonly number[],
  left: ReadonlySet<number>,
): { fit: Fit | null; whole: Fit | null; odd: ReadonlySet<number> } {
  const whole = leastSquares(rows, y);
  return { fit: fitWithout(rows, y, left), whole, odd: new Set(whole ? outliers(whole) : []) };
}
