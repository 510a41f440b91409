/** The shortest way from one place and heading to another for what only goes forwards and turns no tighter than a radius (Dubins 1957): two arcs and what lies between. */
import type { Leg } from "./legs.ts";

/** Heading in radians from x towards y, metres. */
export type Aim = { x: number; y: number; heading: number };

type Turn = 1 | -1;

const CIRCLE = 2 * Math.PI;
/** Less than this is no turn, radians: a heading that is so little short of where it shall be needs no full circle. */
const NO_TURN = 1e-9;

function turnsOf(angle: number): number {
  const turned = ((angle % CIRCLE) + CIRCLE) % CIRCLE;
  return turned > CIRCLE - NO_TURN ? 0 : turned;
}

/** The centre it turns about: right of it for a turn to the right. */
const centreOf = ({ x, y, heading }: Aim, turn: Turn, radius: number) => ({
  x: x - turn * radius * Math.sin(heading),
  y: y + turn * radius * Math.cos(heading),
});

const arc = (turn: Turn, angle: number, radius: number): Leg => ({
  curvature: turn / radius,
  length: turnsOf(turn * angle) * radius,
});
const straight = (length: number): Leg => ({ curvature: 0, length });

/** An arc, a straight, an arc; null where the circles lie too near for it. */
function bySide(from: Aim, to: Aim, first: Turn, last: Turn, radius: number): Leg[] | null {
  const [a, b] = [centreOf(from, first, radius), centreOf(to, last, radius)];
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const apart = Math.hypot(dx, dy);
  const between = Math.atan2(dy, dx);
  if (first === last) {
    return [
      arc(first, between - from.heading, radius),
      straight(apart),
      arc(last, to.heading - between, radius),
    ];
  }
  if (apart < 2 * radius) return null;
  const along = between + first * Math.asin((2 * radius) / apart);
  return [
    arc(first, along - from.heading, radius),
    straight(Math.sqrt(apart ** 2 - 4 * radius ** 2)),
    arc(last, to.heading - along, radius),
  ];
}

/** Three arcs, the middle one the other way; null where the circles lie too far apart. */
function byThree(from: Aim, to: Aim, turn: Turn, radius: number): Leg[] | null {
  const [a, b] = [centreOf(from, turn, radius), centreOf(to, turn, radius)];
  const apart = Math.hypot(b.x - a.x, b.y - a.y);
  if (apart >= 4 * radius) return null;
  const between = Math.atan2(b.y - a.y, b.x - a.x);
  // The middle circle touches both: headings where they touch lie at right angles to the lines between the middles.
  const aside = Math.acos(apart / (4 * radius));
  return [1, -1]
    .map((hand): Leg[] => {
      const [out, home] = [between - hand * turn * aside, between + hand * turn * aside];
      const right = (turn * Math.PI) / 2;
      return [
        arc(turn, out + right - from.heading, radius),
        arc(-turn as Turn, home + Math.PI + right - (out + right), radius),
        arc(turn, to.heading - (home + Math.PI + right), radius),
      ];
    })
    .reduce((best, each) => (wayOf(each) < wayOf(best) ? each : best));
}

/** Metres of all legs. */
export const wayOf = (legs: readonly Leg[]): number =>
  legs.reduce((sum, { length }) => sum + Math.abs(length), 0);

/** Nearer than this it is there, metres and radians: whether the last digit asks for a full circle or for none is chance. */
const THERE = { place: 1e-6, heading: 1e-7 };

const stands = (from: Aim, to: Aim): boolean =>
  Math.hypot(to.x - from.x, to.y - from.y) < THERE.place &&
  Math.abs(Math.sin((to.heading - from.heading) / 2)) < THERE.heading / 2;

/** The shortest of them all; none where it stands as it shall. @throws RangeError without a radius */
export function shortestWay(from: Aim, to: Aim, radius: number): Leg[] {
  if (!(radius > 0)) throw new RangeError("a way needs a radius");
  if (stands(from, to)) return [];
  const ways = ([1, -1] as const).flatMap((first) => [
    ...([1, -1] as const).map((last) => bySide(from, to, first, last, radius)),
    byThree(from, to, first, radius),
  ]);
  return ways
    .filter((each): each is Leg[] => each !== null)
    .reduce((best, each) => (wayOf(each) < wayOf(best) - 1e-9 ? each : best))
    .filter(({ length }) => length > 1e-9);
}
