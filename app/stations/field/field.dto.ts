import { IsIn, IsUUID, Length } from "class-validator";
import { FIXES, type Fix } from "../../../core/trade/field-conditions.ts";

export class BeginPracticeDto {
  @IsIn(["as read", "empty"], { message: "Choose what the practice rig begins with." })
  start!: "as read" | "empty";
}

export class DriveDto {
  /** of the test it makes, where none is begun */
  @IsUUID(undefined, { message: "This drive has no number of its own." })
  id!: string;

  @Length(1, 60, { message: "There is no such drive." })
  drive!: string;

  @IsIn(Object.keys(FIXES), { message: "Choose what the receiver shows." })
  fix!: Fix;

  @Length(1, 60, { message: "Say who drives." })
  person!: string;
}
