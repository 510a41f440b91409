import { type Attachment, isAhead, isBuiltOn, isCarried, isTrain, onLinks } from "../dimension/attachment.ts";
import { hasDimension } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import type { BlockRole } from "../picture/strokes.ts";
import { steersBy } from "../rig/asked.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import type { ToolKindKey } from "../trade/kinds.ts";
import { CART, drawnWidth, pinAhead, type RigPoint, rigPoints } from "./rig-points.ts";

/** A rectangle of the rig in frame metres: its middle, its length along x and width along y. */
export type Block = {
  role: BlockRole;
  x: number;
  y: number;
  length: number;
  width: number;
  /** outline nobody measured: drawn dashed */
  assumed: boolean;
};

export type Stroke = {
  role: "front axle" | "drawbar" | "tongue";
  points: readonly (readonly [number, number])[];
  assumed: boolean;
};

/** Outlines of the tractor that no reading gives, metres: a mid-size tractor, for recognition only. */
export const TRACTOR = {
  rearTyre: { length: 1.75, width: 0.6, track: 1.86 },
  frontTyre: { length: 1.3, width: 0.46, track: 1.76 },
  bonnet: { from: 0.95, beyondAxle: 0.65, width: 0.84 },
  cab: { from: -0.55, to: 1.1, width: 1.5 },
};

/** Where the bonnet ends ahead of the rear axle. */
export function frontOf(wheelbase: number): number {
  return wheelbase + TRACTOR.bonnet.beyondAxle;
}

export const TRACTOR_HALF_WIDTH = (TRACTOR.rearTyre.track + TRACTOR.rearTyre.width) / 2;

/** How far the drawing reaches behind the last rank or the wheels, metres. */
export const BEHIND_THE_TOOL = 0.55;

/** A machine that drives with its front wheels and steers with the rear ones carries its cab far forward. */
export const SELF_PROPELLED = {
  driveTyre: { length: 1.85, width: 0.75, track: 2.35 },
  steeredTyre: { length: 1.25, width: 0.5, track: 2.3 },
  body: { from: 0.35, beyondAxle: 1.1, width: 1.7 },
  cab: { from: 0.35, to: 2, width: 1.75 },
};

/** A machine with its boom built on: cab over the front axle, the tank between the axles, equal wheels. */
export const SPRAYER = {
  tyre: { length: 1.8, width: 0.42, track: 2.2 },
  cab: { from: -0.75, to: 1.05, width: 1.7 },
  tank: { from: -0.6, beforeAxle: -0.75, width: 1.9 },
};

/** Where the machine that drives ends, ahead and behind. */
export function carrierEnds(rig: ResolvedRig): { front: number; back: number } {
  const { frontAxle } = rigPoints(rig);
  if (isBuiltOn(rig.attachment))
    return { front: frontAxle.x + SPRAYER.cab.to, back: -SPRAYER.tyre.length / 2 };
  return rig.attachment === "head"
    ? { front: SELF_PROPELLED.cab.to, back: frontAxle.x - SELF_PROPELLED.body.beyondAxle }
    : { front: frontOf(frontAxle.x), back: -TRACTOR.rearTyre.length / 2 };
}

type Tyre = { length: number; width: number; track: number };

function pairOf(x: number, { length, width, track }: Tyre): Block[] {
  return [-1, 1].map((side) => ({ role: "tyre", x, y: (side * track) / 2, length, width, assumed: true }));
}

function span(role: Block["role"], part: { from: number; to: number; width: number }): Block {
  return {
    role,
    x: (part.from + part.to) / 2,
    y: 0,
    length: part.to - part.from,
    width: part.width,
    assumed: true,
  };
}

/** Tractor, or the machine that drives itself. */
export function carrierBlocks(rig: ResolvedRig): Block[] {
  const { frontAxle } = rigPoints(rig);
  if (rig.attachment === "head") {
    const { driveTyre, steeredTyre, body, cab } = SELF_PROPELLED;
    return [
      ...pairOf(frontAxle.x, steeredTyre),
      ...pairOf(0, driveTyre),
      span("bonnet", { from: frontAxle.x - body.beyondAxle, to: body.from, width: body.width }),
      span("cab", cab),
    ];
  }
  if (isBuiltOn(rig.attachment)) {
    const { tyre, cab, tank } = SPRAYER;
    return [
      ...pairOf(frontAxle.x, tyre),
      ...pairOf(0, tyre),
      span("bonnet", { from: tank.from, to: frontAxle.x + tank.beforeAxle, width: tank.width }),
      span("cab", { from: frontAxle.x + cab.from, to: frontAxle.x + cab.to, width: cab.width }),
    ];
  }
  const { bonnet, cab } = TRACTOR;
  return [
    ...wheelsOf(rig, frontAxle.x),
    span("bonnet", { ...bonnet, to: frontOf(frontAxle.x) }),
    span("cab", cab),
  ];
}

/** Wheels by how it steers: small ones in front, four alike on a frame that bends, or a pair of tracks. */
function wheelsOf(rig: ResolvedRig, wheelbase: number): Block[] {
  const { rearTyre, frontTyre } = TRACTOR;
  switch (steersBy(rig)) {
    case "articulated":
      return [...pairOf(wheelbase, rearTyre), ...pairOf(0, rearTyre)];
    case "tracks":
      return pairOf(wheelbase / 2, { ...rearTyre, length: wheelbase + 0.9 });
    default:
      return [...pairOf(wheelbase, frontTyre), ...pairOf(0, rearTyre)];
  }
}

const RANK_DEPTH = 0.1;
export const WHEEL_DIAMETER = 0.62;

/** A towed tool's own wheels, for recognition. */
export const CARRYING_TYRE: Tyre = { length: 0.95, width: 0.32, track: 1.8 };

/** The tool: soil it has worked, its ranks where they were measured, a body and wheels for recognition. */
export function toolBlocks(rig: ResolvedRig, lastX: number): Block[] {
  if (!works(rig)) return cartBlocks(rig);
  const points = rigPoints(rig);
  const width = drawnWidth(rig);
  const { workFront, workRear, pivot, pin } = points;
  const [worked, firstRank] = [Math.min(workFront.x, workRear.x), Math.max(workFront.x, workRear.x)];
  const soil: Block = {
    role: "soil",
    x: (worked + lastX) / 2,
    y: workFront.y,
    length: Math.max(worked - lastX, 0),
    width,
    assumed: false,
  };
  const rank = ({ x, y, assumed }: RigPoint): Block => ({
    role: "rank",
    x,
    y,
    length: RANK_DEPTH,
    width,
    assumed: assumed || rig.values["tool.width"].value === null,
  });
  const rolls = hasDimension(rig, "pin.pivot");
  return [
    soil,
    ...(rolls ? hopper(pin.x, firstRank) : frame(rig, points, width)),
    ...(!rolls ? [] : isPacked(rig) ? packer(pivot, width, workFront.y) : carrying(pivot, width)),
    rank(workFront),
    rank(workRear),
  ];
}

/** Where a cart's box begins behind its pin and ends behind its wheels, metres along x. */
export function cartBox(rig: ResolvedRig): { from: number; to: number } {
  const { pin, pivot } = rigPoints(rig);
  return { from: pivot.x - CART.beyond, to: pivot.x + (pin.x - pivot.x) * CART.before };
}

function cartBlocks(rig: ResolvedRig): Block[] {
  const { pivot } = rigPoints(rig);
  return [
    span("hopper", { ...cartBox(rig), width: CART.width * 0.9 }),
    ...pairOf(pivot.x, { length: CART.wheel, width: CART.tyre, track: CART.width - CART.tyre }),
  ];
}

/** A carried tool hangs close: its frame lies between hitch and work, as wide as it works. */
function frame(
  rig: ResolvedRig,
  { pin, workFront, workRear }: Record<PointKey, RigPoint>,
  width: number,
): Block[] {
  const ahead = isAhead(rig.attachment);
  const near = pin.x + (ahead ? 0.12 : -0.12);
  const far = ahead ? Math.max(workFront.x, workRear.x) : Math.min(workFront.x, workRear.x);
  const [from, to] = [Math.min(near, far), Math.max(near, far)];
  return to - from < 0.15
    ? []
    : [
        {
          role: "hopper",
          x: (from + to) / 2,
          y: workFront.y,
          length: to - from,
          width: width * 0.94,
          assumed: true,
        },
      ];
}

/** A hopper stands ahead of the ranks where there is room for one. */
function hopper(pinX: number, workX: number): Block[] {
  const [front, back] = [pinX - (pinX - workX) * 0.52, workX + 0.4];
  if (front - back < 0.5) return [];
  return [{ role: "hopper", x: (front + back) / 2, y: 0, length: front - back, width: 2.2, assumed: true }];
}

/** Tools that stand on a row of wheels as wide as they work; the others have a wheel on each side. */
const PACKED: ReadonlySet<ToolKindKey> = new Set(["drill", "roller"]);

/** Whether the tool rides on a row of packer wheels; a kind nobody told is drawn with two wheels. */
export function isPacked({ tool }: Pick<ResolvedRig, "tool">): boolean {
  return tool !== null && PACKED.has(tool);
}

/** The two wheels a towed tool is carried by, or turns about. */
function carrying(pivot: RigPoint, width: number): Block[] {
  const tyre = CARRYING_TYRE;
  return pairOf(pivot.x, { ...tyre, track: Math.min(tyre.track, Math.max(width - tyre.width, tyre.width)) });
}

function packer(pivot: RigPoint, width: number, y: number): Block[] {
  const wheels = Math.max(2, Math.round(width / 0.5));
  const pitch = width / wheels;
  return Array.from({ length: wheels }, (_, index) => ({
    role: "packer" as const,
    x: pivot.x,
    y: y - width / 2 + (index + 0.5) * pitch,
    length: WHEEL_DIAMETER,
    width: pitch * 0.8,
    assumed: true,
  }));
}

/** The axle that steers, for recognition. */
export function carrierStrokes(rig: ResolvedRig): Stroke[] {
  const { frontAxle } = rigPoints(rig);
  const half = steeredTyre(rig).track / 2;
  return [
    {
      role: "front axle",
      points: [
        [frontAxle.x, -half],
        [frontAxle.x, half],
      ],
      assumed: frontAxle.assumed,
    },
  ];
}

function steeredTyre({ attachment }: ResolvedRig): Tyre {
  if (attachment === "head") return SELF_PROPELLED.steeredTyre;
  return isBuiltOn(attachment) ? SPRAYER.tyre : TRACTOR.frontTyre;
}

/** What a tool hangs by: a drawbar and tongue, two links, or the mount of a head. */
export function toolStrokes(rig: ResolvedRig): Stroke[] {
  const points = rigPoints(rig);
  const { pin, workFront, workRear, frontAxle } = points;
  if (onLinks(rig.attachment)) return linkStrokes(rig, pin, frontAxle);
  const from = carriedFrom(rig.attachment, points);
  const strokes: Stroke[] = [
    {
      role: "drawbar",
      points: [
        [from, 0],
        [pin.x, 0],
      ],
      assumed: pin.assumed,
    },
  ];
  const frontOfFrame = works(rig)
    ? pin.x - (pin.x - Math.max(workFront.x, workRear.x)) * 0.52
    : cartBox(rig).to;
  if (pin.x - frontOfFrame > 0.3) strokes.push(tongue(frontOfFrame, pin.x, 0.55));
  return strokes;
}

/** Where the frame begins that a drawbar, a mount or a boom is drawn from. */
function carriedFrom(attachment: Attachment, points: Record<PointKey, RigPoint>): number {
  if (isTrain(attachment)) return pinAhead(points, attachment).x - 1.5;
  if (attachment === "head") return 1.2;
  return attachment === "frontBoom" ? points.frontAxle.x : -0.5;
}

function tongue(frame: number, pin: number, half: number): Stroke {
  return {
    role: "tongue",
    points: [
      [frame, -half],
      [pin, 0],
      [frame, half],
    ],
    assumed: true,
  };
}

/** Both lower links, to scale across where pivots and cross shaft were taped. */
function linkStrokes(rig: ResolvedRig, pin: RigPoint, frontAxle: RigPoint): Stroke[] {
  const ahead = isAhead(rig.attachment);
  const from = ahead ? frontAxle.x + 0.45 : -0.1;
  const pivots = (rig.values["hitch.pivots"].value ?? 0.5) / 2;
  const balls = (rig.values["tool.span"].value ?? 0.82) / 2;
  const links = [-1, 1].map(
    (side): Stroke => ({
      role: "drawbar",
      points: [
        [from, side * pivots],
        [pin.x, side * balls],
      ],
      assumed: pin.assumed,
    }),
  );
  const shaft: Stroke = {
    role: "drawbar",
    points: [
      [pin.x, -balls],
      [pin.x, balls],
    ],
    assumed: pin.assumed,
  };
  const { workFront, workRear, leftEdge, rightEdge } = rigPoints(rig);
  if (isCarried(rig.attachment)) {
    const beside = leftEdge.y > balls ? leftEdge : rightEdge.y < -balls ? rightEdge : null;
    return beside
      ? [...links, shaft, carrierArm(pin, beside, (workFront.x + workRear.x) / 2)]
      : [...links, shaft];
  }
  const frame = pin.x - (pin.x - Math.max(workFront.x, workRear.x)) * 0.52;
  return pin.x - frame > 0.3 ? [...links, shaft, tongue(frame, pin.x, 0.3)] : [...links, shaft];
}

/** A tool that works beside the tractor hangs on an arm from its headstock. */
function carrierArm(pin: RigPoint, edge: RigPoint, middle: number): Stroke {
  return {
    role: "tongue",
    points: [
      [pin.x, 0],
      [middle, 0],
      [middle, edge.y],
    ],
    assumed: true,
  };
}

/** Where each row meets the ground: odd rows in the front rank, even in the rear. Empty until rows are known. */
export function rowMarks(rig: ResolvedRig): { x: number; y: number }[] {
  const [count, spacing] = [rig.values["rows.count"].value, rig.values["rows.spacing"].value];
  if (count === null || spacing === null || count > 200) return [];
  const { workFront, workRear } = rigPoints(rig);
  return Array.from({ length: count }, (_, index) => ({
    x: index % 2 === 0 ? workFront.x : workRear.x,
    y: workFront.y + (index - (count - 1) / 2) * spacing,
  }));
}
