/** Running a sequence: what holds after what was done, which step is next, and why another is refused. */
import { type Need, type Sequence, type Step, stateWords, type World } from "./step.ts";

/** What holds once a step is done. */
export function after(world: World, step: Pick<Step, "sets">): World {
  return { ...world, ...step.sets };
}

/** What of a step's needs does not hold. What nobody knows of does not hold either. */
export function unmetNeeds(step: Pick<Step, "needs">, world: World): Need[] {
  return step.needs.filter(({ part, is }) => world[part] !== is);
}

/** Each step with what holds before it, one after the other. */
export function walk(start: World, steps: readonly Step[]): { step: Step; before: World }[] {
  let world = start;
  return steps.map((step) => {
    const before = world;
    world = after(world, step);
    return { step, before };
  });
}

/** What holds once all of them are. */
export const endOf = (start: World, steps: readonly Step[]): World => steps.reduce(after, start);

/** How far a run has come: the steps done, in order, and what holds now. */
export type Position = { done: readonly string[]; world: World; next: Step | null };

/** How far a run has come, given the ids done in order; an id the list no longer has counts for nothing. */
export function positionOf(start: World, { steps }: Sequence, done: readonly string[]): Position {
  const known = done.flatMap((id) => steps.find((step) => step.id === id) ?? []);
  return {
    done: known.map(({ id }) => id),
    world: endOf(start, known),
    next: steps.find(({ id }) => !done.includes(id)) ?? null,
  };
}

/** Why a step cannot be done now, in sentences; empty where it can. */
export function refusal(start: World, sequence: Sequence, done: readonly string[], id: string): string[] {
  const step = sequence.steps.find((each) => each.id === id);
  if (!step) return ["That step is not in this list."];
  if (done.includes(id)) return ["It is done already."];
  const { world, next } = positionOf(start, sequence, done);
  const unmet = unmetNeeds(step, world).map((need) => `Not yet: ${stateWords(need)}.`);
  const waiting = step.after
    .filter((other) => !done.includes(other))
    .map((other) => `It waits for “${sequence.steps.find((each) => each.id === other)?.text ?? other}”.`);
  if (unmet.length > 0 || waiting.length > 0) return [...unmet, ...waiting];
  return next && next.id !== id ? [`First: “${next.text}”.`] : [];
}

/** Why the last step cannot be taken back now; empty where it can. */
export function refusalBack(start: World, sequence: Sequence, done: readonly string[]): string[] {
  const step = sequence.steps.find(({ id }) => id === done.at(-1));
  if (!step) return ["Nothing is done yet."];
  if (!step.back) return [`“${step.text}” cannot be taken back: go on, or abort.`];
  const { world } = positionOf(start, sequence, done);
  return unmetNeeds(step.back, world).map((need) => `Not yet: ${stateWords(need)}.`);
}
