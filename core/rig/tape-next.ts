import { CATALOGUE, type DimensionKey } from "../dimension/catalogue.ts";
import { TRACK_SPACING } from "./chain.ts";
import { type Term, termsBetween } from "./frame.ts";
import { below } from "./grade.ts";
import type { ResolvedRig } from "./resolve.ts";

/** Side slope on which the roll correction is judged, radians: 4°, common practice for rolling ground, no source. */
export const SIDE_SLOPE = (4 * Math.PI) / 180;

/** What guidance steers and records by; each is linear in the readings, so its partial derivatives are the coefficients. */
export const GUIDANCE_RESULTS: readonly { label: string; terms: readonly Term[] }[] = [
  { label: "where seed starts", terms: termsBetween("receiver", "workFront", "x") },
  { label: "where seed stops", terms: termsBetween("receiver", "workRear", "x") },
  { label: "where the tool turns", terms: termsBetween("receiver", "pivot", "x") },
  { label: "how far the work lies to one side", terms: termsBetween("receiver", "workMid", "y") },
  { label: "track spacing", terms: TRACK_SPACING },
  {
    label: "sideways on a 4° slope",
    terms: [{ key: "receiver.height", coefficient: Math.sin(SIDE_SLOPE) }],
  },
];

export type Ranked = {
  key: DimensionKey;
  /** |∂result/∂d| · u of the result it moves most, metres */
  effect: number;
  /** that result */
  moves: string;
  /** false once the reading is taped and believed: taping again gains little */
  open: boolean;
};

/**
 * Ranks the dimensions guidance uses by how much their uncertainty moves a result: |∂result/∂d|·u, the
 * largest over all results. Open ones (untaped, missing, doubted) come first, the largest effect first.
 */
export function rankTaping({ values }: ResolvedRig): Ranked[] {
  return CATALOGUE.flatMap(({ key }) => {
    const { sigma, grade, doubt, stale } = values[key];
    const moved = GUIDANCE_RESULTS.map(({ label, terms }) => ({
      moves: label,
      effect: Math.abs(terms.find((term) => term.key === key)?.coefficient ?? 0) * sigma,
    })).reduce((most, each) => (each.effect > most.effect ? each : most));
    const open = below(grade, "taped") || doubt !== null || stale !== null;
    return moved.effect > 0 ? [{ key, ...moved, open }] : [];
  }).sort((a, b) => Number(b.open) - Number(a.open) || b.effect - a.effect);
}

/** True where guidance steers or records by this dimension. */
export function guidanceUses(key: DimensionKey): boolean {
  return GUIDANCE_RESULTS.some(({ terms }) => terms.some((term) => term.key === key));
}
