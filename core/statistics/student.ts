/** Student's t: how far a few observations may mislead. */
import { endOf } from "./bisection.ts";

/**
 * The value that t stays below with probability p, for a number of degrees of freedom.
 * @throws RangeError where p is not between 0 and 1, or there is no degree of freedom
 */
export function tQuantile(p: number, freedom: number): number {
  if (!(p > 0 && p < 1) || !(freedom >= 1)) throw new RangeError(`no quantile at ${p}, ${freedom}`);
  if (p < 0.5) return -tQuantile(1 - p, freedom);
  if (p === 0.5) return 0;
  let high = 2;
  while (tBelow(high, freedom) < p) high *= 2;
  return endOf((at) => tBelow(at, freedom) < p, 0, high);
}

/** Half the 95 % interval of a normal spread, in standard deviations. */
export const NORMAL_95 = 1.96;

/** Half the width of the 95 % interval, in standard errors. */
export function t95(freedom: number): number {
  return tQuantile(0.975, freedom);
}

/** P(T ≤ t) for t ≥ 0: 1 − I_x(ν/2, ½)/2 with x = ν/(ν + t²) (Abramowitz and Stegun, 26.7.1 and 26.5.27). */
function tBelow(t: number, freedom: number): number {
  return 1 - incompleteBeta(freedom / (freedom + t * t), freedom / 2, 0.5) / 2;
}

/** Regularised incomplete beta function by its continued fraction (Abramowitz and Stegun, 26.5.8), by Lentz's method. */
function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return (front * fraction(x, a, b)) / a;
}

function fraction(x: number, a: number, b: number): number {
  const tiny = 1e-300;
  let c = 1;
  let d = 1 / away(1 - ((a + b) * x) / (a + 1), tiny);
  let value = d;
  for (let m = 1; m < 500; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    let factor = 1;
    for (const term of [even, odd]) {
      d = 1 / away(1 + term * d, tiny);
      c = away(1 + term / c, tiny);
      factor = d * c;
      value *= factor;
    }
    if (Math.abs(factor - 1) < 1e-15) break;
  }
  return value;
}

function away(value: number, tiny: number): number {
  return Math.abs(value) < tiny ? tiny : value;
}

/** Lanczos' approximation with g = 7 and nine terms, good to about 15 digits for positive arguments (from memory). */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

function logGamma(z: number): number {
  const shifted = z - 1;
  const t = shifted + 7.5;
  const sum = LANCZOS.reduce(
    (total, term, index) => total + (index === 0 ? term : term / (shifted + index)),
    0,
  );
  return 0.5 * Math.log(2 * Math.PI) + (shifted + 0.5) * Math.log(t) - t + Math.log(sum);
}
