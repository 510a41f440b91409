/** Which dated backups are kept: the newest of each of the last days, weeks and months that have one. */
export const KEPT = { days: 7, weeks: 5, months: 12 } as const;

/** The Monday of a day's week, both as "2026-11-30". */
function mondayOf(day: string): string {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7));
  return date.toISOString().slice(0, 10);
}

/**
 * The days whose backup is kept, newest first.
 * @param days those there is one of, as "2026-11-30", in any order
 */
export function keptDays(days: readonly string[], rule: Record<keyof typeof KEPT, number> = KEPT): string[] {
  const newest = [...new Set(days)].sort().reverse();
  const kept = new Set<string>();
  const spans: [number, (day: string) => string][] = [
    [rule.days, (day) => day],
    [rule.weeks, mondayOf],
    [rule.months, (day) => day.slice(0, 7)],
  ];
  for (const [count, spanOf] of spans) {
    const seen = new Set<string>();
    for (const day of newest) {
      if (seen.has(spanOf(day))) continue;
      if (seen.size === count) break;
      seen.add(spanOf(day));
      kept.add(day);
    }
  }
  return newest.filter((day) => kept.has(day));
}
