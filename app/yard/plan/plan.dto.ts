import { IsIn, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { RERIG_KEYS, type RerigAct } from "../../../core/season/rerig.ts";
import { Reads } from "../../session/reads.ts";
import { IsAmount } from "../amount.ts";

const NUMBER = /^\d{1,9}$/;

/** A date there is, between 2000 and 2199: "2026-10-05". */
export const isDate = (text: string): boolean => {
  if (!/^2[01]\d\d-\d\d-\d\d$/.test(text)) return false;
  const at = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
};
const dateProblem = (text: string) => (isDate(text) ? null : "Choose a day.");

/** The text is a date no earlier than the one in `from`. */
const EndsAfter = (from: string) =>
  Reads((text, dto) => {
    if (!isDate(text)) return "Choose a day.";
    const first = String((dto as Record<string, unknown>)[from] ?? "");
    return isDate(first) && text < first ? "It ends before it begins." : null;
  });

/** Hours of a day, "10" or "7.5"; empty: null; undefined where the text is neither. */
export function readHours(text: string): number | null | undefined {
  if (text.trim() === "") return null;
  const read = /^\d{1,2}([.,]\d{1,2})?$/.test(text.trim())
    ? Number(text.trim().replace(",", "."))
    : Number.NaN;
  return read <= 24 ? read * 3600 : undefined;
}
const hoursProblem = (text: string) => (typeof readHours(text) === "number" ? null : "Hours, 0 to 24.");

/** Minutes of something, "10" or "1.5". */
export function readMinutes(text: string): number | null {
  const read = /^\d{1,3}([.,]\d{1,2})?$/.test(text.trim())
    ? Number(text.trim().replace(",", "."))
    : Number.NaN;
  return Number.isNaN(read) ? null : read * 60;
}

/** Numbers with commas between, "3,8"; empty: none. */
export const readNumbers = (text: string): number[] =>
  text === "" ? [] : [...new Set(text.split(",").map(Number))];
const numbersProblem = (text: string) =>
  /^(\d{1,9}(,\d{1,9}){0,199})?$/.test(text) ? null : "Choose from the list.";

export class JobIdDto {
  @Matches(NUMBER, { message: "There is no such job." })
  job!: string;
}

/** Something that has to be done. */
export class PlanJobDto {
  @Length(1, LONGEST_NAME, { message: "Say what is done: sowing, Long Acre." })
  name!: string;

  /** empty: none */
  @Matches(/^\d{0,9}$/, { message: "Choose a field." })
  field!: string;

  /** empty: the field's */
  @IsAmount("area", true)
  area!: string;
  @MaxLength(8)
  areaUnit!: string;

  @Reads(dateProblem)
  opens!: string;

  @EndsAfter("opens")
  closes!: string;

  /** empty: as long as the day's */
  @Reads((text) => {
    const read = readHours(text);
    return read === undefined || read === 0 ? "Hours a day, or empty." : null;
  })
  most!: string;

  /** hectares an hour; empty: as the rigs do */
  @IsAmount("area", true)
  rate!: string;

  @Reads(numbersProblem)
  rigs!: string;
}

export class ChangeJobDto extends PlanJobDto {
  @Matches(NUMBER, { message: "There is no such job." })
  job!: string;
}

export class PlanPersonDto {
  @Length(1, LONGEST_NAME, { message: "Say who." })
  name!: string;

  /** machines; empty: any */
  @Reads(numbersProblem)
  drives!: string;
}

export class PersonIdDto {
  @Matches(NUMBER, { message: "There is nobody of that number." })
  person!: string;
}

/** Days a machine or a person is not there. */
export class PlanAwayDto {
  @Matches(/^(machine|person) \d{1,9}$/, { message: "Choose who or what is away." })
  who!: string;

  @Reads(dateProblem)
  from!: string;

  @EndsAfter("from")
  to!: string;

  @MaxLength(120, { message: "Keep it under 120 characters." })
  why!: string;
}

export class AwayIdDto {
  @Matches(NUMBER, { message: "There is no such line." })
  away!: string;
}

/** From when to when is planned, and how long a day is. */
export class PlanDaysDto {
  @Reads(dateProblem)
  first!: string;

  @Reads((text) =>
    /^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= 16 ? null : "Weeks, 1 to 16.",
  )
  weeks!: string;

  @Reads((text) => (/^\d{1,2}$/.test(text) && Number(text) <= 30 ? null : "Days, 0 to 30."))
  late!: string;

  @Reads(hoursProblem) monday!: string;
  @Reads(hoursProblem) tuesday!: string;
  @Reads(hoursProblem) wednesday!: string;
  @Reads(hoursProblem) thursday!: string;
  @Reads(hoursProblem) friday!: string;
  @Reads(hoursProblem) saturday!: string;
  @Reads(hoursProblem) sunday!: string;
}

export const WEEKDAYS = [
  "monday",
  "tuesday",
  "wednesday",
  "thursday",
  "friday",
  "saturday",
  "sunday",
] as const;

/** One day that is another than its weekday; empty hours: like its weekday again. */
export class PlanDayDto {
  @Reads(dateProblem)
  day!: string;

  @Reads((text) => (text === "" ? null : hoursProblem(text)))
  hours!: string;
}

export class RerigTimeDto {
  @IsIn(RERIG_KEYS, { message: "There is no such act." })
  act!: RerigAct;

  @Reads((text) => (readMinutes(text) === null ? "Minutes, as 10 or 1.5." : null))
  minutes!: string;
}

/** A block pulled to a machine and a day. */
export class PullDto extends JobIdDto {
  @Matches(NUMBER, { message: "There is no such machine." })
  machine!: string;

  @Reads(dateProblem)
  day!: string;

  /** m² */
  @Matches(/^\d{1,9}(\.\d+)?$/, { message: "How much of it was not understood." })
  area!: string;

  /** pieces it takes the place of */
  @Reads(numbersProblem)
  instead!: string;
}

export class LetGoDto {
  @Reads(numbersProblem)
  pins!: string;
}

const CURES = ["later", "earlier", "days off", "hours", "tractor there", "hire"] as const;

/** A change that makes a job fit, as it was found. */
export class CureDto extends JobIdDto {
  @IsIn(CURES, { message: "There is no such change." })
  cure!: (typeof CURES)[number];

  /** days, seconds or m² of it */
  @Matches(/^\d{1,9}(\.\d+)?$/, { message: "How much was not understood." })
  amount!: string;

  /** days it touches, where they are single days */
  @Reads((text) => (text === "" || text.split(",").every(isDate) ? null : "Those days were not understood."))
  days!: string;

  @ValidateIf(({ cure }: CureDto) => cure === "tractor there")
  @Matches(NUMBER, { message: "There is no such machine." })
  machine!: string;
}

/** A plan as it was solved in the browser. */
export class KeepPlanDto {
  @Matches(/^[0-9a-f]{16}$/, { message: "What it was solved from was not understood." })
  from!: string;

  @MaxLength(2_000_000, { message: "That is too large." })
  plan!: string;

  /** m²; empty: not known */
  @Matches(/^(\d{1,12}(\.\d+)?)?$/, { message: "What was possible at most was not understood." })
  most!: string;

  @Length(1, LONGEST_NAME, { message: "Say who keeps it." })
  person!: string;
}
