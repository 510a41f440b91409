/** Whether pieces that were pulled somewhere can stand beside one another. */
import { type Pin, type PlanAsked, workingDays } from "./asked.ts";

export type PinProblem =
  | { kind: "cannot carry it" }
  | { kind: "no days left" }
  | { kind: "tractor has other work"; job: number; day: number }
  | { kind: "tool is elsewhere"; tractor: number; day: number }
  | { kind: "nobody to drive"; day: number };

/** What stands against a piece beside those that were pulled before; null where nothing does. */
export function pinProblem(asked: PlanAsked, pin: Pin): PinProblem | null {
  const it = asked.tractors[pin.tractor]!;
  const wayOf = ({ job, tractor }: Pin) => asked.jobs[job]!.ways.find((way) => way.tractor === tractor);
  const way = wayOf(pin);
  if (!way) return { kind: "cannot carry it" };
  const days = workingDays(asked, it, pin.day, pin.days);
  if (days.length < pin.days) return { kind: "no days left" };
  const daysOf = (other: Pin) =>
    new Set(workingDays(asked, asked.tractors[other.tractor]!, other.day, other.days));
  const others = asked.pins.map((other) => ({ other, way: wayOf(other), on: daysOf(other) }));
  for (const day of days) {
    const today = others.filter(({ on }) => on.has(day));
    const same = today.find(({ other }) => other.tractor === pin.tractor);
    if (same) return { kind: "tractor has other work", job: same.other.job, day };
    const tools = asked.outfits[way.outfit]!.tools;
    const taken = today.find((each) =>
      each.way ? asked.outfits[each.way.outfit]!.tools.some((tool) => tools.includes(tool)) : false,
    );
    if (taken) return { kind: "tool is elsewhere", tractor: taken.other.tractor, day };
    const there = asked.people.filter(({ away }) => !away.has(day)).length;
    if (asked.people.length > 0 && today.length >= there) return { kind: "nobody to drive", day };
  }
  return null;
}
