/** Geometry of a mower's bed, its swath boards, and of rows joined by a rake. Metres and radians. */

/** How deep a knife lies below the lower pins at the bed's pitch β (nose up positive): c·cos β − a·sin β. */
export function knifeBelow({ ahead, below }: { ahead: number; below: number }, pitch: number): number {
  return below * Math.cos(pitch) - ahead * Math.sin(pitch);
}

/**
 * The change of pitch from level that lifts the knife by `more` with the pins where they are; null where no pitch does.
 *
 * With r = hypot(c, a): c·cos β − a·sin β = r·cos(β + atan2(a, c)).
 */
export function pitchForCut(knife: { ahead: number; below: number }, more: number): number | null {
  const reach = Math.hypot(knife.below, knife.ahead);
  const wanted = (knife.below - more) / reach;
  if (!(reach > 0) || Math.abs(wanted) > 1) return null;
  return Math.acos(wanted) - Math.atan2(knife.ahead, knife.below);
}

/** Width of a swath between two boards of length L, hinged y from the middle, set φ inward: 2·(y − L·sin φ). */
export function swathWidth(hinge: number, board: number, inward: number): number {
  return 2 * (hinge - board * Math.sin(inward));
}

/** The angle inward at which boards leave half a swath beside the middle; null where they do not reach. */
export function boardAngle(hinge: number, board: number, half: number): number | null {
  const sine = (hinge - half) / board;
  return board > 0 && Math.abs(sine) <= 1 ? Math.asin(sine) : null;
}

/** What a rake must reach to join k rows: (k − 1) row distances and one swath. */
export function joinedWidth(rows: number, apart: number, swath: number): number {
  return (rows - 1) * apart + swath;
}
