/** How far off a fault is, once it is named: the likeliest size by all that was read, and how sure that is. */
import type { Fault } from "./faults.ts";
import { MEASUREMENTS, type Measurement, measurementOf } from "./measurements.ts";
import { type Card, rightSetup } from "./setup.ts";
import type { Reading } from "./weigh.ts";

export type Sized = { magnitude: number; sigma: number };

const STEPS = 160;
/** Beyond the sizes of the library it may be a quarter more. */
const BEYOND = 1.25;

function misfit(fault: Fault, card: Card, readings: readonly Reading[], magnitude: number): number {
  const setup = fault.apply(rightSetup(card), card, magnitude);
  let sum = 0;
  for (const { measurement, figures } of readings) {
    const of = measurementOf(measurement)!;
    const means = of.expects(setup, card);
    for (const [at, figure] of figures.entries()) {
      const off = (figure - means[at]!) / of.sigma[at]!;
      // Far off it counts no more than a stray one.
      sum += Math.min(off * off, 36);
    }
  }
  return sum;
}

/** Sizes it may have: those of the library, or all between the least and the largest on each side. */
function sizesOf(fault: Fault, card: Card): number[] {
  const all = fault.magnitudes(card);
  if (!fault.between) return [...all];
  return [1, -1].flatMap((side) => {
    const own = all.filter((each) => Math.sign(each) === side).map(Math.abs);
    if (own.length === 0) return [];
    const [low, high] = [Math.min(...own) / BEYOND, Math.max(...own) * BEYOND];
    return Array.from({ length: STEPS + 1 }, (_, at) => side * (low + ((high - low) * at) / STEPS));
  });
}

/** How much the figures of a measurement change with the size, in its own scatter. */
function tells(measurement: Measurement, fault: Fault, card: Card, magnitude: number): number {
  const by = 1e-3 * Math.max(0.1, Math.abs(magnitude));
  const [a, b] = [magnitude - by, magnitude + by].map((each) =>
    measurement.expects(fault.apply(rightSetup(card), card, each), card),
  );
  return Math.hypot(...measurement.sigma.map((sigma, at) => (b![at]! - a![at]!) / (2 * by) / sigma));
}

/** The likeliest size; its σ by how much what was read changes with it, infinite where nothing does. */
export function sizeOf(fault: Fault, card: Card, readings: readonly Reading[]): Sized {
  const magnitude = sizesOf(fault, card).reduce(
    (best, each) => {
      const off = misfit(fault, card, readings, each);
      return off < best.off ? { each, off } : best;
    },
    { each: fault.magnitudes(card)[0]!, off: Number.POSITIVE_INFINITY },
  ).each;
  if (!fault.between) return { magnitude, sigma: 0 };
  const told = readings.reduce(
    (sum, { measurement }) => sum + tells(measurementOf(measurement)!, fault, card, magnitude) ** 2,
    0,
  );
  return { magnitude, sigma: told > 0 ? 1 / Math.sqrt(told) : Number.POSITIVE_INFINITY };
}

/** How sure the figure of the correction is, in its own measure. */
export function sureOf(fault: Fault, card: Card, { magnitude, sigma }: Sized): number {
  if (!fault.correction || sigma === 0) return 0;
  const by = 1e-3;
  const { right } = fault.correction;
  return (Math.abs(right(card, magnitude + by) - right(card, magnitude - by)) / (2 * by)) * sigma;
}

/** The measurement that makes the size surer by the minute; null where none does. It may be one that was taken. */
export function bestForSize(fault: Fault, card: Card, { magnitude }: Sized): Measurement | null {
  const all = MEASUREMENTS.map((each) => ({
    each,
    tells: tells(each, fault, card, magnitude) ** 2 / each.minutes,
  }));
  const best = all.reduce((a, b) => (b.tells > a.tells ? b : a));
  return best.tells > 0 ? best.each : null;
}
