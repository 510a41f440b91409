/**
 * Lengths as people read them off a tape, and back.
 *
 * Everything inside is metres. Factors: the international inch is 25.4 mm exactly and the foot 12 of
 * them (International yard and pound agreement, 1959; NIST SP 811, appendix B.8).
 */

import { type Figure, MINUS, type Parsed, readFigure, roundHalfUp } from "./figure.ts";

export const METRES_PER = { m: 1, cm: 0.01, mm: 0.001, in: 0.0254, ft: 0.3048 } as const;
export type LengthUnit = keyof typeof METRES_PER;

/** How a length is printed: the feet styles write feet, whole inches and a fraction to 1/16 or 1/8. */
export const LENGTH_STYLES = ["m", "cm", "mm", "in", "ft", "ft-in", "ft-in/8"] as const;
export type LengthStyle = (typeof LENGTH_STYLES)[number];

/** Whether a text from outside names a way lengths are printed. */
export function isLengthStyle(text: string): text is LengthStyle {
  return (LENGTH_STYLES as readonly string[]).includes(text);
}

/** The fraction of an inch a feet style prints to. */
const DENOMINATOR = { "ft-in": 16, "ft-in/8": 8 } as const;
type FeetStyle = keyof typeof DENOMINATOR;

/** Whether lengths of this style are written in feet and inches. */
export function isFeet(style: LengthStyle): style is FeetStyle {
  return style in DENOMINATOR;
}

/** A style's unit as it stands behind a label, ", cm"; nothing where feet and inches carry their own marks. */
export function behindLabel(style: LengthStyle): string {
  return isFeet(style) ? "" : `, ${style}`;
}

export type ParsedLength = {
  /** metres; negative only where the text carried a minus sign or a side word allowed it */
  metres: number;
  /** the smallest step the text resolves, in metres: 1/16 in reads to 0.0015875, `3.81` m to 0.01 */
  step: number;
};

const EXAMPLES: Record<LengthStyle, string> = {
  m: "3.81 or 12' 6 3/8\"",
  cm: "12.5 or 4 7/8 in",
  mm: "3810 or 3.81 m",
  in: "150 or 12' 6\"",
  ft: "12.53 or 3.81 m",
  "ft-in": "12' 6 3/8\" or 3.81 m",
  "ft-in/8": "12' 6 3/8\" or 3.81 m",
};

/** The unit a bare number takes where the field shows `style`. Feet-and-inches fields count in inches. */
export function bareUnit(style: LengthStyle): LengthUnit {
  return isFeet(style) ? "in" : style;
}

const VULGAR: Record<string, string> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};

const UNIT_WORDS: Record<string, LengthUnit> = {
  m: "m",
  metre: "m",
  metres: "m",
  meter: "m",
  meters: "m",
  cm: "cm",
  mm: "mm",
  "'": "ft",
  ft: "ft",
  foot: "ft",
  feet: "ft",
  '"': "in",
  in: "in",
  inch: "in",
  inches: "in",
};

type Token = { kind: "number"; text: string } | { kind: "unit"; unit: LengthUnit; text: string };

/** One number with the unit that follows it, as typed. */
type Part = Figure & { unit: LengthUnit | null; text: string };

/**
 * Reads a length; `example` is what a problem shows. A bare number takes `style`'s unit; feet and inches may be mixed, metric units may not.
 * Never throws: what was not understood comes back as a sentence with an example.
 */
export function parseLength(
  text: string,
  style: LengthStyle,
  example = EXAMPLES[style],
): Parsed<ParsedLength> {
  const refuse = (problem: string): Parsed<ParsedLength> => ({
    ok: false,
    problem: `${problem} Type it like ${example}.`,
  });
  const plain = normalise(text);
  if (plain === "") return refuse("Nothing was typed.");
  if (plain.length > 40) return refuse("That is too long to be a length.");

  const sign = /^[-+]/.exec(plain)?.[0];
  const body = sign ? plain.slice(1).trim() : plain;
  if (/^[-+]/.test(body)) return refuse("There are two signs in front.");

  const tokens = tokenise(body);
  if (typeof tokens === "string") return refuse(`“${tokens}” was not understood.`);
  const parts = toParts(tokens);
  if (typeof parts === "string") return refuse(parts);
  const sum = addParts(parts, bareUnit(style));
  if (typeof sum === "string") return refuse(sum);
  const metres = sign === "-" && sum.metres !== 0 ? -sum.metres : sum.metres;
  return { ok: true, value: { metres, step: sum.step } };
}

function normalise(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, "-")
    .replace(/''|["“”″]|’’|′′/g, '"')
    .replace(/[’‘′]/g, "'")
    .replace(/⁄/g, "/")
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (glyph) => ` ${VULGAR[glyph]}`)
    .replace(/[\s\u00a0\u202f]+/g, " ")
    .replace(/- (?=\d)/g, "-")
    .trim();
}

/** Splits into numbers and units; returns the piece that is neither. */
function tokenise(body: string): Token[] | string {
  const tokens: Token[] = [];
  let rest = body;
  while (rest !== "") {
    const number = /^(?:\d+\/\d+|\d{1,3}(?: \d{3})+(?![\d/])(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+)/.exec(rest)?.[0];
    const unit = /^(?:['"]|[a-zµ]+\.?)/.exec(rest)?.[0];
    if (number) tokens.push({ kind: "number", text: number });
    else if (unit && Object.hasOwn(UNIT_WORDS, unit.replace(/\.$/, "")))
      tokens.push({ kind: "unit", unit: UNIT_WORDS[unit.replace(/\.$/, "")]!, text: unit });
    else return /^(?:[a-zµ]+|.)/.exec(rest)![0];
    rest = rest.slice((number ?? unit)!.length);
    // A dash or blank joins inches and their fraction: 6-3/8.
    const joint = /^(?: ?- ?(?=\d)| )/.exec(rest)?.[0] ?? "";
    rest = rest.slice(joint.length);
  }
  return tokens;
}

function toParts(tokens: Token[]): Part[] | string {
  const parts: Part[] = [];
  let pending: Part | null = null;
  for (const token of tokens) {
    if (token.kind === "unit") {
      if (!pending) return `“${token.text}” has no number before it.`;
      parts.push({ ...pending, unit: token.unit, text: `${pending.text} ${token.text}` });
      pending = null;
      continue;
    }
    const read = readFigure(token.text);
    if (typeof read === "string") return read;
    if (!pending) pending = { ...read, unit: null, text: token.text };
    else if (read.fraction && !pending.text.includes("/") && Number.isInteger(pending.value))
      pending = {
        value: pending.value + read.value,
        grouped: null,
        step: read.step,
        unit: null,
        text: `${pending.text} ${token.text}`,
      };
    else return `“${pending.text} ${token.text}” are two numbers in a row.`;
  }
  if (pending) parts.push(pending);
  return parts;
}

function addParts(parts: Part[], bare: LengthUnit): ParsedLength | string {
  const fractionless = withFraction(parts);
  if (fractionless) return addParts(fractionless, bare);
  const [first, second] = parts;
  if (!first) return "There is no number in it.";
  if (parts.length > 2) return "There are more than two parts.";
  for (const part of parts) {
    const unclear = groupingProblem(part, part.unit ?? bare);
    if (unclear) return unclear;
  }
  if (!second) return inMetres(first, first.unit ?? bare);
  if (isFollowed(first, second)) {
    const [larger, smaller] = [inMetres(first, first.unit!), inMetres(second, second.unit!)];
    return { metres: larger.metres + smaller.metres, step: smaller.step };
  }
  if (first.unit !== "ft")
    return `“${first.text}” and “${second.text}” cannot be added: only feet and inches go together.`;
  if (second.unit !== "in" && second.unit !== null) return `“${second.text}” cannot follow feet.`;
  if (!Number.isInteger(first.value)) return `“${first.text}” has decimals and is followed by inches.`;
  if (second.value >= 12) return `“${second.text}” is a foot or more: inches after feet stay under 12.`;
  const feet = inMetres(first, "ft");
  const inches = inMetres(second, "in");
  return { metres: feet.metres + inches.metres, step: inches.step };
}

/** Inches whose fraction stands behind the mark: 10′ 6″ 3/8. Null where there is none. */
function withFraction(parts: Part[]): Part[] | null {
  const [inches, fraction] = parts.slice(-2);
  if (inches?.unit !== "in" || !Number.isInteger(inches.value) || fraction?.unit !== null) return null;
  if (!/^\d+\/\d+$/.test(fraction.text) || fraction.value >= 1) return null;
  const whole: Part = { ...fraction, value: inches.value + fraction.value, unit: "in" };
  return [...parts.slice(0, -2), { ...whole, text: `${inches.text} ${fraction.text}` }];
}

/** Metres with centimetres behind them, or either with millimetres: 3 m 10 cm. The smaller stays under one of the larger. */
function isFollowed(first: Part, second: Part): boolean {
  const order = ["m", "cm", "mm"];
  const [large, small] = [order.indexOf(first.unit ?? ""), order.indexOf(second.unit ?? "")];
  if (large < 0 || small <= large || !Number.isInteger(first.value)) return false;
  return second.value * METRES_PER[second.unit!] < METRES_PER[first.unit!];
}

/**
 * 5,364 m is a rig's length and 5364 m is not; 5,364 mm can only be thousands. In centimetres and inches
 * both are plausible, so the text is refused.
 */
function groupingProblem({ grouped, text }: Part, unit: LengthUnit): string | null {
  if (grouped === null || (unit !== "cm" && unit !== "in")) return null;
  const [figure = ""] = text.split(" ");
  return `“${text}” could be ${figure.replace(",", ".")} or ${grouped}: use a point, or no comma.`;
}

function inMetres({ value, step, grouped }: Part, unit: LengthUnit): ParsedLength {
  if (grouped !== null && unit === "mm") return { metres: grouped * METRES_PER.mm, step: METRES_PER.mm };
  return { metres: value * METRES_PER[unit], step: step * METRES_PER[unit] };
}

const DECIMALS: Record<Exclude<LengthStyle, FeetStyle>, number> = { m: 3, cm: 1, mm: 0, in: 2, ft: 2 };

export type PrintOptions = {
  /** decimals after the mark; the feet styles carry their own fraction */
  decimals?: number;
  /** write a + before positive values */
  signed?: boolean;
  /** leave the unit off (the feet style always carries its marks) */
  bare?: boolean;
};

/** The last printed place, in metres; rounding hides at most half of it. */
export function printedStep(style: LengthStyle, decimals?: number): number {
  if (isFeet(style)) return METRES_PER.in / DENOMINATOR[style];
  return METRES_PER[style] * 10 ** -(decimals ?? DECIMALS[style]);
}

/** Prints metres in a style. A true minus sign marks negatives; a value that rounds to zero has no sign. */
export function printLength(metres: number, style: LengthStyle, options: PrintOptions = {}): string {
  if (!Number.isFinite(metres)) throw new RangeError(`not a length: ${metres}`);
  const { text, zero } = isFeet(style)
    ? feetInches(Math.abs(metres), DENOMINATOR[style])
    : decimalText(Math.abs(metres), style, options);
  const sign = zero ? "" : metres < 0 ? MINUS : options.signed ? "+" : "";
  const unit = isFeet(style) || options.bare ? "" : `\u00a0${style}`;
  return `${sign}${text}${unit}`;
}

function decimalText(metres: number, style: Exclude<LengthStyle, FeetStyle>, options: PrintOptions) {
  const text = roundHalfUp(metres / METRES_PER[style], options.decimals ?? DECIMALS[style]);
  return { text, zero: Number(text) === 0 };
}

function feetInches(metres: number, parts: number): { text: string; zero: boolean } {
  const count = Math.round(Number(((metres / METRES_PER.in) * parts).toPrecision(12)));
  const feet = Math.floor(count / (12 * parts));
  const inches = Math.floor((count % (12 * parts)) / parts);
  const fraction = lowestTerms(count % parts, parts);
  const inchText = [inches || !fraction ? String(inches) : "", fraction].filter(Boolean).join("\u00a0");
  return { text: feet ? `${feet}'\u00a0${inchText}"` : `${inchText}"`, zero: count === 0 };
}

function lowestTerms(over: number, under: number): string {
  if (over === 0) return "";
  return over % 2 === 0 ? lowestTerms(over / 2, under / 2) : `${over}/${under}`;
}
