/** What is put out, sown or harvested. */
export const PRODUCT_FORMS = ["liquid", "seed", "granules", "crop"] as const;
export type ProductForm = (typeof PRODUCT_FORMS)[number];

export type Product = {
  id: number;
  name: string;
  form: ProductForm;
  /** kg/m³ */
  density: number | null;
  /** kg for each grain */
  grainMass: number | null;
  /** share that comes up in the field */
  establishment: number | null;
  /** money for each kg, or for each m³ of a liquid; null where nobody told */
  price: number | null;
  /** what the price is in, as the yard writes it */
  money: string;
  /** least and most that its label permits or advises, kg or m³ on a m²; null where nobody told */
  doseLow: number | null;
  doseHigh: number | null;
};

/** A rate beside what the label says; `unknown` where grains are counted and nobody told what one weighs. */
export type DoseJudged = "none told" | "unknown" | "within" | "under" | "over";

/** As fine as labels are printed. */
const SAME_DOSE = 0.005;

/** Holds a wanted rate against a product's dose. `rate`: m³, kg or, `counted`, grains on a m². */
export function judgeDose(
  { doseLow, doseHigh, grainMass }: Pick<Product, "doseLow" | "doseHigh" | "grainMass">,
  { rate, counted }: { rate: number; counted: boolean },
): DoseJudged {
  if (doseLow === null && doseHigh === null) return "none told";
  if (counted && grainMass === null) return "unknown";
  const amount = counted ? rate * grainMass! : rate;
  if (doseHigh !== null && amount > doseHigh * (1 + SAME_DOSE)) return "over";
  return doseLow !== null && amount < doseLow * (1 - SAME_DOSE) ? "under" : "within";
}
