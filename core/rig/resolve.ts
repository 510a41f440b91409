import { type Attachment, type Hung, hungName } from "../dimension/attachment.ts";
import {
  DIMENSION_KEYS,
  type Dimension,
  type DimensionKey,
  dimension,
  hasDimension,
  isDimensionKey,
} from "../dimension/catalogue.ts";
import type { ChangeKind } from "../dimension/change.ts";
import { judgeRange } from "../dimension/range.ts";
import { isToolKind, type ToolKindKey } from "../trade/kinds.ts";
import {
  type Change,
  isAfter,
  isLeftZero,
  type Moment,
  type Proof,
  type Reading,
  type RigFacts,
  type SectionLayout,
  type ToldValue,
} from "./facts.ts";
import { sameSum, type Term } from "./frame.ts";
import { below, type Grade, gradeOf } from "./grade.ts";

/** Why a value is not believed although it is there. */
export type Doubt = "zero" | "habitual zero" | "sign" | "unusual" | "range";

/** Whether a value is reckoned with: a habitual zero and an unusual figure are, and looked at; what cannot be is not. */
export function isBelieved(doubt: Doubt | null): boolean {
  return doubt === null || doubt === "habitual zero" || doubt === "unusual";
}

export type Resolved = {
  key: DimensionKey;
  /** SI in the dimension's own direction, the mean of the current sitting; null where missing, never 0 for missing */
  value: number | null;
  /** the key of what was chosen, where the dimension is a choice; null where missing or no choice */
  choice: string | null;
  grade: Grade;
  /** standard uncertainty, 1 σ, SI; for a missing or disbelieved value that of the plausible range */
  sigma: number;
  doubt: Doubt | null;
  /** the range it is believed in, SI: that of what the implement is, where its kind has one */
  plausible: readonly [number, number];
  /** the change since the reading that touches it; null while nothing did */
  stale: Change | null;
  /** the newest reading of the current sitting */
  reading: Reading | null;
  /** what the implement tells of it: reckoned with, as assumed, where nobody read it */
  told: ToldValue | null;
  /** all of the current sitting, oldest first */
  repeats: readonly Reading[];
  /** largest less smallest of the repeats, SI; 0 for one reading */
  spread: number;
  /** what stood before this sitting */
  previous: Reading | null;
  /** the field test that proves this dimension by itself, or that wrote this reading */
  proof: Proof | null;
};

export type ResolvedRig = {
  attachment: Attachment;
  /** what the implement is; null while nobody said so */
  tool: ToolKindKey | null;
  /** the name of the variant it works as; null: whole */
  variant: string | null;
  /** another tool of the rig works one swath with it, and has the lines */
  linesElsewhere: boolean;
  values: Record<DimensionKey, Resolved>;
  sections: SectionLayout | null;
  /** the change since the sections were given that touches them */
  sectionsStale: Change | null;
  /** proofs that still hold: they rest on the readings that count, and nothing touched those since */
  proofs: readonly Proof[];
};

/** What touches the section layout as a whole. */
const SECTIONS_TOUCHED_BY: readonly ChangeKind[] = ["tool openers"];

/**
 * Every dimension of a rig from its facts: value in SI, spread, grade, uncertainty, doubt, what made it
 * stale, what proved it. Missing stays null.
 */
export function resolveRig(facts: RigFacts): ResolvedRig {
  const proofs = facts.proofs.filter((proof) => holds(proof, facts));
  const tool = toolOf(facts);
  const hung = { attachment: facts.attachment, tool };
  const values = { ...unread(hung) };
  for (const key of saidOf(facts))
    values[key] = resolveValue(
      dimension(key, hung),
      hasDimension(hung, key) ? facts : hasNot(facts, key),
      proofs,
    );
  for (const proof of proofs) sharpen(values, proof);
  for (const proof of facts.proofs) if (!proofs.includes(proof)) blunt(values, proof);
  const sections = facts.sections ?? oneSection(values["tool.width"]);
  const sectionsStale = facts.sections
    ? touched(SECTIONS_TOUCHED_BY, momentOf(facts.sections), facts.changes)
    : null;
  return {
    ...hung,
    variant: facts.variant?.name ?? null,
    linesElsewhere: false,
    values,
    sections,
    sectionsStale,
    proofs,
  };
}

const unreadOn = new Map<string, Readonly<Record<DimensionKey, Resolved>>>();

/** Every dimension as it stands while nobody read it, and the implement tells nothing: of each way to hang and kind of tool the same. */
function unread(hung: Hung): Readonly<Record<DimensionKey, Resolved>> {
  const known = unreadOn.get(hungName(hung));
  if (known) return known;
  const values = Object.fromEntries(
    DIMENSION_KEYS.map((key) => [key, Object.freeze(resolveValue(dimension(key, hung), NOTHING, []))]),
  ) as Record<DimensionKey, Resolved>;
  unreadOn.set(hungName(hung), values);
  return values;
}

const NOTHING: Said = { readings: {}, previous: {}, told: {}, changes: [] };

/** What somebody read, or the implement tells. */
const saidOf = ({ readings, previous, told }: Said): DimensionKey[] =>
  [...new Set([readings, previous, told].flatMap((each) => Object.keys(each)))].filter(isDimensionKey);

/** One section as wide as the tool, assumed until somebody gives them; none while nobody knows the width. */
function oneSection({ value, doubt, reading }: Resolved): SectionLayout | null {
  if (value === null || !isBelieved(doubt) || !reading) return null;
  const { person, measuredAt, seq } = reading;
  return {
    id: ASSUMED_SECTIONS,
    seq,
    widths: [value],
    parts: [],
    instrument: "estimate",
    person,
    measuredAt,
  };
}

/** The number of a layout nobody gave. */
const ASSUMED_SECTIONS = "assumed";

/** The sections as somebody gave them; null where they are assumed, or there are none. */
export function givenSections({ sections }: Pick<ResolvedRig, "sections">): SectionLayout | null {
  return sections?.id === ASSUMED_SECTIONS ? null : sections;
}

/** The field test that confirms this very sum, whichever end it was walked from. */
export function provenBy(terms: readonly Term[], proofs: readonly Proof[]): Proof | null {
  return proofs.find((proof) => sameSum(proof.terms, terms) !== 0) ?? null;
}

/** A proof holds while the very readings it rests on are those that count, and no change touched one since. */
function holds(proof: Proof, facts: RigFacts): boolean {
  return restsOnThem(proof, facts) && endOf(proof, facts) === null;
}

function restsOnThem({ terms, rests }: Proof, { readings }: RigFacts): boolean {
  const count = terms.flatMap(({ key }) => readings[key] ?? []);
  return count.length === rests.length && count.every(({ id }) => rests.includes(id));
}

/** What ended a proof: a change, or the reading that counts now where it rests on others; null while nothing did, or nothing counts now. */
function endOf(proof: Proof, facts: RigFacts): Reading | Change | null {
  const { attachment, readings, changes } = facts;
  for (const { key } of proof.terms) {
    const other = readings[key]?.findLast(({ id }) => !proof.rests.includes(id));
    if (other) return other;
    const change = touched(dimension(key, attachment).touchedBy, proof, changes);
    if (change) return change;
  }
  return restsOnThem(proof, facts) ? null : (readings[proof.terms[0]!.key]?.at(-1) ?? null);
}

/** The newest proof of a sum that no longer holds, and what ended it; null where there never was one. */
export function lapsedBy(
  terms: readonly Term[],
  facts: RigFacts,
): { proof: Proof; by: Reading | Change } | null {
  const proof = provenBy(terms, facts.proofs);
  const by = proof && endOf(proof, facts);
  return proof && by ? { proof, by } : null;
}

/**
 * What a test fitted is as uncertain as the fit: alone, where it tells one reading; where it tells a sum, the reading it
 * wrote carries the others' uncertainty besides.
 */
function sharpen(values: Record<DimensionKey, Resolved>, { terms, sigma, readingId }: Proof): void {
  if (sigma === null) return;
  for (const { key, coefficient } of terms) {
    const value = values[key];
    const wrote = value.reading?.id === readingId && readingId !== null;
    if (terms.length > 1 && !wrote) continue;
    const fitted = fittedSigma(values, terms, key, sigma) / Math.abs(coefficient);
    values[key] = { ...value, sigma: wrote ? fitted : Math.min(value.sigma, fitted) };
  }
}

/**
 * A reading that a test wrote was never taped: once its proof has ended it is as uncertain as the fit left it, no surer for being called
 * measured.
 */
function blunt(values: Record<DimensionKey, Resolved>, { terms, sigma, readingId }: Proof): void {
  if (sigma === null || readingId === null) return;
  for (const { key, coefficient } of terms) {
    const value = values[key];
    if (value.reading?.id !== readingId || value.proof) continue;
    values[key] = {
      ...value,
      sigma: Math.max(value.sigma, fittedSigma(values, terms, key, sigma) / Math.abs(coefficient)),
    };
  }
}

/** What a fitted sum leaves for one of its terms: the fit's own uncertainty and that of all the others. */
function fittedSigma(
  values: Record<DimensionKey, Resolved>,
  terms: readonly Term[],
  key: DimensionKey,
  sigma: number,
): number {
  const others = terms
    .filter((term) => term.key !== key)
    .map((term) => term.coefficient * values[term.key].sigma);
  return Math.hypot(sigma, ...others);
}

function touched(kinds: readonly ChangeKind[], since: Moment, changes: readonly Change[]): Change | null {
  return changes.find((change) => kinds.includes(change.kind) && isAfter(change, since)) ?? null;
}

const momentOf = ({ measuredAt, seq }: Reading | SectionLayout): Moment => ({ at: measuredAt, seq });

/** What the implement is, as it was chosen last. */
export function toolOf({ readings }: Pick<RigFacts, "readings">): ToolKindKey | null {
  const kind = readings["tool.kind"]?.at(-1)?.rawText;
  return kind !== undefined && isToolKind(kind) ? kind : null;
}

/** The facts without readings of what such a tool does not have: a second rank of a cutter bar is read of something else. */
function hasNot(facts: RigFacts, key: DimensionKey): RigFacts {
  return dimension(key, facts.attachment).secondLine
    ? { ...facts, readings: { ...facts.readings, [key]: [] } }
    : facts;
}

/** What of the facts a dimension is resolved by. */
type Said = Pick<RigFacts, "readings" | "previous" | "told" | "changes">;

function resolveValue(entry: Dimension, facts: Said, proofs: readonly Proof[]): Resolved {
  const { key } = entry;
  const repeats = facts.readings[key] ?? [];
  const reading = repeats.at(-1) ?? null;
  const told = facts.told[key] ?? null;
  const previous = facts.previous[key] ?? null;
  const base = { key, plausible: entry.plausible, reading, told, repeats, previous };
  if (!reading) {
    const assumed = standsIn(entry, told);
    return {
      ...base,
      value: assumed,
      choice: entry.kind === "choice" ? (told?.rawText ?? null) : null,
      grade: assumed === null ? "missing" : "assumed",
      sigma: assumed === null ? rangeSigma(entry) : entry.sigma.assumed,
      doubt: null,
      stale: null,
      spread: 0,
      proof: null,
    };
  }
  const numbers = repeats.map(({ value }) => value);
  const value = mean(numbers);
  const proof =
    provenBy([{ key, coefficient: 1 }], proofs) ??
    proofs.find(({ readingId }) => readingId === reading.id) ??
    null;
  const grade = proof ? "proven" : gradeOf(reading.instrument);
  const doubt = entry.kind === "choice" ? null : doubtOf(entry, value, grade);
  const stale = touched(entry.touchedBy, momentOf(reading), facts.changes);
  const believed = isBelieved(doubt);
  return {
    ...base,
    value,
    choice: entry.kind === "choice" ? reading.rawText : null,
    grade,
    sigma: believed ? readingSigma(entry, repeats, grade, stale !== null) : rangeSigma(entry),
    doubt,
    stale,
    spread: Math.max(...numbers) - Math.min(...numbers),
    proof,
  };
}

/** What is reckoned with while nobody read it: what the implement tells, else what the catalogue assumes. */
function standsIn(entry: Dimension, told: ToldValue | null): number | null {
  if (told && (entry.kind === "choice" || !isLeftZero(entry, told.value))) return told.value;
  const stands = entry.whenMissing === "assumed" ? entry.otherwise?.value : null;
  return typeof stands === "number" ? stands : null;
}

function doubtOf(entry: Dimension, value: number, grade: Grade): Doubt | null {
  const [low] = entry.plausible;
  const untaped = below(grade, "taped");
  if (value === 0) {
    if (low > 0 || (untaped && entry.untapedZero === "stop")) return "zero";
    return untaped && entry.untapedZero === "check" ? "habitual zero" : null;
  }
  if (!entry.sides && value < 0) return "sign";
  const range = judgeRange(entry, value);
  return range === "usual" ? null : range === "unusual" ? "unusual" : "range";
}

function mean(numbers: readonly number[]): number {
  return numbers.reduce((sum, number) => sum + number, 0) / numbers.length;
}

/** Sample variance, n − 1; 0 for a single number. */
function variance(numbers: readonly number[]): number {
  if (numbers.length < 2) return 0;
  const middle = mean(numbers);
  return numbers.reduce((sum, number) => sum + (number - middle) ** 2, 0) / (numbers.length - 1);
}

/** Standard deviation of a value that may lie anywhere in the plausible range, evenly: range / √12. */
function rangeSigma({ plausible: [low, high] }: Dimension): number {
  return (high - low) / Math.sqrt(12);
}

/** Coarser text than this is a round figure, not a rough one: "6 m" is not read to the nearest metre. */
const COARSEST_STEP = 0.0254;

/**
 * What repeating cannot lower: half of a reading's variance lies in the plumb line, the floor and the choice of the
 * mark, and stays the same each time (common practice, no source).
 */
const SYSTEMATIC_SHARE = 0.5;

/**
 * Instrument, reading step and scatter in quadrature. A step spreads evenly, so its σ is step / √12 (GUM, 4.3.7);
 * the random part of n repeats falls with √n (GUM, 4.2.3), and is at least what their own scatter shows. A stale
 * value is no better than a guess.
 */
function readingSigma(entry: Dimension, repeats: readonly Reading[], grade: Grade, stale: boolean): number {
  const base = entry.sigma[stale ? "assumed" : grade === "book" || grade === "assumed" ? grade : "taped"];
  if (entry.kind === "count" || entry.kind === "choice" || base === 0) return base;
  const coarsest = entry.kind === "length" ? COARSEST_STEP : Number.POSITIVE_INFINITY;
  const step = Math.min(Math.max(...repeats.map((each) => each.step)), coarsest) / Math.sqrt(12);
  const scatter = variance(repeats.map(({ value }) => value));
  const random = Math.max(base ** 2 * (1 - SYSTEMATIC_SHARE) + step ** 2, scatter) / repeats.length;
  return Math.sqrt(base ** 2 * SYSTEMATIC_SHARE + random);
}
