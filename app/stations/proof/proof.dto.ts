import { IsIn, IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { parseLength } from "../../../core/quantity/length.ts";
import { parseMeasure } from "../../../core/quantity/measure.ts";
import { FIXES, type Fix, SLOPES, SOILS } from "../../../core/trade/field-conditions.ts";
import { Reads } from "../../session/reads.ts";
import { stylesIn } from "./observation.ts";

const WHO = { message: "Say who measured." };
const NO_TEST = { message: "There is no such test." };

export class BeginTestDto {
  @IsUUID(undefined, NO_TEST)
  id!: string;

  @Length(1, 60, NO_TEST)
  kind!: string;

  /** whoever begins it need not be who measures: it may stand empty */
  @MaxLength(60, WHO)
  person!: string;
}

/** What held while it was driven. */
export class TestConditionsDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @IsUUID(undefined, NO_TEST)
  test!: string;

  @IsIn(["", ...Object.keys(FIXES)], { message: "Choose what the receiver showed." })
  fix!: Fix | "";

  @MaxLength(80, { message: "Keep it under 80 characters." })
  source!: string;

  @IsIn(["", ...Object.keys(SLOPES)], { message: "Choose how the ground lay." })
  slope!: keyof typeof SLOPES | "";

  @IsIn(["", ...Object.keys(SOILS)], { message: "Choose how the soil was." })
  soil!: keyof typeof SOILS | "";

  @Reads<TestConditionsDto>((text) => (stylesIn(text) ? null : "The units were not understood."))
  styles!: string;

  @Reads<TestConditionsDto>((text, { styles }) => {
    const units = stylesIn(styles);
    if (text === "" || !units) return null;
    const read = parseMeasure("speed", text, units.speed);
    return read.ok ? null : read.problem;
  })
  speed!: string;

  @Reads<TestConditionsDto>((text, { styles }) => {
    const units = stylesIn(styles);
    if (text === "" || !units) return null;
    const read = parseLength(text, units.tape);
    if (!read.ok) return read.problem;
    return read.value.metres > 0 ? null : "A spacing is more than nothing.";
  })
  spacing!: string;

  @IsIn(["", "yes"], { message: "Say whether rows or edges were taped." })
  rowToRow!: "" | "yes";
}

export class ObserveDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @IsUUID(undefined, NO_TEST)
  test!: string;

  @Reads<ObserveDto>((text) => (stylesIn(text) ? null : "The units were not understood."))
  styles!: string;

  @Length(1, 60, WHO)
  person!: string;

  /** when the device took it, where that was before it could be sent */
  @ValidateIf(({ measuredAt }: ObserveDto) => measuredAt !== "")
  @Matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, { message: "The time was not understood." })
  measuredAt!: string;
}

export class LeaveOutDto {
  @IsUUID(undefined, { message: "There is no such observation." })
  observation!: string;

  @IsUUID(undefined, NO_TEST)
  test!: string;

  @IsIn(["yes", "no"], { message: "Say whether it counts." })
  out!: "yes" | "no";
}

export class AcceptTestDto {
  @IsUUID(undefined, NO_TEST)
  test!: string;

  @Length(1, 60, { message: "Say who accepts it." })
  person!: string;
}
