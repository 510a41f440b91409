/**
 * A spread pattern caught in trays, laid over itself pass by pass (method of ASABE S341 and ISO 5690; the limit of 10 % is common practice).
 * Positions in metres from the middle of the spreader, right positive; catches in any one unit.
 */

export type Catch = { x: number; caught: number };

/** To and fro turns every other pass about; round and round lays each the same way. */
export type Driving = "to and fro" | "round and round";

export type Spacing = { spacing: number; toAndFro: number; roundAndRound: number };

/** A stretch of spacings under the limit, metres. */
export type Window = { from: number; to: number };

/** Coefficients of variation up to this are even enough (common practice, no source). */
export const EVEN = 0.1;

/** Points of the pattern at equal steps; between trays it is read off the straight line, beyond the last nothing falls. */
type Sampled = { first: number; step: number; values: Float64Array };

function sampled(catches: readonly Catch[], step: number): Sampled {
  const sorted = [...catches].sort((a, b) => a.x - b.x);
  const first = sorted[0]!.x;
  const count = Math.floor((sorted.at(-1)!.x - first) / step + 1e-9) + 1;
  const values = new Float64Array(count);
  let at = 0;
  for (let index = 0; index < count; index += 1) {
    const x = first + index * step;
    while (at < sorted.length - 2 && sorted[at + 1]!.x < x) at += 1;
    const [a, b] = [sorted[at]!, sorted[at + 1] ?? sorted[at]!];
    const share = b.x === a.x ? 0 : Math.min(1, Math.max(0, (x - a.x) / (b.x - a.x)));
    values[index] = a.caught + share * (b.caught - a.caught);
  }
  return { first, step, values };
}

function valueAt({ first, step, values }: Sampled, x: number): number {
  const place = (x - first) / step;
  const at = Math.floor(place);
  if (place < 0 || at >= values.length - 1)
    return at === values.length - 1 && place - at < 1e-9 ? values[at]! : 0;
  const share = place - at;
  return values[at]! * (1 - share) + values[at + 1]! * share;
}

/** What falls at a place with all passes beside it, metres from a track; between trays read off the straight line. */
export function fellAt(catches: readonly Catch[], x: number, spacing: number, turned: boolean): number {
  const xs = catches.map((each) => each.x);
  const half = Math.max(...xs.map(Math.abs));
  const pattern = sampled(catches, Math.max((Math.max(...xs) - Math.min(...xs)) / 240, 0.1));
  return fell(pattern, half, x, spacing, turned);
}

function fell(pattern: Sampled, half: number, x: number, spacing: number, turned: boolean): number {
  const first = Math.ceil((x - half) / spacing - 1e-9);
  const last = Math.floor((x + half) / spacing + 1e-9);
  let sum = 0;
  for (let pass = first; pass <= last; pass += 1) {
    const off = x - pass * spacing;
    sum += valueAt(pattern, turned && pass % 2 !== 0 ? -off : off);
  }
  return sum;
}

/** So many places at least are looked at in a period: a thin strip is not stepped over. */
const FEWEST_POINTS = 96;

/** Coefficient of variation (n in the denominator: the pattern repeats, it is no sample) of what falls at one spacing. */
function variationAt(pattern: Sampled, half: number, spacing: number, turned: boolean): number {
  const period = turned ? 2 * spacing : spacing;
  const points = Math.max(FEWEST_POINTS, Math.ceil(period / pattern.step));
  let [sum, squares] = [0, 0];
  for (let point = 0; point < points; point += 1) {
    const x = (point / points) * period;
    const each = fell(pattern, half, x, spacing, turned);
    sum += each;
    squares += each * each;
  }
  const mean = sum / points;
  return mean <= 0 ? Number.POSITIVE_INFINITY : Math.sqrt(Math.max(0, squares / points - mean * mean)) / mean;
}

/**
 * The coefficient of variation at each spacing, both ways of driving. Precondition: two catches or more at different places.
 * @throws RangeError without them
 */
export function sweep(catches: readonly Catch[], spacings: readonly number[]): Spacing[] {
  const xs = catches.map(({ x }) => x);
  const [low, high] = [Math.min(...xs), Math.max(...xs)];
  if (!(high > low)) throw new RangeError("a pattern is caught in two places at least");
  const step = Math.max((high - low) / 240, 0.1);
  const pattern = sampled(catches, step);
  const half = Math.max(Math.abs(low), Math.abs(high));
  return spacings.map((spacing) => ({
    spacing,
    toAndFro: variationAt(pattern, half, spacing, true),
    roundAndRound: variationAt(pattern, half, spacing, false),
  }));
}

/** Spacings from a third of what was caught to all of it. */
export function spacingsFor(catches: readonly Catch[], count = 200): number[] {
  const xs = catches.map(({ x }) => x);
  const wide = Math.max(...xs) - Math.min(...xs);
  return Array.from({ length: count }, (_, at) => wide * (0.25 + (0.75 * at) / (count - 1)));
}

/** Stretches in which the variation stays under the limit: it may rise and fall again. */
export function windowsOf(all: readonly Spacing[], way: Driving, limit = EVEN): Window[] {
  const found: Window[] = [];
  let open: Window | null = null;
  for (const each of all) {
    const under = (way === "to and fro" ? each.toAndFro : each.roundAndRound) <= limit;
    if (under) open = open ? { from: open.from, to: each.spacing } : { from: each.spacing, to: each.spacing };
    else if (open) {
      found.push(open);
      open = null;
    }
  }
  return open ? [...found, open] : found;
}

export type PatternShape = {
  /** middle of what fell, metres right of the spreader's middle */
  shift: number;
  /** what fell right of the middle ÷ what fell left of it; null where nothing fell left */
  sides: number | null;
  /** what fell, catch × metres */
  total: number;
};

/** How a pattern lies; by trapezoids between trays. */
export function shapeOf(catches: readonly Catch[]): PatternShape {
  const sorted = [...catches].sort((a, b) => a.x - b.x);
  let [total, moment, left, right] = [0, 0, 0, 0];
  const add = (a: Catch, b: Catch) => {
    const area = ((a.caught + b.caught) / 2) * (b.x - a.x);
    if (area === 0) return;
    const middle = a.x + ((b.x - a.x) * (a.caught + 2 * b.caught)) / (3 * (a.caught + b.caught));
    total += area;
    moment += area * middle;
    if (b.x <= 0) left += area;
    else right += area;
  };
  for (let at = 1; at < sorted.length; at += 1) {
    const [a, b] = [sorted[at - 1]!, sorted[at]!];
    // A stretch that lies across the middle is parted there.
    if (a.x < 0 && b.x > 0) {
      const share = -a.x / (b.x - a.x);
      const middle = { x: 0, caught: a.caught + share * (b.caught - a.caught) };
      add(a, middle);
      add(middle, b);
    } else add(a, b);
  }
  return { shift: total === 0 ? 0 : moment / total, sides: left === 0 ? null : right / left, total };
}

/** kg/s to feed: rate (kg/m²) × speed (m/s) × width (m). */
export function massFlow(rate: number, speed: number, width: number): number {
  return rate * speed * width;
}
