/**
 * How a machine and what it draws move over level ground, no wheel slipping. Plane seen from above, metres: x ahead at the start, y to its right,
 * headings in radians from x towards y, so that a turn to the right is positive. Fixed-step Runge-Kutta of order four over the way driven.
 */

/** Something on wheels that is drawn. Its heading is its own; where it is follows from what draws it. */
export type Drawn = {
  /** which body draws it: 0 is the machine, 1 the first that is drawn */
  behind: number;
  /** from that body's wheels back to the pin, metres; negative where the pin lies ahead of them */
  hitch: number;
  /** from the pin back to its own wheels, metres, more than 0 */
  pivot: number;
};

/** How a body strays from rolling where it points: its wheels go so far beside its heading, radians, to the right positive. */
export type Strays = {
  /** the machine's own: what it drifts by on a side slope, or is steered to go askew by */
  machine: number;
  /** of each that is drawn: what it drifts by */
  drawn: readonly number[];
  /** of each that is drawn: how far its wheels are steered for each radian its drawbar is bent, against the bend positive */
  steered: readonly number[];
};

/** Where everything is: the machine's wheels (what it turns about) and the heading of every body, the machine first. */
export type Pose = { x: number; y: number; headings: readonly number[] };

export type Spot = { x: number; y: number };

/** Everything straight in line, the machine at a place, headed along x. */
export function straight(train: readonly Drawn[], at: Spot): Pose {
  return { ...at, headings: [0, ...train.map(() => 0)] };
}

/** How headings change for each metre the machine goes forward along its heading, with its path bent so much (1/m, to the right positive). */
export function turning(
  train: readonly Drawn[],
  headings: readonly number[],
  curvature: number,
  strays: Strays | null = null,
): number[] {
  // How fast each body's wheels go along its heading and to its right, for a machine at one metre a second.
  const speeds = [1];
  const asides = [strays ? Math.tan(strays.machine) : 0];
  const rates = [curvature];
  for (let index = 0; index < train.length; index += 1) {
    const { behind, hitch, pivot } = train[index]!;
    const bent = headings[behind]! - headings[index + 1]!;
    const speed = speeds[behind]!;
    const aside = asides[behind]! - hitch * rates[behind]!;
    const along = speed * Math.cos(bent) - aside * Math.sin(bent);
    const across = speed * Math.sin(bent) + aside * Math.cos(bent);
    const wheels = strays ? along * Math.tan(strays.drawn[index]! - strays.steered[index]! * bent) : 0;
    rates.push((across - wheels) / pivot);
    speeds.push(along);
    asides.push(wheels);
  }
  return rates;
}

/** Headings after so many metres at these rates. */
const turned = (headings: readonly number[], rates: readonly number[], way: number): number[] =>
  headings.map((heading, at) => heading + way * rates[at]!);

/** What the four slopes of a step come to. */
const mean = (a: number, b: number, c: number, d: number): number => (a + 2 * b + 2 * c + d) / 6;

/** One step of so many metres, negative where it backs. */
export function step(
  train: readonly Drawn[],
  { x, y, headings }: Pose,
  curvature: number,
  way: number,
): Pose {
  const a = turning(train, headings, curvature);
  const second = turned(headings, a, way / 2);
  const b = turning(train, second, curvature);
  const third = turned(headings, b, way / 2);
  const c = turning(train, third, curvature);
  const last = turned(headings, c, way);
  const d = turning(train, last, curvature);
  const along = (of: (heading: number) => number) =>
    mean(of(headings[0]!), of(second[0]!), of(third[0]!), of(last[0]!));
  return {
    x: x + way * along(Math.cos),
    y: y + way * along(Math.sin),
    headings: headings.map((heading, at) => heading + way * mean(a[at]!, b[at]!, c[at]!, d[at]!)),
  };
}

/** The wheels of every body, the machine first. */
export function wheelsOf(train: readonly Drawn[], { x, y, headings }: Pose): Spot[] {
  const wheels: Spot[] = [{ x, y }];
  for (let index = 0; index < train.length; index += 1) {
    const { behind, hitch, pivot } = train[index]!;
    const ahead = headings[behind]!;
    const own = headings[index + 1]!;
    const from = wheels[behind]!;
    wheels.push({
      x: from.x - hitch * Math.cos(ahead) - pivot * Math.cos(own),
      y: from.y - hitch * Math.sin(ahead) - pivot * Math.sin(own),
    });
  }
  return wheels;
}

/** A point of a body, so far ahead of its wheels and so far to their right, on the plane. */
export function placed(wheels: Spot, heading: number, { x, y }: Spot): Spot {
  const [cos, sin] = [Math.cos(heading), Math.sin(heading)];
  return { x: wheels.x + x * cos - y * sin, y: wheels.y + x * sin + y * cos };
}

/** How far one body's drawbar stands out of line with what draws it, radians: positive where what draws it has turned right. */
export function bend(train: readonly Drawn[], { headings }: Pose, index: number): number {
  return headings[train[index]!.behind]! - headings[index + 1]!;
}

/**
 * How far out of line a drawbar stands on a steady circle of a radius, radians: asin(Lt/√(R² + Lh²)) + atan(Lh/R). NaN where the circle is too
 * tight for it: there the tool folds up against what draws it.
 */
export function steadyBend(radius: number, { hitch, pivot }: Pick<Drawn, "hitch" | "pivot">): number {
  return Math.asin(pivot / Math.hypot(radius, hitch)) + Math.atan(hitch / radius);
}
