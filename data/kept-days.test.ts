import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { keptDays } from "./kept-days.ts";

const DAY = 24 * 3600 * 1000;
const dayAt = (number: number) => new Date(Date.UTC(2024, 0, 1) + number * DAY).toISOString().slice(0, 10);

describe("the days of which a backup is kept", () => {
  it("are those of a year of daily backups, as they were deleted day by day", () => {
    let there: string[] = [];
    for (let day = 0; day < 400; day += 1) there = keptDays([...there, dayAt(day)]);
    const last = 399;
    // The last seven days, whatever else.
    expect(there.slice(0, 7)).toEqual(Array.from({ length: 7 }, (_, back) => dayAt(last - back)));
    expect(there.length).toBeLessThanOrEqual(24);
    expect(new Set(there.map((day) => day.slice(0, 7))).size).toBe(12);
  });

  it("always have the newest, and with fewer than seven all of them", () => {
    const days = fc.uniqueArray(fc.integer({ min: 0, max: 2000 }).map(dayAt), { minLength: 1 });
    fc.assert(
      fc.property(days, (there) => {
        const kept = keptDays(there);
        expect(kept[0]).toBe([...there].sort().at(-1));
        expect(there).toEqual(expect.arrayContaining(kept));
        if (there.length <= 7) expect(kept.length).toBe(there.length);
        // Deleting again what was deleted by the rule deletes nothing more.
        expect(keptDays(kept)).toEqual(kept);
      }),
    );
  });

  it("count days, weeks and months that have a backup, not those that passed", () => {
    expect(keptDays(["2026-01-05", "2026-06-01", "2026-06-02"], { days: 1, weeks: 2, months: 2 })).toEqual([
      "2026-06-02",
      "2026-01-05",
    ]);
  });
});
