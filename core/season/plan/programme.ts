/**
 * The plan of a season as a mixed-integer programme. What a tractor carries is a path through its states from day to day, one unit of flow,
 * so that coupling and setting cost what they cost from what to what; hours of work hang on the state of the day. Hours and hectares.
 */
import type { Mixed, MixedRow } from "../../programme/mixed.ts";
import { allowedDays, outside, type PlanAsked, type SeasonPlan, stateOf, workingDays } from "./asked.ts";
import { HECTARE, HOUR, latenessOf, perHour } from "./lateness.ts";

const INFINITE = Number.POSITIVE_INFINITY;

type Hours = { job: number; tractor: number; outfit: number; day: number; at: number; rate: number };

export type SeasonProgramme = {
  mixed: Mixed;
  /** most hectares inside their windows: what is made least */
  hectares: readonly number[];
  /** hours outside times days outside, what is undone besides a constant */
  late: readonly number[];
  /** hours of setting, besides what is held */
  rerig: readonly number[];
  /** what `late` counts where nothing is done at all */
  undone: number;
  planOf: (x: readonly number[]) => SeasonPlan;
  startOf: (plan: SeasonPlan) => number[];
};

/** What a tractor carries on a day: one state where it is held, else a column for each. */
type Place = { state: number; column: number | null };
type Flow = { tractor: number; day: number; from: number; to: number; at: number };

/** A plan whose tractors keep what they carry, but where they are set free. */
export type Held = { plan: SeasonPlan; free: (tractor: number, day: number) => boolean };

/** Columns as they are handed out, with their ends. */
function columns() {
  const [low, high, whole]: [number[], number[], boolean[]] = [[], [], []];
  return {
    low,
    high,
    whole,
    add(least: number, most: number, isWhole = false): number {
      low.push(least);
      high.push(most);
      whole.push(isWhole);
      return low.length - 1;
    },
  };
}

type Laid = {
  asked: PlanAsked;
  places: Place[][][];
  /** a flow for each change there may be; null where what is carried is held on both days */
  flows: (Flow[] | null)[][];
  hours: Hours[][];
};

/** The programme of what is asked, or of what may change about a plan that is held. */
export function programmeOf(asked: PlanAsked, held: Held | null = null): SeasonProgramme {
  const { add, low, high, whole } = columns();
  const places = asked.tractors.map((it, tractor) =>
    asked.days.map((_, day): Place[] =>
      held && !held.free(tractor, day)
        ? [{ state: held.plan.states[tractor]![day]!, column: null }]
        : Array.from({ length: it.carries.length + 1 }, (_, state) => ({
            state,
            column: add(0, 1, true),
          })),
    ),
  );
  const flows = asked.tractors.map((_, tractor) => flowsOf(asked, tractor, places[tractor]!, add));
  const hours = hoursOf(asked, places, add);
  const laid = { asked, places, flows, hours };
  const rows: MixedRow[] = [
    ...asked.tractors.flatMap((_, tractor) => pathRows(laid, tractor)),
    ...toolRows(asked, places),
    ...hourRows(laid),
    ...asked.jobs.map((job, at) => areaRow(job.area, hours[at]!)),
    ...driverRows(asked, hours, add),
    ...pinRows(laid, low, high),
  ];
  const mixed = { cost: [], low, high, whole, rows };
  return { ...goalsOf(laid, low.length), mixed, ...readingOf(laid, high) };
}

const vectorOf = (count: number, set: readonly (readonly [number, number])[]): number[] => {
  const found = new Array<number>(count).fill(0);
  for (const [at, by] of set) found[at] = by;
  return found;
};

/** What is made least, in order. */
function goalsOf({ asked, flows, hours }: Laid, count: number) {
  const all = hours.flat();
  const { costOf, undone } = latenessOf(asked);
  return {
    hectares: vectorOf(
      count,
      all.flatMap(({ job, day, at, rate }) =>
        outside(asked.jobs[job]!, day) === 0 ? [[at, -rate] as const] : [],
      ),
    ),
    late: vectorOf(
      count,
      all.map((each) => [each.at, costOf(each)]),
    ),
    rerig: vectorOf(
      count,
      flows.flat(2).flatMap((flow) => {
        if (flow === null) return [];
        const { tractor, from, to, at } = flow;
        return [[at, asked.tractors[tractor]!.rerig[from]![to]! / HOUR] as const];
      }),
    ),
    undone,
  };
}

/** A plan of an answer, and the answer of a plan. */
function readingOf({ asked, places, flows, hours }: Laid, high: readonly number[]) {
  const all = hours.flat();
  return {
    planOf: (x: readonly number[]): SeasonPlan => ({
      works: all.flatMap(({ job, tractor, outfit, day, at }) =>
        x[at]! * HOUR < 1 ? [] : [{ job, tractor, outfit, day, time: x[at]! * HOUR }],
      ),
      states: places.map((days) =>
        days.map((each) => {
          const values = each.map(({ column }) => (column === null ? 1 : x[column]!));
          return each[values.indexOf(Math.max(...values))]!.state;
        }),
      ),
    }),
    startOf: (plan: SeasonPlan): number[] => {
      const of = new Map(
        plan.works.map(({ job, tractor, outfit, day, time }) => [
          `${job} ${tractor} ${outfit} ${day}`,
          time / HOUR,
        ]),
      );
      return vectorOf(high.length, [
        ...places.flatMap((days, tractor) =>
          days.flatMap((each, day) =>
            each.flatMap(({ state, column }) =>
              column !== null && plan.states[tractor]![day] === state ? [[column, 1] as const] : [],
            ),
          ),
        ),
        ...flows.flat(2).flatMap((flow) => {
          if (flow === null) return [];
          const was =
            flow.day === 0 ? asked.tractors[flow.tractor]!.begins : plan.states[flow.tractor]![flow.day - 1]!;
          return was === flow.from && plan.states[flow.tractor]![flow.day] === flow.to
            ? [[flow.at, 1] as const]
            : [];
        }),
        ...all.map(
          ({ job, tractor, outfit, day, at }) =>
            [at, Math.min(high[at]!, of.get(`${job} ${tractor} ${outfit} ${day}`) ?? 0)] as const,
        ),
      ]);
    },
  };
}

/** From every state to every other where one of two days is free; nothing is coupled on a day off, nor where a tractor is not there. */
function flowsOf(
  asked: PlanAsked,
  tractor: number,
  places: Place[][],
  add: (low: number, high: number) => number,
): (Flow[] | null)[] {
  const { begins, away } = asked.tractors[tractor]!;
  return places.map((to, day) => {
    const from = day === 0 ? [{ state: begins, column: null }] : places[day - 1]!;
    if (isHeld(from) && isHeld(to)) return null;
    return from.flatMap((a) =>
      to.flatMap((b) =>
        (away.has(day) || asked.days[day] === 0) && a.state !== b.state
          ? []
          : [{ tractor, day, from: a.state, to: b.state, at: add(0, 1) }],
      ),
    );
  });
}

const isHeld = (places: readonly Place[]) => places.every(({ column }) => column === null);

/** Hours of each job by each of its ways on each day it may be done and its outfit may be on. */
function hoursOf(
  asked: PlanAsked,
  places: Place[][][],
  add: (low: number, high: number) => number,
): Hours[][] {
  return asked.jobs.map((job, at) =>
    job.ways.flatMap(({ tractor, outfit, rate }) => {
      const state = stateOf(asked.tractors[tractor]!, outfit);
      return allowedDays(asked, at, tractor)
        .filter((day) => places[tractor]![day]!.some((place) => place.state === state))
        .map((day) => ({
          job: at,
          tractor,
          outfit,
          day,
          at: add(0, Math.min(asked.days[day]!, job.most ?? asked.days[day]!) / HOUR),
          rate: perHour(rate),
        }));
    }),
  );
}

/** What flows into a state on a day is that state; what flows out of it is that of the day before. */
function pathRows({ asked, places, flows }: Laid, tractor: number): MixedRow[] {
  const { begins } = asked.tractors[tractor]!;
  const same = (own: readonly Flow[], column: number | null): MixedRow => ({
    low: column === null ? 1 : 0,
    high: column === null ? 1 : 0,
    at: [...own.map(({ at }) => at), ...(column === null ? [] : [column])],
    by: [...own.map(() => 1), ...(column === null ? [] : [-1])],
  });
  return flows[tractor]!.flatMap((today, day) => {
    if (today === null) return [];
    const before = day === 0 ? [{ state: begins, column: null }] : places[tractor]![day - 1]!;
    return [
      ...places[tractor]![day]!.map(({ state, column }) =>
        same(
          today.filter(({ to }) => to === state),
          column,
        ),
      ),
      ...before.map(({ state, column }) =>
        same(
          today.filter(({ from }) => from === state),
          column,
        ),
      ),
    ];
  });
}

/** A tool that several tractors carry is on one of them. */
function toolRows(asked: PlanAsked, places: Place[][][]): MixedRow[] {
  const tools = [...new Set(asked.outfits.flatMap((outfit) => outfit.tools))];
  return tools.flatMap((tool) => {
    const carries = asked.tractors.map((it) =>
      it.carries.map((outfit) => asked.outfits[outfit]!.tools.includes(tool)),
    );
    if (carries.filter((own) => own.includes(true)).length < 2) return [];
    return asked.days.flatMap((_, day): MixedRow[] => {
      const on = places.flatMap((days, tractor) =>
        days[day]!.filter(({ state }) => state > 0 && carries[tractor]![state - 1]),
      );
      const at = on.flatMap(({ column }) => column ?? []);
      const taken = on.length - at.length;
      return at.length + taken < 2 || at.length === 0
        ? []
        : [{ low: -INFINITE, high: 1 - taken, at, by: at.map(() => 1) }];
    });
  });
}

/** Hours of a tractor with an outfit on a day: what the day has less what setting it took. */
function hourRows({ asked, places, flows, hours }: Laid): MixedRow[] {
  const groups = new Map<string, Hours[]>();
  for (const each of hours.flat()) {
    const key = `${each.tractor} ${each.outfit} ${each.day}`;
    const group = groups.get(key);
    if (group) group.push(each);
    else groups.set(key, [each]);
  }
  return [...groups.values()].flatMap((group) => {
    const { tractor, outfit, day } = group[0]!;
    const { begins, rerig } = asked.tractors[tractor]!;
    const state = stateOf(asked.tractors[tractor]!, outfit);
    const there = asked.days[day]!;
    const left = (from: number) => Math.max(0, there - rerig[from]![state]!) / HOUR;
    const into = flows[tractor]![day]?.filter(({ to }) => to === state);
    const was = day === 0 ? begins : places[tractor]![day - 1]![0]!.state;
    const column = places[tractor]![day]!.find((place) => place.state === state)!.column;
    return [
      {
        low: -INFINITE,
        high: into ? 0 : left(was),
        at: [...group.map(({ at }) => at), ...(into ?? []).map(({ at }) => at)],
        by: [...group.map(() => 1), ...(into ?? []).map(({ from }) => -left(from))],
      },
      ...group.flatMap(({ job, at }): MixedRow[] => {
        const most = asked.jobs[job]!.most;
        return column === null || most === null || most >= there
          ? []
          : [{ low: -INFINITE, high: 0, at: [at, column], by: [1, -most / HOUR] }];
      }),
    ];
  });
}

const areaRow = (area: number, hours: readonly Hours[]): MixedRow => ({
  low: -INFINITE,
  high: area / HECTARE,
  at: hours.map(({ at }) => at),
  by: hours.map(({ rate }) => rate),
});

/** Who drives: where everybody drives anything, hours of all together; otherwise hours of each on each tractor. */
function driverRows(
  asked: PlanAsked,
  hours: readonly (readonly Hours[])[],
  add: (low: number, high: number) => number,
): MixedRow[] {
  if (asked.people.length === 0) return [];
  const all = hours.flat();
  const choosy = asked.people.some(({ drives }) => drives !== null);
  return asked.days.flatMap((time, day): MixedRow[] => {
    const today = all.filter((each) => each.day === day);
    if (today.length === 0) return [];
    const there = asked.people.filter(({ away }) => !away.has(day));
    const most = time / HOUR;
    if (!choosy)
      return there.length >= asked.tractors.length
        ? []
        : [
            {
              low: -INFINITE,
              high: there.length * most,
              at: today.map(({ at }) => at),
              by: today.map(() => 1),
            },
          ];
    const tractors = [...new Set(today.map(({ tractor }) => tractor))];
    const shares = there.map(({ drives }) =>
      tractors.map((tractor) => (drives === null || drives.has(tractor) ? add(0, most) : null)),
    );
    return [
      ...tractors.map((tractor, place): MixedRow => {
        const own = today.filter((each) => each.tractor === tractor).map(({ at }) => at);
        const driven = shares.flatMap((share) => share[place] ?? []);
        return {
          low: -INFINITE,
          high: 0,
          at: [...own, ...driven],
          by: [...own.map(() => 1), ...driven.map(() => -1)],
        };
      }),
      ...shares.map((share): MixedRow => {
        const at = share.flatMap((column) => column ?? []);
        return { low: -INFINITE, high: most, at, by: at.map(() => 1) };
      }),
    ];
  });
}

/** What was pulled somewhere: its tractor carries it on those days, works nothing else, and does as much of it as it was pulled for, or as the days hold. */
function pinRows({ asked, places, hours }: Laid, low: number[], high: number[]): MixedRow[] {
  return asked.pins.flatMap((pin) => {
    const it = asked.tractors[pin.tractor]!;
    const way = asked.jobs[pin.job]!.ways.find(({ tractor }) => tractor === pin.tractor);
    if (!way) return [];
    const days = new Set(workingDays(asked, it, pin.day, pin.days));
    const state = stateOf(it, way.outfit);
    for (const day of days) {
      const column = places[pin.tractor]![day]!.find((place) => place.state === state)?.column;
      if (column !== null && column !== undefined) low[column] = 1;
    }
    const own = hours[pin.job]!.filter(({ tractor, day }) => tractor === pin.tractor && days.has(day));
    for (const each of hours.flat())
      if (each.tractor === pin.tractor && days.has(each.day) && each.job !== pin.job) high[each.at] = 0;
    const worst = Math.max(...it.rerig.map((from) => from[state]!)) / HOUR;
    const first = Math.min(...days);
    const holds = own.reduce((sum, { at, rate, day }) => {
      const left = asked.days[day]! / HOUR - (day === first ? worst : 0);
      return sum + rate * Math.min(high[at]!, Math.max(0, left));
    }, 0);
    return [
      {
        low: Math.min(pin.area / HECTARE, holds),
        high: INFINITE,
        at: own.map(({ at }) => at),
        by: own.map(({ rate }) => rate),
      },
    ];
  });
}
