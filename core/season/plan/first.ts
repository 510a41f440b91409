/** A first plan, day by day: what presses most goes first, and what is coupled stays on where it may. */
import {
  outside,
  type PlanAsked,
  type PlanWay,
  type SeasonPlan,
  stateOf,
  type Work,
  workingDays,
} from "./asked.ts";
import { judgePlan, type PlanJudged } from "./judged.ts";
import { drivable } from "./people.ts";

/** How a first plan weighs: what changing what is coupled must gain, and how much nearer ends count. */
type Weighing = { change: number; press: number };

const WEIGHINGS: readonly Weighing[] = [0.05, 0.2, 0.6].flatMap((change) =>
  [0.5, 1, 2, 4].map((press) => ({ change, press })),
);

/** Hectares, hours times days and minutes closer than that are the same. */
const SAME = [100, 360, 60] as const;

/** Less than 0 where one plan is better: hectares inside their windows, then hours late, then minutes of setting. */
export function comparePlans(a: PlanJudged, b: PlanJudged): number {
  const sides = [b.inside - a.inside, a.late - b.late, a.rerig - b.rerig];
  return sides.find((side, at) => Math.abs(side) > SAME[at]!) ?? 0;
}

/** The best of several first plans. */
export function firstPlan(asked: PlanAsked): SeasonPlan {
  const plans = WEIGHINGS.map((weighing) => laid(asked, weighing)).map((plan) => ({
    plan,
    judged: judgePlan(asked, plan),
  }));
  return plans.sort((a, b) => comparePlans(a.judged, b.judged))[0]!.plan;
}

type Laying = {
  asked: PlanAsked;
  /** m² left of each job */
  left: number[];
  /** m² of it that are pulled to later days: nobody else takes them */
  kept: number[];
  states: number[][];
  works: Work[];
};

function laid(asked: PlanAsked, weighing: Weighing): SeasonPlan {
  const laying: Laying = {
    asked,
    left: asked.jobs.map(({ area }) => area),
    kept: asked.jobs.map((_, at) =>
      asked.pins.filter(({ job }) => job === at).reduce((sum, { area }) => sum + area, 0),
    ),
    states: asked.tractors.map(() => []),
    works: [],
  };
  const pins = asked.pins.map((pin) => ({
    pin,
    left: pin.area,
    days: new Set(workingDays(asked, asked.tractors[pin.tractor]!, pin.day, pin.days)),
  }));
  for (const day of asked.days.keys()) layDay(laying, day, pins, weighing);
  return { works: laying.works, states: laying.states };
}

type Pulled = { pin: PlanAsked["pins"][number]; left: number; days: ReadonlySet<number> };
type Today = { tools: Set<number>; busy: Set<number> };

function layDay(laying: Laying, day: number, pins: Pulled[], weighing: Weighing): void {
  const { asked } = laying;
  const today: Today = { tools: new Set(), busy: new Set() };
  for (const [tractor, it] of asked.tractors.entries())
    if (it.away.has(day))
      for (const tool of toolsOn(laying, tractor, before(laying, tractor, day))) today.tools.add(tool);
  for (const pulled of pins) {
    const { job, tractor } = pulled.pin;
    if (!pulled.days.has(day)) continue;
    const way = asked.jobs[job]!.ways.find((each) => each.tractor === tractor);
    if (!way || !drivable(asked, day, [...today.busy, tractor])) continue;
    const share = pulled.left / [...pulled.days].filter((each) => each >= day).length;
    const last = Math.max(...pulled.days) === day;
    const done = take(laying, today, way, day, [job], last ? pulled.left : share, true);
    pulled.left -= done;
  }
  for (let next = best(laying, today, day, weighing); next; next = best(laying, today, day, weighing))
    take(laying, today, next.way, day, next.jobs, Number.POSITIVE_INFINITY, false);
  rest(laying, today, day);
}

const toolsOn = ({ asked }: Laying, tractor: number, state: number): readonly number[] => {
  const outfit = asked.tractors[tractor]!.carries[state - 1];
  return outfit === undefined ? [] : asked.outfits[outfit]!.tools;
};

const before = ({ asked, states }: Laying, tractor: number, day: number): number =>
  day === 0 ? asked.tractors[tractor]!.begins : states[tractor]![day - 1]!;

/** Seconds an outfit can work on a day. */
function hoursOf(laying: Laying, { tractor, outfit }: PlanWay, day: number): number {
  const it = laying.asked.tractors[tractor]!;
  const set = it.rerig[before(laying, tractor, day)]![stateOf(it, outfit)]!;
  return Math.max(0, laying.asked.days[day]! - set);
}

/** Works jobs in that order with one outfit; gives the m² done. */
function take(
  laying: Laying,
  today: Today,
  { tractor, outfit }: PlanWay,
  day: number,
  jobs: readonly number[],
  area: number,
  pulled: boolean,
): number {
  const { asked, left, kept } = laying;
  const it = asked.tractors[tractor]!;
  let hours = hoursOf(laying, { tractor, outfit, rate: 0 }, day);
  laying.states[tractor]![day] = stateOf(it, outfit);
  today.busy.add(tractor);
  for (const tool of asked.outfits[outfit]!.tools) today.tools.add(tool);
  let done = 0;
  for (const job of jobs) {
    const { ways, most } = asked.jobs[job]!;
    const rate = ways.find((way) => way.tractor === tractor && way.outfit === outfit)?.rate ?? 0;
    const open = Math.min(area - done, pulled ? left[job]! : left[job]! - kept[job]!);
    const time = Math.min(hours, most ?? hours, rate > 0 ? open / rate : 0);
    if (time < 1) continue;
    laying.works.push({ job, tractor, outfit, day, time });
    hours -= time;
    left[job]! -= time * rate;
    if (pulled) kept[job] = Math.max(0, kept[job]! - time * rate);
    done += time * rate;
  }
  return done;
}

/** The tractor and outfit that do most of what presses on a day. */
function best(laying: Laying, today: Today, day: number, { change, press }: Weighing) {
  const { asked } = laying;
  const found = new Map<string, { way: PlanWay; jobs: { job: number; worth: number; time: number }[] }>();
  const driven = asked.tractors.map((_, tractor) => drivable(asked, day, [...today.busy, tractor]));
  for (const [job, { ways, from, to, most }] of asked.jobs.entries()) {
    const left = laying.left[job]! - laying.kept[job]!;
    if (left < 1 || day < from || day > to + asked.late) continue;
    for (const way of ways) {
      const it = asked.tractors[way.tractor]!;
      if (today.busy.has(way.tractor) || it.away.has(day) || !driven[way.tractor]) continue;
      if (asked.outfits[way.outfit]!.tools.some((tool) => today.tools.has(tool))) continue;
      const key = `${way.tractor} ${way.outfit}`;
      const need = left / way.rate / Math.max(1, asked.days[day]!);
      const late = outside({ from, to }, day) > 0;
      const pressing = late ? 0.01 : (need / Math.max(0.5, to - day + 1)) ** press;
      const time = Math.min(left / way.rate, most ?? Number.POSITIVE_INFINITY);
      const group = found.get(key) ?? { way, jobs: [] };
      group.jobs.push({ job, worth: (pressing + 0.001) * way.rate, time });
      found.set(key, group);
    }
  }
  let top: { way: PlanWay; jobs: number[]; worth: number } | null = null;
  for (const { way, jobs } of found.values()) {
    const hours = hoursOf(laying, way, day);
    if (hours <= 0) continue;
    jobs.sort((a, b) => b.worth - a.worth);
    let [worth, open] = [0, hours];
    for (const each of jobs) {
      const time = Math.min(open, each.time);
      worth += time * each.worth;
      open -= time;
    }
    const stays = before(laying, way.tractor, day) === stateOf(asked.tractors[way.tractor]!, way.outfit);
    worth *= stays ? 1 + change : 1;
    if (worth > (top?.worth ?? 0)) top = { way, jobs: jobs.map(({ job }) => job), worth };
  }
  return top;
}

/** Tractors that do not work keep what they carry, unless another has the tool today. */
function rest(laying: Laying, today: Today, day: number): void {
  const { asked } = laying;
  for (const [tractor, it] of asked.tractors.entries()) {
    if (today.busy.has(tractor)) continue;
    const state = before(laying, tractor, day);
    const tools = toolsOn(laying, tractor, state);
    const taken = !it.away.has(day) && tools.some((tool) => today.tools.has(tool));
    laying.states[tractor]![day] = taken ? 0 : state;
    if (!taken) for (const tool of tools) today.tools.add(tool);
  }
}
