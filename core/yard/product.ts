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
};
