/** How far a share may really lie from what was counted: the interval of Clopper and Pearson (Biometrika 26, 1934). */
import { endOf } from "./bisection.ts";

/** Chance of `k` or more successes in `n` trials of chance `p`. Precondition: 0 ≤ k ≤ n, 0 ≤ p ≤ 1. */
export function atLeast(k: number, n: number, p: number): number {
  if (k <= 0) return 1;
  if (p <= 0) return 0;
  if (p >= 1) return 1;
  // Each term from the one before it, in logarithms: the first of them may be too small for a number, the later ones not.
  const odds = Math.log(p) - Math.log1p(-p);
  let term = logChoose(n, k) + k * Math.log(p) + (n - k) * Math.log1p(-p);
  let sum = 0;
  for (let i = k; i <= n; i += 1) {
    sum += Math.exp(term);
    term += Math.log((n - i) / (i + 1)) + odds;
  }
  return Math.min(1, sum);
}

function logChoose(n: number, k: number): number {
  let sum = 0;
  for (let i = 1; i <= Math.min(k, n - k); i += 1) sum += Math.log((n - i + 1) / i);
  return sum;
}

/**
 * The share of all that `k` of `n` leaves open, at a level of confidence: both tails as large. Example: 22 of 24 leave 0.73 to 0.99 open at 95 %.
 *
 * @throws RangeError where k of n is no share
 */
export function shareInterval(k: number, n: number, level = 0.95): { low: number; high: number } {
  if (!Number.isInteger(k) || !Number.isInteger(n) || n < 1 || k < 0 || k > n)
    throw new RangeError(`${k} of ${n} is no share`);
  const tail = (1 - level) / 2;
  return {
    low: k === 0 ? 0 : endOf((p) => atLeast(k, n, p) < tail, 0, 1),
    high: k === n ? 1 : endOf((p) => atLeast(k + 1, n, p) < 1 - tail, 0, 1),
  };
}
