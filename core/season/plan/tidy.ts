/** Puts hours in order: one job after the other where a tractor keeps what it carries, as early as it may, wherever no hectare or hour suffers. */
import { outside, type PlanAsked, type SeasonPlan, type Work, workingDays } from "./asked.ts";
import { comparePlans } from "./first.ts";
import { judgePlan, rerigOn } from "./judged.ts";

type Run = { tractor: number; days: number[] };

/** The same plan, run by run in order. */
export function tidied(asked: PlanAsked, plan: SeasonPlan): SeasonPlan {
  let [best, judged] = [plan, judgePlan(asked, plan)];
  for (const run of runsOf(asked, plan)) {
    const works = relaid(asked, best, run);
    if (!works) continue;
    const next = { ...best, works };
    const now = judgePlan(asked, next);
    if (now.faults.length > judged.faults.length || comparePlans(now, judged) > 0) continue;
    [best, judged] = [next, now];
  }
  return best;
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
  for (const day of days) {
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
