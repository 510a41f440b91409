/** A turn at the headland seen from above, to scale: the field below, outward up. Pixels, y down. */
import { type HeadlandTurn, outlinesAt, type TurningRig } from "../motion/headland.ts";
import type { Pose, Spot } from "../motion/train.ts";
import type { Units } from "../quantity/units.ts";
import { type ScaleBar, scaleBar } from "./field-map.ts";

export type TurnSheet = {
  width: number;
  height: number;
  /** y of the edge of what is worked, and of the deepest anything reaches */
  edge: number;
  deepest: number;
  /** rounds of the working width: y of each */
  rounds: number[];
  /** the strip just worked and the one it goes into, x and width */
  strips: { x: number; width: number }[];
  /** the way of the machine's wheels */
  way: string;
  bar: ScaleBar;
  at: (spot: Spot) => Spot;
};

/** What stands on one body, as a path. */
export type BodyDrawn = { body: number; path: string };

const MARGIN = 20;
/** What is shown of the field, metres. */
const FIELD = 4;

/** The sheet a turn is driven on. `apart` is from pass to pass, metres; `hand` 1 to the right. */
export function turnSheet(
  rig: TurningRig,
  turn: Pick<HeadlandTurn, "poses" | "depth">,
  { apart, hand, spacing }: { apart: number; hand: 1 | -1; spacing: number },
  { width, height }: { width: number; height: number },
  units: Units,
): TurnSheet {
  const points = turn.poses.flatMap((pose) => outlinesAt(rig, pose).flat());
  const middle = rig.works.reduce((sum, each) => sum + each.middle, 0) / rig.works.length;
  const strips = [middle, middle + hand * apart].map((y) => [y - spacing / 2, y + spacing / 2] as const);
  const across = [...points.map(({ y }) => y), ...strips.flat()];
  const [left, right] = [least(across), most(across)];
  const top = Math.max(turn.depth, most(points.map(({ x }) => x)));
  const metres = Math.max((right - left) / (width - 2 * MARGIN), (top + FIELD) / (height - 2 * MARGIN));
  const at = ({ x, y }: Spot): Spot => ({
    x: width / 2 + (y - (left + right) / 2) / metres,
    y: MARGIN + (top - x) / metres,
  });
  const edge = at({ x: 0, y: 0 }).y;
  return {
    width,
    height,
    edge,
    deepest: at({ x: turn.depth, y: 0 }).y,
    rounds: Array.from(
      { length: Math.floor(top / spacing) },
      (_, round) => at({ x: (round + 1) * spacing, y: 0 }).y,
    ),
    strips: strips.map(([from, to]) => ({ x: at({ x: 0, y: from }).x, width: (to - from) / metres })),
    way: path(turn.poses.map(at), false),
    bar: scaleBar({ metres }, units),
    at,
  };
}

/** The rig where it stands at one moment. */
export function drawPose(rig: TurningRig, { at }: Pick<TurnSheet, "at">, pose: Pose): BodyDrawn[] {
  const outlines = outlinesAt(rig, pose);
  const bodies = rig.bodies.flatMap((each, body) => each.outlines.map(() => body));
  return outlines.map((outline, index) => ({ body: bodies[index]!, path: path(outline.map(at), true) }));
}

function path(spots: readonly Spot[], closed: boolean): string {
  const text = spots
    .map(({ x, y }, at) => `${at === 0 ? "M" : "L"} ${x.toFixed(1)} ${y.toFixed(1)}`)
    .join(" ");
  return closed ? `${text} Z` : text;
}

const least = (all: readonly number[]) => all.reduce((a, b) => Math.min(a, b));
const most = (all: readonly number[]) => all.reduce((a, b) => Math.max(a, b));
