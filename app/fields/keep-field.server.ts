/** What is written on the page of one field. */

import { whereOf } from "../../core/place/boundary.ts";
import { boundaryProblem, tidied } from "../../core/place/check-boundary.ts";
import { ringFromLog } from "../../core/place/from-log.ts";
import { partsOf, readRings } from "../../core/place/typed.ts";
import { inWords } from "../../core/quantity/said.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import {
  BOUNDARY,
  changeField,
  type FieldBounded,
  keepBoundary,
  listFields,
  NameTaken,
  putFieldAway,
} from "../../data/places.ts";
import { factOf, type Told, takeBack } from "../../data/record.ts";
import { readLog } from "../../formats/nmea/log.ts";
import { checkedBy, type Intents } from "../session/intents.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { amountOf } from "../yard/amount.ts";
import { CornersDto, FieldDto, LogDto, OfFieldDto } from "./fields.dto.ts";

export type AtField = { db: Database; field: FieldBounded; told: Told; units: Units };

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

/** Only what is of this field is taken back here. */
function takeBackOfField({ db, field, told }: AtField, { id }: OfFieldDto): Outcome {
  const fact = factOf(db, id);
  return fact && fact.kind === BOUNDARY && fact.topic === String(field.id) && takeBack(db, id, told)
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
  "take-back": checkedBy(OfFieldDto, takeBackOfField),
  away: put(true),
  back: put(false),
};
