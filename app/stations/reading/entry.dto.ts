/** What may be sent to a station: the same classes check it in the browser and on the server. */
import { IsIn, IsOptional, IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { ATTACHMENT_KEYS, type Attachment } from "../../../core/dimension/attachment.ts";
import {
  DIMENSION_KEYS,
  type DimensionKey,
  dimension,
  isDimensionKey,
} from "../../../core/dimension/catalogue.ts";
import { CHANGE_KINDS, type ChangeKind } from "../../../core/dimension/change.ts";
import { CONDITION_KEYS, type ConditionKey } from "../../../core/dimension/condition.ts";
import { type FieldUnit, isFieldUnit, parseEntry, rangeProblem } from "../../../core/dimension/entry.ts";
import { isLengthStyle } from "../../../core/quantity/length.ts";
import { INSTRUMENTS, type Instrument } from "../../../core/rig/grade.ts";
import { parseSections } from "../../../core/rig/sections.ts";
import { isToolKind, TOOL_KINDS } from "../../../core/trade/kinds.ts";
import { Reads } from "../../session/reads.ts";

class StampedDto {
  /** given by the device, so that what is sent twice is kept once */
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @Reads<StampedDto>((text) => (isFieldUnit(text) ? null : "Choose the units of the field."))
  style!: FieldUnit;

  @IsIn(INSTRUMENTS, { message: "Say how you know the value." })
  instrument!: Instrument;

  @Length(1, 60, { message: "Say who read it." })
  person!: string;
}

/** The conditions a reading was taken under, as they come in one field. */
export function conditionsIn(text: string): ConditionKey[] {
  const told = text.split(",").map((each) => each.trim());
  return CONDITION_KEYS.filter((key) => told.includes(key));
}

type Typed = Pick<KeepReadingDto, "dimension" | "hangs" | "text" | "style"> & { tool?: string };

/** What was typed, read as the entry it is of, and what is to be said of its size; null where nobody can tell which entry it is. */
function readOf({ dimension: key, hangs, tool = "", text, style }: Typed) {
  if (!isDimensionKey(key) || !ATTACHMENT_KEYS.includes(hangs)) return null;
  const entry = dimension(key, { attachment: hangs, tool: isToolKind(tool) ? tool : null });
  const read = parseEntry(entry, text, style);
  return read.ok
    ? { ok: true as const, value: { range: rangeProblem(entry, read.value.value, style) } }
    : read;
}

export class KeepReadingDto extends StampedDto {
  @IsIn(DIMENSION_KEYS, { message: "There is no such reading." })
  dimension!: DimensionKey;

  /** how the tool hangs it is read of: what a dimension is called and which way it runs follow from it */
  @IsIn(ATTACHMENT_KEYS, { message: "This entry does not say how its tool hangs." })
  hangs!: Attachment;

  /** what it is, for the words of a problem; absent of what waited on a device since an older build */
  @IsOptional()
  @IsIn(["", ...Object.keys(TOOL_KINDS)], { message: "There is no such kind of tool." })
  tool?: string;

  @Reads<KeepReadingDto>((text, dto) => {
    const read = readOf({ ...dto, text });
    if (!read) return null;
    if (!read.ok) return read.problem;
    return read.value.range?.impossible ? read.value.range.text : null;
  })
  text!: string;

  /** "yes": somebody looked again at a figure outside the usual */
  @Reads<KeepReadingDto>((sure, dto) => {
    const read = sure === "yes" ? null : readOf(dto);
    return read?.ok && read.value.range && !read.value.range.impossible ? read.value.range.text : null;
  })
  sure!: string;

  /** repeats share it */
  @IsUUID(undefined, { message: "This entry belongs to no sitting." })
  sitting!: string;

  /** wanted where a lower grade shall displace a higher one; the server asks for it */
  @MaxLength(200, { message: "Keep the reason under 200 characters." })
  reason!: string;

  @MaxLength(300, { message: "Keep the note under 300 characters." })
  note!: string;

  @Reads<KeepReadingDto>((text) =>
    text === "" || conditionsIn(text).length === text.split(",").length
      ? null
      : "There is no such condition.",
  )
  conditions!: string;

  /** "yes": it was set to another value, not merely read again */
  @IsIn(["", "yes"], { message: "Say whether it was changed." })
  changed!: "" | "yes";

  /** when the device took it, where that was before it could be sent */
  @ValidateIf(({ measuredAt }: KeepReadingDto) => measuredAt !== "")
  @Matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, {
    message: "The time of reading was not understood.",
  })
  measuredAt!: string;
}

export class KeepSectionsDto extends StampedDto {
  @Reads<KeepSectionsDto>((text, { style }) => {
    if (!isLengthStyle(style)) return "Sections are given in a unit of length.";
    const read = parseSections(text, style);
    return read.ok ? null : read.problem;
  })
  text!: string;
}

export class TakeBackDto {
  @IsUUID(undefined, { message: "There is no such reading." })
  id!: string;
}

/** A day somebody names: not in the future. */
function dayProblem(text: string): string | null {
  const at = Date.parse(`${text}T00:00:00Z`);
  if (!/^\d{4}-\d\d-\d\d$/.test(text) || Number.isNaN(at)) return "Give the day, like 2026-11-03.";
  return at > Date.now() + 14 * 3600_000 ? "That day is yet to come." : null;
}

export class KeepChangeDto {
  @IsIn(CHANGE_KINDS, { message: "Choose what was changed." })
  kind!: ChangeKind;

  @Reads(dayProblem)
  day!: string;

  @MaxLength(200, { message: "Keep the note under 200 characters." })
  note!: string;

  @Length(1, 60, { message: "Say who you are." })
  person!: string;
}
