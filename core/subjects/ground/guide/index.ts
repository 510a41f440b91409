import type { ToolKindKey } from "../../../trade/kinds.ts";
import { ANY } from "./any.ts";
import { CULTIVATOR } from "./folding.ts";
import type { Guide, GuideStep } from "./guide.ts";
import { HEAD } from "./head.ts";
import { HOE } from "./hoe.ts";
import { MOWER } from "./mower.ts";
import { OPENERS } from "./openers.ts";
import { PLOUGH } from "./plough.ts";
import { RAKE } from "./rake.ts";
import { SUBSOILER } from "./subsoiler.ts";

/** Every guided strip there is. */
export const GUIDES: readonly Guide[] = [PLOUGH, OPENERS, HOE, SUBSOILER, MOWER, RAKE, HEAD, CULTIVATOR, ANY];

/** The one for a tool; null for what has none, and while nobody said what it is. */
export function guideFor(tool: ToolKindKey | null): Guide | null {
  return tool === null ? null : (GUIDES.find(({ tools }) => tools.includes(tool)) ?? null);
}

/** A step of a guide by both keys; null where there is none. */
export function stepIn(guide: string, step: string): GuideStep | null {
  return GUIDES.find(({ key }) => key === guide)?.steps.find(({ key }) => key === step) ?? null;
}
