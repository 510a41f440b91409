/**
 * A drive that was recorded, driven again: the antenna went where the log has it; from there either rig is where its own figures put it. x north, y east, as
 * everywhere in this room.
 */
import { folded } from "../motion/angle.ts";
import type { Motion, Moving } from "../motion/machine.ts";
import { turning } from "../motion/train.ts";
import type { Both, Driven, Row } from "./record.ts";
import { antennaFrom, movingOf, standing, type WorldRig } from "./rig.ts";
import { STRETCHES } from "./route.ts";

/** Where the antenna was, metres east and north; `working`: null where the log does not say. */
export type Recorded = { east: number; north: number; seconds: number; working: boolean | null };

export type Replayed = Driven & {
  /** how often it was told by the log, and how often taken from going straight */
  told: number;
  taken: number;
};

/** So far apart positions are looked at, metres: nearer, a receiver's own wander turns them. */
const APART = 1;
/** A course is that over so many metres (ours). */
const OVER = 2;
/** Bent tighter than that it turns, metres: nobody works so in a log that does not say (ours). */
const TURNS = 30;
/** What is shorter is no pass, metres. */
const SHORTEST = 25;
/** A gap in time begins anew, seconds. */
const GAP = 10;

type Placed = Recorded & { heading: number; along: number };

/** Positions at least so far apart, each with its course. */
function spaced(recorded: readonly Recorded[]): Placed[] {
  const kept: Recorded[] = [];
  for (const each of recorded) {
    const last = kept.at(-1);
    if (
      !last ||
      Math.hypot(each.east - last.east, each.north - last.north) >= APART ||
      each.working !== last.working
    )
      kept.push(each);
  }
  let along = 0;
  const far = kept.map((each, at) => {
    const last = kept[at - 1];
    if (last) along += Math.hypot(each.east - last.east, each.north - last.north);
    return along;
  });
  let [from, to] = [0, 0];
  return kept.map((each, at) => {
    while (from < at && far[at]! - far[from]! > OVER) from += 1;
    while (to < kept.length - 1 && far[to]! - far[at]! < OVER) to += 1;
    const [a, b] = [kept[Math.max(0, from - 1)]!, kept[to]!];
    return { ...each, along: far[at]!, heading: Math.atan2(b.east - a.east, b.north - a.north) };
  });
}

/** Which pass each position belongs to, from 1; 0 of none. Where the log does not say, work is done where it goes straight for long enough. */
function passesOf(way: readonly Placed[]): { pass: number[]; told: number; taken: number } {
  const working = way.map(({ working: said }, at) => {
    if (said !== null) return said;
    const [before, after] = [way[Math.max(0, at - 3)]!, way[Math.min(way.length - 1, at + 3)]!];
    const length = after.along - before.along;
    return length > 0 && Math.abs(folded(after.heading - before.heading)) / length < 1 / TURNS;
  });
  const pass = way.map(() => 0);
  let [number, from] = [0, 0];
  for (let at = 0; at <= way.length; at += 1) {
    const goesOn =
      at < way.length && working[at] && (at === from || way[at]!.seconds - way[at - 1]!.seconds < GAP);
    if (goesOn) continue;
    const said = way[from]?.working !== null;
    if (at > from && (said || way[at - 1]!.along - way[from]!.along >= SHORTEST)) {
      number += 1;
      pass.fill(number, from, at);
    }
    from = at < way.length && working[at] ? at : at + 1;
  }
  const told = way.filter((each) => each.working !== null).length;
  return { pass, told, taken: way.length - told };
}

/** What is drawn, carried on over a step of the machine: its heading turned so far over so many metres. */
function carried(
  { train, strays }: Moving,
  headings: readonly number[],
  to: number,
  metres: number,
): number[] {
  if (metres <= 0) return [to, ...headings.slice(1)];
  const bent = folded(to - headings[0]!) / metres;
  const steps = Math.max(1, Math.ceil(metres / 0.25));
  let now = [...headings];
  for (let step = 0; step < steps; step += 1) {
    const by = metres / steps;
    const half = turning(train, now, bent, strays).map((rate, at) => now[at]! + (by / 2) * rate);
    now = turning(train, half, bent, strays).map((rate, at) => now[at]! + by * rate);
  }
  return [to, ...now.slice(1)];
}

/** Drives it again. @throws RangeError of fewer than two positions */
export function replay(recorded: readonly Recorded[], rigs: Both<WorldRig>): Replayed {
  const way = spaced(recorded);
  if (way.length < 2) throw new RangeError("a drive needs two positions");
  const { pass, told, taken } = passesOf(way);
  const tracked = (rig: WorldRig) => {
    const moving = movingOf(rig);
    let headings: readonly number[] = standing(rig, { x: 0, y: 0, heading: way[0]!.heading }).headings;
    return way.map((each, at): Motion => {
      const before = way[at - 1];
      const gap = before && each.seconds - before.seconds >= GAP;
      // The log's course is folded; what is drawn goes on from where it was.
      const to = headings[0]! + folded(each.heading - headings[0]!);
      headings =
        !before || gap
          ? headings.map(() => each.heading)
          : carried(moving, headings, to, each.along - before.along);
      const from = antennaFrom(rig, each.heading, 0);
      return { x: each.north - from.x, y: each.east - from.y, headings, bent: 0 };
    });
  };
  const [truth, believed] = [tracked(rigs.truth), tracked(rigs.believed)];
  const [open, shut] = [true, false].map((is) => rigs.truth.work.sections.map(() => is)) as [
    boolean[],
    boolean[],
  ];
  const rows = way.map((each, at): Row => {
    const works = pass[at]! > 0 && pass[at + 1] === pass[at];
    return {
      seconds: each.seconds - way[0]!.seconds,
      truth: truth[at]!,
      believed: believed[at]!,
      open: { truth: works ? open : shut, believed: works ? open : shut },
      stretch: STRETCHES.indexOf(pass[at]! > 0 ? "pass" : "turn"),
      number: pass[at]!,
    };
  });
  return { rigs, rows, told, taken };
}

/** The way most of it went, folded to half a turn: by the length of each step. */
export function mainHeading(recorded: readonly Recorded[]): number {
  let [sin, cos] = [0, 0];
  for (const [at, each] of recorded.entries()) {
    const last = recorded[at - 1];
    if (!last) continue;
    const [east, north] = [each.east - last.east, each.north - last.north];
    const heading = Math.atan2(east, north);
    const length = Math.hypot(east, north);
    sin += length * Math.sin(2 * heading);
    cos += length * Math.cos(2 * heading);
  }
  return Math.atan2(sin, cos) / 2;
}
