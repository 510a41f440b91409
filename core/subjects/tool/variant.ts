/** A variant worked out from the whole tool: sections left off, or one rank of two. */

export type Whole = {
  /** metres, left to right */
  widths: readonly number[];
  /** metres right of the line of pull */
  lateral: number;
  /** metres between rows or nozzles; null where there are none */
  spacing: number | null;
  rows: number | null;
};

export type Derived = {
  widths: readonly number[];
  width: number;
  lateral: number;
  rows: number | null;
  spacing: number | null;
};

/** The sections from `first` to `last` at work, numbered from 1 at the left. @throws RangeError where there are none such */
export function withSections({ widths, lateral, spacing }: Whole, first: number, last: number): Derived {
  if (!(first >= 1 && last >= first && last <= widths.length))
    throw new RangeError(`no sections ${first} to ${last} of ${widths.length}`);
  const sum = (of: readonly number[]) => of.reduce((total, each) => total + each, 0);
  const kept = widths.slice(first - 1, last);
  const width = sum(kept);
  const leftEdge = lateral - sum(widths) / 2 + sum(widths.slice(0, first - 1));
  return {
    widths: kept,
    width,
    lateral: leftEdge + width / 2,
    rows: spacing === null ? null : Math.round(width / spacing),
    spacing,
  };
}

/**
 * Every second row at work, beginning with the first or the second from the left: twice the spacing, the same width, half a
 * spacing to one side.
 */
export function oneRank(
  { widths, lateral, spacing, rows }: Whole,
  starts: "first" | "second",
): Derived | null {
  if (spacing === null || rows === null) return null;
  const working = starts === "first" ? Math.ceil(rows / 2) : Math.floor(rows / 2);
  const width = working * 2 * spacing;
  // The first row working stands half a spacing from the left edge, or a spacing and a half.
  const firstRow = lateral - (rows * spacing) / 2 + spacing * (starts === "first" ? 0.5 : 1.5);
  const full = widths.reduce((sum, each) => sum + each, 0);
  return {
    widths: widths.map((each) => (each * width) / full),
    width,
    lateral: firstRow + (working - 1) * spacing,
    rows: working,
    spacing: 2 * spacing,
  };
}
