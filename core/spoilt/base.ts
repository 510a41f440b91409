/**
 * A base station that stood elsewhere than it was told moves every position corrected from it, the same way and as far, whichever way a machine drove: only then does
 * one shift put the record of a whole field right.
 */
import { between } from "../geodesy/ellipsoid.ts";
import type { Geographic } from "../geodesy/plane.ts";

export type Moved = {
  /** metres a record has to be moved by */
  east: number;
  north: number;
  distance: number;
  /** radians clockwise of north, the way it has to be moved */
  heading: number;
};

/** A fixed receiver wanders so far by itself (common practice, no source). */
export const WANDER = 0.03;
/** Further off it is another mark, or one of the places is mistyped (ours). */
export const ANOTHER_MARK = 1000;

/** By how much a record has to be moved, of a mark and of where the receiver showed it: from there to the mark. */
export function movedBy(mark: Geographic, shown: Geographic): Moved {
  const { distance, heading } = between(shown, mark);
  return { east: distance * Math.sin(heading), north: distance * Math.cos(heading), distance, heading };
}

/** Several shifts, one after the other. */
export function together(moved: readonly Moved[]): Moved {
  const [east, north] = [
    moved.reduce((sum, each) => sum + each.east, 0),
    moved.reduce((sum, each) => sum + each.north, 0),
  ];
  return { east, north, distance: Math.hypot(east, north), heading: Math.atan2(east, north) };
}

/** How far right of a way of travel it moves a line. */
export const rightOf = ({ east, north }: Moved, heading: number): number =>
  east * Math.cos(heading) - north * Math.sin(heading);

export type Spell = { since: string; until: string | null };

/** Whether work from here to there fell within: all of it, a part, or none. Times as ISO 8601, UTC; `ended` null: not told, so its beginning counts. */
export function fellWithin(
  { since, until }: Spell,
  begun: string,
  ended: string | null,
): "all" | "part" | "none" {
  const end = ended ?? begun;
  if (end < since || (until !== null && begun >= until)) return "none";
  return begun >= since && (until === null || end <= until) ? "all" : "part";
}
