/** The receiver of a practice rig on an up-and-back run: its log, sentence by sentence. */
import { fromPlane, type Geographic } from "../../core/geodesy/plane.ts";
import type { Fix } from "../../core/proof/conditions.ts";
import { FIX_SIGMA } from "../../core/rig/receiver.ts";
import { checksum } from "../../formats/nmea/log.ts";
import type { Chance } from "./random.ts";
import { type Truth, trueBetween } from "./truth.ts";

/** Somewhere in the North Sea, where no farm is. */
export const ORIGIN: Geographic = { latitude: (55.2 * Math.PI) / 180, longitude: (3.1 * Math.PI) / 180 };
const RATE = 5;
const SPEED = 1.8;
const LENGTH = 110;
const QUALITY: Record<Fix, number> = { single: 1, differential: 2, fixed: 4, float: 5 };

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

/** The log of the run, with `decimals` of a minute. */
export function recordRun(
  { truth, random, fix }: { truth: Truth; random: Chance; fix: Fix },
  { times, decimals }: { times: number; decimals: number },
): string {
  const ahead = trueBetween(truth, "axle", "receiver", "x");
  const right = trueBetween(truth, "axle", "receiver", "y");
  const lines: string[] = [];
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
    lines.push(
      ...sentences(fromPlane(ORIGIN, { east, north }), tick / RATE, heading, QUALITY[fix], decimals),
    );
    tick += 1;
  }
  return `${lines.join("\r\n")}\r\n`;
}

function sentences(
  at: Geographic,
  seconds: number,
  heading: number,
  quality: number,
  decimals: number,
): string[] {
  const clock = new Date(Date.UTC(2026, 3, 2, 9, 12, 0) + seconds * 1000);
  const time = `${clock.toISOString().slice(11, 19).replace(/:/g, "")}.${String(clock.getUTCMilliseconds() / 10).padStart(2, "0")}`;
  const latitude = `${degrees(at.latitude, 2, decimals)},N`;
  const longitude = `${degrees(at.longitude, 3, decimals)},E`;
  const course = ((((heading * 180) / Math.PI) % 360) + 360) % 360;
  const knots = (SPEED * 3600) / 1852;
  return [
    `GPGGA,${time},${latitude},${longitude},${quality},14,0.7,12.4,M,41.0,M,1.0,0021`,
    `GPRMC,${time},A,${latitude},${longitude},${knots.toFixed(2)},${course.toFixed(2)},020426,,,R`,
    `GPVTG,${course.toFixed(2)},T,,M,${knots.toFixed(2)},N,${(SPEED * 3.6).toFixed(2)},K,R`,
  ].map((body) => `$${body}*${checksum(body).toString(16).toUpperCase().padStart(2, "0")}`);
}

/** "ddmm.mmmmmmm" */
function degrees(radians: number, digits: number, decimals: number): string {
  const total = (radians * 180) / Math.PI;
  const whole = Math.floor(total);
  return `${String(whole).padStart(digits, "0")}${((total - whole) * 60).toFixed(decimals).padStart(3 + decimals, "0")}`;
}
