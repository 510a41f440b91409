/** What is due to be read again, by the calendar or by the hours a machine ran: a flag of its own beside the grade. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import { askedOf } from "./asked.ts";
import type { Proof } from "./facts.ts";
import type { ResolvedRig } from "./resolve.ts";

/** What the hour meter showed, and when; in the order of time. */
export type HourMark = { at: string /** seconds */; value: number };

export type Clock = { /** ISO 8601, UTC */ today: string; hours: readonly HourMark[] };

export type Due = {
  key: DimensionKey;
  /** by which clock */
  by: "season" | "hours";
  /** months or hours since it was read */
  since: number;
  /** months or hours it is good for */
  after: number;
};

const MONTH = 365.25 / 12;
const DAY = 24 * 3600 * 1000;
const HOUR = 3600;
/** A field test is driven anew each season (common practice, no source). */
const PROOF_MONTHS = 12;

/** Months of a mean year between two times, ISO 8601; negative where `to` comes first. */
export function monthsBetween(from: string, to: string): number {
  return (Date.parse(to) - Date.parse(from)) / DAY / MONTH;
}

/** Hours on the meter at a time, between two marks evenly; null before the first. */
export function hoursAt(at: string, hours: readonly HourMark[]): number | null {
  const time = Date.parse(at);
  const after = hours.findIndex((mark) => Date.parse(mark.at) > time);
  if (after === 0 || hours.length === 0) return null;
  if (after < 0) return hours.at(-1)!.value / HOUR;
  const [a, b] = [hours[after - 1]!, hours[after]!];
  const share = (time - Date.parse(a.at)) / (Date.parse(b.at) - Date.parse(a.at));
  return (a.value + share * (b.value - a.value)) / HOUR;
}

/** Readings that are there, not stale, and older than they are good for. */
export function dueOf(rig: ResolvedRig, { today, hours }: Clock): Due[] {
  const now = hours.at(-1)?.value ?? null;
  return askedOf(rig).flatMap(({ key, dueAfter }): Due[] => {
    const { reading, stale } = rig.values[key];
    if (!dueAfter || !reading || stale) return [];
    const months = monthsBetween(reading.measuredAt, today);
    if (dueAfter.months !== null && months > dueAfter.months)
      return [{ key, by: "season", since: Math.floor(months), after: dueAfter.months }];
    const then = hoursAt(reading.measuredAt, hours);
    if (dueAfter.hours === null || now === null || then === null) return [];
    const ran = now / HOUR - then;
    return ran > dueAfter.hours ? [{ key, by: "hours", since: Math.floor(ran), after: dueAfter.hours }] : [];
  });
}

/** Proofs that still hold and were driven more than a season ago. */
export function dueProofs({ proofs }: Pick<ResolvedRig, "proofs">, today: string): Proof[] {
  return proofs.filter(({ at }) => monthsBetween(at, today) > PROOF_MONTHS);
}

/** Why a reading is due, as it stands beside it. */
export function dueWords({ by, since, after }: Due): string {
  const months = (count: number) => `${count} month${count === 1 ? "" : "s"}`;
  return by === "season"
    ? `due: read ${months(since)} ago, good for ${months(after)}`
    : `due: ${since} hours run since, good for ${after} hours`;
}
