/** A calibration: runs made in the yard or the field until a constant is known, or how the parts of a tool differ. Each kind says all of itself in one file. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Family } from "../quantity/measure.ts";
import type { Said } from "../quantity/said.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { TrueDose } from "../simulation/dose.ts";
import type { Chance } from "../simulation/random.ts";
import type { Estimate } from "../statistics/estimate.ts";
import type { FittedRun, Pair } from "./ratio.ts";

/** One thing to enter. Figures in SI. */
export type Asked = {
  key: string;
  label: string;
  hint: string;
  /** it may be left empty */
  optional?: boolean;
} & (
  | {
      kind: "measure";
      family: Family | "length";
      /** the unit a bare figure is in, where that is not the reader's usual one for the family */
      unit?: string;
      /** what can be, SI */
      range: readonly [number, number];
      /** dashes may be shown there: they are kept as the choice “absent” under its key */
      absent?: boolean;
    }
  | { kind: "count"; range: readonly [number, number] }
  | { kind: "choice"; choices: readonly { key: string; label: string }[] }
);

/** What somebody entered: of a set-up, or of one run. */
export type Filled = {
  /** SI; nothing under a key that was left empty */
  figures: Readonly<Record<string, number>>;
  choices: Readonly<Record<string, string>>;
};

export type Run = Filled & {
  /** positions along a row or a tape, SI */
  lists: Readonly<Record<string, readonly number[]>>;
};

export type Calibrating = {
  rig: ResolvedRig;
  /** what it is set up with; what nobody set stands as it was given at first */
  setup: Filled;
  runs: readonly Run[];
  /** runs somebody left out, by number from 0 */
  left: ReadonlySet<number>;
  /** parts that were found before and stand: judged with those found now */
  kept: readonly { place: number; value: number }[];
  /** tests of this kind that were ended, newest first: what they were set up with and found */
  before: readonly { setup: Readonly<Record<string, number>>; figures: Readonly<Record<string, number>> }[];
};

/** The constant the runs tell. */
export type Found = {
  key: DimensionKey;
  /** what the terminal had while they were made, SI; null where nobody knows */
  had: number | null;
  estimate: Estimate;
  /** found ÷ had − 1; null without one */
  moved: number | null;
  /** coefficient of variation of the runs, n − 1; null of fewer than two */
  variation: number | null;
  runs: readonly FittedRun[];
};

export type PartState = "good" | "worn" | "blocked" | "odd";

/** What was found at one part of the tool. */
export type FoundAt = {
  /** its number in the row, 1 at the left */
  place: number;
  /** the figure kept of it, SI */
  value: number;
  state: PartState;
  /** what is wrong, and what to look at; empty where it is good */
  said: Said;
};

export type Outcome = {
  constant: Found | null;
  /** without a constant: each run against what was wanted, as a share, and up to which it is as wanted */
  wanted?: { runs: readonly { at: number; off: number; odd: boolean }[]; within: number };
  parts: readonly FoundAt[];
  /** figures kept with it when it is ended, SI: what the next test is held against */
  figures: Readonly<Record<string, number>>;
  /** further figures, each under its name */
  also: readonly { key: string; label: string; said: Said }[];
  /** what to do next, the most pressing first */
  next: readonly Said[];
  /** why it may not be accepted yet; empty where it may */
  barred: readonly Said[];
};

/** Of runs that tell nothing yet. */
export const NOTHING_FOUND: Outcome = {
  constant: null,
  parts: [],
  figures: {},
  also: [],
  next: [],
  barred: [],
};

/** What a constant that is wrong does, as shares: what is ÷ what is believed or wanted; null where it does nothing to it. */
export type Costs = {
  /** hectares shown ÷ hectares done */
  area: number | null;
  /** put out ÷ wanted */
  applied: number | null;
  /** amount shown ÷ amount there was */
  shown: number | null;
};

export type CalibrationKind = {
  /** in addresses and on record */
  key: string;
  title: string;
  /** what it is for, in a line */
  tells: string;
  /** what accepting it writes; null of one that tells of parts alone */
  constant: DimensionKey | null;
  /** the kind of part it keeps figures of, by key, the figure, and up to which share of the others one is good; absent: none */
  parts?: { kind: string; figure: string; limit: number };
  /** tape, jug, timer: what one needs */
  kit: readonly string[];
  steps: readonly string[];
  cautions: readonly string[];
  /** what one run is called */
  one: string;
  /** runs from which it is worth accepting, and why so many */
  enough: { count: number; why: string };
  setup: readonly Asked[];
  fields: readonly Asked[];
  /** how runs are entered: one after another, all parts of the tool at once, tapped along a row, or tray by tray */
  entered: "singly" | "by part" | "tapped" | "in trays";
  /** tools that have it */
  asked(rig: ResolvedRig): boolean;
  /** what the set-up is before anybody changes it, as far as the rig tells */
  first(rig: ResolvedRig): Filled;
  /** what is wrong with a run as it was entered, by field; empty where nothing is */
  wrongWith?(run: Run, setup: Filled, rig: ResolvedRig): Readonly<Record<string, string>>;
  /** what the next run most likely is, by field, SI; absent: nothing is known of it before */
  next?(what: Pick<Calibrating, "rig" | "runs" | "left">): Readonly<Record<string, number>>;
  solve(what: Calibrating): Outcome;
  /** what a wrong constant does; `ratio` is the true one ÷ the one believed */
  costs?(ratio: number): Costs;
  /** what its constant really is on the bench, where that is more than a figure there; null where nothing tells */
  truthOf?(truth: TrueDose, setup: Filled, rig: ResolvedRig): number | null;
  /** which parts are really wrong on the bench */
  reallyWrong?(truth: TrueDose): readonly number[];
  /** what is on the bench with new parts in these places */
  renew?(truth: TrueDose, places: readonly number[]): TrueDose;
  /** the simulated bench makes a run, or all parts of one; `next` is what was most likely next */
  bench?(
    truth: TrueDose,
    setup: Filled,
    rig: ResolvedRig,
    random: Chance,
    next: Readonly<Record<string, number>>,
  ): readonly Run[];
};

/** Counted over measured, by run; runs that lack a figure have nothing under them. */
export type ToPair = (run: Run, setup: Filled) => Pair;

/** A run of figures alone. */
export const runOf = (figures: Record<string, number>): Run => ({ figures, choices: {}, lists: {} });
