import { Length } from "class-validator";
import { BySomebodyDto } from "../hookup/hookup.dto.ts";

export class RungDto extends BySomebodyDto {
  @Length(1, 20, { message: "Choose a rung." })
  rung!: string;
}
