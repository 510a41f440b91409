/**
 * The three-point linkage in side view: plane statics and four-bar kinematics (textbook).
 *
 * Coordinates of its own, metres: x away from the tractor (rearward from the rear axle for a rear hitch, forward from the front
 * axle for a front hitch), z up from level ground. Angles in radians, pitch positive nose up: the implement's mast leans away
 * from the tractor. `sideOf` turns a point into the machine frame; nothing else does.
 */

export type At = { x: number; z: number };

export type Linkage = {
  /** pivot of the lower links on the tractor */
  lowerPivot: At;
  /** pivot of the top link on the tractor */
  upperPivot: At;
  /** lower link, pivot to ball */
  lowerLink: number;
  topLink: number;
  /** pivot spacing at the tractor, and the span at the implement: the links splay in plan */
  pivotSpacing: number;
  span: number;
  /** lower pins up to the upper pin, and how far it stands back from them */
  mast: number;
  setback: number;
};

/** Half the difference of both spans: how far each link's end lies to the side of its pivot. */
function splay({ span, pivotSpacing }: Pick<Linkage, "span" | "pivotSpacing">): number {
  return (span - pivotSpacing) / 2;
}

/** The lower link as seen from the side, shorter by its splay; null where the splay is wider than the link is long. */
export function sideLength(linkage: Linkage): number | null {
  const square = linkage.lowerLink ** 2 - splay(linkage) ** 2;
  return square > 0 ? Math.sqrt(square) : null;
}

export type Pose = {
  /** lower link, from level; positive where the ball is above its pivot */
  angle: number;
  /** lower balls */
  ball: At;
  /** upper pin on the implement */
  upper: At;
  /** nose up positive */
  pitch: number;
  /** top link from level; positive where its implement end is the higher */
  topAngle: number;
  /** where both links' lines cross; null where they are parallel */
  virtual: At | null;
};

export type Posed =
  | { ok: true; pose: Pose }
  /** the triangle does not close: the top link is this much too short or too long, metres */
  | { ok: false; reason: "too short" | "too long"; by: number }
  /** the lower links cannot reach the span, or the ball height */
  | { ok: false; reason: "lower links"; by: number };

/** The linkage with its lower links at an angle. */
export function poseAt(linkage: Linkage, angle: number): Posed {
  const side = sideLength(linkage);
  if (side === null)
    return { ok: false, reason: "lower links", by: Math.abs(splay(linkage)) - linkage.lowerLink };
  const { lowerPivot, upperPivot, topLink, mast, setback } = linkage;
  const ball = { x: lowerPivot.x + side * Math.cos(angle), z: lowerPivot.z + side * Math.sin(angle) };
  const arm = Math.hypot(mast, setback);
  const apart = Math.hypot(upperPivot.x - ball.x, upperPivot.z - ball.z);
  if (topLink > apart + arm) return { ok: false, reason: "too long", by: topLink - apart - arm };
  if (topLink < Math.abs(apart - arm))
    return { ok: false, reason: "too short", by: Math.abs(apart - arm) - topLink };
  const upper = upperIntersection(ball, arm, upperPivot, topLink, apart);
  return {
    ok: true,
    pose: {
      angle,
      ball,
      upper,
      pitch: Math.atan2(upper.x - ball.x, upper.z - ball.z) - Math.atan2(setback, mast),
      topAngle: Math.atan2(upper.z - upperPivot.z, upper.x - upperPivot.x),
      virtual: crossing(lowerPivot, ball, upperPivot, upper),
    },
  };
}

/** Of the two points at both distances the one above the line from the tractor's pivot to the ball. */
function upperIntersection(ball: At, arm: number, pivot: At, link: number, apart: number): At {
  const along = (arm ** 2 - link ** 2 + apart ** 2) / (2 * apart);
  const off = Math.sqrt(Math.max(0, arm ** 2 - along ** 2));
  const [ux, uz] = [(pivot.x - ball.x) / apart, (pivot.z - ball.z) / apart];
  const foot = { x: ball.x + along * ux, z: ball.z + along * uz };
  const sides = [
    { x: foot.x - off * uz, z: foot.z + off * ux },
    { x: foot.x + off * uz, z: foot.z - off * ux },
  ] as const;
  return sides[0].z >= sides[1].z ? sides[0] : sides[1];
}

/** Links this near to parallel, as the sine of the angle between them, cross nowhere that matters. */
const PARALLEL = 1e-6;

function crossing(a: At, b: At, c: At, d: At): At | null {
  const [rx, rz, sx, sz] = [b.x - a.x, b.z - a.z, d.x - c.x, d.z - c.z];
  const cross = rx * sz - rz * sx;
  if (Math.abs(cross) < PARALLEL * Math.hypot(rx, rz) * Math.hypot(sx, sz)) return null;
  const t = ((c.x - a.x) * sz - (c.z - a.z) * sx) / cross;
  return { x: a.x + t * rx, z: a.z + t * rz };
}

/** The angle at which the balls stand at a height above ground; null where the links do not reach it. */
export function angleAt(linkage: Linkage, height: number): number | null {
  const side = sideLength(linkage);
  const rise = height - linkage.lowerPivot.z;
  return side === null || Math.abs(rise) > side ? null : Math.asin(rise / side);
}

/** The linkage with its balls at a height above ground, metres. */
export function poseAtHeight(linkage: Linkage, height: number): Posed {
  const angle = angleAt(linkage, height);
  if (angle !== null) return poseAt(linkage, angle);
  const side = sideLength(linkage) ?? 0;
  return { ok: false, reason: "lower links", by: Math.abs(height - linkage.lowerPivot.z) - side };
}

/** Poses from the lowest ball height to the highest, evenly spread over the angle; those that do not close are left out. */
export function stroke(linkage: Linkage, low: number, high: number, steps = 24): Pose[] {
  const [from, to] = [angleAt(linkage, low), angleAt(linkage, high)];
  if (from === null || to === null) return [];
  return Array.from({ length: steps + 1 }, (_, step) =>
    poseAt(linkage, from + ((to - from) * step) / steps),
  ).flatMap((posed) => (posed.ok ? [posed.pose] : []));
}

/**
 * The top link that gives a wanted pitch with the balls at a height: the distance of the pivot from where the upper pin
 * then stands. Null where the links do not reach the height.
 */
export function topLinkFor(linkage: Linkage, height: number, pitch: number): number | null {
  const angle = angleAt(linkage, height);
  const side = sideLength(linkage);
  if (angle === null || side === null) return null;
  const lean = pitch + Math.atan2(linkage.setback, linkage.mast);
  const arm = Math.hypot(linkage.mast, linkage.setback);
  const x = linkage.lowerPivot.x + side * Math.cos(angle) + arm * Math.sin(lean);
  const z = linkage.lowerPivot.z + side * Math.sin(angle) + arm * Math.cos(lean);
  return Math.hypot(x - linkage.upperPivot.x, z - linkage.upperPivot.z);
}

/** How much the pitch turns for each metre of top link, radians per metre: one over the distance of the ball from its line. */
export function pitchPerMetre({ ball, upper }: Pose, { upperPivot }: Linkage): number {
  const [dx, dz] = [upper.x - upperPivot.x, upper.z - upperPivot.z];
  const distance = ((upperPivot.x - ball.x) * dz - (upperPivot.z - ball.z) * dx) / Math.hypot(dx, dz);
  return 1 / Math.abs(distance);
}

export type Thread = {
  /** metres a turn of the body moves one end */
  pitch: number;
  /** left- and right-hand threads at both ends: each turn counts twice */
  opposite: boolean;
};

export type Turns = { turns: number; direction: "longer" | "shorter" | null };

/** Turns of the top link's body that change its length by `change` metres. */
export function turnsFor(change: number, { pitch, opposite }: Thread): Turns {
  const turns = Math.abs(change) / (pitch * (opposite ? 2 : 1));
  return { turns, direction: Math.abs(change) < 0.0005 ? null : change > 0 ? "longer" : "shorter" };
}

/** A point of the implement, given by its distances back from and up above the lower pins while level, in a pose. */
export function carried({ ball, pitch }: Pose, point: { back: number; up: number }): At {
  return {
    x: ball.x + point.back * Math.cos(pitch) + point.up * Math.sin(pitch),
    z: ball.z - point.back * Math.sin(pitch) + point.up * Math.cos(pitch),
  };
}

/**
 * The load the lift holds at a point, as a share of what it holds at the balls, by virtual work: the lift raises the balls by
 * dz while the point rises by another dz. Where the point rises faster than the balls, less is held there.
 */
export function liftShare(
  linkage: Linkage,
  angle: number,
  point: { back: number; up: number },
): number | null {
  const step = 1e-4;
  const [below, above] = [poseAt(linkage, angle - step), poseAt(linkage, angle + step)];
  if (!below.ok || !above.ok) return null;
  const rise = carried(above.pose, point).z - carried(below.pose, point).z;
  return rise <= 0 ? null : (above.pose.ball.z - below.pose.ball.z) / rise;
}
