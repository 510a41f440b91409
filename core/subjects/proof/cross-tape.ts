import type { DimensionKey } from "../../dimension/catalogue.ts";
import type { PointKey } from "../../dimension/points.ts";
import { between, evaluate } from "../../rig/chain.ts";
import type { Term } from "../../rig/frame.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";

export type Predicted = {
  /** metres on the floor between the two points; null where a reading on the way is missing */
  distance: number | null;
  /** standard uncertainty of it, from the readings, metres */
  sigma: number;
  /** ∂distance/∂reading: what each reading adds */
  terms: readonly Term[];
  missing: readonly DimensionKey[];
};

/** The distance on the floor between two named points, as the readings have it. */
export function predictDistance(rig: ResolvedRig, from: PointKey, to: PointKey): Predicted {
  const along = between(rig, from, to, "x");
  const across = between(rig, from, to, "y");
  const missing = [...along.links, ...across.links]
    .filter(({ value }) => value === null)
    .map(({ key }) => key);
  if (along.total === null || across.total === null)
    return { distance: null, sigma: 0, terms: [], missing: [...new Set(missing)] };
  const distance = Math.hypot(along.total, across.total);
  const share = distance === 0 ? [1, 0] : [along.total / distance, across.total / distance];
  const sums = new Map<DimensionKey, number>();
  for (const [chain, part] of [
    [along, share[0]!],
    [across, share[1]!],
  ] as const)
    for (const { key, coefficient } of chain.links) sums.set(key, (sums.get(key) ?? 0) + coefficient * part);
  const terms = [...sums]
    .filter(([, coefficient]) => Math.abs(coefficient) > 1e-12)
    .map(([key, coefficient]) => ({ key, coefficient }));
  return { distance, sigma: evaluate(terms, rig).sigma ?? 0, terms, missing: [] };
}

export type Suspect = {
  key: DimensionKey;
  /** what the reading would have to be for the distance to come out, SI */
  value: number;
  /** how far that is, in the reading's own standard uncertainties */
  sigmas: number;
};

/** Which single reading would explain the difference, the least far-fetched first. */
export function explains(rig: ResolvedRig, { terms }: Predicted, off: number): Suspect[] {
  return terms
    .flatMap(({ key, coefficient }) => {
      const { value, sigma } = rig.values[key];
      if (value === null || sigma === 0) return [];
      const change = off / coefficient;
      return [{ key, value: value + change, sigmas: Math.abs(change) / sigma }];
    })
    .sort((a, b) => a.sigmas - b.sigmas);
}
