/** What to enter after a test, and what it then proves. */
import { type DimensionKey, unchanging } from "../dimension/catalogue.ts";
import type { Term } from "../rig/frame.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { differsFromZero } from "../statistics/estimate.ts";
import type { TestConditions } from "../trade/field-conditions.ts";
import type { JobKind } from "./kind.ts";
import type { Measured } from "./result.ts";

export type Correction = {
  key: DimensionKey;
  /** SI; null where nothing is entered */
  from: number | null;
  to: number;
};

export type JudgedFigure = {
  measured: Measured;
  /** the figure agrees with what is entered, does not, or the test is not certain enough to say */
  verdict: "agrees" | "differs" | "uncertain";
  /** one reading of the sum changed so that it comes out; the first is the likeliest to be wrong */
  corrections: readonly Correction[];
  /** why it may be given but not be called proven; empty where it may */
  unproven: readonly string[];
};

/** Less than this is not worth entering anew: a terminal takes centimetres, a tape no finer than millimetres. */
const WORTH = 0.005;
const WORTH_TIME = 0.05;

/**
 * Judges each figure. `tolerance` is the half-width its interval has to be under for the operation, metres; a delay is
 * held to as much time as that takes at the speed.
 */
export function verdictsOf(
  kind: JobKind,
  measured: readonly Measured[],
  rig: ResolvedRig,
  conditions: TestConditions,
  { tolerance, observations }: { tolerance: number; observations: number },
): JudgedFigure[] {
  return measured.map((each) => {
    const limit = each.unit === "time" ? timeLimit(tolerance, conditions.speed) : tolerance;
    const worth = each.unit === "time" ? WORTH_TIME : WORTH;
    const { half } = each.off;
    const found = differsFromZero(each.off) && Math.abs(each.off.value) >= worth;
    const narrow = half !== null && half <= limit;
    return {
      measured: each,
      verdict: found || each.entered === null ? "differs" : narrow ? "agrees" : "uncertain",
      corrections: each.terms.flatMap((term) => correctionOf(term, each, rig)).sort(likeliest(rig)),
      unproven: [
        ...receiverDoubts(kind, conditions),
        ...(kind.doubts?.(each) ?? []),
        ...(observations < kind.enough.count
          ? [`${observations} of ${kind.enough.count} observations: ${kind.enough.why}.`]
          : []),
        ...(half === null
          ? ["There is no standard error yet."]
          : narrow
            ? []
            : ["The interval is wider than this work allows: measure more, or better."]),
      ],
    };
  });
}

/** 2 m/s is a usual working speed (common practice, no source). */
function timeLimit(tolerance: number, speed: number | null): number {
  return tolerance / (speed ?? 2);
}

/** Why nothing that rests on the receiver can be called proven under these conditions; empty where it can. */
export function receiverDoubts({ receiver }: Pick<JobKind, "receiver">, { fix }: TestConditions): string[] {
  if (!receiver || fix === "fixed") return [];
  return [
    fix === null
      ? "Nobody said what fix the receiver had: without a fixed solution nothing is proven."
      : "Without a fixed solution nothing is proven: the receiver itself wanders by more than what is sought.",
  ];
}

function correctionOf(
  { key, coefficient }: Term,
  { entered, off, absolute }: Measured,
  rig: ResolvedRig,
): Correction[] {
  const { value } = rig.values[key];
  if (coefficient === 0) return [];
  // Nothing is read, yet it is known what the terminal stands at: what a test finds absolutely, or a delay left at zero.
  if (value === null)
    return absolute || entered !== null
      ? [{ key, from: null, to: ((entered ?? 0) + off.value) / coefficient }]
      : [];
  return [{ key, from: value, to: value + off.value / coefficient }];
}

/** The least certain reading first; of two alike the tool's, which is set up anew more often than a receiver is moved. */
const likeliest = (rig: ResolvedRig) => (a: Correction, b: Correction) =>
  rig.values[b.key].sigma - rig.values[a.key].sigma || ofTool(b) - ofTool(a);

const ofTool = ({ key }: Correction) => (unchanging(key).station === "tool" ? 1 : 0);
