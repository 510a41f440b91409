/** What is due to be read again, by the calendar, the hours a machine ran or the hectares a tool did: a flag of its own beside the grade. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import { askedOf } from "./asked.ts";
import type { Proof } from "./facts.ts";
import type { ResolvedRig } from "./resolve.ts";

/** What a counter showed, and when; in the order of time. SI: seconds of an hour meter, square metres of an area counter. */
export type Mark = { at: string; value: number };

export type Clock = {
  /** ISO 8601, UTC */
  today: string;
  /** of the machine that drives */
  hours: readonly Mark[];
  /** of the tool */
  hectares: readonly Mark[];
};

export type Due = {
  key: DimensionKey;
  /** by which clock */
  by: "season" | "hours" | "hectares";
  /** months, hours or hectares since it was read */
  since: number;
  /** months, hours or hectares it is good for */
  after: number;
};

const MONTH = 365.25 / 12;
const DAY = 24 * 3600 * 1000;
const HOUR = 3600;
const HECTARE = 1e4;
/** A field test is driven anew each season (common practice, no source). */
const PROOF_MONTHS = 12;

/** Months of a mean year between two times, ISO 8601; negative where `to` comes first. */
export function monthsBetween(from: string, to: string): number {
  return (Date.parse(to) - Date.parse(from)) / DAY / MONTH;
}

/** What a counter showed at a time, between two marks evenly, in units of `per`; null before the first. */
function countAt(at: string, marks: readonly Mark[], per: number): number | null {
  const time = Date.parse(at);
  const after = marks.findIndex((mark) => Date.parse(mark.at) > time);
  if (after === 0 || marks.length === 0) return null;
  if (after < 0) return marks.at(-1)!.value / per;
  const [a, b] = [marks[after - 1]!, marks[after]!];
  const share = (time - Date.parse(a.at)) / (Date.parse(b.at) - Date.parse(a.at));
  return (a.value + share * (b.value - a.value)) / per;
}

/** Hours on the meter at a time; null before the first mark. */
export function hoursAt(at: string, hours: readonly Mark[]): number | null {
  return countAt(at, hours, HOUR);
}

/** How much a counter went on since a time, in units of `per`; null where nobody read it before and after. */
function ranSince(at: string, marks: readonly Mark[], per: number): number | null {
  const then = countAt(at, marks, per);
  const now = marks.at(-1)?.value;
  return then === null || now === undefined ? null : now / per - then;
}

/** Readings that are there, not stale, and older than they are good for. */
export function dueOf(rig: ResolvedRig, { today, hours, hectares }: Clock): Due[] {
  return askedOf(rig).flatMap(({ key, dueAfter }): Due[] => {
    const { reading, stale } = rig.values[key];
    if (!dueAfter || !reading || stale) return [];
    const { measuredAt } = reading;
    const since: [by: Due["by"], since: number | null, after: number | null][] = [
      ["season", monthsBetween(measuredAt, today), dueAfter.months],
      ["hours", ranSince(measuredAt, hours, HOUR), dueAfter.hours],
      ["hectares", ranSince(measuredAt, hectares, HECTARE), dueAfter.hectares ?? null],
    ];
    const late = since.find(([, each, after]) => each !== null && after !== null && each > after);
    return late ? [{ key, by: late[0], since: Math.floor(late[1]!), after: late[2]! }] : [];
  });
}

/** Proofs that still hold and were driven more than a season ago. */
export function dueProofs({ proofs }: Pick<ResolvedRig, "proofs">, today: string): Proof[] {
  return proofs.filter(({ at }) => monthsBetween(at, today) > PROOF_MONTHS);
}

/** Why a reading is due, as it stands beside it. */
export function dueWords({ by, since, after }: Due): string {
  const months = (count: number) => `${count} month${count === 1 ? "" : "s"}`;
  switch (by) {
    case "season":
      return `due: read ${months(since)} ago, good for ${months(after)}`;
    case "hours":
      return `due: ${since} hours run since, good for ${after} hours`;
    case "hectares":
      return `due: ${since} ha done since, good for ${after} ha`;
  }
}
