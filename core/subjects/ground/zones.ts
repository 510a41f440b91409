/** The wings of a wide tool against its middle: the outer thirds of what was dug, each beside the middle third of the same line. */
import type { DepthPoint } from "../../yard/ground.ts";

export type Zone = {
  side: "left" | "right";
  /** metres deeper than the middle; negative: shallower */
  by: number;
  /** standard error of that, metres; null where no third was dug twice along one line */
  error: number | null;
  /** points dug in that third */
  points: number;
};

const EDGE = 1e-6;

const third = (y: number, wide: number): Zone["side"] | "middle" =>
  Math.abs(y) <= wide / 6 + EDGE ? "middle" : y < 0 ? "left" : "right";

const mean = (of: readonly number[]) => of.reduce((sum, each) => sum + each, 0) / of.length;

/**
 * How much deeper the outer thirds of the width lie than the middle, the mean over the lines (along the front, along the rear) that were dug in both;
 * a third that has no such line is left out. The scatter within a third of a line, pooled, gives the standard error.
 * @param wide working width, metres
 * @param odd points that do not fit the others, by their place among the points: they count nowhere
 */
export function zonesOf(points: readonly DepthPoint[], wide: number, odd: readonly number[] = []): Zone[] {
  const kept = points.filter((_, at) => !odd.includes(at));
  const lines = [...new Set(kept.map(({ x }) => x))].map((x) => {
    const on = kept.filter((each) => each.x === x);
    const of = (side: ReturnType<typeof third>) =>
      on.filter(({ y }) => third(y, wide) === side).map(({ depth }) => depth);
    return { left: of("left"), middle: of("middle"), right: of("right") };
  });
  const groups = lines.flatMap(({ left, middle, right }) => [left, middle, right]);
  const variance = pooled(groups);
  return (["left", "right"] as const).flatMap((side): Zone[] => {
    const both = lines.filter((line) => line[side].length > 0 && line.middle.length > 0);
    if (both.length === 0) return [];
    const by = mean(both.map((line) => mean(line[side]) - mean(line.middle)));
    const spread = both.reduce((sum, line) => sum + 1 / line[side].length + 1 / line.middle.length, 0);
    return [
      {
        side,
        by,
        error: variance === null ? null : Math.sqrt(variance * spread) / both.length,
        points: both.reduce((sum, line) => sum + line[side].length, 0),
      },
    ];
  });
}

/** The variance within groups, of all of them together; null where none has two. */
function pooled(groups: readonly (readonly number[])[]): number | null {
  const freedom = groups.reduce((sum, { length }) => sum + Math.max(0, length - 1), 0);
  if (freedom === 0) return null;
  const squares = groups.flatMap((group) => {
    const middle = group.length > 0 ? mean(group) : 0;
    return group.map((each) => (each - middle) ** 2);
  });
  return squares.reduce((sum, each) => sum + each, 0) / freedom;
}
