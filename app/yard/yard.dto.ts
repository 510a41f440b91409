import { IsIn, Length, Matches, MaxLength } from "class-validator";
import { type Attachment, OWN_ATTACHMENTS } from "../../core/dimension/attachment.ts";
import { POINT_KINDS } from "../../core/dimension/point-kinds.ts";
import { LONGEST_NAME } from "../../core/place/given.ts";
import { ROW_NUMBER } from "../entry/row-number.ts";
import { IsAmount } from "./amount.ts";

export class RigNameDto {
  @Length(1, LONGEST_NAME, { message: `Give the rig a name of up to ${LONGEST_NAME} characters.` })
  name!: string;
}

export class NewRigDto extends RigNameDto {
  @Matches(ROW_NUMBER, { message: "Choose a tractor." })
  tractorId!: string;

  @Matches(ROW_NUMBER, { message: "Choose where the receiver sits." })
  receiverPointId!: string;

  /** one row a tool, in the order they are coupled: implement id, a colon, the id of the point it hangs on */
  @Matches(/^\d{1,9}:\d{1,9}(,\d{1,9}:\d{1,9}){0,3}$/, { message: "Choose a tool and what it hangs on." })
  tools!: string;
}

export class MachineDto {
  @IsIn(["tractor", "self-propelled", "implement"], {
    message: "Choose tractor, self-propelled or implement.",
  })
  kind!: "tractor" | "self-propelled" | "implement";

  @IsIn(OWN_ATTACHMENTS, { message: "Choose how it hangs on." })
  attachment!: Attachment;

  @Length(1, 40, { message: "Give the make." })
  make!: string;

  @Length(1, 40, { message: "Give the model." })
  model!: string;

  @MaxLength(20, { message: "A fleet number has at most 20 characters." })
  fleetNumber!: string;

  @MaxLength(32, { message: "A serial number has at most 32 characters." })
  serial!: string;

  @Matches(/^([0-9A-Fa-f]{16})?$/, {
    message: "A bus NAME has 16 figures 0 to 9 and A to F, or is left empty.",
  })
  busName!: string;
}

export class PointDto {
  @IsIn(POINT_KINDS, { message: "Choose what it is." })
  kind!: (typeof POINT_KINDS)[number];

  @Length(1, 40, { message: "Give it a name of up to 40 characters." })
  label!: string;
}

const SOME = /^[1-9]\d?$/;

export class WeightDto {
  @Length(1, 40, { message: "Name it, as “plate 45 kg”." })
  weightLabel!: string;

  @IsAmount("mass", false)
  mass!: string;
  @MaxLength(8)
  massUnit!: string;

  @IsAmount("length", false)
  place!: string;
  @MaxLength(8)
  placeUnit!: string;

  @IsIn(["ahead", "behind"], { message: "Choose ahead or behind." })
  side!: "ahead" | "behind";

  @Matches(SOME, { message: "How many there are: 1 to 99." })
  count!: string;
}

export class AxleTyreDto {
  @IsIn(["front", "rear", "tool"], { message: "Choose the axle." })
  axle!: "front" | "rear" | "tool";

  @Matches(/^\d{0,9}$/, { message: "Choose a tyre of the list." })
  tyreId!: string;

  @Matches(/^(2|4|6|8|10|12|16)$/, { message: "2, 4, 6, 8, 10, 12 or 16 of them." })
  tyreCount!: string;
}

export class TyreDto {
  @Length(1, 60, { message: "Name the tyre by its size and index." })
  label!: string;

  @MaxLength(120, { message: "Keep the source under 120 characters." })
  source!: string;

  @Length(1, 4000, { message: "Type or paste the table." })
  table!: string;
}

export class WeightRowDto {
  @Matches(ROW_NUMBER, { message: "There is no such weight." })
  weight!: string;
}

/** Which rig of the yard something is done to. */
export class RigRowDto {
  @Matches(ROW_NUMBER, { message: "There is no such rig in this yard." })
  rigId!: string;
}
