/** A plan that was kept as iCalendar (RFC 5545): an event for each stretch of work, whole days, who drives in it. */
import ical from "ical-generator";
import { dateAfter, type KeptBlock, type KeptPlan } from "../../core/season/plan/kept.ts";

export type CalendarOptions = {
  /** when it was kept, ISO 8601 */
  kept: string;
  /** what makes its events the same again when it is read anew */
  id: string;
  /** hectares as they are read here */
  area: (area: number) => string;
};

const hours = (seconds: number) => `${Math.round(seconds / 360) / 10} h`;

/** Who drives on which day, a line a day. */
const daysOf = ({ days }: KeptBlock): string[] =>
  days.map(({ day, time, people }) => {
    const who = people.map(({ name, time: own }) => (people.length > 1 ? `${name} ${hours(own)}` : name));
    return `${day}: ${hours(time)}${who.length > 0 ? `, ${who.join(", ")}` : ""}`;
  });

const peopleOf = ({ days }: KeptBlock): string[] => [
  ...new Set(days.flatMap(({ people }) => people.map(({ name }) => name))),
];

/** The file's text. */
export function planCalendar({ blocks }: KeptPlan, { kept, id, area }: CalendarOptions): string {
  const calendar = ical({ name: "Plan of the season", prodId: { company: "Ambrek", product: "Plan" } });
  for (const [at, block] of blocks.entries())
    calendar.createEvent({
      id: `${id}-${at}`,
      stamp: new Date(kept),
      start: new Date(`${block.from}T00:00:00Z`),
      // The day after the last: an end is not in it.
      end: new Date(`${dateAfter(block.to, 1)}T00:00:00Z`),
      allDay: true,
      timezone: "UTC",
      summary: [block.job, block.machine, ...peopleOf(block)].join(", "),
      location: block.field || null,
      description: [`${block.rig}, ${area(block.area)}`, ...daysOf(block)].join("\n"),
    });
  return calendar.toString();
}
