import { IsIn, MaxLength } from "class-validator";
import { LENGTH_STYLES, type LengthStyle } from "../../core/quantity/length.ts";
import { UNIT_SYSTEMS } from "../../core/quantity/units.ts";

/** Metres, feet and inches, or a mixture of one's own. */
export const UNIT_CHOICES = [...UNIT_SYSTEMS, "own"] as const;
export type UnitChoice = (typeof UNIT_CHOICES)[number];

/** What a device chooses for itself; what is empty stays as it is. */
export class PreferencesDto {
  @IsIn(["", ...UNIT_CHOICES], { message: "Choose metres, feet and inches, or your own." })
  choice!: UnitChoice | "";

  @IsIn(["", ...LENGTH_STYLES], { message: "Choose a unit of length." })
  tape!: LengthStyle | "";

  @IsIn(["", ...LENGTH_STYLES], { message: "Choose a unit of length." })
  small!: LengthStyle | "";

  @IsIn(["", "day", "night"], { message: "Choose day or night." })
  theme!: "day" | "night" | "";

  @MaxLength(60, { message: "Keep the name under 60 characters." })
  person!: string;
}
