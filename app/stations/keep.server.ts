import { dimension } from "../../core/dimension/catalogue.ts";
import { parseEntry, printEntry } from "../../core/dimension/entry.ts";
import { below, gradeOf } from "../../core/rig/grade.ts";
import { parseSections } from "../../core/rig/sections.ts";
import type { Database } from "../../data/handle.ts";
import { keepReading, keepSections, retract, rigFacts } from "../../data/readings.ts";
import type { Rig } from "../../data/rigs.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { KeepReadingDto, KeepSectionsDto, TakeBackDto } from "./entry.dto.ts";

export type Outcome =
  | { ok: true; kept: { id: string; said: string } | null; person: string | null }
  | { ok: false; errors: FieldErrors; asksReason: boolean };

const refused = (errors: FieldErrors, asksReason = false): Outcome => ({ ok: false, errors, asksReason });

/** Carries out what a station's form asks for. Nothing is written unless all of it is right. */
export function carryOut(db: Database, rig: Rig, form: FormData, person: string): Outcome {
  switch (form.get("intent")) {
    case "keep-reading":
      return keepOne(db, rig, form);
    case "keep-sections":
      return keepLayout(db, rig, form);
    case "take-back":
      return takeBack(db, rig, form, person);
    default:
      return refused({ form: "That request was not understood." });
  }
}

function keepOne(db: Database, rig: Rig, form: FormData): Outcome {
  const checked = validateForm(
    KeepReadingDto,
    ["dimension", "text", "system", "instrument", "person", "reason"],
    form,
  );
  if (!checked.ok) return refused(checked.errors);
  const { dimension: key, text, system, instrument, person, reason } = checked.value;
  const entry = dimension(key);
  const read = parseEntry(entry, text, system);
  if (!read.ok) return refused({ text: read.problem });
  const current = rigFacts(db, rig).readings[key];
  const downgrade = current && below(gradeOf(instrument), gradeOf(current.instrument));
  if (downgrade && reason === "")
    return refused(
      {
        reason: `This is ${gradeOf(current.instrument)} now. Say why a value that is only ${gradeOf(instrument)} shall replace it.`,
      },
      true,
    );
  const id = keepReading(db, rig, {
    key,
    rawText: text,
    ...read.value,
    instrument,
    person,
    reason,
    at: new Date(),
  });
  return {
    ok: true,
    kept: { id, said: `Kept ${entry.letter}: ${printEntry(entry, read.value.value, system)}` },
    person,
  };
}

function keepLayout(db: Database, rig: Rig, form: FormData): Outcome {
  const checked = validateForm(KeepSectionsDto, ["text", "system", "instrument", "person"], form);
  if (!checked.ok) return refused(checked.errors);
  const { text, system, instrument, person } = checked.value;
  const read = parseSections(text, system);
  if (!read.ok) return refused({ text: read.problem });
  const id = keepSections(db, rig, read.value, { instrument, person, at: new Date() });
  return { ok: true, kept: { id, said: `Kept ${read.value.length} sections` }, person };
}

function takeBack(db: Database, rig: Rig, form: FormData, person: string): Outcome {
  const checked = validateForm(TakeBackDto, ["id"], form);
  if (!checked.ok) return refused(checked.errors);
  if (!retract(db, rig, checked.value.id, { person, at: new Date() }))
    return refused({ form: "It is not there any more: somebody has put another reading over it." });
  return { ok: true, kept: null, person: null };
}
