import { Length } from "class-validator";
import { LONGEST_NAME } from "../../core/place/given.ts";

/** Who takes a task file over. What of it is ticked comes in rows: see take-tasks.server.ts. */
export class TakeTasksDto {
  @Length(1, LONGEST_NAME, { message: "Say who takes it over." })
  person!: string;
}
