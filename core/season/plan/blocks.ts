/** A plan as it is drawn: stretches of one job on one tractor, and what is coupled between them. */
import { outside, type Pin, type PlanAsked, type SeasonPlan, type Work, workingDays } from "./asked.ts";
import { rerigOn } from "./judged.ts";

export type Block = {
  job: number;
  tractor: number;
  outfit: number;
  /** days from the first, with the share of the day it begins and ends at */
  begin: number;
  end: number;
  /** first and last day, and working days between them, both counted */
  from: number;
  to: number;
  days: number;
  /** seconds and m² */
  time: number;
  area: number;
  /** seconds of it outside of its window */
  late: number;
  pinned: boolean;
};

export type Changeover = { tractor: number; day: number; from: number; to: number; time: number };

/** Stretches of one job after the other, tractor by tractor. Days off and days away do not end one; another outfit or job does. */
export function blocksOf(asked: PlanAsked, plan: SeasonPlan): Block[] {
  return asked.tractors.flatMap((_, tractor) => {
    const blocks: Block[] = [];
    for (const [day, there] of asked.days.entries()) {
      let hours = rerigOn(asked, plan, tractor, day);
      for (const work of dayOf(plan.works, tractor, day, blocks.at(-1)?.job ?? null)) {
        const begin = day + Math.min(1, hours / Math.max(1, there));
        hours += work.time;
        const end = day + Math.min(1, hours / Math.max(1, there));
        grow(asked, blocks, work, begin, end);
      }
    }
    return blocks;
  });
}

/** Works of a day: what went on yesterday first, then what ends first. */
function dayOf(works: readonly Work[], tractor: number, day: number, before: number | null): Work[] {
  const last = (job: number) =>
    Math.max(...works.filter((work) => work.job === job && work.tractor === tractor).map((work) => work.day));
  return works
    .filter((work) => work.tractor === tractor && work.day === day && work.time > 0)
    .sort((a, b) => Number(b.job === before) - Number(a.job === before) || last(a.job) - last(b.job));
}

function grow(asked: PlanAsked, blocks: Block[], work: Work, begin: number, end: number): void {
  const { job, tractor, outfit, day, time } = work;
  const { ways } = asked.jobs[job]!;
  const rate = ways.find((way) => way.tractor === tractor && way.outfit === outfit)?.rate ?? 0;
  const late = outside(asked.jobs[job]!, day) > 0 ? time : 0;
  const pinned = isPinned(asked, work);
  const open = blocks.at(-1);
  const between = open ? asked.days.slice(open.to + 1, day) : [];
  const goesOn =
    open?.job === job &&
    open.outfit === outfit &&
    open.pinned === pinned &&
    open.late > 0 === late > 0 &&
    between.every((there, at) => there === 0 || asked.tractors[tractor]!.away.has(open.to + 1 + at));
  if (!open || !goesOn)
    blocks.push({
      job,
      tractor,
      outfit,
      begin,
      end,
      from: day,
      to: day,
      days: 1,
      time,
      area: time * rate,
      late,
      pinned,
    });
  else
    Object.assign(open, {
      end,
      to: day,
      days: open.days + (day === open.to ? 0 : 1),
      time: open.time + time,
      area: open.area + time * rate,
      late: open.late + late,
    });
}

function isPinned(asked: PlanAsked, { job, tractor, day }: Work): boolean {
  return asked.pins.some(
    (pin) =>
      pin.job === job &&
      pin.tractor === tractor &&
      workingDays(asked, asked.tractors[tractor]!, pin.day, pin.days).includes(day),
  );
}

/** What is coupled and set on which day. */
export function changeoversOf(asked: PlanAsked, plan: SeasonPlan): Changeover[] {
  return asked.tractors.flatMap(({ begins }, tractor) =>
    asked.days.flatMap((_, day) => {
      const from = day === 0 ? begins : plan.states[tractor]![day - 1]!;
      const to = plan.states[tractor]![day]!;
      return from === to ? [] : [{ tractor, day, from, to, time: rerigOn(asked, plan, tractor, day) }];
    }),
  );
}

/** A block pulled to another tractor or day: as many working days there as its hectares take. Null where that tractor does not do this job. */
export function pulled(
  asked: PlanAsked,
  block: Pick<Block, "job" | "area">,
  tractor: number,
  day: number,
): Pin | null {
  const job = asked.jobs[block.job]!;
  const way = job.ways.find((each) => each.tractor === tractor);
  const it = asked.tractors[tractor];
  if (!way || !it) return null;
  let area = 0;
  let days = 0;
  const worst = Math.max(0, ...it.rerig.map((from) => from[it.carries.indexOf(way.outfit) + 1]!));
  for (const each of workingDays(asked, it, day, asked.days.length)) {
    const there = Math.max(0, asked.days[each]! - (days === 0 ? worst : 0));
    area += way.rate * Math.min(there, job.most ?? there);
    days += 1;
    if (area >= block.area - 1) break;
  }
  return { job: block.job, tractor, day, days: Math.max(1, days), area: block.area };
}
