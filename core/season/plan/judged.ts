/** What a plan does, and whether it can be done at all: reckoned from the plan alone, whoever made it. */
import { outside, type PlanAsked, type SeasonPlan, stateOf, type Work } from "./asked.ts";

export type JobDone = {
  /** m² inside of its window, before or after it, and not at all */
  inside: number;
  outside: number;
  undone: number;
  /** seconds outside of its window, and those times the days outside */
  late: number;
  lateDays: number;
  first: number | null;
  last: number | null;
};

export type PlanFault =
  | { kind: "tractor not there"; tractor: number; day: number }
  | { kind: "set on a day off"; tractor: number; day: number }
  | { kind: "more hours than the day"; tractor: number; day: number }
  | { kind: "cannot carry it"; tractor: number; job: number }
  | { kind: "not what is coupled"; tractor: number; day: number }
  | { kind: "tool on two tractors"; tool: number; day: number }
  | { kind: "nobody to drive"; day: number }
  | { kind: "more than there is"; job: number }
  | { kind: "pulled elsewhere"; job: number };

export type PlanJudged = {
  jobs: JobDone[];
  /** m² inside of their windows, and of all that is asked */
  inside: number;
  asked: number;
  /** seconds of work outside of a window times the days outside, what is not done at all counted one day after the last it may */
  late: number;
  /** seconds of coupling, ballasting and setting */
  rerig: number;
  faults: PlanFault[];
};

/** Seconds and hectares agree to that. */
const SAME = 1;
const SAME_AREA = 1;

const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0);

/** Seconds a tractor takes to be set for what it carries on a day. */
export function rerigOn(
  { tractors }: PlanAsked,
  { states }: SeasonPlan,
  tractor: number,
  day: number,
): number {
  const { begins, rerig } = tractors[tractor]!;
  const before = day === 0 ? begins : states[tractor]![day - 1]!;
  return rerig[before]![states[tractor]![day]!]!;
}

/** @throws RangeError where a tractor works with what it never carries */
export function judgePlan(asked: PlanAsked, plan: SeasonPlan): PlanJudged {
  const jobs = asked.jobs.map((_, at) => doneOf(asked, plan.works, at));
  return {
    jobs,
    inside: sum(jobs.map((job) => job.inside)),
    asked: sum(asked.jobs.map((job) => job.area)),
    late: sum(
      jobs.map(
        ({ lateDays, undone }, at) =>
          lateDays + (undone / Math.max(...asked.jobs[at]!.ways.map(({ rate }) => rate))) * (asked.late + 1),
      ),
    ),
    rerig: sum(
      asked.tractors.flatMap((_, tractor) => asked.days.map((_, day) => rerigOn(asked, plan, tractor, day))),
    ),
    faults: faultsOf(asked, plan),
  };
}

const rateOf = (asked: PlanAsked, { job, tractor, outfit }: Work): number =>
  asked.jobs[job]!.ways.find((way) => way.tractor === tractor && way.outfit === outfit)?.rate ?? 0;

function doneOf(asked: PlanAsked, works: readonly Work[], at: number): JobDone {
  const job = asked.jobs[at]!;
  const own = works.filter((work) => work.job === at && work.time > 0);
  const area = (some: readonly Work[]) => sum(some.map((work) => rateOf(asked, work) * work.time));
  const out = own.filter(({ day }) => outside(job, day) > 0);
  const inside = area(own) - area(out);
  const undone = job.area - inside - area(out);
  return {
    inside,
    outside: area(out),
    undone: undone < SAME_AREA ? 0 : undone,
    late: sum(out.map(({ time }) => time)),
    lateDays: sum(out.map(({ time, day }) => time * outside(job, day))),
    first: own.length === 0 ? null : Math.min(...own.map(({ day }) => day)),
    last: own.length === 0 ? null : Math.max(...own.map(({ day }) => day)),
  };
}

function faultsOf(asked: PlanAsked, plan: SeasonPlan): PlanFault[] {
  return [
    ...asked.tractors.flatMap((_, tractor) => tractorFaults(asked, plan, tractor)),
    ...asked.days.flatMap((_, day) => [...toolFaults(asked, plan, day), ...driverFaults(asked, plan, day)]),
    ...asked.jobs.flatMap((job, at): PlanFault[] => {
      const own = plan.works.filter((work) => work.job === at);
      const most = Math.max(0, ...job.ways.map(({ rate }) => rate));
      return sum(own.map((work) => rateOf(asked, work) * work.time)) > job.area + SAME_AREA + most
        ? [{ kind: "more than there is", job: at }]
        : [];
    }),
    ...asked.pins.flatMap((pin): PlanFault[] =>
      plan.works.some((work) => work.job === pin.job && work.tractor === pin.tractor && work.day >= pin.day)
        ? []
        : [{ kind: "pulled elsewhere", job: pin.job }],
    ),
  ];
}

function tractorFaults(asked: PlanAsked, plan: SeasonPlan, tractor: number): PlanFault[] {
  const it = asked.tractors[tractor]!;
  const own = plan.works.filter((work) => work.tractor === tractor && work.time > 0);
  const cannot = own.filter(
    ({ job, outfit }) =>
      !asked.jobs[job]!.ways.some((way) => way.tractor === tractor && way.outfit === outfit) ||
      !it.carries.includes(outfit),
  );
  return [
    ...cannot.map(({ job }): PlanFault => ({ kind: "cannot carry it", tractor, job })),
    ...asked.days.flatMap((hours, day): PlanFault[] => {
      const today = own.filter((work) => work.day === day);
      const changed = rerigOn(asked, plan, tractor, day);
      const away = it.away.has(day);
      if (today.length === 0 && changed === 0) return [];
      if (today.length === 0 && !away) return hours === 0 ? [{ kind: "set on a day off", tractor, day }] : [];
      if (away) return [{ kind: "tractor not there", tractor, day }];
      if (
        today.some(
          ({ outfit }) => it.carries.includes(outfit) && stateOf(it, outfit) !== plan.states[tractor]![day],
        )
      )
        return [{ kind: "not what is coupled", tractor, day }];
      const least = Math.max(0, hours - changed);
      return sum(today.map(({ time }) => time)) > least + SAME ||
        today.some(({ job, time }) => time > Math.min(hours, asked.jobs[job]!.most ?? hours) + SAME)
        ? [{ kind: "more hours than the day", tractor, day }]
        : [];
    }),
  ];
}

function toolFaults(asked: PlanAsked, { states }: SeasonPlan, day: number): PlanFault[] {
  const seen = new Set<number>();
  return asked.tractors.flatMap((it, tractor) => {
    const outfit = it.carries[states[tractor]![day]! - 1];
    if (outfit === undefined) return [];
    return asked.outfits[outfit]!.tools.flatMap((tool): PlanFault[] => {
      const twice = seen.has(tool);
      seen.add(tool);
      return twice ? [{ kind: "tool on two tractors", tool, day }] : [];
    });
  });
}

/** Whether the people there can drive what is driven: any set of tractors needs as many hours as those who may drive one of them have. */
function driverFaults(asked: PlanAsked, { works }: SeasonPlan, day: number): PlanFault[] {
  if (asked.people.length === 0) return [];
  const hours = asked.tractors.map((_, tractor) =>
    sum(works.filter((work) => work.tractor === tractor && work.day === day).map(({ time }) => time)),
  );
  const driven = hours.flatMap((time, tractor) => (time > 0 ? [tractor] : []));
  const there = asked.people.filter(({ away }) => !away.has(day));
  return driverSets(there, driven).some(
    (set) =>
      sum(set.map((tractor) => hours[tractor]!)) >
      asked.days[day]! *
        there.filter(({ drives }) => drives === null || set.some((tractor) => drives.has(tractor))).length +
        SAME * set.length,
  )
    ? [{ kind: "nobody to drive", day }]
    : [];
}

/**
 * Sets of tractors that can run short of drivers: all, and for every group of people those only they drive (Hall's condition: a set that
 * runs short is, without loss, all tractors that nobody outside of some group drives).
 */
function driverSets(there: PlanAsked["people"], driven: readonly number[]): number[][] {
  const kinds = [...new Map(there.map(({ drives }) => [key(drives), drives])).values()];
  const sets: number[][] = [[...driven]];
  for (let group = 0; group < 1 << Math.min(kinds.length, MOST_KINDS); group += 1) {
    const beyond = kinds.filter((_, at) => (group & (1 << at)) === 0);
    sets.push(driven.filter((tractor) => !beyond.some((drives) => drives === null || drives.has(tractor))));
  }
  return sets;
}

/** So many different lists of tractors people may drive are gone through. */
const MOST_KINDS = 12;

const key = (drives: ReadonlySet<number> | null) => (drives === null ? "any" : [...drives].sort().join(" "));
