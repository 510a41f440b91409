import { IsIn, IsUUID, Length, MaxLength } from "class-validator";
import { MOISTURES, SOILS } from "../../../core/yard/ground.ts";

const NO_NUMBER = { message: "This entry has no number of its own." };

export class BeginStripDto {
  @IsUUID(undefined, NO_NUMBER)
  id!: string;

  @Length(1, 60, { message: "Say which field." })
  field!: string;

  @IsIn(["", ...Object.keys(SOILS)], { message: "Choose the soil, or leave it." })
  soil!: keyof typeof SOILS | "";

  @IsIn(["", ...Object.keys(MOISTURES)], { message: "Choose how moist it is, or leave it." })
  moisture!: keyof typeof MOISTURES | "";

  @MaxLength(60, { message: "The crop is at most 60 letters." })
  crop!: string;

  @Length(1, 60, { message: "Say who runs it." })
  person!: string;
}

export class KeepLookDto {
  @IsUUID(undefined, NO_NUMBER)
  id!: string;

  @Length(1, 40, { message: "There is no such step." })
  step!: string;

  @Length(1, 60, { message: "Say who looked." })
  person!: string;
}

/** In the place of a step: every one that wants a look. */
export const ALL_STEPS = "all";

/** A step that is done as it says: turned, mended, learnt from, run by the simulated tool. */
export class OfStepDto {
  @Length(1, 40, { message: "There is no such step." })
  step!: string;

  @Length(1, 60, { message: "Say who did it." })
  person!: string;
}

export class KeepPresetDto {
  @IsUUID(undefined, NO_NUMBER)
  id!: string;

  @Length(1, 60, { message: "Give it a name." })
  name!: string;

  @Length(1, 60, { message: "Say who keeps it." })
  person!: string;
}

export class SetAsKeptDto {
  @IsUUID(undefined, { message: "There is no such set of figures." })
  preset!: string;

  @Length(1, 60, { message: "Say who set them." })
  person!: string;
}

export class FollowSchoolDto {
  @Length(1, 40, { message: "There is no such choice." })
  school!: string;

  @MaxLength(40, { message: "There is no such practice." })
  practice!: string;

  @IsIn(["rig", "yard"], { message: "Say whether it is for this rig, or for the yard." })
  of!: "rig" | "yard";
}
