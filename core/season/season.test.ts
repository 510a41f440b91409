import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { comesIn, doneToday, dueOf, type Every, seasonTurn } from "./service.ts";
import { type Amount, loggedSince, meterNow, meterProblem, paceOf, type UseEntry, usedSince } from "./use.ts";
import { usualService } from "./usual.ts";
import { orderOf, wearCost, wearOf } from "./wear.ts";

const HOUR = 3600;
const HA = 1e4;
const day = (date: string, hour = "12") => `2026-${date}T${hour}:00:00.000Z`;
const entry = (date: string, hectares: number | null, hours: number | null): UseEntry => ({
  at: day(date),
  area: hectares === null ? null : hectares * HA,
  time: hours === null ? null : hours * HOUR,
});
const LOG = [entry("04-01", 20, 6), entry("04-03", 15, 5), entry("04-10", 30, null), entry("05-02", 10, 4)];

describe("what a machine did", () => {
  it("is what the log has since, and how much of it told nothing", () => {
    expect(loggedSince(LOG, day("04-02"))).toEqual({
      area: { known: 55 * HA, untold: 0 },
      time: { known: 9 * HOUR, untold: 1 },
    });
    expect(loggedSince(LOG, null).area.known).toBe(75 * HA);
  });

  it("by its meter counts the road too, and the log after the meter was read", () => {
    const meters = [
      { at: day("03-30"), reading: 1200 * HOUR },
      { at: day("04-12"), reading: 1221.5 * HOUR },
    ];
    expect(usedSince(LOG, meters, day("03-31")).time).toEqual({ known: (21.5 + 4) * HOUR, untold: 0 });
    // Written down when it was done, that reading counts.
    expect(usedSince(LOG, meters, day("04-02"), 1207 * HOUR).time.known).toBe((14.5 + 4) * HOUR);
    // Read before it was done only: the log alone.
    expect(usedSince(LOG, meters, day("04-20")).time).toEqual({ known: 4 * HOUR, untold: 0 });
    expect(meterNow(LOG, meters)).toBe(1225.5 * HOUR);
    expect(meterNow(LOG, [])).toBeNull();
  });

  it("on its meter runs forward, and no faster than the clock", () => {
    const meters = [
      { at: day("04-01", "08"), reading: 100 * HOUR },
      { at: day("04-05", "08"), reading: 130 * HOUR },
    ];
    const problem = (date: string, hours: number) =>
      meterProblem(meters, { at: day(date, "08"), reading: hours * HOUR })?.kind ?? null;
    expect(problem("04-06", 140)).toBeNull();
    expect(problem("04-06", 129)).toBe("less");
    expect(problem("04-06", 155)).toBe("more");
    expect(problem("04-03", 131)).toBe("more");
    expect(problem("03-20", 90)).toBeNull();
  });

  it("goes on at the pace of the last thirty days", () => {
    const { area, time } = paceOf(LOG, new Date(day("05-03")));
    expect(area).toBeCloseTo((40 * HA) / 30, 6);
    expect(time).toBeCloseTo((4 * HOUR) / 30, 6);
  });
});

describe("an interval", () => {
  const NONE: Every = { time: null, area: null, days: null, season: false };
  const known = (value: number): Amount => ({ known: value, untold: 0 });
  const use = (hours: number, hectares: number) => ({
    time: known(hours * HOUR),
    area: known(hectares * HA),
  });
  const now = new Date(day("06-15"));
  const state = (every: Partial<Every>, done: string | null, used = use(0, 0)) =>
    dueOf({ ...NONE, ...every }, done === null ? null : { at: day(done) }, used, now);

  it("ends by whichever comes first", () => {
    // 50 hours or 90 days: 40 of 50 hours, 75 of 90 days.
    const both = state({ time: 50 * HOUR, days: 90 }, "04-01", use(40, 0));
    expect(both.state).toBe("good");
    expect(both.first!.by).toBe("days");
    expect(state({ time: 50 * HOUR, days: 90 }, "04-01", use(46, 0))).toMatchObject({
      state: "soon",
      first: { by: "time" },
    });
    expect(state({ time: 50 * HOUR, days: 90 }, "04-01", use(50, 0)).state).toBe("due");
    expect(state({ area: 100 * HA }, "06-14", use(0, 101)).state).toBe("due");
  });

  it("is not known where nobody told when it was done, nor good where the log told nothing", () => {
    expect(state({ days: 10 }, null)).toEqual({ state: "unknown", first: null, parts: [] });
    const untold = { time: { known: 10 * HOUR, untold: 2 }, area: known(0) };
    expect(state({ time: 50 * HOUR }, "04-01", untold).state).toBe("unknown");
    // What is known is enough to be due.
    expect(state({ time: 8 * HOUR }, "04-01", untold).state).toBe("due");
    expect(state({ time: 50 * HOUR, days: 30 }, "04-01", untold).state).toBe("due");
  });

  it("of a season ends with the turn in November", () => {
    expect(seasonTurn(new Date("2026-06-15T00:00:00Z")).toISOString()).toBe("2025-11-01T00:00:00.000Z");
    expect(seasonTurn(new Date("2026-11-29T00:00:00Z")).toISOString()).toBe("2026-11-01T00:00:00.000Z");
    expect(state({ season: true }, "02-10").state).toBe("good");
    expect(dueOf({ ...NONE, season: true }, { at: "2025-10-31T08:00:00Z" }, use(0, 0), now).state).toBe(
      "due",
    );
  });

  it("comes at the pace of work, by whichever comes first", () => {
    const due = state({ time: 50 * HOUR, days: 90, area: 400 * HA }, "06-05", use(30, 100));
    // 20 hours at 4 a day are 5 days; 300 ha at 20 a day are 15; 80 days are left.
    expect(comesIn(due, { time: 4 * HOUR, area: 20 * HA })).toBeCloseTo(5, 9);
    expect(comesIn(due, { time: 0, area: 20 * HA })).toBeCloseTo(15, 9);
    expect(comesIn(due, { time: 0, area: 0 })).toBeCloseTo(80, 9);
    expect(comesIn(state({ time: 50 * HOUR }, "06-05"), { time: 0, area: 0 })).toBeNull();
  });

  it("never goes back as work goes on, and is due once its limit is met", () => {
    const order = ["good", "soon", "due"];
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        (limit, a, b) => {
          const [less, more] = [Math.min(a, b), Math.max(a, b)].map(
            (hours) => state({ time: limit * HOUR }, "06-01", use(hours, 0)).state,
          );
          expect(order.indexOf(more!)).toBeGreaterThanOrEqual(order.indexOf(less!));
          if (Math.max(a, b) >= limit) expect(more).toBe("due");
        },
      ),
    );
  });

  it("of a day is done on that day of the device's clock", () => {
    const inZone = (iso: string) =>
      new Date(iso).toLocaleDateString("en-GB", { timeZone: "Pacific/Auckland" });
    // 13:00 UTC is the next day there.
    expect(doneToday({ at: day("06-14", "13") }, new Date(day("06-15", "03")), inZone)).toBe(true);
    expect(doneToday({ at: day("06-14", "11") }, new Date(day("06-15", "03")), inZone)).toBe(false);
    expect(doneToday(null, now, inZone)).toBe(false);
  });
});

describe("what wears", () => {
  const POINT = { count: 10, fresh: 0.32, limit: 0.26, stock: 4, delivery: 3, price: 6 };
  const wear =
    (...points: [area: number | null, size: number][]) =>
    (worked: number | null) =>
      wearOf(
        POINT,
        POINT.fresh,
        points.map(([area, size]) => ({ area: area === null ? null : area * HA, size })),
        worked === null ? null : worked * HA,
      );

  it("goes down with the hectares from new, and lasts until its limit", () => {
    // 2 cm in 40 ha: half a millimetre a hectare. 4 cm more are 80 ha.
    expect(wear([40, 0.3])(40)).toMatchObject({
      known: true,
      rate: expect.closeTo(0.0005 / HA, 12),
      left: expect.closeTo(80 * HA, 3),
    });
    // 20 ha later a centimetre less.
    expect(wear([40, 0.3])(60)).toMatchObject({
      size: expect.closeTo(0.29, 9),
      left: expect.closeTo(60 * HA, 3),
    });
    expect(wear([40, 0.3])(400)).toMatchObject({ left: 0 });
  });

  it("of several measurements is the straight line through new that fits best, by hand", () => {
    // Σ a·w / Σ a² of (20, 12 mm) and (40, 18 mm): (240 + 720) / (400 + 1600) = 0.48 mm/ha.
    expect(wear([20, 0.308], [40, 0.302])(40)).toMatchObject({ rate: expect.closeTo(0.00048 / HA, 12) });
  });

  it("is not known before it is measured, without hectares, or where nothing wore", () => {
    expect(wear()(40)).toEqual({ known: false, why: "never measured" });
    expect(wear([0, 0.32])(0)).toEqual({ known: false, why: "nothing worked" });
    expect(wear([null, 0.3])(40)).toEqual({ known: false, why: "hectares untold" });
    expect(wear([40, 0.3])(null)).toEqual({ known: false, why: "hectares untold" });
    expect(wear([40, 0.33])(40)).toEqual({ known: false, why: "no wear" });
  });

  it("costs a set by what it lasts, by hand", () => {
    // Half a millimetre a hectare: 6 cm last 120 ha. Ten at 6 are 60: half of one a hectare.
    expect(wearCost(POINT, wear([40, 0.3])(40))! * HA).toBeCloseTo(0.5, 9);
    expect(wearCost({ ...POINT, price: null }, wear([40, 0.3])(40))).toBeNull();
    expect(wearCost(POINT, wear()(0))).toBeNull();
  });

  it("is ordered in time for the delivery, and not where enough lie on the shelf", () => {
    const worn = wear([40, 0.3])(40);
    // 80 ha at 20 ha a day: worn in 4 days, 3 of delivery and 2 spare.
    expect(orderOf(POINT, worn, 20 * HA)).toEqual({ kind: "now", days: expect.closeTo(4, 9), pieces: 6 });
    expect(orderOf(POINT, worn, 5 * HA)).toEqual({
      kind: "later",
      days: expect.closeTo(16, 9),
      wait: expect.closeTo(11, 9),
      pieces: 6,
    });
    expect(orderOf({ ...POINT, stock: 10 }, worn, 20 * HA)).toEqual({ kind: "enough" });
    expect(orderOf(POINT, worn, 0)).toEqual({ kind: "idle", pieces: 6 });
    expect(orderOf(POINT, wear()(0), 20 * HA)).toEqual({ kind: "unknown" });
    expect(orderOf(POINT, wear([40, 0.3])(400), 0)).toEqual({ kind: "now", days: 0, pieces: 6 });
  });
});

describe("the usual list", () => {
  it("has each round, and every interval a limit", () => {
    for (const drives of [true, false]) {
      const list = usualService(drives);
      const rounds = new Set(list.map(({ round }) => round));
      expect(rounds.has("morning") && rounds.has("evening") && rounds.has("interval")).toBe(true);
      expect(new Set(list.map(({ name }) => name)).size).toBe(list.length);
      for (const {
        round,
        every: { time, area, days, season },
      } of list)
        expect((time ?? area ?? days) !== null || season).toBe(round === "interval");
    }
    expect(usualService(false).some(({ round }) => round === "aboard")).toBe(true);
  });
});
