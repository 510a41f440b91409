import { IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { Reads } from "../../session/reads.ts";
import { amountOf, IsAmount } from "../../yard/amount.ts";

/** "3:40" or "3.7": hours as seconds; null where it reads otherwise, or is nothing. */
export function readHours(text: string): number | null {
  const clock = /^(\d{1,3}):([0-5]\d)$/.exec(text.trim());
  if (clock) return (Number(clock[1]) * 60 + Number(clock[2])) * 60 || null;
  const decimal = /^\d{1,3}([.,]\d{1,2})?$/.exec(text.trim());
  return decimal ? Number(text.trim().replace(",", ".")) * 3600 || null : null;
}

/** Hectares with only some of the tool's parts at work: so many rows are asked for. */
export const MOST_PARTS = 3;
/** Products of one job. */
export const MOST_USED = 4;

const ISO = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?Z$/;

class OfWork {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @IsUUID(undefined, { message: "There is no such work." })
  begun!: string;

  @Length(1, LONGEST_NAME, { message: "Say who enters it." })
  person!: string;
}

/** That a job was begun. */
export class BeginWorkDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @IsUUID(undefined, { message: "There is no such job." })
  work!: string;

  @Length(1, LONGEST_NAME, { message: "Say who drives." })
  person!: string;
}

function partProblem(text: string, dto: object, property: string): string | null {
  const own = dto as Record<string, string>;
  const at = property.slice(-1);
  const [some, of, area] = [own[`some${at}`] ?? "", own[`of${at}`] ?? "", own[`area${at}`] ?? ""];
  if (some === "" && area === "") return null;
  if (property.startsWith("some")) {
    const [a, b] = [Number(some), Number(of)];
    return /^\d{1,3}$/.test(some) && a >= 1 && b >= a ? null : "So many of the parts there are.";
  }
  const read = amountOf(text, { family: "area", unit: own.areaUnit ?? "", optional: false });
  return read.ok ? (read.value! > 0 ? null : "More than nothing.") : read.problem;
}

/** What came of it. */
export class EndWorkDto extends OfWork {
  @ValidateIf(({ ended }: EndWorkDto) => ended !== "")
  @Matches(ISO, { message: "A day and a time." })
  ended!: string;

  @IsAmount("area", true)
  area!: string;
  @MaxLength(8)
  areaUnit!: string;

  @Reads((text) => (text === "" || readHours(text) !== null ? null : "Hours like 3:40 or 3.7."))
  time!: string;

  @IsAmount("volume", true)
  fuel!: string;
  @MaxLength(8)
  fuelUnit!: string;

  @Reads(partProblem)
  some0!: string;
  @MaxLength(3)
  of0!: string;
  @Reads(partProblem)
  area0!: string;
  @Reads(partProblem)
  some1!: string;
  @MaxLength(3)
  of1!: string;
  @Reads(partProblem)
  area1!: string;
  @Reads(partProblem)
  some2!: string;
  @MaxLength(3)
  of2!: string;
  @Reads(partProblem)
  area2!: string;

  @Reads(usedProblem)
  used0!: string;
  @MaxLength(8)
  used0Unit!: string;
  @Matches(/^\d{0,9}$/)
  used0Of!: string;
  @Reads(usedProblem)
  used1!: string;
  @MaxLength(8)
  used1Unit!: string;
  @Matches(/^\d{0,9}$/)
  used1Of!: string;
  @Reads(usedProblem)
  used2!: string;
  @MaxLength(8)
  used2Unit!: string;
  @Matches(/^\d{0,9}$/)
  used2Of!: string;
  @Reads(usedProblem)
  used3!: string;
  @MaxLength(8)
  used3Unit!: string;
  @Matches(/^\d{0,9}$/)
  used3Of!: string;

  @MaxLength(400, { message: "Keep it under 400 characters." })
  note!: string;
}

/** An amount of a product as it is weighed, measured or counted; the unit tells which. */
export function readUsed(text: string, unit: string) {
  const family = unit === "l" || unit === "gal" ? "volume" : "mass";
  return amountOf(text, { family, unit, optional: true });
}

function usedProblem(text: string, dto: object, property: string): string | null {
  const read = readUsed(text, String((dto as Record<string, unknown>)[`${property}Unit`] ?? ""));
  if (!read.ok) return read.problem;
  return read.value !== null && read.value <= 0 ? "More than nothing." : null;
}

/** A load that left the field. */
export class LoadDto extends OfWork {
  @Length(1, LONGEST_NAME, { message: "Which load is it: the cart, the driver." })
  name!: string;

  @MaxLength(20)
  number!: string;

  @MaxLength(LONGEST_NAME)
  destination!: string;

  @IsAmount("mass", true)
  mass!: string;
  @MaxLength(8)
  massUnit!: string;

  @Reads((text) => (text === "" || /^\d{1,2}([.,]\d)?$/.test(text) ? null : "Per cent of water, like 14.2."))
  moisture!: string;
}

/** Something that was seen. */
export class NoteDto extends OfWork {
  @Length(2, 400, { message: "Say what was seen." })
  text!: string;
}
