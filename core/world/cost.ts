/** What a figure that is off costs on one field: hectares, product and money, beside the same field driven with all figures right. SI. */
import type { Outcome } from "./outcome.ts";

/** What things are worth; null where nobody told. */
export type Worth = {
  /** product ordered for each m², in its own measure (kg or m³), and money for each of that */
  rate: number | null;
  price: number | null;
  /** money for each m² of crop that stays without it, or that is not there */
  crop: number | null;
};

export type Cost = {
  /** m² more than where all is right: left open, worked again, beside the field */
  left: number;
  twice: number;
  beside: number;
  /** m² the counter shows more than are done; − fewer */
  shown: number;
  /** product put where it should not be, or lacking where it should, of its measure; null without a rate */
  product: number | null;
  /** null where none of it has a price */
  money: number | null;
  /** what of it is in money: the rest has no price */
  priced: { crop: boolean; product: boolean };
};

/** Held against a drive with all figures right. `shown`: hectares a counter shows for each done. */
export function costOf(off: Outcome, right: Outcome, shown: number, { rate, price, crop }: Worth): Cost {
  const more = (of: (each: Outcome["truth"]) => number) => of(off.truth) - of(right.truth);
  const left = more((each) => each.left);
  const [twice, beside] = [more((each) => each.twice), more((each) => each.outside)];
  // What falls twice or beside is wasted; what falls thin or thick is as wrong either way.
  const wrong =
    rate === null
      ? null
      : rate *
        (Math.max(0, twice) + Math.max(0, beside) + Math.abs(off.dose - right.dose) * off.truth.inside);
  const ofProduct = wrong === null || price === null ? null : wrong * price;
  const ofCrop = crop === null ? null : Math.max(0, left) * crop;
  return {
    left,
    twice,
    beside,
    shown: off.believed.counted * shown - off.truth.counted,
    product: wrong,
    money: ofProduct === null && ofCrop === null ? null : (ofProduct ?? 0) + (ofCrop ?? 0),
    priced: { crop: ofCrop !== null, product: ofProduct !== null },
  };
}

/** Square metres that are not as they should be: what a cost is ranked by where nothing has a price. */
export const wrongArea = ({ left, twice, beside }: Cost): number =>
  Math.max(0, left) + Math.max(0, twice) + Math.max(0, beside);

/** The mean of several, as of a reading that may be off to either side. @throws RangeError of none */
export function meanCost(costs: readonly Cost[]): Cost {
  if (costs.length === 0) throw new RangeError("no cost");
  const mean = (of: (each: Cost) => number) => costs.reduce((sum, each) => sum + of(each), 0) / costs.length;
  const known = (of: (each: Cost) => number | null) =>
    costs.some((each) => of(each) === null) ? null : mean((each) => of(each)!);
  return {
    left: mean((each) => each.left),
    twice: mean((each) => each.twice),
    beside: mean((each) => each.beside),
    // Too many hectares shown are as wrong as too few.
    shown: mean((each) => Math.abs(each.shown)),
    product: known((each) => each.product),
    money: known((each) => each.money),
    priced: costs[0]!.priced,
  };
}

/** The dearest first; what has no price after it, by square metres. */
export function ranked<T extends { cost: Cost }>(costs: readonly T[]): T[] {
  return [...costs].sort(
    (a, b) =>
      (b.cost.money ?? 0) - (a.cost.money ?? 0) ||
      wrongArea(b.cost) - wrongArea(a.cost) ||
      Math.abs(b.cost.shown) - Math.abs(a.cost.shown),
  );
}
