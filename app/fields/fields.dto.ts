import { IsIn, IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { boundaryProblem } from "../../core/place/check-boundary.ts";
import { LONGEST_NAME } from "../../core/place/given.ts";
import { partsOf, readRings } from "../../core/place/typed.ts";
import { Reads } from "../session/reads.ts";
import { IsAmount } from "../yard/amount.ts";
import { placeProblem } from "./place.ts";

const TOO_LONG = `Keep it under ${LONGEST_NAME} characters.`;

/** A field by its name, and whose it is. */
export class FieldDto {
  @Length(1, LONGEST_NAME, { message: "Give the field its name." })
  name!: string;

  @MaxLength(LONGEST_NAME, { message: TOO_LONG })
  farm!: string;

  @MaxLength(LONGEST_NAME, { message: TOO_LONG })
  client!: string;
}

/** Why typed corners are no boundary; null where they are one. */
export function cornersProblem(text: string): string | null {
  const read = readRings(text);
  if (!read.ok) return `Line ${read.line}: ${read.problem}`;
  if (read.rings.length === 0) return "Type the corners, one a line: latitude, then longitude.";
  return boundaryProblem(partsOf(read.rings));
}

/** Corners as they were typed. */
export class CornersDto {
  @Reads(cornersProblem)
  corners!: string;

  @Length(1, LONGEST_NAME, { message: "Say who entered it." })
  person!: string;
}

/** A log of somebody who walked or drove round. */
export class LogDto {
  @IsAmount("length", true)
  outside!: string;
  @MaxLength(8)
  outsideUnit!: string;

  @IsIn(["outside", "inside"], { message: "Choose on which side." })
  side!: "outside" | "inside";

  @Length(1, LONGEST_NAME, { message: "Say who drove it." })
  person!: string;
}

export class OfFieldDto {
  @IsUUID(undefined, { message: "There is no such entry." })
  id!: string;
}

/** A guidance line as it was typed: by two places, a place and a heading, or a centre and a radius. */
export class LineDto {
  @Length(1, LONGEST_NAME, { message: "Give the line a name." })
  name!: string;

  @IsIn(["ab", "heading", "circle"], { message: "Choose what it is told by." })
  kind!: "ab" | "heading" | "circle";

  @Reads(placeProblem)
  a!: string;

  @ValidateIf(({ kind }: LineDto) => kind === "ab")
  @Reads(placeProblem)
  b!: string;

  @ValidateIf(({ kind }: LineDto) => kind === "heading")
  @Matches(/^(?:[0-2]?\d{1,2}|3[0-5]\d)(?:[.,]\d{1,6})?$/, {
    message: "Degrees clockwise of north, 0 to 359.99.",
  })
  heading!: string;

  @ValidateIf(({ kind }: LineDto) => kind === "circle")
  @IsAmount("length", false)
  radius!: string;
  @MaxLength(8)
  radiusUnit!: string;

  @Length(1, LONGEST_NAME, { message: "Say who enters it." })
  person!: string;
}

/** Rounds along an edge that are laid at most. */
export const MOST_ROUNDS = 6;

/** A round along the field's edge becomes a line. */
export class RoundDto {
  @Length(1, LONGEST_NAME, { message: "Give the line a name." })
  name!: string;

  @Matches(new RegExp(`^[1-${MOST_ROUNDS}]$`), { message: "Choose a round." })
  round!: string;

  /** metres from pass to pass */
  @Matches(/^\d{1,3}(\.\d{1,4})?$/, { message: "There is no width to lay it by." })
  spacing!: string;

  @Length(1, LONGEST_NAME, { message: "Say who enters it." })
  person!: string;
}

/** A line that was driven: its log is a file of its own. */
export class DrivenLineDto {
  @Length(1, LONGEST_NAME, { message: "Give the line a name." })
  name!: string;

  @Length(1, LONGEST_NAME, { message: "Say who drove it." })
  person!: string;
}

/** A shift somebody made in a terminal: how far, which way, and why. */
export class ShiftDto {
  @IsUUID(undefined, { message: "There is no such line." })
  line!: string;

  @IsAmount("length", false)
  amount!: string;
  @MaxLength(8)
  amountUnit!: string;

  @IsIn(["right", "left"], { message: "Choose which way, seen from A to B." })
  way!: "right" | "left";

  @Length(3, 120, { message: "Say why: shifts without a reason are regretted." })
  reason!: string;

  @Length(1, LONGEST_NAME, { message: "Say who shifted it." })
  person!: string;
}

/** A map of varieties: its file is a file of its own. */
export class VarietyMapDto {
  @Length(1, LONGEST_NAME, { message: "Say of which crop." })
  crop!: string;

  @Length(1, LONGEST_NAME, { message: "Say who reads it in." })
  person!: string;
}

/** A name that was typed elsewhere becomes a field. */
export class TypedNameDto {
  @Length(1, LONGEST_NAME, { message: "There is no such name." })
  name!: string;
}

/** Onto which field what a file has goes: one there is, a new one, or none. */
export const ONTO = /^(new|skip|\d{1,9})$/;

export class TakePlacesDto {
  @Length(1, LONGEST_NAME, { message: "Say who takes it over." })
  person!: string;

  @Matches(/^\d{0,5}$/, { message: "There is no such file." })
  count!: string;
}
