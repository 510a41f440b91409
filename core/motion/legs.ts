/** Ways round at the end of a pass, as arcs and straights. Metres, radians; a turn to the right is positive. */

/** A piece of way driven with the steering held. Its length is negative where it is backed. */
export type Leg = { curvature: number; length: number };

const arc = (angle: number, radius: number): Leg => ({
  curvature: Math.sign(angle) / radius,
  length: Math.abs(angle) * radius,
});

/** Forwards into a pass so far to the right: half a circle with a straight in it, or where passes lie closer than two radii a bulb of three arcs. */
export function roundLegs(apart: number, radius: number): Leg[] {
  if (apart >= 2 * radius)
    return [arc(Math.PI / 2, radius), { curvature: 0, length: apart - 2 * radius }, arc(Math.PI / 2, radius)];
  const out = Math.acos((1 + apart / (2 * radius)) / 2);
  return [arc(-out, radius), arc(Math.PI + 2 * out, radius), arc(-out, radius)];
}

/** A quarter, back across, a quarter: for what is carried. Where passes lie two radii apart or more nothing is to be backed. */
export function backedLegs(apart: number, radius: number): Leg[] {
  return [arc(Math.PI / 2, radius), { curvature: 0, length: apart - 2 * radius }, arc(Math.PI / 2, radius)];
}

/** The other way round. */
export function mirrored(legs: readonly Leg[]): Leg[] {
  return legs.map(({ curvature, length }) => ({ curvature: -curvature, length }));
}
