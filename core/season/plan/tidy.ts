/** Puts hours in order: one job after the other where a tractor keeps what it carries, as early as it may, wherever no hectare or hour suffers. */
import { outside, type PlanAsked, type SeasonPlan, type Work, workingDays } from "./asked.ts";
import { comparePlans } from "./first.ts";
import { judgePlan, rerigOn } from "./judged.ts";
import { drivable } from "./people.ts";

type Run = { tractor: number; days: number[] };

/** The same plan in order: nothing set down that need not be, each thing coupled as soon as it may, and worked one after the other. */
export function tidied(asked: PlanAsked, plan: SeasonPlan): SeasonPlan {
  const first = judgePlan(asked, plan);
  let [best, judged] = [plan, first];
  const take = (next: SeasonPlan | null): boolean => {
    if (!next) return false;
    const now = judgePlan(asked, next);
    if (now.faults.length > judged.faults.length || comparePlans(now, judged) > 0) return false;
    // Many steps that are each as good as the one before could together be worse.
    if (comparePlans(now, first) > 0) return false;
    [best, judged] = [next, now];
    return true;
  };
  for (const run of runsOf(asked, best)) take(keptOn(asked, best, run));
  for (const run of runsOf(asked, best)) {
    // Coupled sooner it may be worked sooner; where that does not go, at least in order where it lies.
    const sooner = coupledSooner(asked, best, run);
    const works = sooner && relaid(asked, sooner.plan, sooner.run);
    if (sooner && works) {
      const neat = { ...sooner.plan, works };
      if (take(noSoonerThanNeeded(asked, neat, sooner.run)) || take(neat)) continue;
    }
    const own = relaid(asked, best, run);
    take(own && { ...best, works: own });
  }
  return best;
}

/** Coupled on the working day before it works, not weeks ahead: on the day itself it would cost hours of work. */
function noSoonerThanNeeded({ days, tractors }: PlanAsked, plan: SeasonPlan, run: Run): SeasonPlan | null {
  const { tractor } = run;
  const { away, begins } = tractors[tractor]!;
  const worked = plan.works.filter((work) => work.tractor === tractor && run.days.includes(work.day));
  if (worked.length === 0) return null;
  const begin = Math.min(...worked.map(({ day }) => day));
  const start = run.days.findLast((day) => day < begin && days[day]! > 0 && !away.has(day));
  if (start === undefined) return null;
  const first = run.days[0]!;
  const before = first === 0 ? begins : plan.states[tractor]![first - 1]!;
  return withStates(
    plan,
    tractor,
    run.days.filter((day) => day < start),
    before,
  );
}

const withStates = (
  { works, states }: SeasonPlan,
  tractor: number,
  days: readonly number[],
  state: number,
): SeasonPlan => {
  const inRun = new Set(days);
  return {
    works,
    states: states.map((own, at) =>
      at === tractor ? own.map((each, day) => (inRun.has(day) ? state : each)) : own,
    ),
  };
};

/** What was set down without need stays on. */
function keptOn({ tractors }: PlanAsked, plan: SeasonPlan, { tractor, days }: Run): SeasonPlan | null {
  const first = days[0]!;
  if (plan.states[tractor]![first] !== 0) return null;
  const before = first === 0 ? tractors[tractor]!.begins : plan.states[tractor]![first - 1]!;
  return before === 0 ? null : withStates(plan, tractor, days, before);
}

/** A run that is coupled as soon as its tractor has nothing else to do and its tools are free. */
function coupledSooner(
  asked: PlanAsked,
  plan: SeasonPlan,
  { tractor, days }: Run,
): { plan: SeasonPlan; run: Run } | null {
  const it = asked.tractors[tractor]!;
  const state = plan.states[tractor]![days[0]!]!;
  const outfit = it.carries[state - 1];
  if (outfit === undefined) return null;
  const { tools } = asked.outfits[outfit]!;
  const isTaken = (day: number) =>
    asked.tractors.some((other, at) => {
      const carried = at === tractor ? undefined : other.carries[plan.states[at]![day]! - 1];
      return carried !== undefined && asked.outfits[carried]!.tools.some((tool) => tools.includes(tool));
    });
  const busy = new Set(plan.works.filter((work) => work.tractor === tractor).map(({ day }) => day));
  let first: number | null = null;
  for (let day = days[0]! - 1; day >= 0 && !busy.has(day) && !isTaken(day); day -= 1)
    if (asked.days[day]! > 0 && !it.away.has(day)) first = day;
  if (first === null) return null;
  const more = Array.from({ length: days[0]! - first }, (_, at) => first + at);
  return { plan: withStates(plan, tractor, more, state), run: { tractor, days: [...more, ...days] } };
}

function runsOf({ tractors, days }: PlanAsked, { states }: SeasonPlan): Run[] {
  return tractors.flatMap((_, tractor) => {
    const runs: Run[] = [];
    for (const day of days.keys()) {
      const last = runs.at(-1);
      if (last && states[tractor]![day] === states[tractor]![day - 1]) last.days.push(day);
      else runs.push({ tractor, days: [day] });
    }
    return runs;
  });
}

/** Works with one run laid anew: what ends first goes first; null where that does not hold all of it. */
function relaid(asked: PlanAsked, plan: SeasonPlan, { tractor, days }: Run): Work[] | null {
  // What was pulled stays as it lies.
  const held = new Set(
    asked.pins.flatMap((pin) =>
      pin.tractor === tractor ? workingDays(asked, asked.tractors[tractor]!, pin.day, pin.days) : [],
    ),
  );
  const inRun = new Set(days.filter((day) => !held.has(day)));
  const mine = ({ tractor: own, day }: Work) => own === tractor && inRun.has(day);
  const own = plan.works.filter(mine);
  if (own.length === 0) return null;
  const open = [...new Set(own.map(({ job }) => job))].map((job) => {
    const all = own.filter((work) => work.job === job);
    return {
      ...all[0]!,
      time: all.reduce((sum, { time }) => sum + time, 0),
      last: Math.max(...all.map(({ day }) => day)),
      late: all.some(({ day }) => outside(asked.jobs[job]!, day) > 0),
    };
  });
  open.sort((a, b) => a.last - b.last || asked.jobs[a.job]!.to - asked.jobs[b.job]!.to);
  const laid: Work[] = [];
  const others = (day: number) => [
    ...new Set(
      plan.works.filter((work) => work.day === day && work.tractor !== tractor).map((work) => work.tractor),
    ),
  ];
  const worked = new Set(own.map(({ day }) => day));
  for (const day of days) {
    if (!worked.has(day) && !drivable(asked, day, [...others(day), tractor])) continue;
    if (!inRun.has(day) || asked.tractors[tractor]!.away.has(day)) continue;
    let hours = Math.max(0, asked.days[day]! - rerigOn(asked, plan, tractor, day));
    for (const each of open) {
      const { from, to, most } = asked.jobs[each.job]!;
      if (day < from || (!each.late && day > to)) continue;
      const time = Math.min(each.time, hours, most ?? hours);
      if (time < 1) continue;
      laid.push({ job: each.job, tractor, outfit: each.outfit, day, time });
      each.time -= time;
      hours -= time;
    }
  }
  return open.some(({ time }) => time > 1) ? null : [...plan.works.filter((work) => !mine(work)), ...laid];
}
