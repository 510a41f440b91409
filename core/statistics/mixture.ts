/** Normal spreads mixed by weight: what is known of a figure when it is not known which of them holds. */
import { endOf } from "./bisection.ts";

export type MixturePart = { /** weights add up to one */ weight: number; mean: number; sigma: number };

/** The mean of the mixture. */
export function meanOf(parts: readonly MixturePart[]): number {
  return parts.reduce((sum, { weight, mean }) => sum + weight * mean, 0);
}

/** Standard deviation about the mean: each part's own, and how far its mean lies from the others'. */
export function sigmaOf(parts: readonly MixturePart[]): number {
  const mean = meanOf(parts);
  return Math.sqrt(
    parts.reduce((sum, part) => sum + part.weight * (part.sigma ** 2 + (part.mean - mean) ** 2), 0),
  );
}

/** Parts lighter than this share of what is left outside cannot move the interval. */
const TOO_LIGHT = 1e-5;
const NEAR = 1e-5;

/** The distance from the mean beyond which the share `outside` of the mixture lies, both sides together. */
export function halfWidth(parts: readonly MixturePart[], outside: number): number {
  const mean = meanOf(parts);
  const heavy = parts.filter(({ weight }) => weight > TOO_LIGHT * outside);
  const beyond = (half: number) =>
    heavy.reduce((sum, { weight, mean: own, sigma }) => {
      const off = Math.abs(own - mean);
      return sum + weight * (above((half - off) / sigma) + above((half + off) / sigma));
    }, 0);
  const most = heavy.reduce((far, part) => Math.max(far, Math.abs(part.mean - mean) + 8 * part.sigma), 0);
  return endOf((half) => beyond(half) > outside, 0, most, NEAR);
}

/** P(Z > z) of the normal spread, to 1.5e-7 (Abramowitz and Stegun, 7.1.26). */
export function above(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    0.5 *
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z >= 0 ? tail : 1 - tail;
}
