/** What people ask of a balance: how much may go on the pin, how far may it be filled, with a fifth left in front. kg and metres. */
import { isAhead, isCarried } from "../../dimension/attachment.ts";
import { known, type WholeRig } from "../../rig/whole.ts";
import { FRONT_SHARE } from "./loads.ts";
import type { RigState } from "./states.ts";

export type Largest = {
  /** the largest load on each pin of the machine, by part; null for a part that hangs on another, or is carried */
  pin: (number | null)[];
  /** how full each tank may be, 0 to 1 of what it holds, by part; null where it has none */
  fill: (number | null)[];
};

/**
 * Both are linear in what is asked, so two states tell them. `stateAt` gives a state with every tank at a share, and one of them at another.
 */
export function largestOf(
  whole: WholeRig,
  ground: { axle: number; base: number },
  unladen: number,
  states: readonly RigState[],
  stateAt: (full: (part: number) => boolean) => RigState,
): Largest {
  const least = FRONT_SHARE * unladen;
  const must = states.filter((state) => state.must && state.hitches.some((each) => each !== 0));
  return {
    pin: whole.parts.map(({ rig, behind }, part) => {
      if (behind !== null || isCarried(rig.attachment)) return null;
      const distance = known(rig, "axle.pin");
      if (distance === null || must.length === 0) return null;
      const x = isAhead(rig.attachment) ? distance : -distance;
      // A kilogram on the pin takes this much off the front.
      const takes = -(x - ground.base) / (ground.axle - ground.base);
      if (takes <= 0) return null;
      return Math.min(...must.map((state) => state.hitches[part]! + (state.front - least) / takes));
    }),
    fill: whole.parts.map(({ rig }, part) => {
      if ((known(rig, "tool.load") ?? 0) <= 0) return null;
      const shares = [false, true].map((others) => {
        const [empty, full] = [false, true].map(
          (own) => stateAt((at) => (at === part ? own : others)).front,
        ) as [number, number];
        if (full >= least) return empty >= least ? 1 : null;
        return empty < least ? 0 : (empty - least) / (empty - full);
      });
      const told = shares.filter((share): share is number => share !== null);
      return told.length === 0 ? null : Math.min(...told);
    }),
  };
}
