/** Adjusters that were moved: since something was measured or seen, and from one to the next. */
import type { Adjuster } from "../../yard/ground.ts";

/** In steps, by adjuster. */
type Settings = ReadonlyMap<number, number>;

/** Adjusters of the depth and level of the whole tool. */
export function depthAdjusters(adjusters: readonly Adjuster[]): Adjuster[] {
  return adjusters.filter(({ acts }) => acts === null);
}

/** Those that stand otherwise now than they stood then; none of those whose setting is not known of both. */
export function movedSince(
  adjusters: readonly Adjuster[],
  then: Settings,
): { adjuster: Adjuster; was: number }[] {
  return adjusters.flatMap((adjuster) => {
    const was = then.get(adjuster.id);
    return was === undefined || adjuster.setting === null || adjuster.setting === was
      ? []
      : [{ adjuster, was }];
  });
}

export type Turned = { adjuster: Adjuster; steps: number };

/** Steps each was turned from one measuring to the next; none of those whose setting one of them does not know. */
export function turnedBetween(before: Settings, now: Settings, adjusters: readonly Adjuster[]): Turned[] {
  return adjusters.flatMap((adjuster) => {
    const [from, to] = [before.get(adjuster.id), now.get(adjuster.id)];
    return from === undefined || to === undefined || from === to ? [] : [{ adjuster, steps: to - from }];
  });
}
