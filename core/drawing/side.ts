/**
 * The side view of a rig, seen from its right: travel to the right, ground at the bottom of the machine, lengths
 * in lanes below the ground. To scale from the same readings as the plan; heights nobody reads yet are assumed.
 */
import { CATALOGUE } from "../dimension/catalogue.ts";
import { POINT_KEYS, type PointKey } from "../dimension/points.ts";
import { between } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { acrossOffers, alongOffers } from "./candidates.ts";
import { grow } from "./geometry.ts";
import { LEADING, toMark, valueText } from "./marks.ts";
import { type Offer, placeAll, type Request } from "./place.ts";
import { type RigPoint, rigPoints } from "./rig-points.ts";
import { BEHIND_THE_TOOL, frontOf, TRACTOR, WHEEL_DIAMETER } from "./shapes.ts";
import {
  type DimensionMark,
  gridOf,
  MARGIN,
  type Plan,
  type PlanBlock,
  type PlanPoint,
  type PlanStroke,
  type Sheet,
  scaleBarOf,
  TURN_CORNER,
} from "./sheet.ts";

/** Heights that no reading gives, metres, for recognition only. */
const HEIGHTS = {
  pin: 0.48,
  frame: 0.62,
  cabRoof: 2.75,
  bonnet: 1.75,
  bonnetFoot: 0.85,
  hopper: 1.75,
  receiver: 3,
};

/** Room below the ground for one lane of lengths, pixels. */
const LANE = 30;

export function drawSide(rig: ResolvedRig, sheet: Sheet): Plan {
  const points = rigPoints(rig);
  const receiverUp = between(rig, "axle", "receiver", "up").total;
  const height = receiverUp ?? HEIGHTS.receiver;
  const { front, back } = extentOf(points, sheet);
  const drawn = drawnAlong(sheet);
  const lanes = sheet.labels === "none" ? 0 : drawn.length;
  const top = sheet.labels === "values" ? 44 : MARGIN;
  const room = sheet.height - top - MARGIN - lanes * LANE;
  const scale = Math.min((sheet.width - 2 * MARGIN - 36) / (front - back), room / (height + 0.4));
  const originX = (sheet.width + (-back - front) * scale) / 2;
  const used = height * scale + lanes * LANE;
  const ground = top + height * scale + Math.max(0, (sheet.height - top - MARGIN - used) / 3);
  const toX = (x: number) => originX + x * scale;
  const toY = (up: number) => ground - up * scale;

  const upOf: Partial<Record<PointKey, number>> = {
    receiver: height,
    axle: TRACTOR.rearTyre.length / 2,
    frontAxle: TRACTOR.frontTyre.length / 2,
    pin: HEIGHTS.pin,
    pivot: WHEEL_DIAMETER / 2,
  };
  const planPoints = POINT_KEYS.map(
    (key): PlanPoint => ({
      key,
      x: toX(points[key].x),
      y: toY(upOf[key] ?? 0),
      assumed: points[key].assumed || (key === "receiver" && receiverUp === null),
    }),
  );
  const scaleBar = scaleBarOf(sheet, scale);
  const scene: Scene = { rig, sheet, points: planPoints, ground, scaleBar };
  return {
    width: sheet.width,
    height: sheet.height,
    scale,
    grid: gridOf(sheet, scale, originX, ground),
    blocks: blocksOf(points, toX, toY, sheet),
    strokes: strokesOf(points, toX, toY, sheet),
    rows: [],
    points: planPoints,
    brackets: [],
    marks: sheet.labels === "none" ? [] : marksOf(scene, drawn),
    scaleBar,
    travel: "right",
  };
}

function extentOf(points: Record<PointKey, RigPoint>, { region }: Sheet): { front: number; back: number } {
  const along = POINT_KEYS.map((key) => points[key].x);
  const front = Math.max(frontOf(points.frontAxle.x) + 0.1, ...along.map((x) => x + 0.3));
  const back = Math.min(...along) - BEHIND_THE_TOOL;
  if (region === "tractor") return { front, back: Math.min(points.pin.x, -1) - 0.9 };
  if (region === "tool")
    return { front: Math.max(points.pin.x, points.workFront.x, points.workRear.x) + 0.7, back };
  return { front, back };
}

function blocksOf(
  points: Record<PointKey, RigPoint>,
  toX: (x: number) => number,
  toY: (up: number) => number,
  sheet: Sheet,
): PlanBlock[] {
  const box = (role: PlanBlock["role"], x1: number, x2: number, low: number, high: number): PlanBlock => ({
    role,
    assumed: true,
    x: toX(x1),
    y: toY(high),
    w: toX(x2) - toX(x1),
    h: toY(low) - toY(high),
  });
  const wheel = (role: PlanBlock["role"], x: number, diameter: number): PlanBlock => ({
    ...box(role, x - diameter / 2, x + diameter / 2, 0, diameter),
    round: true,
  });
  const { pin, pivot, workFront, workRear, frontAxle } = points;
  const work = Math.max(workFront.x, workRear.x);
  const [hopperFront, hopperBack] = [pin.x - (pin.x - work) * 0.52, work + 0.4];
  const rank = ({ x, assumed }: RigPoint): PlanBlock => ({
    ...box("rank", x - 0.04, x + 0.04, 0, 0.55),
    assumed,
  });
  const soil = { ...box("soil", -1e3, Math.min(workFront.x, workRear.x), -0.12, 0), x: 0, assumed: false };
  return [
    { ...soil, w: Math.max(0, toX(Math.min(workFront.x, workRear.x))) },
    ...(hopperFront - hopperBack < 0.5
      ? []
      : [box("hopper", hopperBack, hopperFront, HEIGHTS.frame + 0.25, HEIGHTS.hopper)]),
    wheel("packer", pivot.x, WHEEL_DIAMETER),
    rank(workFront),
    rank(workRear),
    box("bonnet", TRACTOR.bonnet.from, frontOf(frontAxle.x), HEIGHTS.bonnetFoot, HEIGHTS.bonnet),
    box("cab", TRACTOR.cab.from, TRACTOR.cab.to, HEIGHTS.bonnetFoot, HEIGHTS.cabRoof),
    wheel("tyre", frontAxle.x, TRACTOR.frontTyre.length),
    wheel("tyre", 0, TRACTOR.rearTyre.length),
    { ...box("ground", 0, 0, 0, 0), x: 0, w: sheet.width, h: 1.6, assumed: false },
  ];
}

function strokesOf(
  { pin, pivot, workFront, workRear }: Record<PointKey, RigPoint>,
  toX: (x: number) => number,
  toY: (up: number) => number,
  { width }: Sheet,
): PlanStroke[] {
  const path = (...at: [number, number][]) =>
    at.map(([x, up]) => `${Math.max(-width, toX(x))},${toY(up)}`).join(" ");
  const last = Math.min(pivot.x, workRear.x, workFront.x);
  const frameFront = pin.x - (pin.x - Math.max(workFront.x, workRear.x)) * 0.52;
  const strokes: PlanStroke[] = [
    { role: "drawbar", points: path([-0.5, HEIGHTS.pin], [pin.x, HEIGHTS.pin]), assumed: pin.assumed },
  ];
  if (pin.x - last > 0.3)
    strokes.push({
      role: "tongue",
      points: path([pin.x, HEIGHTS.pin], [frameFront, HEIGHTS.frame], [last, HEIGHTS.frame]),
      assumed: true,
    });
  return strokes;
}

/** The dimensions one can see from the side. */
function drawnAlong({ station, region, only }: Sheet) {
  return CATALOGUE.filter(
    ({ key, span, station: own }) =>
      (span?.axis === "x" || span?.axis === "up") &&
      (only === null || only === key) &&
      (own === station || (region === "rig" && LEADING.has(key))),
  );
}

type Scene = {
  rig: ResolvedRig;
  sheet: Sheet;
  points: PlanPoint[];
  ground: number;
  scaleBar: Plan["scaleBar"];
};

function marksOf(
  { rig, sheet, points, ground, scaleBar }: Scene,
  drawn: ReturnType<typeof drawnAlong>,
): DimensionMark[] {
  const at = (key: PointKey) => points.find((point) => point.key === key)!;
  const offers = (entry: (typeof drawn)[number], values: boolean): Offer[] => {
    const text = values ? valueText(entry, rig, sheet.units) : "";
    const { from, to, axis } = entry.span!;
    if (axis === "up") {
      const { x, y } = at(to);
      const lanes = [60, -60, 90, -90, 36, -36, 130, -130].map((aside) => x + aside);
      return alongOffers({ from: { x, y: ground }, to: { x, y } }, text, lanes, x);
    }
    const [x1, x2] = [Math.min(at(from).x, at(to).x), Math.max(at(from).x, at(to).x)];
    const heights = Array.from({ length: drawn.length + 2 }, (_, lane) => ground + 24 + lane * LANE);
    return acrossOffers(x1, x2, heights, ground, text);
  };
  const requests: (Request & { size: number })[] = drawn.map((entry) => ({
    target: entry.key,
    candidates: offers(entry, sheet.labels === "values"),
    letterOnly: () => offers(entry, false),
    size: Math.abs(at(entry.span!.to).x - at(entry.span!.from).x),
  }));
  const placed = placeAll(
    requests.sort((a, b) => a.size - b.size),
    {
      frame: { x: 2, y: 2, w: sheet.width - 4, h: sheet.height - 4 },
      keepClear: [
        TURN_CORNER,
        grow({ x: at("receiver").x, y: at("receiver").y, w: 0, h: 0 }, 8),
        ...(sheet.labels === "values"
          ? [
              { x: scaleBar.x - 4, y: 6, w: scaleBar.length + 8, h: 32 },
              { x: sheet.width / 2 - 54, y: 2, w: 120, h: 30 },
            ]
          : []),
      ],
      outlines: [],
    },
  );
  return placed.map((each) => toMark(each, rig, sheet));
}
