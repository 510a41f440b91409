/** The way a machine is to drive over a field: round by round, pass by pass, by the shortest turns from one to the next. Metres, x north, y east. */

import { offsetRings } from "../geodesy/offset.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import type { Plan } from "../guidance/plan.ts";
import { folded } from "../motion/angle.ts";
import { type Aim, shortestWay } from "../motion/dubins.ts";
import { signedArea } from "../place/ring.ts";
import { drawbars, type WorldRig, workAlong } from "./rig.ts";

export const STRETCHES = ["turn", "round", "pass"] as const;
export type Stretch = (typeof STRETCHES)[number];

/** A way as points half a metre apart, with what each belongs to; passes and rounds are numbered from 1. */
export type Route = {
  x: Float64Array;
  y: Float64Array;
  heading: Float64Array;
  /** 1/m, to the right positive */
  curvature: Float64Array;
  /** index into STRETCHES */
  stretch: Uint8Array;
  number: Uint16Array;
};

/** A piece that is worked: corners of the machine's way, and which it is. */
type Worked = { stretch: "round" | "pass"; number: number; way: readonly Aim[] };

const EVERY = 0.5;
/** Straight before the work begins: so many drawbars, and so many metres for the steering (ours). */
const IN_LINE = 2.2;
const SETTLES = 9;
/** Work may be ordered so many metres before it begins, however late it answers (ours). */
const ORDERED = 6;
/** Corners of rounds are driven a little wider than the machine turns at its tightest. */
const EASY = 1.15;

const headingTo = (a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.atan2(b.y - a.y, b.x - a.x);

/** Aims half a metre apart from one to the other. */
function straightWay(from: { x: number; y: number }, to: { x: number; y: number }): Aim[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const steps = Math.max(1, Math.round(length / EVERY));
  const heading = headingTo(from, to);
  return Array.from({ length: steps + 1 }, (_, at) => ({
    x: from.x + ((to.x - from.x) * at) / steps,
    y: from.y + ((to.y - from.y) * at) / steps,
    heading,
  }));
}

/** A ring's corners rounded so that a radius fits: out of them inwards and back, then outwards and back. */
function rounded(ring: readonly OnPlane[], radius: number): OnPlane[] {
  const largest = (rings: OnPlane[][]) =>
    rings.reduce<OnPlane[]>((most, each) => (each.length > 0 && size(each) > size(most) ? each : most), []);
  const opened = largest(offsetRings(offsetRings([ring], -radius), radius));
  const closed = largest(offsetRings(offsetRings([opened], radius), -radius));
  return closed.length > 2 ? closed : [...ring];
}

const size = (ring: readonly OnPlane[]) => Math.abs(signedArea(ring));

/** A closed way as aims half a metre apart, once round, clockwise. */
function roundWay(ring: readonly OnPlane[], radius: number): Aim[] {
  const corners = rounded(ring, radius).map(({ east, north }) => ({ x: north, y: east }));
  const closed = [...corners, corners[0]!].reverse();
  const reach: number[] = [0];
  for (let at = 1; at < closed.length; at += 1)
    reach.push(
      reach[at - 1]! + Math.hypot(closed[at]!.x - closed[at - 1]!.x, closed[at]!.y - closed[at - 1]!.y),
    );
  const all = reach.at(-1)!;
  const steps = Math.max(4, Math.round(all / EVERY));
  let edge = 1;
  const spots = Array.from({ length: steps + 1 }, (_, at) => {
    const along = (all * at) / steps;
    while (edge < closed.length - 1 && reach[edge]! < along) edge += 1;
    const [a, b] = [closed[edge - 1]!, closed[edge]!];
    const share =
      reach[edge] === reach[edge - 1] ? 0 : (along - reach[edge - 1]!) / (reach[edge]! - reach[edge - 1]!);
    return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
  });
  return spots.map((spot, at) => {
    const [before, after] = [spots[Math.max(0, at - 1)]!, spots[Math.min(steps, at + 1)]!];
    return { ...spot, heading: headingTo(before, after) };
  });
}

/** The machine's own way where the middle of the work shall go by this one: so far to the left as the work lies to the right. */
const aside = (way: readonly Aim[], right: number): Aim[] =>
  way.map(({ x, y, heading }) => ({
    x: x + right * Math.sin(heading),
    y: y - right * Math.cos(heading),
    heading,
  }));

const ahead = ({ x, y, heading }: Aim, by: number): Aim => ({
  x: x + by * Math.cos(heading),
  y: y + by * Math.sin(heading),
  heading,
});

/** Pieces of passes in the order they are driven: up one, down the next, a piece after the other. */
function passesOf({ runs }: Plan): { number: number; from: OnPlane; to: OnPlane }[] {
  const passes = new Map<number, typeof runs>();
  for (const run of runs) passes.set(run.pass, [...(passes.get(run.pass) ?? []), run]);
  return [...passes]
    .sort(([a], [b]) => a - b)
    .flatMap(([pass, pieces], at) => {
      const forth = pieces.map(({ from, to }) => ({ number: pass, from, to }));
      return at % 2 === 0
        ? forth
        : forth.reverse().map(({ number, from, to }) => ({ number, from: to, to: from }));
    });
}

/** How far the machine's way runs on beyond a piece that is worked: so that the work begins and ends within it; `early`: it may begin so far before. */
function runsOf(rig: WorldRig): { before: number; early: number; after: number } {
  const along = workAlong(rig);
  return {
    before: IN_LINE * drawbars(rig) + SETTLES + Math.max(0, along),
    early: Math.max(0, along) + ORDERED,
    after: Math.max(1, 1 - along),
  };
}

/** The way over a field as a plan lays it, for a rig as it is believed. Straight passes alone. */
export function routeOf(plan: Plan, rig: WorldRig): Route {
  const right = rig.work.right;
  const rounds = plan.headland.map(
    ({ path }, at): Worked => ({
      stretch: "round",
      number: at + 1,
      way: aside(roundWay(path, EASY * rig.radius), right),
    }),
  );
  const passes = passesOf(plan).map(
    ({ number, from, to }): Worked => ({
      stretch: "pass",
      number,
      way: aside(straightWay({ x: from.north, y: from.east }, { x: to.north, y: to.east }), right),
    }),
  );
  return joinedUp([...rounds, ...passes], rig);
}

function joinedUp(pieces: readonly Worked[], rig: WorldRig): Route {
  const { before, early, after } = runsOf(rig);
  const parts: { way: readonly Aim[]; stretch: Stretch; number: number }[] = [];
  let end: Aim | null = null;
  for (const { way, stretch, number } of pieces) {
    const [first, last] = [way[0]!, way.at(-1)!];
    const begins = ahead(first, -before);
    if (end) parts.push({ way: turned(end, begins, EASY * rig.radius), stretch: "turn", number });
    const down = ahead(first, -early);
    parts.push({ way: straightWay(begins, down), stretch: "turn", number });
    parts.push({ way: straightWay(down, first), stretch, number });
    parts.push({ way, stretch, number });
    end = ahead(last, after);
    parts.push({ way: straightWay(last, end), stretch, number });
  }
  return routeFrom(parts);
}

function turned(from: Aim, to: Aim, radius: number): Aim[] {
  let at = from;
  const way: Aim[] = [from];
  for (const { curvature, length } of shortestWay(from, to, radius)) {
    const steps = Math.max(1, Math.round(length / EVERY));
    const begun = at;
    for (let step = 1; step <= steps; step += 1) {
      at = along(begun, curvature, (length * step) / steps);
      way.push(at);
    }
  }
  return way;
}

function along(from: Aim, curvature: number, length: number): Aim {
  if (curvature === 0) return ahead(from, length);
  const heading = from.heading + curvature * length;
  return {
    x: from.x + (Math.sin(heading) - Math.sin(from.heading)) / curvature,
    y: from.y - (Math.cos(heading) - Math.cos(from.heading)) / curvature,
    heading,
  };
}

function routeFrom(parts: readonly { way: readonly Aim[]; stretch: Stretch; number: number }[]): Route {
  const points = parts.flatMap(({ way, stretch, number }, part) =>
    (part === 0 ? way : way.slice(1)).map((aim) => ({ ...aim, stretch: STRETCHES.indexOf(stretch), number })),
  );
  const numbers = (of: (each: (typeof points)[number]) => number) => Float64Array.from(points, of);
  const route: Route = {
    x: numbers(({ x }) => x),
    y: numbers(({ y }) => y),
    heading: numbers(({ heading }) => heading),
    curvature: new Float64Array(points.length),
    stretch: Uint8Array.from(points, ({ stretch }) => stretch),
    number: Uint16Array.from(points, ({ number }) => number),
  };
  // Over a metre and a half each way, so that the corners of a polyline are no arcs of their own.
  for (let at = 0; at < points.length; at += 1) {
    const [a, b] = [Math.max(0, at - 3), Math.min(points.length - 1, at + 3)];
    let length = 0;
    for (let step = a; step < b; step += 1)
      length += Math.hypot(route.x[step + 1]! - route.x[step]!, route.y[step + 1]! - route.y[step]!);
    route.curvature[at] = length > 0 ? folded(route.heading[b]! - route.heading[a]!) / length : 0;
  }
  return route;
}

/** Metres of the whole way. */
export function routeLength({ x, y }: Route): number {
  let sum = 0;
  for (let at = 1; at < x.length; at += 1) sum += Math.hypot(x[at]! - x[at - 1]!, y[at]! - y[at - 1]!);
  return sum;
}
