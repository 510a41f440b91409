/**
 * What is to be thought of a case after what was measured: how likely each fault is, what another measurement would tell for its minutes. Bayes over
 * faults and how far off each is; information is the entropy one expects to lose (Lindley 1956).
 */
import { FAULTS, OUTSIDE } from "./faults.ts";
import { MEASUREMENTS, type Measurement, measurementOf, SEAT } from "./measurements.ts";
import { type Card, rightSetup, type Setup } from "./setup.ts";

export const NOTHING = "nothing";
export const ELSE = "outside";

/** A fault so far off, or nothing, or something the library does not have. */
export type Suspect = {
  fault: string;
  second: string | null;
  magnitude: number;
  setup: Setup;
  prior: number;
  /** any figure of it may be off by anything: what nobody thought of */
  any?: true;
};

export type Reading = { measurement: string; figures: readonly number[] };

/** One case in ten has nothing, one in six something the library has not, and where two are asked for two in five are two (ours). */
const PRIOR = { nothing: 0.1, outside: 0.1, any: 0.06, two: 0.4 };

/** All that may be, of a rig with this card. `two`: there may be two at once. */
export function suspectsOf(card: Card, two: boolean): Suspect[] {
  const right = rightSetup(card);
  const single = 1 - PRIOR.nothing - PRIOR.outside - PRIOR.any - (two ? PRIOR.two : 0);
  const one = FAULTS.flatMap(({ key, magnitudes, apply }): Suspect[] => {
    const sizes = magnitudes(card);
    return sizes.map((magnitude) => ({
      fault: key,
      second: null,
      magnitude,
      setup: apply(right, card, magnitude),
      prior: single / FAULTS.length / sizes.length,
    }));
  });
  const outside = OUTSIDE.flatMap(({ magnitudes, apply }) =>
    magnitudes.map((magnitude) => ({
      fault: ELSE,
      second: null,
      magnitude,
      setup: apply(right, card, magnitude),
      prior: PRIOR.outside / OUTSIDE.length / magnitudes.length,
    })),
  );
  const nothing = { fault: NOTHING, second: null, magnitude: 0, setup: right, prior: PRIOR.nothing };
  const any = { fault: ELSE, second: null, magnitude: 0, setup: right, prior: PRIOR.any, any: true as const };
  return [...one, ...outside, nothing, any, ...(two ? pairsOf(card, right) : [])];
}

/** Two of different areas; each with up to four sizes. */
function pairsOf(card: Card, right: Setup): Suspect[] {
  const pairs = FAULTS.flatMap((a, at) =>
    FAULTS.slice(at + 1).flatMap((b) => (a.area === b.area ? [] : [[a, b] as const])),
  );
  return pairs.flatMap(([a, b]) => {
    const sizes = a.magnitudes(card).flatMap((x) => b.magnitudes(card).map((y) => [x, y] as const));
    return sizes.map(([x, y]) => ({
      fault: a.key,
      second: b.key,
      magnitude: x,
      setup: b.apply(a.apply(right, card, x), card, y),
      prior: PRIOR.two / pairs.length / sizes.length,
    }));
  });
}

/** Sizes lie apart: between two of them a figure may be, so each stands for some width about itself, as a share of σ's own. */
const BETWEEN = 0.6;

/** Figures may miss what a suspect expects by the measurement's scatter and by half the way to its neighbour. */
function spread(
  measurement: Measurement,
  at: number,
  steps: ReadonlyMap<string, readonly number[]>,
  name: string,
): number {
  const step = steps.get(`${name} ${measurement.key}`)?.[at] ?? 0;
  return Math.hypot(measurement.sigma[at]!, BETWEEN * step);
}

export type Weighing = {
  card: Card;
  suspects: readonly Suspect[];
  /** how far the figures of neighbouring sizes lie apart, by fault and measurement */
  steps: ReadonlyMap<string, readonly number[]>;
  /** expected figures, by suspect, of each measurement */
  expected: ReadonlyMap<string, readonly (readonly number[])[]>;
};

const nameOf = ({ fault, second }: Suspect) => (second === null ? fault : `${fault} + ${second}`);

/** What is needed to weigh a case, once. */
export function weighingOf(card: Card, two: boolean): Weighing {
  const suspects = suspectsOf(card, two);
  const expected = new Map(
    [SEAT, ...MEASUREMENTS].map((measurement) => [
      measurement.key,
      suspects.map(({ setup }) => measurement.expects(setup, card)),
    ]),
  );
  const steps = new Map<string, number[]>();
  for (const measurement of [SEAT, ...MEASUREMENTS]) {
    const figures = expected.get(measurement.key)!;
    const by = new Map<string, number[][]>();
    for (const [at, suspect] of suspects.entries()) {
      const name = nameOf(suspect);
      by.set(name, [...(by.get(name) ?? []), [...figures[at]!]]);
    }
    for (const [name, all] of by)
      steps.set(
        `${name} ${measurement.key}`,
        measurement.reads.map((_, at) => stepOf(all.map((each) => each[at]!))),
      );
  }
  return { card, suspects, steps, expected };
}

/** The usual way from one size to the next: the whole range by how many there are, sides apart. */
function stepOf(figures: readonly number[]): number {
  const sorted = [...new Set(figures.map((each) => Math.round(each * 1e6) / 1e6))].sort((a, b) => a - b);
  if (sorted.length < 3) return 0;
  const gaps = sorted.slice(1).map((each, at) => each - sorted[at]!);
  return [...gaps].sort((a, b) => a - b)[Math.floor(gaps.length / 2)]! / 2;
}

/** Heavier than normal in the tails: one bad reading does not acquit. */
const STRAY = 1e-6;

/** As it should be, or as likely anywhere about that. */
function anything(off: number, sigma: number): number {
  const normal = (wide: number) => Math.exp(-0.5 * (off / wide) ** 2) / wide;
  return 0.85 * normal(sigma) + 0.15 * normal(WIDE * sigma);
}
const WIDE = 12;

function likelihood(
  { steps, expected, suspects }: Weighing,
  at: number,
  { measurement, figures }: Reading,
): number {
  const of = measurementOf(measurement)!;
  const name = nameOf(suspects[at]!);
  const means = expected.get(measurement)![at]!;
  let product = 1;
  const { any } = suspects[at]!;
  for (const [index, figure] of figures.entries()) {
    const sigma = spread(of, index, steps, name);
    if (any) {
      product *= anything(figure - means[index]!, sigma);
      continue;
    }
    const off = (figure - means[index]!) / sigma;
    product *= Math.exp(-0.5 * off * off) / sigma + STRAY / of.sigma[index]!;
  }
  return product;
}

/** How likely each suspect is, by its place; they sum to 1. */
export function weigh(weighing: Weighing, readings: readonly Reading[]): Float64Array {
  const weights = Float64Array.from(weighing.suspects, ({ prior }) => prior);
  for (const reading of readings) {
    for (let at = 0; at < weights.length; at += 1) weights[at]! *= likelihood(weighing, at, reading);
    normalize(weights);
  }
  return weights;
}

function normalize(weights: Float64Array): void {
  let sum = 0;
  for (const each of weights) sum += each;
  for (let at = 0; at < weights.length; at += 1) weights[at]! /= sum;
}

/** By what is to be named: a fault, two, nothing, something else. The likeliest first. */
export function named(
  { suspects }: Weighing,
  weights: Float64Array,
): { name: string; faults: string[]; share: number }[] {
  const by = new Map<string, { faults: string[]; share: number }>();
  for (const [at, suspect] of suspects.entries()) {
    const name = nameOf(suspect);
    const found = by.get(name) ?? {
      faults: suspect.second === null ? [suspect.fault] : [suspect.fault, suspect.second],
      share: 0,
    };
    found.share += weights[at]!;
    by.set(name, found);
  }
  return [...by].map(([name, each]) => ({ name, ...each })).sort((a, b) => b.share - a.share);
}

const entropy = (shares: Iterable<number>): number => {
  let sum = 0;
  for (const share of shares) if (share > 1e-12) sum -= share * Math.log2(share);
  return sum;
};

function entropyOf(names: Int32Array, count: number, weights: Float64Array): number {
  const shares = new Float64Array(count);
  for (let at = 0; at < weights.length; at += 1) shares[names[at]!]! += weights[at]!;
  return entropy(shares);
}

export type Advice = { measurement: string; bits: number; perMinute: number };

/** Suspects looked at for what a measurement would tell: the likeliest, up to nearly all there is. */
const LOOKED_AT = 60;
const NEARLY = 0.995;

/**
 * What each measurement is expected to tell, in bits, and by the minute; the best first. Each of the likeliest suspects is supposed in turn, and read without
 * scatter and a scatter to either side.
 */
export function advise(weighing: Weighing, weights: Float64Array, taken: readonly string[]): Advice[] {
  const order = [...weights.keys()].sort((a, b) => weights[b]! - weights[a]!);
  const kept: number[] = [];
  let sum = 0;
  for (const at of order) {
    if (kept.length >= LOOKED_AT || sum > NEARLY) break;
    kept.push(at);
    sum += weights[at]!;
  }
  const ids = new Map<string, number>();
  const names = Int32Array.from(kept, (at) => {
    const name = nameOf(weighing.suspects[at]!);
    if (!ids.has(name)) ids.set(name, ids.size);
    return ids.get(name)!;
  });
  const start = Float64Array.from(kept, (at) => weights[at]! / sum);
  const before = entropyOf(names, ids.size, start);
  return MEASUREMENTS.filter(({ key }) => !taken.includes(key))
    .map(({ key, minutes, sigma }): Advice => {
      const expected = weighing.expected.get(key)!;
      let after = 0;
      for (const [index, truth] of kept.entries()) {
        const share = start[index]!;
        if (share < 1e-4) continue;
        for (const way of [-1, 0, 1]) {
          const figures = expected[truth]!.map((mean, at) => mean + way * sigma[at]!);
          const then = start.slice();
          for (let at = 0; at < then.length; at += 1)
            then[at]! *= likelihood(weighing, kept[at]!, { measurement: key, figures });
          normalize(then);
          after += (share / 3) * entropyOf(names, ids.size, then);
        }
      }
      const bits = Math.max(0, before - after);
      return { measurement: key, bits, perMinute: bits / minutes };
    })
    .sort((a, b) => b.perMinute - a.perMinute);
}
