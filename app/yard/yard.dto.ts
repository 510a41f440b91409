import { IsIn, Length, Matches, MaxLength } from "class-validator";

export class RigNameDto {
  @Length(1, 60, { message: "Give the rig a name of up to 60 characters." })
  name!: string;
}

const CHOSEN = /^\d{1,9}$/;

export class NewRigDto extends RigNameDto {
  @Matches(CHOSEN, { message: "Choose a tractor." })
  tractorId!: string;

  @Matches(CHOSEN, { message: "Choose where the receiver sits." })
  receiverPointId!: string;

  @Matches(CHOSEN, { message: "Choose the drawbar hole." })
  holePointId!: string;

  @Matches(CHOSEN, { message: "Choose the implement." })
  implementId!: string;
}

export class MachineDto {
  @IsIn(["tractor", "implement"], { message: "Choose tractor or implement." })
  kind!: "tractor" | "implement";

  @Length(1, 40, { message: "Give the make." })
  make!: string;

  @Length(1, 40, { message: "Give the model." })
  model!: string;

  @MaxLength(20, { message: "A fleet number has at most 20 characters." })
  fleetNumber!: string;

  @MaxLength(32, { message: "A serial number has at most 32 characters." })
  serial!: string;

  @Matches(/^([0-9A-Fa-f]{16})?$/, {
    message: "A bus NAME has 16 figures 0 to 9 and A to F, or is left empty.",
  })
  busName!: string;
}

export const MACHINE_FIELDS = ["kind", "make", "model", "fleetNumber", "serial", "busName"] as const;

export class PointDto {
  @IsIn(["receiver mount", "drawbar hole"], { message: "Choose a mount or a hole." })
  kind!: "receiver mount" | "drawbar hole";

  @Length(1, 40, { message: "Give it a name of up to 40 characters." })
  label!: string;
}
