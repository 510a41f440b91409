import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { SequenceKind } from "../sequence/step.ts";
import { dayBegan, endedSince, type LastRun, PAUSE_HOURS } from "./ended.ts";

const at = (hour: number) => new Date(Date.UTC(2026, 4, 4) + hour * 3_600_000).toISOString();
const runs = (of: Partial<Record<SequenceKind, number>>): ReadonlyMap<SequenceKind, LastRun> =>
  new Map(
    (Object.entries(of) as [SequenceKind, number][]).map(([kind, hour]) => [
      kind,
      { finished: at(hour), begun: at(hour) },
    ]),
  );
const since = { coupled: at(6), road: null };

describe("what a run brought about", () => {
  it("holds until something ends it", () => {
    expect(endedSince("unfold", runs({ unfold: 7 }), since)).toBeNull();
    expect(endedSince("start", runs({ unfold: 7, start: 8 }), since)).toBeNull();
  });

  it("is ended by its opposite, from the first step of that on", () => {
    expect(endedSince("start", runs({ start: 8, stop: 12 }), since)).toBe("Stop was begun since");
    expect(endedSince("start", runs({ start: 13, stop: 12 }), since)).toBeNull();
    expect(endedSince("unfold", runs({ unfold: 7, fold: 16 }), since)).toBe("Fold was begun since");
    const broken = new Map(runs({ unfold: 7 })).set("fold", { finished: null, begun: at(15) });
    expect(endedSince("unfold", broken, since)).toBe("Fold was begun since");
    // Stopping for lunch folds nothing.
    expect(endedSince("unfold", runs({ unfold: 7, stop: 12 }), since)).toBeNull();
  });

  it("is ended by the road, and by being uncoupled", () => {
    expect(endedSince("start", runs({ start: 8 }), { ...since, road: at(9) })).toMatch(/by road since/);
    expect(endedSince("start", runs({ start: 10 }), { ...since, road: at(9) })).toBeNull();
    expect(endedSince("unfold", runs({ unfold: 5 }), since)).toMatch(/was not run through/);
    expect(endedSince("unfold", runs({ unfold: 7 }), { coupled: null, road: null })).toMatch(/was not run/);
    expect(endedSince("unfold", runs({}), since)).toMatch(/was not run/);
  });
});

describe("a working day", () => {
  it("begins after a pause of six hours, and runs past midnight", () => {
    expect(dayBegan([at(6), at(9), at(14), at(19), at(23.5), at(26)], at(27))).toBe(at(6));
    expect(dayBegan([at(6), at(12.5), at(13)], at(14))).toBe(at(12.5));
  });

  it("begins now where nobody did anything for so long", () => {
    expect(dayBegan([], at(8))).toBe(at(8));
    expect(dayBegan([at(1)], at(8))).toBe(at(8));
    expect(dayBegan([at(3)], at(8))).toBe(at(3));
  });

  it("never holds a pause, whatever was done when", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 96 }), { maxLength: 40 }), (hours) => {
        const now = at(96);
        const began = dayBegan(hours.map(at), now);
        const acts = [...hours.map(at).filter((each) => each >= began), now].sort();
        for (const [index, each] of acts.slice(1).entries())
          expect(Date.parse(each) - Date.parse(acts[index]!)).toBeLessThan(PAUSE_HOURS * 3_600_000);
        const before = hours
          .map(at)
          .filter((each) => each < began)
          .sort()
          .at(-1);
        if (before)
          expect(Date.parse(began) - Date.parse(before)).toBeGreaterThanOrEqual(PAUSE_HOURS * 3_600_000);
      }),
    );
  });
});
