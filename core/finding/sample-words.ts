/** Sentences as an operator on metric units reads them, with plain spaces, for tests. */
import { figuresIn, inWords, type Said } from "../quantity/said.ts";
import { PRESETS, type Units } from "../quantity/units.ts";
import type { Check } from "./check.ts";

export function plain(sentence: Said, units: Units = PRESETS.metric): string {
  return inWords(sentence, units).replace(/\u00a0/g, " ");
}

/** "stop: what is said why it matters", or none. */
export function told(check: Check | undefined, units: Units = PRESETS.metric): string {
  return check ? `${check.verdict}: ${plain(check.said, units)} ${plain(check.why, units)}` : "none";
}

/** A verdict and the figures it was said with, SI, to four digits. */
export function figured(check: Check | undefined): [verdict: string, ...figures: number[]] {
  return check
    ? [check.verdict, ...figuresIn(check.said).map((figure) => Number(figure.toPrecision(4)))]
    : ["none"];
}
