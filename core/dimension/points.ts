/** The named points of a rig, seen from above; core/rig gives each its coordinates. */
export const POINT_KEYS = [
  "axle",
  "frontAxle",
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

/** x forward, y to the right (ISO 11783-10); `up` is height above ground, positive as people say it. */
export type Axis = "x" | "y" | "up";

export const POINT_LABELS: Record<PointKey, string> = {
  axle: "rear axle",
  frontAxle: "front axle",
  receiver: "receiver",
  pin: "drawbar pin",
  pivot: "wheels (pivot)",
  workFront: "front rank",
  workRear: "rear rank",
  workMid: "middle of the work",
  leftEdge: "left edge of the work",
  rightEdge: "right edge of the work",
};
