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
  /** in a sentence: "before folding" */
  noun: string;
  /** whether the machine can be parked, relieved and locked between the phase before and this one, so that hoses may be swapped */
  parkedBefore: boolean;
  /** true where everything that moves moves at once; elsewhere one lever at a time */
  together: boolean;
};

export const PHASES: readonly Phase[] = [
  { key: "couple", label: "Couple", noun: "coupling", parkedBefore: true, together: false },
  { key: "stand", label: "Stand up", noun: "standing up", parkedBefore: true, together: false },
  { key: "unfold", label: "Unfold", noun: "unfolding", parkedBefore: true, together: false },
  { key: "field", label: "Field work", noun: "field work", parkedBefore: true, together: true },
  // Headland and field alternate all day: nobody gets off in between.
  { key: "headland", label: "Headland", noun: "the headland", parkedBefore: false, together: true },
  { key: "fold", label: "Fold", noun: "folding", parkedBefore: true, together: false },
  { key: "transport", label: "Road", noun: "the road", parkedBefore: true, together: false },
  { key: "uncouple", label: "Uncouple", noun: "uncoupling", parkedBefore: true, together: false },
];
