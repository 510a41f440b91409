/** A practice rig driven over the simulated field by what its terminal believes; what one then finds on the ground. */
import { type DimensionKey, unchanging } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import { fromPlane, type Geographic } from "../geodesy/plane.ts";
import { FIX_SIGMA, PASS_TO_PASS } from "../rig/receiver.ts";
import type { Fix } from "../trade/field-conditions.ts";
import type { Believed } from "./believed.ts";
import type { Chance } from "./random.ts";
import { ORIGIN } from "./receiver.ts";
import { hasRanks, type Truth, trueBetween } from "./truth.ts";

export type Field = { truth: Truth; believed: Believed; random: Chance; fix: Fix };

/** A tape over stubble, and the eye that finds the edge of the work, metres, 1 σ (common practice, no source). */
const TAPE_IN_FIELD = 0.008;
/** A switching valve and the seed's fall, metres, 1 σ. */
const MARK_SCATTER = 0.04;

/** How much of the receiver's wandering one standing reading keeps: it is averaged over some seconds. */
const STANDING = 0.35;

/**
 * Passes T apart on straight lines, up and down. Guidance brings the work as it is believed onto the line; the work as it
 * is lies where the receiver really carries it. Returns the gaps from left to right as the first pass sees them.
 */
export function driveJoints({ truth, believed, random, fix }: Field, passes: number) {
  const height = truth.values["receiver.height"] ?? 0;
  const width = truth.values["tool.width"] ?? 0;
  const edges = Array.from({ length: passes }, (_, index) => {
    const way = index % 2 === 0 ? 1 : -1;
    const line = index * believed.spacing;
    const wander = random.normal(FIX_SIGMA[fix] * PASS_TO_PASS);
    const lean = height * Math.sin(truth.rollBias);
    // What the terminal calls the middle of the work lies on the line: the antenna is where that puts it.
    const antenna = line - way * (believed.between("receiver", "workMid", "y") - lean) - wander;
    const middle = antenna + way * trueBetween(truth, "receiver", "workMid", "y");
    return { way: way as 1 | -1, left: middle - width / 2, right: middle + width / 2 };
  });
  return edges.slice(1).map((pass, index) => ({
    left: edges[index]!.way,
    right: pass.way,
    gap: pass.left - edges[index]!.right + random.normal(TAPE_IN_FIELD),
  }));
}

/** Parked in the same wheel marks both ways round: where the terminal says the rear axle is, beside a line and along it. */
export function parkTwice({ truth, believed, random, fix }: Field) {
  const lateral = trueBetween(truth, "axle", "receiver", "y");
  const foreAft = trueBetween(truth, "axle", "receiver", "x");
  const lean = (truth.values["receiver.height"] ?? 0) * Math.sin(truth.rollBias);
  const marks = random.between(-0.4, 0.4);
  const read = (way: 1 | -1) => ({
    across:
      marks +
      way * (lateral - lean - believed.between("axle", "receiver", "y")) +
      random.normal(FIX_SIGMA[fix] * STANDING),
    along:
      way * (foreAft - believed.between("axle", "receiver", "x")) + random.normal(FIX_SIGMA[fix] * STANDING),
  });
  const [first, second] = [read(1), read(-1)];
  return { first: first.across, second: second.across, along: second.along - first.along };
}

/** A compass or a terminal's heading, radians, 1 σ: a few degrees (common practice, no source). */
const COMPASS = (2 * Math.PI) / 180;

/**
 * Parked in the same wheel marks both ways round, once with each heading: where the antenna really is, in degrees as a
 * terminal shows it, eight decimals; and the first heading as somebody read it off.
 */
export function parkOnCoordinates({ truth, random, fix }: Omit<Field, "believed">) {
  const lean = (truth.values["receiver.height"] ?? 0) * Math.sin(truth.rollBias);
  const right = trueBetween(truth, "axle", "receiver", "y") - lean;
  const ahead = trueBetween(truth, "axle", "receiver", "x");
  const heading = random.between(0, 2 * Math.PI);
  const marks = { east: random.between(-40, 40), north: random.between(-40, 40) };
  const stand = (course: number): Geographic => {
    const wander = () => random.normal(FIX_SIGMA[fix] * STANDING);
    const place = fromPlane(ORIGIN, {
      east: marks.east + ahead * Math.sin(course) + right * Math.cos(course) + wander(),
      north: marks.north + ahead * Math.cos(course) - right * Math.sin(course) + wander(),
    });
    return { latitude: shown(place.latitude), longitude: shown(place.longitude) };
  };
  return {
    heading: (heading + random.normal(COMPASS) + 2 * Math.PI) % (2 * Math.PI),
    first: stand(heading),
    second: stand(heading + Math.PI),
  };
}

/** Degrees of eight decimals, a millimetre, as radians again. */
function shown(radians: number): number {
  return (Math.round((radians * 180e8) / Math.PI) / 1e8) * (Math.PI / 180);
}

/** A string across the way, crossed at a speed: how far past it the work begins or ends. */
export function crossString(
  { truth, believed, random, fix }: Field,
  { edge, way, speed, shift }: { edge: "on" | "off"; way: 1 | -1; speed: number; shift: number },
): number {
  const point: PointKey = edge === "on" || !hasRanks(truth) ? "workFront" : "workRear";
  const boundary = way * shift;
  const wander = random.normal(FIX_SIGMA[fix] * STANDING);
  // The order is given when the believed edge of the work is as far off as it runs in the time entered.
  const antenna =
    boundary - speed * believed.delays[edge] - believed.between("receiver", point, "x") + wander;
  const work = antenna + trueBetween(truth, "receiver", point, "x") + speed * truth.delays[edge];
  return work + random.normal(MARK_SCATTER / 2) + speed * random.normal(0.01);
}

/** Tracks of the wheels that leave the marks, metres. */
const TRACKS = { tractor: 1.86, tool: 2.24 };

/**
 * A drawn tool pulled round a circle until it runs in its own marks, step by step: the pin is drawn along, the tool's wheels
 * roll where they point. Returns diameters from mark to mark.
 */
export function driveCircle({ truth, random }: Pick<Field, "truth" | "random">) {
  const hitch = truth.values["axle.pin"] ?? 0;
  const pivot = truth.values["pin.pivot"] ?? 0;
  const radius = Math.max(random.between(8.5, 11), pivot * 1.45);
  const towed = settle(radius, hitch, pivot);
  const across = (middle: number, track: number, side: 1 | -1) =>
    2 * middle + side * track + random.normal(TAPE_IN_FIELD);
  return {
    tractorOuter: across(radius, TRACKS.tractor, 1),
    tractorInner: across(radius, TRACKS.tractor, -1),
    toolOuter: across(towed, TRACKS.tool, 1),
    toolInner: across(towed, TRACKS.tool, -1),
  };
}

/** Radius the tool's axle ends up on, after three times round. */
export function settle(radius: number, hitch: number, pivot: number): number {
  const step = 0.01;
  const pinAt = (turn: number) => {
    const course = turn + Math.PI / 2;
    return {
      x: radius * Math.cos(turn) - hitch * Math.cos(course),
      y: radius * Math.sin(turn) - hitch * Math.sin(course),
    };
  };
  // The pin moves across its own radius, one radian a second; across the tool's drawbar it turns the tool.
  const turning = (turn: number, heading: number) => {
    const pin = pinAt(turn);
    return (pin.x * Math.cos(heading) + pin.y * Math.sin(heading)) / pivot;
  };
  let heading = Math.PI / 2;
  let turn = 0;
  for (; turn < 6 * Math.PI; turn += step) {
    const half = heading + (step / 2) * turning(turn, heading);
    heading += step * turning(turn + step / 2, half);
  }
  const pin = pinAt(turn);
  return Math.hypot(pin.x - pivot * Math.cos(heading), pin.y - pivot * Math.sin(heading));
}

/** A tape stretched on the floor between two points. */
export function stretchTape(
  { truth, random }: Pick<Field, "truth" | "random">,
  from: PointKey,
  to: PointKey,
): number {
  const distance = Math.hypot(trueBetween(truth, from, to, "x"), trueBetween(truth, from, to, "y"));
  return Math.round((distance + random.normal(0.004)) * 1000) / 1000;
}

/** What a tape says of one dimension; counts are counted right, and spacings are taped over ten gaps. */
export function stretchReading(
  { truth, random }: Pick<Field, "truth" | "random">,
  key: DimensionKey,
): number | null {
  const value = truth.values[key];
  if (value === undefined) return null;
  if (unchanging(key).kind === "count" || key === "work.overlap") return value;
  const tape = key === "rows.spacing" ? 0.0003 : 0.004;
  return Math.round((value + random.normal(tape)) * 1000) / 1000;
}
