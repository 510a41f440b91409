/**
 * The plan drawing of a rig: from readings to pixels, true to scale, travel up, left on the left.
 * Pure: the same rig and sheet always give the same drawing; app/drawing only turns it into SVG.
 */
import { CATALOGUE, type Dimension, SECTIONS_LETTER, type StationKey } from "../dimension/catalogue.ts";
import { printEntry } from "../dimension/entry.ts";
import { POINT_KEYS, type PointKey } from "../dimension/points.ts";
import { METRES_PER } from "../quantity/length.ts";
import type { UnitSystem } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { placeSections } from "../rig/sections.ts";
import { acrossOffers, alongOffers, tagOffers } from "./candidates.ts";
import { type Box, grow } from "./geometry.ts";
import { type Offer, type Placed, placeAll, type Request, type Segment, type Target } from "./place.ts";
import { drawnWidth, rigPoints } from "./rig-points.ts";
import {
  BEHIND_THE_TOOL,
  type Block,
  drillBlocks,
  rigStrokes,
  rowMarks,
  TRACTOR_FRONT,
  TRACTOR_HALF_WIDTH,
  tractorBlocks,
} from "./shapes.ts";

export type Sheet = {
  width: number;
  height: number;
  /** which part of the rig fills the sheet */
  region: "rig" | "tractor" | "tool";
  /** values beside the letters, letters alone, or no dimensions at all */
  labels: "values" | "letters" | "none";
  /** whose dimensions are drawn */
  station: StationKey | null;
  system: UnitSystem;
};

export type DimensionMark = {
  target: Target;
  letter: string;
  letterAt: { x: number; y: number };
  value: { x: number; y: number; anchor: "start" | "middle" | "end"; text: string } | null;
  path: Segment[];
  arrows: Segment[];
  state: "known" | "missing" | "doubted";
  label: Box[];
  /** false where the sheet is too small to set this label clear of all others */
  clear: boolean;
};

export type PlanBlock = Box & { role: Block["role"]; assumed: boolean };
export type PlanStroke = { role: string; points: string; assumed: boolean };
export type PlanPoint = { key: PointKey; x: number; y: number; assumed: boolean };
export type SectionBracket = { number: number; x1: number; x2: number; y: number; numbered: boolean };

export type Plan = {
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
};

const TOP = 40;
const BRACKETS = 40;
const ACROSS = 40;
const MARGIN = 14;

/** Draws a rig on a sheet. Missing lengths are drawn at their typical value and marked. */
export function drawPlan(rig: ResolvedRig, sheet: Sheet): Plan {
  const points = rigPoints(rig);
  const extent = extentOf(rig, sheet);
  const bottom =
    sheet.labels === "none" || sheet.region === "tractor"
      ? MARGIN
      : BRACKETS + (sheet.labels === "values" ? ACROSS : 0);
  const top = sheet.labels === "values" ? TOP : MARGIN;
  const scale = Math.min(
    (sheet.height - top - bottom) / (extent.front - extent.back),
    (sheet.width / 2 - MARGIN) / extent.half,
  );
  const slack = sheet.height - top - bottom - (extent.front - extent.back) * scale;
  const originY = top + slack / 2 + extent.front * scale;
  const toX = (y: number) => sheet.width / 2 + y * scale;
  const toY = (x: number) => originY - x * scale;

  const lastX = (originY - sheet.height) / scale;
  const soilEnd =
    sheet.region === "tractor" ? lastX : Math.max(lastX, extent.back - (BRACKETS + ACROSS) / scale);
  const blocks = [...drillBlocks(rig, soilEnd), ...tractorBlocks()].map(
    ({ role, assumed, x, y, length, width }): PlanBlock => ({
      role,
      assumed,
      x: toX(y - width / 2),
      y: toY(x + length / 2),
      w: width * scale,
      h: length * scale,
    }),
  );
  const planPoints = POINT_KEYS.map((key) => ({
    key,
    x: toX(points[key].y),
    y: toY(points[key].x),
    assumed: points[key].assumed,
  }));
  const brackets =
    sheet.labels === "none" || sheet.region === "tractor" ? [] : bracketsOf(rig, toX, toY(extent.back) + 6);
  const scaleBar = scaleBarOf(sheet, scale);
  const sceneOf = { rig, sheet, points: planPoints, blocks, brackets, scaleBar };
  return {
    width: sheet.width,
    height: sheet.height,
    scale,
    grid: gridOf(sheet, scale, originY),
    blocks,
    strokes: rigStrokes(rig).map(({ role, assumed, points: path }) => ({
      role,
      assumed,
      points: path.map(([x, y]) => `${toX(y)},${toY(x)}`).join(" "),
    })),
    rows:
      scale * (rig.values["rows.spacing"].value ?? 1) < 3
        ? []
        : rowMarks(rig).map(({ x, y }) => ({ x: toX(y), y: toY(x) })),
    points: planPoints,
    brackets,
    marks: sheet.labels === "none" ? [] : marksOf(sceneOf, TRACTOR_HALF_WIDTH * scale),
    scaleBar,
  };
}

type Extent = { front: number; back: number; half: number };

function extentOf(rig: ResolvedRig, { region }: Sheet): Extent {
  const points = rigPoints(rig);
  const along = POINT_KEYS.map((key) => points[key].x);
  const half = Math.max(
    TRACTOR_HALF_WIDTH,
    drawnWidth(rig) / 2 + Math.abs(points.workMid.y),
    Math.abs(points.receiver.y) + 0.3,
  );
  const front = Math.max(TRACTOR_FRONT, ...along.map((x) => x + 0.3));
  const back = Math.min(...along) - BEHIND_THE_TOOL;
  switch (region) {
    case "rig":
      return { front, back, half };
    case "tractor":
      return { front, back: Math.min(points.pin.x, -1) - 0.9, half: TRACTOR_HALF_WIDTH + 0.9 };
    case "tool":
      return { front: Math.max(points.pin.x, points.workFront.x, points.workRear.x) + 0.7, back, half };
  }
}

/** One metre, or five feet, on the sheet, or more where that is too short to read. */
function scaleBarOf({ width, system }: Sheet, scale: number): Plan["scaleBar"] {
  const [unit, name, sizes] =
    system === "us" ? [METRES_PER.ft, "ft", [2, 5, 10, 20]] : [1, "m", [0.5, 1, 2, 5, 10]];
  const size = sizes.find((each) => each * unit * scale >= 56) ?? 20;
  const length = size * unit * scale;
  return { x: width - MARGIN - length, y: 14, length, label: `${size} ${name}` };
}

function gridOf({ width, height }: Sheet, scale: number, originY: number): Plan["grid"] {
  const steps = (from: number, to: number) =>
    Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => from + index);
  const across = Math.floor(width / 2 / scale);
  return {
    x: steps(-across, across).map((metre) => width / 2 + metre * scale),
    y: steps(Math.ceil(-originY / scale), Math.floor((height - originY) / scale)).map(
      (metre) => originY + metre * scale,
    ),
  };
}

/** Brackets under the work, one a section; numbers are left out where they would touch. */
function bracketsOf(rig: ResolvedRig, toX: (y: number) => number, y: number): SectionBracket[] {
  const sections = placeSections(rig);
  const narrowest = Math.min(...sections.map(({ width, centre }) => toX(centre + width) - toX(centre)));
  const every = Math.ceil(20 / Math.max(narrowest, 1));
  return sections.map(({ number, width, centre }) => ({
    number,
    x1: toX(centre - width / 2),
    x2: toX(centre + width / 2),
    y,
    numbered:
      number === 1 ||
      number === sections.length ||
      (number % every === 0 && sections.length - number >= every),
  }));
}

type Scene = {
  rig: ResolvedRig;
  sheet: Sheet;
  points: PlanPoint[];
  blocks: PlanBlock[];
  brackets: SectionBracket[];
  scaleBar: Plan["scaleBar"];
};

function marksOf(scene: Scene, tractorHalf: number): DimensionMark[] {
  const { sheet, rig, points, blocks, brackets, scaleBar } = scene;
  const drawn = CATALOGUE.filter(
    ({ station, span }) => station === sheet.station || (sheet.region === "rig" && span?.axis === "x"),
  );
  const values = sheet.labels === "values";
  const requests: (Request & { priority: number })[] = drawn.map((entry) => ({
    target: entry.key,
    candidates: offersOf(entry, scene, tractorHalf, values),
    letterOnly: () => offersOf(entry, scene, tractorHalf, false),
    priority: entry.span?.axis === "x" ? 0 : entry.key === "tool.width" ? 1 : 2,
  }));
  if (sheet.station === "tool")
    requests.push({
      target: "sections",
      candidates: sectionsTag(scene, values),
      letterOnly: () => sectionsTag(scene, false),
      priority: 2,
    });
  const placed = placeAll(
    requests.sort((a, b) => a.priority - b.priority),
    {
      frame: { x: 2, y: 2, w: sheet.width - 4, h: sheet.height - 4 },
      keepClear: [
        ...points
          .filter(({ key }) => ["receiver", "pin", "leftEdge", "rightEdge"].includes(key))
          .map(({ x, y }) => grow({ x, y, w: 0, h: 0 }, 8)),
        ...brackets
          .filter(({ numbered }) => numbered)
          .map(({ x1, x2, y }) => ({ x: (x1 + x2) / 2 - 9, y: y + 6, w: 18, h: 20 })),
        ...(sheet.labels === "values"
          ? [
              { x: scaleBar.x - 4, y: 6, w: scaleBar.length + 8, h: 32 },
              { x: sheet.width / 2 - 10, y: 2, w: 74, h: 30 },
            ]
          : []),
      ],
      outlines: blocks.filter(({ role }) => role !== "soil" && role !== "packer"),
    },
  );
  return placed.map((each) => toMark(each, rig, sheet));
}

function offersOf(entry: Dimension, scene: Scene, tractorHalf: number, values: boolean): Offer[] {
  const { sheet, rig, points } = scene;
  const text = values ? valueText(entry, rig, sheet.system) : "";
  const at = (key: PointKey) => points.find((point) => point.key === key)!;
  if (entry.span?.axis === "x")
    return alongOffers(
      { from: at(entry.span.from), to: at(entry.span.to) },
      text,
      lanesOf(sheet.width, tractorHalf),
      sheet.width / 2,
    );
  if (entry.key === "tool.width") {
    const y = scene.brackets[0]?.y ?? at("workRear").y + 30;
    const heights = [44, 56, 34, 68, -60, -90].map((below) => y + below);
    return acrossOffers(at("leftEdge").x, at("rightEdge").x, heights, at("leftEdge").y, text);
  }
  return tagOffers([entry.at, ...(OTHER_END[entry.at] ?? [])].map(at), text);
}

/** Where else a letter may point when its own end of the work is crowded. */
const OTHER_END: Partial<Record<PointKey, PointKey[]>> = { leftEdge: ["rightEdge"], rightEdge: ["leftEdge"] };

/** Upright lanes for lengths along the line of travel: beside the tractor first, then outward, then inward. */
function lanesOf(width: number, tractorHalf: number): number[] {
  const middle = width / 2;
  const lanes: number[] = [];
  for (let offset = tractorHalf + 16; offset < middle - 16; offset += 20)
    lanes.push(middle + offset, middle - offset);
  for (let offset = tractorHalf + 2; offset > 24; offset -= 20) lanes.push(middle + offset, middle - offset);
  return lanes;
}

function sectionsTag({ brackets, points, rig }: Scene, values: boolean): Offer[] {
  const [first, last] = [brackets[0], brackets.at(-1)];
  const ends =
    first && last
      ? [
          { x: first.x1 + 4, y: first.y + 4 },
          { x: last.x2 - 4, y: last.y + 4 },
        ]
      : points.filter(({ key }) => key === "rightEdge");
  return tagOffers(ends, values ? sectionsText(rig) : "");
}

function sectionsText({ sections }: ResolvedRig): string {
  return sections ? `${sections.widths.length} sections` : "missing";
}

function valueText(entry: Dimension, { values }: ResolvedRig, system: UnitSystem): string {
  const { value } = values[entry.key];
  if (value === null) return "missing";
  return entry.key === "rows.count"
    ? `${value} rows`
    : printEntry(entry, value, system).replace(/\u00a0m\b/, "");
}

function toMark(
  { target, letter, value, path, arrows, label, clear }: Placed,
  rig: ResolvedRig,
  sheet: Sheet,
): DimensionMark {
  const entry = CATALOGUE.find(({ key }) => key === target);
  const text = entry ? valueText(entry, rig, sheet.system) : sectionsText(rig);
  const missing = entry ? rig.values[entry.key].value === null : rig.sections === null;
  const doubted = entry
    ? rig.values[entry.key].doubt !== null && rig.values[entry.key].doubt !== "habitual zero"
    : false;
  return {
    target,
    letter: entry?.letter ?? SECTIONS_LETTER,
    letterAt: letter,
    value: value ? { ...value, text } : null,
    path,
    arrows,
    state: missing ? "missing" : doubted ? "doubted" : "known",
    label,
    clear,
  };
}
