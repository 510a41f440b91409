import { CATALOGUE, type Dimension, type DimensionKey } from "../dimension/catalogue.ts";
import { below, type Grade, gradeOf, type Instrument } from "./grade.ts";

/** One value somebody read: SI, in the dimension's own direction. */
export type Reading = {
  id: string;
  key: DimensionKey;
  value: number;
  /** the smallest step the text resolved, SI */
  step: number;
  rawText: string;
  instrument: Instrument;
  person: string;
  /** ISO 8601, UTC */
  measuredAt: string;
};

export type SectionLayout = {
  id: string;
  /** metres, left to right */
  widths: readonly number[];
  instrument: Instrument;
  person: string;
  measuredAt: string;
};

/** What is known of a rig: the current reading of each dimension, and the current sections. */
export type RigFacts = {
  readings: Partial<Record<DimensionKey, Reading>>;
  sections: SectionLayout | null;
};

/** Why a value is not believed although it is there. */
export type Doubt = "zero" | "habitual zero" | "sign" | "range";

export type Resolved = {
  key: DimensionKey;
  /** SI in the dimension's own direction; null where missing, never 0 for missing */
  value: number | null;
  grade: Grade;
  /** standard uncertainty, 1 σ, SI; for a missing or disbelieved value that of the plausible range */
  sigma: number;
  doubt: Doubt | null;
  reading: Reading | null;
};

export type ResolvedRig = {
  values: Record<DimensionKey, Resolved>;
  sections: SectionLayout | null;
};

export function resolveRig(facts: RigFacts): ResolvedRig {
  const values = Object.fromEntries(
    CATALOGUE.map((entry) => [entry.key, resolveValue(entry, facts.readings[entry.key] ?? null)]),
  ) as Record<DimensionKey, Resolved>;
  return { values, sections: facts.sections };
}

function resolveValue(entry: Dimension, reading: Reading | null): Resolved {
  if (!reading)
    return { key: entry.key, value: null, grade: "missing", sigma: rangeSigma(entry), doubt: null, reading };
  const grade = gradeOf(reading.instrument);
  const doubt = doubtOf(entry, reading.value, grade);
  const believed = doubt === null || doubt === "habitual zero";
  const sigma = believed ? readingSigma(entry, reading, grade) : rangeSigma(entry);
  return { key: entry.key, value: reading.value, grade, sigma, doubt, reading };
}

function doubtOf(entry: Dimension, value: number, grade: Grade): Doubt | null {
  const [low, high] = entry.plausible;
  const untaped = below(grade, "taped");
  if (value === 0) {
    if (low > 0 || (untaped && entry.untapedZero === "stop")) return "zero";
    return untaped && entry.untapedZero === "check" ? "habitual zero" : null;
  }
  if (!entry.sides && value < 0) return "sign";
  return value < low || value > high ? "range" : null;
}

/** Standard deviation of a value that may lie anywhere in the plausible range, evenly: range / √12. */
function rangeSigma({ plausible: [low, high] }: Dimension): number {
  return (high - low) / Math.sqrt(12);
}

/** Coarser text than this is a round figure, not a rough one: "6 m" is not read to the nearest metre. */
const COARSEST_STEP = 0.0254;

/** Instrument and reading step in quadrature; a step spreads evenly, so its σ is step / √12 (GUM, 4.3.7). */
function readingSigma(entry: Dimension, { step }: Reading, grade: Grade): number {
  const base = entry.sigma[grade === "book" ? "book" : grade === "assumed" ? "assumed" : "taped"];
  if (entry.kind === "count" || base === 0) return base;
  return Math.hypot(base, Math.min(step, COARSEST_STEP) / Math.sqrt(12));
}
