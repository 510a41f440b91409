/** Corners as people write them, one a line: "51.20341, 9.45120", "51° 12.2046' N 9° 27.072' E", "N51 12 12.3 E9 27 4.3". */
import { degreesOf, radiansOf } from "../geodesy/degrees.ts";
import type { Geographic } from "../geodesy/plane.ts";
import { type Boundary, contains, type Ring, ringsOf } from "./boundary.ts";

export type TypedRings = { ok: true; rings: Geographic[][] } | { ok: false; line: number; problem: string };

/** Latitude first; letters outrank the order. An empty line begins another ring. A line that is no place is named by its number. */
export function readRings(text: string): TypedRings {
  const rings: Geographic[][] = [[]];
  for (const [at, line] of text.split(/\r?\n/).entries()) {
    if (line.trim() === "") {
      if (rings.at(-1)!.length > 0) rings.push([]);
      continue;
    }
    const read = readPlace(line);
    if (typeof read === "string") return { ok: false, line: at + 1, problem: read };
    rings.at(-1)!.push(read);
  }
  return { ok: true, rings: rings.filter(({ length }) => length > 0) };
}

/** Rings as parts: one that lies in an outline before it is a hole of that, any other an outline of its own. */
export function partsOf(rings: readonly Ring[]): Boundary {
  const parts: { outer: Ring; holes: Ring[] }[] = [];
  for (const ring of rings) {
    const [first] = ring;
    const home = parts.find(({ outer }) => first && contains([{ outer, holes: [] }], first));
    if (home) home.holes.push(ring);
    else parts.push({ outer: ring, holes: [] });
  }
  return parts;
}

/** A boundary as it would be typed. */
export function writeRings(boundary: Boundary): string {
  return ringsOf(boundary)
    .map((ring) =>
      ring.map(({ latitude, longitude }) => `${degreesOf(latitude)}, ${degreesOf(longitude)}`).join("\n"),
    )
    .join("\n\n");
}

type Angle = { degrees: number; letter: string };

/** A place, or why the text is none. */
export function readPlace(text: string): Geographic | string {
  const halves = halvesOf(text.trim().toUpperCase());
  if (!halves) return "Two angles are wanted: latitude, then longitude.";
  const angles = halves.map(readAngle);
  const [first, second] = angles;
  if (!first || !second) return `“${halves[angles.indexOf(null)]!.trim()}” is no angle.`;
  const isEast = ({ letter }: Angle) => letter === "E" || letter === "W";
  const isNorth = ({ letter }: Angle) => letter === "N" || letter === "S";
  if ((isEast(first) && isEast(second)) || (isNorth(first) && isNorth(second)))
    return "Both angles are of the same kind.";
  const [latitude, longitude] = isEast(first) || isNorth(second) ? [second, first] : [first, second];
  if (Math.abs(latitude.degrees) > 90)
    return `${latitude.degrees}° of latitude is more than there is. Latitude comes first.`;
  if (Math.abs(longitude.degrees) > 180) return `${longitude.degrees}° of longitude is more than there is.`;
  return { latitude: radiansOf(latitude.degrees), longitude: radiansOf(longitude.degrees) };
}

/** By a letter, by a comma or semicolon that parts, or by the space between two numbers. */
function halvesOf(text: string): [string, string] | null {
  const split = (pattern: RegExp) => {
    const found = pattern.exec(text);
    return found ? ([found[1]!, found[2]!] as [string, string]) : null;
  };
  return (
    split(/^([^NSEW]*[NS])[,;\s]*([^NSEW]*[EW])$/) ??
    split(/^([^NSEW]*[EW])[,;\s]*([^NSEW]*[NS])$/) ??
    split(/^([NS][^NSEW]*?)[,;\s]*([EW][^NSEW]*)$/) ??
    split(/^([EW][^NSEW]*?)[,;\s]*([NS][^NSEW]*)$/) ??
    split(/^([^;]+);([^;]+)$/) ??
    split(/^([^,]+),([^,]+)$/) ??
    split(/^([^,]+,\d+)\s*,\s*([^,]+,\d+)$/) ??
    split(/^(\S+)\s+(\S+)$/)
  );
}

function readAngle(text: string): Angle | null {
  const found =
    /^([NSEW]?)\s*([+\-−]?)\s*(\d{1,3}(?:[.,]\d+)?)\s*°?(?:\s*(\d{1,2}(?:[.,]\d+)?)\s*['′])?(?:\s*(\d{1,2}(?:[.,]\d+)?)\s*(?:"|″|''))?\s*([NSEW]?)$/.exec(
      text.trim(),
    ) ??
    /^([NSEW]?)\s*([+\-−]?)\s*(\d{1,3})[°\s]\s*(\d{1,2}(?:[.,]\d+)?)(?:['′\s]\s*(\d{1,2}(?:[.,]\d+)?))?\s*["″]?\s*([NSEW]?)$/.exec(
      text.trim(),
    );
  if (!found) return null;
  const [, before, sign, degrees, minutes = "0", seconds = "0", after] = found;
  if (before && after) return null;
  const number = (part: string) => Number(part.replace(",", "."));
  const whole = number(degrees!);
  const parts = [number(minutes), number(seconds)];
  if (parts.some((part) => part >= 60) || (found[4] !== undefined && !Number.isInteger(whole))) return null;
  if (found[5] !== undefined && !Number.isInteger(parts[0]!)) return null;
  const letter = before || after || "";
  const below = letter === "S" || letter === "W";
  if (letter !== "" && sign !== "") return null;
  const value = whole + parts[0]! / 60 + parts[1]! / 3600;
  return { degrees: below || (sign !== "" && sign !== "+") ? -value : value, letter };
}
