/** The receiver of a practice rig on an up-and-back run: where it believes it is, five times a second. */
import { fromPlane, type Geographic } from "../geodesy/plane.ts";
import { FIX_SIGMA } from "../rig/receiver.ts";
import type { Fix } from "../trade/field-conditions.ts";
import type { Chance } from "./random.ts";
import { type Truth, trueBetween } from "./truth.ts";

/** Somewhere in the North Sea, where no farm is. */
export const ORIGIN: Geographic = { latitude: (55.2 * Math.PI) / 180, longitude: (3.1 * Math.PI) / 180 };
const RATE = 5;
const SPEED = 1.8;
const LENGTH = 110;

/** One position as the receiver has it: seconds since the start, heading in radians from north, m/s. */
export type Position = { at: Geographic; seconds: number; heading: number; speed: number; fix: Fix };

type Pose = { x: number; y: number; heading: number };

/** Up and back in the same marks, `times` over, with a turning loop at each end. Heading 0 is north. */
function* poses(times: number): Generator<Pose> {
  const step = SPEED / RATE;
  const course = 0.7;
  for (let run = 0; run < 2 * times; run += 1) {
    const up = run % 2 === 0;
    for (let along = 0; along <= LENGTH; along += step) {
      const at = up ? along : LENGTH - along;
      yield { x: at * Math.sin(course), y: at * Math.cos(course), heading: up ? course : course + Math.PI };
    }
    // Round the headland: out to the side, round, and back onto the line.
    const end = up ? LENGTH : 0;
    const heading = up ? course : course + Math.PI;
    const radius = 7;
    for (let turned = 0; turned < 2 * Math.PI * radius; turned += step) {
      const angle = turned / radius / 2;
      const side = radius * (1 - Math.cos(2 * angle)) * 0.5;
      const ahead = radius * Math.sin(2 * angle);
      yield {
        x: end * Math.sin(course) + ahead * Math.sin(heading) + side * Math.cos(heading),
        y: end * Math.cos(course) + ahead * Math.cos(heading) - side * Math.sin(heading),
        heading: heading + angle,
      };
    }
  }
}

/** The positions of the run, `times` up and back. */
export function recordRun(
  { truth, random, fix }: { truth: Truth; random: Chance; fix: Fix },
  times: number,
): Position[] {
  const ahead = trueBetween(truth, "axle", "receiver", "x");
  const right = trueBetween(truth, "axle", "receiver", "y");
  const positions: Position[] = [];
  let [wanderX, wanderY, marks] = [0, 0, 0];
  let tick = 0;
  for (const { x, y, heading } of poses(times)) {
    // A receiver's error wanders slowly; the wheels keep to their marks to a centimetre or so.
    wanderX = 0.995 * wanderX + random.normal(FIX_SIGMA[fix] * 0.04);
    wanderY = 0.995 * wanderY + random.normal(FIX_SIGMA[fix] * 0.04);
    marks = 0.97 * marks + random.normal(0.003);
    const side = right + marks;
    const east = x + ahead * Math.sin(heading) + side * Math.cos(heading) + wanderX;
    const north = y + ahead * Math.cos(heading) - side * Math.sin(heading) + wanderY;
    positions.push({
      at: fromPlane(ORIGIN, { east, north }),
      seconds: tick / RATE,
      heading,
      speed: SPEED,
      fix,
    });
    tick += 1;
  }
  return positions;
}
