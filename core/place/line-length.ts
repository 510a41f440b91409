/** Whether a line is long enough to steer by. */
import { between } from "../geodesy/ellipsoid.ts";
import type { Geographic } from "../geodesy/plane.ts";

/** From points closer together no heading can be told: 2 cm of doubt over 10 m turn it by 0.1° (ours). */
export const SHORTEST_LINE = 10;

/** Whether a heading can be told from these points. */
export function isLineLongEnough(points: readonly Geographic[]): boolean {
  return lengthOf(points) >= SHORTEST_LINE;
}

/** Metres along a line. */
export function lengthOf(points: readonly Geographic[]): number {
  return points.slice(1).reduce((sum, to, at) => sum + between(points[at]!, to).distance, 0);
}
