/** Fields seen from above, north up, to scale: outlines, lines on them, a scale to read lengths by. Pixels, y down. */

import { flatten } from "../geodesy/flat.ts";
import type { Geographic } from "../geodesy/plane.ts";
import { type Boundary, type Ring, ringsOf } from "../place/boundary.ts";
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

export function scaleBar(fit: Fit, units: Units, most = 120): ScaleBar {
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
      label: labelOf(name, largest(boundary), fit),
    })),
  };
}

function largest(boundary: Boundary): Ring {
  const reach = (ring: Ring) => middleOf(ring.map((corner) => flatten(ring[0]!, corner))).area;
  return boundary.map(({ outer }) => outer).reduce((a, b) => (reach(b) > reach(a) ? b : a));
}

function labelOf(text: string, ring: Ring, fit: Fit): FieldOnMap["label"] {
  const flat = ring.map((place) => ({ east: fit.x(place), north: fit.y(place) }));
  const { middle } = middleOf(flat);
  const half = (text.length * LETTER) / 2;
  // Room is where the line of the name lies within the ring: its ends and their heights do.
  const crossings = (y: number) =>
    flat
      .flatMap((a, at) => {
        const b = flat[(at + 1) % flat.length]!;
        return a.north > y === b.north > y
          ? []
          : [a.east + ((y - a.north) / (b.north - a.north)) * (b.east - a.east)];
      })
      .sort((a, b) => a - b);
  const fits = [-LINE / 2, 0, LINE / 2].every((off) => {
    const all = crossings(middle.north + off);
    const left = all.filter((x) => x <= middle.east).at(-1);
    const right = all.find((x) => x > middle.east);
    return (
      left !== undefined && right !== undefined && middle.east - half > left && middle.east + half < right
    );
  });
  return fits ? { x: middle.east, y: middle.north + 5, text } : null;
}
