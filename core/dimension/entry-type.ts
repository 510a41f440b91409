/** What one entry of the catalogue says. The entries themselves are in entries/, a file a station. */

import type { Family } from "../quantity/measure.ts";
import type { Shown } from "../quantity/units.ts";
import type { ToolKindKey } from "../trade/kinds.ts";
import type { Attachment } from "./attachment.ts";
import type { ChangeKind } from "./change.ts";
import type { ConditionKey } from "./condition.ts";
import type { Axis, PointKey } from "./points.ts";

/** The key of the subject it is read for. */
export type StationKey = string;

/**
 * Whose record a reading belongs to: a hole, a mount, a linkage are points with readings of their own. `hitch` is the point of
 * the tractor the tool hangs on, or for a train the point its first implement hangs on; `rear hitch` the point of the implement ahead,
 * and `lead hitch` that of the first of two ahead.
 */
export type RecordOf =
  | "tractor"
  | "receiver mount"
  | "hitch"
  | "lead hitch"
  | "rear hitch"
  | "PTO"
  | "implement"
  | "coupling";

export type Direction = "forward" | "rearward" | "right" | "up" | "across";

export type Choice = { key: string; label: string };

export type DimensionEntry = {
  /** the mark on the drawing and beside the reading: letters on the chain, numbers on hitch and balance; empty where nothing is drawn */
  letter: string;
  label: string;
  /** from where to where, as one would say it to the person holding the other end of the tape */
  fromTo: string;
  /** how to measure it well */
  how: string;
  station: StationKey;
  /** the heading it stands under in its station's list */
  topic: string;
  subject: RecordOf;
  kind: "length" | "count" | "choice" | "measure";
  /** of a measure */
  family: Family | null;
  /** of a choice */
  choices: readonly Choice[] | null;
  direction: Direction;
  /** the points it lies between and the axis it lies along; null where it is no distance between two points of the frame */
  span: { from: PointKey; to: PointKey; axis: Axis } | null;
  /** the point the drawing hangs its letter on where there is no line to draw */
  at: PointKey;
  /** the attachments that have it; null: all */
  on: readonly Attachment[] | null;
  /**
   * kinds of tool that have no such thing, whatever they hang on: it is not asked of them, unless a choice says that this one has it. What
   * was read all the same is shown and counts
   */
  notOf: { kinds: readonly ToolKindKey[]; unless: { key: string; is: string } | null } | null;
  /** where the rear of the work lies: what works along one line has none */
  secondLine: boolean;
  /** asked of what is steered along lines, of what has its sections switched, of either (a terminal is told); null: of every rig */
  serves: "guidance" | "switching" | "terminal" | null;
  /** asked only where a choice was made so (a joint of an articulated tractor), or was not made so (rows of no mower); null: always */
  when: { key: string; is: readonly string[] } | { key: string; not: readonly string[] } | null;
  /** what must hold while it is measured; shown before, kept with the reading */
  conditions: readonly ConditionKey[];
  /**
   * a variant of the tool, such as one with a wing folded, has its own: always (`own`), or where somebody read one for it
   * (`inherits`); null: it is the same on every variant
   */
  ofVariant: "own" | "inherits" | null;
  /** what makes an older reading stale when it changes */
  touchedBy: readonly ChangeKind[];
  /** how long a reading is good for: by the calendar, by the hours the machine ran, by the hectares the tool did; null: as long as nothing changes it */
  dueAfter: { months: number | null; hours: number | null; hectares?: number } | null;
  /** the change that a different value of this one is, when it was set and not merely read again */
  alters: ChangeKind | null;
  /**
   * how a lateral follows from two distances, one to each side: half of left − right where they run from the
   * point to the machine (+1), half of right − left where they run from the machine's middle outward (−1)
   */
  fromFaces: { left: string; right: string; sense: 1 | -1 } | null;
  /** words for + and − where the value may have either sign; null: a distance, always positive */
  sides: { plus: string; minus: string } | null;
  shown: Shown;
  /** plausible range in SI, in the reading's own direction; outside it the reading is doubted */
  plausible: readonly [number, number];
  /** what the drawing uses, dashed, until somebody measures */
  typical: number;
  /** narrower ranges by what the implement is: a width ends where machines of that kind end; null: the same for all */
  plausibleOf: Readonly<Record<string, readonly [number, number]>> | null;
  /** what is reckoned with until somebody reads it, said wherever it is used; null: nothing is reckoned without it */
  otherwise: { value: number | string; source: string } | null;
  /** standard uncertainty (1 σ) in SI by how the value was come by */
  sigma: { taped: number; book: number; assumed: number };
  /** what the field feels while the value is missing or wrong */
  matters: string;
  /**
   * what a zero means that nobody taped: the default of a terminal (stop), a habit to be checked, or a
   * real answer. Where the plausible range starts above zero, a taped zero is impossible too.
   */
  untapedZero: "stop" | "check" | "fine";
  /**
   * a missing value stops the rig, is a check that cannot be made, is asked for by its station where it is needed, or stands at what it is
   * `otherwise`, assumed and said so
   */
  whenMissing: "stop" | "note" | "quiet" | "assumed";
  /** what is said or meant otherwise on another attachment than `drawn` */
  as: Partial<Record<Attachment, Otherwise>>;
  /** and of a kind of tool, however it hangs */
  ofTool: Partial<Record<ToolKindKey, Otherwise>>;
};

type Otherwise = Partial<Omit<DimensionEntry, "as" | "ofTool" | "on" | "kind" | "family" | "choices">>;

/** Starting uncertainties for a steel tape held by two people, a book value, and a guess (common practice, no source). */
export const TAPE_SIGMA = { taped: 0.005, book: 0.03, assumed: 0.1 };
const NO_SIGMA = { taped: 0, book: 0, assumed: 0 };

const PLAIN: Omit<
  DimensionEntry,
  "label" | "fromTo" | "station" | "topic" | "subject" | "plausible" | "typical"
> = {
  letter: "",
  how: "",
  kind: "length",
  family: null,
  choices: null,
  direction: "across",
  span: null,
  at: "axle",
  on: null,
  notOf: null,
  secondLine: false,
  serves: null,
  when: null,
  plausibleOf: null,
  conditions: [],
  ofVariant: null,
  touchedBy: [],
  dueAfter: null,
  alters: null,
  fromFaces: null,
  sides: null,
  shown: "tape",
  otherwise: null,
  sigma: TAPE_SIGMA,
  matters: "",
  untapedZero: "fine",
  whenMissing: "quiet",
  as: {},
  ofTool: {},
};

/** Asked of what stands on axles: a machine on tracks has none. */
export const NOT_ON_TRACKS = { key: "tractor.steering", not: ["tracks"] } as const;

/** Once a season (common practice, no source). */
export const EACH_SEASON = { months: 12, hours: null } as const;

type Given = Partial<DimensionEntry> & Pick<DimensionEntry, "label" | "fromTo" | "subject">;

/** A length somebody tapes; `range` in metres. */
export function length(range: readonly [number, number], typical: number, given: Given) {
  return { ...PLAIN, ...given, plausible: range, typical };
}

/** A quantity with a unit other than a length's; range in SI. */
export function measure(family: Family, range: readonly [number, number], typical: number, given: Given) {
  return { ...PLAIN, sigma: NO_SIGMA, ...given, kind: "measure" as const, family, plausible: range, typical };
}

/** A whole number of things; range and typical as counts. */
export function count(range: readonly [number, number], typical: number, given: Given) {
  return { ...PLAIN, sigma: NO_SIGMA, ...given, kind: "count" as const, plausible: range, typical };
}

/**
 * One of a list: labels by key, or in an order of their own (keys that are whole numbers would come first). What is stored is its key; the
 * number beside it means nothing.
 */
export function choice(of: readonly Choice[] | Readonly<Record<string, string>>, given: Given) {
  const choices = Array.isArray(of)
    ? (of as readonly Choice[])
    : Object.entries(of).map(([key, label]) => ({ key, label: label as string }));
  return {
    ...PLAIN,
    sigma: NO_SIGMA,
    ...given,
    kind: "choice" as const,
    choices,
    plausible: [0, choices.length] as const,
    typical: 0,
  };
}

type Untold = Omit<DimensionEntry, "station" | "topic"> | DimensionEntry;

/** The entries of one station under one heading, by key. */
export function entriesOf<K extends string>(
  station: StationKey,
  topic: string,
  entries: Record<K, Untold>,
): Record<K, DimensionEntry> {
  return Object.fromEntries(
    Object.entries<Untold>(entries).map(([key, entry]) => [key, { ...entry, station, topic }]),
  ) as Record<K, DimensionEntry>;
}
