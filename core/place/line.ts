/** A line a machine is guided along, as it lies on the ground. Radians and metres. */
import type { Geographic } from "../geodesy/plane.ts";

export const LINE_KINDS = ["ab", "heading", "curve", "circle"] as const;
export type LineKind = (typeof LINE_KINDS)[number];

export type LineShape =
  /** straight through two places */
  | { kind: "ab"; a: Geographic; b: Geographic }
  /** straight through a place, clockwise of north there */
  | { kind: "heading"; a: Geographic; heading: number }
  /** as it was driven once */
  | { kind: "curve"; points: readonly Geographic[] }
  /** round a pivot */
  | { kind: "circle"; centre: Geographic; radius: number };

export const LINE_WORDS: Record<LineKind, string> = {
  ab: "A–B",
  heading: "A and a heading",
  curve: "Curve",
  circle: "Circle",
};

/** Places a line is told by. */
export function placesOf(line: LineShape): readonly Geographic[] {
  switch (line.kind) {
    case "ab":
      return [line.a, line.b];
    case "heading":
      return [line.a];
    case "curve":
      return line.points;
    case "circle":
      return [line.centre];
  }
}
