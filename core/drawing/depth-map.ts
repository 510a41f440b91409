/** A depth map on the tool it was dug under, to scale from above, travel upward. */
import type { Box } from "../picture/box.ts";
import type { Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { DepthPoint } from "../yard/ground.ts";
import { drawPlan, toolFit } from "./plan.ts";
import type { DrawnRig } from "./sheet.ts";

export type MapDrawn = {
  drawn: DrawnRig;
  /** the part of the sheet where the tool works */
  view: Box;
  /** in the order of the points, pixels */
  points: { x: number; y: number }[];
};

/** A figure stands in its ring beside the next one, pixels; and under it by how much it is off. */
const BESIDE = 62;
const ABOVE = 30;
const BELOW = 52;
/** So far apart the front and the rear of the work are drawn where that leaves room for the figures, pixels: what to turn stays in sight under it. */
const TALL = 200;

/** @param width of the sheet, pixels: it grows where so many points lie across that their figures would touch */
export function drawDepthMap(
  rig: ResolvedRig,
  points: readonly DepthPoint[],
  { long, wide }: { long: number; wide: number },
  width: number,
  units: Units,
): MapDrawn {
  const across = new Set(points.map(({ y }) => y.toFixed(6))).size;
  const apart = across > 1 ? wide / across : wide;
  const least = BESIDE / Math.max(apart, 0.01);
  const sheet = Math.max(width, (width * least) / toolFit(rig, width).scale);
  const fit = toolFit(rig, sheet);
  const lines = new Set(points.map(({ x }) => x.toFixed(6))).size;
  const tall = long > 0 && lines > 1 ? TALL / long : fit.scale;
  const scale = Math.min(fit.scale, Math.max(least, tall));
  const drawn = drawPlan(rig, {
    width: sheet,
    height: fit.height(scale),
    region: "tool",
    labels: "none",
    station: null,
    only: null,
    units,
  });
  const at = (key: string) => drawn.points.find((point) => point.key === key);
  const front = at("workFront") ?? { x: sheet / 2, y: drawn.height / 2 };
  const rear = at("workRear") ?? front;
  const middle = { x: at("workMid")?.x ?? front.x, y: (front.y + rear.y) / 2 };
  const placed = points.map(({ x, y }) => ({
    x: middle.x + y * drawn.scale,
    y: middle.y - x * drawn.scale,
  }));
  const top = Math.min(...placed.map(({ y }) => y), front.y) - ABOVE;
  const bottom = Math.max(...placed.map(({ y }) => y), rear.y) + BELOW;
  const sides = [...placed, ...drawn.points.filter(({ key }) => key === "leftEdge" || key === "rightEdge")];
  const left = Math.max(0, Math.min(...sides.map(({ x }) => x)) - BESIDE / 2);
  const right = Math.min(sheet, Math.max(...sides.map(({ x }) => x)) + BESIDE / 2);
  return { drawn, view: { x: left, y: top, w: right - left, h: bottom - top }, points: placed };
}
