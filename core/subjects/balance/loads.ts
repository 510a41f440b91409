/**
 * Axle loads by moments about an axle: the formula most implement manuals print, in one general form. Masses in kg (loads
 * as the mass a scale would show), lengths in metres, x forward from the rear axle.
 */

export type Placed = {
  what: string;
  mass: number;
  /** forward of the rear axle */
  x: number;
};

export type AxleLoads = { front: number; rear: number; total: number };

/**
 * Loads on the two supports of a machine, at x = `axle` and x = `base`; `lever` is a moment in kg·m that takes weight off the first, such
 * as a pull above the ground.
 */
export function axleLoads(
  { axle, base = 0 }: { axle: number; base?: number },
  loads: readonly Placed[],
  lever = 0,
): AxleLoads {
  const total = loads.reduce((sum, { mass }) => sum + mass, 0);
  const moment = loads.reduce((sum, { mass, x }) => sum + mass * (x - base), 0) - lever;
  const front = moment / (axle - base);
  return { front, rear: total - front, total };
}

/** The least share of the unladen tractor's weight each axle keeps: front always, rear with a front implement. */
export const FRONT_SHARE = 0.2;
export const REAR_SHARE = 0.45;

export type ManualFormula = {
  /** unladen tractor, and its share on each axle */
  tractor: number;
  tractorFront: number;
  tractorRear: number;
  frontMass: number;
  rearMass: number;
  /** front c.g. to front axle, wheelbase, rear axle to balls, balls to rear c.g. */
  a: number;
  b: number;
  c: number;
  d: number;
};

/** Front ballast that keeps FRONT_SHARE on the front axle with the rear implement raised, kg, never below 0. */
export function minimumFront({ rearMass, tractorFront, tractor, a, b, c, d }: ManualFormula): number {
  return Math.max(0, (rearMass * (c + d) - tractorFront * b + FRONT_SHARE * tractor * b) / (a + b));
}

/** Rear ballast at the rear c.g. that keeps REAR_SHARE on the rear axle with a front implement, kg, never below 0. */
export function minimumRear({ frontMass, tractorRear, tractor, a, b, c, d }: ManualFormula): number {
  return Math.max(0, (frontMass * a - tractorRear * b + REAR_SHARE * tractor * b) / (b + c + d));
}
