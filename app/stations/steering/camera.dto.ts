import { IsIn, Length, MaxLength } from "class-validator";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { Reads } from "../../session/reads.ts";
import { IsAmount } from "../../yard/amount.ts";

/** A whole number of per cent. */
export const readPercent = (text: string): number | null => {
  const value = /^\d{1,3}$/.test(text.trim()) ? Number(text) : Number.NaN;
  return value <= 100 ? value / 100 : null;
};

/** Degrees with a sign or without. */
export const readDegrees = (text: string): number | null =>
  /^[-+−]?\d{1,2}([.,]\d{1,2})?$/.test(text.trim())
    ? (Number(text.trim().replace("−", "-").replace(",", ".")) * Math.PI) / 180
    : null;

const YES_NO = { message: "Say yes or no." };

/** A profile as its calibration left it. */
export class ProfileDto {
  @Length(1, LONGEST_NAME, { message: "Call it something." })
  name!: string;

  @IsAmount("length", false)
  rowSpacing!: string;
  @MaxLength(8)
  rowSpacingUnit!: string;

  @IsAmount("length", false)
  sideOffset!: string;
  @MaxLength(8)
  sideOffsetUnit!: string;

  @IsIn(["right", "left"], { message: "Choose on which side." })
  side!: "right" | "left";

  @Reads((text) => (readDegrees(text) === null ? "Degrees, to the right positive: 0.4 or −1.2." : null))
  aim!: string;

  @Reads((text) =>
    readPercent(text) === null ? "A whole number of per cent, as the terminal shows it." : null,
  )
  quality!: string;

  @IsAmount("length", false)
  straight!: string;
  @MaxLength(8)
  straightUnit!: string;

  @IsAmount("speed", false)
  wind!: string;
  @MaxLength(8)
  windUnit!: string;

  @IsAmount("speed", false)
  speed!: string;
  @MaxLength(8)
  speedUnit!: string;

  @IsIn(["yes", "no"], YES_NO)
  flat!: "yes" | "no";

  @IsIn(["yes", "no"], YES_NO)
  stand!: "yes" | "no";

  @Length(1, LONGEST_NAME, { message: "Say who calibrated it." })
  person!: string;
}
