/** How single figures and lists of them are judged, in the words of the trade. */
import { fineLength, quantity, type Said, tell } from "../../../quantity/said.ts";
import { MEASURES, type MeasureKey } from "../../../yard/ground.ts";
import { fix, good, type Judgement, type Off } from "./guide.ts";

/** A figure of a measure, as it is said. */
export function figureOf(measure: MeasureKey, value: number): Said {
  const { family } = MEASURES[measure];
  if (family === null) return String(value);
  if (family === "length") return fineLength(value);
  // Other quantities are printed without a sign: where one runs both ways it is written before it.
  return value < 0 ? tell`−${quantity(family, -value)}` : quantity(family, value);
}

export type Band = {
  measure: MeasureKey;
  value: number;
  /** SI, ends included; null: no end on that side */
  least: number | null;
  most: number | null;
  /** what is said of it, before the figure */
  name: string;
  /** what to do where it is too little, and too much */
  cures: { less: Said; more: Said };
};

/**
 * A figure that has to lie in a band. What an adjuster is to reach is the middle of the band, or of an open one the end and a tenth of it beyond.
 */
export function inBand({ measure, value, least, most, name, cures }: Band): Judgement {
  const band = bandSaid(measure, least, most);
  const said = tell`${name} ${figureOf(measure, value)}, wanted ${band}.`;
  const low = least !== null && value < least - TINY;
  const high = most !== null && value > most + TINY;
  const both = least !== null && most !== null;
  const wanted = both ? (least + most) / 2 : (least ?? most!) * (least === null ? 0.9 : 1.1);
  const tolerance = both ? (most - least) / 2 : Math.abs(wanted - (least ?? most!));
  const off: Off = { measure, value, wanted, tolerance };
  return low || high ? fix(said, low ? cures.less : cures.more, off) : good(said, off);
}

/** Nearer to an end than this is on it, whatever the unit it was typed in. */
const TINY = 1e-6;

function bandSaid(measure: MeasureKey, least: number | null, most: number | null): Said {
  if (least !== null && most !== null)
    return Math.abs(most - least) < TINY
      ? figureOf(measure, least)
      : tell`${figureOf(measure, least)} to ${figureOf(measure, most)}`;
  return least === null
    ? tell`at most ${figureOf(measure, most!)}`
    : tell`at least ${figureOf(measure, least)}`;
}

/** Mean, spread (standard deviation of the sample), least and most; null of an empty list. */
export function summaryOf(
  values: readonly number[],
): { mean: number; spread: number; least: number; most: number } | null {
  if (values.length === 0) return null;
  const mean = values.reduce((sum, each) => sum + each, 0) / values.length;
  const squares = values.reduce((sum, each) => sum + (each - mean) ** 2, 0);
  return {
    mean,
    spread: values.length > 1 ? Math.sqrt(squares / (values.length - 1)) : 0,
    least: Math.min(...values),
    most: Math.max(...values),
  };
}

/**
 * Of distances that ought to be equal those that are not: further than `allowed` from the median. The median is not pulled along by one that is
 * bent.
 */
export function unequal(values: readonly number[], allowed: number): { at: number; by: number }[] {
  if (values.length < 2) return [];
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length / 2;
  const median = sorted.length % 2 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2;
  return values.flatMap((value, at) =>
    Math.abs(value - median) > allowed + TINY ? [{ at, by: value - median }] : [],
  );
}
