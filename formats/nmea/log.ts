/** A receiver's log: NMEA 0183 sentences GGA, RMC and VTG, one a line (field order from memory). */

import type { Fixed } from "../../core/geodesy/fixed.ts";
import { type Geographic, toPlane } from "../../core/geodesy/plane.ts";
import type { Fix } from "../../core/trade/field-conditions.ts";

export type Log = {
  points: Fixed[];
  origin: Geographic;
  /** the fewest decimals of a minute in any position */
  decimals: number;
  /** positions a second, the median */
  rate: number;
  /** share of positions by kind of fix, 0 to 1 */
  fixes: Partial<Record<Fix, number>>;
  /** lines that were no sentence, whose checksum was wrong, or that could not be read */
  spoiled: number;
  sentences: number;
};

export type ReadLog = { ok: true; log: Log } | { ok: false; problem: string };

/** A log of several hours; more is a mistake. */
const MOST_BYTES = 20_000_000;
/** Five decimals of a minute are 1.9 cm: half of that would be read as an offset. */
export const DECIMALS_WANTED = 6;
const MOST_SPOILED = 0.05;

/** Quality indicator of GGA. */
const FIX_OF: Record<string, Fix> = { "1": "single", "2": "differential", "4": "fixed", "5": "float" };

type Position = Geographic & { time: number; fix: Fix | null; decimals: number };

/** Reads a log. Positions come from GGA, or from RMC where there is no GGA; VTG is counted, its course is not needed. */
export function readLog(text: string): ReadLog {
  if (text.length > MOST_BYTES) return { ok: false, problem: "The log is over 20 MB. Cut it to the run." };
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== "");
  if (lines.length === 0) return { ok: false, problem: "The log is empty." };
  const sentences = lines.map(readSentence);
  const spoiled = sentences.filter((each) => each === null).length;
  const good = sentences.filter((each) => each !== null);
  if (good.length === 0)
    return { ok: false, problem: "No sentence with a right checksum was found: is this a log of NMEA 0183?" };
  if (spoiled / lines.length > MOST_SPOILED)
    return {
      ok: false,
      problem: `${spoiled} of ${lines.length} lines are spoiled: a wrong checksum or no sentence. Record the log again.`,
    };
  const positions = positionsOf(good);
  if (positions.length < 2)
    return { ok: false, problem: "There are no positions: record GGA, and RMC or VTG beside it." };
  const { latitude, longitude } = positions[0]!;
  const origin = { latitude, longitude };
  const points = positions.map(
    (each): Fixed => ({ ...toPlane(origin, each), time: each.time, fix: each.fix }),
  );
  return {
    ok: true,
    log: {
      points,
      origin,
      // A log of hours has more positions than a call takes arguments.
      decimals: positions.reduce(
        (least, { decimals }) => Math.min(least, decimals),
        Number.POSITIVE_INFINITY,
      ),
      rate: rateOf(points),
      fixes: sharesOf(points),
      spoiled,
      sentences: good.length,
    },
  };
}

type Sentence = { kind: string; fields: string[] };

/** "$GPGGA,…*5A" with a checksum that is right; null for anything else. */
function readSentence(line: string): Sentence | null {
  const found = /^\$([A-Z]{2})([A-Z]{3}),([^*]*)\*([0-9A-F]{2})\s*$/i.exec(line.trim());
  if (!found) return null;
  const [, , kind, fields, given] = found as unknown as [string, string, string, string, string];
  const body = line.trim().slice(1, line.trim().lastIndexOf("*"));
  return Number.parseInt(given, 16) === checksum(body)
    ? { kind: kind.toUpperCase(), fields: fields.split(",") }
    : null;
}

/** Exclusive or of all characters between $ and *. */
export function checksum(body: string): number {
  let sum = 0;
  for (let at = 0; at < body.length; at += 1) sum ^= body.charCodeAt(at);
  return sum;
}

function positionsOf(sentences: readonly Sentence[]): Position[] {
  const useGga = sentences.some(({ kind }) => kind === "GGA");
  const found: Position[] = [];
  let days = 0;
  for (const { kind, fields } of sentences) {
    if (kind !== (useGga ? "GGA" : "RMC")) continue;
    const read = useGga ? ggaOf(fields) : rmcOf(fields);
    if (!read) continue;
    const last = found.at(-1);
    // Past midnight the clock starts again.
    if (last && read.time + days < last.time - 43_200) days += 86_400;
    const time = read.time + days;
    if (last && time <= last.time) continue;
    found.push({ ...read, time });
  }
  return found;
}

function ggaOf([time, latitude, ns, longitude, ew, quality]: string[]): Position | null {
  if (quality === "0" || quality === "") return null;
  return position(
    time,
    latitude,
    ns,
    longitude,
    ew,
    Object.hasOwn(FIX_OF, quality ?? "") ? FIX_OF[quality!]! : null,
  );
}

function rmcOf([time, status, latitude, ns, longitude, ew]: string[]): Position | null {
  return status === "A" ? position(time, latitude, ns, longitude, ew, null) : null;
}

function position(
  time = "",
  latitude = "",
  ns = "",
  longitude = "",
  ew = "",
  fix: Fix | null,
): Position | null {
  const clock = /^(\d\d)(\d\d)(\d\d(?:\.\d+)?)$/.exec(time);
  const [lat, lon] = [minutes(latitude, 2, 90), minutes(longitude, 3, 180)];
  if (!clock || !lat || !lon || !/^[NS]$/.test(ns) || !/^[EW]$/.test(ew)) return null;
  const [hours, mins, seconds] = clock.slice(1).map(Number) as [number, number, number];
  if (hours > 23 || mins > 59 || seconds >= 61) return null;
  return {
    latitude: ns === "S" ? -lat.radians : lat.radians,
    longitude: ew === "W" ? -lon.radians : lon.radians,
    time: hours * 3600 + mins * 60 + seconds,
    fix,
    decimals: Math.min(lat.decimals, lon.decimals),
  };
}

/** "ddmm.mmmm": degrees and minutes run together. */
function minutes(text: string, digits: number, most: number): { radians: number; decimals: number } | null {
  const found = new RegExp(`^(\\d{${digits}})(\\d\\d(?:\\.(\\d+))?)$`).exec(text);
  if (!found) return null;
  const degrees = Number(found[1]) + Number(found[2]) / 60;
  if (Number(found[2]) >= 60 || degrees > most) return null;
  return { radians: (degrees * Math.PI) / 180, decimals: found[3]?.length ?? 0 };
}

function rateOf(points: readonly Fixed[]): number {
  const gaps = points.slice(1).map(({ time }, at) => time - points[at]!.time);
  const middle = gaps.sort((a, b) => a - b)[Math.floor(gaps.length / 2)]!;
  return 1 / middle;
}

function sharesOf(points: readonly Fixed[]): Log["fixes"] {
  const shares: Log["fixes"] = {};
  for (const { fix } of points) if (fix) shares[fix] = (shares[fix] ?? 0) + 1 / points.length;
  return shares;
}
