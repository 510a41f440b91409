/** How well the tool has to be known, by what it does. */

import type { ResolvedRig } from "../rig/resolve.ts";
import type { ToolKindKey } from "../trade/kinds.ts";

export type Tolerance = {
  /** metres, 95 %, across the line of travel and along it */
  across: number;
  along: number;
  why: string;
};

/** By the kind of tool (common practice, no source). */
const BY_KIND: Partial<Record<ToolKindKey, Tolerance>> = {
  planter: { across: 0.025, along: 0.1, why: "rows are hoed and harvested by the same joints" },
  drill: { across: 0.04, along: 0.15, why: "a joint is a row too wide or sown twice" },
  hoe: { across: 0.02, along: 0.2, why: "blades pass a hand's breadth from the row" },
  sprayer: { across: 0.1, along: 0.25, why: "nozzle cones overlap, a double strip burns" },
  spreader: { across: 0.4, along: 1, why: "a spread pattern fades out over metres" },
  mower: { across: 0.1, along: 0.3, why: "a strip left standing shows" },
  header: { across: 0.1, along: 0.3, why: "a strip left standing shows" },
  plough: { across: 0.05, along: 0.3, why: "furrow fits to furrow" },
};

const OTHERWISE: Tolerance = { across: 0.08, along: 0.3, why: "a strip left or worked twice" };

/** How well a tool of this kind has to be known, metres, 95 %. */
export function toleranceOf({ values }: Pick<ResolvedRig, "values">): Tolerance {
  return BY_KIND[values["tool.kind"].choice as ToolKindKey] ?? OTHERWISE;
}
