/** The passes of a track, and each as it is to be corrected: metres on a plane, radians clockwise of north. */
import type { Fixed } from "../geodesy/fixed.ts";
import type { OnPlane } from "../geodesy/plane.ts";

export type TrackPass = {
  /** in the order it was driven, thinned */
  points: OnPlane[];
  heading: number;
  length: number;
};

/** Turned further than this from where a pass began, it is another (ours): a curve of a pass bends slowly, a turn does not. */
const TURNED = (25 * Math.PI) / 180;
/** Bent by so much over ten metres it is a turn, radians (ours): a circle of under 30 m. */
const TURNS = 1 / 3;
/** What is shorter is none, metres. */
const SHORTEST = 25;
/** So far apart positions are looked at: nearer, a receiver's own wander turns them. */
const APART = 3;
/** A gap in time ends a pass, seconds. */
const GAP = 10;

const headingOf = (a: OnPlane, b: OnPlane) => Math.atan2(b.east - a.east, b.north - a.north);
const between = (a: OnPlane, b: OnPlane) => Math.hypot(b.east - a.east, b.north - a.north);

/** The short way from one heading to another. */
const turned = (from: number, to: number) => {
  const by = (to - from) % (2 * Math.PI);
  return by > Math.PI ? by - 2 * Math.PI : by < -Math.PI ? by + 2 * Math.PI : by;
};

/** Positions no nearer than `APART`, each with when it was. */
function spaced(points: readonly Fixed[]): Fixed[] {
  const way: Fixed[] = [];
  for (const point of points) if (way.length === 0 || between(way.at(-1)!, point) >= APART) way.push(point);
  return way;
}

/** Straight and slowly bent stretches between the turns, in the order they were driven. */
export function passesOfTrack(points: readonly Fixed[]): TrackPass[] {
  const way = spaced(points);
  const passes: TrackPass[] = [];
  let run: Fixed[] = [];
  const end = () => {
    const length = run.slice(1).reduce((sum, to, at) => sum + between(run[at]!, to), 0);
    if (length >= SHORTEST)
      passes.push({
        points: run.map(({ east, north }) => ({ east, north })),
        heading: headingOf(run[0]!, run.at(-1)!),
        length,
      });
    run = [];
  };
  for (const point of way) {
    const last = run.at(-1);
    if (last && point.time - last.time > GAP) end();
    if (run.length >= 2) {
      const before = headingOf(run.at(-2)!, run.at(-1)!);
      const bend = Math.abs(turned(before, headingOf(run.at(-1)!, point))) / between(run.at(-1)!, point);
      const from = headingOf(run[0]!, run[1]!);
      if (bend > TURNS / 10 || Math.abs(turned(from, headingOf(run.at(-1)!, point))) > TURNED) end();
    }
    run.push(point);
  }
  end();
  return passes;
}

/** A pass moved to the right and ahead, each of its points in its own way of travel: from the antenna to the work, or from where it was recorded to where it lay. */
export function corrected(
  { points }: Pick<TrackPass, "points">,
  { right, ahead }: { right: number; ahead: number },
): OnPlane[] {
  return points.map((point, at) => {
    const heading = headingOf(points[Math.max(0, at - 1)]!, points[Math.min(points.length - 1, at + 1)]!);
    const [sin, cos] = [Math.sin(heading), Math.cos(heading)];
    return {
      east: point.east + ahead * sin + right * cos,
      north: point.north + ahead * cos - right * sin,
    };
  });
}
