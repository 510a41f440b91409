import type { ResolvedRig } from "./resolve.ts";

export type Section = {
  /** 1 at the left end */
  number: number;
  width: number;
  /** lateral position of its middle in the machine frame, metres, right positive */
  centre: number;
};

export function sectionSum(widths: readonly number[]): number {
  return widths.reduce((sum, width) => sum + width, 0);
}

/** Places sections side by side, left to right, about the tool's own lateral offset. Empty without a layout or offset. */
export function placeSections({ values, sections }: ResolvedRig): Section[] {
  const lateral = values["tool.lateral"].value;
  if (!sections || lateral === null) return [];
  let edge = lateral - sectionSum(sections.widths) / 2;
  return sections.widths.map((width, index) => {
    const centre = edge + width / 2;
    edge += width;
    return { number: index + 1, width, centre };
  });
}
