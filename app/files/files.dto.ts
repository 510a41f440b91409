import { Equals, Length } from "class-validator";

/** A backup takes the place of this yard only where somebody ticked that it shall. */
export class RestoreDto {
  @Equals("yes", { message: "Tick that this yard is to be replaced." })
  sure!: "yes";
}

export class ImportRowDto {
  @Length(1, 60, { message: "There is no such import." })
  id!: string;
}
