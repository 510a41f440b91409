/** The yard's fields: what there is, where, how large, and which of them somebody looks for. */
import { type Fit, fitOf, mapOf, outlineOf, scaleBar } from "../../core/drawing/field-map.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import { contains, distanceTo } from "../../core/place/boundary.ts";
import { readPlace } from "../../core/place/typed.ts";
import { inWords, roundLength } from "../../core/quantity/said.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import { sizeKept } from "../../data/areas.ts";
import type { Database } from "../../data/handle.ts";
import { type FieldBounded, listFields, namesOf, typedNames } from "../../data/places.ts";
import { day } from "../stations/frame/print.ts";

export type FieldsView = ReturnType<typeof fieldsView>;
export type FieldRow = ReturnType<typeof rowOf>;

const THUMB = { width: 64, height: 48, margin: 4 };
/** On a desk, and on a phone, where letters stay as large. */
const MAPS = { desk: { width: 620, height: 460 }, phone: { width: 358, height: 300 } };
/** A map of fields further apart shows dots: so many metres to a pixel. */
const COARSEST = 60;

export function fieldsView(db: Database, find: string, units: Units) {
  const fields = listFields(db);
  const inUse = fields.filter(({ archivedAt }) => archivedAt === null);
  const found = search(inUse, find, units);
  const drawn = found.fields.flatMap(({ id, name, bounded }) =>
    bounded ? [{ id, name, boundary: bounded.boundary }] : [],
  );
  const map = mapOf(drawn, MAPS.desk);
  const near = map !== null && map.fit.metres <= COARSEST;
  const all = inUse.reduce((sum, { bounded }) => sum + (bounded ? sizeKept(bounded).area : 0), 0);
  return {
    find,
    said: found.said,
    wrong: found.wrong,
    groups: groupsOf(found.fields, units),
    maps: near
      ? {
          desk: sheetOf(drawn, MAPS.desk, found.place, units),
          phone: sheetOf(drawn, MAPS.phone, found.place, units),
        }
      : null,
    apart: map !== null && !near,
    away: fields.filter(({ archivedAt }) => archivedAt !== null).map((each) => rowOf(each, units)),
    typed: typedNames(db),
    names: namesOf(db),
    total: {
      fields: inUse.length,
      area: say("area", all, units),
      clients: new Set(inUse.map(({ client }) => client).filter(Boolean)).size,
      unbounded: inUse.filter(({ bounded }) => bounded === null).length,
    },
  };
}

type Sheet = { width: number; height: number };

/** The map on a sheet of this size, with the place somebody asked for. */
function sheetOf(drawn: Parameters<typeof mapOf>[0], sheet: Sheet, place: Geographic | null, units: Units) {
  const { fields, fit } = mapOf(drawn, sheet)!;
  return {
    ...sheet,
    fields,
    bar: scaleBar(fit, units, sheet.width / 5),
    mark: place && markOf(place, fit, sheet),
  };
}

function markOf(place: Geographic, fit: Fit, { width, height }: Sheet) {
  const [x, y] = [fit.x(place), fit.y(place)];
  return x >= 0 && x <= width && y >= 0 && y <= height ? { x, y } : null;
}

type Found = { fields: FieldBounded[]; said: string; wrong: string | null; place: Geographic | null };

/** By a part of any of its names, or by a position: the field that lies there, else the nearest. */
function search(fields: readonly FieldBounded[], find: string, units: Units): Found {
  if (find === "") return { fields: [...fields], said: "", wrong: null, place: null };
  if (/^[\s\d.,;°'′"″+\-−NSEW]+$/i.test(find) && /\d/.test(find)) {
    const place = readPlace(find);
    if (typeof place === "string") return { fields: [...fields], said: "", wrong: place, place: null };
    return { ...at(fields, place, units), wrong: null, place };
  }
  const wanted = find.toLocaleLowerCase("en");
  const named = fields.filter((each) =>
    [each.name, each.farm, each.client].some((name) => name.toLocaleLowerCase("en").includes(wanted)),
  );
  return {
    fields: named,
    said: named.length === 0 ? `No field, farm or client has “${find}” in its name.` : "",
    wrong: null,
    place: null,
  };
}

/** So many of the nearest are shown where a position lies in none. */
const NEAREST = 3;

function at(fields: readonly FieldBounded[], place: Geographic, units: Units) {
  const bounded = fields.flatMap((each) => (each.bounded ? [{ each, boundary: each.bounded.boundary }] : []));
  const inside = bounded.filter(({ boundary }) => contains(boundary, place));
  if (inside.length > 0) return { fields: inside.map(({ each }) => each), said: "That position lies in it." };
  const near = bounded
    .map(({ each, boundary }) => ({ each, away: distanceTo(boundary, place) }))
    .sort((a, b) => a.away - b.away)
    .slice(0, NEAREST);
  const [first] = near;
  return {
    fields: near.map(({ each }) => each),
    said: first
      ? `No field lies there; ${first.each.name} is nearest, ${inWords(roundLength(first.away), units)} away.`
      : "No field has a boundary yet.",
  };
}

function rowOf({ id, name, bounded }: FieldBounded, units: Units) {
  return {
    id,
    name,
    area: bounded ? say("area", sizeKept(bounded).area, units) : null,
    since: bounded ? `${SOURCES[bounded.source]}, ${day(bounded.at)}` : "",
    thumb: bounded
      ? outlineOf(
          bounded.boundary,
          fitOf(
            bounded.boundary.flatMap(({ outer }) => outer),
            THUMB,
          ),
        )
      : null,
  };
}

export const SOURCES = { coordinates: "by coordinates", log: "driven", file: "from a file" } as const;

function groupsOf(fields: readonly FieldBounded[], units: Units) {
  const groups = new Map<string, { client: string; farm: string; rows: FieldRow[] }>();
  for (const each of fields) {
    const key = `${each.client}\n${each.farm}`;
    const group = groups.get(key) ?? { client: each.client, farm: each.farm, rows: [] };
    group.rows.push(rowOf(each, units));
    groups.set(key, group);
  }
  return [...groups.values()];
}
