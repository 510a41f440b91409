import { Length, Matches } from "class-validator";

const YARD = { message: "Say what it is called, in up to 60 letters." };

export class LendDto {
  @Length(1, 60, YARD)
  there!: string;

  @Length(1, 60, YARD)
  here!: string;

  @Matches(/^(\d{4}-\d\d-\d\d)?$/, { message: "Say a day, or leave it empty." })
  until!: string;
}

export class TakeMachineDto {
  @Length(1, 60, { message: "Say who you are." })
  person!: string;

  @Length(1, 60, YARD)
  here!: string;
}
