/** The least effort that moves the wheels: found by tries, one side at a time. Efforts as shares, wheel rates in radians a second. */

const DEGREE = Math.PI / 180;

/** Wheels are to move so fast at the least effort (common practice, no source). */
export const WHEEL_RATE = DEGREE;
/** It is changed by no more than so much at a time: two percentage points (common practice, no source). */
export const MOST_STEP = 0.02;

export type Try = { effort: number; rate: number };

export type Effort =
  /** nothing was tried */
  | { kind: "none" }
  /** try this one next */
  | { kind: "next"; effort: number; because: "too slow" | "too fast" }
  /** between two tries a step apart or less */
  | { kind: "found"; effort: number };

/** Tries of one side, in any order: the least effort that moves wheels fast enough, or which to try next. */
export function leastEffort(tries: readonly Try[]): Effort {
  if (tries.length === 0) return { kind: "none" };
  const sorted = [...tries].sort((a, b) => a.effort - b.effort);
  const slow = sorted.filter(({ rate }) => rate < WHEEL_RATE).at(-1) ?? null;
  const fast =
    sorted.find(({ effort, rate }) => rate >= WHEEL_RATE && (!slow || effort > slow.effort)) ?? null;
  if (!fast) return { kind: "next", effort: below(slow!.effort + MOST_STEP), because: "too slow" };
  if (!slow)
    return { kind: "next", effort: above(Math.max(0, fast.effort - MOST_STEP)), because: "too fast" };
  if (fast.effort - slow.effort <= MOST_STEP + 1e-9) {
    const share = (WHEEL_RATE - slow.rate) / (fast.rate - slow.rate);
    // What was seen to move them is taken, rounded up to half a point.
    return {
      kind: "found",
      effort: Math.ceil((slow.effort + share * (fast.effort - slow.effort)) * 200 - 1e-6) / 200,
    };
  }
  return { kind: "next", effort: below(slow.effort + MOST_STEP), because: "too slow" };
}

/** To a tenth of a point, and never a longer step for it. */
const below = (effort: number) => Math.floor(effort * 1000 + 1e-9) / 1000;
const above = (effort: number) => Math.ceil(effort * 1000 - 1e-9) / 1000;
