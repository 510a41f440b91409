import { MINUS } from "../quantity/figure.ts";
import type { Figure } from "../quantity/said.ts";

/** A share in a sentence, in per cent with one decimal: the same in all units. With its sign unless that is left off. */
export function percent(share: number, { sign = true, decimals = 1 } = {}): Figure {
  const text = Math.abs(100 * share).toFixed(decimals);
  const nothing = Number(text) === 0;
  const mark = !sign || nothing ? (share < 0 && !nothing ? MINUS : "") : share < 0 ? MINUS : "+";
  return { value: share, print: () => `${mark}${text}\u00a0%` };
}

/** "12.0 % more", "3.1 % less". */
export function moreOrLess(share: number): Figure {
  const text = `${Math.abs(100 * share).toFixed(1)}\u00a0%`;
  return { value: share, print: () => `${text} ${share < 0 ? "less" : "more"}` };
}
