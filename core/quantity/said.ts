/** Sentences with their figures still in SI: a judgement writes one, whoever shows it prints it in the reader's units. */
import { capital } from "./capital.ts";
import { LENGTH_STYLES, type LengthStyle, METRES_PER, printLength } from "./length.ts";
import type { Family } from "./measure.ts";
import { say, sayFine } from "./say.ts";
import { inInches, type Units } from "./units.ts";

/** A figure in a sentence: SI, and how it reads in somebody's units. */
export type Figure = { readonly value: number; readonly print: (units: Units) => string };

/** A sentence: text where it has no figure, else its parts in order. */
export type Said = string | Figure | readonly (string | Figure)[];

/** Tags a template whose places hold figures, sentences or text. */
export function tell(texts: TemplateStringsArray, ...places: readonly (Said | number)[]): Said {
  return compact(texts.flatMap((text, at) => [text, ...(at < places.length ? partsOf(places[at]!) : [])]));
}

/** Sentences in a row, something between each two. */
export function joined(all: readonly Said[], between: string): Said {
  return compact(all.flatMap((each, at) => [...(at === 0 ? [] : [between]), ...partsOf(each)]));
}

/** With a capital letter in front. */
export const capitalSaid = (sentence: Said) => begun(sentence, capital);

/** With a small letter in front, as it goes on from a colon. */
export const lowerSaid = (sentence: Said) =>
  begun(sentence, (text) => text.charAt(0).toLowerCase() + text.slice(1));

function begun(sentence: Said, as: (text: string) => string): Said {
  const [first, ...rest] = partsOf(sentence);
  return typeof first === "string" ? compact([as(first), ...rest]) : sentence;
}

/** The sentence with its figures printed in these units. */
export function inWords(sentence: Said, units: Units): string {
  return partsOf(sentence)
    .map((part) => (typeof part === "string" ? part : part.print(units)))
    .join("");
}

/** The figures of a sentence in order, SI. */
export function figuresIn(sentence: Said): number[] {
  return partsOf(sentence).flatMap((part) => (typeof part === "string" ? [] : [part.value]));
}

/** A figure as a file can hold it: SI, and how it reads: alike for everybody, or by how a long tape, a small one or either is read. */
type WrittenFigure = { value: number } & Partial<{
  all: string;
  tape: Record<string, string>;
  small: Record<string, string>;
  either: Record<string, string>;
}>;
/** A sentence as a file can hold it. */
export type Written = string | readonly (string | WrittenFigure)[];

const byStyle = (print: (style: LengthStyle) => string) =>
  Object.fromEntries(LENGTH_STYLES.map((style) => [style, print(style)]));
const eitherOf = ({ tape, small }: Units) => `${tape} ${small}`;

/** A sentence with its figures written out for every reader. */
export function writtenOut(sentence: Said): Written {
  if (typeof sentence === "string") return sentence;
  return partsOf(sentence).map((part) => (typeof part === "string" ? part : written(part)));
}

function written({ value, print }: Figure): WrittenFigure {
  const [one] = LENGTH_STYLES;
  const tape = byStyle((style) => print({ tape: style, small: one }));
  const small = byStyle((style) => print({ tape: one, small: style }));
  const [byTape, bySmall] = [tape, small].map((reads) => new Set(Object.values(reads)).size > 1);
  if (byTape && bySmall) {
    const pairs = LENGTH_STYLES.flatMap((each) =>
      LENGTH_STYLES.map((other) => ({ tape: each, small: other })),
    );
    return { value, either: Object.fromEntries(pairs.map((units) => [eitherOf(units), print(units)])) };
  }
  if (byTape) return { value, tape };
  return bySmall ? { value, small } : { value, all: tape[one]! };
}

/** A sentence that was written out, to be told again. */
export function readBack(sentence: Written): Said {
  if (typeof sentence === "string") return sentence;
  return sentence.map((part) => {
    if (typeof part === "string") return part;
    const { value, all, tape, small, either } = part;
    return {
      value,
      print: (units) => all ?? tape?.[units.tape] ?? small?.[units.small] ?? either![eitherOf(units)]!,
    };
  });
}

function partsOf(sentence: Said | number): readonly (string | Figure)[] {
  if (typeof sentence === "number") return [String(sentence)];
  if (typeof sentence === "string") return [sentence];
  return "print" in sentence ? [sentence] : sentence;
}

function compact(parts: readonly (string | Figure)[]): Said {
  return parts.every((part) => typeof part === "string")
    ? parts.join("")
    : parts.filter((part) => part !== "");
}

/** A quantity of any family but length; with other decimals than usual where `decimals` says so. */
export function quantity(family: Family, value: number, decimals?: number): Figure {
  return { value, print: (units) => say(family, value, units, decimals) };
}

/** Diameters of pins and other small sizes, metres. */
export function fineLength(metres: number): Figure {
  return { value: metres, print: (units) => sayFine(metres, units) };
}

/** A length as a long tape reads it, metres. */
export function tapeLength(metres: number): Figure {
  return { value: metres, print: ({ tape }) => printLength(metres, tape) };
}

/** A length as one says it who did not measure it, metres: "10 m", "33 ft". */
export function roundLength(metres: number): Figure {
  return {
    value: metres,
    print: ({ tape }) => {
      const [unit, factor] = inInches(tape) ? ["ft", METRES_PER.ft] : ["m", 1];
      const count = metres / factor;
      return `${Number(count.toFixed(count < 10 ? 1 : 0))}\u00a0${unit}`;
    },
  };
}

/** A length as a rule held across rows reads it, metres. */
export function smallLength(metres: number): Figure {
  return { value: metres, print: ({ small }) => printLength(metres, small) };
}
