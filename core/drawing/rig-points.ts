import { dimension } from "../dimension/catalogue.ts";
import { POINT_KEYS, type PointKey } from "../dimension/points.ts";
import { coordinate, type Term } from "../rig/frame.ts";
import type { ResolvedRig } from "../rig/resolve.ts";

/** A point of the rig in frame metres; `assumed` where a missing reading was filled with its typical value. */
export type RigPoint = { key: PointKey; x: number; y: number; assumed: boolean };

/** Every named point, the missing ones where they usually are: a drawing needs a place for what is not known yet. */
export function rigPoints(rig: ResolvedRig): Record<PointKey, RigPoint> {
  return Object.fromEntries(
    POINT_KEYS.map((key) => {
      const x = place(coordinate(key, "x"), rig);
      const y = place(coordinate(key, "y"), rig);
      return [key, { key, x: x.value, y: y.value, assumed: x.assumed || y.assumed }];
    }),
  ) as Record<PointKey, RigPoint>;
}

function place(terms: readonly Term[], { values }: ResolvedRig): { value: number; assumed: boolean } {
  return {
    value: terms.reduce(
      (sum, { key, coefficient }) => sum + coefficient * drawnValue(values[key].value, key),
      0,
    ),
    assumed: terms.some(({ key }) => values[key].value === null),
  };
}

function drawnValue(value: number | null, key: Term["key"]): number {
  return value ?? dimension(key).typical;
}

/** The working width the drawing shows, metres. */
export function drawnWidth({ values }: ResolvedRig): number {
  return drawnValue(values["tool.width"].value, "tool.width");
}
