/** Sections laid out: from a width, from nozzles or rows; mirrored, and their boundaries moved. Metres, left to right. */
import { NARROWEST } from "../../rig/sections.ts";

/** The left half as it is, the right half its mirror image; a middle section stays. */
export function mirror<T>(sections: readonly T[]): T[] {
  const half = sections.slice(0, Math.ceil(sections.length / 2));
  const right = sections.length % 2 === 0 ? half : half.slice(0, -1);
  return [...half, ...right.reverse()];
}

/**
 * The boundary to the right of section `at` moved by `by` to the right: one section grows by what its neighbour loses.
 * Neither gets narrower than a hand.
 */
export function moveBoundary(widths: readonly number[], at: number, by: number): number[] {
  const [left, right] = [widths[at], widths[at + 1]];
  if (left === undefined || right === undefined) return [...widths];
  const moved = Math.max(NARROWEST - left, Math.min(right - NARROWEST, by));
  return widths.map((width, index) =>
    index === at ? width + moved : index === at + 1 ? width - moved : width,
  );
}

/** How many rows or nozzles a section holds; not whole where its width does not fit the spacing. */
export function countIn(width: number, spacing: number): { count: number; whole: boolean } {
  const count = width / spacing;
  return { count: Math.round(count * 100) / 100, whole: Math.abs(count - Math.round(count)) < 0.02 };
}

/** The first pair of sections that are no mirror image of each other, from the outside in; null where all are. */
export function unlike(widths: readonly number[]): { left: number; right: number } | null {
  for (let at = 0; at < Math.floor(widths.length / 2); at += 1) {
    const other = widths.length - 1 - at;
    if (Math.abs(widths[at]! - widths[other]!) > 0.005) return { left: at + 1, right: other + 1 };
  }
  return null;
}
