/**
 * One reference frame (that of ISO 11783-10): origin on the ground under the middle of the rear axle,
 * x forward, y to the right. Heights are kept as people say them, positive above ground (`up`).
 *
 * A point's coordinate is a sum of readings, each with a coefficient; this table is the one place where
 * a reading taken "straight back" becomes a coordinate behind the axle.
 */
import type { DimensionKey } from "../dimension/catalogue.ts";

export type Axis = "x" | "y" | "up";

export type Term = { key: DimensionKey; coefficient: number };

export const POINT_KEYS = [
  "axle",
  "receiver",
  "pin",
  "pivot",
  "workFront",
  "workRear",
  "workMid",
  "leftEdge",
  "rightEdge",
] as const;
export type PointKey = (typeof POINT_KEYS)[number];

type PointDefinition = { label: string; x: readonly Term[]; y: readonly Term[]; up: readonly Term[] };

const term = (key: DimensionKey, coefficient: number): Term => ({ key, coefficient });

const BACK_TO_PIN = [term("axle.pin", -1)];
const BACK_TO_MIDDLE_OF_WORK = [...BACK_TO_PIN, term("pin.workFront", -0.5), term("pin.workRear", -0.5)];
const TOOL_LINE = [term("tool.lateral", 1)];

export const POINTS: Record<PointKey, PointDefinition> = {
  axle: { label: "rear axle", x: [], y: [], up: [] },
  receiver: {
    label: "receiver",
    x: [term("receiver.foreAft", 1)],
    y: [term("receiver.lateral", 1)],
    up: [term("receiver.height", 1)],
  },
  pin: { label: "drawbar pin", x: BACK_TO_PIN, y: [], up: [] },
  pivot: { label: "wheels (pivot)", x: [...BACK_TO_PIN, term("pin.pivot", -1)], y: [], up: [] },
  workFront: { label: "front rank", x: [...BACK_TO_PIN, term("pin.workFront", -1)], y: TOOL_LINE, up: [] },
  workRear: { label: "rear rank", x: [...BACK_TO_PIN, term("pin.workRear", -1)], y: TOOL_LINE, up: [] },
  workMid: { label: "middle of the work", x: BACK_TO_MIDDLE_OF_WORK, y: TOOL_LINE, up: [] },
  leftEdge: { label: "left edge of the work", x: BACK_TO_MIDDLE_OF_WORK, y: [...TOOL_LINE, term("tool.width", -0.5)], up: [] },
  rightEdge: { label: "right edge of the work", x: BACK_TO_MIDDLE_OF_WORK, y: [...TOOL_LINE, term("tool.width", 0.5)], up: [] },
};

/** The terms of A→B along an axis, B − A, in walking order from A; what both ends share cancels. */
export function termsBetween(from: PointKey, to: PointKey, axis: Axis): Term[] {
  const outward = POINTS[to][axis];
  const homeward = [...POINTS[from][axis]].reverse().map(({ key, coefficient }) => term(key, -coefficient));
  const sums = new Map<DimensionKey, number>();
  for (const { key, coefficient } of [...homeward, ...outward]) sums.set(key, (sums.get(key) ?? 0) + coefficient);
  return [...sums].filter(([, sum]) => sum !== 0).map(([key, sum]) => term(key, sum));
}
