import { dimension, hasDimension } from "../../../core/dimension/catalogue.ts";
import { CHANGES } from "../../../core/dimension/change.ts";
import { parseEntry, printReading } from "../../../core/dimension/entry.ts";
import { isLengthStyle } from "../../../core/quantity/length.ts";
import { below, gradeOf } from "../../../core/rig/grade.ts";
import { countSections, parseSections } from "../../../core/rig/sections.ts";
import { currentReading, hungOf, subjectColumns } from "../../../data/facts.ts";
import { keepChange, keepReading, keepSections, retract } from "../../../data/readings.ts";
import type { Stamp } from "../../session/clock.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import {
  conditionsIn,
  KeepChangeDto,
  KeepReadingDto,
  KeepSectionsDto,
  TakeBackDto,
} from "../reading/entry.dto.ts";
import { photoIn } from "../reading/photo.server.ts";
import { outdone } from "./outdone.server.ts";
import { written } from "./written.server.ts";

const keepChecked = written(KeepReadingDto, async ({ open, value, told, form }): Promise<Outcome> => {
  const { id, dimension: key, text, style, instrument, reason, sitting, note } = value;
  // Only what this reading is called and what it displaces: a season's phones send a hundred at once.
  const { db, rig } = open;
  const { units } = open.preferences;
  const hung = hungOf(db, rig);
  const entry = dimension(key, hung);
  if (!hasDimension(hung, key) || !subjectColumns(key, rig))
    return refused({ form: "This rig has no such reading." });
  const read = parseEntry(entry, text, style);
  if (!read.ok) return refused({ text: read.problem });
  const picture = await photoIn(form);
  if ("problem" in picture) return refused({ photo: picture.problem });
  const current = currentReading(db, rig, key);
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
    reason,
    note,
    sitting,
    conditions: conditionsIn(value.conditions),
    photo: picture.photo,
    ...told,
    changed:
      value.changed === "yes" && entry.alters && current
        ? { kind: entry.alters, note: `${entry.label}: ${said}` }
        : null,
  });
  const later = outdone(open, entry, told.at);
  const name = entry.letter || entry.label;
  return later
    ? kept(`Saved ${name} ${said} in its history only: ${later}`, { id, heed: true })
    : kept(`Saved ${name}: ${said}`, { id });
});

/** Keeps a reading. */
export function keepOne(open: OpenRig, form: FormData, stamp: Stamp) {
  // What waited on a device since an older build does not say how its tool hangs; the rig does, and its word counts.
  form.set("hangs", open.rig.attachment);
  return keepChecked(open, form, stamp);
}

/** Keeps a section layout as somebody typed it in one line. */
export const keepLayout = written(KeepSectionsDto, ({ open: { db, rig }, value, told }): Outcome => {
  const { id, text, style, instrument } = value;
  if (!isLengthStyle(style)) return refused({ style: "Sections are given in a unit of length." });
  const read = parseSections(text, style);
  if (!read.ok) return refused({ text: read.problem });
  keepSections(db, rig, read.value, { id, instrument, ...told });
  return kept(`Saved ${countSections({ widths: read.value })}`, { id });
});

/** The end of the day somebody named, or now where that is today. */
function moment(day: string, now: Date): Date {
  const end = new Date(`${day}T23:59:59.000Z`);
  return end < now ? end : now;
}

/** Notes that something on a machine was changed, on a day. */
export const noteChange = written(KeepChangeDto, ({ open: { db, rig }, value, told: { now } }): Outcome => {
  const { kind, day, note, person } = value;
  const id = keepChange(db, rig, { kind, note, person, at: moment(day, now), now });
  return kept(`Noted: ${CHANGES[kind].label.toLowerCase()}`, { id });
});

/** Takes a fact of the rig back. */
export const takeBack = written(TakeBackDto, ({ open: { db, rig }, value: { id }, told }): Outcome => {
  if (!retract(db, rig, id, told))
    return refused({ form: "It is not there any more: somebody took it back before." });
  return kept();
});
