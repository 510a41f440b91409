import type { DimensionKey } from "../../../dimension/catalogue.ts";
import { TAPE_SIGMA } from "../../../dimension/entry-type.ts";
import type { PointKey } from "../../../dimension/points.ts";
import { pointLabel, pointOf } from "../../../dimension/points.ts";
import type { Explanation } from "../../../job/kind.ts";
import { type Measured, NOTHING_YET, type Observation, type TestResult } from "../../../job/result.ts";
import { capital } from "../../../quantity/capital.ts";
import { between, evaluate } from "../../../rig/chain.ts";
import type { Term } from "../../../rig/frame.ts";
import type { ResolvedRig } from "../../../rig/resolve.ts";
import { NORMAL_95 } from "../../../statistics/student.ts";

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

/** Which single reading would explain the difference, the least far-fetched first. */
export function explains(rig: ResolvedRig, { terms }: Pick<Measured, "terms">, off: number): Explanation[] {
  return terms
    .flatMap(({ key, coefficient }) => {
      const { value, sigma } = rig.values[key];
      if (value === null || sigma === 0) return [];
      const change = off / coefficient;
      return [{ key, value: value + change, sigmas: Math.abs(change) / sigma }];
    })
    .sort((a, b) => a.sigmas - b.sigmas);
}

/** A difference that tape and readings together do not explain, metres. */
function isOdd(off: number, sigma: number): boolean {
  return Math.abs(off) > NORMAL_95 * Math.hypot(sigma, TAPE_SIGMA.taped);
}

/** Which single reading would explain a taped distance that differs by more than tape and readings do; else none. */
export function explainsOdd(
  rig: ResolvedRig,
  { terms, off }: Pick<Measured, "terms" | "off">,
): Explanation[] {
  return isOdd(off.value, evaluate(terms, rig).sigma ?? 0) ? explains(rig, { terms }, off.value) : [];
}

/** Each distance stands for itself: its uncertainty is the tape's. */
export function solveCrossTape(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  rig: ResolvedRig,
): TestResult {
  const measured: Measured[] = [];
  const open: string[] = [];
  const residuals: TestResult["residuals"][number][] = [];
  for (const [at, { values, choices }] of observations.entries()) {
    const [from, to] = [pointOf(choices.from), pointOf(choices.to)];
    const taped = values.distance;
    if (!from || !to || taped === undefined) continue;
    const predicted = predictDistance(rig, from, to);
    const label = `${pointLabel(from, rig)} to ${pointLabel(to, rig)}`;
    if (predicted.distance === null) {
      open.push(`${label}: a reading on the way is missing, so nothing is predicted.`);
      continue;
    }
    const off = taped - predicted.distance;
    residuals.push({
      at,
      x: at + 1,
      observed: taped,
      fitted: predicted.distance,
      group: label,
      outlier: isOdd(off, predicted.sigma),
    });
    if (left.has(at)) continue;
    measured.push({
      key: `distance-${at + 1}`,
      label: capital(label),
      unit: "length",
      terms: predicted.terms,
      entered: predicted.distance,
      off: {
        value: off,
        error: TAPE_SIGMA.taped,
        half: NORMAL_95 * TAPE_SIGMA.taped,
        freedom: Number.POSITIVE_INFINITY,
      },
      absolute: false,
      sides: null,
    });
  }
  return { ...NOTHING_YET, measured, residuals, open };
}
