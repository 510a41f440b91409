/** A practice log: a simulated machine engaged beside one of the rig's lines, its sensitivities set as typed. */
import { between } from "../../../core/geodesy/ellipsoid.ts";
import { fromPlane, type Geographic } from "../../../core/geodesy/plane.ts";
import { type LineShape, placesOf } from "../../../core/place/line.ts";
import { steerToLine } from "../../../core/simulation/steered.ts";
import { writeLog } from "../../../formats/nmea/write.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { readSensitivity } from "./steering.dto.ts";
import { asideOf, linesFor } from "./steering-view.server.ts";

/** What a terminal is set to where nothing was typed, of 100. */
const MIDDLE = 50;
const SECONDS = 60;
const FROM = 1.5;
const SPEED = 2.2;

/** Where a line begins and which way it goes there; null of a circle, which the practice machine does not follow. */
function beginning(line: LineShape): { a: Geographic; heading: number } | null {
  if (line.kind === "circle") return null;
  if (line.kind === "heading") return { a: line.a, heading: line.heading };
  const [a, b] = placesOf(line);
  return a && b ? { a, heading: between(a, b).heading } : null;
}

/** The log as NMEA 0183; null where the rig has no such line, or it is round a pivot or bent. */
export function practiceLog(open: OpenRig, get: (name: string) => string | null): string | null {
  const line = linesFor(open).find(({ id }) => id === get("line"));
  const start = line && line.shape.kind !== "curve" ? beginning(line.shape) : null;
  if (!start) return null;
  const set = (name: string) => {
    const text = get(name) ?? "";
    const value = /^\d{1,3}([.,]\d)?$/.test(text) ? readSensitivity(text) : null;
    return Math.min(100, value ?? MIDDLE);
  };
  const driven = steerToLine(
    { line: set("lineSensitivity"), heading: set("headingSensitivity"), lead: set("headingLead") },
    { from: FROM, seconds: SECONDS, seed: 4711 },
  );
  const [sin, cos] = [Math.sin(start.heading), Math.cos(start.heading)];
  // The antenna runs beside the work where it is mounted off its middle.
  const shifted = (line?.shifted ?? 0) + asideOf(open);
  return writeLog(
    driven.map(({ along, off, heading, seconds }) => {
      const across = off + shifted;
      const at = fromPlane(start.a, { east: along * sin + across * cos, north: along * cos - across * sin });
      return { at, seconds, heading: start.heading + heading, speed: SPEED, fix: "fixed" as const };
    }),
    7,
  );
}
