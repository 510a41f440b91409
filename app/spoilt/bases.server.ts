/** Bases that had moved: what was driven while they had, what lines were kept, and keeping and taking back that one had. */

import { degreesOf } from "../../core/geodesy/degrees.ts";
import { between } from "../../core/geodesy/ellipsoid.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import type { LineShape } from "../../core/place/line.ts";
import { readPlace } from "../../core/place/typed.ts";
import { printLength } from "../../core/quantity/length.ts";
import { type Said, smallLength, tell } from "../../core/quantity/said.ts";
import type { Units } from "../../core/quantity/units.ts";
import {
  ANOTHER_MARK,
  fellWithin,
  type Moved,
  movedBy,
  rightOf,
  together,
  WANDER,
} from "../../core/spoilt/base.ts";
import type { LogEntry } from "../../core/yard/log.ts";
import { BASE_SHIFT, type BaseShift, baseShifts, keepBaseShift } from "../../data/base.ts";
import type { Database } from "../../data/handle.ts";
import { linesOf } from "../../data/lines.ts";
import { farmsOf, listFields } from "../../data/places.ts";
import { factOf, type Told, takeBack } from "../../data/record.ts";
import { checkedBy, type Intents } from "../session/intents.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { day, moment } from "../stations/frame/print.ts";
import { BaseShiftDto, TakeBackDto } from "./base.dto.ts";

export type BaseOver = { base: string; moved: Moved; part: boolean };

/** Which bases had moved while an entry was driven. */
export function basesOver(db: Database): (entry: LogEntry) => BaseOver[] {
  const all = baseShifts(db);
  if (all.length === 0) return () => [];
  const farmOf = new Map(listFields(db).map(({ id, farmId }) => [id, farmId]));
  return ({ field, begun, ended }) =>
    all.flatMap(({ base, farmId, mark, shown, ...spell }) => {
      if (farmId !== null && farmOf.get(field.id) !== farmId) return [];
      const fell = fellWithin(spell, begun, ended?.at ?? null);
      return fell === "none" ? [] : [{ base, moved: movedBy(mark, shown), part: fell === "part" }];
    });
}

/** What they move a whole record by; one that had moved during a part of it moves that part alone, and is told in words. */
export const wholeShift = (bases: readonly BaseOver[]): Moved =>
  together(bases.filter(({ part }) => !part).map(({ moved }) => moved));

/** To a millimetre, as marks are told. */
const finePlace = ({ latitude, longitude }: Geographic) =>
  `${degreesOf(latitude).toFixed(8)}, ${degreesOf(longitude).toFixed(8)}`;

const towards = (heading: number) => `${Math.round((((heading * 180) / Math.PI) % 360) + 360) % 360}°`;

/** The one shift of a whole field. */
export function baseSaid(bases: readonly BaseOver[]): Said[] {
  return bases.map(({ base, moved, part }) =>
    part
      ? tell`The base “${base}” had moved during a part of it: what was recorded in that part lies ${smallLength(moved.distance)} off; move it towards ${towards(moved.heading)}.`
      : tell`The base “${base}” had moved: move the whole record of this field ${smallLength(moved.distance)} towards ${towards(moved.heading)}, whichever way it was driven.`,
  );
}

export function basesView(db: Database, units: Units) {
  const all = baseShifts(db);
  const fields = all.length === 0 ? [] : listFields(db);
  return {
    farms: farmsOf(db),
    all: all.map((shift) => {
      const moved = movedBy(shift.mark, shift.shown);
      return {
        id: shift.id,
        base: shift.base,
        where: shift.farmId === null ? "every field" : `the fields of ${shift.farm}`,
        when: `${day(shift.since)} to ${shift.until === null ? "now" : day(shift.until)}`,
        by: printLength(moved.distance, units.small),
        towards: towards(moved.heading),
        mark: finePlace(shift.mark),
        who: `${shift.person}, ${moment(shift.at)}`,
        lines: linesWithin(db, fields, shift, moved, units),
      };
    }),
  };
}

const headingOf = (shape: LineShape): number | null =>
  shape.kind === "ab" ? between(shape.a, shape.b).heading : shape.kind === "heading" ? shape.heading : null;

/** Lines that were kept while it had moved lie as far off. */
function linesWithin(
  db: Database,
  fields: ReturnType<typeof listFields>,
  { farmId, since, until }: BaseShift,
  moved: Moved,
  units: Units,
) {
  return linesOf(db).flatMap(({ id, fieldId, name, shape, at }) => {
    const field = fields.find((each) => each.id === fieldId);
    if (!field || (farmId !== null && field.farmId !== farmId)) return [];
    if (at < since || (until !== null && at >= until)) return [];
    const heading = headingOf(shape);
    const right = heading === null ? null : rightOf(moved, heading);
    return [
      {
        id,
        fieldId,
        text: `${name} on ${field.name}`,
        by:
          right === null
            ? "record it again"
            : `lies right again ${printLength(Math.abs(right), units.small)} further ${right > 0 ? "right" : "left"}`,
      },
    ];
  });
}

type AtYard = { db: Database; told: Told; units: Units };

function keep({ db, told, units }: AtYard, value: BaseShiftDto): Outcome {
  const [mark, shown] = [readPlace(value.mark), readPlace(value.shown)] as [Geographic, Geographic];
  const moved = movedBy(mark, shown);
  const farm = value.farm === "" ? null : Number(value.farm);
  if (farm !== null && !farmsOf(db).some(({ id }) => id === farm))
    return refused({ farm: "There is no such farm." });
  if (Number.isNaN(Date.parse(value.since))) return refused({ since: "There is no such day." });
  if (value.until !== "" && !(Date.parse(value.until) > Date.parse(value.since)))
    return refused({ until: "It was put right after it had moved: choose a later day." });
  if (moved.distance < WANDER)
    return refused({
      shown: `They lie ${printLength(moved.distance, units.small)} apart: a fixed receiver wanders so far by itself, and nothing is corrected.`,
    });
  if (moved.distance > ANOTHER_MARK)
    return refused({
      shown: `They lie ${(moved.distance / 1000).toFixed(1)} km apart: that is another mark, or one of them is mistyped.`,
    });
  const id = keepBaseShift(
    db,
    {
      base: value.base,
      farmId: farm,
      since: new Date(value.since).toISOString(),
      until: value.until === "" ? null : new Date(value.until).toISOString(),
      mark,
      shown,
    },
    { ...told, person: value.person },
  );
  return kept(
    `Kept: what was recorded meanwhile is moved ${printLength(moved.distance, units.small)} towards ${towards(moved.heading)}.`,
    { id, person: value.person },
  );
}

function undo({ db, told }: AtYard, { id }: TakeBackDto): Outcome {
  return factOf(db, id)?.kind === BASE_SHIFT && takeBack(db, id, told)
    ? kept("Taken back.")
    : refused({ form: "It is not there any more, or was taken back before." });
}

export const SPOILT_INTENTS: Intents<AtYard, Outcome> = {
  base: checkedBy(BaseShiftDto, keep),
  "take-back": checkedBy(TakeBackDto, undo),
};
