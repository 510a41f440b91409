/** A turn at the end of a pass, driven with everything that is drawn: how deep it reaches, how far drawbars bend, when the work is in line again. */
import { drive } from "./drive.ts";
import { backedLegs, type Leg, mirrored, roundLegs } from "./legs.ts";
import { bend, type Drawn, type Pose, placed, type Spot, step, straight, wheelsOf } from "./train.ts";

/** What stands on a body: outlines, points ahead of and to the right of its wheels, metres. */
export type Body = { outlines: readonly (readonly Spot[])[] };

/** What works the ground: on which body, and where its rear, its front and its middle lie from that body's wheels. */
export type AtWork = { body: number; rear: number; front: number; middle: number };

export type TurningRig = {
  train: readonly Drawn[];
  /** the machine first, then each that is drawn */
  bodies: readonly Body[];
  works: readonly AtWork[];
};

export const WAYS = ["round", "backed"] as const;
export type Way = (typeof WAYS)[number];

export type Asked = {
  way: Way;
  /** from pass to pass, metres */
  apart: number;
  /** on which the machine's wheels turn, metres */
  radius: number;
  /** 1 to the right, −1 to the left */
  hand: 1 | -1;
};

export type HeadlandTurn = {
  /** x from the edge of what is worked, outward; the steering goes over where the rear of the work has left it */
  poses: Pose[];
  legs: Leg[];
  /** driven from the work's leaving the ground to its entering it, metres */
  length: number;
  /** the deepest anything reaches from the edge of what is worked, metres */
  depth: number;
  /** driven on straight after leaving, so that the work is in line again where it enters, metres */
  before: number;
  /** the largest bend of each drawbar, radians, without sign */
  bends: number[];
  /** false where a drawbar folded up: bent beyond a right angle */
  holds: boolean;
};

/** The work is in line again within this of its pass (our threshold: what a joint may be off). */
export const IN_LINE = 0.05;
/** No turn needs longer than so many metres to come into line. */
const LONGEST_RUN = 80;
const STEP = 0.1;
/** Still no more than a sixth of the shortest drawbar there is. */
const COARSE = 0.2;
const FOLDED = Math.PI / 2;

const spotOf = (rig: TurningRig, pose: Pose, body: number, spot: Spot) =>
  placed(wheelsOf(rig.train, pose)[body]!, pose.headings[body]!, spot);

/** Every point of every outline, by body, as one list. */
export function outlinesAt({ train, bodies }: TurningRig, pose: Pose): Spot[][] {
  const wheels = wheelsOf(train, pose);
  return bodies.flatMap(({ outlines }, body) =>
    outlines.map((outline) => outline.map((spot) => placed(wheels[body]!, pose.headings[body]!, spot))),
  );
}

/** How far what works strays from where the machine's way leads it, and how far out its foremost part still is. */
function offPass(rig: TurningRig, pose: Pose, way: number) {
  const each = rig.works.map(({ body, front, rear, middle }) => {
    const [ahead, behind] = [front, rear].map((x) => spotOf(rig, pose, body, { x, y: middle }));
    // It comes back the other way: what lies to its right lies to the left of the way it went out by.
    const off = (spot: Spot) => Math.abs(spot.y - (way - middle));
    return { off: Math.max(off(ahead!), off(behind!)), out: ahead!.x };
  });
  return { off: Math.max(...each.map(({ off }) => off)), out: Math.min(...each.map(({ out }) => out)) };
}

/** The middle of all that works, from the line of pull, to the right positive. */
function middleOf({ works }: TurningRig): number {
  return works.reduce((sum, { middle }) => sum + middle, 0) / works.length;
}

/** The way there, the machine on the plane: a tool to one side of it sets it off from the middle of either pass. */
function legsOf(rig: TurningRig, { way, apart, radius, hand }: Asked) {
  const aside = hand * apart + 2 * middleOf(rig);
  const legs = (way === "round" ? roundLegs : backedLegs)(Math.abs(aside), radius);
  return { aside, legs: (aside === 0 ? hand : aside) > 0 ? legs : mirrored(legs) };
}

/**
 * Drives one turn. It begins where the last of what works has left the ground, and is put so much further out that all of it is in line with
 * the next pass where it enters. Steering goes over at once: the real one takes some metres more.
 */
export function turnAtHeadland(rig: TurningRig, asked: Asked): HeadlandTurn {
  const { train } = rig;
  const { aside, legs } = legsOf(rig, asked);
  const rear = Math.min(...rig.works.map(({ body, rear: back }) => fromMachine(train, body) + back));
  const turned = drive(train, straight(train, { x: -rear, y: 0 }), legs, STEP);
  const home = driveHome(rig, turned.at(-1)!, aside);
  const before = Math.max(0, -home.out);
  const run = home.run + Math.max(0, home.out);
  const start = drive(train, straight(train, { x: -rear, y: 0 }), [{ curvature: 0, length: before }], STEP);
  const after = drive(train, turned.at(-1)!, [{ curvature: 0, length: run }], STEP);
  const poses = [
    ...start.slice(0, -1),
    ...[...turned, ...after.slice(1)].map((pose) => ({ ...pose, x: pose.x + before })),
  ];
  const bends = bendsIn(train, poses);
  return {
    poses,
    legs,
    length: legs.reduce((sum, { length }) => sum + Math.abs(length), 0) + before + run,
    depth: poses.reduce((most, pose) => Math.max(most, furthest(rig, pose, OUTWARD)), 0),
    before,
    bends,
    holds: home.settled && bends.every((each) => each < FOLDED),
  };
}

/** The bends alone, in longer steps: for trying many radii. */
export function bendsInTurn(rig: TurningRig, asked: Asked): Pick<HeadlandTurn, "bends" | "holds"> {
  const { aside, legs } = legsOf(rig, asked);
  const turned = drive(rig.train, straight(rig.train, { x: 0, y: 0 }), legs, COARSE);
  const bends = bendsIn(rig.train, turned);
  return {
    bends,
    holds: bends.every((each) => each < FOLDED) && driveHome(rig, turned.at(-1)!, aside).settled,
  };
}

/** The furthest anything stands in a direction, of which x and y are the parts: every point of every outline is looked at, and none is made. */
function furthest(
  { train, bodies }: Pick<TurningRig, "train" | "bodies">,
  pose: Pose,
  { x, y }: Spot,
): number {
  const wheels = wheelsOf(train, pose);
  let most = Number.NEGATIVE_INFINITY;
  for (let body = 0; body < bodies.length; body += 1) {
    const cos = Math.cos(pose.headings[body]!);
    const sin = Math.sin(pose.headings[body]!);
    const [ahead, aside] = [x * cos + y * sin, y * cos - x * sin];
    const at = x * wheels[body]!.x + y * wheels[body]!.y;
    for (const outline of bodies[body]!.outlines)
      for (const spot of outline) most = Math.max(most, at + spot.x * ahead + spot.y * aside);
  }
  return most;
}

const OUTWARD: Spot = { x: 1, y: 0 };

/** The largest bend of each drawbar, without sign. */
function bendsIn(train: readonly Drawn[], poses: readonly Pose[]): number[] {
  return train.map((_, joint) =>
    poses.reduce((most, pose) => Math.max(most, Math.abs(bend(train, pose, joint))), 0),
  );
}

/** On straight from the end of the turn until what works strays no more: after how many metres of the machine's, and how far out its front then is. */
function driveHome(rig: TurningRig, from: Pose, way: number): { run: number; out: number; settled: boolean } {
  let [pose, run] = [from, 0];
  let now = offPass(rig, pose, way);
  let home = { run, out: now.out };
  while (run < LONGEST_RUN && (now.off > IN_LINE || bentBy(rig, pose) > 1e-3)) {
    const strayed = now.off > IN_LINE;
    pose = step(rig.train, pose, 0, STEP);
    run += STEP;
    now = offPass(rig, pose, way);
    if (strayed) home = { run, out: now.out };
  }
  return { ...home, settled: run < LONGEST_RUN };
}

/** The largest bend of any drawbar: while one is bent, what it draws may still stray. */
function bentBy({ train }: TurningRig, pose: Pose): number {
  return Math.max(0, ...train.map((_, joint) => Math.abs(bend(train, pose, joint))));
}

/** How far ahead of the machine's wheels another body's wheels lie, everything in line: negative, behind. */
function fromMachine(train: readonly Drawn[], body: number): number {
  return body === 0 ? 0 : wheelsOf(train, straight(train, { x: 0, y: 0 }))[body]!.x;
}

/** How far outside its straight track anything of it swings as the steering goes over, metres. */
export function swingOut(rig: Pick<TurningRig, "train" | "bodies">, radius: number, hand: 1 | -1): number {
  const { train, bodies } = rig;
  const quarter = { curvature: hand / radius, length: (Math.PI / 2) * radius };
  const poses = drive(train, straight(train, { x: 0, y: 0 }), [quarter], STEP);
  const outermost = (pose: Pose) => furthest({ train, bodies }, pose, { x: 0, y: -hand });
  return Math.max(...poses.map(outermost)) - outermost(poses[0]!);
}

/** No turn on a field is wider, metres (ours). */
export const MOST_RADIUS = 40;

/** The least radius, from `from` up to `most`, at which something holds; null where it holds at none. It must hold at larger ones where it holds at one. */
export function leastRadius(
  holds: (radius: number) => boolean,
  from: number,
  most = MOST_RADIUS,
): number | null {
  if (holds(from)) return from;
  if (!holds(most)) return null;
  let [bad, good] = [from, most];
  while (good - bad > 0.05) {
    const middle = (bad + good) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
