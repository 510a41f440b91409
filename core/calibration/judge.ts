/** A constant judged: enough runs, near each other, none that does not belong, and nowhere a constant cannot be. */
import { dimension } from "../dimension/catalogue.ts";
import { entryFigure } from "../dimension/entry.ts";
import { judgeRange } from "../dimension/range.ts";
import { capital } from "../quantity/capital.ts";
import { type Said, tell } from "../quantity/said.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import {
  type Calibrating,
  type CalibrationKind,
  type Found,
  NOTHING_FOUND,
  type Outcome,
  type ToPair,
} from "./kind.ts";
import { percent } from "./percent.ts";
import { fitRatio } from "./ratio.ts";
import { slipOf } from "./slip.ts";

/** Runs repeat well enough under this coefficient of variation (common practice, no source). */
export const REPEATS = 0.02;
/** Less than this is no reason to type another figure into a terminal (our threshold). */
export const SAME = 0.005;
/** More than this is no drift: something was changed, or counted wrong (common practice, no source). */
export const FAR = 0.15;

type Solving = Pick<CalibrationKind, "constant" | "one" | "enough"> & {
  pairOf: ToPair;
  /** differences are held against this where the constant itself may be nothing, SI */
  near?: number;
};

/**
 * Solves runs for the constant. `had` is what the terminal stood at: told with the set-up, under the key "had".
 * @throws RangeError for a kind without a constant
 */
export function solveConstant(
  { constant: key, one, enough, pairOf, near }: Solving,
  { rig, setup, runs, left }: Calibrating,
): Outcome {
  if (key === null) throw new RangeError("it has no constant");
  const had = setup.figures.had ?? null;
  const fitted = fitRatio(
    runs.map((run) => pairOf(run, setup)),
    left,
    near,
  );
  if (!fitted) return { ...NOTHING_FOUND, barred: [tooFew(0, enough, one)] };
  const { estimate, variation, runs: fits } = fitted;
  const moved = had === null || had === 0 ? null : estimate.value / had - 1;
  const constant: Found = { key, had, estimate, moved, variation, runs: fits };
  const barred = barsOf(constant, { one, enough }, rig);
  return {
    ...NOTHING_FOUND,
    constant,
    next: barred.length > 0 ? [] : [nextOf(constant)],
    barred,
  };
}

function barsOf(
  { key, estimate, moved, variation, runs }: Found,
  { one, enough }: Pick<Solving, "one" | "enough">,
  rig: ResolvedRig,
): Said[] {
  const kept = runs.filter(({ leftOut }) => !leftOut);
  const odd = kept.filter((run) => run.odd);
  const entry = dimension(key, rig);
  const slip =
    moved !== null && Math.abs(moved) > FAR && entry.family ? slipOf(1 + moved, entry.family) : null;
  return [
    ...odd.map(
      ({ at, off }) =>
        tell`${capital(one)} ${at + 1} does not fit the others: ${percent(off)} from them. Make it again, or leave it out if you know why.`,
    ),
    ...(kept.length < enough.count ? [tooFew(kept.length, enough, one)] : []),
    ...(variation !== null && variation > REPEATS && odd.length === 0
      ? [
          tell`They differ by ${percent(variation, { sign: false })} (coefficient of variation); up to ${percent(REPEATS, { sign: false })} is accepted. Make more, and the same way each time.`,
        ]
      : []),
    ...(judgeRange(entry, estimate.value) === "impossible"
      ? [tell`${entryFigure(entry, estimate.value)} cannot be. Look at the unit, and at what was counted.`]
      : []),
    ...(slip === null ? [] : [`It is ${slip}. Look at that before it is accepted.`]),
  ];
}

/** Singular where there is one. */
export const counted = (count: number, one: string) => `${count} ${count === 1 ? one : plural(one)}`;

/** "catches", "tries", "runs". */
export function plural(one: string): string {
  if (/(ch|s|x)$/.test(one)) return `${one}es`;
  return /[^aeiou]y$/.test(one) ? `${one.slice(0, -1)}ies` : `${one}s`;
}

function tooFew(count: number, enough: Solving["enough"], one: string): Said {
  return `${count} of ${counted(enough.count, one)}: ${enough.why}.`;
}

function nextOf({ moved }: Found): Said {
  if (moved === null) return "Enter it in the terminal, and accept it here.";
  if (Math.abs(moved) < SAME) return "It is what the terminal has. Accept it: it was calibrated today.";
  if (Math.abs(moved) > FAR)
    return tell`It moved by ${percent(moved)}: more than a constant drifts. Look for what was changed, then enter it in the terminal and accept it.`;
  return tell`It moved by ${percent(moved)}. Enter the new one in the terminal, and accept it here.`;
}
