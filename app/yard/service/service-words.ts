/** Intervals, uses and verdicts of service in words. */
import { printLength } from "../../../core/quantity/length.ts";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import type { Due, DuePart, Every } from "../../../core/season/service.ts";
import type { Order, Wear } from "../../../core/season/wear.ts";

export const HOUR = 3600;

export const hours = (seconds: number) => `${Math.round(seconds / HOUR)}\u00a0h`;
const counted = (count: number, one: string, many = `${one}s`) => `${count}\u00a0${count === 1 ? one : many}`;
const days = (count: number) => counted(Math.round(count), "day");

/** "every 50 h or 90 days, whichever comes first". */
export function everySaid({ time, area, days: everyDays, season }: Every, units: Units): string {
  const parts = [
    ...(time === null ? [] : [hours(time)]),
    ...(area === null ? [] : [say("area", area, units, 0)]),
    ...(everyDays === null ? [] : [days(everyDays)]),
    ...(season ? ["season"] : []),
  ];
  return parts.length === 0
    ? ""
    : `every ${parts.join(" or ")}${parts.length > 1 ? ", whichever comes first" : ""}`;
}

/** "46 of 50 h". */
export function partSaid({ by, used, limit, untold }: DuePart, units: Units): string {
  const least = untold > 0 ? "at least " : "";
  switch (by) {
    case "time":
      return `${least}${Math.round(used / HOUR)} of ${hours(limit)}`;
    case "area":
      return `${least}${say("area", used, units, 0)} of ${say("area", limit, units, 0)}`;
    case "days":
      return `${Math.floor(used)} of ${days(limit)}`;
    case "season":
      return used >= 1 ? "not done this season" : "done this season";
  }
}

export const STATES = {
  due: "due",
  soon: "soon",
  good: "good",
  unknown: "not known",
} as const;

/** How far it has come, and where that is not known why. */
export function dueSaid(due: Due, units: Units): string {
  if (due.first === null) return "Nobody told when it was done last.";
  const untold = due.parts.reduce((sum, part) => sum + part.untold, 0);
  const parts = due.parts.map((part) => partSaid(part, units)).join(", ");
  return due.state === "unknown"
    ? `${parts}: ${counted(untold, "entry", "entries")} of the log told nothing.`
    : `${parts}.`;
}

export const comesSaid = (inDays: number | null): string | null =>
  inDays === null
    ? null
    : inDays < 1
      ? "today or tomorrow, at this pace"
      : `in about ${days(inDays)}, at this pace`;

const WHY_UNKNOWN: Record<Extract<Wear, { known: false }>["why"], string> = {
  "never measured": "Never measured since new ones were fitted.",
  "nothing worked": "Measured, and nothing worked since they were fitted.",
  "hectares untold": "The log has entries without hectares.",
  "no wear": "No wear was measured: measure again later.",
};

/** Wear is told for so much, m²: of one hectare it is a hair. */
const HUNDRED_HECTARES = 1e6;

/** How worn they are by now, and how long they last. */
export function wearSaid(wear: Wear, units: Units): string {
  if (!wear.known) return WHY_UNKNOWN[wear.why];
  const size = printLength(wear.size, units.small);
  const rate = printLength(wear.rate * HUNDRED_HECTARES, units.small);
  return wear.left === 0
    ? `Worn to ${size}: at the limit.`
    : `${size} now, ${rate} in ${say("area", HUNDRED_HECTARES, units, 0)}; good for ${say("area", wear.left, units, 0)} more.`;
}

export function orderSaid(order: Order): { text: string; now: boolean } {
  switch (order.kind) {
    case "enough":
      return { text: "Enough on the shelf for the next change.", now: false };
    case "unknown":
      return {
        text: "Nothing on the shelf for a whole set, and how long they last is not known.",
        now: false,
      };
    case "idle":
      return {
        text: `${counted(order.pieces, "piece")} short of a set. Nothing was driven for a month.`,
        now: false,
      };
    case "now":
      return {
        text: `Order ${counted(order.pieces, "piece")} now: worn in ${days(order.days)}.`,
        now: true,
      };
    case "later":
      return {
        text: `Order ${counted(order.pieces, "piece")} within ${days(order.wait)}: worn in ${days(order.days)}.`,
        now: false,
      };
  }
}
