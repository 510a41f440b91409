/** Maps of varieties on the page of a field: what each makes of it, and reading one in. */
import { fitOf, outlineOf } from "../../core/drawing/field-map.ts";
import { type Boundary, whereOf } from "../../core/place/boundary.ts";
import { zonesOn } from "../../core/place/zones.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import { namesApart } from "../../core/yard/work.ts";
import type { Database } from "../../data/handle.ts";
import type { FieldBounded } from "../../data/places.ts";
import { keepVarietyMap, type VarietyMap, varietyMapsOf } from "../../data/variety-maps.ts";
import { cropNamed, cropsOf, grownOn } from "../../data/work.ts";
import { readZones } from "../../formats/geojson/zones.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { moment } from "../stations/frame/print.ts";
import type { AtField } from "./at-field.ts";
import type { VarietyMapDto } from "./fields.dto.ts";

export type VarietyMapView = ReturnType<typeof mapView>;

export function varietyMapsView(db: Database, { id, bounded }: FieldBounded, units: Units) {
  return {
    crops: cropsOf(db).map(({ name }) => name),
    maps: bounded ? varietyMapsOf(db, id).map((map) => mapView(db, id, bounded.boundary, map, units)) : [],
  };
}

const SHEET = { width: 358, height: 250, margin: 14 };

function mapView(db: Database, fieldId: number, field: Boundary, map: VarietyMap, units: Units) {
  const { shares, uncovered, twice, beside } = zonesOn(field, map.zones);
  const all = shares.reduce((sum, { area }) => sum + area, 0) + uncovered;
  const area = (much: number) => say("area", much, units);
  const fit = fitOf(
    [field, ...map.zones.map(({ boundary }) => boundary)].flatMap((each) =>
      each.flatMap(({ outer }) => outer),
    ),
    SHEET,
  );
  const number = (variety: string) => shares.findIndex((each) => each.variety === variety) + 1;
  const sown = grownOn(db, fieldId).find((each) => each.sown && each.cropId === map.crop.id);
  return {
    id: map.id,
    crop: map.crop.name,
    fileName: map.fileName,
    who: `${map.person}, ${moment(map.at)}`,
    shares: shares.map(({ variety, area: much }, at) => ({
      number: at + 1,
      variety,
      area: area(much),
      share: `${Math.round((100 * much) / all)}\u00a0%`,
    })),
    odd: [
      ...(uncovered > LITTLE ? [`${area(uncovered)} of the field lie in no zone.`] : []),
      ...(twice > LITTLE ? [`${area(twice)} lie in zones of two varieties.`] : []),
      ...(beside > LITTLE ? [`${area(beside)} of its zones lie beside the field.`] : []),
    ],
    sown: sownSaid(
      shares.map(({ variety }) => variety),
      sown ?? null,
    ),
    drawn: {
      ...SHEET,
      outline: outlineOf(field, fit),
      zones: map.zones.map(({ variety, boundary }) => ({
        number: number(variety),
        path: outlineOf(boundary, fit),
        x: fit.x(whereOf(boundary)),
        y: fit.y(whereOf(boundary)),
      })),
    },
  };
}

/** Less is what edges drawn by hand come to, m² (ours). */
const LITTLE = 100;

function sownSaid(known: readonly string[], sown: { varieties: string[]; at: string } | null) {
  if (!sown || sown.varieties.length === 0)
    return { text: "No sowing of it is in the log, so it is held against none.", odd: false };
  const { onlyOne, onlyOther } = namesApart(known, sown.varieties);
  const when = moment(sown.at);
  return onlyOne.length + onlyOther.length === 0
    ? { text: `The same were sown by the log, ${when}.`, odd: false }
    : {
        text: `By the log of ${when} ${sown.varieties.join(", ")} were sown: it is not the map of that.`,
        odd: true,
      };
}

/** Zones as somebody drew them, or a planter recorded them row by row. */
const MOST_BYTES = 5_000_000;

/** Reads a map in: all of it or nothing. */
export async function readVarietyMap(
  { db, field, told, units }: AtField,
  { crop, person }: VarietyMapDto,
  form: FormData,
): Promise<Outcome> {
  const { bounded } = field;
  if (!bounded) return refused({ map: "Nobody told where this field ends: enter its boundary first." });
  const file = form.get("map");
  if (!(file instanceof File) || file.size === 0) return refused({ map: "Choose a file first." });
  if (file.size > MOST_BYTES) return refused({ map: "The file is over 5 MB: take fewer corners." });
  const read = readZones(await file.text(), whereOf(bounded.boundary));
  if (!read.ok) return refused({ map: read.problem });
  const { shares } = zonesOn(bounded.boundary, read.zones);
  if (shares.every(({ area }) => area < LITTLE))
    return refused({ map: `None of its zones lies on ${field.name}.` });
  const by = { ...told, person };
  const id = db.transaction(() =>
    keepVarietyMap(
      db,
      {
        fieldId: field.id,
        cropId: cropNamed(db, crop, by),
        fileName: file.name.slice(0, 120),
        zones: read.zones,
      },
      by,
    ),
  );
  const words = shares.map(({ variety, area }) => `${variety} ${say("area", area, units)}`).join(", ");
  return kept([`The map is kept: ${words}.`, ...read.left].join(" "), { id, person });
}
