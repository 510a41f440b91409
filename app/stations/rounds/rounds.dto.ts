import { Matches } from "class-validator";
import { BySomebodyDto } from "../hookup/hookup.dto.ts";

/** That something on the list was done, by somebody at the machine. */
export class ServicedDto extends BySomebodyDto {
  @Matches(/^\d{1,9}$/, { message: "There is no such line." })
  item!: string;
}
