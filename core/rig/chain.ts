import type { Axis, PointKey } from "../dimension/points.ts";
import type { Change, Proof } from "./facts.ts";
import { type Term, termsBetween } from "./frame.ts";
import { type Grade, weakest } from "./grade.ts";
import { provenBy, type Resolved, type ResolvedRig } from "./resolve.ts";

export type Link = Term & {
  value: number | null;
  /** coefficient × value, metres; null where the reading is missing */
  contribution: number | null;
  grade: Grade;
  sigma: number;
  stale: Change | null;
  /** true for a link that stands in the second of two rigs joined end to end */
  next: boolean;
};

/** A length derived from readings, with everything it came from. */
export type Chain = {
  links: Link[];
  /** metres; null while a link is missing */
  total: number | null;
  /** the sum of the links that are known, metres */
  known: number;
  /** standard uncertainty of the total, metres: root sum of squares of coefficient × σ; null without a total */
  sigma: number | null;
  /** of the weakest link, or proven where a field test confirms the whole sum */
  grade: Grade;
  stale: boolean;
  proof: Proof | null;
};

/** Sums coefficient × reading. A missing link leaves no total, never a zero in its place. */
export function evaluate(terms: readonly Term[], { values, proofs }: ResolvedRig): Chain {
  const links = terms.map((term) => toLink(term, values[term.key]));
  const complete = links.every((link) => link.contribution !== null);
  const known = links.reduce((sum, link) => sum + (link.contribution ?? 0), 0);
  const proof = complete ? provenBy(terms, proofs) : null;
  return {
    links,
    total: complete ? known : null,
    known,
    // A field test fitted the sum itself: it knows nothing of how its links share it.
    sigma: complete
      ? (proof?.sigma ?? Math.hypot(...links.map((link) => link.coefficient * link.sigma)))
      : null,
    grade: proof ? "proven" : weakest(links.map((link) => link.grade)),
    stale: links.some(({ stale }) => stale !== null),
    proof,
  };
}

function toLink(term: Term, { value, grade, sigma, stale }: Resolved): Link {
  return {
    ...term,
    value,
    grade,
    sigma,
    stale,
    next: false,
    contribution: value === null ? null : term.coefficient * value,
  };
}

/** Two sums that stand in two rigs, end to end; a proof of one of them is none of the whole. */
export function joined(a: Chain, b: Chain): Chain {
  return {
    links: [...a.links, ...b.links.map((link) => ({ ...link, next: true }))],
    total: a.total === null || b.total === null ? null : a.total + b.total,
    known: a.known + b.known,
    sigma: a.sigma === null || b.sigma === null ? null : Math.hypot(a.sigma, b.sigma),
    grade: weakest([a.grade, b.grade]),
    stale: a.stale || b.stale,
    proof: null,
  };
}

/** A→B = x_B − x_A along an axis of the machine frame. */
export function between(rig: ResolvedRig, from: PointKey, to: PointKey, axis: Axis): Chain {
  return evaluate(termsBetween(rig, from, to, axis), rig);
}

/** Track spacing = working width − overlap. */
export const TRACK_SPACING: readonly Term[] = [
  { key: "tool.width", coefficient: 1 },
  { key: "work.overlap", coefficient: -1 },
];

/** Working width less overlap, metres, with the uncertainty of both. */
export function trackSpacing(rig: ResolvedRig): Chain {
  return evaluate(TRACK_SPACING, rig);
}
