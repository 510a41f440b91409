/** What a wrong constant does to the field that is next: hectares, amount and money. */
import { quantity, type Said, tell } from "../quantity/said.ts";
import type { Costs } from "./kind.ts";
import { moreOrLess } from "./percent.ts";

/** What is to be done, SI. */
export type Work = {
  /** m²; null where nobody told */
  area: number | null;
  /** wanted: kg/m² of a mass, m³/m² of a volume; null where there is none, or nobody told */
  rate: { family: "mass per area" | "volume per area" | "count per area"; value: number } | null;
  /** money for each kg or m³, and what it is in; null where nobody told */
  price: { each: number; money: string } | null;
};

const AMOUNTS = { "mass per area": "mass", "volume per area": "volume" } as const;

/** In sentences: the shares first, then what they come to on the field. Empty where a constant is right to a thousandth. */
export function costSaid({ area, applied, shown }: Costs, work: Work): Said[] {
  const off = (share: number | null): share is number => share !== null && Math.abs(share - 1) >= 0.001;
  return [
    ...(off(area)
      ? [
          work.area === null
            ? tell`${moreOrLess(area - 1)} hectares shown than were done.`
            : tell`${quantity("area", Math.abs(area - 1) * work.area)} ${area > 1 ? "too many" : "too few"} shown on ${quantity("area", work.area)}.`,
        ]
      : []),
    ...(off(applied) ? [appliedSaid(applied, work)] : []),
    ...(off(shown) ? [tell`${moreOrLess(shown - 1)} shown than there was.`] : []),
  ];
}

function appliedSaid(applied: number, { area, rate, price }: Work): Said {
  const lead = tell`${moreOrLess(applied - 1)} put out than was set`;
  if (rate === null) return tell`${lead}.`;
  const each = tell`${lead}: ${quantity(rate.family, rate.value * applied)} instead of ${quantity(rate.family, rate.value)}`;
  if (area === null || rate.family === "count per area") return tell`${each}.`;
  const amount = Math.abs(applied - 1) * rate.value * area;
  const sum = tell`${each}, ${quantity(AMOUNTS[rate.family], amount)} on ${quantity("area", area)}`;
  return price === null ? tell`${sum}.` : tell`${sum}, ${money(amount * price.each, price.money)}.`;
}

function money(amount: number, unit: string) {
  return { value: amount, print: () => `${amount.toFixed(amount < 100 ? 2 : 0)} ${unit}`.trim() };
}
