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

/** "14 Sep 2026", the day in the device's zone. */
export function day(iso: string): string {
  return new Date(iso).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone: zoneNow(),
  });
}

/** "3 Nov 2026, 06:12", the day and the minute in the device's zone. */
export function moment(iso: string): string {
  const time = new Date(iso).toLocaleTimeString("en-GB", {
    hour: "2-digit",
    minute: "2-digit",
    timeZone: zoneNow(),
  });
  return `${day(iso)}, ${time}`;
}

/** What a bare number means in a field that shows `style`. */
export function bareWord(style: FieldUnit): string {
  return (isLengthStyle(style) && isFeet(style)) || style === "in" ? "inches" : style;
}
