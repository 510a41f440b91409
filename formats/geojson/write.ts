/** Boundaries and lines as GeoJSON (RFC 7946): longitude first, outlines anticlockwise, holes clockwise. */
import { degreesOf } from "../../core/geodesy/degrees.ts";
import { reached } from "../../core/geodesy/ellipsoid.ts";
import { flatten } from "../../core/geodesy/flat.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import { type Boundary, type Ring, sizeOf } from "../../core/place/boundary.ts";
import type { LineGiven, PlaceGiven } from "../../core/place/given.ts";
import type { LineShape } from "../../core/place/line.ts";
import { signedArea } from "../../core/place/ring.ts";

type Feature = { type: "Feature"; properties: Record<string, string | number>; geometry: unknown };

/** What a line of a heading alone is drawn as, metres. */
const DRAWN = 500;

/** Fields with a boundary, and lines, as one collection. */
export function writeGeoJson(places: readonly Omit<PlaceGiven, "problem">[]): string {
  const features = places.flatMap(({ boundary, lines, ...of }): Feature[] => [
    ...(boundary ? [fieldFeature(of, boundary)] : []),
    ...lines.map((line) => lineFeature(of, line)),
  ]);
  return `${JSON.stringify({ type: "FeatureCollection", features }, null, 1)}\n`;
}

type Of = { client: string; farm: string; field: string };

function fieldFeature({ client, farm, field }: Of, boundary: Boundary): Feature {
  return {
    type: "Feature",
    properties: { name: field, client, farm, area_ha: Math.round(sizeOf(boundary).area) / 1e4 },
    geometry: geometryOf(boundary),
  };
}

/** A polygon, or several where it has parts: outlines anticlockwise, holes clockwise. */
export function geometryOf(boundary: Boundary) {
  const polygons = boundary.map(({ outer, holes }) => [
    ring(outer, 1),
    ...holes.map((hole) => ring(hole, -1)),
  ]);
  return polygons.length === 1
    ? { type: "Polygon", coordinates: polygons[0] }
    : { type: "MultiPolygon", coordinates: polygons };
}

function ring(corners: Ring, sense: 1 | -1): number[][] {
  const area = signedArea(corners.map((corner) => flatten(corners[0]!, corner)));
  const turned = Math.sign(area) === sense ? [...corners] : [...corners].reverse();
  return [...turned, turned[0]!].map(position);
}

const position = ({ latitude, longitude }: Geographic) => [degreesOf(longitude), degreesOf(latitude)];

function lineFeature({ client, farm, field }: Of, { name, shape }: LineGiven): Feature {
  const properties = { name, field, client, farm, kind: shape.kind, ...figuresOf(shape) };
  return {
    type: "Feature",
    properties,
    geometry:
      shape.kind === "circle"
        ? { type: "Point", coordinates: position(shape.centre) }
        : { type: "LineString", coordinates: drawn(shape).map(position) },
  };
}

function figuresOf(shape: LineShape): Record<string, number> {
  if (shape.kind === "heading") return { heading_deg: degreesOf(shape.heading) };
  return shape.kind === "circle" ? { radius_m: shape.radius } : {};
}

function drawn(shape: Exclude<LineShape, { kind: "circle" }>): readonly Geographic[] {
  if (shape.kind === "curve") return shape.points;
  return shape.kind === "ab" ? [shape.a, shape.b] : [shape.a, reached(shape.a, shape.heading, DRAWN)];
}
