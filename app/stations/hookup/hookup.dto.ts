import { IsIn, IsUUID, Length, ValidateIf } from "class-validator";

export class BySomebodyDto {
  /** given by the device, so that what is sent twice is kept once */
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @Length(1, 60, { message: "Say who you are." })
  person!: string;
}

export class TickDto extends BySomebodyDto {
  @Length(1, 80, { message: "Choose a line." })
  line!: string;

  /** the line as it read when it was pressed */
  @Length(1, 1000, { message: "Choose a line." })
  said!: string;

  @IsIn(["done", "not applicable"], { message: "Done, or does not apply." })
  state!: "done" | "not applicable";

  @ValidateIf(({ state }: TickDto) => state === "not applicable")
  @Length(4, 200, { message: "Say in a few words why it does not apply here." })
  reason!: string;
}

export class EventDto extends BySomebodyDto {
  @IsIn(["coupled", "uncoupled"], { message: "Coupled or uncoupled." })
  kind!: "coupled" | "uncoupled";

  /** "yes": what is coupled to the same machine or implement ends with it */
  @IsIn(["", "yes"], { message: "Yes, or nothing." })
  instead!: string;
}
