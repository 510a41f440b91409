import { IsIn, IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import {
  SERVICE_KINDS,
  SERVICE_ROUNDS,
  type ServiceKind,
  type ServiceRound,
} from "../../../core/season/service.ts";
import { Reads } from "../../session/reads.ts";
import { IsAmount } from "../amount.ts";
import { moneyProblem } from "../rates/prices.dto.ts";

const TOO_LONG = "Keep it under 200 characters.";

/** Hours as they are read off a meter or a manual: "4210" or "4210.5"; null where the text is none. */
export function readMeter(text: string): number | null {
  return /^\d{1,6}([.,]\d{1,2})?$/.test(text.trim()) ? Number(text.trim().replace(",", ".")) * 3600 : null;
}

const hoursOrNothing = (text: string) =>
  text.trim() === "" || readMeter(text) !== null ? null : "Hours, as 4210 or 4210.5.";
const wholeOrNothing = (most: number) => (text: string) =>
  text.trim() === "" || (/^\d{1,5}$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= most)
    ? null
    : `A whole number, 1 to ${most}.`;

/** Something that is done again and again. */
export class ServiceItemDto {
  @Length(1, LONGEST_NAME, { message: "Say what is done." })
  name!: string;

  @IsIn(Object.keys(SERVICE_KINDS), { message: "Choose what it is." })
  kind!: ServiceKind;

  @IsIn(Object.keys(SERVICE_ROUNDS), { message: "Choose when it is done." })
  round!: ServiceRound;

  @Reads(wholeOrNothing(999))
  points!: string;

  @ValidateIf(({ round }: ServiceItemDto) => round === "interval")
  @Reads(hoursOrNothing)
  time!: string;

  @ValidateIf(({ round }: ServiceItemDto) => round === "interval")
  @IsAmount("area", true)
  area!: string;
  @MaxLength(8)
  areaUnit!: string;

  @ValidateIf(({ round }: ServiceItemDto) => round === "interval")
  @Reads(wholeOrNothing(3660))
  days!: string;

  /** "yes": each season */
  @IsIn(["", "yes"], { message: "Each season, or not." })
  season!: string;

  @MaxLength(200, { message: TOO_LONG })
  note!: string;
}

export class ItemIdDto {
  @Matches(/^\d{1,9}$/, { message: "There is no such line." })
  item!: string;
}

/** That it was done, now or some days ago. */
export class DoneDto extends ItemIdDto {
  @Reads(hoursOrNothing)
  meter!: string;

  /** empty: now */
  @ValidateIf(({ on }: DoneDto) => on !== "")
  @Matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, { message: "The time was not understood." })
  on!: string;

  @MaxLength(200, { message: TOO_LONG })
  note!: string;

  @Length(1, LONGEST_NAME, { message: "Say who did it." })
  person!: string;
}

export class MeterDto {
  @Reads((text) => (readMeter(text) === null ? "Hours as the meter shows them: 4210 or 4210.5." : null))
  reading!: string;

  @Length(1, LONGEST_NAME, { message: "Say who read it." })
  person!: string;
}

export class WearPartDto {
  @Length(1, LONGEST_NAME, { message: "Say what wears: points, blades, nozzles." })
  name!: string;

  @Matches(/^[1-9]\d{0,3}$/, { message: "How many are on the machine?" })
  count!: string;

  @IsAmount("length", false)
  fresh!: string;
  @MaxLength(8)
  freshUnit!: string;

  @IsAmount("length", false)
  limit!: string;
  @MaxLength(8)
  limitUnit!: string;

  @Matches(/^\d{1,5}$/, { message: "How many lie on the shelf? 0 where there are none." })
  stock!: string;

  @Matches(/^\d{1,3}$/, { message: "Days, as a whole number." })
  delivery!: string;

  @Reads(moneyProblem)
  price!: string;
}

export class PartIdDto {
  @Matches(/^\d{1,9}$/, { message: "There is no such part." })
  part!: string;
}

export class StockDto extends PartIdDto {
  @Matches(/^\d{1,5}$/, { message: "How many lie on the shelf? 0 where there are none." })
  stock!: string;
}

/** How worn the most worn one is, or that new ones were fitted. */
export class WornDto extends PartIdDto {
  @IsAmount("length", false)
  size!: string;
  @MaxLength(8)
  sizeUnit!: string;

  /** "yes": new ones were fitted, of this size */
  @IsIn(["", "yes"], { message: "Measured, or new." })
  replaced!: string;

  @Length(1, LONGEST_NAME, { message: "Say who measured it." })
  person!: string;
}

export class OfServiceDto {
  @IsUUID(undefined, { message: "There is no such entry." })
  id!: string;
}
