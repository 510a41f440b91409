/** What is done to machines again and again: each morning, each evening, or after so many hours, hectares, days, each season; whichever comes first. SI. */
import type { Amount, Use } from "./use.ts";

export const SERVICE_ROUNDS = {
  morning: "Each morning",
  evening: "Each evening",
  aboard: "Aboard",
  interval: "After so much work or time",
} as const;
export type ServiceRound = keyof typeof SERVICE_ROUNDS;

export const SERVICE_KINDS = {
  grease: "Grease",
  oil: "Oil",
  filter: "Filter",
  nuts: "Nuts and bolts",
  pressure: "Tyre pressure",
  chain: "Chain or belt",
  clean: "Cleaning",
  look: "Look",
  take: "Taken along",
} as const;
export type ServiceKind = keyof typeof SERVICE_KINDS;

export type Every = {
  /** seconds of work */
  time: number | null;
  /** m² */
  area: number | null;
  days: number | null;
  season: boolean;
};

export type ServiceItem = {
  id: number;
  machineId: number;
  name: string;
  kind: ServiceKind;
  round: ServiceRound;
  /** how many places are greased, checked or taken; null where nobody told */
  points: number | null;
  every: Every;
  /** which oil, how much, how tight; in the words of the operator's manual */
  note: string;
};

export type Done = {
  id: string;
  at: string;
  person: string /** seconds by its meter */;
  meter: number | null;
};

export type DueBy = "time" | "area" | "days" | "season";
export type DuePart = {
  by: DueBy;
  /** since it was done last; of a season 0 or 1 */
  used: number;
  limit: number;
  /** entries of the log that told nothing: what was used is a least */
  untold: number;
};

export type Due = {
  state: "due" | "soon" | "good" | "unknown";
  /** the one that comes first; null where nobody told when it was done */
  first: DuePart | null;
  parts: DuePart[];
};

/** From nine tenths on it is said that it comes (ours). */
const SOON = 0.9;
const DAY = 24 * 3600 * 1000;

/** A season turns on the first of this month, from 0: after the autumn's work (ours). */
const TURN = 10;

/** When the season began that a moment falls in. */
export function seasonTurn(now: Date): Date {
  const year = now.getUTCMonth() >= TURN ? now.getUTCFullYear() : now.getUTCFullYear() - 1;
  return new Date(Date.UTC(year, TURN, 1));
}

const share = ({ used, limit }: DuePart) => used / limit;

/** How far an interval has run since it was done last. Nothing that is not known is good. */
export function dueOf(every: Every, done: Pick<Done, "at"> | null, use: Use, now: Date): Due {
  if (done === null) return { state: "unknown", first: null, parts: [] };
  const of = (by: DueBy, limit: number | null, { known, untold }: Amount): DuePart[] =>
    limit === null ? [] : [{ by, used: known, limit, untold }];
  const days = (now.getTime() - Date.parse(done.at)) / DAY;
  const parts = [
    ...of("time", every.time, use.time),
    ...of("area", every.area, use.area),
    ...of("days", every.days, { known: days, untold: 0 }),
    ...(every.season
      ? of("season", 1, { known: Date.parse(done.at) < seasonTurn(now).getTime() ? 1 : 0, untold: 0 })
      : []),
  ];
  if (parts.length === 0) return { state: "unknown", first: null, parts };
  const first = parts.reduce((most, part) => (share(part) > share(most) ? part : most));
  if (share(first) >= 1) return { state: "due", first, parts };
  if (parts.some(({ untold }) => untold > 0)) return { state: "unknown", first, parts };
  return { state: share(first) >= SOON ? "soon" : "good", first, parts };
}

/** In how many days it comes at this pace, by whichever comes first; null where none of them comes so. */
export function comesIn({ parts }: Due, pace: { area: number; time: number }): number | null {
  const days = parts.flatMap((part) => {
    const left = Math.max(0, part.limit - part.used);
    if (part.by === "days") return [left];
    if (part.by === "season") return part.used >= 1 ? [0] : [];
    const perDay = part.by === "time" ? pace.time : pace.area;
    return perDay > 0 ? [left / perDay] : left === 0 ? [0] : [];
  });
  return days.length === 0 ? null : Math.min(...days);
}

/** Whether a daily round is done: on this day, as the device's clock has it. */
export function doneToday(done: Pick<Done, "at"> | null, now: Date, dayOf: (iso: string) => string): boolean {
  return done !== null && dayOf(done.at) === dayOf(now.toISOString());
}
