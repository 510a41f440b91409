/** The one way a quantity is read as somebody types it: with a unit or without, with a sign or a word for the way it runs. */
import type { Parsed } from "./figure.ts";
import { isLengthStyle, parseLength } from "./length.ts";
import { FAMILIES, type Family, parseMeasure, type UnitOf } from "./measure.ts";

export type Sides = { plus: string; minus: string };

export type TypedQuantity = {
  family: Family | "length";
  /** words for + and −; null where it runs one way only */
  sides: Sides | null;
  /** a bare figure does not say which way */
  mustSay?: boolean;
  /** what such a thing looks like, for a text that was not understood; absent: one of its unit */
  example?: string;
};

/** SI, and the smallest step the text resolves, SI. */
export type Amount = { value: number; step: number };

/**
 * Reads a quantity. A bare figure is in `unit` (of a family it is not one of: in the family's first); `word` is a side
 * told beside the text. "2 cm left", "-2 cm", "24 3/4 in".
 */
export function parseTyped(
  { family, sides, mustSay = false, example }: TypedQuantity,
  text: string,
  unit: string,
  word = "",
): Parsed<Amount> {
  if (!sides) return parseAmount(family, text, unit, example);
  const { plain, side: told } = splitSide(sides, text);
  const side = told ?? (word === sides.plus ? "plus" : word === sides.minus ? "minus" : null);
  const sign = /^\s*([-+−–])/.exec(plain)?.[1] ?? null;
  const read = parseAmount(family, sign === null ? plain : plain.replace(/^\s*[-+−–]\s*/, ""), unit, example);
  if (!read.ok) return read;
  const { value, step } = read.value;
  if (value < 0) return { ok: false, problem: "There is one sign too many." };
  if (value === 0) return { ok: true, value: { value: 0, step } };
  if (sign !== null && side !== null)
    return { ok: false, problem: "There is a sign and a side word. Use one of them." };
  if (mustSay && sign === null && side === null)
    return { ok: false, problem: `Say which: ${sides.plus} or ${sides.minus}.` };
  const minus = sign === null ? side === "minus" : sign !== "+";
  return { ok: true, value: { value: minus ? -value : value, step } };
}

function parseAmount(
  family: TypedQuantity["family"],
  text: string,
  unit: string,
  example: string | undefined,
): Parsed<Amount> {
  if (family === "length") {
    const read = parseLength(text, isLengthStyle(unit) ? unit : "m", example);
    return read.ok ? { ok: true, value: { value: read.value.metres, step: read.value.step } } : read;
  }
  const known = Object.hasOwn(FAMILIES[family], unit) ? unit : Object.keys(FAMILIES[family])[0];
  return parseMeasure(family, text, known as UnitOf<Family> as never, example);
}

/** A side word off the end of what was typed: "2 cm left" is "2 cm" and left. */
function splitSide(sides: Sides, text: string): { plain: string; side: "plus" | "minus" | null } {
  const said = text.trimEnd();
  for (const side of ["plus", "minus"] as const) {
    const plain = said.slice(0, -sides[side].length);
    if (said.toLowerCase().endsWith(sides[side].toLowerCase()) && !/[a-z]$/i.test(plain))
      return { plain: plain.trimEnd(), side };
  }
  return { plain: text, side: null };
}
