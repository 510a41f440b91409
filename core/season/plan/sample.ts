/** A season to try plans on, for tests and the bench. */
import type { PlanAsked, PlanJob, PlanTractor } from "./asked.ts";

export const HOUR = 3600;
export const HA = 10_000;

/** m² a second of so many hectares an hour. */
export const perHour = (hectares: number): number => (hectares * HA) / HOUR;

/** Random numbers that are the same again: 0 to below 1. */
export function numbers(seed: number): () => number {
  let now = seed;
  return () => {
    now = (now * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return now / 4_294_967_296;
  };
}

export type Size = {
  jobs: number;
  tractors: number;
  days: number;
  outfits: number;
  /** outfits each tractor carries */
  carries: number;
  people: number | null;
  /** hectares of a job are up to this much more than forty */
  load: number;
};

/** A yard with so many of each, its figures by chance. */
export function sampleSeason(seed: number, size: Size): PlanAsked {
  const next = numbers(seed);
  const whole = (below: number) => Math.floor(next() * below);
  const outfits = Array.from({ length: size.outfits }, (_, at) => ({
    name: `outfit ${at + 1}`,
    tools: [at],
  }));
  const tractors = Array.from({ length: size.tractors }, (_, at): PlanTractor => {
    const carries = new Set<number>([at % size.outfits]);
    while (carries.size < Math.min(size.carries, size.outfits)) carries.add(whole(size.outfits));
    const states = Array.from({ length: carries.size + 1 }, (_, state) => state);
    const away = whole(size.days);
    return {
      id: at + 1,
      name: `tractor ${at + 1}`,
      carries: [...carries],
      begins: whole(states.length) === 1 && at < size.outfits ? 1 : 0,
      away: new Set(next() < 0.3 ? [away, away + 1] : []),
      rerig: states.map((from) =>
        states.map((to) =>
          from === to ? 0 : (from === 0 ? 0 : 600) + (to === 0 ? 0 : 900 + 60 * whole(90)),
        ),
      ),
    };
  });
  const jobs: PlanJob[] = Array.from({ length: size.jobs }, (_, at) => {
    const carried = [...new Set(tractors.flatMap(({ carries }) => carries))];
    const outfit = carried[whole(carried.length)]!;
    const from = whole(Math.max(1, size.days - 4));
    return {
      id: at + 1,
      name: `job ${at + 1}`,
      area: (10 + size.load * next()) * HA,
      from,
      to: Math.min(size.days - 1, from + 1 + whole(Math.max(1, Math.floor(size.days / 4)))),
      most: next() < 0.2 ? 5 * HOUR : null,
      ways: tractors.flatMap(({ carries }, tractor) =>
        carries.includes(outfit) ? [{ tractor, outfit, rate: perHour(3 + whole(30) / 10) }] : [],
      ),
    };
  });
  return {
    days: Array.from({ length: size.days }, (_, day) => (day % 7 === 6 ? 0 : 10 * HOUR)),
    tractors,
    outfits,
    jobs,
    people:
      size.people === null
        ? []
        : Array.from({ length: size.people }, (_, at) => ({
            name: `person ${at + 1}`,
            away: new Set<number>(),
            drives: null,
          })),
    late: 14,
    pins: [],
  };
}

/** A contractor's spring: 60 jobs, 12 tractors, 8 weeks. */
export const LARGE: Size = {
  jobs: 60,
  tractors: 12,
  days: 56,
  outfits: 16,
  carries: 4,
  people: 8,
  load: 160,
};
