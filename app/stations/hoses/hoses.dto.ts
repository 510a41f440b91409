import { Matches } from "class-validator";
import { ROW_NUMBER, ROW_NUMBER_OR_NONE } from "../../entry/row-number.ts";

/** A function wanted on a remote, or with no remote wherever it may go. */
export class PinDto {
  @Matches(ROW_NUMBER, { message: "That function is not part of this rig." })
  function!: string;

  @Matches(ROW_NUMBER_OR_NONE, { message: "This tractor has no such remote." })
  remote!: string;
}
