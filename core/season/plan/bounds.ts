/**
 * How good a plan can be at most: the same work without what coupling costs, and with outfits that may change within a day. Every plan there is
 * meets these rows, so no plan does better.
 */
import type { Mixed, MixedRow, MixedSolver } from "../../programme/mixed.ts";
import { allowedDays, outside, type PlanAsked } from "./asked.ts";
import { HECTARE, HOUR, latenessOf, perHour } from "./lateness.ts";

const INFINITE = Number.POSITIVE_INFINITY;

type Hours = { job: number; tractor: number; outfit: number; day: number; rate: number };

/** m² inside of windows no plan has more of; null where the solver did not end in time. */
export function mostInside(asked: PlanAsked, solver: MixedSolver, seconds: number): number | null {
  const { mixed, hectares } = relaxed(asked);
  const { proved, value } = solver({ ...mixed, cost: hectares }, { seconds });
  return proved ? Math.max(0, -value * HECTARE) : null;
}

/** Seconds times days outside no plan with as many m² inside its windows has less of; null where the solver did not end in time. */
export function leastLate(
  asked: PlanAsked,
  solver: MixedSolver,
  inside: number,
  seconds: number,
): number | null {
  const { mixed, hectares, late, undone } = relaxed(asked);
  const row: MixedRow = {
    low: -INFINITE,
    high: -Math.max(0, inside / HECTARE - 1e-3),
    at: hectares.flatMap((by, at) => (by === 0 ? [] : [at])),
    by: hectares.filter((by) => by !== 0),
  };
  const { proved, value } = solver({ ...mixed, cost: late, rows: [...mixed.rows, row] }, { seconds });
  return proved ? Math.max(0, (value + undone) * HOUR) : null;
}

/** Seconds of setting no plan that does all of it has less of: every outfit some job cannot do without is coupled once at least, as quickly as any tractor can. */
export function leastRerig(asked: PlanAsked): number {
  const needed = new Set(
    asked.jobs.flatMap(({ ways, area }) => {
      const outfits = new Set(ways.map(({ outfit }) => outfit));
      return area > 0 && outfits.size === 1 ? [...outfits] : [];
    }),
  );
  return [...needed].reduce((sum, outfit) => {
    const ways = asked.tractors.flatMap(({ carries, begins, rerig }) => {
      const state = carries.indexOf(outfit) + 1;
      if (state === 0) return [];
      return begins === state ? [0] : rerig.flatMap((from, at) => (at === state ? [] : [from[state]!]));
    });
    return sum + (ways.length === 0 ? 0 : Math.min(...ways));
  }, 0);
}

function relaxed(asked: PlanAsked): {
  mixed: Mixed;
  hectares: number[];
  late: number[];
  undone: number;
} {
  const hours: Hours[] = asked.jobs.flatMap((job, at) =>
    job.ways.flatMap(({ tractor, outfit, rate }) =>
      allowedDays(asked, at, tractor).map((day) => ({
        job: at,
        tractor,
        outfit,
        day,
        rate: perHour(rate),
      })),
    ),
  );
  const limits = new Map<string, { high: number; at: number[] }>();
  const limit = (key: string, high: number, at: number) => {
    const own = limits.get(key) ?? { high, at: [] };
    own.at.push(at);
    limits.set(key, own);
  };
  for (const [at, { tractor, outfit, day }] of hours.entries()) {
    const there = asked.days[day]! / HOUR;
    limit(`tractor ${tractor} ${day}`, there, at);
    for (const tool of asked.outfits[outfit]!.tools) limit(`tool ${tool} ${day}`, there, at);
    if (asked.people.length > 0)
      limit(`day ${day}`, there * asked.people.filter(({ away }) => !away.has(day)).length, at);
  }
  const { costOf, undone } = latenessOf(asked);
  return {
    mixed: {
      cost: [],
      low: hours.map(() => 0),
      high: hours.map(({ job, day }) => Math.min(asked.days[day]!, asked.jobs[job]!.most ?? INFINITE) / HOUR),
      whole: hours.map(() => false),
      rows: [
        ...[...limits.values()].map(({ high, at }) => ({ low: -INFINITE, high, at, by: at.map(() => 1) })),
        ...asked.jobs.map(({ area }, job): MixedRow => {
          const at = hours.flatMap((each, place) => (each.job === job ? [place] : []));
          return { low: -INFINITE, high: area / HECTARE, at, by: at.map((place) => hours[place]!.rate) };
        }),
      ],
    },
    hectares: hours.map(({ job, day, rate }) => (outside(asked.jobs[job]!, day) === 0 ? -rate : 0)),
    late: hours.map(costOf),
    undone,
  };
}
