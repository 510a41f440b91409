/** The phases of a working day, in order, and where hoses may be swapped. */

export const PHASE_KEYS = [
  "couple",
  "stand",
  "unfold",
  "field",
  "headland",
  "fold",
  "transport",
  "uncouple",
] as const;

export type PhaseKey = (typeof PHASE_KEYS)[number];

export type Phase = {
  key: PhaseKey;
  label: string;
  /** whether the machine can be parked, relieved and locked between the phase before and this one, so that hoses may be swapped */
  parkedBefore: boolean;
  /** true where everything that moves moves at once; elsewhere one lever at a time */
  together: boolean;
};

export const PHASES: readonly Phase[] = [
  { key: "couple", label: "Couple", parkedBefore: true, together: false },
  { key: "stand", label: "Stand up", parkedBefore: true, together: false },
  { key: "unfold", label: "Unfold", parkedBefore: true, together: false },
  { key: "field", label: "Field work", parkedBefore: true, together: true },
  // Headland and field alternate all day: nobody gets off in between.
  { key: "headland", label: "Headland", parkedBefore: false, together: true },
  { key: "fold", label: "Fold", parkedBefore: true, together: false },
  { key: "transport", label: "Road", parkedBefore: true, together: false },
  { key: "uncouple", label: "Uncouple", parkedBefore: true, together: false },
];

export function isPhaseKey(text: unknown): text is PhaseKey {
  return PHASE_KEYS.some((key) => key === text);
}
