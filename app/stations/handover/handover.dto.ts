import { IsUUID, Length, Matches, MaxLength } from "class-validator";
import { isDimensionKey } from "../../../core/dimension/catalogue.ts";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { Reads } from "../../session/reads.ts";

/** One reading somebody at the machine is asked for. */
export class AskReadingDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  /** the coupling and the dimension: "4 axle.pin" */
  @Matches(/^\d{1,9} \S{3,40}$/, { message: "Choose what is to be read." })
  @Reads((text) => (isDimensionKey(text.replace(/^\d+ /, "")) ? null : "Choose what is to be read."))
  what!: string;

  @MaxLength(200, { message: "Keep it under 200 characters." })
  note!: string;

  @Length(1, LONGEST_NAME, { message: "Say who asks." })
  person!: string;
}
