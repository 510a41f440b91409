/** What a dimension can be at all: beyond it the number is another thing's, or another unit's. */
import type { Dimension } from "./catalogue.ts";

type Ranged = Pick<Dimension, "plausible" | "sides" | "kind" | "family">;

/** So many times beyond the usual no such machine was built (our threshold). */
const BEYOND = 3;

/** The possible range of a dimension, SI: wider than the usual one, which is what such machines have. */
export function possible({ plausible: [low, high], sides, family }: Ranged): readonly [number, number] {
  const most = BEYOND * Math.max(Math.abs(low), Math.abs(high));
  if (family === "ratio") return [sides ? -1 : 0, 1];
  if (family === "angle") return [sides ? -Math.PI / 2 : 0, Math.PI / 2];
  return [sides ? -most : 0, most];
}

/** Whether a value cannot be, is not usual, or is as such machines have it. Of a choice every value is usual. */
export function judgeRange(entry: Ranged, value: number): "impossible" | "unusual" | "usual" {
  if (entry.kind === "choice") return "usual";
  const within = ([low, high]: readonly [number, number]) => value >= low && value <= high;
  if (!within(possible(entry))) return "impossible";
  return within(entry.plausible) ? "usual" : "unusual";
}
