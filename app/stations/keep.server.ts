import { dimension, hasDimension } from "../../core/dimension/catalogue.ts";
import { CHANGES } from "../../core/dimension/change.ts";
import { parseEntry, printReading } from "../../core/dimension/entry.ts";
import { isLengthStyle } from "../../core/quantity/length.ts";
import type { Units } from "../../core/quantity/units.ts";
import { below, gradeOf } from "../../core/rig/grade.ts";

import { countSections, parseSections } from "../../core/rig/sections.ts";
import { rigFacts, subjectColumns } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import { keepChange, keepReading, keepSections, retract } from "../../data/readings.ts";
import type { Rig } from "../../data/rigs.ts";
import type { Stamp } from "../session/clock.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { conditionsIn, KeepChangeDto, KeepReadingDto, KeepSectionsDto, TakeBackDto } from "./entry.dto.ts";
import { photoIn } from "./photo.server.ts";

export type Outcome =
  | { ok: true; kept: { id: string; said: string } | null; person: string | null }
  | { ok: false; errors: FieldErrors; asksReason: boolean };

/** Nothing was written: what is wrong, by field. */
export const refused = (errors: FieldErrors, asksReason = false): Outcome => ({
  ok: false,
  errors,
  asksReason,
});

type Asked = { db: Database; rig: Rig; units: Units; person: string };

/** Carries out what a station's form asks for. Nothing is written unless all of it is right. */
export async function carryOut(asked: Asked, form: FormData, stamp: Stamp): Promise<Outcome> {
  switch (form.get("intent")) {
    case "keep-reading":
      return keepOne(asked, form, stamp);
    case "keep-sections":
      return keepLayout(asked, form, stamp);
    case "keep-change":
      return noteChange(asked, form, stamp);
    case "take-back":
      return takeBack(asked, form);
    default:
      return refused({ form: "That request was not understood." });
  }
}

async function keepOne({ db, rig, units }: Asked, form: FormData, { at, now }: Stamp): Promise<Outcome> {
  // What waited on a device since an older build does not say how its tool hangs; the rig does, and its word counts.
  form.set("hangs", rig.attachment);
  const checked = validateForm(KeepReadingDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { id, dimension: key, text, style, instrument, person, reason, sitting, note } = checked.value;
  const entry = dimension(key, rig.attachment);
  if (!hasDimension(rig.attachment, key) || !subjectColumns(key, rig))
    return refused({ form: "This rig has no such reading." });
  const read = parseEntry(entry, text, style);
  if (!read.ok) return refused({ text: read.problem });
  const picture = await photoIn(form);
  if ("problem" in picture) return refused({ photo: picture.problem });
  const current = rigFacts(db, rig).readings[key]?.at(-1);
  const downgrade = current && current.id !== id && below(gradeOf(instrument), gradeOf(current.instrument));
  if (downgrade && reason === "")
    return refused(
      {
        reason: `This is ${gradeOf(current.instrument)} now. Say why a value that is only ${gradeOf(instrument)} shall replace it.`,
      },
      true,
    );
  const said = printReading(entry, { value: read.value.value, rawText: text }, units);
  keepReading(db, rig, {
    id,
    key,
    rawText: text,
    ...read.value,
    instrument,
    person,
    reason,
    note,
    sitting,
    conditions: conditionsIn(checked.value.conditions),
    photo: picture.photo,
    at: now,
    measuredAt: at,
    changed:
      checked.value.changed === "yes" && entry.alters && current
        ? { kind: entry.alters, note: `${entry.label}: ${said}` }
        : null,
  });
  return {
    ok: true,
    kept: {
      id,
      said: `Kept ${entry.letter || entry.label}: ${said}`,
    },
    person,
  };
}

function keepLayout({ db, rig }: Asked, form: FormData, { at, now }: Stamp): Outcome {
  const checked = validateForm(KeepSectionsDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { id, text, style, instrument, person } = checked.value;
  if (!isLengthStyle(style)) return refused({ style: "Sections are given in a unit of length." });
  const read = parseSections(text, style);
  if (!read.ok) return refused({ text: read.problem });
  keepSections(db, rig, read.value, { id, instrument, person, at: now, measuredAt: at });
  return { ok: true, kept: { id, said: `Kept ${countSections({ widths: read.value })}` }, person };
}

/** The end of the day somebody named, or now where that is today. */
function moment(day: string, now: Date): Date {
  const end = new Date(`${day}T23:59:59.000Z`);
  return end < now ? end : now;
}

function noteChange({ db, rig }: Asked, form: FormData, { now }: Stamp): Outcome {
  const checked = validateForm(KeepChangeDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { kind, day, note, person } = checked.value;
  const id = keepChange(db, rig, { kind, note, person, at: moment(day, now), now });
  return { ok: true, kept: { id, said: `Noted: ${CHANGES[kind].label.toLowerCase()}` }, person };
}

function takeBack({ db, rig, person }: Asked, form: FormData): Outcome {
  const checked = validateForm(TakeBackDto, form);
  if (!checked.ok) return refused(checked.errors);
  if (!retract(db, rig, checked.value.id, { person, at: new Date() }))
    return refused({ form: "It is not there any more: somebody took it back before." });
  return { ok: true, kept: null, person: null };
}
