/** In which order products go into the tank. The label comes first: this is what is usual where it says nothing (common practice, no source). */
export const FORMULATIONS = {
  conditioner: { label: "Water conditioner", order: 1 },
  bag: { label: "Water-soluble bag", order: 2 },
  granules: { label: "Granules or powder (WG, WP, SG)", order: 3 },
  suspension: { label: "Suspension (SC, SE, OD)", order: 4 },
  emulsion: { label: "Emulsion (EC, EW)", order: 5 },
  solution: { label: "Solution (SL)", order: 6 },
  wetter: { label: "Oil or wetter", order: 7 },
  feed: { label: "Liquid feed", order: 8 },
} as const;

export type FormulationKey = keyof typeof FORMULATIONS;

export type MixProduct = {
  name: string;
  formulation: FormulationKey;
  /** kg/m² or m³/m² */
  dose: number;
  unit: "l/ha" | "kg/ha";
  /** its place by its label; null where the label says nothing */
  label: number | null;
};

/** Products in the order they go in: those whose label gives a place in that, the others where they are usual. */
export function mixingOrder<T extends Pick<MixProduct, "formulation" | "label">>(
  products: readonly T[],
): T[] {
  const rank = ({ formulation, label }: T) => label ?? FORMULATIONS[formulation].order;
  return [...products].sort((a, b) => rank(a) - rank(b));
}
