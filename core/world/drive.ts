/**
 * Two rigs driven over a field side by side: the terminal steers what it believes along its way and switches by its own map; the ground has what is
 * so. Ten times a second, as receivers and terminals are.
 */
import { edgesOf } from "../coverage/passes.ts";
import type { Box, Spot } from "../coverage/raster.ts";
import { type Motion, moved } from "../motion/machine.ts";
import { placed } from "../motion/train.ts";
import { type Chance, chance } from "../simulation/random.ts";
import { type Both, type Driven, piecesBetween, type Row, WORLDS, type World } from "./record.ts";
import { antennaFrom, guidedAt, type Line, movingOf, standing, type WorldRig, workAt } from "./rig.ts";
import { type Route, STRETCHES } from "./route.ts";
import { bendingTo, type Controller, placeOn, wanted } from "./steer.ts";
import { type GroundMap, isShut, mapOver, type OverlapRule, paint } from "./switching.ts";

export type ToDrive = {
  rigs: Both<WorldRig>;
  route: Route;
  controller: Controller;
  /** the field's outlines and holes, x east and y north, and a box about all that may be worked */
  field: readonly (readonly Spot[])[];
  box: Box;
  rule: OverlapRule;
  /** metres a second at work and in the turn */
  speed: { work: number; turn: number };
  /** how far the receiver wanders, metres, 1 σ; 0: not at all */
  wander: number;
  seed: number;
  /** seconds of a step */
  step: number;
};

/** A terminal takes ten positions a second. */
export const STEP = 0.1;
/** A row at least each metre, and where the tool turned by so much. */
const APART = 1;
const TURNED = 0.05;
/** It looks at ground it has not come to: a hand beyond where the answer finds it. */
const BEYOND = 0.03;
/** So long after its time a section that sees nothing of what it was ordered for may be ordered back, seconds. */
const SETTLES = 0.5;
/** A receiver's error wanders: so much of it is left after a second. */
const STAYS = 0.95;

/** An order to a section on its way to the ground, or to the map. */
type Order = { seconds: number; section: number; open: boolean };
type Switching = {
  asked: boolean[];
  /** until when a section that was ordered keeps to it: it looks less far ahead for the one order than for the other */
  keeps: (number | null)[];
  open: Both<boolean[]>;
  orders: Record<World, Order[]>;
};

type Now = { seconds: number; truth: Motion; believed: Motion };

const turnedBy = (a: Motion, b: Motion, body: number) => Math.abs(a.headings[body]! - b.headings[body]!);

const mix = (a: number, b: number, share: number) => a + share * (b - a);
function between(a: Motion, b: Motion, share: number): Motion {
  return {
    x: mix(a.x, b.x, share),
    y: mix(a.y, b.y, share),
    headings: a.headings.map((heading, at) => mix(heading, b.headings[at]!, share)),
    bent: mix(a.bent, b.bent, share),
  };
}

/** Where the terminal takes the rig to be: its point from the antenna, what is drawn as it would follow. */
function believedAt(rig: WorldRig, received: Spot, truth: Motion, drawn: readonly number[]): Motion {
  const heading = truth.headings[0]!;
  const from = antennaFrom(rig, heading, truth.bent);
  return { x: received.x - from.x, y: received.y - from.y, headings: [heading, ...drawn], bent: truth.bent };
}

/** Ends of each section on a line. */
function endsOf({ x, y, heading }: Line, edges: readonly number[]): Spot[] {
  const [cos, sin] = [Math.cos(heading), Math.sin(heading)];
  return edges.map((right) => ({ x: x + right * cos, y: y - right * sin }));
}

/** Orders sections by what lies where they will be once they have answered. */
function order(
  { rigs, rule, step }: ToDrive,
  edges: readonly number[],
  map: GroundMap,
  { asked, keeps, orders }: Switching,
  { seconds, believed }: Now,
  speed: number,
  works: boolean,
): void {
  const { delays } = rigs.believed;
  const reach = (delay: number) => speed * (delay + step / 2) + BEYOND;
  const lines = {
    on: endsOf(workAt(rigs.believed, believed, reach(delays.on)), edges),
    off: endsOf(workAt(rigs.believed, believed, reach(delays.off)), edges),
  };
  for (let section = 0; section < asked.length; section += 1) {
    const line = asked[section] ? lines.off : lines.on;
    const open = works && !isShut(map, line[section]!, line[section + 1]!, rule);
    if (open === asked[section]) {
      keeps[section] = null;
      continue;
    }
    if (works && keeps[section] !== null && seconds < keeps[section]!) continue;
    asked[section] = open;
    keeps[section] = seconds + Math.max(delays.on, delays.off) + SETTLES;
    for (const world of WORLDS) {
      const late = rigs[world].delays[open ? "on" : "off"];
      orders[world].push({ seconds: seconds + late, section, open });
    }
  }
}

/** When what happens to a section next happens. */
const nextOf = ({ orders }: Switching): number =>
  WORLDS.reduce(
    (least, world) => orders[world].reduce((soonest, { seconds }) => Math.min(soonest, seconds), least),
    Number.POSITIVE_INFINITY,
  );

function obey({ orders, open }: Switching, seconds: number): void {
  for (const world of WORLDS) {
    const due = orders[world].filter((each) => each.seconds <= seconds);
    for (const { section, open: to } of due.sort((a, b) => a.seconds - b.seconds)) open[world][section] = to;
    if (due.length > 0) orders[world] = orders[world].filter((each) => each.seconds > seconds);
  }
}

/** A drive under way. */
type Under = {
  asked: ToDrive;
  edges: readonly number[];
  map: GroundMap;
  switching: Switching;
  rows: Row[];
  /** where the rig really is, and how what is drawn stands by the terminal */
  real: Motion;
  drawn: readonly number[];
  wander: Spot;
  random: Chance;
  /** steering that is asked and did not come to the valve yet */
  late: number[];
  /** the point of the way it is at */
  at: number;
  seconds: number;
  before: Now | null;
};

function begun(asked: ToDrive): Under {
  const { rigs, route, controller, step } = asked;
  const { truth, believed } = rigs;
  if (
    truth.work.sections.length !== believed.work.sections.length ||
    truth.train.length !== believed.train.length
  )
    throw new RangeError("two rigs of other parts");
  const shut = () => truth.work.sections.map(() => false);
  const begins = { x: route.x[0]!, y: route.y[0]!, heading: route.heading[0]! };
  return {
    asked,
    edges: edgesOf(believed.work),
    map: mapOver(asked.box, asked.field),
    switching: {
      asked: shut(),
      keeps: truth.work.sections.map(() => null),
      open: { truth: shut(), believed: shut() },
      orders: { truth: [], believed: [] },
    },
    rows: [],
    real: standing(truth, beginning(rigs, begins)),
    drawn: standing(believed, begins).headings.slice(1),
    wander: { x: 0, y: 0 },
    random: chance(asked.seed),
    late: Array.from({ length: Math.round(controller.delay / step) }, () => 0),
    at: 0,
    seconds: 0,
    before: null,
  };
}

/** Both rigs by what is received now. */
function nowOf({ asked: { rigs }, real, drawn, wander, seconds }: Under): Now {
  const antenna = antennaFrom(rigs.truth, real.headings[0]!, real.bent);
  const received = { x: real.x + antenna.x + wander.x, y: real.y + antenna.y + wander.y };
  return { seconds, truth: real, believed: believedAt(rigs.believed, received, real, drawn) };
}

/** Adds a row, and what the terminal takes for worked since the one before to its map. */
function keep({ asked, map, switching, rows }: Under, now: Now, stretch: number, number: number): void {
  const { truth, believed } = switching.open;
  const row: Row = { ...now, open: { truth: [...truth], believed: [...believed] }, stretch, number };
  const previous = rows.at(-1);
  if (previous) paint(map, piecesBetween(asked.rigs.believed, "believed", previous, row));
  rows.push(row);
}

/** What was ordered happens between two positions, where the rig then was. */
function happen(under: Under, now: Now, stretch: number, number: number): void {
  const { before, switching } = under;
  if (!before) return;
  for (let due = nextOf(switching); due <= now.seconds; due = nextOf(switching)) {
    const share = (due - before.seconds) / (now.seconds - before.seconds);
    obey(switching, due);
    const there = {
      seconds: due,
      truth: between(before.truth, now.truth, share),
      believed: between(before.believed, now.believed, share),
    };
    keep(under, there, stretch, number);
  }
}

/** Whether it came so far, or turned so far, that it is worth a row. */
function isOn({ asked, rows }: Under, { truth }: Now): boolean {
  const last = rows.at(-1)?.truth;
  if (!last) return true;
  return (
    Math.hypot(truth.x - last.x, truth.y - last.y) >= APART ||
    turnedBy(truth, last, asked.rigs.truth.work.body) >= TURNED
  );
}

/** A receiver's error goes on wandering. */
function strayed({ asked, wander, random }: Under): void {
  if (asked.wander === 0) return;
  const stays = STAYS ** asked.step;
  for (const axis of ["x", "y"] as const)
    wander[axis] = stays * wander[axis] + random.normal(asked.wander * Math.sqrt(1 - stays ** 2));
}

/** One step: where it is, what happens there, what is asked of sections and steering, and on. */
function stepped(under: Under): void {
  const { asked, edges, map, switching, late } = under;
  const { rigs, route, controller, step } = asked;
  const now = nowOf(under);
  const place = placeOn(route, under.at, guidedAt(rigs.believed, now.believed));
  under.at = place.at;
  const [stretch, number] = [route.stretch[place.at]!, route.number[place.at]!];
  happen(under, now, stretch, number);
  if (isOn(under, now)) keep(under, now, stretch, number);
  const works = STRETCHES[stretch] !== "turn";
  const speed = works ? asked.speed.work : asked.speed.turn;
  order(asked, edges, map, switching, now, speed, works);
  late.push(wanted(controller, rigs.believed.steering, rigs.believed.radius, route, place, speed));
  const bending = bendingTo(controller, under.real.bent, late.shift()!);
  under.drawn = moved(movingOf(rigs.believed), now.believed, speed, bending, step).headings.slice(1);
  under.real = moved(movingOf(rigs.truth), under.real, speed, bending, step);
  strayed(under);
  under.before = now;
  under.seconds += step;
}

/** So many steps between two words of it. */
const EACH = 500;

/** Drives it to the end of its way; tells now and then how far it has come. @throws RangeError where both rigs have not the same sections or bodies */
export function* driven(asked: ToDrive): Generator<{ done: number; all: number }, Driven> {
  const under = begun(asked);
  const last = asked.route.x.length - 1;
  for (let steps = 0; under.at < last; steps += 1) {
    stepped(under);
    if (steps % EACH === 0) yield { done: under.at, all: last };
    if (steps > MOST * last) throw new RangeError("it does not come to the end of its way");
  }
  keep(under, under.before!, 0, 0);
  return { rigs: asked.rigs, rows: under.rows };
}

/** Steps for each point of the way at the most: a machine that cannot hold its way comes to no end. */
const MOST = 40;

/** Where the machine really stands when the terminal takes it to stand at the beginning of its way. */
function beginning({ truth, believed }: Both<WorldRig>, at: Spot & { heading: number }) {
  const [is, taken] = [antennaFrom(truth, at.heading, 0), antennaFrom(believed, at.heading, 0)];
  return {
    ...placed({ x: at.x + taken.x - is.x, y: at.y + taken.y - is.y }, 0, { x: 0, y: 0 }),
    heading: at.heading,
  };
}

/** The same in one go. */
export function drive(asked: ToDrive): Driven {
  const run = driven(asked);
  for (;;) {
    const { done, value } = run.next();
    if (done) return value;
  }
}
