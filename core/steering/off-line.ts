/** How far beside its pass an antenna ran, by a receiver's log. Metres to the right of travel, seconds. */
import type { Fixed } from "../geodesy/fixed.ts";
import { type Geographic, type OnPlane, toPlane } from "../geodesy/plane.ts";
import type { LineShape } from "../place/line.ts";

export type Off = { time: number; off: number };

/** Slower than this it does not steer, m/s (common practice, no source). */
const ROLLING = 0.2;

/** Signed distance from a line, to the right of its way from A to B positive (outward of a circle), and its heading there. */
type FromLine = (at: OnPlane) => { across: number; heading: number };

function straight(a: OnPlane, heading: number): FromLine {
  const [sin, cos] = [Math.sin(heading), Math.cos(heading)];
  return (at) => ({ across: (at.east - a.east) * cos - (at.north - a.north) * sin, heading });
}

const headingOf = (a: OnPlane, b: OnPlane) => Math.atan2(b.east - a.east, b.north - a.north);

/** From the nearest piece of a curve; beyond its ends, from the first and the last piece drawn on. */
function bent(points: readonly OnPlane[]): FromLine {
  const pieces = points.slice(1).map((to, at) => {
    const from = points[at]!;
    const heading = headingOf(from, to);
    return {
      from,
      heading,
      length: Math.hypot(to.east - from.east, to.north - from.north),
      off: straight(from, heading),
    };
  });
  return (at) => {
    const near = pieces.map(({ from, heading, length, off }, index) => {
      const along = (at.east - from.east) * Math.sin(heading) + (at.north - from.north) * Math.cos(heading);
      const low = index === 0 ? Number.NEGATIVE_INFINITY : 0;
      const high = index === pieces.length - 1 ? Number.POSITIVE_INFINITY : length;
      const beyond = along < low ? low - along : along > high ? along - high : 0;
      return { ...off(at), far: Math.hypot(off(at).across, beyond) };
    });
    return near.reduce((best, each) => (each.far < best.far ? each : best));
  };
}

function fromLine(line: LineShape, origin: Geographic): FromLine {
  const plane = (place: Geographic) => toPlane(origin, place);
  switch (line.kind) {
    case "ab":
      return straight(plane(line.a), headingOf(plane(line.a), plane(line.b)));
    case "heading":
      return straight(plane(line.a), line.heading);
    case "curve":
      return bent(line.points.map(plane));
    case "circle": {
      const centre = plane(line.centre);
      return (at) => {
        const out = headingOf(centre, at);
        const far = Math.hypot(at.east - centre.east, at.north - centre.north);
        // Driven clockwise, outward lies to the left: the way round goes anticlockwise here.
        return { across: far - line.radius, heading: out - Math.PI / 2 };
      };
    }
  }
}

/**
 * Offs from the pass nearest to where the second half of the log ran; passes lie `spacing` apart, `shifted` to the right of the line. Positions
 * without way between them are left out. `aside`: how far the antenna is steered to the right of the pass, metres, for a tool or antenna off the
 * middle.
 */
export function offsFromLine(
  { points, origin }: { points: readonly Fixed[]; origin: Geographic },
  line: LineShape,
  { spacing, shifted, aside }: { spacing: number; shifted: number; aside: number },
): Off[] {
  const from = fromLine(line, origin);
  const rolling = points.flatMap((at, index) => {
    const before = points[Math.max(0, index - 1)]!;
    const next = points[Math.min(points.length - 1, index + 1)]!;
    const way = Math.hypot(next.east - before.east, next.north - before.north);
    const took = next.time - before.time;
    if (!(took > 0) || way / took < ROLLING) return [];
    const { across, heading } = from(at);
    const sense = Math.cos(headingOf(before, next) - heading) >= 0 ? 1 : -1;
    return [{ time: at.time, across: across - shifted - sense * aside, sense }];
  });
  if (rolling.length === 0) return [];
  const pass = Math.round(
    median(rolling.slice(Math.floor(rolling.length / 2)).map(({ across }) => across)) / spacing,
  );
  const begun = rolling[0]!.time;
  return rolling.map(({ time, across, sense }) => ({
    time: time - begun,
    off: sense * (across - pass * spacing),
  }));
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}
