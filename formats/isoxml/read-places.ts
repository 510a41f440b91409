/**
 * Customers, farms, fields and guidance lines of ISO 11783-10 (CTR, FRM, PFD with PLN, GGP with GPN). Attributes and codes from memory, held against
 * the library that writes them.
 */
import { placeAt, radiansOf } from "../../core/geodesy/degrees.ts";
import { flatten } from "../../core/geodesy/flat.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import { type Boundary, type Part, type Ring, sizeOf } from "../../core/place/boundary.ts";
import { boundaryProblem, tidied } from "../../core/place/check-boundary.ts";
import { type LineGiven, nameOf, type PlaceGiven, type PlacesGiven } from "../../core/place/given.ts";
import type { LineShape } from "../../core/place/line.ts";
import { isLineLongEnough } from "../../core/place/line-length.ts";
import { isInside } from "../../core/place/ring.ts";
import { FileProblem } from "./problem.ts";
import { named, type TaskData } from "./task-data.ts";
import type { XmlNode } from "./tree.ts";

/** PolygonType, LineStringType, PointType and GuidancePatternType. */
const POLYGON = { boundary: "1" } as const;
const LINE = { outer: "1", hole: "2", guidance: "5" } as const;
const POINT = { a: "6", b: "7", centre: "8" } as const;
const PATTERN = { ab: "1", heading: "2", curve: "3", pivot: "4" } as const;

const POLYGON_WORDS: Record<string, string> = {
  "2": "treatment zone",
  "3": "water surface",
  "4": "building",
  "5": "road",
  "6": "obstacle",
  "7": "flag",
  "8": "other area",
};

/**
 * Fields of an opened task data set. `known`: where the yard's fields lie, to tell swapped coordinates by.
 * @throws FileProblem where references lead nowhere or ids are there twice
 */
export function placesOf({ elements }: TaskData, known: readonly Geographic[] = []): PlacesGiven {
  const customers = byId(elements, "CTR");
  const farms = byId(elements, "FRM");
  const notes: string[] = [];
  const places = [...byId(elements, "PFD").values()].map((node): PlaceGiven => {
    const { C, E, F } = node.attributes;
    const farm = refer(farms, F, "farm");
    const customer = refer(customers, E ?? farm?.attributes.I, "customer");
    const field = nameOf(C ?? "") || node.attributes.A!;
    const read = readField(node, field, known);
    notes.push(...read.notes);
    return {
      client: customer ? customerName(customer) : "",
      farm: nameOf(farm?.attributes.B ?? ""),
      field,
      boundary: read.boundary,
      lines: read.lines,
      problem: read.problem,
    };
  });
  return { places, notes };
}

function byId(elements: readonly XmlNode[], name: string): Map<string, XmlNode> {
  const found = new Map<string, XmlNode>();
  for (const node of elements) {
    if (node.name !== name) continue;
    const id = node.attributes.A ?? "";
    if (!new RegExp(`^${name}-?\\d+$`).test(id)) throw new FileProblem(`“${id}” is no id of a ${name}.`);
    if (found.has(id)) throw new FileProblem(`${id} is there twice.`);
    found.set(id, node);
  }
  return found;
}

function refer(to: Map<string, XmlNode>, id: string | undefined, what: string): XmlNode | null {
  if (id === undefined || id === "") return null;
  const found = to.get(id);
  if (!found) throw new FileProblem(`A field names the ${what} ${id}, which is not there.`);
  return found;
}

/** First name before last, as one says it. */
export const customerName = ({ attributes: { B = "", C = "" } }: XmlNode) => nameOf(C ? `${C} ${B}` : B);

type ReadField = Pick<PlaceGiven, "boundary" | "lines" | "problem"> & { notes: string[] };

function readField(node: XmlNode, field: string, known: readonly Geographic[]): ReadField {
  const notes: string[] = [];
  for (const [type, count] of counted(named(node, "PLN").map(({ attributes }) => attributes.A ?? "")))
    if (type !== POLYGON.boundary)
      notes.push(
        `${field}: ${POLYGON_WORDS[type] ?? `polygon of type ${type}`}${count > 1 ? ` (${count})` : ""}, left out.`,
      );
  const strings = named(node, "LSG").filter(({ attributes }) => attributes.A !== LINE.guidance);
  if (strings.length > 0) notes.push(`${field}: ${strings.length} lines that are no guidance, left out.`);
  if (named(node, "PNT").length > 0) notes.push(`${field}: ${named(node, "PNT").length} points, left out.`);
  const lines = linesOf(node, field, notes);
  let boundary: Boundary;
  try {
    boundary = tidied(
      named(node, "PLN")
        .filter(({ attributes }) => attributes.A === POLYGON.boundary)
        .flatMap((polygon) => partsOf(polygon, field)),
    );
  } catch (error) {
    if (!(error instanceof FileProblem)) throw error;
    return { boundary: null, lines, problem: error.message, notes };
  }
  if (boundary.length === 0) return { boundary: null, lines, problem: null, notes };
  const problem = boundaryProblem(boundary, known);
  if (problem === null) notes.push(...areaNote(node, field, boundary));
  return { boundary, lines, problem, notes };
}

/** Files and terminals reckon areas otherwise; more than a hundredth apart is another boundary. */
const SAME_AREA = 0.01;

function areaNote({ attributes }: XmlNode, field: string, boundary: Boundary): string[] {
  const told = Number(attributes.D ?? "0");
  const { area } = sizeOf(boundary);
  if (!(told > 0) || Math.abs(told / area - 1) <= SAME_AREA) return [];
  const ha = (value: number) => (value / 1e4).toFixed(2);
  return [`${field}: the file says ${ha(told)} ha, its boundary encloses ${ha(area)} ha.`];
}

function counted(types: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const type of types) counts.set(type, (counts.get(type) ?? 0) + 1);
  return counts;
}

/** Each outline of a polygon with the holes that lie in it. */
function partsOf(polygon: XmlNode, field: string): Part[] {
  const rings = (type: string) =>
    named(polygon, "LSG")
      .filter(({ attributes }) => attributes.A === type)
      .map((node, at) => pointsOf(node, `${field}, ${type === LINE.outer ? "outline" : "hole"} ${at + 1}`));
  const outer = rings(LINE.outer);
  const holes = rings(LINE.hole);
  if (outer.length === 0) throw new FileProblem(`${field} has a boundary without an outline.`);
  const homeOf = (hole: Ring) => {
    const [first] = hole;
    const at = first
      ? outer.findIndex((ring) =>
          isInside(
            ring.map((corner) => flatten(first, corner)),
            { east: 0, north: 0 },
          ),
        )
      : -1;
    // One that lies in none is told of with the first.
    return Math.max(0, at);
  };
  return outer.map((ring, at) => ({ outer: ring, holes: holes.filter((hole) => homeOf(hole) === at) }));
}

function pointsOf(node: XmlNode, title: string): Geographic[] {
  return named(node, "PNT").map((point, at) => placeIn(point, `${title}, point ${at + 1}`));
}

function placeIn({ attributes: { C, D } }: XmlNode, title: string): Geographic {
  const number = (text: string | undefined) =>
    /^-?\d{1,3}(\.\d{1,20})?$/.test(text ?? "") ? Number(text) : Number.NaN;
  const [north, east] = [number(C), number(D)];
  if (Number.isNaN(north) || Number.isNaN(east))
    throw new FileProblem(`${title} is at “${C ?? ""}”, “${D ?? ""}”: that is no place.`);
  return placeAt(north, east);
}

function linesOf(node: XmlNode, field: string, notes: string[]): LineGiven[] {
  const own = named(node, "LSG")
    .filter(({ attributes }) => attributes.A === LINE.guidance)
    .map((line, at) => ({
      name: nameOf(line.attributes.B ?? "") || `Line ${at + 1}`,
      read: () => throughPoints(line, field),
    }));
  const patterns = named(node, "GGP").flatMap((group) =>
    named(group, "GPN").map((pattern) => ({
      name:
        nameOf(pattern.attributes.B ?? "") ||
        nameOf(group.attributes.B ?? "") ||
        (pattern.attributes.A ?? "Line"),
      read: () => shapeOf(pattern, field),
    })),
  );
  return [...own, ...patterns].flatMap(({ name, read }): LineGiven[] => {
    try {
      const shape = read();
      if (typeof shape !== "string") return [{ name, shape }];
      notes.push(`${field}, line ${name}: ${shape}, left out.`);
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      notes.push(`${error.message} Its line ${name} is left out.`);
    }
    return [];
  });
}

function throughPoints(line: XmlNode, field: string): LineShape | string {
  const points = pointsOf(line, field);
  if (points.some(isOutside)) return "a point outside what latitude and longitude can be";
  if (points.length < 2 || !isLineLongEnough(points)) return "too short to steer by";
  return points.length === 2 ? { kind: "ab", a: points[0]!, b: points[1]! } : { kind: "curve", points };
}

const isOutside = ({ latitude, longitude }: Geographic) =>
  Math.abs(latitude) > Math.PI / 2 || Math.abs(longitude) > Math.PI;

function shapeOf(pattern: XmlNode, field: string): LineShape | string {
  const [line] = named(pattern, "LSG");
  if (!line) return "no points";
  const { C: type, G: heading, H: radius } = pattern.attributes;
  if (type === PATTERN.ab || type === PATTERN.curve) return throughPoints(line, field);
  const ofType = (wanted: string) => {
    const points = named(line, "PNT");
    const found =
      points.find(({ attributes }) => attributes.A === wanted) ??
      (points.length === 1 ? points[0] : undefined);
    return found ? placeIn(found, field) : null;
  };
  if (type === PATTERN.heading) {
    const a = ofType(POINT.a);
    const turn = Number(heading);
    if (!a || heading === undefined || !(turn >= 0 && turn <= 360)) return "no point A with a heading";
    return { kind: "heading", a, heading: radiansOf(turn % 360) };
  }
  if (type === PATTERN.pivot) {
    const centre = ofType(POINT.centre);
    const metres = Number(radius) / 1000;
    if (!centre || !(metres > 0)) return "a pivot without centre or radius";
    return { kind: "circle", centre, radius: metres };
  }
  return `a pattern of type ${type ?? "none"}`;
}
