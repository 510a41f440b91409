/**
 * Passes over a field: rounds along its edge, then straight passes side by side. Metres on the field's plane. Each pass lies at its own offset
 * from the first line, so that nothing adds up.
 */
import { offsetRings } from "../geodesy/offset.ts";
import { common } from "../geodesy/overlay.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import { type PlaneField, type PlaneRing, turn, turnBack } from "../place/plane-field.ts";
import { signedArea } from "../place/ring.ts";
import { type BentLine, passesAlong } from "./bent.ts";

/** Where the first straight pass lies: its outer edge on the left or the right end of the field, or its middle on a line so far across. */
export type Start = { kind: "left" } | { kind: "right" } | { kind: "line"; across: number };

export type Laid = {
  /** metres from the middle of one pass to the next */
  spacing: number;
  /** rounds along the edge before the straight passes */
  rounds: number;
  /** radians clockwise of north */
  heading: number;
  start: Start;
};

/** Driven in one go: a pass, or a piece of one where the field is cut into. */
export type Run = {
  /** from the first pass at 1, in the order they lie */
  pass: number;
  from: OnPlane;
  to: OnPlane;
  /** its middle, from one to the other */
  way: OnPlane[];
  /** metres along the pass, from where its first corner reaches the field to where its last one leaves it */
  length: number;
  /** m² of field under it */
  area: number;
  /** the least radius it bends with, metres; infinite where it is straight */
  tightest: number;
};

/** A plan as it comes of straight passes or of bent ones. */
export type Plan = {
  spacing: number;
  rounds: number;
  /** radians clockwise of north; null along a line that bends */
  heading: number | null;

  headland: { path: PlaneRing; length: number }[];
  /** what is left within the rounds */
  inner: PlaneRing[];
  runs: Run[];
  passes: number;
  /** width of field under the first and the last pass, metres */
  first: number;
  last: number;
  /** from one run to the next, and round by round */
  turns: number;
  /** metres worked: all runs, all rounds */
  runMetres: number;
  roundMetres: number;
  /** m² no pass reaches: the middle of a circle too tight to be gone round */
  missed: number;
};

/** Fewer square metres under a pass are a corner's tip that the round has worked (ours). */
const NOTHING = 1;

type Rounds = Pick<Plan, "headland" | "inner">;

/** The rounds along every edge, holes too, and what is left within them. */
function roundsOf(field: PlaneField, { spacing, rounds }: Pick<Laid, "spacing" | "rounds">): Rounds {
  const headland = Array.from({ length: rounds }, (_, round) =>
    offsetRings(field.rings, -(round + 0.5) * spacing),
  )
    .flat()
    .map((path) => ({ path, length: lengthOf(path) }));
  return { headland, inner: rounds === 0 ? [...field.rings] : offsetRings(field.rings, -rounds * spacing) };
}

/** Rounds and passes as they are laid. @throws RangeError without a spacing */
export function layPasses(field: PlaneField, laid: Laid): Plan {
  return layWithin(roundsOf(field, spaced(laid)), laid);
}

/** Rounds, then passes along a line that bends, the first so far right of it, or outside of a circle. @throws RangeError without a spacing */
export function layAlong(
  field: PlaneField,
  laid: Pick<Laid, "spacing" | "rounds"> & { along: BentLine; across: number },
): Plan {
  const within = roundsOf(field, spaced(laid));
  const passes = within.inner.length === 0 ? NO_PASSES : passesAlong(within.inner, laid.along, laid);
  return planOf(within, { ...laid, heading: null }, passes);
}

function spaced<T extends { spacing: number }>(laid: T): T {
  if (!(laid.spacing > 0)) throw new RangeError("passes need a spacing");
  return laid;
}

function layWithin(within: Rounds, laid: Laid): Plan {
  return planOf(within, laid, within.inner.length === 0 ? NO_PASSES : straightPasses(within.inner, laid));
}

function planOf(
  within: Rounds,
  { spacing, rounds, heading }: Pick<Plan, "spacing" | "rounds" | "heading">,
  passes: Passes,
): Plan {
  const { headland } = within;
  const goes = headland.length + passes.runs.length;
  return {
    spacing,
    rounds,
    heading,
    ...within,
    ...passes,
    turns: Math.max(0, goes - 1),
    runMetres: passes.runs.reduce((sum, { length }) => sum + length, 0),
    roundMetres: headland.reduce((sum, { length }) => sum + length, 0),
  };
}

const lengthOf = (ring: PlaneRing) =>
  ring.reduce((sum, from, at) => {
    const to = ring[(at + 1) % ring.length]!;
    return sum + Math.hypot(to.east - from.east, to.north - from.north);
  }, 0);

type Passes = Pick<Plan, "runs" | "passes" | "first" | "last" | "missed">;
const NO_PASSES: Passes = { runs: [], passes: 0, first: 0, last: 0, missed: 0 };

function straightPasses(inner: readonly PlaneRing[], { spacing, heading, start }: Laid): Passes {
  const turned = inner.map((ring) => ring.map((corner) => turn(corner, heading)));
  const across = turned.flat().map((each) => each.across);
  const along = turned.flat().map((each) => each.along);
  const [left, right] = [least(across), most(across)];
  const [low, high] = [least(along) - 1, most(along) + 1];
  // A hair less, so that a field of just so many passes has no further one.
  const play = 1e-6 * spacing;
  const edge = firstEdge(start, { left, right }, spacing, play);
  const passes = Math.max(1, Math.ceil((right - play - edge) / spacing));
  const subject = turned.map((ring) => ring.map((each) => ({ east: each.across, north: each.along })));
  const runs: Run[] = [];
  for (let pass = 0; pass < passes; pass += 1) {
    const [from, to] = [edge + pass * spacing, edge + (pass + 1) * spacing];
    for (const { low: begins, high: ends, area } of piecesUnder(subject, { from, to, low, high })) {
      const middle = (from + to) / 2;
      const ways = [turnBack(middle, begins, heading), turnBack(middle, ends, heading)] as const;
      runs.push({
        pass: pass + 1,
        from: ways[0],
        to: ways[1],
        way: [...ways],
        length: ends - begins,
        area,
        tightest: Number.POSITIVE_INFINITY,
      });
    }
  }
  const under = (pass: number) =>
    Math.max(0, Math.min(right, edge + (pass + 1) * spacing) - Math.max(left, edge + pass * spacing));
  return { runs, passes, first: under(0), last: under(passes - 1), missed: 0 };
}

const least = (all: readonly number[]) => all.reduce((a, b) => Math.min(a, b));
const most = (all: readonly number[]) => all.reduce((a, b) => Math.max(a, b));

/** The left edge of the leftmost pass. */
function firstEdge(
  start: Start,
  { left, right }: { left: number; right: number },
  spacing: number,
  play: number,
): number {
  if (start.kind === "left") return left;
  const passesBack = (edge: number) => Math.max(0, Math.ceil((edge - left - play) / spacing));
  const edge = start.kind === "right" ? right - spacing : start.across - spacing / 2;
  // A line beyond the field's left end begins at the first pass that touches it.
  const within =
    edge + spacing <= left ? edge + Math.ceil((left - edge - spacing) / spacing + 1e-9) * spacing : edge;
  return within - passesBack(within) * spacing;
}

type Piece = { low: number; high: number; area: number };

/** What of the field lies under one pass, piece by piece along it. */
function piecesUnder(
  subject: readonly PlaneRing[],
  { from, to, low, high }: { from: number; to: number; low: number; high: number },
): Piece[] {
  const strip = [
    { east: from, north: low },
    { east: to, north: low },
    { east: to, north: high },
    { east: from, north: high },
  ];
  const paths = common(subject, [strip]).map((path): Piece => {
    const heights = path.map(({ north }) => north);
    return { low: least(heights), high: most(heights), area: signedArea(path) };
  });
  const pieces = paths.filter(({ area }) => area > 0);
  // A hole within the strip parts nothing: the tool is lifted over it.
  for (const hole of paths.filter(({ area }) => area < 0)) {
    const around = pieces.find((piece) => piece.low <= hole.low && piece.high >= hole.high);
    if (around) around.area += hole.area;
  }
  return joined(pieces.filter(({ area }) => area >= NOTHING).sort((a, b) => a.low - b.low));
}

/** Pieces beside each other at the same height of a pass are one run. */
function joined(pieces: readonly Piece[]): Piece[] {
  const runs: Piece[] = [];
  for (const piece of pieces) {
    const last = runs.at(-1);
    if (last && piece.low <= last.high)
      runs[runs.length - 1] = {
        low: last.low,
        high: Math.max(last.high, piece.high),
        area: last.area + piece.area,
      };
    else runs.push(piece);
  }
  return runs;
}

/** What a plan comes to. */
export type Figures = {
  passes: number;
  runs: number;
  turns: number;
  /** metres driven in work */
  metres: number;
  /** the narrower of first and last pass, as a share of the spacing: 0 to 1 */
  sliver: number;
};

/** Straight passes by their figures, to be held against others. */
export type Outcome = Figures & { heading: number; start: Start };

/** A last pass narrower than half the tool is a sliver (handbook, common practice). */
export const SLIVER = 0.5;

/** A plan in the figures plans are held against each other by. */
export function figuresOf({
  passes,
  runs,
  turns,
  runMetres,
  roundMetres,
  first,
  last,
  spacing,
}: Plan): Figures {
  return {
    passes,
    runs: runs.length,
    turns,
    metres: runMetres + roundMetres,
    sliver: passes === 0 ? 1 : Math.min(first, last) / spacing,
  };
}

export const AIMS = {
  turns: "Fewest turns",
  sliver: "Least sliver",
} as const;
export type Aim = keyof typeof AIMS;

/** So many turns more a wider last pass is worth: a fifth (ours). */
const WORTH = 1.2;

/**
 * The best of several plans; null of none. The fewest turns, of those the one whose narrowest pass is no sliver, of those the fewest metres; or the widest narrowest
 * pass of those that cost at most a fifth more turns than the fewest.
 */
export function bestPlan(outcomes: readonly Outcome[], aim: Aim): Outcome | null {
  const fewest = outcomes.reduce((count, { turns }) => Math.min(count, turns), Number.POSITIVE_INFINITY);
  const asked = aim === "turns" ? outcomes : outcomes.filter(({ turns }) => turns <= WORTH * fewest);
  return [...asked].sort(better(aim))[0] ?? null;
}

function better(aim: Aim): (a: Outcome, b: Outcome) => number {
  // A last pass half a tool wide and more is no sliver: wider still is no better.
  const whole = ({ sliver }: Outcome) => Math.min(sliver, aim === "sliver" ? 1 : SLIVER);
  return aim === "turns"
    ? (a, b) => a.turns - b.turns || whole(b) - whole(a) || a.metres - b.metres
    : (a, b) => whole(b) - whole(a) || a.turns - b.turns || a.metres - b.metres;
}

/** A degree at a time, and along each long edge of the field. */
export function headingsOf(field: PlaneField, step = Math.PI / 180): number[] {
  const count = Math.round(Math.PI / step);
  const even = Array.from({ length: count }, (_, at) => at * step);
  const all = field.rings.reduce((sum, ring) => sum + lengthOf(ring), 0);
  const edges = field.rings.flatMap((ring) =>
    ring.flatMap((from, at) => {
      const to = ring[(at + 1) % ring.length]!;
      const [east, north] = [to.east - from.east, to.north - from.north];
      if (Math.hypot(east, north) < LONG_EDGE * all) return [];
      return [((Math.atan2(east, north) % Math.PI) + Math.PI) % Math.PI];
    }),
  );
  return [...even, ...edges]
    .sort((a, b) => a - b)
    .filter((each, at, list) => at === 0 || each - list[at - 1]! > 1e-6);
}

/** A twentieth of the way round is worth a heading of its own (ours). */
const LONG_EDGE = 0.05;

/** Every heading from both ends, one at a time: whoever asks may stop between two. */
export function* sweep(
  field: PlaneField,
  { spacing, rounds }: Pick<Laid, "spacing" | "rounds">,
  headings: readonly number[] = headingsOf(field),
): Generator<{ done: number; all: number; outcomes: Outcome[] }> {
  const within = roundsOf(field, { spacing, rounds });
  for (const [at, heading] of headings.entries()) {
    const outcomes = (["left", "right"] as const).map((kind) => {
      const start = { kind };
      return { heading, start, ...figuresOf(layWithin(within, { spacing, rounds, heading, start })) };
    });
    yield { done: at + 1, all: headings.length, outcomes };
  }
}
