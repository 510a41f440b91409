/** Fields seen from above, north up, to scale: outlines, lines on them, a scale to read lengths by. Pixels, y down. */

import { flatten } from "../geodesy/flat.ts";
import type { Geographic } from "../geodesy/plane.ts";
import { type Boundary, ringsOf } from "../place/boundary.ts";
import { middleOf } from "../place/ring.ts";
import { METRES_PER } from "../quantity/length.ts";
import { inInches, type Units } from "../quantity/units.ts";

export type Sheet = { width: number; height: number; margin?: number };

/** How places come onto a sheet. */
export type Fit = {
  /** metres one pixel is */
  metres: number;
  x: (place: Geographic) => number;
  y: (place: Geographic) => number;
};

const MARGIN = 16;
/** A field is not drawn larger than a pixel for a decimetre. */
const FINEST = 0.1;

/** All places on the sheet, as large as they go. @throws RangeError without a place */
export function fitOf(places: readonly Geographic[], { width, height, margin = MARGIN }: Sheet): Fit {
  const [origin] = places;
  if (!origin) throw new RangeError("nothing to draw");
  const flat = places.map((place) => flatten(origin, place));
  const span = (of: (each: (typeof flat)[number]) => number) => {
    const all = flat.map(of);
    const [low, high] = [all.reduce((a, b) => Math.min(a, b)), all.reduce((a, b) => Math.max(a, b))];
    return { middle: (low + high) / 2, length: high - low };
  };
  const [across, up] = [span(({ east }) => east), span(({ north }) => north)];
  const metres = Math.max(FINEST, across.length / (width - 2 * margin), up.length / (height - 2 * margin));
  return {
    metres,
    x: (place) => width / 2 + (flatten(origin, place).east - across.middle) / metres,
    y: (place) => height / 2 - (flatten(origin, place).north - up.middle) / metres,
  };
}

const step = (fit: Fit, place: Geographic) => `${fit.x(place).toFixed(1)} ${fit.y(place).toFixed(1)}`;

/** A way through places, in the way of SVG. */
export const wayOf = (points: readonly Geographic[], fit: Fit): string =>
  points.map((place, at) => `${at === 0 ? "M" : "L"} ${step(fit, place)}`).join(" ");

/** Outlines and holes as one path, to be filled evenly and oddly. */
export const outlineOf = (boundary: Boundary, fit: Fit): string =>
  ringsOf(boundary)
    .map((ring) => `${wayOf(ring, fit)} Z`)
    .join(" ");

/** A bar of a round length, at most so many pixels. */
export type ScaleBar = { pixels: number; label: string };

const ROUND = [1, 2, 5];

/** The longest bar of a round length that is no longer than so many pixels. */
export function scaleBar(fit: Pick<Fit, "metres">, units: Units, most = 120): ScaleBar {
  const [unit, factor] = inInches(units.tape) ? ["ft", METRES_PER.ft] : ["m", 1];
  const longest = (most * fit.metres) / factor;
  const power = 10 ** Math.floor(Math.log10(longest));
  const length = Math.max(...ROUND.map((each) => each * power).filter((each) => each <= longest));
  return { pixels: (length * factor) / fit.metres, label: `${length} ${unit}` };
}

export type FieldOnMap = {
  id: number;
  path: string;
  /** where its name stands; null where it has no room */
  label: { x: number; y: number; text: string } | null;
};

/** A letter of 14 pixels is about so wide. */
const LETTER = 7.4;
const LINE = 18;

/** Several fields on one sheet, the name of each in it where it has room. */
export function mapOf(
  fields: readonly { id: number; name: string; boundary: Boundary }[],
  sheet: Sheet,
): { fields: FieldOnMap[]; fit: Fit } | null {
  const places = fields.flatMap(({ boundary }) => boundary.flatMap(({ outer }) => outer));
  if (places.length === 0) return null;
  const fit = fitOf(places, sheet);
  return {
    fit,
    fields: fields.map(({ id, name, boundary }) => ({
      id,
      path: outlineOf(boundary, fit),
      label: labelOf(name, boundary, fit),
    })),
  };
}

/** Heights at which room is looked for, pixels apart. */
const STEP = 6;

/** Where the name lies within the field and over no hole, as near to its middle as it goes. */
function labelOf(text: string, boundary: Boundary, fit: Fit): FieldOnMap["label"] {
  const rings = ringsOf(boundary).map((ring) =>
    ring.map((place) => ({ east: fit.x(place), north: fit.y(place) })),
  );
  const outer = boundary.map(({ outer: ring }) =>
    middleOf(ring.map((place) => ({ east: fit.x(place), north: fit.y(place) }))),
  );
  const { middle } = outer.reduce((a, b) => (b.area > a.area ? b : a));
  const heights = rings.flat().map(({ north }) => north);
  const [top, bottom] = [Math.min(...heights), Math.max(...heights)];
  const half = (text.length * LETTER) / 2;
  const found: { x: number; y: number; off: number }[] = [];
  for (let y = top + LINE / 2; y <= bottom - LINE / 2; y += STEP)
    for (const [left, right] of freeAt(rings, y)) {
      if (right - left < 2 * half) continue;
      const x = Math.min(right - half, Math.max(left + half, middle.east));
      found.push({ x, y, off: Math.hypot(x - middle.east, 2 * (y - middle.north)) });
    }
  const best = found.sort((a, b) => a.off - b.off)[0];
  return best ? { x: best.x, y: best.y + 5, text } : null;
}

type Span = readonly [left: number, right: number];

/** Over the height of a line, so near that no hole of a few pixels slips between. */
const HEIGHTS = Array.from({ length: 7 }, (_, at) => (at / 6 - 0.5) * LINE);

/** What lies within the field over the whole height of a line of text. */
function freeAt(rings: readonly (readonly { east: number; north: number }[])[], y: number): Span[] {
  return HEIGHTS.map((off) => spansAt(rings, y + off)).reduce((a, b) => common(a, b));
}

function spansAt(rings: readonly (readonly { east: number; north: number }[])[], y: number): Span[] {
  const crossings = rings
    .flatMap((ring) =>
      ring.flatMap((a, at) => {
        const b = ring[(at + 1) % ring.length]!;
        return a.north > y === b.north > y
          ? []
          : [a.east + ((y - a.north) / (b.north - a.north)) * (b.east - a.east)];
      }),
    )
    .sort((a, b) => a - b);
  return crossings.flatMap((left, at) => (at % 2 === 0 ? [[left, crossings[at + 1]!] as const] : []));
}

const common = (one: readonly Span[], two: readonly Span[]): Span[] =>
  one.flatMap(([left, right]) =>
    two.flatMap(([from, to]): Span[] => {
      const [low, high] = [Math.max(left, from), Math.min(right, to)];
      return low < high ? [[low, high]] : [];
    }),
  );
