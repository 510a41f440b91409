import { type Attachment, asHung, type Hung } from "./attachment.ts";
import { wordsOf } from "./kind-words.ts";

/** The named points of a rig, seen from above; core/rig gives each its coordinates. */
export const POINT_KEYS = [
  "axle",
  "frontAxle",
  "joint",
  "turn",
  "receiver",
  "leadPin",
  "midPin",
  "pin",
  "pivot",
  "workFront",
  "workRear",
  "workMid",
  "toolbar",
  "foremost",
  "leftEdge",
  "rightEdge",
  "connector",
  "reference",
] as const;
export type PointKey = (typeof POINT_KEYS)[number];

/** x forward, y to the right (ISO 11783-10); `up` is height above ground, positive as people say it. */
export type Axis = "x" | "y" | "up";

export const POINT_LABELS: Record<PointKey, string> = {
  axle: "rear axle",
  frontAxle: "front axle",
  joint: "articulation joint",
  turn: "middle of the tracks",
  receiver: "receiver",
  leadPin: "pin of the implement ahead",
  midPin: "pin of the second implement",
  pin: "drawbar pin",
  pivot: "wheels (pivot)",
  workFront: "front of the work",
  workRear: "rear of the work",
  workMid: "middle of the work",
  toolbar: "back of the toolbar",
  foremost: "foremost part of the head",
  leftEdge: "left edge of the work",
  rightEdge: "right edge of the work",
  connector: "hitch of the machine that drives",
  reference: "reference point of the tool: its wheels, or where it hangs",
};

/** The same places as other points, by how the tool hangs: a card and a file count by them, a drawing has no letter of theirs. */
export const ALIASES: readonly PointKey[] = ["connector", "reference"];

const ON_LINKS = {
  pin: "lower link ends",
  workFront: "front of the work",
  workRear: "rear of the work",
};

const BOOM = { pin: "boom mount", workFront: "nozzles", workRear: "nozzles", pivot: "rear axle" };

/** The same points in the words of another attachment. */
const ON: Partial<Record<Attachment, Partial<Record<PointKey, string>>>> = {
  links: ON_LINKS,
  semi: ON_LINKS,
  mounted: ON_LINKS,
  front: { ...ON_LINKS, pin: "front link ends" },
  head: {
    axle: "drive axle",
    frontAxle: "steered axle",
    pin: "head mount",
    workFront: "knife",
    workRear: "knife",
  },
  boom: BOOM,
  frontBoom: BOOM,
  third: {
    leadPin: "pin of the first implement",
    midPin: "pin of the second implement",
    pin: "rear hitch of the second implement",
  },
  train: { pin: "rear hitch of the implement ahead" },
};

/** What a point is called where a tool hangs so, and is such a tool. */
export function pointLabel(point: PointKey, of: Attachment | Hung): string {
  const { attachment, tool } = asHung(of);
  if (tool !== null && point === "workFront") return wordsOf(tool).front;
  if (tool !== null && point === "workRear") return wordsOf(tool).rear;
  return ON[attachment]?.[point] ?? POINT_LABELS[point];
}

/** The point of this name; null where there is none. */
export function pointOf(text: string | undefined): PointKey | null {
  return POINT_KEYS.find((key) => key === text) ?? null;
}
