import type { Parsed } from "../quantity/figure.ts";
import { type LengthStyle, parseLength } from "../quantity/length.ts";
import type { ResolvedRig } from "./resolve.ts";

export type Section = {
  /** 1 at the left end */
  number: number;
  width: number;
  /** lateral position of its middle in the machine frame, metres, right positive */
  centre: number;
  /** metres ahead of the middle of the work, − behind */
  ahead: number;
};

/** "1 section", "6 sections". */
export function countSections({ widths }: { widths: readonly number[] }): string {
  return `${widths.length} ${widths.length === 1 ? "section" : "sections"}`;
}

/** The widths added up, metres. */
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
    return { number: index + 1, width, centre, ahead: sections.parts[index]?.ahead ?? 0 };
  });
}

/** A section is at least a hand wide and a terminal numbers no more than this many (ISO 11783-10 condensed work states, 16 × 16). */
export const NARROWEST = 0.05;
export const MOST_SECTIONS = 256;

/** A width in so many equal sections. @throws RangeError for a count below one */
export function splitEvenly(width: number, count: number): number[] {
  if (!Number.isInteger(count) || count < 1) throw new RangeError(`no ${count} sections`);
  return new Array<number>(count).fill(width / count);
}

const ITEM = String.raw`(?:\d{1,3}\s*[x×*]\s*)?[\d.,]*\d`;
const SPACED = new RegExp(`^${ITEM}(?:\\s+${ITEM})+$`, "i");

/** What stands between semicolons, between commas with a blank behind, or between bare numbers: "3 × 3.5, 3", "3.5 3.5 3.5". */
function groupsIn(text: string): string[] {
  return text
    .split(/[;+|\n]|,\s+/)
    .map((each) => each.trim())
    .flatMap((group) => (SPACED.test(group) ? (group.match(new RegExp(ITEM, "gi")) ?? []) : [group]));
}

/** Reads widths from left to right: "3 × 1.5", "1.5; 1.5; 1.2", "3.5 3.5 3", "3 x 3.5, 3", "2 x 4'; 6 x 5' 6\"". Metres. */
export function parseSections(text: string, style: LengthStyle): Parsed<number[]> {
  const widths: number[] = [];
  for (const group of groupsIn(text)) {
    if (group === "")
      return { ok: false, problem: `There is a gap in the list. Type it like 3 × 1.5 or 1.5; 1.5; 1.2.` };
    const repeated = /^(\d{1,3})\s*[x×*]\s*(.+)$/i.exec(group);
    const read = parseLength(repeated?.[2] ?? group, style);
    if (!read.ok) return read;
    if (read.value.metres < NARROWEST)
      return { ok: false, problem: `“${group}” is too narrow for a section.` };
    const count = repeated ? Number(repeated[1]) : 1;
    if (count === 0 || widths.length + count > MOST_SECTIONS)
      return { ok: false, problem: `Give 1 to ${MOST_SECTIONS} sections.` };
    widths.push(...Array<number>(count).fill(read.value.metres));
  }
  return { ok: true, value: widths };
}
