import { IsIn, IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { OPERATION_KEYS, type OperationKey } from "../../../core/trade/operations.ts";
import {
  ALARM_KEYS,
  ALARM_STATES,
  type AlarmKey,
  type AlarmState,
  READOUT_KEYS,
  type ReadoutKey,
  TRIGGER_KEYS,
  type TriggerKey,
} from "../../../core/trade/recording.ts";
import { readRows, VARIETY_WAYS, type VarietyWay } from "../../../core/yard/work.ts";
import { Reads } from "../../session/reads.ts";
import { amountOf } from "../../yard/amount.ts";

/** So many of each are asked for: a tank mix, varieties by rows. */
export const MOST_PRODUCTS = 4;
export const MOST_VARIETIES = 4;
/** Pages a working screen may have. */
export const MOST_PAGES = 6;

const NONE_OR_NUMBER = /^\d{0,9}$/;

/** "map:1,speed:2" */
export function readScreen(text: string): Partial<Record<ReadoutKey, number>> | null {
  const read = pairsIn(text);
  if (!read) return null;
  const fits = read.every(
    ([key, page]) =>
      READOUT_KEYS.includes(key as ReadoutKey) && /^[1-6]$/.test(page) && Number(page) <= MOST_PAGES,
  );
  return fits
    ? (Object.fromEntries(read.map(([key, page]) => [key, Number(page)])) as Partial<
        Record<ReadoutKey, number>
      >)
    : null;
}

/** "rate:heard,tank:off" */
export function readAlarms(text: string): Partial<Record<AlarmKey, AlarmState>> | null {
  const read = pairsIn(text);
  const fits = read?.every(
    ([key, state]) => ALARM_KEYS.includes(key as AlarmKey) && Object.hasOwn(ALARM_STATES, state),
  );
  return fits ? (Object.fromEntries(read!) as Partial<Record<AlarmKey, AlarmState>>) : null;
}

function pairsIn(text: string): [string, string][] | null {
  if (text === "") return [];
  const pairs = text.split(",").map((each) => each.split(":"));
  return pairs.every((pair) => pair.length === 2) && new Set(pairs.map(([key]) => key)).size === pairs.length
    ? (pairs as [string, string][])
    : null;
}

/** Families a rate may be of: what it is told in follows from its unit. */
const RATES = ["volume per area", "mass per area", "count per area"] as const;
export type RateFamily = (typeof RATES)[number];

export const FAMILY_OF = {
  liquid: "volume per area",
  granules: "mass per area",
  seed: "mass per area",
  crop: "mass per area",
} as const;

/** A rate with the family told beside it; an empty one is not known. */
function IsRate() {
  return Reads((text, dto, property) => {
    const own = dto as Record<string, unknown>;
    const family = own[`${property}Of`];
    if (text === "") return null;
    if (!RATES.includes(family as RateFamily)) return "Choose what it is a rate of.";
    const read = amountOf(text, {
      family: family as RateFamily,
      unit: String(own[`${property}Unit`] ?? ""),
      optional: true,
    });
    return read.ok ? null : read.problem;
  });
}

/** What a rig is set to do. Nothing of it is kept until it is confirmed. */
export class JobDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @Matches(/^\d{1,9}$/, { message: "Choose a field." })
  field!: string;

  @Length(1, 20, { message: "Which season is it? A year, or two with a stroke." })
  season!: string;

  @IsIn(OPERATION_KEYS, { message: "Choose what is done." })
  operation!: OperationKey;

  /** one that was added in the terminal besides */
  @IsIn([...OPERATION_KEYS, ""], { message: "Choose one of the list, or none." })
  second!: OperationKey | "";

  @MaxLength(LONGEST_NAME)
  crop!: string;

  @IsIn(Object.keys(VARIETY_WAYS), { message: "Choose how varieties are told." })
  varietyWay!: VarietyWay;

  @MaxLength(LONGEST_NAME)
  variety0!: string;
  @MaxLength(LONGEST_NAME)
  variety1!: string;
  @MaxLength(LONGEST_NAME)
  variety2!: string;
  @MaxLength(LONGEST_NAME)
  variety3!: string;

  @Reads(rowsProblem)
  rows0!: string;
  @Reads(rowsProblem)
  rows1!: string;
  @Reads(rowsProblem)
  rows2!: string;
  @Reads(rowsProblem)
  rows3!: string;

  @Matches(NONE_OR_NUMBER)
  product0!: string;
  @Matches(NONE_OR_NUMBER)
  product1!: string;
  @Matches(NONE_OR_NUMBER)
  product2!: string;
  @Matches(NONE_OR_NUMBER)
  product3!: string;

  @IsRate()
  rate0!: string;
  @MaxLength(8)
  rate0Unit!: string;
  @MaxLength(20)
  rate0Of!: string;
  @IsRate()
  rate1!: string;
  @MaxLength(8)
  rate1Unit!: string;
  @MaxLength(20)
  rate1Of!: string;
  @IsRate()
  rate2!: string;
  @MaxLength(8)
  rate2Unit!: string;
  @MaxLength(20)
  rate2Of!: string;
  @IsRate()
  rate3!: string;
  @MaxLength(8)
  rate3Unit!: string;
  @MaxLength(20)
  rate3Of!: string;

  @IsIn([...TRIGGER_KEYS, ""], { message: "Choose what the record starts and stops by." })
  trigger!: TriggerKey | "";

  @ValidateIf(({ line }: JobDto) => line !== "")
  @IsUUID(undefined, { message: "There is no such line." })
  line!: string;

  @Reads((text) => (readScreen(text) === null ? "That is no working screen." : null))
  screen!: string;

  @IsIn(["yes", ""])
  screenActive!: "yes" | "";

  @Reads((text) => (readAlarms(text) === null ? "Those are no alarms." : null))
  alarms!: string;

  @Reads(rowsProblem)
  mutedRows!: string;

  @Length(1, LONGEST_NAME, { message: "Say who confirms it." })
  person!: string;
}

function rowsProblem(text: string): string | null {
  if (text.length > 60) return "Keep it shorter.";
  return text === "" || readRows(text) !== null ? null : "Rows like 1-8, or 1-4, 9.";
}
