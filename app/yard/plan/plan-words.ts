/** How days, hours and minutes of a plan are read. */
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { dateAfter } from "../../../core/season/plan/kept.ts";

const DATE = new Intl.DateTimeFormat("en-GB", {
  weekday: "short",
  day: "numeric",
  month: "short",
  timeZone: "UTC",
});

/** "Mon 5 Oct", of a date without a time of day. */
export const dateWords = (date: string): string => DATE.format(new Date(`${date}T00:00:00Z`));

export const dayWords = (first: string, day: number): string => dateWords(dateAfter(first, day));

/** "Mon 5 Oct", or "Mon 5 to Wed 7 Oct". */
export const spanWords = (from: string, to: string): string => {
  if (from === to) return dateWords(from);
  const short = from.slice(0, 7) === to.slice(0, 7) ? dateWords(from).replace(/ \w+$/, "") : dateWords(from);
  return `${short} to ${dateWords(to)}`;
};

const plain = (value: number) => String(Math.round(value * 10) / 10);

export const hoursWords = (seconds: number): string => `${plain(seconds / 3600)}\u00a0h`;

/** "45 min", "2 h 10 min". */
export const minutesWords = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return minutes < 90
    ? `${minutes}\u00a0min`
    : `${Math.floor(minutes / 60)}\u00a0h${minutes % 60 === 0 ? "" : ` ${minutes % 60}\u00a0min`}`;
};

/** Hectares or acres, to a tenth. */
export const areaWords = (area: number, units: Units): string => say("area", area, units, 1);

/** Which stretch is looked at: its job, its tractor and its first day. */
export type PickedKey = { job: number; tractor: number; from: number };
