/** Ways with no more corners than they need. */
import type { OnPlane } from "../geodesy/plane.ts";

/** A way without the points that lie within so much of the straight between those kept (Douglas and Peucker 1973). Metres. */
export function thinned(way: readonly OnPlane[], straight: number): OnPlane[] {
  const keep = new Set([0, way.length - 1]);
  const open: [number, number][] = [[0, way.length - 1]];
  for (let span = open.pop(); span; span = open.pop()) {
    const [from, to] = span;
    let [far, worst] = [-1, straight];
    for (let at = from + 1; at < to; at += 1) {
      const off = offLine(way[at]!, way[from]!, way[to]!);
      if (off > worst) [far, worst] = [at, off];
    }
    if (far < 0) continue;
    keep.add(far);
    open.push([from, far], [far, to]);
  }
  return way.filter((_, at) => keep.has(at));
}

function offLine(point: OnPlane, from: OnPlane, to: OnPlane): number {
  const [east, north] = [to.east - from.east, to.north - from.north];
  const length = Math.hypot(east, north);
  if (length === 0) return Math.hypot(point.east - from.east, point.north - from.north);
  return Math.abs(east * (point.north - from.north) - north * (point.east - from.east)) / length;
}
