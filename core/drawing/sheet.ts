/** The sheet a rig is drawn on, and what stands on it: the common form of plan and side view. */
import type { StationKey } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import type { Box } from "../picture/box.ts";
import type { Note, PlanBlock, PlanStroke, Spot } from "../picture/strokes.ts";
import { METRES_PER } from "../quantity/length.ts";
import { inInches, type Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { LetterTarget, Segment } from "./place.ts";

export type Sheet = {
  width: number;
  height: number;
  /** which part of the rig fills the sheet */
  region: "rig" | "tractor" | "tool";
  /** values beside the letters, letters alone, or no dimensions at all */
  labels: "values" | "letters" | "none";
  /** whose dimensions are drawn */
  station: StationKey | null;
  /** the sections are drawn with their letter */
  sections?: boolean;
  /** the one dimension to draw, where there is room for no more; null: all of them */
  only: LetterTarget | null;
  units: Units;
  /** the rig's other tools, drawn as outlines */
  others?: readonly ResolvedRig[];
};

export type DimensionMark = {
  target: LetterTarget;
  letter: string;
  letterAt: { x: number; y: number };
  value: { x: number; y: number; anchor: "start" | "middle" | "end"; text: string; ground: Box } | null;
  path: Segment[];
  arrows: Segment[];
  state: "known" | "missing" | "doubted";
  label: Box[];
  /** false where the sheet is too small to set this label clear of all others */
  clear: boolean;
};

export type PlanPoint = { key: PointKey; x: number; y: number; assumed: boolean };
export type SectionBracket = { number: number; x1: number; x2: number; y: number; numbered: boolean };

export type DrawnRig = {
  width: number;
  height: number;
  /** pixels per metre, the same along and across */
  scale: number;
  grid: { x: number[]; y: number[] };
  blocks: PlanBlock[];
  strokes: PlanStroke[];
  rows: { x: number; y: number }[];
  points: PlanPoint[];
  brackets: SectionBracket[];
  marks: DimensionMark[];
  scaleBar: { x: number; y: number; length: number; label: string };
  /** where travel points on the sheet */
  travel: "up" | "right" | "away";
  /** pins and balls of a linkage */
  spots?: Spot[];
  /** words on the sheet that are no dimension */
  notes?: Note[];
  /** loads: from tail to head, kg as text beside them */
  arrows?: { x: number; from: number; to: number; text: string; tone: "good" | "stop" | "plain" }[];
};

export const MARGIN = 14;

/** Kept free for the button that turns the view. */
export const TURN_CORNER: Box = { x: 0, y: 0, w: 116, h: 56 };

/** One metre, or five feet, on the sheet, or more where that is too short to read. */
export function scaleBarOf({ width, units }: Sheet, scale: number): DrawnRig["scaleBar"] {
  const [unit, name, sizes] = inInches(units.tape)
    ? [METRES_PER.ft, "ft", [2, 5, 10, 20]]
    : [1, "m", [0.5, 1, 2, 5, 10]];
  const size = sizes.find((each) => each * unit * scale >= 56) ?? 20;
  const length = size * unit * scale;
  return { x: width - MARGIN - length, y: 14, length, label: `${size} ${name}` };
}

/** Metre lines through the origin of the frame, which lies at (originX, originY) on the sheet. */
export function gridOf(
  { width, height }: Sheet,
  scale: number,
  originX: number,
  originY: number,
): DrawnRig["grid"] {
  const lines = (origin: number, size: number) => {
    const first = Math.ceil(-origin / scale);
    const last = Math.floor((size - origin) / scale);
    return Array.from(
      { length: Math.max(0, last - first + 1) },
      (_, index) => origin + (first + index) * scale,
    );
  };
  return { x: lines(originX, width), y: lines(originY, height) };
}
