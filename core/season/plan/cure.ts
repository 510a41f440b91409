/** Why a job does not fit, and the least change of each kind that would make it fit without taking a hectare from the others. */
import type { MixedSolver } from "../../programme/mixed.ts";
import type { PlanAsked } from "./asked.ts";
import { mostInside } from "./bounds.ts";
import { HECTARE } from "./lateness.ts";
import { type Solved, solveSeason } from "./solve.ts";

export type Cure =
  | { kind: "later"; days: number }
  | { kind: "earlier"; days: number }
  /** days off worked after all */
  | { kind: "days off"; days: readonly number[] }
  /** seconds more on each day of the window */
  | { kind: "hours"; more: number; days: number }
  /** a tractor back so many days sooner, or gone so many later */
  | { kind: "tractor there"; tractor: number; days: readonly number[] }
  /** m² somebody else does */
  | { kind: "hire"; area: number };

export type FoundCure = {
  cure: Cure;
  /** working days it touches: the fewer the less is changed */
  touches: number;
  /** no smaller one of its kind can do it; false: smaller ones were tried and none was found */
  least: boolean;
};

export type Reason =
  /** seconds of work, and seconds there are by all its tractors together */
  | { kind: "window too short"; needs: number; has: number }
  | { kind: "tractor away"; tractors: readonly number[] }
  | { kind: "nobody to drive" }
  | { kind: "others work then"; jobs: readonly number[] };

const LONGEST = 14;
const HALF_HOUR = 1800;
const MOST_HOURS = 8;
/** m² that count as all of it */
const NEAR = 200;

/** m² of a job that are not done inside its window. */
export const missing = (asked: PlanAsked, { judged }: Solved, job: number): number => {
  const left = asked.jobs[job]!.area - judged.jobs[job]!.inside;
  return left < HECTARE / 50 ? 0 : left;
};

/** Why a job does not fit in its window. */
export function reasonOf(asked: PlanAsked, solved: Solved, job: number, solver: MixedSolver): Reason {
  const own = asked.jobs[job]!;
  const alone = { ...asked, jobs: [own], pins: [] };
  const holds = (but: PlanAsked) => (mostInside(but, solver, SECONDS) ?? 0) >= own.area - NEAR;
  if (!holds(alone)) {
    const there = asked.tractors.map((it) => ({ ...it, away: new Set<number>() }));
    if (holds({ ...alone, tractors: there }))
      return {
        kind: "tractor away",
        tractors: [...new Set(own.ways.map(({ tractor }) => tractor))].filter((tractor) =>
          [...asked.tractors[tractor]!.away].some((day) => day >= own.from && day <= own.to),
        ),
      };
    if (asked.people.length > 0 && holds({ ...alone, people: [] })) return { kind: "nobody to drive" };
    const best = Math.max(...own.ways.map(({ rate }) => rate));
    return {
      kind: "window too short",
      needs: own.area / best,
      has: (mostInside(alone, solver, SECONDS) ?? 0) / best,
    };
  }
  const tractors = new Set(own.ways.map(({ tractor }) => tractor));
  const tools = new Set(own.ways.flatMap(({ outfit }) => asked.outfits[outfit]!.tools));
  const others = solved.plan.works.filter(
    (work) =>
      work.job !== job &&
      work.day >= own.from &&
      work.day <= own.to &&
      (tractors.has(work.tractor) || asked.outfits[work.outfit]!.tools.some((tool) => tools.has(tool))),
  );
  const jobs = [...new Set(others.map((work) => work.job))];
  return jobs.length === 0 && asked.people.length > 0
    ? { kind: "nobody to drive" }
    : { kind: "others work then", jobs };
}

/** So long one bound or one plan may take, seconds. */
const SECONDS = 1.5;

type Try = { cure: Cure; touches: number; asked: PlanAsked };

/** What would be changed, the smallest of each kind first. */
function tries(asked: PlanAsked, job: number): Try[][] {
  const own = asked.jobs[job]!;
  const change = (but: Partial<typeof own>): PlanAsked => ({
    ...asked,
    jobs: asked.jobs.map((each, at) => (at === job ? { ...each, ...but } : each)),
  });
  const last = asked.days.length - 1;
  const upTo = (most: number) => Array.from({ length: Math.max(0, most) }, (_, at) => at + 1);
  const window = asked.days.map((_, day) => day).filter((day) => day >= own.from && day <= own.to);
  const off = window.filter((day) => asked.days[day] === 0);
  const usual = Math.max(0, ...asked.days);
  const worked = window.filter((day) => asked.days[day]! > 0);
  return [
    upTo(Math.min(LONGEST, last - own.to)).map((days) => ({
      cure: { kind: "later", days },
      touches: days,
      asked: change({ to: own.to + days }),
    })),
    upTo(Math.min(LONGEST, own.from)).map((days) => ({
      cure: { kind: "earlier", days },
      touches: days,
      asked: change({ from: own.from - days }),
    })),
    upTo(off.length).map((count) => {
      const days = off.slice(0, count);
      return {
        cure: { kind: "days off", days },
        touches: count,
        asked: { ...asked, days: asked.days.map((there, day) => (days.includes(day) ? usual : there)) },
      };
    }),
    upTo(MOST_HOURS).map((halves) => {
      const more = halves * HALF_HOUR;
      return {
        cure: { kind: "hours", more, days: worked.length },
        touches: worked.length,
        asked: {
          ...change({ most: own.most === null ? null : own.most + more }),
          days: asked.days.map((there, day) => (worked.includes(day) ? there + more : there)),
        },
      };
    }),
    ...[...new Set(own.ways.map(({ tractor }) => tractor))].map((tractor) => {
      const away = [...asked.tractors[tractor]!.away]
        .filter((day) => window.includes(day))
        .sort((a, b) => b - a);
      return upTo(away.length).map((count): Try => {
        const days = away.slice(0, count);
        return {
          cure: { kind: "tractor there", tractor, days: [...days].sort((a, b) => a - b) },
          touches: count,
          asked: {
            ...asked,
            tractors: asked.tractors.map((it, at) =>
              at === tractor
                ? { ...it, away: new Set([...it.away].filter((day) => !days.includes(day))) }
                : it,
            ),
          },
        };
      });
    }),
  ];
}

export type CureLimits = {
  /** seconds since it began */
  now: () => number;
  onProgress: (share: number) => void;
  onFound: (found: FoundCure) => void;
};

/**
 * The least change of each kind that makes a job fit, the least first, hiring what is missing last. A change that a bound rules out is not tried; one that
 * may do is, and counts only where a plan was found that does all of this job in its window and as many hectares of the others as before.
 */
export function curesOf(
  asked: PlanAsked,
  solved: Solved,
  job: number,
  solver: MixedSolver,
  limits: CureLimits,
): FoundCure[] {
  const lacks = missing(asked, solved, job);
  const target = solved.judged.inside + lacks - NEAR;
  const kinds = tries(asked, job);
  const found: FoundCure[] = [];
  for (const [at, kind] of kinds.entries()) {
    let least = true;
    for (const each of kind) {
      const most = mostInside(each.asked, solver, SECONDS);
      if (most !== null && most < target) continue;
      if (cures(each.asked, job, target, solver, limits.now)) {
        const one = { cure: each.cure, touches: each.touches, least };
        found.push(one);
        limits.onFound(one);
        break;
      }
      least = false;
    }
    limits.onProgress((at + 1) / kinds.length);
  }
  found.sort((a, b) => a.touches - b.touches);
  const hire: FoundCure = { cure: { kind: "hire", area: lacks }, touches: 0, least: true };
  limits.onFound(hire);
  return [...found, hire];
}

function cures(
  asked: PlanAsked,
  job: number,
  target: number,
  solver: MixedSolver,
  now: () => number,
): boolean {
  const began = now();
  const fits = ({ judged }: Solved) =>
    judged.faults.length === 0 &&
    judged.inside >= target &&
    judged.jobs[job]!.inside >= asked.jobs[job]!.area - NEAR;
  return fits(
    solveSeason(asked, solver, {
      seconds: 2 * SECONDS,
      now: () => now() - began,
      onBetter: () => {},
      onProgress: () => {},
      enough: fits,
    }),
  );
}
