/**
 * A stand counted along rows. Spacings over the one wanted: under half of it a double, over one and a half a skip (ISO 7256-1, from memory);
 * singulation is the share of seed places with one seed.
 */
import { variationOf } from "../../../calibration/ratio.ts";
import { atLeast, shareInterval } from "../../../statistics/binomial.ts";
import { t95 } from "../../../statistics/student.ts";

/** What was counted along one row. */
export type RowCount = {
  row: number;
  /** metres counted along */
  length: number;
  /** plants standing singly, places left empty, places with two */
  singles: number;
  skips: number;
  doubles: number;
  /** spacings of single plants, metres; empty where nobody read a tape */
  spacings: readonly number[];
};

/** Under this share of the wanted spacing a plant is a double, over the other one a place was left empty. */
export const DOUBLE = 0.5;
export const SKIP = 1.5;
/** A spacing on the very limit is a single one, however its digits fall. */
const ROUNDING = 1e-9;

/**
 * Counts a row from where its plants stand along a tape, metres; `wanted` is the spacing set. The first plant has no spacing.
 * Example at 0.2 m: plants at 0, 0.2, 0.25, 0.4, 0.8 are three singles, one double (0.25), one skip (0.6).
 */
export function countFromTape(
  row: number,
  positions: readonly number[],
  wanted: number,
  length: number,
): RowCount {
  const sorted = [...positions].sort((a, b) => a - b);
  let [doubles, skips] = [0, 0];
  const spacings: number[] = [];
  for (let at = 1; at < sorted.length; at += 1) {
    const spacing = sorted[at]! - sorted[at - 1]!;
    const share = spacing / wanted;
    if (share < DOUBLE - ROUNDING) doubles += 1;
    else if (share > SKIP + ROUNDING) skips += Math.max(1, Math.round(share) - 1);
    else spacings.push(spacing);
  }
  return { row, length, singles: Math.max(0, sorted.length - 2 * doubles), skips, doubles, spacings };
}

/** Bins of a spacing over the one wanted, each so wide, the last for all beyond. */
const BIN = 0.1;
const BINS = 30;

/** How often each spacing came, over the one wanted: `at` is the lower end of a bin. Positions and `wanted` in metres. */
export function spacingBins(
  rows: readonly (readonly number[])[],
  wanted: number,
): { at: number; count: number }[] {
  const counts = new Array<number>(BINS).fill(0);
  for (const positions of rows)
    for (let at = 1; at < positions.length; at += 1) {
      const share = (positions[at]! - positions[at - 1]!) / wanted;
      counts[Math.min(BINS - 1, Math.floor(share / BIN + 1e-9))]! += 1;
    }
  return counts.map((count, at) => ({ at: at * BIN, count }));
}

export type RowStand = RowCount & {
  /** plants/m² */
  population: number;
  /** share of seed places with one plant; null where none was counted */
  singulation: number | null;
  /** coefficient of variation of single spacings; null of fewer than two */
  variation: number | null;
  /** what is out of the ordinary, the worst first */
  faults: readonly ("skips" | "doubles" | "spacing")[];
};

export type Stand = {
  rows: readonly RowStand[];
  /** plants/m² over all rows, with half its 95 % interval; half is null of one row */
  population: { value: number; half: number | null };
  places: number;
  singulation: { value: number; low: number; high: number } | null;
  skips: number;
  doubles: number;
  variation: number | null;
};

/** A row is looked at where so much is skipped, or doubled, and chance alone does not explain it beside the others (common practice, no source). */
const SKIPPED = 0.05;
const DOUBLED = 0.05;
/** The chance that any row of a planter is questioned although nothing is wrong with it. */
const IN_VAIN = 0.05;
/** Spacing of singles varies by more than this (common practice, no source). */
const UNEVEN = 0.3;

/** Judges rows counted. `spacing` between rows, metres. Null where nothing was counted. */
export function judgeStand(counts: readonly RowCount[], spacing: number): Stand | null {
  const usable = counts.filter(
    ({ length, singles, skips, doubles }) => length > 0 && singles + skips + doubles > 0,
  );
  if (usable.length === 0) return null;
  const rows = usable.map((row) => rowStand(row, usable, spacing));
  const sum = (of: (row: RowStand) => number) => rows.reduce((total, row) => total + of(row), 0);
  const [singles, skips, doubles] = [
    sum((row) => row.singles),
    sum((row) => row.skips),
    sum((row) => row.doubles),
  ];
  const places = singles + skips + doubles;
  const populations = rows.map(({ population }) => population);
  const mean = sum(plantsOf) / (sum(({ length }) => length) * spacing);
  return {
    rows,
    population: { value: mean, half: halfOf(populations) },
    places,
    singulation: { value: singles / places, ...shareInterval(singles, places) },
    skips,
    doubles,
    variation: variationOf(rows.flatMap(({ spacings }) => spacings)),
  };
}

const plantsOf = ({ singles, doubles }: RowCount) => singles + 2 * doubles;
const placesOf = ({ singles, skips, doubles }: RowCount) => singles + skips + doubles;

function halfOf(numbers: readonly number[]): number | null {
  if (numbers.length < 2) return null;
  const mean = numbers.reduce((total, each) => total + each, 0) / numbers.length;
  const scatter = Math.sqrt(
    numbers.reduce((total, each) => total + (each - mean) ** 2, 0) / (numbers.length - 1),
  );
  return (t95(numbers.length - 1) * scatter) / Math.sqrt(numbers.length);
}

function rowStand(row: RowCount, all: readonly RowCount[], spacing: number): RowStand {
  const places = placesOf(row);
  const others = all.filter((each) => each !== row);
  const variation = variationOf(row.spacings);
  const beyond = (of: "skips" | "doubles", limit: number) => {
    const elsewhere = others.reduce((total, each) => total + placesOf(each), 0);
    const there = others.reduce((total, each) => total + each[of], 0);
    // As often as beside it, one more place told of than was: of few places nothing is known to never happen.
    const usual = others.length === 0 ? limit : (there + 1) / (elsewhere + 2);
    return row[of] / places > limit && atLeast(row[of], places, usual) < IN_VAIN / all.length;
  };
  return {
    ...row,
    population: plantsOf(row) / (row.length * spacing),
    singulation: places === 0 ? null : row.singles / places,
    variation,
    faults: [
      ...(beyond("skips", SKIPPED) ? (["skips"] as const) : []),
      ...(beyond("doubles", DOUBLED) ? (["doubles"] as const) : []),
      ...(variation !== null && row.spacings.length >= 8 && variation > UNEVEN ? (["spacing"] as const) : []),
    ],
  };
}

/** What to look at on a row unit (common practice, no source; the operator's manual comes first). */
export const LOOK_AT: Readonly<Record<RowStand["faults"][number], string>> = {
  skips:
    "is its vacuum or brush, the disc's cells, the seed tube and its sensor, then seed that bridges in the hopper",
  doubles: "is its singulator set too open, too much vacuum, or a disc for larger seed",
  spacing: "is its seed tube worn, downforce too light, or the speed too high: the seed bounces",
};

/** A row with so many fewer plants than the middle of them is looked at (our threshold). */
const THIN = 0.1;

/** Rows as they were counted before, by their plants alone: which of them stand thinner than the others, and by how much. */
export function judgeKeptRows(
  kept: readonly { place: number; value: number }[],
): { place: number; value: number; off: number; thin: boolean }[] {
  const sorted = kept.map(({ value }) => value).sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
  return kept.map(({ place, value }) => {
    const off = middle === 0 ? 0 : value / middle - 1;
    return { place, value, off, thin: off < -THIN };
  });
}
