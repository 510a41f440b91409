import { type Attachment, type Hung, isTrain } from "../dimension/attachment.ts";
import { dimension, hasDimension } from "../dimension/catalogue.ts";
import { ALIASES, POINT_KEYS, type PointKey } from "../dimension/points.ts";
import { steersBy, usesTerminal } from "../rig/asked.ts";
import { coordinate, type Term } from "../rig/frame.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";

/** A point of the rig in frame metres; `assumed` where a missing reading was filled with its typical value. */
export type RigPoint = { key: PointKey; x: number; y: number; assumed: boolean };

const OF_WORK: readonly PointKey[] = ["workFront", "workRear", "workMid", "leftEdge", "rightEdge"];

/** The named points a rig of this attachment has. */
export function pointsOf(rig: ResolvedRig): readonly PointKey[] {
  const { attachment } = rig;
  const working = works(rig);
  return POINT_KEYS.filter(
    (key) =>
      (working || !OF_WORK.includes(key)) &&
      !ALIASES.includes(key) &&
      (key !== "pivot" || hasDimension(rig, "pin.pivot")) &&
      (key !== "receiver" || usesTerminal(rig)) &&
      (key !== "leadPin" || isTrain(attachment)) &&
      (key !== "frontAxle" || steersBy(rig) !== "tracks") &&
      (key !== "joint" || steersBy(rig) === "articulated") &&
      (key !== "turn" || steersBy(rig) === "tracks") &&
      (key !== "midPin" || attachment === "third"),
  );
}

/** The pin at which the implement just ahead hangs, of a tool in a train. */
export function pinAhead(points: Record<PointKey, RigPoint>, attachment: Attachment): RigPoint {
  return points[attachment === "third" ? "midPin" : "leadPin"];
}

/** Every named point, the missing ones where they usually are: a drawing needs a place for what is not known yet. */
export function rigPoints(rig: ResolvedRig): Record<PointKey, RigPoint> {
  const points = placed(rig);
  if (steersBy(rig) !== "tracks") return points;
  // A machine on tracks has no front axle: its front is drawn from the front end roller.
  const roller = rig.values["tractor.rollerFront"].value;
  const x = points.turn.x + drawnValue(roller, "tractor.rollerFront", rig);
  return {
    ...points,
    frontAxle: { key: "frontAxle", x, y: 0, assumed: points.turn.assumed || roller === null },
  };
}

function placed(rig: ResolvedRig): Record<PointKey, RigPoint> {
  return Object.fromEntries(
    POINT_KEYS.map((key) => {
      const x = place(coordinate(rig, key, "x"), rig);
      const y = place(coordinate(rig, key, "y"), rig);
      return [key, { key, x: x.value, y: y.value, assumed: x.assumed || y.assumed }];
    }),
  ) as Record<PointKey, RigPoint>;
}

function place(terms: readonly Term[], rig: ResolvedRig): { value: number; assumed: boolean } {
  return {
    value: terms.reduce(
      (sum, { key, coefficient }) => sum + coefficient * drawnValue(rig.values[key].value, key, rig),
      0,
    ),
    assumed: terms.some(({ key }) => rig.values[key].value === null),
  };
}

function drawnValue(value: number | null, key: Term["key"], hung: Hung): number {
  return value ?? dimension(key, hung).typical;
}

/** A cart nobody measured further, metres: for recognition only. */
export const CART = { width: 2.4, wheel: 1.15, tyre: 0.5, before: 0.55, beyond: 1.1 };

/** The working width the drawing shows, metres. */
export function drawnWidth(rig: ResolvedRig): number {
  return works(rig) ? drawnValue(rig.values["tool.width"].value, "tool.width", rig) : CART.width;
}
