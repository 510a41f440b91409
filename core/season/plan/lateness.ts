/** What work outside of its window counts: one aim, the same for the programme and for the bound no plan beats. Hours and hectares. */
import { outside, type PlanAsked } from "./asked.ts";

export const HOUR = 3600;
export const HECTARE = 10_000;

/** Hectares an hour of m² a second. */
export const perHour = (rate: number): number => (rate * HOUR) / HECTARE;

/**
 * An hour of a job at so many hectares an hour counts the days it lies outside, less the hour of its fastest rig that is no more undone; `undone`
 * is what counts where nothing is done at all.
 */
export function latenessOf({ jobs, late }: PlanAsked) {
  const best = jobs.map(({ ways }) => Math.max(...ways.map(({ rate }) => perHour(rate))));
  return {
    costOf: ({ job, day, rate }: { job: number; day: number; rate: number }): number =>
      outside(jobs[job]!, day) - (late + 1) * (rate / best[job]!),
    undone: jobs.reduce((sum, { area }, at) => sum + ((late + 1) * (area / HECTARE)) / best[at]!, 0),
  };
}
