/** The adjusters of a tool where they sit, from above and from behind, to scale: each with its number beside it, none upon another. */
import type { Box } from "../picture/box.ts";
import type { Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { Adjuster } from "../yard/ground.ts";
import { drawPlan, toolFit } from "./plan.ts";
import { drawRear } from "./rear.ts";
import type { DrawnRig } from "./sheet.ts";

export type AdjusterMark = {
  id: number;
  /** as it stands in its list, from 1 */
  number: number;
  /** where it sits, pixels */
  x: number;
  y: number;
  /** where its number stands */
  tag: { x: number; y: number };
  /** its height is not known, and drawn at a usual one */
  assumed: boolean;
  /** it follows another */
  slave: boolean;
};

type OneView = {
  drawn: DrawnRig;
  marks: AdjusterMark[];
  /** the part of the sheet that has something on it */
  view: Box;
};

export type AdjustersDrawn = { plan: OneView; rear: OneView };

/** Radius of a number's ring, pixels: a finger finds it. */
export const TAG = 17;
const APART = 2 * TAG + 4;
/** How high an adjuster sits that nobody taped, metres: for recognition only. */
const USUAL_HEIGHT = 0.6;
const LEAST = 150;
const MOST = 420;
/** From behind a cab stands over the tool: so many metres, within so many pixels. */
const REAR_METRES = 3.5;
const LEAST_REAR = 210;
const TALLEST_REAR = 340;

/** Those whose place is known, drawn; null where none is. @param width of the sheet, pixels */
export function drawAdjusters(
  rig: ResolvedRig,
  adjusters: readonly Adjuster[],
  width: number,
  units: Units,
): AdjustersDrawn | null {
  const placed = adjusters.flatMap(({ id, x, y, up, master }, at) =>
    x === null || y === null ? [] : [{ id, number: at + 1, slave: master !== null, x, y, up }],
  );
  if (placed.length === 0) return null;
  const fit = toolFit(rig, width);
  const sheet = { width, region: "tool", labels: "none", station: null, only: null, units } as const;
  const height = Math.min(MOST, Math.max(LEAST, fit.height(fit.scale)));
  const plan = drawPlan(rig, { ...sheet, height });
  const rear = drawRear(rig, {
    ...sheet,
    height: Math.min(TALLEST_REAR, Math.max(LEAST_REAR, REAR_METRES * fit.scale)),
  });
  const own =
    plan.points.find(({ key }) => key === "pin") ?? plan.points.find(({ key }) => key === "workMid");
  const foot = rear.points.find(({ key }) => key === "axle")!;
  const origin = own ?? { x: width / 2, y: height / 2 };
  return {
    plan: oneView(
      plan,
      placed.map(({ x, y, up: _, ...each }) => ({
        ...each,
        x: origin.x + y * plan.scale,
        y: origin.y - x * plan.scale,
        assumed: false,
      })),
    ),
    rear: oneView(
      rear,
      placed.map(({ y, up, ...each }) => ({
        ...each,
        x: foot.x + y * rear.scale,
        y: foot.y - (up ?? USUAL_HEIGHT) * rear.scale,
        assumed: up === null,
      })),
    ),
  };
}

/** A tractor is about so wide either side of its middle, metres. */
const TRACTOR = 1.3;

/** Marks with their numbers, on what the drawing shows around its middle. */
function oneView(drawn: DrawnRig, bare: readonly Omit<AdjusterMark, "tag">[]): OneView {
  const marks = tagged(bare, drawn);
  const middle = drawn.width / 2;
  const edges = drawn.points.filter(({ key }) => key === "leftEdge" || key === "rightEdge");
  const half = Math.min(
    middle,
    TAG +
      Math.max(
        TRACTOR * drawn.scale,
        ...[...edges, ...marks.map(({ tag }) => tag)].map(({ x }) => Math.abs(x - middle)),
      ),
  );
  return { drawn, marks, view: { x: middle - half, y: 0, w: 2 * half, h: drawn.height } };
}

type Spot = { x: number; y: number };

const DIRECTIONS = [
  [0, -1],
  [0, 1],
  [-1, 0],
  [1, 0],
  [-0.7, -0.7],
  [0.7, -0.7],
  [-0.7, 0.7],
  [0.7, 0.7],
] as const;

/** Each number at its place, or beside it where another stands there already, as near as there is room. */
function tagged(
  marks: readonly Omit<AdjusterMark, "tag">[],
  { width, height }: Pick<DrawnRig, "width" | "height">,
): AdjusterMark[] {
  const set: Spot[] = [];
  return marks.map((mark) => {
    const tag = nearestFree(within(mark, width, height), set, width, height);
    set.push(tag);
    return { ...mark, tag };
  });
}

const within = ({ x, y }: Spot, width: number, height: number): Spot => ({
  x: Math.min(width - TAG, Math.max(TAG, x)),
  y: Math.min(height - TAG, Math.max(TAG, y)),
});

function nearestFree(at: Spot, taken: readonly Spot[], width: number, height: number): Spot {
  const free = (spot: Spot) =>
    taken.every((other) => Math.hypot(spot.x - other.x, spot.y - other.y) >= APART);
  if (free(at)) return at;
  for (let far = APART; far < width + height; far += TAG)
    for (const [right, down] of DIRECTIONS) {
      const spot = { x: at.x + right * far, y: at.y + down * far };
      const inside = within(spot, width, height);
      if (inside.x === spot.x && inside.y === spot.y && free(spot)) return spot;
    }
  return at;
}
