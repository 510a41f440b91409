import { IsIn, IsUUID, Length, MaxLength } from "class-validator";
import { SEQUENCE_KINDS, type SequenceKind } from "../../../core/sequence/step.ts";
import { BySomebodyDto } from "../hookup/hookup.dto.ts";

/** Something that happened in a run: a step done, the last one taken back, the run given up. */
export class RunDto extends BySomebodyDto {
  @IsIn(SEQUENCE_KINDS, { message: "Choose what is run." })
  kind!: SequenceKind;

  /** of the run; the device gives one to a run that begins */
  @IsUUID(undefined, { message: "This run has no number of its own." })
  run!: string;

  @IsIn(["done", "back", "aborted"], { message: "Done, taken back, or given up." })
  what!: "done" | "back" | "aborted";

  @MaxLength(80, { message: "Choose a step." })
  step!: string;

  /** the step as it read when it was pressed; why it is given up */
  @Length(1, 1000, { message: "Say in a few words why." })
  said!: string;
}
