import type { Parsed } from "../quantity/figure.ts";
import { type LengthStyle, parseLength, printLength } from "../quantity/length.ts";
import type { Units } from "../quantity/units.ts";
import type { Dimension } from "./catalogue.ts";

export type Entry = {
  /** SI, in the dimension's own direction */
  value: number;
  /** the smallest step the text resolves, SI */
  step: number;
};

/**
 * Reads what was typed for one dimension where the field shows `style`: a length, a length with a side word
 * ("2 cm left"), the distances to both sides ("left 93.4 right 92.2"), or a count. Refuses a sign on a distance that
 * can only run one way, and two signs at once ("-2 cm left").
 */
export function parseEntry(entry: Dimension, text: string, style: LengthStyle): Parsed<Entry> {
  if (entry.kind === "count") return parseCount(entry, text);
  const faces = entry.fromFaces ? splitFaces(text) : null;
  return faces ? parseFaces(entry, faces, style) : parseSided(entry, text, style);
}

function parseCount(entry: Dimension, text: string): Parsed<Entry> {
  const digits = text.trim();
  if (!/^\d{1,4}$/.test(digits) || Number(digits) === 0)
    return { ok: false, problem: `${entry.label} is a whole number, like ${entry.typical}.` };
  return { ok: true, value: { value: Number(digits), step: 0 } };
}

function parseSided(entry: Dimension, text: string, style: LengthStyle): Parsed<Entry> {
  const { length, side } = splitSide(entry, text);
  const read = parseLength(length, style);
  if (!read.ok) return read;
  const { metres, step } = read.value;
  if (!entry.sides && metres < 0)
    return { ok: false, problem: `${entry.label} is a distance, ${entry.fromTo}. Type it without a sign.` };
  if (side && metres !== 0 && /^\s*[-+−–]/.test(text))
    return { ok: false, problem: "There is a sign and a side word. Use one of them." };
  return { ok: true, value: { value: side === "minus" && metres !== 0 ? -metres : metres, step } };
}

function splitSide(entry: Dimension, text: string): { length: string; side: "plus" | "minus" | null } {
  const word = /\s*([a-z]+)\s*$/i.exec(text)?.[1]?.toLowerCase();
  for (const side of ["plus", "minus"] as const)
    if (entry.sides && word === entry.sides[side])
      return { length: text.replace(/\s*[a-z]+\s*$/i, ""), side };
  return { length: text, side: null };
}

type Faces = { left: string; right: string };

/** "left 93.4 right 92.2", the way the two-sided form writes it and people say it. */
function splitFaces(text: string): Faces | null {
  const said = /^\s*left\s+(.*?)[\s,;]+right\s+(.*)$/i.exec(text);
  return said ? { left: said[1]!, right: said[2]! } : null;
}

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

/** Prints a value of this dimension in the operator's units, with its side word where it has sides. */
export function printEntry(entry: Dimension, value: number, units: Units): string {
  if (entry.kind === "count") return String(value);
  if (!entry.sides) return printLength(value, units[entry.shown]);
  const text = printLength(Math.abs(value), units[entry.shown]);
  if (Number.parseFloat(text) === 0 || value === 0) return text;
  return `${text} ${value > 0 ? entry.sides.plus : entry.sides.minus}`;
}
