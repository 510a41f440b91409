import type { TruePattern } from "./dose.ts";

/**
 * What really falls at a place, metres right of the spreader's middle, as a share of the rate: two sides that fall off towards the edge, the
 * whole of it shifted, and a little more behind the middle.
 */
export function fallsAt({ reach, slope, shift, middle }: TruePattern, x: number): number {
  const off = Math.abs(x - shift);
  const side = 1 / (1 + Math.exp((off - reach) / (slope / 4)));
  return side + middle * Math.exp(-((x / 3) ** 2));
}
