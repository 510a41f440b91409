/**
 * Solves a plan: a first one day by day, then whole where it is small enough to be proved, else a part of it anew again and again (some tractors for all
 * days, or all tractors for some), held against bounds no plan can beat. Hectares inside their windows first, hours late next, minutes of setting last.
 */
import type { Mixed, MixedRow, MixedSolver } from "../../programme/mixed.ts";
import type { PlanAsked, SeasonPlan } from "./asked.ts";
import { leastLate, leastRerig, mostInside } from "./bounds.ts";
import { comparePlans, firstPlan } from "./first.ts";
import { judgePlan, type PlanJudged } from "./judged.ts";
import { HECTARE, HOUR } from "./lateness.ts";
import { programmeOf, type SeasonProgramme } from "./programme.ts";
import { tidied } from "./tidy.ts";

export type Solved = {
  plan: SeasonPlan;
  judged: PlanJudged;
  /** m² inside no plan has more of, seconds late and of setting none as good has less of; null where not known */
  most: number | null;
  leastLate: number | null;
  leastRerig: number | null;
};

export type SolveLimits = {
  seconds: number;
  /** seconds since it began */
  now: () => number;
  /** told whenever there is a better one */
  onBetter: (solved: Solved) => void;
  /** told of the share of the time that is gone */
  onProgress: (share: number) => void;
  /** a plan that is good enough: nothing better is looked for */
  enough?: (solved: Solved) => boolean;
};

/** More columns than that take longer to prove than anybody waits. */
const PROVABLE = 7_000;

/** The share of the time that is kept back for proving. */
const PROVING = 0.4;

/** Up to so many columns it is proved as it is, part by part would only cost time. */
const AT_ONCE = 1_500;

/** So long a part of it may take, seconds. */
const PART = 0.7;

/** The best plan found in the time there is. */
export function solveSeason(asked: PlanAsked, solver: MixedSolver, limits: SolveLimits): Solved {
  const plan = firstPlan(asked);
  const judged = judgePlan(asked, plan);
  let best: Solved = { plan, judged, most: null, leastLate: null, leastRerig: null };
  const left = () => (limits.enough?.(best) ? 0 : limits.seconds - limits.now());
  const better = (found: Partial<Solved>) => {
    best = { ...best, ...found };
    limits.onBetter(best);
    limits.onProgress(Math.min(1, limits.now() / limits.seconds));
  };
  better({});
  if (asked.jobs.length === 0 || asked.tractors.length === 0) return best;
  const most = mostInside(asked, solver, Math.max(0.1, left() / 3));
  better({ most: most === null ? null : Math.min(most, judged.asked) });
  const whole = programmeOf(asked);
  const small = whole.mixed.low.length <= PROVABLE;
  const rest = small ? limits.seconds * PROVING : 0;
  if (whole.mixed.low.length > AT_ONCE)
    best = improved(asked, solver, best, { better, left: () => left() - rest, misses: 30 });
  if (small) best = proved(asked, solver, whole, best, better, left);
  const neat = tidied(asked, best.plan);
  better({ plan: neat, judged: judgePlan(asked, neat) });
  return best;
}

const costOf = (cost: readonly number[], x: readonly number[]): number =>
  cost.reduce((sum, by, at) => sum + by * x[at]!, 0);

const rowOf = (by: readonly number[], high: number): MixedRow => ({
  low: Number.NEGATIVE_INFINITY,
  high,
  at: by.flatMap((each, at) => (each === 0 ? [] : [at])),
  by: by.filter((each) => each !== 0),
});

type Better = (found: Partial<Solved>) => void;

/** The three aims one after the other, each held while the next is made least. */
function proved(
  asked: PlanAsked,
  solver: MixedSolver,
  programme: SeasonProgramme,
  first: Solved,
  better: Better,
  left: () => number,
): Solved {
  let best = first;
  let start: readonly number[] | null =
    first.judged.faults.length === 0 ? programme.startOf(first.plan) : null;
  const rows: MixedRow[] = [...programme.mixed.rows];
  const aims = [
    {
      cost: programme.hectares,
      share: 0.5,
      met: ({ most, judged }: Solved) => most !== null && judged.inside > most - HECTARE / 1000,
      told: (bound: number) => ({ most: -bound * HECTARE }),
    },
    {
      cost: programme.late,
      share: 0.6,
      met: ({ judged }: Solved) => judged.late < 1,
      told: (bound: number) => ({ leastLate: Math.max(0, bound + programme.undone) * HOUR }),
    },
    {
      cost: programme.rerig,
      share: 1,
      met: () => false,
      told: (bound: number) => ({ leastRerig: Math.max(0, bound) * HOUR }),
    },
  ];
  for (const { cost, share, told, met } of aims) {
    if (left() <= 0) break;
    if (start && met(best)) {
      // A bound says already that this cannot be better.
      rows.push(rowOf(cost, costOf(cost, start) + NEAR));
      continue;
    }
    const mixed: Mixed = { ...programme.mixed, cost, rows };
    const answer = solver(mixed, { seconds: Math.max(0.2, left() * share), start });
    if (answer.x) {
      start = answer.x;
      const plan = programme.planOf(answer.x);
      const judged = judgePlan(asked, plan);
      const found = Number.isFinite(answer.bound) ? told(answer.bound) : {};
      const wins =
        judged.faults.length <= best.judged.faults.length && comparePlans(judged, best.judged) <= 0;
      best = { ...best, ...found, ...(wins ? { plan, judged } : {}) };
      better(best);
      rows.push(rowOf(cost, answer.value + NEAR));
    }
    if (!answer.possible) break;
  }
  return best;
}

/** So near to what was reached before, hectares or hours. */
const NEAR = 1e-4;

/** A hectare inside of its window outweighs so many hours late while a part is made anew. */
const WEIGHT = 100;

function improved(
  asked: PlanAsked,
  solver: MixedSolver,
  first: Solved,
  { better, left, misses: most }: { better: Better; left: () => number; misses: number },
): Solved {
  let best = first;
  // Parts in a row that found nothing: with so many it is as good as it gets this way.
  let misses = 0;
  let settled = false;
  const next = parts(asked);
  let size = 1;
  while (left() > LAST && misses < most) {
    const programme = programmeOf(asked, { plan: best.plan, free: next(size, settled ? null : best.judged) });
    const start = programme.startOf(best.plan);
    const cost = settled
      ? programme.rerig
      : programme.hectares.map((by, at) => WEIGHT * by + programme.late[at]! + programme.rerig[at]! / WEIGHT);
    const held = settled
      ? [
          rowOf(programme.hectares, -best.judged.inside / HECTARE + NEAR),
          rowOf(programme.late, best.judged.late / HOUR - programme.undone + NEAR),
        ]
      : [];
    const mixed = { ...programme.mixed, cost, rows: [...programme.mixed.rows, ...held] };
    const answer = solver(mixed, { seconds: Math.min(PART, Math.max(0.1, left() - LAST)), start });
    size = answer.proved ? Math.min(3, size * 1.15) : Math.max(0.5, size * 0.7);
    const plan = answer.x && programme.planOf(answer.x);
    const judged = plan && judgePlan(asked, plan);
    const wins =
      judged && judged.faults.length <= best.judged.faults.length && comparePlans(judged, best.judged) < 0;
    misses = wins ? 0 : misses + 1;
    if (plan && wins) {
      best = { ...best, plan, judged };
      better(best);
    }
    if (!settled && (misses > most / 3 || isBest(best))) {
      settled = true;
      misses = 0;
    }
    better({});
  }
  const { judged } = best;
  best = {
    ...best,
    leastLate: leastLate(asked, solver, judged.inside, Math.max(0.3, left())),
    leastRerig: judged.inside >= judged.asked - 1 ? leastRerig(asked) : 0,
  };
  return best;
}

/** Seconds kept back for the last bound. */
const LAST = 0.6;

const isBest = ({ most, judged }: Solved) =>
  most !== null && judged.inside >= most - HECTARE / 100 && judged.late < 360;

/**
 * Parts to make anew in turn: some tractors on all days, all tractors on some days, and, while hectares are missing, the tractors of a job that does not fit about its
 * window; more of them the larger the size. The same again for the same plan.
 */
function parts(
  asked: PlanAsked,
): (size: number, judged: PlanJudged | null) => (tractor: number, day: number) => boolean {
  let seed = 12_345;
  let turn = 0;
  const random = (below: number) => {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((seed / 2_147_483_648) * below);
  };
  const [tractors, days] = [asked.tractors.length, asked.days.length];
  return (size, judged) => {
    turn += 1;
    const unfit = judged
      ? asked.jobs.flatMap((job, at) => (judged.jobs[at]!.inside < job.area - HECTARE / 10 ? [at] : []))
      : [];
    if (unfit.length > 0 && turn % 3 !== 0) {
      const job = asked.jobs[unfit[random(unfit.length)]!]!;
      const some = new Set(job.ways.map(({ tractor }) => tractor));
      while (some.size < Math.min(Math.round(1 + 2 * size), tractors)) some.add(random(tractors));
      const beside = Math.round(DAYS * size);
      return (tractor, day) => some.has(tractor) && day >= job.from - beside && day <= job.to + beside;
    }
    if (turn % 2 === 0) {
      const some = new Set([random(tractors)]);
      while (some.size < Math.min(Math.round(2 + size), tractors)) some.add(random(tractors));
      return (tractor) => some.has(tractor);
    }
    const count = Math.round(DAYS * size);
    const first = random(Math.max(1, days - count + 1));
    return (_, day) => day >= first && day < first + count;
  };
}

/** So many days are made anew at once to begin with. */
const DAYS = 7;
