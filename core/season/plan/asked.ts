/**
 * What a plan of the season is made from. SI; a day is a whole number from the plan's first day, a tractor, outfit or job its place in the list.
 * An outfit is what is coupled together for one work; a tractor carries one a day, and a tool is on one tractor a day.
 */

export type PlanWay = {
  tractor: number;
  outfit: number;
  /** m² a second over a whole working day: turning, filling and waiting are in it */
  rate: number;
};

export type PlanJob = {
  id: number;
  name: string;
  /** m² still to be done */
  area: number;
  /** first and last day of its window */
  from: number;
  to: number;
  /** seconds a day it can be done at most, where dew or wind allow less than the day; null where they do not */
  most: number | null;
  ways: readonly PlanWay[];
};

export type PlanTractor = {
  id: number;
  name: string;
  /** outfits it may carry; its state is 0 with none of them coupled, 1 and on in this order otherwise */
  carries: readonly number[];
  /** its state before the first day */
  begins: number;
  /** days it is not there */
  away: ReadonlySet<number>;
  /** seconds from a state to another */
  rerig: readonly (readonly number[])[];
};

export type PlanPerson = {
  name: string;
  away: ReadonlySet<number>;
  /** tractors; null drives any */
  drives: ReadonlySet<number> | null;
};

/** A piece of work somebody pulled to a tractor and days: it stays there. */
export type Pin = {
  job: number;
  tractor: number;
  day: number;
  /** working days from then on */
  days: number;
  /** m² of it */
  area: number;
};

export type PlanAsked = {
  /** seconds that can be worked on each day, 0 on a day off */
  days: readonly number[];
  tractors: readonly PlanTractor[];
  /** tools coupled in each outfit */
  outfits: readonly { name: string; tools: readonly number[] }[];
  jobs: readonly PlanJob[];
  /** nobody told: who drives limits nothing */
  people: readonly PlanPerson[];
  /** so many days after its window a job may still be done, late */
  late: number;
  pins: readonly Pin[];
};

/** One tractor's work on one job on one day. */
export type Work = { job: number; tractor: number; outfit: number; day: number; time: number };

export type SeasonPlan = {
  works: readonly Work[];
  /** state of each tractor on each day */
  states: readonly (readonly number[])[];
};

/** The state a tractor is in with an outfit. @throws RangeError where it does not carry it */
export function stateOf(tractor: PlanTractor, outfit: number): number {
  const at = tractor.carries.indexOf(outfit);
  if (at < 0) throw new RangeError(`${tractor.name} does not carry that.`);
  return at + 1;
}

/** Days a tractor works from one day on: not its days away, nor days off. */
export function workingDays(
  { days }: PlanAsked,
  tractor: PlanTractor,
  from: number,
  count: number,
): number[] {
  const found: number[] = [];
  for (let day = from; day < days.length && found.length < count; day += 1)
    if (days[day]! > 0 && !tractor.away.has(day)) found.push(day);
  return found;
}

/** Days outside of a job's window a day is: 0 inside. */
export const outside = (job: Pick<PlanJob, "from" | "to">, day: number): number =>
  day < job.from ? job.from - day : Math.max(0, day - job.to);

/** Days on which a tractor may work a job: its window, some days after it, and where somebody pulled it. */
export function allowedDays(asked: PlanAsked, at: number, tractor: number): number[] {
  const job = asked.jobs[at]!;
  const it = asked.tractors[tractor]!;
  const last = Math.min(asked.days.length - 1, job.to + asked.late);
  const days = new Set<number>();
  for (let day = Math.max(0, job.from); day <= last; day += 1)
    if (asked.days[day]! > 0 && !it.away.has(day)) days.add(day);
  for (const pin of asked.pins)
    if (pin.job === at && pin.tractor === tractor)
      for (const day of workingDays(asked, it, pin.day, pin.days)) days.add(day);
  return [...days].sort((a, b) => a - b);
}
