/** How near two outlines on the plane come to each other. Metres. */
import type { Spot } from "./train.ts";

export type Outline = readonly Spot[];

const edges = (outline: Outline) =>
  outline.map((from, at) => [from, outline[(at + 1) % outline.length]!] as const);

function fromEdge(point: Spot, [from, to]: readonly [Spot, Spot]): number {
  const [along, across] = [to.x - from.x, to.y - from.y];
  const long = along ** 2 + across ** 2;
  const share = long === 0 ? 0 : ((point.x - from.x) * along + (point.y - from.y) * across) / long;
  const at = Math.min(1, Math.max(0, share));
  return Math.hypot(point.x - from.x - at * along, point.y - from.y - at * across);
}

/** Whether a point lies inside an outline: a ray from it crosses an odd number of edges. */
export function inside(point: Spot, outline: Outline): boolean {
  return edges(outline).reduce((within, [a, b]) => {
    const crosses = a.y > point.y !== b.y > point.y;
    return crosses && point.x < a.x + ((point.y - a.y) / (b.y - a.y)) * (b.x - a.x) ? !within : within;
  }, false);
}

const side = (a: Spot, b: Spot, c: Spot) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

function cross([a, b]: readonly [Spot, Spot], [c, d]: readonly [Spot, Spot]): boolean {
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

/** The least distance between two outlines; 0 where they touch or lie in each other. Concave ones too. */
export function between(one: Outline, other: Outline): number {
  const [ours, theirs] = [edges(one), edges(other)];
  if (ours.some((edge) => theirs.some((against) => cross(edge, against)))) return 0;
  if (inside(one[0]!, other) || inside(other[0]!, one)) return 0;
  const reach = (points: Outline, against: typeof ours) =>
    Math.min(...points.flatMap((point) => against.map((edge) => fromEdge(point, edge))));
  return Math.min(reach(one, theirs), reach(other, ours));
}
