/** What a case was worth: minutes, what is still wrong, what was measured for nothing; beside the advice followed from the beginning. */
import { faultOf } from "./faults.ts";
import { type Hidden, toBeNamed } from "./hidden.ts";
import { measurementOf } from "./measurements.ts";
import { type Answer, play } from "./player.ts";
import { advise, type Reading, weigh, weighingOf } from "./weigh.ts";

export type Scored = {
  /** what was hidden, by what had to be named */
  truth: readonly { fault: string; label: string; figure: number | null }[];
  /** named just so, neither more nor less */
  found: boolean;
  /** of each figure that was asked: how far it is off, and how near it had to be; null where none was given */
  errors: readonly { fault: string; off: number | null; within: number; near: boolean }[];
  minutes: number;
  /** measurements that could not be expected to tell anything when they were taken */
  needless: readonly string[];
  /** what following the advice from the beginning takes on the same rig */
  best: { minutes: number; measurements: readonly string[]; found: boolean };
};

/** Less than that is nothing, in bits; and a fifth of what the best of them tells by the minute. */
const NOTHING_TOLD = 0.05;
const AS_WELL = 0.2;

/** Which of them told nothing worth its minutes, by what was known when they were taken. */
export function needlessOf(hidden: Pick<Hidden, "card" | "two">, readings: readonly Reading[]): string[] {
  const weighing = weighingOf(hidden.card, hidden.two);
  return readings.flatMap(({ measurement }, at) => {
    if (measurement === "seat") return [];
    const before = readings.slice(0, at);
    const taken = before.map((each) => each.measurement);
    const all = advise(weighing, weigh(weighing, before), taken);
    const own = all.find((each) => each.measurement === measurement);
    // What was taken twice was taken for its size.
    if (!own) return [];
    const told = own.bits >= NOTHING_TOLD && own.perMinute >= AS_WELL * all[0]!.perMinute;
    return told || all[0]!.bits < NOTHING_TOLD ? [] : [measurement];
  });
}

/** Whether just what was hidden is named, neither more nor less. */
export function isFound(hidden: Hidden, { faults }: Answer): boolean {
  const [named, truth] = [faults.map(({ fault }) => fault).sort(), toBeNamed(hidden).sort()];
  return named.length === truth.length && named.every((each, at) => each === truth[at]);
}

/** Of each figure a correction asks for: how far the one given is off, in its own measure. */
export function errorsOf(hidden: Hidden, { faults }: Answer): Scored["errors"] {
  return hidden.faults.flatMap(({ key, magnitude }) => {
    const correction = faultOf(key)?.correction;
    if (!correction) return [];
    const given = faults.find(({ fault }) => fault === key)?.figure ?? null;
    const off = given === null ? null : given - correction.right(hidden.card, magnitude);
    return [
      {
        fault: key,
        off,
        within: correction.within,
        near: off !== null && Math.abs(off) <= correction.within,
      },
    ];
  });
}

/** Minutes of all that was measured. */
export const minutesOf = (readings: readonly Reading[]): number =>
  readings.reduce((sum, { measurement }) => sum + measurementOf(measurement)!.minutes, 0);

/** `measure`: what the rig answers, the same whoever asks. */
export function scored(
  hidden: Hidden,
  readings: readonly Reading[],
  answer: Answer,
  measure: (key: string, time: number) => readonly number[],
): Scored {
  const times = new Map<string, number>();
  const best = play(weighingOf(hidden.card, hidden.two), (key) => {
    const time = times.get(key) ?? 0;
    times.set(key, time + 1);
    return measure(key, time);
  });
  const label = (key: string) => faultOf(key)?.label ?? "";
  return {
    truth: hidden.faults.map(({ key, magnitude }) => ({
      fault: key,
      label: label(key),
      figure: faultOf(key)?.correction?.right(hidden.card, magnitude) ?? null,
    })),
    found: isFound(hidden, answer),
    errors: errorsOf(hidden, answer),
    minutes: minutesOf(readings),
    needless: needlessOf(hidden, readings),
    best: {
      minutes: best.minutes,
      measurements: best.readings.slice(1).map(({ measurement }) => measurement),
      found: isFound(hidden, best.answer),
    },
  };
}
