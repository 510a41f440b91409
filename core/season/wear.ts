/** Points, blades, nozzles and boards that wear: how fast, how long they last, and when to order. SI. */

export type WearPart = {
  /** how many there are on the machine */
  count: number;
  /** size of a new one, and the one it is changed at, metres */
  fresh: number;
  limit: number;
  /** on the shelf */
  stock: number;
  /** days from ordering to having them */
  delivery: number;
  /** money for one; null where nobody told */
  price: number | null;
};

export type Measured = {
  at: string;
  /** of the most worn one, metres */
  size: number;
  /** new ones were fitted then; `size` is theirs */
  replaced: boolean;
};

/** `area`: m² worked from when this set was fitted to then; null where the log does not tell all of it. */
export type WornPoint = { area: number | null; size: number };

export type Wear =
  | { known: false; why: "never measured" | "nothing worked" | "hectares untold" | "no wear" }
  | {
      known: true;
      /** metres for each m² */
      rate: number;
      /** size of the most worn one now, by what was worked since it was measured */
      size: number;
      /** m² until the limit; 0 where it is passed */
      left: number;
    };

/**
 * The wear of the set that is fitted, as a straight line from new through what was measured (least squares through the new size), carried on to the hectares
 * worked by now. `fresh`: size when it was fitted.
 */
export function wearOf(
  { limit }: Pick<WearPart, "limit">,
  fresh: number,
  points: readonly WornPoint[],
  worked: number | null,
): Wear {
  if (points.length === 0) return { known: false, why: "never measured" };
  const known = points.flatMap(({ area, size }) => (area === null ? [] : [{ area, worn: fresh - size }]));
  if (known.length < points.length || worked === null) return { known: false, why: "hectares untold" };
  const squares = known.reduce((sum, { area }) => sum + area * area, 0);
  if (squares === 0) return { known: false, why: "nothing worked" };
  const rate = known.reduce((sum, { area, worn }) => sum + area * worn, 0) / squares;
  if (!(rate > 0)) return { known: false, why: "no wear" };
  const last = points.at(-1)!;
  const size = Math.min(fresh, last.size - rate * Math.max(0, worked - last.area!));
  return { known: true, rate, size, left: Math.max(0, (size - limit) / rate) };
}

export type Order =
  | { kind: "unknown" }
  /** enough lie on the shelf for the next change */
  | { kind: "enough" }
  /** within so many days they are worn, at this pace; not before one orders in `wait` days */
  | { kind: "later"; days: number; wait: number; pieces: number }
  | { kind: "now"; days: number; pieces: number }
  /** they last, since nothing is driven */
  | { kind: "idle"; pieces: number };

/** A spare day on top of the delivery (ours). */
const SPARE = 2;

/** What to order, at so many m² a day. */
export function orderOf({ count, stock, delivery }: WearPart, wear: Wear, pace: number): Order {
  const pieces = Math.max(0, count - stock);
  if (pieces === 0) return { kind: "enough" };
  if (!wear.known) return { kind: "unknown" };
  if (wear.left === 0) return { kind: "now", days: 0, pieces };
  if (!(pace > 0)) return { kind: "idle", pieces };
  const days = wear.left / pace;
  const wait = days - delivery - SPARE;
  return wait <= 0 ? { kind: "now", days, pieces } : { kind: "later", days, wait, pieces };
}

/** Money for a m² of a part that wears: a set by what it lasts from new to its limit; null where price or wear is not known. */
export function wearCost({ count, fresh, limit, price }: WearPart, wear: Wear): number | null {
  return price === null || !wear.known ? null : (count * price * wear.rate) / (fresh - limit);
}
