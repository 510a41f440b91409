/** How much a machine did since a day: hectares and hours of the log, and of its own hour meter. SI. */

/** An entry of the log the machine took part in. */
export type UseEntry = {
  /** when it was ended: ISO 8601, UTC */
  at: string;
  /** m² and seconds at work; null where nobody told */
  area: number | null;
  time: number | null;
};

/** What its hour meter showed, seconds. */
export type Meter = { at: string; reading: number };

/** What is known of an amount, and how many entries told nothing of it: with any it is a least. */
export type Amount = { known: number; untold: number };

export type Use = { area: Amount; time: Amount };

const summed = (values: readonly (number | null)[]): Amount => ({
  known: values.reduce<number>((sum, value) => sum + (value ?? 0), 0),
  untold: values.filter((value) => value === null).length,
});

/** Hectares, and hours at work, of entries that ended after `since`; null: of all. */
export function loggedSince(entries: readonly UseEntry[], since: string | null): Use {
  const own = entries.filter(({ at }) => since === null || at > since);
  return { area: summed(own.map(({ area }) => area)), time: summed(own.map(({ time }) => time)) };
}

/**
 * The same with hours by its meter where one was read: from what it showed at `since` to what it showed last, and what the log has after that. `shown`: the
 * meter then; null where nobody wrote it down, so that the last reading before it counts.
 */
export function usedSince(
  entries: readonly UseEntry[],
  meters: readonly Meter[],
  since: string | null,
  shown: number | null = null,
): Use {
  const logged = loggedSince(entries, since);
  const sorted = [...meters].sort((a, b) => (a.at < b.at ? -1 : 1));
  const last = sorted.at(-1);
  const then = shown ?? (since === null ? null : (sorted.findLast(({ at }) => at <= since)?.reading ?? null));
  if (!last || then === null || (since !== null && last.at <= since)) return logged;
  const after = loggedSince(entries, last.at);
  return {
    area: logged.area,
    time: { known: last.reading - then + after.time.known, untold: after.time.untold },
  };
}

/** What its meter shows now: read last, and what the log has since; null where it was never read. */
export function meterNow(entries: readonly UseEntry[], meters: readonly Meter[]): number | null {
  const [last] = [...meters].sort((a, b) => (a.at < b.at ? 1 : -1));
  return last ? last.reading + loggedSince(entries, last.at).time.known : null;
}

const DAY = 24 * 3600 * 1000;
/** The pace of so many days is taken for the next ones (ours). */
export const PACE_DAYS = 30;

/** Hectares and hours a day over the last weeks, by the log; nothing where nothing was driven. */
export function paceOf(entries: readonly UseEntry[], now: Date): { area: number; time: number } {
  const { area, time } = loggedSince(entries, new Date(now.getTime() - PACE_DAYS * DAY).toISOString());
  return { area: area.known / PACE_DAYS, time: time.known / PACE_DAYS };
}

/** Why a meter cannot show this; null where it can. An hour meter runs forward, and no faster than the clock. */
export function meterProblem(
  meters: readonly Meter[],
  { at, reading }: Meter,
): { kind: "less" | "more"; than: Meter } | null {
  const sorted = [...meters].sort((a, b) => (a.at < b.at ? -1 : 1));
  const before = sorted.findLast((each) => each.at <= at);
  const next = sorted.find((each) => each.at > at);
  if (before && reading < before.reading) return { kind: "less", than: before };
  if (next && reading > next.reading) return { kind: "more", than: next };
  const passed = before ? (Date.parse(at) - Date.parse(before.at)) / 1000 : Number.POSITIVE_INFINITY;
  // A minute's grace: both are read to a tenth of an hour at best.
  if (before && reading - before.reading > passed + 360) return { kind: "more", than: before };
  return null;
}
