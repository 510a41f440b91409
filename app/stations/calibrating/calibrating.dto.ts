import { IsIn, IsUUID, Length, Matches, MaxLength } from "class-validator";

const NO_NUMBER = { message: "This entry has no number of its own." };
const NONE = { message: "There is no such calibration." };
const WHO = { message: "Say who does it." };

/** What is entered for a calibration: its set-up, or runs of it. */
export class CalibratingDto {
  @IsUUID(undefined, NO_NUMBER)
  id!: string;

  /** the calibration's own number, given by the device that began it */
  @IsUUID(undefined, NONE)
  calibration!: string;

  @Length(1, 40, NONE)
  kind!: string;

  @Length(1, 60, WHO)
  person!: string;
}

export class LeaveRunDto {
  @IsUUID(undefined, { message: "There is no such run." })
  run!: string;

  @IsIn(["yes", "no"], { message: "Say whether it counts." })
  out!: "yes" | "no";
}

export class EndCalibrationDto extends CalibratingDto {
  @IsIn(["yes", "no"], { message: "Say whether it is accepted." })
  accepted!: "yes" | "no";

  @MaxLength(200, { message: "Keep the note under 200 characters." })
  note!: string;
}

export class ChangePartsDto {
  @Length(1, 40, NONE)
  kind!: string;

  @Matches(/^\s*\d{1,3}(\s*[,;]\s*\d{1,3})*\s*$/, { message: "Their numbers, like 7, 19, 41." })
  places!: string;

  @Length(1, 60, WHO)
  person!: string;
}
