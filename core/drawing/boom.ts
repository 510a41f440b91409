/** What was found along a boom or a row of units: a bar for each, up for more than the others and down for less, from the left as one follows the tool. */

/** One unit of the row. */
export type RowUnit = {
  /** its number, 1 at the left */
  place: number;
  /** by how much it differs from the others, as a share; null where nothing was found at it */
  off: number | null;
  /** nothing is wrong with it */
  good: boolean;
};

/** The units of a row of so many, against a mean; what was found of none is not known. */
export function rowUnits(
  count: number,
  found: readonly { place: number; value: number; state: string }[],
  mean: number,
): RowUnit[] {
  const at = new Map(found.map((each) => [each.place, each]));
  return Array.from({ length: count }, (_, index) => {
    const each = at.get(index + 1);
    return {
      place: index + 1,
      off: each && mean > 0 ? each.value / mean - 1 : null,
      good: !each || each.state === "good",
    };
  });
}

export type RowBar = RowUnit & {
  /** pixels: middle, and the ends of the bar */
  x: number;
  top: number;
  bottom: number;
  /** it goes beyond what the sheet shows: the bar is cut off there */
  cut: boolean;
  /** where its number stands, pixels; null where there is no room for it and nothing is wrong with it */
  number: number | null;
};

export type RowDrawn = {
  width: number;
  height: number;
  /** the line on which all would end that give as much as the others, pixels */
  level: number;
  /** ends of the row, pixels */
  left: number;
  right: number;
  /** width of a bar, pixels */
  bar: number;
  bars: readonly RowBar[];
  /** lines of so much more and less, pixels */
  limits: readonly { y: number; share: number }[];
};

const MARGIN = 26;
/** A number takes so much room under its bar, pixels. */
const NUMBER = 26;
/** Numbers stand in so many lines, each so high, pixels. */
const ROWS = 3;
const LINE = 18;
/** Shares beyond this are cut off: a blocked nozzle would flatten all the others. */
const MOST = 0.25;

/**
 * Draws a row on a sheet of this size, pixels. `limit` is the share up to which a unit is good. Numbered are all that are not good, one under the
 * other where they are close, and of the rest as many as there is room for.
 */
export function drawRow(
  units: readonly RowUnit[],
  limit: number,
  { width, height }: { width: number; height: number },
): RowDrawn {
  const [left, right] = [MARGIN, width - MARGIN];
  const each = (right - left) / Math.max(units.length, 1);
  const bar = Math.max(2, Math.min(26, each * 0.7));
  const top = 14;
  const bottom = height - LINE * ROWS - 4;
  const level = (top + bottom) / 2;
  const scale = (bottom - top) / 2 / MOST;
  const numbers = numbersOf(units, each, bottom + LINE);
  return {
    width,
    height,
    level,
    left,
    right,
    bar,
    bars: units.map((unit, at): RowBar => {
      const share = Math.max(-MOST, Math.min(MOST, unit.off ?? 0));
      const end = level - share * scale;
      return {
        ...unit,
        x: left + (at + 0.5) * each,
        top: Math.min(level, end),
        bottom: Math.max(level, end),
        cut: Math.abs(unit.off ?? 0) > MOST,
        number: numbers.get(at) ?? null,
      };
    }),
    limits: [limit, -limit].map((share) => ({ share, y: level - share * scale })),
  };
}

/** Where numbers stand: first those of what is not good, then every so many of the rest where nothing is in their way. */
function numbersOf(units: readonly RowUnit[], each: number, first: number): Map<number, number> {
  const taken: number[][] = Array.from({ length: ROWS }, () => []);
  const placed = new Map<number, number>();
  const place = (at: number, rows: number) => {
    const row = taken
      .slice(0, rows)
      .findIndex((of) => of.every((other) => Math.abs(other - at) * each >= NUMBER));
    if (row < 0) return;
    taken[row]!.push(at);
    placed.set(at, first + row * LINE);
  };
  for (const [at, { good }] of units.entries()) if (!good) place(at, ROWS);
  const every = Math.max(1, Math.ceil(NUMBER / each));
  for (let at = 0; at < units.length; at += every) if (units[at]!.good) place(at, 1);
  return placed;
}
