/** Boundaries and lines from GeoJSON (RFC 7946): longitude before latitude, degrees on WGS 84. */
import { placeAt, radiansOf } from "../../core/geodesy/degrees.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import type { Boundary } from "../../core/place/boundary.ts";
import { boundaryProblem, tidied } from "../../core/place/check-boundary.ts";
import { type LineGiven, nameOf, type PlaceGiven, type PlacesGiven } from "../../core/place/given.ts";
import type { LineShape } from "../../core/place/line.ts";
import { isLineLongEnough } from "../../core/place/line-length.ts";

export type ReadPlaces = { ok: true; given: PlacesGiven } | { ok: false; problem: string };

const MOST_BYTES = 20_000_000;
const MOST_FEATURES = 2_000;

type Json = Record<string, unknown>;

class NoPlace extends Error {}

/** Properties a field's name may stand under. */
const NAMES = ["name", "field", "title"] as const;

/**
 * Reads a feature collection, a feature or a bare geometry. `known`: where the yard's fields lie, to tell swapped coordinates by; `names`: the properties its
 * boundaries are called by.
 */
export function readGeoJson(
  text: string,
  known: readonly Geographic[] = [],
  names: readonly string[] = NAMES,
): ReadPlaces {
  if (text.length > MOST_BYTES) return { ok: false, problem: "The file is larger than 20 MB." };
  let json: unknown;
  try {
    json = JSON.parse(text.replace(/^\ufeff/, ""));
  } catch (error) {
    return { ok: false, problem: `It is no JSON: ${(error as Error).message}.` };
  }
  try {
    return { ok: true, given: givenIn(json, known, names) };
  } catch (error) {
    if (error instanceof NoPlace) return { ok: false, problem: error.message };
    throw error;
  }
}

function givenIn(json: unknown, known: readonly Geographic[], names: readonly string[]): PlacesGiven {
  const root = objectOf(json, "The file");
  refuseOtherSystem(root);
  const features = featuresOf(root);
  if (features.length === 0) throw new NoPlace("There is no feature in it.");
  if (features.length > MOST_FEATURES)
    throw new NoPlace(`It has ${features.length} features; ${MOST_FEATURES} are read.`);
  const found = features.map((feature, at) => readFeature(feature, at + 1, known, names));
  const places = found.flatMap(({ place }) => (place ? [place] : []));
  return {
    places: gatherLines(
      places,
      found.flatMap(({ line }) => (line ? [line] : [])),
    ),
    notes: found.flatMap(({ note }) => (note ? [note] : [])),
  };
}

/** Coordinates of another system (a member of the standard's forerunner) would be read as degrees and lie elsewhere. */
function refuseOtherSystem(root: Json): void {
  if (!("crs" in root) || root.crs === null) return;
  const name = JSON.stringify(root.crs);
  if (!/CRS84|EPSG:+4326/i.test(name))
    throw new NoPlace(
      "It says that its coordinates are of another system than longitude and latitude on WGS 84. Write it out as RFC 7946.",
    );
}

function featuresOf(root: Json): Json[] {
  if (own(root, "type") === "FeatureCollection") {
    const features = own(root, "features");
    if (!Array.isArray(features)) throw new NoPlace("Its features are no list.");
    return features.map((each, at) => objectOf(each, `Feature ${at + 1}`));
  }
  return own(root, "type") === "Feature" ? [root] : [{ type: "Feature", properties: {}, geometry: root }];
}

type OwnLine = LineGiven & { client: string; farm: string; field: string };
type Found = { place?: PlaceGiven; line?: OwnLine; note?: string };

function readFeature(
  feature: Json,
  number: number,
  known: readonly Geographic[],
  names: readonly string[],
): Found {
  const title = `Feature ${number}`;
  const geometry = own(feature, "geometry");
  if (geometry === null || geometry === undefined) return { note: `${title} has no geometry: left out.` };
  const shape = objectOf(geometry, `The geometry of feature ${number}`);
  const properties = own(feature, "properties");
  const say = (...keys: string[]) => textOf(properties, keys);
  const owner = { client: say("client", "customer", "grower"), farm: say("farm") };
  const type = String(own(shape, "type"));
  const coordinates = own(shape, "coordinates");
  const polygons = type === "Polygon" ? [coordinates] : type === "MultiPolygon" ? coordinates : null;
  if (polygons !== null) {
    const name = say(...names);
    const place = { ...owner, field: name || `Field ${number}`, lines: [] };
    try {
      const boundary = tidied(boundaryOf(polygons, name || title));
      return { place: { ...place, boundary, problem: boundaryProblem(boundary, known) } };
    } catch (error) {
      if (!(error instanceof NoPlace)) throw error;
      return { place: { ...place, boundary: null, problem: error.message } };
    }
  }
  const line = lineOf(type, coordinates, properties, title);
  if (line === null) return { note: `${title} is a ${type}: left out, neither boundary nor line.` };
  if (typeof line === "string") return { note: line };
  return {
    line: { ...owner, field: say("field"), name: say("name", "title") || `Line ${number}`, shape: line },
  };
}

/** Lines go to the field they name; those that name one the file has no boundary of stand for themselves. */
function gatherLines(places: readonly PlaceGiven[], lines: readonly OwnLine[]): PlaceGiven[] {
  const all = places.map((place) => ({ ...place, lines: [...place.lines] }));
  for (const { client, farm, field, name, shape } of lines) {
    let place = all.find((each) => each.field === field && each.client === client && each.farm === farm);
    if (!place) {
      place = {
        client,
        farm,
        field,
        boundary: null,
        lines: [],
        problem: field === "" ? `The line ${name} names no field.` : null,
      };
      all.push(place);
    }
    place.lines.push({ name, shape });
  }
  return all;
}

function boundaryOf(polygons: unknown, title: string): Boundary {
  return listOf(polygons, title).map((polygon) => {
    const [outer, ...holes] = listOf(polygon, title).map((ring, at) =>
      ringOf(ring, at === 0 ? `${title}, outline` : `${title}, hole ${at}`),
    );
    if (!outer) throw new NoPlace(`${title} has a part without an outline.`);
    return { outer, holes };
  });
}

/** A closed ring without its last corner. */
function ringOf(given: unknown, title: string): Geographic[] {
  const corners = listOf(given, title).map((each, at) => positionOf(each, `${title}, corner ${at + 1}`));
  if (corners.length < 4)
    throw new NoPlace(`${title}: ${corners.length} positions; a closed ring has four at least.`);
  const [first, last] = [corners[0]!, corners.at(-1)!];
  if (first.latitude !== last.latitude || first.longitude !== last.longitude)
    throw new NoPlace(`${title} is not closed: its last position is not its first.`);
  return corners.slice(0, -1);
}

/** Longitude, latitude, and perhaps a height that is passed over. */
function positionOf(given: unknown, title: string): Geographic {
  const [longitude, latitude] = Array.isArray(given) ? given : [];
  if (typeof longitude !== "number" || typeof latitude !== "number")
    throw new NoPlace(`${title} is no position: a longitude and a latitude are wanted.`);
  return placeAt(latitude, longitude);
}

function lineOf(
  type: string,
  coordinates: unknown,
  properties: unknown,
  title: string,
): LineShape | string | null {
  try {
    if (type === "Point") {
      const radius = numberOf(properties, "radius_m");
      return radius === null || radius <= 0
        ? null
        : { kind: "circle", centre: inRange(positionOf(coordinates, title), title), radius };
    }
    if (type !== "LineString") return null;
    const points = listOf(coordinates, title).map((each, at) =>
      inRange(positionOf(each, `${title}, position ${at + 1}`), `${title}, position ${at + 1}`),
    );
    if (points.length < 2 || !isLineLongEnough(points))
      return `${title} is a line too short to steer by: left out.`;
    const [a, b] = points as [Geographic, Geographic];
    const heading = numberOf(properties, "heading_deg");
    if (points.length === 2 && heading !== null) return { kind: "heading", a, heading: radiansOf(heading) };
    return points.length === 2 ? { kind: "ab", a, b } : { kind: "curve", points };
  } catch (error) {
    if (error instanceof NoPlace) return `${error.message} Left out.`;
    throw error;
  }
}

function inRange(place: Geographic, title: string): Geographic {
  if (Math.abs(place.latitude) > Math.PI / 2 || Math.abs(place.longitude) > Math.PI)
    throw new NoPlace(`${title} lies outside what latitude and longitude can be.`);
  return place;
}

const own = (of: Json, key: string): unknown => (Object.hasOwn(of, key) ? of[key] : undefined);

function objectOf(given: unknown, title: string): Json {
  if (typeof given !== "object" || given === null || Array.isArray(given))
    throw new NoPlace(`${title} is no GeoJSON.`);
  return given as Json;
}

function listOf(given: unknown, title: string): unknown[] {
  if (!Array.isArray(given)) throw new NoPlace(`${title}: its coordinates are no list.`);
  return given;
}

function textOf(properties: unknown, keys: readonly string[]): string {
  if (typeof properties !== "object" || properties === null) return "";
  const found = Object.entries(properties).find(
    ([key, value]) =>
      keys.includes(key.toLowerCase()) && (typeof value === "string" || typeof value === "number"),
  );
  return found ? nameOf(String(found[1])) : "";
}

function numberOf(properties: unknown, key: string): number | null {
  if (typeof properties !== "object" || properties === null) return null;
  const value = own(properties as Json, key);
  return typeof value === "number" && Number.isFinite(value) ? value : null;
}
