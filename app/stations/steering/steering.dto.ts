import { IsUUID, Length, Matches, MaxLength } from "class-validator";
import { LONGEST_NAME } from "../../../core/place/given.ts";

/** A figure as a terminal shows a sensitivity: a whole number or one with a comma; empty where it has none. */
const SENSITIVITY = /^(\d{1,3}([.,]\d)?)?$/;
const NONE = { message: "A number as the terminal shows it, or nothing where it has none." };

/** One drive along a line, its log beside it. */
export class DriveDto {
  @IsUUID(undefined, { message: "Choose the line it was driven on." })
  line!: string;

  @Matches(SENSITIVITY, NONE)
  lineSensitivity!: string;

  @Matches(SENSITIVITY, NONE)
  headingSensitivity!: string;

  @Matches(SENSITIVITY, NONE)
  headingLead!: string;

  @MaxLength(120, { message: "A note has at most 120 characters." })
  note!: string;

  @Length(1, LONGEST_NAME, { message: "Say who drove." })
  person!: string;
}

/** A fact of this page that is taken back. */
export class OfSteeringDto {
  @IsUUID(undefined, { message: "There is no such entry." })
  id!: string;
}

/** What a sensitivity was typed as; null where there is none. */
export function readSensitivity(text: string): number | null {
  return text.trim() === "" ? null : Number(text.replace(",", "."));
}
