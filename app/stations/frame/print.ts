import type { FieldUnit } from "../../../core/dimension/entry.ts";
import { isFeet, isLengthStyle, printLength } from "../../../core/quantity/length.ts";
import { fineStyle, type Units } from "../../../core/quantity/units.ts";
import type { Chain } from "../../../core/rig/chain.ts";

/** Small lengths, such as uncertainties: millimetres or decimal inches; metres once they are no longer small. */
export function fine(metres: number, units: Units): string {
  if (fineStyle(units) === "in") return printLength(metres, "in", { decimals: metres < 0.254 ? 2 : 0 });
  return metres < 1 ? printLength(metres, "mm") : printLength(metres, "m", { decimals: 1 });
}

export function plusMinus({ sigma }: Pick<Chain, "sigma">, units: Units): string | null {
  return sigma === null ? null : `± ${fine(sigma, units)}`;
}

/** In which zone days and minutes are printed: the server tells that of the device it answers. */
let zoneNow = () => "UTC";

export function printIn(zone: () => string): void {
  zoneNow = zone;
}

type Printed = "day" | "minute";
const ASKED: Record<Printed, Intl.DateTimeFormatOptions> = {
  day: { day: "numeric", month: "short", year: "numeric" },
  minute: { hour: "2-digit", minute: "2-digit" },
};
/** Made once for each zone: making one takes longer than a hundred days take to print. */
const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(what: Printed): Intl.DateTimeFormat {
  const timeZone = zoneNow();
  const key = `${what} ${timeZone}`;
  const known = formats.get(key) ?? new Intl.DateTimeFormat("en-GB", { ...ASKED[what], timeZone });
  formats.set(key, known);
  return known;
}

function printed(what: Printed, iso: string): string {
  const at = new Date(iso);
  return Number.isNaN(at.getTime()) ? "unknown" : formatOf(what).format(at);
}

/** "14 Sep 2026", the day in the device's zone. */
export const day = (iso: string): string => printed("day", iso);

/** "3 Nov 2026, 06:12", the day and the minute in the device's zone. */
export const moment = (iso: string): string => `${day(iso)}, ${printed("minute", iso)}`;

/** What a bare number means in a field that shows `style`. */
export function bareWord(style: FieldUnit): string {
  return (isLengthStyle(style) && isFeet(style)) || style === "in" ? "inches" : style;
}
