import fc from "fast-check";
import loadHighs from "highs";
import { beforeAll, describe, expect, it } from "vitest";
import { type Constraint, solve as solveOther } from "yalps";
import { solverBy } from "../../programme/highs.ts";
import type { Mixed, MixedRow, MixedSolver } from "../../programme/mixed.ts";
import { type PlanAsked, type PlanJob, type SeasonPlan, stateOf } from "./asked.ts";
import { leastLate, mostInside } from "./bounds.ts";
import { comparePlans, firstPlan } from "./first.ts";
import { judgePlan } from "./judged.ts";
import { drivingOf } from "./people.ts";
import { pinProblem } from "./pins.ts";
import { programmeOf } from "./programme.ts";
import { HA, HOUR, LARGE, perHour, type Size, sampleSeason } from "./sample.ts";
import { type Solved, solveSeason } from "./solve.ts";
import { tidied } from "./tidy.ts";

let solver: MixedSolver;
beforeAll(async () => {
  solver = solverBy(await loadHighs());
});

/** Ends when the solver ends: no clock in it. */
const solved = (asked: PlanAsked, seconds = 20): Solved =>
  solveSeason(asked, solver, { seconds, now: () => 0, onBetter: () => {}, onProgress: () => {} });

const SMALL: Size = { jobs: 3, tractors: 2, days: 4, outfits: 3, carries: 2, people: null, load: 60 };

/** One tractor, a drill and a harrow: a day of ten hours, three hectares an hour. */
const yard = (jobs: readonly Partial<PlanJob>[], more: Partial<PlanAsked> = {}): PlanAsked => ({
  days: Array.from({ length: 6 }, () => 10 * HOUR),
  tractors: [
    {
      id: 1,
      name: "T1",
      carries: [0, 1],
      begins: 0,
      away: new Set(),
      rerig: [
        [0, HOUR, 2 * HOUR],
        [HOUR / 2, 0, 2.5 * HOUR],
        [HOUR / 2, 1.5 * HOUR, 0],
      ],
    },
  ],
  outfits: [
    { name: "drill", tools: [0] },
    { name: "harrow", tools: [1] },
  ],
  jobs: jobs.map((job, at) => ({
    id: at + 1,
    name: `job ${at + 1}`,
    area: 27 * HA,
    from: 0,
    to: 5,
    most: null,
    ways: [{ tractor: 0, outfit: 0, rate: perHour(3) }],
    ...job,
  })),
  people: [],
  late: 3,
  pins: [],
  ...more,
});

describe("a plan by hand", () => {
  it("loses the hour it is coupled in: 27 ha at 3 ha/h fill a day of ten", () => {
    const { judged } = solved(yard([{ to: 0 }]));
    expect(judged.inside / HA).toBeCloseTo(27, 3);
    expect(judged.late).toBe(0);
    expect(judged.rerig).toBe(HOUR);
    expect(judged.faults).toEqual([]);
  });

  it("is done late where the window is shorter than the work, hours counted by the days after it", () => {
    // 27 ha on the first day, 30 on the second, which is one day late: 10 h · 1 d; 3 ha more on the third: 1 h · 2 d.
    const { judged, leastLate: least } = solved(yard([{ to: 0, area: 60 * HA }]));
    expect(judged.inside / HA).toBeCloseTo(27, 3);
    expect(judged.late / HOUR).toBeCloseTo(12, 3);
    expect(least! / HOUR).toBeCloseTo(12, 2);
  });

  it("counts what is not done at all a day after the last it may be done", () => {
    const { judged } = solved(yard([{ to: 0, area: 60 * HA }], { late: 1 }));
    // 10 h one day late, and 3 ha (1 h) never: two days.
    expect(judged.late / HOUR).toBeCloseTo(12, 3);
    expect(judged.jobs[0]!.undone / HA).toBeCloseTo(3, 3);
  });

  it("couples in the cheaper order", () => {
    const harrow = [{ tractor: 0, outfit: 1, rate: perHour(3) }];
    const { judged } = solved(yard([{ area: 9 * HA }, { area: 9 * HA, ways: harrow }]));
    // Drill, then harrow: 1 + 2.5 h; harrow, then drill: 2 + 1.5 h. Both 3.5 h, so begin with what is cheaper first is no help: the sum is the same.
    expect(judged.rerig / HOUR).toBeCloseTo(3.5, 6);
    expect(judged.inside / HA).toBeCloseTo(18, 3);
  });

  it("keeps within the hours dew leaves a job, and within those somebody is there to drive", () => {
    expect(solved(yard([{ to: 1, most: 4 * HOUR }])).judged.inside / HA).toBeCloseTo(24, 3);
    const away = [{ name: "A", away: new Set([0, 1]), drives: null }];
    expect(solved(yard([{ to: 1 }], { people: away })).judged.inside).toBe(0);
    const other = [{ name: "A", away: new Set<number>(), drives: new Set<number>() }];
    expect(solved(yard([{ to: 1 }], { people: other })).judged.inside).toBe(0);
  });

  it("couples nothing on a day off", () => {
    const days = [10, 0, 10, 10, 10, 10].map((hours) => hours * HOUR);
    const harrow = [{ tractor: 0, outfit: 1, rate: perHour(3) }];
    const { plan, judged } = solved(
      yard(
        [
          { area: 27 * HA, to: 0 },
          { area: 22.5 * HA, from: 2, to: 2, ways: harrow },
        ],
        { days },
      ),
    );
    expect(judged.inside / HA).toBeCloseTo(27 + 3 * 7.5, 3);
    expect(plan.states[0]![1]).toBe(plan.states[0]![0]);
    // From bare to the drill on the first day, to the harrow on the second, which is off.
    const sunday = { works: [], states: [[1, 2, 2, 2, 2, 2]] };
    expect(judgePlan(yard([], { days }), sunday).faults).toEqual([
      { kind: "set on a day off", tractor: 0, day: 1 },
    ]);
  });

  it("leaves what was pulled where it was pulled, also before its window", () => {
    const pin = { job: 0, tractor: 0, day: 4, days: 1, area: 15 * HA };
    const { judged, plan } = solved(yard([{ to: 2 }], { pins: [pin] }));
    const there = plan.works.filter(({ day }) => day === 4);
    expect(there.reduce((sum, { time }) => sum + time, 0) / HOUR).toBeCloseTo(5, 3);
    expect(judged.inside / HA).toBeCloseTo(12, 3);
    expect(judged.faults).toEqual([]);
    const early = solved(yard([{ from: 3 }], { pins: [{ ...pin, day: 1 }] }));
    expect(early.judged.jobs[0]!.first).toBe(1);
    expect(early.judged.jobs[0]!.outside / HA).toBeCloseTo(15, 3);
  });

  it("says what stands against a piece that is pulled", () => {
    const asked = yard([{}, { ways: [{ tractor: 0, outfit: 1, rate: 1 }] }]);
    const pin = { job: 0, tractor: 0, day: 1, days: 2, area: HA };
    expect(pinProblem(asked, pin)).toBeNull();
    expect(pinProblem(asked, { ...pin, day: 5 })).toEqual({ kind: "no days left" });
    const pulled = { ...asked, pins: [pin] };
    expect(pinProblem(pulled, { ...pin, job: 1, day: 2 })).toEqual({
      kind: "tractor has other work",
      job: 0,
      day: 2,
    });
  });
});

/** Every path of states there is, each with its hours by another solver: slow, and nothing of the programme in it. */
function brute(asked: PlanAsked): { inside: number; late: number; rerig: number } {
  const paths = asked.tractors.map(({ carries }) => {
    let all: number[][] = [[]];
    for (const _ of asked.days)
      all = all.flatMap((path) => Array.from({ length: carries.length + 1 }, (_, state) => [...path, state]));
    return all;
  });
  let best = { inside: -1, late: 0, rerig: 0 };
  const each = (at: number, states: number[][]): void => {
    if (at < paths.length) {
      for (const path of paths[at]!) each(at + 1, [...states, path]);
      return;
    }
    const judged = judgePlan(asked, { works: [], states });
    if (judged.faults.length > 0) return;
    const inside = hoursBy(asked, states, null);
    if (inside.hectares < best.inside - 1e-6) return;
    const { late } = hoursBy(asked, states, inside.hectares);
    const found = { inside: inside.hectares, late, rerig: judged.rerig / HOUR };
    const sides = [best.inside - found.inside, found.late - best.late, found.rerig - best.rerig];
    const first = sides.find((side) => Math.abs(side) > 1e-6) ?? 0;
    if (best.inside < 0 || first < 0) best = found;
  };
  each(0, []);
  return best;
}

/** Most hectares inside, or, those held, the least lateness, with what is coupled given. */
function hoursBy(asked: PlanAsked, states: readonly (readonly number[])[], held: number | null) {
  const variables: Record<string, Record<string, number>> = {};
  const constraints: Record<string, Constraint> = {};
  const best = asked.jobs.map(({ ways }) => Math.max(...ways.map(({ rate }) => (rate * HOUR) / HA)));
  const undone = asked.jobs.reduce(
    (sum, { area }, at) => sum + ((asked.late + 1) * (area / HA)) / best[at]!,
    0,
  );
  for (const [at, job] of asked.jobs.entries()) {
    constraints[`job ${at}`] = { max: job.area / HA };
    for (const { tractor, outfit, rate } of job.ways) {
      const it = asked.tractors[tractor]!;
      for (const [day, time] of asked.days.entries()) {
        if (day < job.from || day > job.to + asked.late || it.away.has(day)) continue;
        if (states[tractor]![day] !== stateOf(it, outfit)) continue;
        const before = day === 0 ? it.begins : states[tractor]![day - 1]!;
        const there = Math.max(0, time - it.rerig[before]![stateOf(it, outfit)]!) / HOUR;
        const key = `x ${at} ${tractor} ${day}`;
        const hectares = (rate * HOUR) / HA;
        const out = Math.max(0, day - job.to);
        variables[key] = {
          inside: out === 0 ? hectares : 0,
          late: out - ((asked.late + 1) * hectares) / best[at]!,
          [`job ${at}`]: hectares,
          [`day ${tractor} ${day}`]: 1,
          [key]: 1,
        };
        constraints[`day ${tractor} ${day}`] = { max: there };
        if (job.most !== null) constraints[key] = { max: job.most / HOUR };
      }
    }
  }
  const { result } = solveOther(
    held === null
      ? { direction: "maximize", objective: "inside", constraints, variables }
      : {
          direction: "minimize",
          objective: "late",
          constraints: { ...constraints, inside: { min: held - 1e-7 } },
          variables,
        },
  );
  return { hectares: result, late: result + undone };
}

describe("the plan, tried against every plan there is", () => {
  it.each([1, 2, 3, 4, 5, 6])("has its hectares, its lateness and its minutes: yard %i", (seed) => {
    const asked = sampleSeason(seed, { ...SMALL, days: seed % 2 === 0 ? 3 : 4, jobs: 2 + (seed % 3) });
    const found = solved(asked);
    const least = brute(asked);
    expect(found.judged.faults).toEqual([]);
    expect(found.judged.inside / HA).toBeCloseTo(least.inside, 2);
    expect(found.judged.late / HOUR).toBeCloseTo(least.late, 2);
    expect(found.judged.rerig / HOUR).toBeCloseTo(least.rerig, 2);
    // It says itself that nothing better is possible.
    expect(found.most! / HA).toBeCloseTo(least.inside, 2);
    expect(found.leastLate! / HOUR).toBeCloseTo(least.late, 2);
    expect(found.leastRerig! / HOUR).toBeCloseTo(least.rerig, 2);
  });

  it("is the same by a second solver of integer programmes (yalps)", () => {
    for (const seed of [11, 12, 13]) {
      const asked = sampleSeason(seed, { ...SMALL, people: 1 });
      const { mixed, hectares } = programmeOf(asked);
      const { value } = solver({ ...mixed, cost: hectares }, { seconds: 20 });
      expect(secondOf({ ...mixed, cost: hectares })).toBeCloseTo(value, 3);
    }
  });
});

function secondOf({ cost, rows, high, low, whole }: Mixed): number {
  const variables = cost.map((by, at): [string, Record<string, number>] => [
    `x${at}`,
    { cost: by, [`end${at}`]: 1 },
  ]);
  const constraints: Record<string, Constraint> = Object.fromEntries(
    cost.map((_, at) => [`end${at}`, { min: low[at]!, max: high[at]! }]),
  );
  for (const [place, row] of rows.entries()) {
    if (row.at.length === 0) continue;
    constraints[`row${place}`] = ends(row);
    for (const [at, column] of row.at.entries()) variables[column]![1][`row${place}`] = row.by[at]!;
  }
  return solveOther({
    direction: "minimize",
    objective: "cost",
    constraints,
    variables: Object.fromEntries(variables),
    integers: whole.flatMap((each, at) => (each ? [`x${at}`] : [])),
  }).result;
}

const ends = ({ low, high }: MixedRow): Constraint =>
  low === high
    ? { equal: low }
    : { ...(Number.isFinite(low) ? { min: low } : {}), ...(Number.isFinite(high) ? { max: high } : {}) };

describe("any plan", () => {
  it("can be done, is no better than its bounds, and no worse than the first", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), fc.boolean(), (seed, few) => {
        const asked = sampleSeason(seed, {
          ...SMALL,
          jobs: 5,
          tractors: 3,
          days: 8,
          carries: 3,
          people: few ? 2 : null,
        });
        const found = solved(asked, 3);
        const first = judgePlan(asked, firstPlan(asked));
        expect(first.faults).toEqual([]);
        expect(found.judged.faults).toEqual([]);
        expect(found.judged.inside).toBeGreaterThan(first.inside - 100);
        expect(found.judged.inside).toBeLessThan(found.most! + 100);
        expect(found.judged.inside).toBeLessThan(mostInside(asked, solver, 5)! + 100);
        expect(found.judged.late).toBeGreaterThan(leastLate(asked, solver, found.judged.inside, 5)! - 400);
        expect(found.judged.rerig).toBeGreaterThan(found.leastRerig! - 60);
      }),
      { numRuns: 12 },
    );
  });

  it("of a contractor's spring is found part by part, within a twentieth of what no plan beats", () => {
    const asked = sampleSeason(2, LARGE);
    let at = 0;
    const found = solveSeason(asked, solver, {
      seconds: 30,
      // A clock of its own: six parts, however long they take.
      now: () => (at += 0.4),
      onBetter: () => {},
      onProgress: () => {},
    });
    expect(found.judged.faults).toEqual([]);
    expect(found.most).not.toBeNull();
    expect(found.judged.inside).toBeLessThanOrEqual(found.most! + 100);
    expect(found.judged.inside / found.most!).toBeGreaterThan(0.95);
  });
});

describe("what a plan is held against", () => {
  const asked = sampleSeason(3, SMALL);
  const none: SeasonPlan = { works: [], states: asked.tractors.map(() => asked.days.map(() => 0)) };
  const [job] = asked.jobs;
  const [way] = job!.ways;
  const state = stateOf(asked.tractors[way!.tractor]!, way!.outfit);
  const at = (day: number, time: number, states = state): SeasonPlan => ({
    works: [{ job: 0, tractor: way!.tractor, outfit: way!.outfit, day, time }],
    states: none.states.map((days, tractor) => (tractor === way!.tractor ? days.map(() => states) : days)),
  });
  const faults = (plan: SeasonPlan, but: Partial<PlanAsked> = {}) =>
    judgePlan({ ...asked, ...but }, plan).faults.map(({ kind }) => kind);

  it("names what cannot be", () => {
    expect(faults(none)).toEqual([]);
    const free = job!.from + 1;
    expect(faults(at(free, HOUR))).toEqual([]);
    expect(faults(at(free, 11 * HOUR))).toContain("more hours than the day");
    expect(faults(at(free, HOUR, 0))).toContain("not what is coupled");
    expect(faults(at(free, HOUR), { people: [{ name: "A", away: new Set([free]), drives: null }] })).toEqual([
      "nobody to drive",
    ]);
    const away = asked.tractors.map((it, tractor) =>
      tractor === way!.tractor ? { ...it, away: new Set([free]) } : it,
    );
    expect(faults(at(free, HOUR), { tractors: away })).toContain("tractor not there");
    const twice = asked.tractors.map(() => ({ ...asked.tractors[way!.tractor]!, away: new Set<number>() }));
    const both = { works: [], states: twice.map(() => asked.days.map(() => state)) };
    expect(faults(both, { tractors: twice })).toContain("tool on two tractors");
  });
});

describe("a plan in order", () => {
  it("begins as soon as it may, leaves on what is on, and goes from one job to the next", () => {
    const asked = yard([{ area: 9 * HA }, { area: 9 * HA }]);
    const late: SeasonPlan = {
      works: [
        { job: 1, tractor: 0, outfit: 0, day: 3, time: 1.5 * HOUR },
        { job: 0, tractor: 0, outfit: 0, day: 3, time: 1.5 * HOUR },
        { job: 1, tractor: 0, outfit: 0, day: 4, time: 1.5 * HOUR },
        { job: 0, tractor: 0, outfit: 0, day: 4, time: 1.5 * HOUR },
      ],
      states: [[0, 0, 0, 1, 1, 0]],
    };
    const neat = tidied(asked, late);
    expect(neat.states).toEqual([[1, 1, 1, 1, 1, 1]]);
    expect(neat.works.map(({ job, day, time }) => [job, day, time / HOUR])).toEqual([
      [1, 0, 3],
      [0, 0, 3],
    ]);
    expect(judgePlan(asked, neat).faults).toEqual([]);
    // Nobody is there on the first two days.
    const away = [{ name: "A", away: new Set([0, 1]), drives: null }];
    expect(tidied({ ...asked, people: away }, late).works.map(({ day }) => day)).toEqual([2, 2]);
  });

  it("is never worse than it was, whatever it was", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
        const asked = sampleSeason(seed, { ...SMALL, jobs: 8, tractors: 3, days: 14, people: 2 });
        const first = firstPlan(asked);
        const [was, is] = [judgePlan(asked, first), judgePlan(asked, tidied(asked, first))];
        expect(is.faults).toEqual([]);
        // More minutes of setting only where hectares inside their windows, or fewer hours late, are worth them.
        expect(comparePlans(is, was)).toBeLessThanOrEqual(0);
      }),
      { numRuns: 25, examples: [[3573]] },
    );
  });
});

describe("who drives", () => {
  it("stays on the tractor of the day before, and nobody drives more hours than the day has", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
        const asked = sampleSeason(seed, { ...SMALL, jobs: 6, tractors: 3, days: 6, people: 3 });
        const people = asked.people.map((each, at) => ({
          ...each,
          drives: at === 0 ? new Set([0, 1]) : null,
        }));
        const choosy = { ...asked, people };
        const { plan, judged } = solved(choosy, 2);
        const driving = drivingOf(choosy, plan);
        expect(judged.faults).toEqual([]);
        for (const [day, hours] of asked.days.entries()) {
          const sum = (some: readonly { time: number }[]) => some.reduce((all, { time }) => all + time, 0);
          const today = driving.filter((each) => each.day === day);
          for (const person of people.keys())
            expect(sum(today.filter((each) => each.person === person))).toBeLessThanOrEqual(hours + 61);
          for (const tractor of asked.tractors.keys())
            expect(
              Math.abs(
                sum(today.filter((each) => each.tractor === tractor)) -
                  sum(plan.works.filter((work) => work.tractor === tractor && work.day === day)),
              ),
            ).toBeLessThan(200);
        }
        expect(driving.some(({ person, tractor }) => person === 0 && tractor === 2)).toBe(false);
      }),
      { numRuns: 10 },
    );
    const asked = sampleSeason(1, { ...SMALL, jobs: 1, tractors: 1, days: 6, people: 2, load: 500 });
    const driven = drivingOf(asked, solved(asked).plan).map(({ person }) => person);
    expect(new Set(driven).size).toBe(1);
    expect(drivingOf({ ...asked, people: [] }, solved(asked).plan)).toEqual([]);
  });
});
