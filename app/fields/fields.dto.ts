import { IsIn, IsUUID, Length, Matches, MaxLength } from "class-validator";
import { boundaryProblem } from "../../core/place/check-boundary.ts";
import { LONGEST_NAME } from "../../core/place/given.ts";
import { partsOf, readRings } from "../../core/place/typed.ts";
import { Reads } from "../session/reads.ts";
import { IsAmount } from "../yard/amount.ts";

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
