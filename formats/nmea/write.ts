/** Positions as a receiver's log: NMEA 0183 sentences GGA, RMC and VTG, each with its checksum. */
import type { Geographic } from "../../core/geodesy/plane.ts";
import type { Fix } from "../../core/trade/field-conditions.ts";
import { checksum } from "./log.ts";

/** Radians, seconds since the log began, m/s. */
type Position = { at: Geographic; seconds: number; heading: number; speed: number; fix: Fix };

const QUALITY: Record<Fix, number> = { single: 1, differential: 2, fixed: 4, float: 5 };

/** The log, latitude and longitude with `decimals` of a minute. */
export function writeLog(positions: readonly Position[], decimals: number): string {
  return `${positions.flatMap((each) => sentences(each, decimals)).join("\r\n")}\r\n`;
}

function sentences({ at, seconds, heading, speed, fix }: Position, decimals: number): string[] {
  const clock = new Date(Date.UTC(2026, 3, 2, 9, 12, 0) + seconds * 1000);
  const time = `${clock.toISOString().slice(11, 19).replace(/:/g, "")}.${String(clock.getUTCMilliseconds() / 10).padStart(2, "0")}`;
  const latitude = `${degrees(at.latitude, 2, decimals)},N`;
  const longitude = `${degrees(at.longitude, 3, decimals)},E`;
  const course = ((((heading * 180) / Math.PI) % 360) + 360) % 360;
  const knots = (speed * 3600) / 1852;
  return [
    `GPGGA,${time},${latitude},${longitude},${QUALITY[fix]},14,0.7,12.4,M,41.0,M,1.0,0021`,
    `GPRMC,${time},A,${latitude},${longitude},${knots.toFixed(2)},${course.toFixed(2)},020426,,,R`,
    `GPVTG,${course.toFixed(2)},T,,M,${knots.toFixed(2)},N,${(speed * 3.6).toFixed(2)},K,R`,
  ].map((body) => `$${body}*${checksum(body).toString(16).toUpperCase().padStart(2, "0")}`);
}

/** "ddmm.mmmmmmm" */
function degrees(radians: number, digits: number, decimals: number): string {
  const total = (radians * 180) / Math.PI;
  const whole = Math.floor(total);
  return `${String(whole).padStart(digits, "0")}${((total - whole) * 60).toFixed(decimals).padStart(3 + decimals, "0")}`;
}
