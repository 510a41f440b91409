import { type Parsed, parseLength, printLength } from "../quantity/length.ts";
import type { UnitSystem } from "../quantity/units.ts";
import type { Dimension } from "./catalogue.ts";

export type Entry = {
  /** SI, in the dimension's own direction */
  value: number;
  /** the smallest step the text resolves, SI */
  step: number;
};

/**
 * Reads what was typed for one dimension: a length, a length with a side word ("2 cm left"), or a count.
 * Refuses a sign on a distance that can only run one way, and two signs at once ("-2 cm left").
 */
export function parseEntry(entry: Dimension, text: string, system: UnitSystem): Parsed<Entry> {
  return entry.kind === "count" ? parseCount(entry, text) : parseSided(entry, text, system);
}

function parseCount(entry: Dimension, text: string): Parsed<Entry> {
  const digits = text.trim();
  if (!/^\d{1,4}$/.test(digits) || Number(digits) === 0)
    return { ok: false, problem: `${entry.label} is a whole number, like ${entry.typical}.` };
  return { ok: true, value: { value: Number(digits), step: 0 } };
}

function parseSided(entry: Dimension, text: string, system: UnitSystem): Parsed<Entry> {
  const { length, side } = splitSide(entry, text);
  const read = parseLength(length, entry.shown[system]);
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

/** Prints a value of this dimension in the operator's units, with its side word where it has sides. */
export function printEntry(entry: Dimension, value: number, system: UnitSystem): string {
  if (entry.kind === "count") return String(value);
  if (!entry.sides) return printLength(value, entry.shown[system]);
  const text = printLength(Math.abs(value), entry.shown[system]);
  if (Number.parseFloat(text) === 0 || value === 0) return text;
  return `${text} ${value > 0 ? entry.sides.plus : entry.sides.minus}`;
}
