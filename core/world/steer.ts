/** A controller that steers a machine along its way: where the terminal takes it to be, a curvature wanted, an answer that comes late and has its limits. */
import { folded } from "../motion/angle.ts";
import type { Aim } from "../motion/dubins.ts";
import { bentFor, type Steering } from "../motion/machine.ts";
import type { Route } from "./route.ts";

export type Controller = {
  /** metres within which it comes to its line: the shorter the harsher */
  comesIn: number;
  /** damping of the swing about the line: 1 and more does not swing over */
  damping: number;
  /** seconds from the position to the valve */
  delay: number;
  /** seconds in which the wheels follow what is asked by two thirds */
  answers: number;
  /** the fastest wheels or joint move, radians a second; of tracks 1/m a second */
  fastest: number;
};

/** As a machine steers whose routine was run (ours; common practice for figures of this size, no source). */
export const STEERS_WELL: Controller = {
  comesIn: 4,
  damping: 0.9,
  delay: 0.15,
  answers: 0.25,
  fastest: 0.45,
};

/** Where on its way a machine is: the index only moves on. */
export type Place = { at: number; off: number; askew: number };

/** Points of the way it looks on for the nearest: ten metres. */
const LOOKS = 20;

/** The nearest point of the way from the one before on; how far right of it, and how far askew. */
export function placeOn(route: Route, from: number, { x, y, heading }: Aim): Place {
  let [best, least] = [from, Number.POSITIVE_INFINITY];
  const last = Math.min(route.x.length - 1, from + LOOKS);
  for (let at = from; at <= last; at += 1) {
    const far = (route.x[at]! - x) ** 2 + (route.y[at]! - y) ** 2;
    if (far < least) [best, least] = [at, far];
  }
  const course = route.heading[best]!;
  return {
    at: best,
    off: -(x - route.x[best]!) * Math.sin(course) + (y - route.y[best]!) * Math.cos(course),
    askew: folded(heading - course),
  };
}

/** Steering that is wanted: a damped swing about the line, on top of the way's own bend a moment ahead. */
export function wanted(
  { comesIn, damping, delay, answers }: Controller,
  steering: Steering,
  radius: number,
  route: Route,
  { at, off, askew }: Place,
  speed: number,
): number {
  const ahead = Math.min(route.curvature.length - 1, at + Math.round((speed * (delay + answers)) / 0.5));
  const most = 1 / radius;
  const pull = Math.max(-1.5, Math.min(1.5, off)) / comesIn ** 2;
  const curvature = route.curvature[ahead]! - pull - (2 * damping * Math.sin(askew)) / comesIn;
  return bentFor(steering, Math.max(-most, Math.min(most, curvature)));
}

/** How fast it is bent towards what is wanted. */
export const bendingTo = ({ answers, fastest }: Controller, bent: number, to: number): number =>
  Math.max(-fastest, Math.min(fastest, (to - bent) / answers));
