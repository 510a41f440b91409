/** Who drives what on which day: whoever drove it the day before stays on it where that leaves nobody's tractor without a driver. */
import type { PlanAsked, SeasonPlan } from "./asked.ts";

/** Seconds of somebody on a tractor on a day. */
export type Driving = { person: number; tractor: number; day: number; time: number };

/** Less than that is nobody's shift. */
const SHIFT = 60;

/** Everybody's days; empty where nobody was told. Hours nobody can drive are left out: the plan's own faults name them. */
export function drivingOf(asked: PlanAsked, { works }: SeasonPlan): Driving[] {
  if (asked.people.length === 0) return [];
  let yesterday: readonly Driving[] = [];
  return asked.days.flatMap((hours, day) => {
    const today = works.filter((work) => work.day === day);
    const need = asked.tractors.map((_, tractor) =>
      today.filter((work) => work.tractor === tractor).reduce((sum, { time }) => sum + time, 0),
    );
    const there = asked.people.map(({ away }) => (away.has(day) ? 0 : hours));
    const shares = shared(asked, need, there, yesterday);
    const found = shares.flatMap((row, person) =>
      row.flatMap((time, tractor) => (time < SHIFT ? [] : [{ person, tractor, day, time }])),
    );
    if (found.length > 0) yesterday = found;
    return found;
  });
}

function shared(
  asked: PlanAsked,
  need: readonly number[],
  there: readonly number[],
  yesterday: readonly Driving[],
): number[][] {
  const may = asked.people.map(({ drives }) =>
    asked.tractors.map((_, tractor) => drives === null || drives.has(tractor)),
  );
  const shares = asked.people.map(() => need.map(() => 0));
  const left = { need: [...need], there: [...there] };
  const give = (person: number, tractor: number, time: number) => {
    shares[person]![tractor]! += time;
    left.need[tractor]! -= time;
    left.there[person]! -= time;
  };
  const whole = (person: number, tractor: number) =>
    may[person]![tractor] && left.need[tractor]! > SHIFT && left.there[person]! >= left.need[tractor]!;
  for (const { person, tractor } of yesterday)
    if (whole(person, tractor) && left.there[person] === there[person])
      give(person, tractor, left.need[tractor]!);
  const hardest = [...need.keys()].sort((a, b) => drivers(may, a) - drivers(may, b) || need[b]! - need[a]!);
  for (const tractor of hardest) {
    const free = [...there.keys()]
      .filter((person) => whole(person, tractor))
      .sort((a, b) => kinds(may, a) - kinds(may, b) || left.there[b]! - left.there[a]!);
    if (free[0] !== undefined) give(free[0], tractor, left.need[tractor]!);
  }
  while (augmented({ may, shares, left }));
  return shares;
}

const drivers = (may: readonly boolean[][], tractor: number) => may.filter((row) => row[tractor]).length;
const kinds = (may: readonly boolean[][], person: number) => may[person]!.filter(Boolean).length;

type Shared = {
  may: readonly boolean[][];
  shares: number[][];
  left: { need: number[]; there: number[] };
};

/** Takes one more stretch of hours from whoever has some, by whatever exchange of tractors it needs (an augmenting path of a flow). */
function augmented({ may, shares, left }: Shared): boolean {
  const starts = [...left.need.keys()].filter((tractor) => left.need[tractor]! > SHIFT);
  for (const start of starts) {
    const from = new Map<number, { person: number; tractor: number } | null>([[start, null]]);
    const queue = [start];
    for (const tractor of queue) {
      for (const person of may.keys()) {
        if (!may[person]![tractor]) continue;
        if (left.there[person]! > SHIFT) {
          exchange({ shares, left, from, start }, person, tractor);
          return true;
        }
        for (const other of left.need.keys())
          if (!from.has(other) && shares[person]![other]! > SHIFT) {
            from.set(other, { person, tractor });
            queue.push(other);
          }
      }
    }
  }
  return false;
}

type Path = {
  shares: number[][];
  left: Shared["left"];
  from: ReadonlyMap<number, { person: number; tractor: number } | null>;
  start: number;
};

function exchange({ shares, left, from, start }: Path, person: number, last: number): void {
  const steps: { person: number; takes: number; leaves: number }[] = [];
  let time = Math.min(left.there[person]!, left.need[start]!);
  for (let at = last, step = from.get(at); step; at = step.tractor, step = from.get(at)) {
    time = Math.min(time, shares[step.person]![at]!);
    steps.push({ person: step.person, takes: step.tractor, leaves: at });
  }
  shares[person]![last]! += time;
  for (const step of steps) {
    shares[step.person]![step.leaves]! -= time;
    shares[step.person]![step.takes]! += time;
  }
  left.there[person]! -= time;
  left.need[start]! -= time;
}

/** Whether each of these tractors can have a driver of its own on a day (a matching, grown path by path). Nobody told: anybody can. */
export function drivable({ people }: PlanAsked, day: number, tractors: readonly number[]): boolean {
  if (people.length === 0) return true;
  const drives = new Map<number, number>();
  const find = (tractor: number, tried: Set<number>): boolean =>
    people.some(({ away, drives: may }, person) => {
      if (away.has(day) || tried.has(person) || (may !== null && !may.has(tractor))) return false;
      tried.add(person);
      const other = drives.get(person);
      if (other !== undefined && !find(other, tried)) return false;
      drives.set(person, tractor);
      return true;
    });
  return tractors.every((tractor) => find(tractor, new Set()));
}
