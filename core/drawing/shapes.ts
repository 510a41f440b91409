import type { PointKey } from "../dimension/points.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { drawnWidth, type RigPoint, rigPoints } from "./rig-points.ts";

/** A rectangle of the rig in frame metres: its middle, its length along x and width along y. */
export type Block = {
  role: "tyre" | "bonnet" | "cab" | "hopper" | "rank" | "packer" | "soil" | "ground";
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

export function tractorBlocks({ frontAxle }: Record<PointKey, RigPoint>): Block[] {
  const { rearTyre, frontTyre, bonnet, cab } = TRACTOR;
  const wheelbase = frontAxle.x;
  const tyre = (x: number, side: number, size: typeof rearTyre): Block => ({
    role: "tyre",
    x,
    y: (side * size.track) / 2,
    length: size.length,
    width: size.width,
    assumed: true,
  });
  const between = (role: Block["role"], part: { from: number; to: number; width: number }): Block => ({
    role,
    x: (part.from + part.to) / 2,
    y: 0,
    length: part.to - part.from,
    width: part.width,
    assumed: true,
  });
  return [
    tyre(wheelbase, -1, frontTyre),
    tyre(wheelbase, 1, frontTyre),
    tyre(0, -1, rearTyre),
    tyre(0, 1, rearTyre),
    between("bonnet", { ...bonnet, to: frontOf(wheelbase) }),
    between("cab", cab),
  ];
}

const RANK_DEPTH = 0.1;
export const WHEEL_DIAMETER = 0.62;

/** The drill: soil it has worked, ranks where they were measured, a hopper and wheels for recognition. */
export function drillBlocks(rig: ResolvedRig, lastX: number): Block[] {
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
  return [
    soil,
    ...hopper(pin.x, firstRank),
    ...packer(pivot, width, workFront.y),
    rank(workFront),
    rank(workRear),
  ];
}

/** A hopper stands ahead of the ranks where there is room for one. */
function hopper(pinX: number, workX: number): Block[] {
  const [front, back] = [pinX - (pinX - workX) * 0.52, workX + 0.4];
  if (front - back < 0.5) return [];
  return [{ role: "hopper", x: (front + back) / 2, y: 0, length: front - back, width: 2.2, assumed: true }];
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

export function rigStrokes(rig: ResolvedRig): Stroke[] {
  const { pin, workFront, workRear, frontAxle } = rigPoints(rig);
  const frontOfFrame = pin.x - (pin.x - Math.max(workFront.x, workRear.x)) * 0.52;
  const axle = TRACTOR.frontTyre.track / 2;
  const strokes: Stroke[] = [
    {
      role: "front axle",
      points: [
        [frontAxle.x, -axle],
        [frontAxle.x, axle],
      ],
      assumed: frontAxle.assumed,
    },
    {
      role: "drawbar",
      points: [
        [-0.5, 0],
        [pin.x, 0],
      ],
      assumed: pin.assumed,
    },
  ];
  if (pin.x - frontOfFrame > 0.3)
    strokes.push({
      role: "tongue",
      points: [
        [frontOfFrame, -0.55],
        [pin.x, 0],
        [frontOfFrame, 0.55],
      ],
      assumed: true,
    });
  return strokes;
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
