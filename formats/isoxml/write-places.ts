/** Customers, farms, fields and guidance lines as entities of ISO 11783-10. */
import {
  type Customer,
  type Farm,
  type GuidanceGroup,
  type GuidancePattern,
  type ISOXMLManager,
  type ISOXMLReference,
  type LineString,
  type Partfield,
  type Point,
  type Polygon,
  TAGS,
} from "isoxml";
import { degreesOf } from "../../core/geodesy/degrees.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import { type Boundary, type Ring, sizeOf } from "../../core/place/boundary.ts";
import type { LineGiven, PlaceGiven } from "../../core/place/given.ts";
import { type LineKind, type LineShape, placesOf } from "../../core/place/line.ts";
import { designator, newTaskFile, packTaskFile } from "./task-file.ts";

/** ISO 11783-10, from memory: areas and radii are 32-bit whole numbers. */
const MOST = 2 ** 32 - 2;

export type FieldsWritten = {
  customers: Customer[];
  farms: Farm[];
  fields: Partfield[];
  /** of each place given, in order: what a task names it by */
  references: { field: ISOXMLReference; farm: ISOXMLReference | null; client: ISOXMLReference | null }[];
};

/** Makes each client and farm once, however many fields are theirs. */
export function addPlaces(
  manager: ISOXMLManager,
  places: readonly Omit<PlaceGiven, "problem">[],
): FieldsWritten {
  const customers = new Map<string, { entity: Customer; reference: ISOXMLReference }>();
  const farms = new Map<string, { entity: Farm; reference: ISOXMLReference }>();
  const made = <E extends Customer | Farm>(
    known: Map<string, { entity: E; reference: ISOXMLReference }>,
    key: string,
    make: () => E,
  ) => {
    const found = known.get(key);
    if (found) return found.reference;
    const entity = make();
    const reference = manager.registerEntity(entity);
    known.set(key, { entity, reference });
    return reference;
  };
  const fields: Partfield[] = [];
  const references = places.map(({ client, farm, field, boundary, lines }) => {
    const ofClient =
      client === ""
        ? null
        : made(
            customers,
            client,
            () =>
              manager.createEntityFromAttributes(TAGS.Customer, {
                CustomerLastName: designator(client),
              }) as Customer,
          );
    const ofFarm =
      farm === ""
        ? null
        : made(
            farms,
            `${client}\n${farm}`,
            () =>
              manager.createEntityFromAttributes(TAGS.Farm, {
                FarmDesignator: designator(farm),
                ...(ofClient ? { CustomerIdRef: ofClient } : {}),
              }) as Farm,
          );
    const entity = manager.createEntityFromAttributes(TAGS.Partfield, {
      PartfieldDesignator: designator(field),
      PartfieldArea: boundary ? Math.min(MOST, Math.round(sizeOf(boundary).area)) : 0,
      ...(ofClient ? { CustomerIdRef: ofClient } : {}),
      ...(ofFarm ? { FarmIdRef: ofFarm } : {}),
      ...(boundary ? { PolygonnonTreatmentZoneonly: polygonsOf(manager, boundary) } : {}),
      ...(lines.length > 0 ? { GuidanceGroup: lines.map((line) => groupOf(manager, line)) } : {}),
    }) as Partfield;
    fields.push(entity);
    return { field: manager.registerEntity(entity), farm: ofFarm, client: ofClient };
  });
  return {
    customers: [...customers.values()].map(({ entity }) => entity),
    farms: [...farms.values()].map(({ entity }) => entity),
    fields,
    references,
  };
}

/** A task data set of fields alone. */
export function writePlaces(places: readonly Omit<PlaceGiven, "problem">[]): Uint8Array {
  const manager = newTaskFile();
  const { customers, farms, fields } = addPlaces(manager, places);
  Object.assign(manager.rootElement.attributes, { Customer: customers, Farm: farms, Partfield: fields });
  return packTaskFile(manager);
}

const POLYGON_BOUNDARY = "1";
const LINE = { outer: "1", hole: "2", guidance: "5" } as const;
const POINT = { other: "2", a: "6", b: "7", centre: "8", guidance: "9" } as const;
const PATTERN: Record<LineKind, string> = { ab: "1", heading: "2", curve: "3", circle: "4" };

/** A polygon for each part, since some terminals read one outline of each. */
function polygonsOf(manager: ISOXMLManager, boundary: Boundary): Polygon[] {
  const ring = (type: string, corners: Ring) =>
    lineString(manager, type, [...corners, corners[0]!], () => POINT.other);
  return boundary.map(
    ({ outer, holes }) =>
      manager.createEntityFromAttributes(TAGS.Polygon, {
        PolygonType: POLYGON_BOUNDARY,
        LineString: [ring(LINE.outer, outer), ...holes.map((hole) => ring(LINE.hole, hole))],
      } as never) as Polygon,
  );
}

function lineString(
  manager: ISOXMLManager,
  type: string,
  points: readonly Geographic[],
  kindOf: (at: number) => string,
): LineString {
  return manager.createEntityFromAttributes(TAGS.LineString, {
    LineStringType: type,
    Point: points.map(
      ({ latitude, longitude }, at) =>
        manager.createEntityFromAttributes(TAGS.Point, {
          PointType: kindOf(at),
          PointNorth: degreesOf(latitude),
          PointEast: degreesOf(longitude),
        } as never) as Point,
    ),
  } as never) as LineString;
}

function groupOf(manager: ISOXMLManager, { name, shape }: LineGiven): GuidanceGroup {
  const pattern = manager.createEntityFromAttributes(TAGS.GuidancePattern, {
    GuidancePatternDesignator: designator(name),
    GuidancePatternType: PATTERN[shape.kind],
    ...figuresOf(shape),
    LineString: [guidanceString(manager, shape)],
  } as never) as GuidancePattern;
  manager.registerEntity(pattern);
  const group = manager.createEntityFromAttributes(TAGS.GuidanceGroup, {
    GuidanceGroupDesignator: designator(name),
    GuidancePattern: [pattern],
  }) as GuidanceGroup;
  manager.registerEntity(group);
  return group;
}

function figuresOf(shape: LineShape): Record<string, number> {
  if (shape.kind === "heading") return { GuidancePatternHeading: degreesOf(shape.heading) };
  return shape.kind === "circle" ? { GuidancePatternRadius: Math.round(shape.radius * 1000) } : {};
}

function guidanceString(manager: ISOXMLManager, shape: LineShape): LineString {
  const points = placesOf(shape);
  const last = points.length - 1;
  return lineString(manager, LINE.guidance, points, (at) => {
    if (shape.kind === "circle") return POINT.centre;
    if (at === 0) return POINT.a;
    return at === last ? POINT.b : POINT.guidance;
  });
}
