/**
 * How each kind of machine turns, by what the driver or the steering valve moves. Seen from above, metres, radians, to the right positive: what is
 * bent is the angle of the wheels that steer, of the joint, or for tracks the curvature itself (1/m).
 */
import { type Drawn, type Strays, turning } from "./train.ts";

export type Steering =
  /** the point it turns about is its other axle, so far behind the one that steers */
  | { kind: "front wheels"; wheelbase: number }
  /** the axle that drives leads, the one that steers follows so far behind */
  | { kind: "rear wheels"; wheelbase: number }
  /** both axles by as much, one against the other: it turns about the middle between them */
  | { kind: "all wheels"; wheelbase: number }
  /** from the joint to the front axle, and to the rear axle, about which it turns */
  | { kind: "articulated"; front: number; rear: number }
  | { kind: "tracks" };

/** How fast a machine at a speed turns, radians a second, with its steering bent so far and bending on at such a rate (a second). */
export function yawRate(steering: Steering, speed: number, bent: number, bending: number): number {
  switch (steering.kind) {
    case "front wheels":
      return (speed * Math.tan(bent)) / steering.wheelbase;
    case "rear wheels":
      return (-speed * Math.tan(bent)) / steering.wheelbase;
    case "all wheels":
      return (2 * speed * Math.tan(bent)) / steering.wheelbase;
    case "articulated":
      // The front axle rolls where it points; so does the rear one.
      return (
        (speed * Math.sin(bent) - steering.front * bending) /
        (steering.front + steering.rear * Math.cos(bent))
      );
    case "tracks":
      return speed * bent;
  }
}

/** What has to be bent, held still, for a path of this curvature. */
export function bentFor(steering: Steering, curvature: number): number {
  switch (steering.kind) {
    case "front wheels":
      return Math.atan(curvature * steering.wheelbase);
    case "rear wheels":
      return -Math.atan(curvature * steering.wheelbase);
    case "all wheels":
      return Math.atan((curvature * steering.wheelbase) / 2);
    case "articulated": {
      // sin γ = κ (Lf + Lr cos γ): a sine and a cosine of one angle, put together.
      const { front, rear } = steering;
      const reach = Math.hypot(1, curvature * rear);
      return Math.asin((curvature * front) / reach) + Math.atan(curvature * rear);
    }
    case "tracks":
      return curvature;
  }
}

/** A machine with all it draws. */
export type Moving = { steering: Steering; train: readonly Drawn[]; strays: Strays | null };

/** Where it is: what it turns about, every heading, the machine first, and how far its steering is bent. */
export type Motion = { x: number; y: number; headings: readonly number[]; bent: number };

type Slope = { x: number; y: number; headings: number[]; bent: number };

function slopeOf({ steering, train, strays }: Moving, at: Motion, speed: number, bending: number): Slope {
  const yaw = yawRate(steering, speed, at.bent, bending);
  const [cos, sin] = [Math.cos(at.headings[0]!), Math.sin(at.headings[0]!)];
  const aside = strays ? Math.tan(strays.machine) : 0;
  // Standing still a joint that bends still turns the frame: rates are taken for a second, not for a metre.
  const rates =
    speed === 0
      ? [yaw, ...train.map(() => 0)]
      : turning(train, at.headings, yaw / speed, strays).map((rate) => rate * speed);
  return { x: speed * (cos - aside * sin), y: speed * (sin + aside * cos), headings: rates, bent: bending };
}

function after(from: Motion, { x, y, headings, bent }: Slope, by: number): Motion {
  return {
    x: from.x + by * x,
    y: from.y + by * y,
    headings: from.headings.map((heading, at) => heading + by * headings[at]!),
    bent: from.bent + by * bent,
  };
}

/** So many seconds on, at a speed, its steering bending at an even rate: one step of Runge-Kutta of order four. */
export function moved(moving: Moving, from: Motion, speed: number, bending: number, seconds: number): Motion {
  const a = slopeOf(moving, from, speed, bending);
  const b = slopeOf(moving, after(from, a, seconds / 2), speed, bending);
  const c = slopeOf(moving, after(from, b, seconds / 2), speed, bending);
  const d = slopeOf(moving, after(from, c, seconds), speed, bending);
  const mean = (p: number, q: number, r: number, s: number) => (p + 2 * q + 2 * r + s) / 6;
  return after(
    from,
    {
      x: mean(a.x, b.x, c.x, d.x),
      y: mean(a.y, b.y, c.y, d.y),
      headings: a.headings.map((rate, at) => mean(rate, b.headings[at]!, c.headings[at]!, d.headings[at]!)),
      bent: bending,
    },
    seconds,
  );
}

/** Offset of a drawn tool that drifts by a slip angle on a side slope, pulled straight: Lt·sin β to the side it drifts to. */
export const driftOffset = (pivot: number, slip: number): number => pivot * Math.sin(slip);
