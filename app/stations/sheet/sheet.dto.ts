import { IsIn, IsUUID, Length, Matches, ValidateIf } from "class-validator";
import type { Hung } from "../../../core/dimension/attachment.ts";
import {
  type DimensionKey,
  dimension,
  hasDimension,
  isDimensionKey,
} from "../../../core/dimension/catalogue.ts";
import {
  type Entry,
  type FieldUnit,
  isFieldUnit,
  parseEntry,
  rangeProblem,
} from "../../../core/dimension/entry.ts";
import { INSTRUMENTS, type Instrument } from "../../../core/rig/grade.ts";

export class KeepSheetDto {
  @IsUUID(undefined, { message: "This sheet has no number of its own." })
  id!: string;

  @IsIn(INSTRUMENTS, { message: "Say how you know the values." })
  instrument!: Instrument;

  @Length(1, 60, { message: "Say who read them." })
  person!: string;

  @ValidateIf(({ measuredAt }: KeepSheetDto) => measuredAt !== "")
  @Matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, { message: "The time was not understood." })
  measuredAt!: string;
}

/** The names of a line's text, of the tick that an unusual figure is right, and of the unit its field shows. */
export const lineName = (key: string) => `r-${key}`;
export const sureName = (key: string) => `y-${key}`;
export const unitName = (key: string) => `u-${key}`;

export type SheetEntry = { key: DimensionKey; text: string } & Entry;

/** Reads every line that is filled in; what is wrong is told by the line, and then nothing is kept. */
export function readSheet(
  form: FormData,
  hung: Hung,
): { ok: true; entries: SheetEntry[] } | { ok: false; errors: Record<string, string> } {
  const entries: SheetEntry[] = [];
  const errors: Record<string, string> = {};
  for (const [name, value] of form) {
    const key = name.startsWith("r-") ? name.slice(2) : "";
    const text = typeof value === "string" ? value.trim() : "";
    if (!isDimensionKey(key) || text === "") continue;
    if (form.getAll(name).length > 1) {
      errors[name] = "This reading is there twice. Leave one of them.";
      continue;
    }
    if (!hasDimension(hung, key)) {
      errors[name] = "This rig has no such reading.";
      continue;
    }
    const style = form.get(unitName(key));
    const read = isFieldUnit(style)
      ? parseEntry(dimension(key, hung), text, style)
      : { ok: false as const, problem: "The unit of the field was not understood." };
    if (!read.ok) {
      errors[name] = read.problem;
      continue;
    }
    const range = rangeProblem(dimension(key, hung), read.value.value, style as FieldUnit);
    if (range?.impossible) errors[name] = range.text;
    else if (range && form.get(sureName(key)) !== "yes") errors[sureName(key)] = range.text;
    else entries.push({ key, text, ...read.value });
  }
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  return entries.length === 0
    ? { ok: false, errors: { form: "Fill in at least one line." } }
    : { ok: true, entries };
}
