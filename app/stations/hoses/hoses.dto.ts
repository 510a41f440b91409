import { Matches } from "class-validator";

/** A function wanted on a remote, or with no remote wherever it may go. */
export class PinDto {
  @Matches(/^\d{1,9}$/, { message: "That function is not part of this rig." })
  function!: string;

  @Matches(/^(\d{1,9})?$/, { message: "This tractor has no such remote." })
  remote!: string;
}
