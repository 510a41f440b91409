/** One field: where it lies, how large it is, where that comes from, and the lines on it. */
import { type Fit, fitOf, outlineOf, scaleBar, wayOf } from "../../core/drawing/field-map.ts";
import { between, reached } from "../../core/geodesy/ellipsoid.ts";
import { type Boundary, cornersOf, whereOf } from "../../core/place/boundary.ts";
import { writePlace } from "../../core/place/check-boundary.ts";
import { LINE_WORDS, type LineShape } from "../../core/place/line.ts";
import { lengthOf } from "../../core/place/line-length.ts";
import { writeRings } from "../../core/place/typed.ts";
import { printLength } from "../../core/quantity/length.ts";
import { inWords, roundLength } from "../../core/quantity/said.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import { reckonGuidance } from "../../core/subjects/guidance/subject.ts";
import { MUCH_SHIFTED } from "../../core/subjects/job/checks.ts";
import { sizeKept } from "../../data/areas.ts";
import { database } from "../../data/database.ts";
import type { Database } from "../../data/handle.ts";
import { type FieldLine, linesOf } from "../../data/lines.ts";
import { boundariesOf, type FieldBounded, fieldOf, namesOf } from "../../data/places.ts";
import { listEveryTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { rigsOnLine } from "../../data/work.ts";
import { moment } from "../stations/frame/print.ts";
import { SOURCES } from "./fields-view.server.ts";
import { varietyMapsView } from "./variety-maps.server.ts";

export type FieldView = ReturnType<typeof fieldView>;

/** On a desk, and on a phone, where letters stay as large. */
const SHEETS = {
  desk: { width: 620, height: 520, margin: 28 },
  phone: { width: 358, height: 340, margin: 22 },
};
type Sheet = (typeof SHEETS)["desk"];
/** So many corners are typed again; more came from a log or a file and are shown there. */
const MOST_TYPED = 200;

export function fieldOr404(id: string): FieldBounded {
  const found = /^\d{1,9}$/.test(id) ? fieldOf(database(), Number(id)) : null;
  if (!found) throw new Response("There is no such field in this yard.", { status: 404 });
  return found;
}

export function fieldView(db: Database, field: FieldBounded, units: Units) {
  const { id, name, client, farm, archivedAt, bounded } = field;
  const lines = linesOf(db, id);
  return {
    id,
    name,
    client,
    farm,
    away: archivedAt !== null,
    names: namesOf(db),
    lengthUnit: units.tape,
    size: bounded ? sizeSaid(bounded, units) : null,
    drawn: bounded
      ? {
          desk: drawnOf(bounded.boundary, lines, SHEETS.desk, units),
          phone: drawnOf(bounded.boundary, lines, SHEETS.phone, units),
        }
      : null,
    typed: bounded && cornersOf(bounded.boundary) <= MOST_TYPED ? writeRings(bounded.boundary) : "",
    lines: lines.map((line) => lineView(db, line, units)),
    small: units.small,
    varieties: varietyMapsView(db, field, units),
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

const degrees = (heading: number) => `${((heading * 180) / Math.PI).toFixed(2)}°`;

function lineView(db: Database, line: FieldLine, units: Units) {
  const { id, name, shape, shifts, person, at } = line;
  const sum = shifts.reduce((total, { amount }) => total + amount, 0);
  const said = (metres: number) =>
    `${printLength(Math.abs(metres), units.small)} ${metres > 0 ? "right" : "left"}`;
  return {
    id,
    name,
    what: `${LINE_WORDS[shape.kind]}, ${figuresOf(shape, units)}`,
    who: `${person}, ${moment(at)}`,
    shifts: shifts.map((each) => ({
      id: each.id,
      what: said(each.amount),
      why: `${each.reason}. ${each.person}, ${moment(each.at)}`,
    })),
    shifted: shifts.length === 0 ? null : sum === 0 ? "back where it was" : said(sum),
    much: Math.abs(sum) > MUCH_SHIFTED,
    rigs: usersOf(db, line, units),
  };
}

function figuresOf(shape: LineShape, units: Units): string {
  const round = (metres: number) => inWords(roundLength(metres), units);
  switch (shape.kind) {
    case "ab": {
      const { heading, distance } = between(shape.a, shape.b);
      return `${degrees(heading)}, ${round(distance)} from A to B`;
    }
    case "heading":
      return degrees(shape.heading);
    case "curve":
      return `${round(lengthOf(shape.points))} long, ${shape.points.length} points`;
    case "circle":
      return `radius ${round(shape.radius)}`;
  }
}

/** A straight line is drawn right across the field. */
const ACROSS = 4_000;

function drawnLine(shape: LineShape, fit: Fit): string {
  switch (shape.kind) {
    case "ab":
    case "heading": {
      const heading = shape.kind === "ab" ? between(shape.a, shape.b).heading : shape.heading;
      return wayOf([reached(shape.a, heading + Math.PI, ACROSS), reached(shape.a, heading, ACROSS)], fit);
    }
    case "curve":
      return wayOf(shape.points, fit);
    case "circle":
      return `${wayOf(
        Array.from({ length: 72 }, (_, at) => reached(shape.centre, (at * Math.PI) / 36, shape.radius)),
        fit,
      )} Z`;
  }
}

/** Rigs whose job is on a line, each with how wide it lays its passes; where one does not go into another, that is said. */
function usersOf(db: Database, { seq }: FieldLine, units: Units) {
  const wanted = new Set(rigsOnLine(db, seq));
  if (wanted.size === 0) return { said: [], odd: null };
  const parts = listEveryTool(db).filter(({ id }) => wanted.has(id));
  const names = new Map(parts.map(({ id, name }) => [id, name]));
  const laid = [...wholesOf(db, parts)].map(([id, whole]) => ({
    name: names.get(id)!,
    spacing: reckonGuidance(whole).spacing,
  }));
  return {
    said: laid.map(
      ({ name, spacing }) =>
        `${name}, ${spacing === null ? "width not known" : printLength(spacing, units.tape)}`,
    ),
    odd: oddPair(laid),
  };
}

/** Passes of two rigs on one line meet again only where the one goes into the other: within a tenth of the narrower. */
function oddPair(laid: readonly { name: string; spacing: number | null }[]): string | null {
  const known = laid.flatMap(({ name, spacing }) => (spacing === null ? [] : [{ name, spacing }]));
  for (const [at, a] of known.entries())
    for (const b of known.slice(at + 1)) {
      const [wide, narrow] = a.spacing >= b.spacing ? [a, b] : [b, a];
      const times = wide.spacing / narrow.spacing;
      if (Math.abs(times - Math.round(times)) * narrow.spacing > narrow.spacing / 10)
        return `${wide.name} is ${times.toFixed(2)} passes of ${narrow.name} wide: on this line their passes do not meet.`;
    }
  return null;
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

function drawnOf(boundary: Boundary, lines: readonly FieldLine[], sheet: Sheet, units: Units) {
  const fit = fitOf(
    boundary.flatMap(({ outer }) => outer),
    sheet,
  );
  return {
    ...sheet,
    path: outlineOf(boundary, fit),
    bar: scaleBar(fit, units, sheet.width / 5),
    lines: lines.map(({ id, shape }) => ({ id, path: drawnLine(shape, fit) })),
  };
}
