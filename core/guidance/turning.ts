/** How far one drives to turn from one pass into the next, without going back. Metres. */

/**
 * Shortest way round between two passes so far apart, entering as one left but the other way, with the steering at its least radius: half a circle and a straight
 * where they are two radii apart or more, else a bulb of three arcs. With w apart, r: πr + (w − 2r), or r(π + 4·acos((1 + w/2r)/2)).
 */
export function turnLength(apart: number, radius: number): number {
  if (apart >= 2 * radius) return Math.PI * radius + apart - 2 * radius;
  return radius * (Math.PI + 4 * Math.acos((1 + apart / (2 * radius)) / 2));
}

/**
 * How deep such a turn reaches into the headland from the end of the pass, to the middle of the machine: a radius, or for a bulb the far side of its middle arc.
 * The bulb's outer arcs stand a radius outside either pass; its middle one lies between, as far on as 2r·sin of the angle they turn.
 */
export function turnDepth(apart: number, radius: number): number {
  if (apart >= 2 * radius) return radius;
  const angle = Math.acos((1 + apart / (2 * radius)) / 2);
  return radius * (1 + 2 * Math.sin(angle));
}

/** How many passes are left out so that the turn into the one after them is half a circle; 0 where the next will do. */
export function passesOut(apart: number, radius: number): number {
  return Math.max(0, Math.ceil((2 * radius) / apart - 1e-9) - 1);
}
