/** A depth display held against two measured depths: slope and zero. */

type TwoPoints = { shownA: number; trueA: number; shownB: number; trueB: number };

export type Calibrated =
  | {
      ok: true;
      /** true = slope · shown + zero, metres */
      slope: number;
      zero: number;
      /** what it shows where it truly is so deep */
      shownFor(depth: number): number;
    }
  | { ok: false; field: keyof TwoPoints; problem: string };

/** Nearer together, the ruler's error is the slope (ours). */
const APART = 0.03;

/** The line through both points; refused where they are too near each other or run against each other. Metres. */
export function calibrated({ shownA, trueA, shownB, trueB }: TwoPoints): Calibrated {
  if (!(trueB - trueA >= APART))
    return {
      ok: false,
      field: "trueB",
      problem: "The deep one is measured at least 3 cm deeper than the shallow one.",
    };
  if (!(shownB > shownA))
    return {
      ok: false,
      field: "shownB",
      problem: "It shows no more where it is deeper: one of the two was misread.",
    };
  const slope = (trueB - trueA) / (shownB - shownA);
  const zero = trueA - slope * shownA;
  return { ok: true, slope, zero, shownFor: (depth) => (depth - zero) / slope };
}
