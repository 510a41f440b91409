import { IsIn, IsUUID, Length, Matches, ValidateIf } from "class-validator";
import { AREAS, FAULTS } from "../../core/fault/faults.ts";
import { MEASUREMENTS } from "../../core/fault/measurements.ts";
import { ELSE, NOTHING } from "../../core/fault/weigh.ts";
import { LONGEST_NAME } from "../../core/place/given.ts";

/** What one asks to be hidden. */
export const ASKED = {
  one: "One fault of the library",
  two: "One or two at once",
  any: "One, none, or something not in the library",
} as const;
export type Asked = keyof typeof ASKED;

export class BeginCaseDto {
  @IsIn(Object.keys(ASKED), { message: "Choose what shall be hidden." })
  kind!: Asked;

  /** empty: any */
  @IsIn(["", ...Object.keys(AREAS)], { message: "Choose an area." })
  area!: "" | keyof typeof AREAS;

  /** the number of a rig; empty: a made-up one */
  @Matches(/^\d{0,9}$/, { message: "Choose a rig." })
  rig!: string;

  @Length(1, LONGEST_NAME, { message: "Say who practises." })
  person!: string;
}

export class MeasureDto {
  @IsIn(
    MEASUREMENTS.map(({ key }) => key),
    { message: "There is no such measurement." },
  )
  measurement!: string;

  /** of the form: pressed twice it is taken once */
  @IsUUID(undefined, { message: "That request was not understood." })
  id!: string;
}

/** What a figure may look like, or nothing: which one is asked hangs on the fault. */
const FIGURE = /^.{0,30}$/;

const NAMES = [...FAULTS.map(({ key }) => key), NOTHING, ELSE];

export class NameFaultDto {
  @IsIn(NAMES, { message: "Name a fault, or that there is none." })
  fault!: string;

  @Matches(FIGURE, { message: "That was not understood as a figure." })
  figure!: string;

  /** empty: no second */
  @ValidateIf(({ second }: NameFaultDto) => second !== "")
  @IsIn(
    FAULTS.map(({ key }) => key),
    { message: "Name a fault of the library." },
  )
  second!: string;

  @Matches(FIGURE, { message: "That was not understood as a figure." })
  secondFigure!: string;
}
