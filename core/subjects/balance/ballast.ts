/** The smallest set of the weights a tractor has that satisfies every state of the rig at once. kg and metres. */
import type { Weight } from "../../yard/weights.ts";

/** What the states together still need and allow, before any ballast: a weight adds the same to every state. */
export type Room = {
  /** the most any state is short of on the front and on the rear axle; 0 or less: nothing is needed */
  needFront: number;
  needRear: number;
  /** the least any state has left on each axle and in all; infinite where no limit is known */
  spareFront: number;
  spareRear: number;
  spareGross: number;
};

export type Proposal =
  | { ok: true; set: { weight: Weight; count: number }[]; mass: number }
  /** the nearest that can be done: what stays short or over, kg */
  | { ok: false; shortFront: number; shortRear: number; over: number };

/** Rounding of sums of kilograms. */
const EPSILON = 1e-6;

/**
 * Searches all counts of all kinds, the lightest set first found kept; of equal sets the one with fewer pieces. Exact: the
 * branch is left only where it is heavier than the best already. Worst case the product of (count + 1).
 */
export function proposeBallast(stock: readonly Weight[], wheelbase: number, room: Room): Proposal {
  const kinds = stock.filter(({ count, mass }) => count > 0 && mass > 0);
  let best: { counts: number[]; mass: number; pieces: number } | null = null;
  let nearest = { miss: Number.POSITIVE_INFINITY, shortFront: 0, shortRear: 0, over: 0 };
  const counts = kinds.map(() => 0);
  const look = (kind: number, mass: number, front: number, pieces: number) => {
    if (best && (mass > best.mass + EPSILON || (mass > best.mass - EPSILON && pieces >= best.pieces))) return;
    const weight = kinds[kind];
    if (weight) {
      for (let count = 0; count <= weight.count; count++) {
        counts[kind] = count;
        const added = count * weight.mass;
        look(kind + 1, mass + added, front + (added * weight.x) / wheelbase, pieces + count);
      }
      counts[kind] = 0;
      return;
    }
    const miss = missing(front, mass - front, mass, room);
    const total = miss.shortFront + miss.shortRear + miss.over;
    if (total <= EPSILON) best = { counts: [...counts], mass, pieces };
    else if (total < nearest.miss) nearest = { miss: total, ...miss };
  };
  look(0, 0, 0, 0);
  const found = best as { counts: number[]; mass: number } | null;
  if (!found)
    return { ok: false, shortFront: nearest.shortFront, shortRear: nearest.shortRear, over: nearest.over };
  const set = kinds.flatMap((weight, index) =>
    found.counts[index]! > 0 ? [{ weight, count: found.counts[index]! }] : [],
  );
  return { ok: true, set, mass: found.mass };
}

function missing(front: number, rear: number, mass: number, room: Room) {
  return {
    shortFront: Math.max(0, room.needFront - front),
    shortRear: Math.max(0, room.needRear - rear),
    over:
      Math.max(0, front - room.spareFront) +
      Math.max(0, rear - room.spareRear) +
      Math.max(0, mass - room.spareGross),
  };
}
