import type { ResolvedRig } from "../rig/resolve.ts";
import { placeSections } from "../rig/sections.ts";
import type { SectionBracket } from "./sheet.ts";

/** Brackets under the work, one a section; numbers are left out where they would touch. */
export function bracketsOf(rig: ResolvedRig, toX: (y: number) => number, y: number): SectionBracket[] {
  const sections = placeSections(rig);
  const narrowest = Math.min(...sections.map(({ width, centre }) => toX(centre + width) - toX(centre)));
  const every = Math.ceil(20 / Math.max(narrowest, 1));
  return sections.map(({ number, width, centre }) => ({
    number,
    x1: toX(centre - width / 2),
    x2: toX(centre + width / 2),
    y,
    numbered:
      number === 1 ||
      number === sections.length ||
      (number % every === 0 && sections.length - number >= every),
  }));
}
