/** How near the depth of a tool has to come to what is wanted, by what it is (ours; the maker's word comes first). */
import type { ToolKindKey } from "../../trade/kinds.ts";

const FINE = 0.005;
const WIDE = 0.01;
const PLOUGH = 0.02;

const OF_KIND: Partial<Record<ToolKindKey, number>> = {
  plough: PLOUGH,
  subsoiler: PLOUGH,
  drill: FINE,
  planter: FINE,
  hoe: FINE,
};

/** Level is within half a degree. */
const LEVEL = Math.tan((0.5 * Math.PI) / 180);

export type GroundTolerance = { depth: number; fore: number; across: number };

/**
 * Metres: of the depth in the middle, of front against rear and of right against left. A wide tool that leans half a degree is out at its
 * ends long before: no difference may be more than the depth is allowed both ways.
 */
export function groundTolerance(tool: ToolKindKey | null, long: number, wide: number): GroundTolerance {
  const depth = (tool && OF_KIND[tool]) ?? WIDE;
  const level = (length: number) => Math.min(2 * depth, Math.max(length * LEVEL, depth / 2));
  return { depth, fore: level(long), across: level(wide) };
}
