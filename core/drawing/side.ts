/**
 * The side view of a rig, seen from its right: travel to the right, ground at the bottom of the machine, lengths
 * in lanes below the ground. To scale from the same readings as the plan; heights nobody reads yet are assumed.
 */
import { type Attachment, isAhead, isBuiltOn, onPin } from "../dimension/attachment.ts";
import { hasDimension } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import { grow } from "../picture/box.ts";
import type { PlanBlock, PlanStroke } from "../picture/strokes.ts";
import { askedOf, steersBy } from "../rig/asked.ts";
import { between } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import { acrossOffers, alongOffers } from "./candidates.ts";
import { leading, toMark, valueText } from "./marks.ts";
import { type Offers, placeAll, type Request } from "./place.ts";
import { CART, pinAhead, pointsOf, type RigPoint, rigPoints } from "./rig-points.ts";
import {
  BEHIND_THE_TOOL,
  CARRYING_TYRE,
  carrierEnds,
  cartBox,
  frontOf,
  isPacked,
  SELF_PROPELLED,
  SPRAYER,
  TRACTOR,
  WHEEL_DIAMETER,
} from "./shapes.ts";
import {
  type DimensionMark,
  type DrawnRig,
  gridOf,
  MARGIN,
  type PlanPoint,
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

/**
 * The rig from its right side, to scale: lengths along and heights, metres to pixels, travel to the right.
 */
export function drawSide(rig: ResolvedRig, sheet: Sheet): DrawnRig {
  const points = rigPoints(rig);
  const receiverUp = between(rig, "axle", "receiver", "up").total;
  const height = receiverUp ?? HEIGHTS.receiver;
  const { front, back } = extentOf(rig, sheet);
  const drawn = drawnAlong(rig, sheet);
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
    axle: wheelsOf(rig).rear / 2,
    frontAxle: wheelsOf(rig).front / 2,
    pin: hitchHeight(rig),
    leadPin: HEIGHTS.pin,
    midPin: HEIGHTS.pin,
    joint: HEIGHTS.frame,
    turn: 0,
    pivot: WHEEL_DIAMETER / 2,
  };
  const planPoints = pointsOf(rig).map(
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
    blocks: blocksOf(rig, toX, toY, sheet),
    strokes: strokesOf(rig, toX, toY, sheet),
    rows: [],
    points: planPoints,
    brackets: [],
    marks: sheet.labels === "none" ? [] : marksOf(scene, drawn),
    scaleBar,
    travel: "right",
  };
}

function extentOf(rig: ResolvedRig, { region, others = [] }: Sheet): { front: number; back: number } {
  const points = rigPoints(rig);
  const ends = carrierEnds(rig);
  const tools = region === "rig" ? [rig, ...others] : [rig];
  const along = tools.flatMap((tool) => pointsOf(tool).map((key) => rigPoints(tool)[key].x));
  const front = Math.max(ends.front + 0.1, ...along.map((x) => x + 0.3));
  const back = Math.min(ends.back + 0.3, ...along) - BEHIND_THE_TOOL;
  if (region === "tractor")
    return { front: Math.max(ends.front, points.pin.x + 0.4), back: Math.min(points.pin.x, ends.back) - 0.9 };
  if (region === "tool")
    return { front: Math.max(points.pin.x, points.workFront.x, points.workRear.x) + 0.7, back };
  return { front, back };
}

/** Where a boom's frame is drawn that nobody read a height of, metres above ground. */
const BOOM_HEIGHT = 1.2;

/** Where the tool hangs: a taped height of the pin or the balls, or else a usual one. */
function hitchHeight({ attachment, values }: ResolvedRig): number {
  if (isBuiltOn(attachment)) return BOOM_HEIGHT;
  const taped = values[onPin(attachment) ? "hitch.pinHeight" : "work.ballHeight"].value;
  return taped ?? HEIGHTS.pin;
}

type Place = (metres: number) => number;
type Boxed = (role: PlanBlock["role"], x1: number, x2: number, low: number, high: number) => PlanBlock;

function blocksOf(rig: ResolvedRig, toX: Place, toY: Place, sheet: Sheet): PlanBlock[] {
  const box: Boxed = (role, x1, x2, low, high) => ({
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
  const { workFront, workRear } = rigPoints(rig);
  const worked = Math.min(workFront.x, workRear.x);
  const soil = { ...box("soil", -1e3, worked, -0.12, 0), x: 0, assumed: false };
  return [
    ...(works(rig) ? [{ ...soil, w: Math.max(0, toX(worked)) }] : []),
    ...[...(sheet.others ?? []), rig].flatMap((tool) => toolSide(tool, box, wheel)),
    ...carrierSide(rig, box, wheel),
    { ...box("ground", 0, 0, 0, 0), x: 0, w: sheet.width, h: 1.6, assumed: false },
  ];
}

type Wheel = (role: PlanBlock["role"], x: number, diameter: number) => PlanBlock;

function toolSide(rig: ResolvedRig, box: Boxed, wheel: Wheel): PlanBlock[] {
  const { pin, pivot, workFront, workRear } = rigPoints(rig);
  if (!works(rig)) {
    const { from, to } = cartBox(rig);
    return [
      box("hopper", from, to, HEIGHTS.frame + 0.3, HEIGHTS.hopper + 0.7),
      wheel("tyre", pivot.x, CART.wheel),
    ];
  }
  const rank = ({ x, assumed }: RigPoint): PlanBlock => ({
    ...box("rank", x - 0.04, x + 0.04, 0, 0.55),
    assumed,
  });
  const ranks = [rank(workFront), rank(workRear)];
  if (isBuiltOn(rig.attachment))
    return [
      box(
        "hopper",
        Math.min(workFront.x, pin.x),
        Math.max(workFront.x, pin.x),
        BOOM_HEIGHT,
        BOOM_HEIGHT + 0.25,
      ),
      {
        ...box("rank", workFront.x - 0.04, workFront.x + 0.04, 0.5, BOOM_HEIGHT + 0.25),
        assumed: workFront.assumed,
      },
    ];
  if (hasDimension(rig, "pin.pivot")) {
    const work = Math.max(workFront.x, workRear.x);
    const [hopperFront, hopperBack] = [pin.x - (pin.x - work) * 0.52, work + 0.4];
    return [
      ...(hopperFront - hopperBack < 0.5
        ? []
        : [box("hopper", hopperBack, hopperFront, HEIGHTS.frame + 0.25, HEIGHTS.hopper)]),
      wheel("packer", pivot.x, isPacked(rig) ? WHEEL_DIAMETER : CARRYING_TYRE.length),
      ...ranks,
    ];
  }
  const ahead = isAhead(rig.attachment);
  const near = pin.x + (ahead ? 0.1 : -0.1);
  const far = ahead ? Math.max(workFront.x, workRear.x) : Math.min(workFront.x, workRear.x);
  return [box("hopper", Math.min(near, far), Math.max(near, far), 0.4, 0.95), ...ranks];
}

/** Diameters of the machine's wheels, metres, for recognition; on tracks, of what they run round. */
function wheelsOf(rig: ResolvedRig): { front: number; rear: number } {
  if (rig.attachment === "head")
    return { front: SELF_PROPELLED.steeredTyre.length, rear: SELF_PROPELLED.driveTyre.length };
  if (isBuiltOn(rig.attachment)) return { front: SPRAYER.tyre.length, rear: SPRAYER.tyre.length };
  const rear = TRACTOR.rearTyre.length;
  switch (steersBy(rig)) {
    case "articulated":
      return { front: rear, rear };
    case "tracks":
      return { front: TRACK_HEIGHT, rear: TRACK_HEIGHT };
    default:
      return { front: TRACTOR.frontTyre.length, rear };
  }
}

/** A track from the side, metres. */
const TRACK_HEIGHT = 1.1;

function runsOn(rig: ResolvedRig, box: Boxed, wheel: Wheel): PlanBlock[] {
  const { frontAxle } = rigPoints(rig);
  const { front, rear } = wheelsOf(rig);
  const ends = [wheel("tyre", frontAxle.x, front), wheel("tyre", 0, rear)];
  return steersBy(rig) === "tracks" ? [box("tyre", 0, frontAxle.x, 0, TRACK_HEIGHT), ...ends] : ends;
}

function carrierSide(rig: ResolvedRig, box: Boxed, wheel: Wheel): PlanBlock[] {
  const { frontAxle } = rigPoints(rig);
  if (rig.attachment === "head") {
    const { body, cab } = SELF_PROPELLED;
    return [
      box("bonnet", frontAxle.x - body.beyondAxle, body.from, 0.9, 3.1),
      box("cab", cab.from, cab.to, 1.5, 3.3),
      ...runsOn(rig, box, wheel),
    ];
  }
  if (isBuiltOn(rig.attachment)) {
    const { cab, tank } = SPRAYER;
    return [
      box("bonnet", tank.from, frontAxle.x + tank.beforeAxle, 1, 2.6),
      box("cab", frontAxle.x + cab.from, frontAxle.x + cab.to, 1.1, 3.1),
      ...runsOn(rig, box, wheel),
    ];
  }
  return [
    box("bonnet", TRACTOR.bonnet.from, frontOf(frontAxle.x), HEIGHTS.bonnetFoot, HEIGHTS.bonnet),
    box("cab", TRACTOR.cab.from, TRACTOR.cab.to, HEIGHTS.bonnetFoot, HEIGHTS.cabRoof),
    ...runsOn(rig, box, wheel),
  ];
}

function strokesOf(rig: ResolvedRig, toX: Place, toY: Place, { width, others = [] }: Sheet): PlanStroke[] {
  const path = (...at: [number, number][]) =>
    at.map(([x, up]) => `${Math.max(-width, toX(x))},${toY(up)}`).join(" ");
  return [...others, rig].flatMap((tool) => hangingBy(tool, path));
}

function hangingBy(rig: ResolvedRig, path: (...at: [number, number][]) => string): PlanStroke[] {
  const points = rigPoints(rig);
  const { pin, pivot, workFront, workRear, frontAxle } = points;
  const height = hitchHeight(rig);
  const from: Record<Attachment, [number, number]> = {
    drawn: [-0.5, height],
    train: [pinAhead(points, rig.attachment).x - 1.5, HEIGHTS.frame],
    third: [pinAhead(points, rig.attachment).x - 1.5, HEIGHTS.frame],
    links: [-0.1, 0.55],
    semi: [-0.1, 0.55],
    mounted: [-0.1, 0.55],
    front: [frontAxle.x + 0.45, 0.55],
    head: [1.2, 1.4],
    boom: [-0.3, BOOM_HEIGHT],
    frontBoom: [frontAxle.x, BOOM_HEIGHT],
  };
  const working = works(rig);
  const strokes: PlanStroke[] = [
    { role: "drawbar", points: path(from[rig.attachment], [pin.x, height]), assumed: pin.assumed },
  ];
  if (!hasDimension(rig, "pin.pivot")) return strokes;
  const last = working ? Math.min(pivot.x, workRear.x, workFront.x) : cartBox(rig).from;
  const frameFront = working ? pin.x - (pin.x - Math.max(workFront.x, workRear.x)) * 0.52 : cartBox(rig).to;
  if (pin.x - last > 0.3)
    strokes.push({
      role: "tongue",
      points: path([pin.x, height], [frameFront, HEIGHTS.frame], [last, HEIGHTS.frame]),
      assumed: true,
    });
  return strokes;
}

/** The dimensions one can see from the side. */
function drawnAlong(rig: ResolvedRig, { station, region, only }: Sheet) {
  const leads = leading(rig);
  return askedOf(rig).filter(
    (entry) =>
      entry.letter !== "" &&
      (entry.span?.axis === "x" || entry.span?.axis === "up") &&
      (only === null || only === entry.key) &&
      (entry.station === station || (region === "rig" && leads.has(entry.key))),
  );
}

type Scene = {
  rig: ResolvedRig;
  sheet: Sheet;
  points: PlanPoint[];
  ground: number;
  scaleBar: DrawnRig["scaleBar"];
};

function marksOf(
  { rig, sheet, points, ground, scaleBar }: Scene,
  drawn: ReturnType<typeof drawnAlong>,
): DimensionMark[] {
  const at = (key: PointKey) => points.find((point) => point.key === key)!;
  const offers = (entry: (typeof drawn)[number], values: boolean): Offers => {
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
        ...points.filter(({ key }) => key === "receiver").map(({ x, y }) => grow({ x, y, w: 0, h: 0 }, 8)),
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
