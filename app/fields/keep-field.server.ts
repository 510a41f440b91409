/** What is written on the page of one field. */

import { radiansOf } from "../../core/geodesy/degrees.ts";
import { fromPlane, type Geographic } from "../../core/geodesy/plane.ts";
import { roundWithin } from "../../core/guidance/rounds.ts";
import { whereOf } from "../../core/place/boundary.ts";
import { boundaryProblem, tidied } from "../../core/place/check-boundary.ts";
import { ringFromLog, wayFromLog } from "../../core/place/from-log.ts";
import { nameOf, sameName } from "../../core/place/given.ts";
import type { LineShape } from "../../core/place/line.ts";
import { isLineLongEnough, SHORTEST_LINE } from "../../core/place/line-length.ts";
import { onPlane } from "../../core/place/plane-field.ts";
import { partsOf, readPlace, readRings } from "../../core/place/typed.ts";
import { inWords } from "../../core/quantity/said.ts";
import { keepLine, keepShift, LINE, LINE_SHIFT, linesOf } from "../../data/lines.ts";
import {
  BOUNDARY,
  changeField,
  keepBoundary,
  listFields,
  NameTaken,
  putFieldAway,
} from "../../data/places.ts";
import { factOf, takeBack } from "../../data/record.ts";
import { VARIETY_MAP } from "../../data/variety-maps.ts";
import { readLog } from "../../formats/nmea/log.ts";
import { checkedBy, type Intents } from "../session/intents.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import type { FieldErrors } from "../session/validate.ts";
import { amountOf } from "../yard/amount.ts";
import type { AtField } from "./at-field.ts";
import {
  CornersDto,
  DrivenLineDto,
  FieldDto,
  LineDto,
  LogDto,
  OfFieldDto,
  RoundDto,
  ShiftDto,
  VarietyMapDto,
} from "./fields.dto.ts";
import { readVarietyMap } from "./variety-maps.server.ts";

/** A log of a day at ten positions a second. */
const MOST_LOG = 20_000_000;

/** Where the yard's other fields lie. */
const others = ({ db, field }: AtField) =>
  listFields(db).flatMap(({ id, bounded }) =>
    bounded && id !== field.id ? [whereOf(bounded.boundary)] : [],
  );

function rename({ db, field, told }: AtField, name: FieldDto): Outcome {
  try {
    changeField(db, field.id, name, told);
    return kept("Kept.");
  } catch (error) {
    if (error instanceof NameTaken) return refused({ name: error.message });
    throw error;
  }
}

function keepCorners(at: AtField, { corners, person }: CornersDto): Outcome {
  const read = readRings(corners);
  const boundary = tidied(partsOf(read.ok ? read.rings : []));
  const problem = boundaryProblem(boundary, others(at));
  if (problem !== null) return refused({ corners: problem });
  const id = keepBoundary(
    at.db,
    { fieldId: at.field.id, boundary, source: "coordinates" },
    { ...at.told, person },
  );
  return kept("The boundary is kept.", { id, person });
}

async function keepLog(at: AtField, value: LogDto, form: FormData): Promise<Outcome> {
  const file = form.get("log");
  if (!(file instanceof File) || file.size === 0) return refused({ log: "Choose a log first." });
  if (file.size > MOST_LOG) return refused({ log: "The log is over 20 MB. Cut it to the round." });
  const read = readLog(await file.text());
  if (!read.ok) return refused({ log: read.problem });
  const off = amountOf(value.outside, { family: "length", unit: value.outsideUnit, optional: true });
  const metres = off.ok ? (off.value ?? 0) : 0;
  const driven = ringFromLog(read.log.points, read.log.origin, value.side === "outside" ? metres : -metres);
  if (!driven.ok) return refused({ log: driven.problem });
  const boundary = tidied([{ outer: driven.ring, holes: [] }]);
  const problem = boundaryProblem(boundary, others(at));
  if (problem !== null) return refused({ log: problem });
  const note = [file.name.slice(0, 120), ...driven.notes.map((each) => inWords(each, at.units))].join(". ");
  const id = keepBoundary(
    at.db,
    { fieldId: at.field.id, boundary, source: "log", note },
    { ...at.told, person: value.person },
  );
  return kept(["The boundary is kept.", ...driven.notes.map((each) => inWords(each, at.units))].join(" "), {
    id,
    person: value.person,
  });
}

function lineShape(value: LineDto): LineShape | FieldErrors {
  const place = (text: string) => readPlace(text) as Geographic;
  const a = place(value.a);
  switch (value.kind) {
    case "ab": {
      const b = place(value.b);
      return isLineLongEnough([a, b])
        ? { kind: "ab", a, b }
        : { b: `A and B lie under ${SHORTEST_LINE} m apart: no heading can be told from that.` };
    }
    case "heading":
      return { kind: "heading", a, heading: radiansOf(Number(value.heading.replace(",", "."))) };
    case "circle": {
      const read = amountOf(value.radius, { family: "length", unit: value.radiusUnit, optional: false });
      const radius = read.ok ? (read.value ?? 0) : 0;
      return radius >= LEAST_CIRCLE
        ? { kind: "circle", centre: a, radius }
        : { radius: "A pivot's circle is wider than that." };
    }
  }
}

/** Tighter circles than that no machine follows (ours). */
const LEAST_CIRCLE = 10;

function addLine(at: AtField, value: LineDto): Outcome {
  if (isNamedLine(at, value.name)) return refused({ name: "There is a line of that name on this field." });
  const shape = lineShape(value);
  if (!("kind" in shape)) return refused(shape);
  return keptLine(at, value, shape as LineShape, []);
}

const isNamedLine = ({ db, field }: AtField, name: string) =>
  linesOf(db, field.id).some((line) => sameName(line.name, name));

function keptLine(
  at: AtField,
  { name, person }: { name: string; person: string },
  shape: LineShape,
  notes: readonly string[],
): Outcome {
  const id = keepLine(at.db, { fieldId: at.field.id, name: nameOf(name), shape }, { ...at.told, person });
  return kept([`The line ${nameOf(name)} is kept.`, ...notes].join(" "), { id, person });
}

/** The middle of the tool in a round along the edge, as a curve. */
function addRound(at: AtField, value: RoundDto): Outcome {
  const { bounded } = at.field;
  if (isNamedLine(at, value.name)) return refused({ name: "There is a line of that name on this field." });
  if (!bounded) return refused({ round: "Nobody told where this field ends." });
  const field = onPlane(bounded.boundary);
  const way = roundWithin(field, Number(value.round), Number(value.spacing));
  if (!way) return refused({ round: "The field is too narrow for that round." });
  return keptLine(
    at,
    value,
    { kind: "curve", points: way.map((point) => fromPlane(field.origin, point)) },
    [],
  );
}

async function addDriven(at: AtField, value: DrivenLineDto, form: FormData): Promise<Outcome> {
  if (isNamedLine(at, value.name)) return refused({ name: "There is a line of that name on this field." });
  const file = form.get("log");
  if (!(file instanceof File) || file.size === 0) return refused({ log: "Choose a log first." });
  if (file.size > MOST_LOG) return refused({ log: "The log is over 20 MB. Cut it to the run." });
  const read = readLog(await file.text());
  if (!read.ok) return refused({ log: read.problem });
  const driven = wayFromLog(read.log.points, read.log.origin);
  if (!driven.ok) return refused({ log: driven.problem });
  return keptLine(
    at,
    value,
    { kind: "curve", points: driven.way },
    driven.notes.map((each) => inWords(each, at.units)),
  );
}

function shiftLine({ db, field, told }: AtField, value: ShiftDto): Outcome {
  const line = linesOf(db, field.id).find(({ id }) => id === value.line);
  if (!line) return refused({ form: "This line is not there any more." });
  const read = amountOf(value.amount, { family: "length", unit: value.amountUnit, optional: false });
  const metres = read.ok ? (read.value ?? 0) : 0;
  if (metres <= 0)
    return refused({ amount: "A shift is a distance; which way it goes is chosen beside it." });
  if (metres > MOST_SHIFT) return refused({ amount: "Further than any drift: make another line." });
  const id = keepShift(
    db,
    line.id,
    { amount: value.way === "right" ? metres : -metres, reason: value.reason },
    { ...told, person: value.person },
  );
  return kept(`${line.name} is shifted.`, { id, person: value.person });
}

/** A shift of more than this is another line, metres (ours). */
const MOST_SHIFT = 50;

const OF_FIELD = [BOUNDARY, LINE, LINE_SHIFT, VARIETY_MAP];

/** Only what is of this field is taken back here. */
function takeBackOfField({ db, field, told }: AtField, { id }: OfFieldDto): Outcome {
  const fact = factOf(db, id);
  return fact && OF_FIELD.includes(fact.kind) && fact.topic === String(field.id) && takeBack(db, id, told)
    ? kept("Taken back: what stood before stands again.")
    : refused({ form: "It is not there any more, or was taken back before." });
}

const put = (away: boolean) => (at: AtField) => {
  putFieldAway(at.db, at.field.id, away, at.told);
  return kept(away ? "Put away. What was done on it stays." : "In use again.");
};

export const FIELD_INTENTS: Intents<AtField, Outcome | Promise<Outcome>> = {
  rename: checkedBy(FieldDto, rename),
  corners: checkedBy(CornersDto, keepCorners),
  log: checkedBy<LogDto, AtField, Outcome | Promise<Outcome>>(LogDto, keepLog),
  line: checkedBy(LineDto, addLine),
  "round-line": checkedBy(RoundDto, addRound),
  "driven-line": checkedBy<DrivenLineDto, AtField, Outcome | Promise<Outcome>>(DrivenLineDto, addDriven),
  shift: checkedBy(ShiftDto, shiftLine),
  "variety-map": checkedBy<VarietyMapDto, AtField, Outcome | Promise<Outcome>>(VarietyMapDto, readVarietyMap),
  "take-back": checkedBy(OfFieldDto, takeBackOfField),
  away: put(true),
  back: put(false),
};
