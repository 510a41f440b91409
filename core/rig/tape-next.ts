import { type Attachment, asHung, type Hung, hungName } from "../dimension/attachment.ts";
import { type DimensionKey, hasDimension } from "../dimension/catalogue.ts";
import { askedOf } from "./asked.ts";
import { TRACK_SPACING } from "./chain.ts";
import { type Term, termsBetween } from "./frame.ts";
import { below } from "./grade.ts";
import type { ResolvedRig } from "./resolve.ts";

/** Side slope on which the roll correction is judged, radians: 4°, common practice for rolling ground, no source. */
export const SIDE_SLOPE = (4 * Math.PI) / 180;

type Result = { label: string; terms: readonly Term[] };

const results = new Map<string, readonly Result[]>();

/** What guidance steers and records by; each is linear in the readings, so its partial derivatives are the coefficients. */
export function guidanceResults(of: Attachment | Hung): readonly Result[] {
  const hung = asHung(of);
  const name = hungName(hung);
  const known = results.get(name) ?? resultsOn(hung);
  results.set(name, known);
  return known;
}

function resultsOn(hung: Hung): Result[] {
  const terms = (to: "workFront" | "workRear" | "pivot", axis: "x" | "y" = "x") =>
    termsBetween(hung, "receiver", to, axis);
  return [
    { label: "where the work starts", terms: terms("workFront") },
    ...(hasDimension(hung, "pin.workRear")
      ? [{ label: "where the work stops", terms: terms("workRear") }]
      : []),
    ...(hasDimension(hung, "pin.pivot") ? [{ label: "where the tool turns", terms: terms("pivot") }] : []),
    {
      label: "how far the work lies to one side",
      terms: termsBetween(hung, "receiver", "workMid", "y"),
    },
    { label: "track spacing", terms: TRACK_SPACING },
    {
      label: "sideways on a 4° slope",
      terms: [{ key: "receiver.height", coefficient: Math.sin(SIDE_SLOPE) }],
    },
  ];
}

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
export function rankTaping(rig: ResolvedRig): Ranked[] {
  return askedOf(rig)
    .flatMap(({ key }) => {
      const { sigma, grade, doubt, stale } = rig.values[key];
      const moved = guidanceResults(rig)
        .map(({ label, terms }) => ({
          moves: label,
          effect: Math.abs(terms.find((term) => term.key === key)?.coefficient ?? 0) * sigma,
        }))
        .reduce((most, each) => (each.effect > most.effect ? each : most));
      const open = below(grade, "taped") || doubt !== null || stale !== null;
      return moved.effect > 0 ? [{ key, ...moved, open }] : [];
    })
    .sort((a, b) => Number(b.open) - Number(a.open) || b.effect - a.effect);
}

/** True where guidance steers or records by this dimension. */
export function guidanceUses(of: Attachment | Hung, key: DimensionKey): boolean {
  return guidanceResults(of).some(({ terms }) => terms.some((term) => term.key === key));
}
