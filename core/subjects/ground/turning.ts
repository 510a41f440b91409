/** Adjusters as what can be turned: those that are kept equal together, within their ranges; and back from steps to adjusters. */
import type { Adjuster } from "../../yard/ground.ts";
import { type Target, type Turning, turnWellWithin } from "./adjust.ts";
import { pairsOf } from "./pairs.ts";

/** One adjuster, how many steps more (+) or fewer (−), and where it then stands. */
export type Turn = { adjuster: Adjuster; steps: number; to: number };

/** Those that are set by themselves: a slave follows its master, and is never turned to set anything. */
export function mastersOf<A extends Pick<Adjuster, "master">>(adjusters: readonly A[]): A[] {
  return adjusters.filter(({ master }) => master === null);
}

/** So many steps of each of some adjusters that are turned together. */
export function turnsBy(together: readonly (Adjuster & { setting: number })[], steps: number): Turn[] {
  return together.map((adjuster) => ({ adjuster, steps, to: adjuster.setting + steps }));
}

/**
 * What to turn so that all targets come right. `effectsOf` says what one step more of all of a group does to each target, in its unit. Groups that
 * no step brings into the range of all of them are left alone.
 */
export function turnAdjusters<A extends Adjuster & { setting: number }>(
  targets: readonly Target[],
  ready: readonly A[],
  effectsOf: (together: readonly A[]) => readonly number[],
): Pick<Turning, "left" | "within"> & { turns: Turn[]; binds: Adjuster[] } {
  const groups = pairsOf(ready).flatMap((together) => {
    const low = Math.max(...together.map((each) => each.low - each.setting));
    const high = Math.min(...together.map((each) => each.high - each.setting));
    const key = together.map(({ label }) => label).join(", ");
    const turnable = { key, effects: effectsOf(together), low, high, parts: together.length };
    return low <= high ? [{ together, turnable }] : [];
  });
  const { steps, left, within, binds } = turnWellWithin(
    targets,
    groups.map(({ turnable }) => turnable),
  );
  return {
    left,
    within,
    turns: groups.flatMap(({ together }, at) => (steps[at] === 0 ? [] : turnsBy(together, steps[at]!))),
    binds: binds.flatMap((at) => groups[at]!.together),
  };
}
