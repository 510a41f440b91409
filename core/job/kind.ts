/** A job: what is done step by step in the field until a figure is proven. Each kind says all of itself in one file. */
import type { Attachment } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Fixed } from "../geodesy/fixed.ts";
import type { Note, PlanBlock, PlanStroke, Spot } from "../picture/strokes.ts";
import type { Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { Field } from "../simulation/drive.ts";
import type { Position } from "../simulation/receiver.ts";
import type { Fix } from "../trade/field-conditions.ts";
import type { Entered, Measured, Observation, TestResult } from "./result.ts";

/** One thing to enter for an observation. Lengths in metres, speeds in m/s, coordinates and headings in radians. */
export type AskedField = {
  key: string;
  label: string;
  hint: string;
  /** it may be left empty */
  optional?: boolean;
} & (
  | { kind: "length" | "speed" | "heading" }
  | { kind: "coordinate"; most: number }
  | { kind: "sided"; plus: string; minus: string }
  | { kind: "choice"; choices: readonly { key: string; label: string }[] }
  | { kind: "point" }
);

/** What a job is set up with, besides its observations. */
export type JobSetup = {
  fix: Fix | null;
  /** the track spacing in the terminal while it was driven, metres */
  spacing: number | null;
  /** joints taped from row to row instead of from edge to edge */
  rowToRow: boolean;
};

/** What a job is solved from; `left` are observations left out, by number from 0. */
export type ToSolve = {
  observations: readonly Observation[];
  left: ReadonlySet<number>;
  setup: JobSetup;
  rig: ResolvedRig;
  entered: Entered;
};

/** An observation as the simulated field gives it, or a log. */
export type Found = {
  values: Record<string, number>;
  choices?: Record<string, string>;
  /** as somebody would have written it down, by field */
  texts?: Record<string, string>;
};

/** How the simulated world drives it: what one then finds on the ground, or the positions a receiver recorded. */
export type Drill = { label: string } & (
  | { found(field: Field): readonly Found[] }
  | { recorded(field: Field): readonly Position[] }
);

/** A single reading that would explain a difference, and how far-fetched that is, in its own standard uncertainties. */
export type Explanation = {
  key: DimensionKey;
  /** what the reading would have to be, SI */
  value: number;
  sigmas: number;
};

export type Sketch = { blocks?: PlanBlock[]; strokes?: PlanStroke[]; notes?: Note[]; spots?: Spot[] };
/** pixels */
export type SketchSheet = { width: number; height: number; units: Units };

export type JobKind = {
  /** in addresses and on record */
  key: string;
  title: string;
  /** what it can tell, in a line */
  tells: string;
  drive: readonly string[];
  measure: readonly string[];
  /** observations from which the answer is worth accepting, and why so many */
  enough: { count: number; why: string };
  /** what it cannot tell however often it is repeated */
  blind: readonly string[];
  cautions: readonly string[];
  /** what one observation is called */
  one: string;
  fields: readonly AskedField[];
  /** rests on the receiver's position */
  receiver: boolean;
  /** it is told the terminal's track spacing, and may be taped from row to row */
  asksSpacing: boolean;
  /** along which of the tool's tolerances its figures are judged */
  judgedBy: "across" | "along";
  /** tools of this attachment have it */
  on(attachment: Attachment): boolean;
  /** what the observations say against what is entered; also of none: a test that was only begun, or not yet, has a page */
  solve(what: ToSolve): TestResult;
  /** why one of its figures may not be called proven, besides what holds for all jobs */
  doubts?(measured: Measured): readonly string[];
  /** which single reading would explain that a figure differs, the likeliest first */
  explains?(rig: ResolvedRig, measured: Measured): readonly Explanation[];
  /** what it looks like so far; null where the rig's own drawing says more */
  sketch(observations: readonly Observation[], sheet: SketchSheet): Sketch | null;
  /** what the next observation most likely is, by field */
  next?(last: Observation | undefined): Record<string, string>;
  /** its observations come out of a receiver's log; without enough of them a sentence says what to do */
  fromLog?: {
    read(points: readonly Fixed[]): readonly Found[] | { problem: string };
    /** figures of an observation, which nobody enters */
    needed: readonly string[];
    say(observation: Observation, units: Units): string;
  };
  drill?: Drill;
};

/** What an observation must have before it says anything. */
export function neededOf({ fields, fromLog }: JobKind): readonly string[] {
  if (fromLog) return fromLog.needed;
  return fields.flatMap(({ key, kind, optional }) =>
    optional || kind === "choice" || kind === "point" ? [] : [key],
  );
}
