/**
 * Passes along a line that bends: a curve as it was driven once, a round along the edge, a circle about a pivot. Each pass lies at its own distance from that line,
 * measured square to it, so that nothing adds up. Metres on the field's plane.
 */
import { offsetRings } from "../geodesy/offset.ts";
import { common, without } from "../geodesy/overlay.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import type { PlaneRing } from "../place/plane-field.ts";
import { firstCrossing, isInside, signedArea } from "../place/ring.ts";
import { thinned } from "../place/thinned.ts";
import { nearestOn, pieceOf, placeAlong, reaches, tightestOf, type Way, wayLength } from "./way.ts";

export type BentLine = {
  /** what lies left of it, as a ring that runs anticlockwise: along the line, and far beyond the field back to its beginning where it is open */
  left: PlaneRing;
  /** the line itself, its ends gone on straight */
  way: Way;
  /** how far along it each of its corners lies */
  at: readonly number[];
  /** 1, or −1 where the line was turned round to run anticlockwise: right of it was left */
  sense: 1 | -1;
};

export type BentProblem = "crosses itself" | "too short";

/** A line of a field that bends, on its plane. */
export type BentGiven =
  | { kind: "curve"; points: readonly OnPlane[] }
  | { kind: "circle"; centre: OnPlane; radius: number };

/** The line passes are laid along: a curve whose ends come nearer than half a pass is closed. */
export function bentLine(
  given: BentGiven,
  rings: readonly PlaneRing[],
  spacing: number,
): { ok: true; line: BentLine } | { ok: false; problem: BentProblem } {
  if (given.kind === "circle") return { ok: true, line: circleLine(given.centre, given.radius) };
  const reach = rings.flat().reduce((most, { east, north }) => Math.max(most, Math.hypot(east, north)), 0);
  return curveLine(given.points, spacing / 2, reach);
}

/** The corners of a circle, and of a curve as it was driven, stand for what lies so near the edges between them, metres. */
const ARC = 0.01;

/** A circle about a place, round to a centimetre. @throws RangeError without a radius */
export function circleLine(centre: OnPlane, radius: number): BentLine {
  if (!(radius > 0)) throw new RangeError("a circle has a radius");
  const corners = Math.max(12, Math.ceil(Math.PI / Math.acos(Math.max(0, 1 - ARC / radius))));
  const left = Array.from({ length: corners }, (_, at) => {
    const angle = (2 * Math.PI * at) / corners;
    return {
      east: centre.east + radius * Math.cos(angle),
      north: centre.north + radius * Math.sin(angle),
    };
  });
  return lineOf(left, [...left, left[0]!], 1);
}

const lineOf = (left: PlaneRing, way: Way, sense: 1 | -1): BentLine => ({
  left,
  way,
  at: reaches(way),
  sense,
});

/** The way on from an end is told by so much of the line (ours): of less the wander of a receiver turns it. */
const END = 10;

/**
 * A line through points as it lies over a field: closed where its ends meet within `gap`, else gone on straight at both ends until it is well past
 * everything within `reach` of the origin.
 */
export function curveLine(
  points: readonly OnPlane[],
  gap: number,
  reach: number,
): { ok: true; line: BentLine } | { ok: false; problem: BentProblem } {
  const way = thinned(
    points.filter((point, at) => at === 0 || away(point, points[at - 1]!) > 1e-3),
    ARC,
  );
  if (way.length < 2 || wayLength(way) < END) return { ok: false, problem: "too short" };
  const closed = way.length > 3 && away(way[0]!, way.at(-1)!) < gap && wayLength(way) > 4 * gap;
  const line = closed ? closedLine(way) : openLine(way, reach);
  return line === null || firstCrossing([line.left])
    ? { ok: false, problem: "crosses itself" }
    : { ok: true, line };
}

const away = (a: OnPlane, b: OnPlane) => Math.hypot(a.east - b.east, a.north - b.north);

function closedLine(way: Way): BentLine {
  const ring = away(way[0]!, way.at(-1)!) < 1 ? way.slice(0, -1) : way;
  const sense = signedArea(ring) > 0 ? 1 : -1;
  const left = sense > 0 ? ring : [...ring].reverse();
  return lineOf(left, [...left, left[0]!], sense);
}

/** So many times as far as anything is from the origin the line goes on: what is offset from its far end stays clear of the field. */
const FAR = 4;

/** Its ends gone on straight. Where they meet beyond the field it is closed there; null where they meet within reach of it. */
function openLine(way: Way, reach: number): BentLine | null {
  const far = FAR * Math.max(reach, ...way.map(({ east, north }) => Math.hypot(east, north)));
  const at = reaches(way);
  const length = at.at(-1)!;
  const out = (from: (along: number) => OnPlane) => headingOn([0, END / 2, END].map(from));
  const begins = { from: way[0]!, heading: out((along) => placeAlong(way, at, along)) };
  const ends = { from: way.at(-1)!, heading: out((along) => placeAlong(way, at, length - along)) };
  const meet = meeting(begins, ends);
  if (meet !== null && Math.hypot(meet.east, meet.north) < far)
    return Math.hypot(meet.east, meet.north) <= reach ? null : closedLine([...way, meet]);
  const first = onCircle(begins.from, begins.heading, far);
  const last = onCircle(ends.from, ends.heading, far);
  const whole = [first, ...way, last];
  const angle = (point: OnPlane) => Math.atan2(point.north, point.east);
  const round = (((angle(first) - angle(last)) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  const steps = Math.max(2, Math.ceil(round / 0.2));
  const back = Array.from({ length: steps - 1 }, (_, step) => {
    const turned = angle(last) + (round * (step + 1)) / steps;
    return { east: far * Math.cos(turned), north: far * Math.sin(turned) };
  });
  return lineOf([...whole, ...back], whole, 1);
}

type Ray = { from: OnPlane; heading: number };

/** Where two ways on meet; null where they do not. */
function meeting(a: Ray, b: Ray): OnPlane | null {
  const [ae, an, be, bn] = [
    Math.sin(a.heading),
    Math.cos(a.heading),
    Math.sin(b.heading),
    Math.cos(b.heading),
  ];
  const cross = ae * bn - an * be;
  if (Math.abs(cross) < 1e-9) return null;
  const [east, north] = [b.from.east - a.from.east, b.from.north - a.from.north];
  const [onA, onB] = [(east * bn - north * be) / cross, (east * an - north * ae) / cross];
  return onA > 0 && onB > 0 ? { east: a.from.east + onA * ae, north: a.from.north + onA * an } : null;
}

/** The heading out of an end: of three places from it inwards, with the bend between them carried on. */
function headingOn([end, middle, back]: readonly OnPlane[]): number {
  const out = Math.atan2(end!.east - middle!.east, end!.north - middle!.north);
  const before = Math.atan2(middle!.east - back!.east, middle!.north - back!.north);
  const bend = Math.atan2(Math.sin(out - before), Math.cos(out - before));
  return out + bend / 2;
}

/** Where the way on from a point leaves a circle about the origin. */
function onCircle(point: OnPlane, heading: number, radius: number): OnPlane {
  const [east, north] = [Math.sin(heading), Math.cos(heading)];
  const half = point.east * east + point.north * north;
  const on = -half + Math.sqrt(half ** 2 - (point.east ** 2 + point.north ** 2 - radius ** 2));
  return { east: point.east + on * east, north: point.north + on * north };
}

/** Driven in one go along a pass that bends. */
export type BentRun = {
  pass: number;
  from: OnPlane;
  to: OnPlane;
  way: OnPlane[];
  length: number;
  /** m² of field under it */
  area: number;
  /** the least radius it bends with; infinite where it is straight */
  tightest: number;
};

export type BentPasses = {
  runs: BentRun[];
  passes: number;
  /** width of field under the first and the last pass */
  first: number;
  last: number;
  /** m² no pass reaches: the middle of a circle too tight to be gone round */
  missed: number;
};

/** Fewer square metres under a pass are a corner's tip that the round has worked (ours). */
const NOTHING = 1;

/**
 * Passes of this spacing over what is left within the rounds. `across`: how far right of the line, or outside of a circle, the first of them lies. Passes are
 * counted from the one furthest to the left.
 */
export function passesAlong(
  inner: readonly PlaneRing[],
  line: BentLine,
  { spacing, across }: { spacing: number; across: number },
): BentPasses {
  const on = line.sense * across;
  const bands = bandsOver(inner, line, spacing, on);
  const runs: BentRun[] = [];
  let missed = 0;
  for (const [index, { number, pieces }] of bands.entries()) {
    const ways = offsetRings([line.left], on + number * spacing).filter(
      (ring) => Math.abs(signedArea(ring)) >= NOTHING,
    );
    for (const run of runsOf(ways, pieces, inner))
      if (run === null) missed += areaOf(pieces);
      else runs.push({ pass: index + 1, ...run });
  }
  const { first, last } = endsOver(inner, line, bands, { spacing, on });
  return { runs, passes: bands.length, first, last, missed };
}

/** So fine the width under the first and the last pass is told, metres. */
const FINE = 1e-3;
/** So many square metres are no field under a pass any more. */
const TIP = 0.01;

/** How far the field reaches under the first and the last pass: found by halving, since within a bend it reaches furthest where it has no corner. */
function endsOver(
  inner: readonly PlaneRing[],
  line: BentLine,
  bands: readonly Band[],
  { spacing, on }: { spacing: number; on: number },
): Pick<BentPasses, "first" | "last"> {
  const [begin, end] = [bands[0], bands.at(-1)];
  if (!begin || !end) return { first: 0, last: 0 };
  const edge = ({ number }: Band, side: 1 | -1) => on + (number + side / 2) * spacing;
  const left = (across: number) => offsetRings([line.left], across);
  const halved = (isEmpty: (width: number) => boolean) => {
    let [low, high] = [0, spacing];
    while (high - low > FINE) {
      const middle = (low + high) / 2;
      if (isEmpty(middle)) high = middle;
      else low = middle;
    }
    return high;
  };
  return {
    first: halved((width) => areaOf(common(inner, left(edge(begin, 1) - width))) < TIP),
    last: halved((width) => areaOf(without(inner, left(edge(end, -1) + width))) < TIP),
  };
}

/** How far right of the line a point lies; left of it below zero. */
function acrossOf({ left, way, at }: BentLine, point: OnPlane): number {
  const { off } = nearestOn(way, at, point);
  return isInside(left, point) ? -off : off;
}

type Band = { number: number; pieces: OnPlane[][] };

/**
 * What lies under each pass, from the furthest left; `number` counts from the line. The corners of the field tell where to begin; within a closed line, and in a bend,
 * there is field further off than any corner, so it goes on while there is something under a pass.
 */
function bandsOver(inner: readonly PlaneRing[], line: BentLine, spacing: number, on: number): Band[] {
  const all = inner.flat().map((corner) => acrossOf(line, corner) - on);
  const low = Math.floor(all.reduce((a, b) => Math.min(a, b)) / spacing);
  const high = Math.ceil(all.reduce((a, b) => Math.max(a, b)) / spacing);
  const edges = new Map<number, OnPlane[][]>();
  const leftOf = (number: number) => {
    const known = edges.get(number);
    if (known) return known;
    const region = offsetRings([line.left], on + (number - 0.5) * spacing);
    edges.set(number, region);
    return region;
  };
  const band = (number: number): Band => ({
    number,
    pieces: common(inner, without(leftOf(number + 1), leftOf(number))),
  });
  const worked = ({ pieces }: Band) => areaOf(pieces) >= NOTHING;
  const bands = Array.from({ length: high - low + 1 }, (_, at) => band(low + at));
  for (let number = low; worked(bands[0]!); number -= 1) bands.unshift(band(number - 1));
  for (let number = high; worked(bands.at(-1)!); number += 1) bands.push(band(number + 1));
  return bands.filter(worked);
}

const areaOf = (rings: readonly PlaneRing[]) => rings.reduce((sum, ring) => sum + signedArea(ring), 0);
const within = (rings: readonly PlaneRing[], point: OnPlane) =>
  rings.filter((ring) => isInside(ring, point)).length % 2 === 1;

type BareRun = Omit<BentRun, "pass">;

/** The runs of one pass: `ways` are its middle, closed; null where there is none to drive on. */
function runsOf(
  ways: readonly PlaneRing[],
  pieces: readonly PlaneRing[],
  inner: readonly PlaneRing[],
): (BareRun | null)[] {
  if (ways.length === 0) return [null];
  const opened = ways.map((ring) => openedOutside(ring, inner));
  const [only] = opened;
  if (opened.length === 1 && only!.round)
    return [runAlong(only!.way, only!.at, { low: 0, high: only!.at.at(-1)!, area: areaOf(pieces) })];
  const shares = opened.map(() => [] as Share[]);
  for (const piece of pieces) {
    const spots = opened.map(({ way, at }) => piece.map((corner) => nearestOn(way, at, corner)));
    const own = spots
      .map((all) => all.reduce((sum, { off }) => sum + off, 0))
      .reduce((best, sum, index, sums) => (sum < sums[best]! ? index : best), 0);
    const alongs = spots[own]!.map(({ along }) => along);
    shares[own]!.push({
      low: Math.min(...alongs),
      high: Math.max(...alongs),
      area: signedArea(piece),
    });
  }
  return opened.flatMap(({ way, at, round }, index) => {
    const own = joined(shares[index]!);
    if (own.length === 0) return [];
    if (round) return [runAlong(way, at, { low: 0, high: at.at(-1)!, area: sum(own) })];
    return own
      .filter(({ area, low, high }) => area >= NOTHING && high > low)
      .map((share) => runAlong(way, at, share));
  });
}

type Share = { low: number; high: number; area: number };
const sum = (shares: readonly Share[]) => shares.reduce((all, { area }) => all + area, 0);

/** So far apart a closed way is looked at for where it leaves the field. */
const LOOK = 2;

const nearest = (rings: readonly PlaneRing[], point: OnPlane) =>
  rings.flat().reduce((least, corner) => Math.min(least, away(corner, point)), Number.POSITIVE_INFINITY);

/** A closed way begun where it lies furthest outside the field; `round` where it never leaves it. */
function openedOutside(
  ring: PlaneRing,
  inner: readonly PlaneRing[],
): { way: Way; at: number[]; round: boolean } {
  const outside = ring.map((point) => (within(inner, point) ? -1 : nearest(inner, point)));
  const furthest = outside.reduce((best, off, index) => (off > outside[best]! ? index : best), 0);
  const way = [...ring.slice(furthest), ...ring.slice(0, furthest), ring[furthest]!];
  const at = reaches(way);
  if (outside[furthest]! >= 0) return { way, at, round: false };
  const looks = Array.from({ length: Math.floor(at.at(-1)! / LOOK) }, (_, step) => step * LOOK);
  const out = looks.find((along) => !within(inner, placeAlong(way, at, along)));
  if (out === undefined) return { way, at, round: true };
  const from = [...pieceOf(way, at, out, at.at(-1)!), ...pieceOf(way, at, 0, out).slice(1)];
  return { way: from, at: reaches(from), round: false };
}

/** Pieces and holes over one another along the way are one run. */
function joined(shares: readonly Share[]): Share[] {
  const runs: Share[] = [];
  for (const share of [...shares].sort((a, b) => a.low - b.low)) {
    const last = runs.at(-1);
    if (last && share.low <= last.high) {
      last.high = Math.max(last.high, share.high);
      last.area += share.area;
    } else runs.push({ ...share });
  }
  return runs;
}

function runAlong(way: Way, at: readonly number[], { low, high, area }: Share): BareRun {
  const piece = pieceOf(way, at, low, high);
  return {
    from: piece[0]!,
    to: piece.at(-1)!,
    way: piece,
    length: high - low,
    area,
    tightest: tightestOf(piece),
  };
}
