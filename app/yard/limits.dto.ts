import { MaxLength } from "class-validator";
import { IsAmount } from "./amount.ts";

export class LimitsDto {
  @MaxLength(40, { message: "Keep the name of the country under 40 characters." })
  country!: string;

  @IsAmount("length", true)
  width!: string;
  @MaxLength(8)
  widthUnit!: string;

  @IsAmount("length", true)
  height!: string;
  @MaxLength(8)
  heightUnit!: string;

  @IsAmount("speed", true)
  speed!: string;
  @MaxLength(8)
  speedUnit!: string;

  @IsAmount("mass", true)
  unbraked!: string;
  @MaxLength(8)
  unbrakedUnit!: string;
}

/** How deep soil may be pressed; empty: ours. */
export class SoilLimitsDto {
  @IsAmount("length", true)
  wet!: string;
  @MaxLength(8)
  wetUnit!: string;

  @IsAmount("length", true)
  moist!: string;
  @MaxLength(8)
  moistUnit!: string;

  @IsAmount("length", true)
  dry!: string;
  @MaxLength(8)
  dryUnit!: string;
}
