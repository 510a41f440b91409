/**
 * How a terminal asks for a rig: a reference scheme is a list of lines, each naming two points of the
 * frame (or a value), a unit, decimals and a sign rule. Schemes are records; the shipped ones are no
 * different from one a user makes.
 */
import { type DimensionKey, unchanging } from "../dimension/catalogue.ts";
import type { Axis, PointKey } from "../dimension/points.ts";
import { LENGTH_STYLES, type LengthStyle } from "../quantity/length.ts";
import type { Family } from "../quantity/measure.ts";
import type { OnlyFor } from "./only.ts";
import type { EntryStep } from "./order.ts";

export type Measure =
  | { kind: "between"; from: PointKey; to: PointKey; axis: Axis }
  | { kind: "dimension"; key: DimensionKey }
  | { kind: "track spacing" }
  /** how many sections there are */
  | { kind: "section count" }
  /** a line for each section, from the left: how wide it is, or how many rows or nozzles it has */
  | { kind: "section widths" }
  | { kind: "section units" }
  /** a line for each constant, declaration and rate the tool has */
  | { kind: "rates" }
  /** a choice that follows from the rig, or one to be set as it stands here */
  | { kind: "choice"; choice: string };

export const MEASURES = [
  "between",
  "dimension",
  "track spacing",
  "section count",
  "section widths",
  "section units",
  "rates",
  "choice",
] as const satisfies readonly Measure["kind"][];

/** Choices that follow from the rig; any other is set to just what the scheme says. */
export const DERIVED_CHOICES = ["axle type", "connection type"] as const;
export type DerivedChoice = (typeof DERIVED_CHOICES)[number];

/** Whether a choice follows from the rig. */
export function isDerived(choice: string): choice is DerivedChoice {
  return DERIVED_CHOICES.includes(choice as DerivedChoice);
}

export type SignRule =
  /** a number with its sign */
  | { kind: "signed" }
  /** a number and a switch: the word for + and for − */
  | { kind: "words"; plus: string; minus: string }
  /** the terminal takes no minus here */
  | { kind: "unsigned" };

/** What a terminal asks its switching times in. */
export const TIME_UNITS = ["s", "ms"] as const;
export type TimeUnit = (typeof TIME_UNITS)[number];

export const LINE_UNITS = [...LENGTH_STYLES, ...TIME_UNITS] as const;
export type LineUnit = LengthStyle | TimeUnit;

/** Whether a line is asked in seconds or milliseconds rather than as a length. */
export function isTimeUnit(unit: LineUnit): unit is TimeUnit {
  return TIME_UNITS.includes(unit as TimeUnit);
}

type DelayKey = "work.delayOn" | "work.delayOff";

/** Whether a reading is a time the terminal switches by. */
export function isDelay(key: DimensionKey): key is DelayKey {
  return key === "work.delayOn" || key === "work.delayOff";
}

export type SchemeLine = {
  /** the terminal's page the line stands on */
  page: string;
  label: string;
  measure: Measure;
  /** +1: the terminal counts the frame's own direction (forward, right, up) as positive; −1: the other way */
  sense: 1 | -1;
  /** of a length, or of a switching time; counts and choices have none and keep whatever stands here */
  unit: LineUnit;
  decimals: number;
  sign: SignRule;
  /** which tools the terminal shows the line for */
  only: OnlyFor;
};

/** How one figure of a terminal is written. */
export type FigureForm =
  | { kind: "length"; unit: LengthStyle; decimals: number; sign: SignRule }
  | { kind: "time"; unit: TimeUnit; decimals: number }
  | { kind: "quantity"; family: Family; unit: string; decimals: number }
  | { kind: "count" }
  | { kind: "choice" };

/**
 * What a scheme that counts each tool from a reference point of its own asks about the hitches of a tool ahead: from that tool's
 * reference point to the pin it hangs on (`front`), or to the pin the next one hangs on (`rear`).
 */
export type HitchOfAhead = { kind: "hitch"; end: "front" | "rear"; to: PointKey };

/** One section of the tool, 0 at the left end: its width, or how many rows or nozzles it has. */
export type OfSection = { kind: "section"; of: "width" | "units"; at: number };

/** One constant, declaration or rate, in a unit of its family; empty where it is counted or chosen. */
export type OfRate = { kind: "rate"; key: DimensionKey; unit: string };

/** A line as a terminal asks it of one rig; `tool` tells which of the tools ahead it is about, absent: the tool in view. */
export type AskedLine = Omit<SchemeLine, "measure"> & {
  measure: Measure | HitchOfAhead | OfSection | OfRate;
  tool?: number;
};

/** Whether a line is answered by a whole number of things. */
export function asksForCount({ measure }: Pick<AskedLine, "measure">): boolean {
  switch (measure.kind) {
    case "dimension":
    case "rate":
      return unchanging(measure.key).kind === "count";
    case "section":
      return measure.of === "units";
    default:
      return measure.kind === "section count" || measure.kind === "section units";
  }
}

/** What a terminal asks of one rig. */
export type AskedScheme = { lines: readonly AskedLine[] };

export type Scheme = {
  id: string;
  name: string;
  asks: string;
  lines: SchemeLine[];
  /** in which order its terminal is set up */
  order: readonly EntryStep[];
};
