import { IsIn, IsUUID, Length } from "class-validator";
import { FIXES, type Fix } from "../../../core/subjects/proof/conditions.ts";

export class BeginPracticeDto {
  @IsIn(["as read", "empty"], { message: "Choose what the practice rig begins with." })
  start!: "as read" | "empty";
}

export const DRIVES = {
  joints: "Work ten passes",
  "wheel-marks": "Park twice, four times round",
  "wheel-coordinates": "Park twice, write down coordinates, four times",
  headland: "Cross the string at two speeds",
  circle: "Drive a circle, four diameters",
  "run-log": "Drive up and back, three times",
} as const;
export type DriveKey = keyof typeof DRIVES;

export class DriveDto {
  /** of the test it makes, where none is begun */
  @IsUUID(undefined, { message: "This drive has no number of its own." })
  id!: string;

  @IsIn(Object.keys(DRIVES), { message: "There is no such drive." })
  drive!: DriveKey;

  @IsIn(Object.keys(FIXES), { message: "Choose what the receiver shows." })
  fix!: Fix;

  @Length(1, 60, { message: "Say who drives." })
  person!: string;
}
