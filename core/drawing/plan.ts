/**
 * The plan drawing of a rig: from readings to pixels, true to scale, travel up, left on the left.
 * Pure: the same rig and sheet always give the same drawing; app/drawing only turns it into SVG.
 */
import type { Dimension } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import { grow } from "../picture/box.ts";
import type { PlanBlock } from "../picture/strokes.ts";
import { askedOf } from "../rig/asked.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import { bracketsOf } from "./brackets.ts";
import { acrossOffers, alongOffers, tagOffers } from "./candidates.ts";
import { leading, sectionsText, toMark, valueText } from "./marks.ts";
import { type Offers, placeAll, type Request } from "./place.ts";
import { drawnWidth, pointsOf, rigPoints } from "./rig-points.ts";
import {
  BEHIND_THE_TOOL,
  type Block,
  carrierBlocks,
  carrierEnds,
  carrierStrokes,
  rowMarks,
  TRACTOR_HALF_WIDTH,
  toolBlocks,
  toolStrokes,
} from "./shapes.ts";
import {
  type DimensionMark,
  type DrawnRig,
  gridOf,
  MARGIN,
  type PlanPoint,
  type SectionBracket,
  type Sheet,
  scaleBarOf,
  TURN_CORNER,
} from "./sheet.ts";

const TOP = 40;
const BRACKETS = 40;
const ACROSS = 40;

/** Draws a rig on a sheet. Missing lengths are drawn at their typical value and marked. */
export function drawPlan(rig: ResolvedRig, sheet: Sheet): DrawnRig {
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
  const tools = [...(sheet.others ?? []), rig];
  const shapes = groundFirst([...tools.flatMap((tool) => toolBlocks(tool, soilEnd)), ...carrierBlocks(rig)]);
  const strokes = [...tools.flatMap(toolStrokes), ...carrierStrokes(rig)];
  const blocks = shapes.map(
    ({ role, assumed, x, y, length, width }): PlanBlock => ({
      role,
      assumed,
      x: toX(y - width / 2),
      y: toY(x + length / 2),
      w: width * scale,
      h: length * scale,
    }),
  );
  const planPoints = pointsOf(rig).map((key) => ({
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
    grid: gridOf(sheet, scale, sheet.width / 2, originY),
    blocks,
    strokes: strokes.map(({ role, assumed, points: path }) => ({
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
    travel: "up",
  };
}

/** What a tool has worked lies under every other: a roller runs on what the drill ahead of it has sown. */
function groundFirst(shapes: readonly Block[]): Block[] {
  const isSoil = ({ role }: Block) => role === "soil";
  return [...shapes.filter(isSoil), ...shapes.filter((shape) => !isSoil(shape))];
}

type Extent = { front: number; back: number; half: number };

/** Pixels a metre, and the height of the sheet, at which a tool alone just fills a width. */
export function toolFit(rig: ResolvedRig, width: number): { scale: number; height(scale: number): number } {
  const { front, back, half } = extentOf(rig, { region: "tool" });
  return {
    scale: (width / 2 - MARGIN) / half,
    height: (scale) => (front - back) * scale + 2 * MARGIN,
  };
}

function extentOf(rig: ResolvedRig, { region, others = [] }: Pick<Sheet, "region" | "others">): Extent {
  const points = rigPoints(rig);
  const ends = carrierEnds(rig);
  const tools = region === "rig" ? [rig, ...others] : [rig];
  const along = tools.flatMap((tool) => pointsOf(tool).map((key) => rigPoints(tool)[key].x));
  const half = Math.max(
    TRACTOR_HALF_WIDTH,
    ...tools.map((tool) => drawnWidth(tool) / 2 + Math.abs(rigPoints(tool).workMid.y)),
    Math.abs(points.receiver.y) + 0.3,
  );
  const front = Math.max(ends.front + 0.1, ...along.map((x) => x + 0.3));
  const back = Math.min(ends.back + 0.3, ...along) - BEHIND_THE_TOOL;
  switch (region) {
    case "rig":
      return { front, back, half };
    case "tractor":
      return {
        front: Math.max(ends.front + 0.1, points.pin.x + 0.4),
        back: Math.min(points.pin.x, ends.back) - 0.9,
        half: TRACTOR_HALF_WIDTH + 0.9,
      };
    case "tool":
      return {
        front: Math.max(points.pin.x, points.workFront.x, points.workRear.x) + 0.7,
        back:
          Math.min(
            ...pointsOf(rig)
              .filter((key) => key !== "axle" && key !== "frontAxle" && key !== "receiver")
              .map((key) => points[key].x),
          ) - BEHIND_THE_TOOL,
        half,
      };
  }
}

type Scene = {
  rig: ResolvedRig;
  sheet: Sheet;
  points: PlanPoint[];
  blocks: PlanBlock[];
  brackets: SectionBracket[];
  scaleBar: DrawnRig["scaleBar"];
};

function marksOf(scene: Scene, tractorHalf: number): DimensionMark[] {
  const { sheet, rig, points, blocks, brackets, scaleBar } = scene;
  const leads = leading(rig);
  const drawn = askedOf(rig).filter(
    (entry) =>
      entry.letter !== "" &&
      (sheet.only === null || sheet.only === entry.key) &&
      (entry.station === sheet.station || (sheet.region === "rig" && leads.has(entry.key))),
  );
  const values = sheet.labels === "values";
  const requests: (Request & { priority: number })[] = drawn.map((entry) => ({
    target: entry.key,
    candidates: offersOf(entry, scene, tractorHalf, values),
    letterOnly: () => offersOf(entry, scene, tractorHalf, false),
    priority: entry.span?.axis === "x" ? 0 : entry.key === "tool.width" ? 1 : 2,
  }));
  if (works(rig) && sheet.sections && (sheet.only === null || sheet.only === "sections"))
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
        TURN_CORNER,
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

function offersOf(entry: Dimension, scene: Scene, tractorHalf: number, values: boolean): Offers {
  const { sheet, rig, points } = scene;
  const text = values ? valueText(entry, rig, sheet.units) : "";
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

function sectionsTag({ brackets, points, rig }: Scene, values: boolean): Offers {
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
