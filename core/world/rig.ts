/**
 * A rig of the simulated world: what moves how, where its antenna and its work are, how late it switches, what it doses. The true one and the one a
 * terminal believes are told in the same terms. On the plane x is north, y east, headings clockwise: metres, seconds, radians, right positive.
 */
import type { At } from "../coverage/passes.ts";
import type { Motion, Moving, Steering } from "../motion/machine.ts";
import { type Drawn, placed, type Spot, type Strays, wheelsOf } from "../motion/train.ts";

export type WorldRig = {
  steering: Steering;
  /** the least radius it is steered on */
  radius: number;
  train: readonly Drawn[];
  strays: Strays;
  /** from what the machine turns about; `frame`: an articulated one carries it ahead of its joint or behind */
  antenna: { frame: "front" | "rear"; ahead: number; right: number };
  work: {
    /** which body it stands on: 0 the machine, else what is drawn */
    body: number;
    /** from that body's wheels to the middle of the work: one line across, also where it works on two ranks */
    ahead: number;
    right: number;
    /** metres across of each section, from left to right */
    sections: readonly number[];
  };
  /** from the order to the work, seconds */
  delays: { on: number; off: number };
  /** what falls ÷ what is ordered */
  dose: number;
};

/** A rig as it moves. */
export const movingOf = ({ steering, train, strays }: WorldRig): Moving => ({ steering, train, strays });

/** Metres across of all its sections. */
export const widthOf = ({ work }: Pick<WorldRig, "work">): number =>
  work.sections.reduce((sum, each) => sum + each, 0);

/** A rig standing straight. */
export function standing({ train }: Pick<WorldRig, "train">, at: Spot & { heading: number }): Motion {
  return { x: at.x, y: at.y, headings: [at.heading, ...train.map(() => at.heading)], bent: 0 };
}

/** From the point it turns about to its antenna, on the plane. */
export function antennaFrom({ antenna, steering }: WorldRig, heading: number, bent: number): Spot {
  const spot = { x: antenna.ahead, y: antenna.right };
  if (antenna.frame === "rear" || steering.kind !== "articulated")
    return placed({ x: 0, y: 0 }, heading, spot);
  // Ahead of the joint it turns with the front frame.
  const joint = placed({ x: 0, y: 0 }, heading, { x: steering.rear, y: 0 });
  return placed(joint, heading + bent, { x: antenna.ahead - steering.rear, y: antenna.right });
}

/** Where a working line is on the ground: x east, y north, looking clockwise of north. */
export type Line = Pick<At, "x" | "y" | "heading">;

/** The working line, so far ahead of where the work is: its middle, and which way it looks. */
export function workAt(rig: WorldRig, motion: Motion, ahead = 0): Line {
  const { body, right } = rig.work;
  const heading = motion.headings[body]!;
  const wheels = body === 0 ? motion : wheelsOf(rig.train, motion)[body]!;
  const { x, y } = placed(wheels, heading, { x: rig.work.ahead + ahead, y: right });
  return { x: y, y: x, heading };
}

/** How far behind the machine's own point the work lies, everything in line: its middle, metres ahead positive. */
export function workAlong({ train, work }: WorldRig): number {
  const line = { x: 0, y: 0, headings: [0, ...train.map(() => 0)] };
  return wheelsOf(train, line)[work.body]!.x + work.ahead;
}

/** All drawbars between the machine and the work, metres: what has to come into line. */
export const drawbars = ({ train }: Pick<WorldRig, "train">): number =>
  train.reduce((sum, { pivot }) => sum + pivot, 0);

/** What is steered onto the way: an articulated machine's front axle, for the rear one first goes the other way as the joint bends; else the point it turns about. */
export function guidedAt(
  { steering }: Pick<WorldRig, "steering">,
  motion: Motion,
): Spot & { heading: number } {
  const heading = motion.headings[0]!;
  if (steering.kind !== "articulated") return { x: motion.x, y: motion.y, heading };
  const joint = placed(motion, heading, { x: steering.rear, y: 0 });
  return {
    ...placed(joint, heading + motion.bent, { x: steering.front, y: 0 }),
    heading: heading + motion.bent,
  };
}
