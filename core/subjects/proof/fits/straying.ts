import { FIX_SIGMA, PASS_TO_PASS } from "../../../rig/receiver.ts";
import type { Fix } from "../../../trade/field-conditions.ts";

/**
 * How joints between passes stray, and what a list of them looks like under each mix of causes.
 *
 * A pass that strays by the receiver makes the joint on its one side wider and the one on its other side narrower by the
 * same; what is left of it in the next pass, its drift, takes that away again; the tape strays at each joint for itself.
 */
export type Straying = {
  /** of one pass by the receiver, metres, 1 σ */
  wander: number;
  /** of one reading with the tape over a joint, metres, 1 σ */
  tape: number;
  /** correlation of one pass's straying with the next one's, 0 to below 1 */
  drift: number;
};

/** One cause weighed against the others: the weight it has before anything was measured is exp(`before`). */
export type Mix = Straying & { before: number };

/** What wander may be against the receiver table's figure: 3 to 14 mm about its 8.75 with a fixed solution. */
const WANDER_RANGE = [0.343, 1.6] as const;
/** How far the tape over a joint may stray, metres, 1 σ (common practice, no source). */
const TAPE_RANGE = [0.002, 0.015] as const;
const DRIFTS = [0, 0.5, 0.8, 0.95];
/**
 * A small scatter by chance must not make a large tape unlikely: mixes weigh by tape⁻², and passes that stray each for
 * themselves by eight. Chosen by simulation, with what is left outside (joints.ts): `npm run bench` prints what they hold.
 */
const BY_TAPE = -2;
const EACH_FOR_ITSELF = Math.log(8);

/** Steps of equal ratio from low to high. */
function steps([low, high]: readonly [number, number], count: number): number[] {
  return Array.from({ length: count }, (_, at) => low * (high / low) ** (at / (count - 1)));
}

/** The mixes that come into question. Where nobody told the kind of fix, those of every kind do. */
export function mixesOf(fix: Fix | null): Mix[] {
  const nominal = fix ? [FIX_SIGMA[fix]] : [FIX_SIGMA.fixed, FIX_SIGMA.differential];
  const range = [
    Math.min(...nominal) * PASS_TO_PASS * WANDER_RANGE[0],
    Math.max(...nominal) * PASS_TO_PASS * WANDER_RANGE[1],
  ] as const;
  const wanders = steps(range, fix ? 4 : 8);
  return wanders.flatMap((wander) =>
    steps(TAPE_RANGE, 7).flatMap((tape) =>
      DRIFTS.map((drift) => ({
        wander,
        tape,
        drift,
        before: BY_TAPE * Math.log(tape) + (drift === 0 ? EACH_FOR_ITSELF : 0),
      })),
    ),
  );
}

/** One step of the filter: what of the last pass is still in the next, and how much of a surprise the two passes take up. */
type Step = { kept: number; drift: number; first: number; second: number; root: number };

/**
 * The Kalman filter of joints under one mix (Kalman 1960, from memory): the straying of the two passes of a joint is
 * its state. `numbers` tell which joints are neighbours, from left to right; those that are not share no pass, yet drift.
 */
export function filterOf({ wander, tape, drift }: Straying, numbers: readonly number[]): Step[] {
  const variance = wander ** 2;
  let [first, both, second] = [variance, drift * variance, variance];
  return numbers.map((number, at) => {
    const apart = at === 0 ? Number.POSITIVE_INFINITY : number - numbers[at - 1]!;
    // Numbers that do not rise tell no neighbourhood.
    const kept = apart >= 1 ? drift ** (apart - 1) : 0;
    if (at > 0) {
      first = kept ** 2 * second + variance * (1 - kept ** 2);
      both = drift * first;
      second = drift ** 2 * first + variance * (1 - drift ** 2);
    }
    const surprise = first - 2 * both + second + tape ** 2;
    const step: Step = {
      kept: at === 0 ? 0 : kept,
      drift,
      first: (both - first) / surprise,
      second: (second - both) / surprise,
      root: Math.sqrt(surprise),
    };
    first -= step.first ** 2 * surprise;
    both -= step.first * step.second * surprise;
    second -= step.second ** 2 * surprise;
    return step;
  });
}

/** A column as it looks once what the joints share is taken off: independent, of variance one under the mix of the steps. */
export function whiten(column: readonly number[], filter: readonly Step[]): number[] {
  let [first, second] = [0, 0];
  return column.map((value, at) => {
    const step = filter[at]!;
    first = step.kept * second;
    second = step.drift * first;
    const surprise = value - (second - first);
    first += step.first * surprise;
    second += step.second * surprise;
    return surprise / step.root;
  });
}
