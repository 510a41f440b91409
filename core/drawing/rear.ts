/**
 * The rig seen from behind: its left on the left, ground at the bottom. What lies to the side and what stands above the ground
 * is read here, to scale from the same readings as the plan; heights nobody reads are assumed.
 */
import { isBuiltOn } from "../dimension/attachment.ts";
import type { Dimension } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import { grow } from "../picture/box.ts";
import type { PlanBlock } from "../picture/strokes.ts";
import { askedOf, steersBy, usesTerminal } from "../rig/asked.ts";
import { between } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import { bracketsOf } from "./brackets.ts";
import { acrossOffers, alongOffers, tagOffers } from "./candidates.ts";
import { sectionsText, toMark, valueText } from "./marks.ts";
import { type Offers, placeAll, type Request } from "./place.ts";
import { drawnWidth, rigPoints } from "./rig-points.ts";
import { TRACTOR } from "./shapes.ts";
import {
  type DrawnRig,
  gridOf,
  MARGIN,
  type PlanPoint,
  type Sheet,
  scaleBarOf,
  TURN_CORNER,
} from "./sheet.ts";

/** Heights and widths no reading gives, metres, for recognition only. */
const BODY = { cabWidth: 1.5, cabFoot: 0.9, cabRoof: 2.75, tool: 0.35, boom: 0.9, receiver: 3 };
/** Room below the ground for brackets and the widths, pixels. */
const BELOW = 118;

/** The rig from behind, to scale: widths and heights, metres to pixels, right is right. */
export function drawRear(rig: ResolvedRig, sheet: Sheet): DrawnRig {
  const points = rigPoints(rig);
  // At the antenna the machine alone fills the sheet.
  const working = works(rig) && sheet.region !== "tractor";
  const width = drawnWidth(rig);
  const track = rig.values["tractor.trackRear"].value ?? TRACTOR.rearTyre.track;
  const up = between(rig, "axle", "receiver", "up").total;
  const height = up ?? BODY.receiver;
  const half = Math.max(
    (track + TRACTOR.rearTyre.width) / 2,
    working ? width / 2 + Math.abs(points.workMid.y) : 0,
    Math.abs(points.receiver.y),
  );
  const below = sheet.labels === "none" ? MARGIN : sheet.labels === "values" ? BELOW : 60;
  const top = sheet.labels === "values" ? 60 : MARGIN;
  const scale = Math.min(
    (sheet.width / 2 - MARGIN) / (half + 0.15),
    (sheet.height - top - below) / (height + 0.25),
  );
  const ground = top + (sheet.height - top - below + (height + 0.25) * scale) / 2;
  const toX = (y: number) => sheet.width / 2 + y * scale;
  const toY = (above: number) => ground - above * scale;
  const box = (
    role: PlanBlock["role"],
    left: number,
    right: number,
    low: number,
    high: number,
  ): PlanBlock => ({
    role,
    assumed: true,
    x: toX(left),
    y: toY(high),
    w: (right - left) * scale,
    h: (high - low) * scale,
  });
  const at = (key: PointKey, y: number, above: number, assumed: boolean): PlanPoint => ({
    key,
    x: toX(y),
    y: toY(above),
    assumed,
  });
  const workUp = isBuiltOn(rig.attachment) ? BODY.boom : BODY.tool / 2;
  const planPoints = [
    at("axle", 0, 0, false),
    ...(usesTerminal(rig)
      ? [at("receiver", points.receiver.y, height, points.receiver.assumed || up === null)]
      : []),
    ...(working
      ? [
          at("workMid", points.workMid.y, workUp, points.workMid.assumed),
          at("leftEdge", points.leftEdge.y, workUp, points.leftEdge.assumed),
          at("rightEdge", points.rightEdge.y, workUp, points.rightEdge.assumed),
        ]
      : []),
  ];
  const brackets = working && sheet.labels !== "none" ? bracketsOf(rig, toX, ground + 8) : [];
  const scaleBar = scaleBarOf(sheet, scale);
  const blocks = [
    ...wheelsOf(rig, track).map(([left, right]) => box("tyre", left, right, 0, TRACTOR.rearTyre.length)),
    box("cab", -BODY.cabWidth / 2, BODY.cabWidth / 2, BODY.cabFoot, BODY.cabRoof),
    ...(working ? [toolBlock(rig, box, workUp)] : []),
    { role: "ground" as const, assumed: false, x: 0, y: ground, w: sheet.width, h: 2 },
  ];
  return {
    width: sheet.width,
    height: sheet.height,
    scale,
    grid: gridOf(sheet, scale, sheet.width / 2, ground),
    blocks,
    strokes: [
      { role: "virtual", assumed: false, points: `${toX(0)},${toY(height + 0.15)} ${toX(0)},${ground}` },
    ],
    rows: [],
    points: planPoints,
    brackets,
    marks:
      sheet.labels === "none"
        ? []
        : marksOf(rig, sheet, { points: planPoints, brackets, blocks, ground, scaleBar }),
    scaleBar,
    travel: "away",
  };
}

/** From the left edge to the right edge of each wheel or track, metres. */
function wheelsOf(rig: ResolvedRig, track: number): [number, number][] {
  const width = steersBy(rig) === "tracks" ? TRACTOR.rearTyre.width * 0.9 : TRACTOR.rearTyre.width;
  return [-1, 1].map((side) => [(side * track) / 2 - width / 2, (side * track) / 2 + width / 2]);
}

type Boxed = (role: PlanBlock["role"], left: number, right: number, low: number, high: number) => PlanBlock;

function toolBlock(rig: ResolvedRig, box: Boxed, up: number): PlanBlock {
  const { leftEdge, rightEdge } = rigPoints(rig);
  const thick = isBuiltOn(rig.attachment) ? 0.12 : BODY.tool / 2;
  return { ...box("rank", leftEdge.y, rightEdge.y, up - thick, up + thick), assumed: leftEdge.assumed };
}

type Scene = Pick<DrawnRig, "points" | "brackets" | "blocks" | "scaleBar"> & { ground: number };

function marksOf(rig: ResolvedRig, sheet: Sheet, scene: Scene): DrawnRig["marks"] {
  const drawn = askedOf(rig).filter(
    (entry) =>
      entry.letter !== "" &&
      (sheet.only === null || sheet.only === entry.key) &&
      entry.station === sheet.station &&
      (entry.span?.axis === "y" ||
        entry.span?.axis === "up" ||
        entry.at === "leftEdge" ||
        entry.at === "rightEdge"),
  );
  const values = sheet.labels === "values";
  const requests: Request[] = drawn.map((entry) => ({
    target: entry.key,
    candidates: offersOf(entry, rig, sheet, scene, values),
    letterOnly: () => offersOf(entry, rig, sheet, scene, false),
  }));
  if (works(rig) && sheet.sections && (sheet.only === null || sheet.only === "sections"))
    requests.push({
      target: "sections",
      candidates: sectionsOffers(rig, scene, values),
      letterOnly: () => sectionsOffers(rig, scene, false),
    });
  const { points, brackets, blocks, scaleBar } = scene;
  return placeAll(requests, {
    frame: { x: 2, y: 2, w: sheet.width - 4, h: sheet.height - 4 },
    keepClear: [
      TURN_CORNER,
      ...points.filter(({ key }) => key === "receiver").map(({ x, y }) => grow({ x, y, w: 0, h: 0 }, 8)),
      ...brackets
        .filter(({ numbered }) => numbered)
        .map(({ x1, x2, y }) => ({ x: (x1 + x2) / 2 - 9, y: y + 6, w: 18, h: 20 })),
      ...(values ? [{ x: scaleBar.x - 4, y: 6, w: scaleBar.length + 8, h: 32 }] : []),
    ],
    outlines: blocks.filter(({ role }) => role !== "ground"),
  }).map((each) => toMark(each, rig, sheet));
}

function offersOf(entry: Dimension, rig: ResolvedRig, sheet: Sheet, scene: Scene, values: boolean): Offers {
  const text = values ? valueText(entry, rig, sheet.units) : "";
  const middle = sheet.width / 2;
  const at = (key: PointKey) => scene.points.find((point) => point.key === key) ?? scene.points[0]!;
  if (entry.span?.axis === "up") {
    const { x, y } = at(entry.span.to);
    const lanes = [70, -70, 100, -100, 130, -130, 40, -40].map((off) => middle + off);
    return alongOffers({ from: { x, y: scene.ground }, to: { x, y } }, text, lanes, middle);
  }
  if (entry.key === "tool.width")
    return acrossOffers(
      at("leftEdge").x,
      at("rightEdge").x,
      [46, 60, 74, 88].map((below) => scene.ground + below),
      scene.ground,
      text,
    );
  if (entry.key === "receiver.lateral") {
    const { x, y } = at("receiver");
    return acrossOffers(
      Math.min(middle, x),
      Math.max(middle, x),
      [-18, -34, 26, 44].map((off) => y + off),
      y,
      text,
    );
  }
  if (entry.key === "tool.lateral") {
    const { x, y } = at("workMid");
    return acrossOffers(
      Math.min(middle, x),
      Math.max(middle, x),
      [-40, -60, -80, -100].map((off) => y + off),
      y,
      text,
    );
  }
  return tagOffers([at(entry.at), at(entry.at === "leftEdge" ? "rightEdge" : "leftEdge")], text);
}

function sectionsOffers(rig: ResolvedRig, { brackets, points }: Scene, values: boolean): Offers {
  const [first, last] = [brackets[0], brackets.at(-1)];
  const ends =
    first && last
      ? [
          { x: first.x1 + 4, y: first.y + 4 },
          { x: last.x2 - 4, y: last.y + 4 },
        ]
      : points.slice(-1);
  return tagOffers(ends, values ? sectionsText(rig) : "");
}
