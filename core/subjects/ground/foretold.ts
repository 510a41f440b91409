/** A depth map as it would be with adjusters turned: what each step moves, added to what was dug. */
import type { DepthPoint, StepEffect } from "../../yard/ground.ts";
import type { GroundOf } from "./ground-of-rig.ts";

/** How much deeper a step makes the work at a place, metres: a plane through what it does in front, behind, and right against left. */
export function movedAt(
  { front, rear, across }: StepEffect,
  { x, y }: Pick<DepthPoint, "x" | "y">,
  { long, wide }: Pick<GroundOf, "long" | "wide">,
): number {
  const along = long > 0 ? ((front - rear) * x) / long : 0;
  const aside = wide > 0 ? (across * y) / wide : 0;
  return (front + rear) / 2 + along + aside;
}

/** The points with the adjusters turned as advised; none where nothing is advised, or nothing is to be turned. */
export function foretoldPoints(of: Pick<GroundOf, "map" | "advice" | "long" | "wide">): DepthPoint[] {
  const turns = of.advice?.turns ?? [];
  if (turns.length === 0) return [];
  return of.map.points.map((point) => ({
    ...point,
    depth: turns.reduce(
      (depth, { adjuster, steps }) =>
        depth + (adjuster.effect ? steps * movedAt(adjuster.effect, point, of) : 0),
      point.depth,
    ),
  }));
}
