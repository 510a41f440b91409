/** Lines that a terminal shows for some tools only. */
import { type Hung, isBuiltOn } from "../dimension/attachment.ts";
import { hasDimension } from "../dimension/catalogue.ts";
import { ROWLESS, type ToolKindKey } from "../trade/kinds.ts";

const isTool =
  (...kinds: ToolKindKey[]) =>
  ({ tool }: Hung) =>
    tool !== null && kinds.includes(tool);

/** Which tools a line may be kept for; what nobody said the kind of is asked as a tool with rows. */
const GROUPS = {
  every: { label: "every tool", holds: () => true },
  wheels: { label: "tools with wheels of their own", holds: (hung: Hung) => hasDimension(hung, "pin.pivot") },
  carried: { label: "tools without wheels", holds: (hung: Hung) => !hasDimension(hung, "pin.pivot") },
  rows: {
    label: "tools with rows or nozzles",
    holds: ({ tool }: Hung) => tool === null || !ROWLESS.includes(tool),
  },
  heads: { label: "cutting heads", holds: ({ attachment }: Hung) => attachment === "head" },
  booms: {
    label: "booms",
    holds: (hung: Hung) => isBuiltOn(hung.attachment) || isTool("sprayer")(hung),
  },
  planters: { label: "planters", holds: isTool("planter") },
  spreaders: { label: "spreaders", holds: isTool("spreader") },
  "all but spreaders": { label: "all but spreaders", holds: (hung: Hung) => !isTool("spreader")(hung) },
  discs: { label: "disc tools", holds: isTool("disc") },
  "all but discs": { label: "all but disc tools", holds: (hung: Hung) => !isTool("disc")(hung) },
} as const satisfies Record<string, { label: string; holds: (hung: Hung) => boolean }>;

export type OnlyFor = keyof typeof GROUPS;
export const ONLY_FOR = Object.keys(GROUPS) as OnlyFor[];

/** "cutting heads", as it stands in a list of tools. */
export function onlyLabel(only: OnlyFor): string {
  return GROUPS[only].label;
}

/** Whether a line kept for such tools is shown for this one. */
export function isShownFor(only: OnlyFor, hung: Hung): boolean {
  return GROUPS[only].holds(hung);
}
