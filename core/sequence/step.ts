/** A sequence is steps in order; each says who does what, what must hold before, what to look for, and what holds after. */

export const SEQUENCE_KINDS = ["hook-up", "unfold", "start", "headland", "stop", "fold", "uncouple"] as const;
export type SequenceKind = (typeof SEQUENCE_KINDS)[number];

/** Whether a text from an address names a sequence. */
export function isSequenceKind(text: unknown): text is SequenceKind {
  return SEQUENCE_KINDS.some((kind) => kind === text);
}

export const SEQUENCE_LABELS: Record<SequenceKind, string> = {
  "hook-up": "Hook up",
  unfold: "Unfold",
  start: "Start of work",
  headland: "Headland turn",
  stop: "Stop",
  fold: "Fold",
  uncouple: "Uncouple",
};

export const ACTORS = ["lever", "outside", "terminal", "PTO", "driver"] as const;
export type Actor = (typeof ACTORS)[number];

/** Which way a lever goes: `out` pushes the cylinders, `in` pulls them. */
export const WAYS = ["out", "in", "float", "detent", "neutral"] as const;
export type Way = (typeof WAYS)[number];

/** A part of the machine and how it is: "wings" is "out". */
export type World = Readonly<Record<string, string>>;

export type Need = { part: string; is: string };

/** How a step is taken back. */
export type Back = { text: string; way: Way | null; look: string; needs: readonly Need[]; caution: string };

export type Step = {
  id: string;
  actor: Actor;
  /** kinds of the functions whose levers move; empty where none does */
  fns: readonly string[];
  way: Way | null;
  text: string;
  /** what to look for before it is done */
  look: string;
  caution: string;
  needs: readonly Need[];
  /** what holds afterwards */
  sets: World;
  /** steps that must be done before, whatever holds; of lists people edited */
  after: readonly string[];
  back: Back | null;
  /** it stays as it is until uncoupling: folding does not take it back */
  stays: boolean;
};

export type Sequence = { kind: SequenceKind; steps: readonly Step[] };

/** What a part's state means in a sentence: "the wings are out". */
export function stateWords({ part, is }: Need): string {
  const known = WORDS[part]?.[is];
  return known ?? `${part} ${is}`;
}

const WORDS: Record<string, Record<string, string>> = {
  coupled: { yes: "the implement is coupled and locked", no: "the implement is uncoupled" },
  hoses: { in: "the hoses are plugged in", off: "the hoses are off" },
  swapped: { yes: "the hoses are swapped", no: "the hoses are as at coupling" },
  jack: { stowed: "the jack is stowed and its tap shut", up: "the jack is up", down: "the jack is down" },
  people: { clear: "nobody is within reach and no line overhead", unknown: "nobody looked round" },
  locks: { out: "the transport locks are out", in: "the transport locks are in" },
  cradle: { clear: "the wings are off the cradle", carrying: "the cradle carries the wings" },
  wings: { out: "the wings are right out", folded: "the wings are folded" },
  undercarriage: {
    down: "the undercarriage is right down",
    up: "the undercarriage is up",
    lifted: "the undercarriage lifts it",
  },
  "wings float": { on: "the wings are in float", off: "the wings are out of float" },
  "undercarriage float": { on: "the undercarriage is in float", off: "the undercarriage is out of float" },
  lift: { lowered: "it is lowered", raised: "it is raised" },
  phase: { even: "the lifts run even", unknown: "the lifts may be uneven" },
  suspension: { charged: "the suspension is charged", slack: "the suspension is slack" },
  tap: { shut: "the tap is shut", open: "the tap is open" },
  PTO: { running: "the PTO runs", stopped: "the PTO stands" },
  generator: { running: "the generator is up to speed", stopped: "the generator stands" },
  current: { on: "its current is on", off: "its current is off" },
  fan: { running: "the fan is at its speed", stopped: "the fan stands" },
  downforce: { on: "downforce is on", off: "downforce is off" },
  drive: { free: "the drive is released", locked: "the drive is locked out" },
  "small-seed drive": {
    free: "the small-seed box's drive is released",
    locked: "the small-seed box's drive is locked out",
  },
  bracket: { out: "the transport cylinder's bracket is out", in: "the transport cylinder's bracket is in" },
  stands: { down: "it stands on its stands", up: "its stands are up" },
  shaft: { on: "the drive shaft is on", off: "the drive shaft is off" },
  plugs: { in: "the plugs are in", off: "the plugs are out" },
  "lift float": { on: "the lift is in float", off: "the lift is out of float" },
  pressure: { relieved: "both lines are relieved", up: "the lines are under pressure" },
};
