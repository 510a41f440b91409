/**
 * How far a search may go. There are as many ways to plug in as there are orders of the couplings: of eight functions at
 * once on eleven couplings, millions a stage. A search that has taken its steps ends, the same way on every machine.
 */
export type Steps = { left: number };

/** Steps of one search: about half a second on a small computer. */
const A_SEARCH = 200_000;

/** Steps for so many searches. */
export const stepsOf = (searches = 1): Steps => ({ left: searches * A_SEARCH });

/** What a search throws when its steps are used up: nothing is proved then, neither that a way works nor that none does. */
export class TooManyWays extends Error {
  constructor() {
    super("more ways to plug in than can be weighed");
  }
}

/** One step taken. @throws TooManyWays where none is left */
export function step(steps: Steps): void {
  steps.left -= 1;
  if (steps.left < 0) throw new TooManyWays();
}

/** What a search finds, or `beyond` where it used up its steps. */
export function within<Found, Beyond>(search: () => Found, beyond: Beyond): Found | Beyond {
  try {
    return search();
  } catch (error) {
    if (error instanceof TooManyWays) return beyond;
    throw error;
  }
}
