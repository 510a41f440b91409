/** One field: where it lies, how large it is, where that comes from, and the lines on it. */
import { fitOf, outlineOf, scaleBar } from "../../core/drawing/field-map.ts";
import { cornersOf, whereOf } from "../../core/place/boundary.ts";
import { writePlace } from "../../core/place/check-boundary.ts";
import { writeRings } from "../../core/place/typed.ts";
import { inWords, roundLength } from "../../core/quantity/said.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import { database } from "../../data/database.ts";
import type { Database } from "../../data/handle.ts";
import { boundariesOf, type FieldBounded, fieldOf, namesOf } from "../../data/places.ts";
import { moment } from "../stations/frame/print.ts";
import { SOURCES, sizeKept } from "./fields-view.server.ts";

export type FieldView = ReturnType<typeof fieldView>;

export const SHEET = { width: 620, height: 520, margin: 28 };
/** So many corners are typed again; more came from a log or a file and are shown there. */
const MOST_TYPED = 200;

export function fieldOr404(id: string): FieldBounded {
  const found = /^\d{1,9}$/.test(id) ? fieldOf(database(), Number(id)) : null;
  if (!found) throw new Response("There is no such field in this yard.", { status: 404 });
  return found;
}

export function fieldView(db: Database, field: FieldBounded, units: Units) {
  const { id, name, client, farm, archivedAt, bounded } = field;
  return {
    id,
    name,
    client,
    farm,
    away: archivedAt !== null,
    names: namesOf(db),
    lengthUnit: units.tape,
    size: bounded ? sizeSaid(bounded, units) : null,
    drawn: bounded ? drawnOf(bounded.boundary, units) : null,
    typed: bounded && cornersOf(bounded.boundary) <= MOST_TYPED ? writeRings(bounded.boundary) : "",
    history: boundariesOf(db, id).map((each) => ({
      id: each.id,
      what: `${say("area", sizeKept(each).area, units)}, ${SOURCES[each.source]}`,
      note: each.note,
      who: `${each.person}, ${moment(each.at)}`,
      takenBack: each.takenBack,
      counts: each.id === bounded?.id,
    })),
  };
}

function sizeSaid(bounded: NonNullable<FieldBounded["bounded"]>, units: Units) {
  const { boundary } = bounded;
  const { area, outline, holes } = sizeKept(bounded);
  const count = boundary.reduce((sum, part) => sum + part.holes.length, 0);
  const round = (metres: number) => inWords(roundLength(metres), units);
  return {
    area: say("area", area, units),
    rest: [
      `${round(outline)} round`,
      ...(boundary.length > 1 ? [`${boundary.length} parts`] : []),
      ...(count > 0 ? [`${count} ${count === 1 ? "hole" : "holes"}, ${round(holes)} round`] : []),
      `${cornersOf(boundary)} corners`,
    ].join(", "),
    where: writePlace(whereOf(boundary)),
  };
}

function drawnOf(boundary: NonNullable<FieldBounded["bounded"]>["boundary"], units: Units) {
  const fit = fitOf(
    boundary.flatMap(({ outer }) => outer),
    SHEET,
  );
  return { ...SHEET, path: outlineOf(boundary, fit), bar: scaleBar(fit, units) };
}
