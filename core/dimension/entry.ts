import { isNothing, type Parsed } from "../quantity/figure.ts";
import { isLengthStyle, type LengthStyle, parseLength, printLength } from "../quantity/length.ts";
import { FAMILIES, type Family, printMeasure, type UnitOf } from "../quantity/measure.ts";
import type { Figure } from "../quantity/said.ts";
import { parseTyped } from "../quantity/typed.ts";
import { styleOf, type Units, unitOf } from "../quantity/units.ts";
import type { Dimension } from "./catalogue.ts";
import { judgeRange } from "./range.ts";

export type Entry = {
  /** SI, in the dimension's own direction */
  value: number;
  /** the smallest step the text resolves, SI */
  step: number;
};

/** What a field shows and a bare number in it means: a length style, or a unit of another family. */
export type FieldUnit = LengthStyle | UnitOf<Family>;

const EVERY_UNIT = new Set(Object.values(FAMILIES).flatMap((units) => Object.keys(units)));

/** Whether a text from a form names a length style or a unit of any family. */
export function isFieldUnit(text: unknown): text is FieldUnit {
  return typeof text === "string" && (isLengthStyle(text) || EVERY_UNIT.has(text));
}

/** The unit a field for this dimension shows to an operator. */
export function fieldUnit({ kind, family, shown }: Dimension, units: Units): FieldUnit {
  return kind === "measure" && family ? unitOf(family, units) : styleOf(shown, units);
}

/** The unit as it stands beside a field; nothing where things are counted. */
export function unitWord(entry: Dimension, units: Units): string {
  return entry.kind === "count" ? "" : fieldUnit(entry, units);
}

/**
 * Reads what was typed for one dimension where the field shows `style`: a length, a length with a side word
 * ("2 cm left"), the distances to both sides ("left 93.4 right 92.2"), or a count. Refuses a sign on a distance that
 * can only run one way, and two signs at once ("-2 cm left").
 */
export function parseEntry(entry: Dimension, text: string, style: FieldUnit): Parsed<Entry> {
  if (entry.kind === "count") return parseCount(entry, text);
  if (entry.kind === "choice") return parseChoice(entry, text);
  if (entry.kind === "measure") return parseAmount(entry, text, style);
  if (!isLengthStyle(style)) return { ok: false, problem: `${entry.label} is a length.` };
  const faces = entry.fromFaces ? splitFaces(text) : null;
  return faces ? parseFaces(entry, faces, style) : parseAmount(entry, text, style);
}

function parseCount(entry: Dimension, text: string): Parsed<Entry> {
  const digits = text.trim();
  if (!/^\d{1,4}$/.test(digits) || (Number(digits) === 0 && entry.plausible[0] > 0))
    return { ok: false, problem: `${entry.label} is a whole number, like ${entry.typical}.` };
  return { ok: true, value: { value: Number(digits), step: 0 } };
}

/** The key of one of the choices; a person picks it from a list. */
function parseChoice({ label, choices }: Dimension, text: string): Parsed<Entry> {
  const at = (choices ?? []).findIndex(({ key }) => key === text.trim());
  return at < 0
    ? { ok: false, problem: `Choose one for: ${label.toLowerCase()}.` }
    : { ok: true, value: { value: at, step: 0 } };
}

/** A quantity of another family, or a length, perhaps to one side. */
function parseAmount(entry: Dimension, text: string, style: FieldUnit): Parsed<Entry> {
  const family = entry.kind === "measure" ? entry.family! : "length";
  // Left taken for right doubles the error: a bare figure does not say which.
  const mustSay = entry.sides?.plus === "right";
  const example = exampleOf(entry, style);
  const read = parseTyped({ family, sides: entry.sides, mustSay, example }, text, style);
  if (read.ok && family === "length" && !entry.sides && read.value.value < 0)
    return { ok: false, problem: `${entry.label} is a distance, ${entry.fromTo}. Type it without a sign.` };
  return read;
}

type Faces = { left: string; right: string };

/** "left 93.4 right 92.2", the way the two-sided form writes it and people say it. */
function splitFaces(text: string): Faces | null {
  const said = /^\s*left\s+(.*?)[\s,;]+right\s+(.*)$/i.exec(text);
  return said ? { left: said[1]!, right: said[2]! } : null;
}

/** Two distances written as parseEntry reads them: "left 93.4 right 92.2". */
export function joinFaces({ left, right }: Faces): string {
  return `left ${left} right ${right}`;
}

/** Half the difference of two distances; each is read to its step, so the half to half of both in quadrature. */
function parseFaces({ fromFaces }: Dimension, faces: Faces, style: LengthStyle): Parsed<Entry> {
  const [left, right] = [parseLength(faces.left, style), parseLength(faces.right, style)];
  if (!left.ok) return { ok: false, problem: `Left: ${left.problem}` };
  if (!right.ok) return { ok: false, problem: `Right: ${right.problem}` };
  if (left.value.metres <= 0 || right.value.metres <= 0)
    return { ok: false, problem: "Both distances are more than nothing, and without a sign." };
  const value = (fromFaces!.sense * (left.value.metres - right.value.metres)) / 2;
  return { ok: true, value: { value: value || 0, step: Math.hypot(left.value.step, right.value.step) / 2 } };
}

/** A value as the field that was typed in shows it. */
export function printIn(entry: Dimension, value: number, style: FieldUnit): string {
  const { kind, family, sides } = entry;
  const word = sides && value !== 0 ? ` ${value > 0 ? sides.plus : sides.minus}` : "";
  const size = sides ? Math.abs(value) : value;
  if (kind === "count") return String(value);
  if (kind === "measure") {
    // A unit of another family than the field's is read as the family's first: it is said in that.
    const unit = Object.hasOwn(FAMILIES[family!], style) ? style : Object.keys(FAMILIES[family!])[0];
    return printMeasure(family!, size, unit as never) + word;
  }
  return isLengthStyle(style) ? printLength(size, style) + word : "";
}

/** A figure of usual size as one would type it here, in the field's unit. */
export function exampleOf(entry: Dimension, style: FieldUnit): string {
  const { kind, sides, typical, plausible } = entry;
  if (kind === "choice") return "";
  const usual = typical === 0 ? (sides ? -plausible[1] / 50 : plausible[1] / 10) : typical;
  return printIn(entry, kind === "count" ? Math.max(1, Math.round(usual)) : usual, style).replace(
    /\u00a0/g,
    " ",
  );
}

/** What is to be said of a figure before it is kept: that it cannot be, or that it is not usual and wants a second look. Null for a usual one. */
export function rangeProblem(
  entry: Dimension,
  value: number,
  style: FieldUnit,
): { impossible: boolean; text: string } | null {
  const range = judgeRange(entry, value);
  // A zero, and a sign the wrong way, are told by themselves.
  if (range === "usual" || value === 0 || (value < 0 && !entry.sides)) return null;
  const say = (each: number) => printIn(entry, each, style);
  const usual = `Usual is ${say(entry.plausible[0])} to ${say(entry.plausible[1])}`;
  return range === "impossible"
    ? { impossible: true, text: `${say(value)} cannot be. ${usual}: look at the unit.` }
    : { impossible: false, text: `${usual}. Is ${say(value)} right?` };
}

/** Prints a value of this dimension in the operator's units, with its side word where it has sides. */
export function printEntry(entry: Dimension, value: number, units: Units): string {
  if (entry.kind === "count") return String(value);
  if (entry.kind === "choice") return entry.choices?.[value]?.label ?? "";
  if (entry.kind === "measure") return printQuantity(entry, value, units);
  if (!entry.sides) return printLength(value, styleOf(entry.shown, units));
  const text = printLength(Math.abs(value), styleOf(entry.shown, units));
  if (isNothing(text)) return text;
  return `${text} ${value > 0 ? entry.sides.plus : entry.sides.minus}`;
}

function printQuantity({ family, sides }: Dimension, value: number, units: Units): string {
  const text = printMeasure(family!, sides ? Math.abs(value) : value, unitOf(family!, units) as never);
  return sides && !isNothing(text) ? `${text} ${value > 0 ? sides.plus : sides.minus}` : text;
}

/** What a reading says, in words: a choice by its label, anything else as a value. */
export function printReading(
  entry: Dimension,
  { value, rawText }: { value: number; rawText: string },
  units: Units,
): string {
  if (entry.kind !== "choice") return printEntry(entry, value, units);
  return entry.choices?.find(({ key }) => key === rawText)?.label ?? rawText;
}

/** A distance along this dimension in a sentence, metres. */
export function shownLength({ shown }: Dimension, metres: number): Figure {
  return { value: metres, print: (units) => printLength(metres, styleOf(shown, units)) };
}

/** A value of this dimension in a sentence. */
export function entryFigure(entry: Dimension, value: number): Figure {
  return { value, print: (units) => printEntry(entry, value, units) };
}

/** What a reading says in a sentence: a choice by its label, anything else as a figure. */
export function readingSaid(
  entry: Dimension,
  { value, rawText }: { value: number; rawText: string },
): Figure | string {
  if (entry.kind !== "choice") return entryFigure(entry, value);
  const label = entry.choices?.find(({ key }) => key === rawText)?.label ?? rawText;
  return label.charAt(0).toLowerCase() + label.slice(1);
}
