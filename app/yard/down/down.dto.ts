import { Matches, MaxLength } from "class-validator";
import { Reads } from "../../session/reads.ts";
import { isDate } from "../plan/plan.dto.ts";

const dateOrNothing = (text: string) => (text === "" || isDate(text) ? null : "Choose a day, or none.");

/** Another machine takes the tools over. */
export class TakeOverDto {
  @Matches(/^\d{1,9}$/, { message: "Choose the rig." })
  rig!: string;

  @Matches(/^\d{1,9}$/, { message: "Choose another machine." })
  other!: string;

  /** empty: today */
  @Reads(dateOrNothing)
  from!: string;

  /** empty: nobody knows */
  @Reads(dateOrNothing)
  until!: string;

  @MaxLength(120, { message: "Keep it under 120 characters." })
  why!: string;
}
