/** Sheets of what still stops: the card, and coupling; by their keys in an address. */
export const LACKING = { card: "card", couple: "couple" } as const;

export const LACKING_LABELS: Readonly<Record<string, string>> = {
  [LACKING.card]: "What the card lacks",
  [LACKING.couple]: "What coupling lacks",
};
