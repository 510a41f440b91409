/** A plan as it comes from outside: nothing of it is believed before it has been read. */
import type { PlanAsked, SeasonPlan, Work } from "./asked.ts";

/** As text to send. */
export const writePlan = ({ works, states }: SeasonPlan): string =>
  JSON.stringify({
    works: works.map(({ job, tractor, outfit, day, time }) => [job, tractor, outfit, day, Math.round(time)]),
    states,
  });

/** Null where the text is no plan of what is asked: whether it can be done is judged after. */
export function readPlan(asked: PlanAsked, text: string): SeasonPlan | null {
  let told: unknown;
  try {
    told = JSON.parse(text);
  } catch {
    return null;
  }
  if (typeof told !== "object" || told === null) return null;
  const { works, states } = told as { works?: unknown; states?: unknown };
  const days = asked.days.length;
  const isBelow = (value: unknown, end: number): value is number =>
    typeof value === "number" && Number.isInteger(value) && value >= 0 && value < end;
  if (!Array.isArray(works) || works.length > 50_000 || !Array.isArray(states)) return null;
  const known =
    states.length === asked.tractors.length &&
    states.every(
      (each, tractor) =>
        Array.isArray(each) &&
        each.length === days &&
        each.every((state) => isBelow(state, asked.tractors[tractor]!.carries.length + 1)),
    );
  const read = works.map((work): Work | null => {
    if (!Array.isArray(work) || work.length !== 5) return null;
    const [job, tractor, outfit, day, time] = work as unknown[];
    return isBelow(job, asked.jobs.length) &&
      isBelow(tractor, asked.tractors.length) &&
      isBelow(outfit, asked.outfits.length) &&
      isBelow(day, days) &&
      isBelow(time, 86_401)
      ? { job, tractor, outfit, day, time }
      : null;
  });
  return known && read.every((work) => work !== null)
    ? { works: read as Work[], states: states as number[][] }
    : null;
}

/** What is asked, as one text: the same for the same season. */
export const askedText = (asked: PlanAsked): string =>
  JSON.stringify(asked, (_, value) => (value instanceof Set ? [...value].sort((a, b) => a - b) : value));
