import { MINUS } from "../quantity/figure.ts";
import { parseLength, printedStep, printLength } from "../quantity/length.ts";
import { inUnit, parseMeasure } from "../quantity/measure.ts";
import type { FrozenLine } from "./numbered.ts";
import type { FigureForm, SignRule } from "./scheme.ts";

/** What the terminal shows against what the card says. */
export type Comparison =
  | { kind: "match" }
  | { kind: "differs"; by: string }
  /** nothing to compare yet */
  | { kind: "open" }
  | { kind: "unreadable"; problem: string };

export type Shown = { text: string; word: string };

/**
 * Compares values, not text: 12' 9.5" is 153.5 in. They match where they fall on the same step of the terminal's own
 * resolution.
 */
export function compareShown({ figure, word, form }: FrozenLine, shown: Shown): Comparison {
  const text = shown.text.trim();
  if (text === "") return { kind: "open" };
  switch (form.kind) {
    case "choice":
      return text.toLowerCase() === figure.toLowerCase()
        ? { kind: "match" }
        : { kind: "differs", by: `“${text}”` };
    case "count":
      return compareCounts(figure, text);
    case "quantity":
      return compareQuantities(form, figure, text);
    case "time":
      return compareTimes(form, figure, text);
    case "length":
      return compareLengths(form, { text: figure, word }, { ...shown, text });
  }
}

function compareCounts(figure: string, text: string): Comparison {
  if (!/^\d{1,6}$/.test(text)) return { kind: "unreadable", problem: "A whole number is shown here." };
  const by = Number(text) - Number(figure);
  return by === 0 ? { kind: "match" } : { kind: "differs", by: by > 0 ? `+${by}` : `−${-by}` };
}

function compareTimes(
  { unit, decimals }: Extract<FigureForm, { kind: "time" }>,
  figure: string,
  text: string,
): Comparison {
  const seen = parseMeasure("time", text, unit);
  if (!seen.ok) return { kind: "unreadable", problem: seen.problem };
  const by = inUnit("time", seen.value.value, unit) - Number(figure);
  return Math.abs(by) < 10 ** -decimals / 2
    ? { kind: "match" }
    : { kind: "differs", by: `${by > 0 ? "+" : MINUS}${Math.abs(by).toFixed(decimals)} ${unit}` };
}

/** A figure in another unit of its family is the same figure. */
function compareQuantities(
  { family, unit, decimals }: Extract<FigureForm, { kind: "quantity" }>,
  figure: string,
  text: string,
): Comparison {
  const minus = /^[-−–]/.test(text);
  const seen = parseMeasure(family, text.replace(/^[-−–]\s*/, ""), unit as never);
  if (!seen.ok) return { kind: "unreadable", problem: seen.problem };
  const value = inUnit(family, seen.value.value, unit as never) * (minus ? -1 : 1);
  const by = value - Number(figure.replace(MINUS, "-"));
  return Math.abs(by) < 10 ** -decimals / 2 + 1e-9
    ? { kind: "match" }
    : { kind: "differs", by: `${by > 0 ? "+" : MINUS}${Math.abs(by).toFixed(decimals)} ${unit}` };
}

type LengthForm = Extract<FigureForm, { kind: "length" }>;

function compareLengths({ unit, decimals, sign }: LengthForm, card: Shown, shown: Shown): Comparison {
  const [wanted, seen] = [parseLength(card.text, unit), parseLength(shown.text, unit)];
  if (!seen.ok) return { kind: "unreadable", problem: seen.problem };
  if (!wanted.ok) return { kind: "unreadable", problem: wanted.problem };
  const value = (metres: number, word: string) => (isMinus(sign, word) ? -metres : metres);
  if (
    sign.kind === "words" &&
    shown.word === "" &&
    Math.abs(seen.value.metres) >= printedStep(unit, decimals) / 2
  )
    return { kind: "unreadable", problem: `Say which: ${sign.plus} or ${sign.minus}.` };
  const by = value(seen.value.metres, shown.word) - value(wanted.value.metres, card.word);
  return Math.abs(by) < printedStep(unit, decimals) / 2
    ? { kind: "match" }
    : { kind: "differs", by: printLength(by, unit, { decimals, signed: true }) };
}

function isMinus(sign: SignRule, word: string): boolean {
  return sign.kind === "words" && word === sign.minus;
}
