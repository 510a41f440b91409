import { IsUUID, Length, Matches, ValidateIf } from "class-validator";
import { LONGEST_NAME } from "../../core/place/given.ts";
import { placeProblem } from "../fields/place.ts";
import { Reads } from "../session/reads.ts";

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

/** A base that stood elsewhere than it was told. */
export class BaseShiftDto {
  @Length(1, LONGEST_NAME, { message: "Say which base: where it stands, or whose it is." })
  base!: string;

  /** the number of a farm; empty: every field */
  @Matches(/^\d{0,9}$/, { message: "Choose a farm." })
  farm!: string;

  @Matches(INSTANT, { message: "Since when? The last day it is known to have been right." })
  since!: string;

  /** empty: it is not put right yet */
  @ValidateIf(({ until }: BaseShiftDto) => until !== "")
  @Matches(INSTANT, { message: "The time was not understood." })
  until!: string;

  @Reads(placeProblem)
  mark!: string;

  @Reads(placeProblem)
  shown!: string;

  @Length(1, LONGEST_NAME, { message: "Say who measured it." })
  person!: string;
}

export class TakeBackDto {
  @IsUUID(undefined, { message: "There is no such entry." })
  id!: string;
}
