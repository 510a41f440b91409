import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { beforeAfter, changedBetween, costOf, type Driven, grouped, ratesOf } from "./rates.ts";

const HA = 1e4;
const HOUR = 3600;
const driven = (hectares: number | null, hours: number | null, more: Partial<Driven> = {}): Driven => ({
  id: "e",
  rigId: 1,
  rig: "Drill",
  operation: "sowing",
  person: "Ola",
  field: "Long Acre",
  soil: "",
  begun: "2026-04-01T06:00:00.000Z",
  area: hectares === null ? null : hectares * HA,
  time: hours === null ? null : hours * HOUR,
  fuel: null,
  width: null,
  speed: null,
  ...more,
});

describe("work rates", () => {
  it("are hectares by hours of the entries that told both, by hand", () => {
    const { rate, untold, area, labour } = ratesOf([
      driven(30, 10),
      driven(10, 2),
      driven(5, null),
      driven(null, 3),
    ]);
    // 40 ha in 12 h.
    expect((rate! * HOUR) / HA).toBeCloseTo(40 / 12, 9);
    expect((labour! * HA) / HOUR).toBeCloseTo(12 / 40, 9);
    expect(untold).toBe(2);
    expect(area / HA).toBe(45);
  });

  it("stand to width and speed as field efficiency", () => {
    // 4 m at 10 km/h are 4 ha/h: 20 ha in 6.25 h are 80 %.
    const told = { width: 4, speed: 10 / 3.6 };
    expect(ratesOf([driven(20, 6.25, told)]).efficiency).toBeCloseTo(0.8, 9);
    // What has no width counts for the rate, and not for this.
    expect(ratesOf([driven(20, 6.25, told), driven(50, 5)]).efficiency).toBeCloseTo(0.8, 9);
    expect(ratesOf([driven(20, 5)]).efficiency).toBeNull();
  });

  it("are unknown of nothing, and of what told nothing", () => {
    expect(ratesOf([])).toMatchObject({ entries: 0, rate: null, fuel: null, labour: null, efficiency: null });
    expect(ratesOf([driven(null, null)])).toMatchObject({ rate: null, untold: 1 });
    expect(ratesOf([driven(3, 0)]).rate).toBeNull();
  });

  it("of all together lie between those of the least and the most", () => {
    const any = fc.tuple(
      fc.double({ min: 1, max: 60, noNaN: true }),
      fc.double({ min: 0.5, max: 14, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 8 }), (all) => {
        const entries = all.map(([hectares, hours]) => driven(hectares, hours));
        const each = entries.map((entry) => ratesOf([entry]).rate!);
        const { rate } = ratesOf(entries);
        expect(rate!).toBeGreaterThanOrEqual(Math.min(...each) * (1 - 1e-9));
        expect(rate!).toBeLessThanOrEqual(Math.max(...each) * (1 + 1e-9));
      }),
    );
  });

  it("are grouped by whatever is asked, most hectares first", () => {
    const groups = grouped(
      [driven(5, 1), driven(9, 2, { person: "Ilse" }), driven(2, 1)],
      ({ person }) => person,
    );
    expect(groups.map(({ key, entries }) => [key, entries.length])).toEqual([
      ["Ilse", 1],
      ["Ola", 2],
    ]);
  });
});

describe("what a hectare costs", () => {
  const prices = { fuel: 1500, labour: 24 / HOUR };

  it("is fuel, labour and wear, by hand", () => {
    // 8 l/ha at 1.50, a third of an hour at 24, 3 of wear: 12 + 8 + 3.
    const rates = ratesOf([driven(30, 10, { fuel: 0.24 })]);
    const cost = costOf(rates, prices, 3 / HA);
    expect(cost.sum! * HA).toBeCloseTo(23, 9);
    expect(cost.missing).toEqual([]);
  });

  it("names what is not in it, and is none where nothing is known", () => {
    const rates = ratesOf([driven(30, 10)]);
    expect(costOf(rates, prices, null)).toMatchObject({ fuel: null, missing: ["fuel", "wear"] });
    expect(costOf(rates, { fuel: null, labour: null }, null).sum).toBeNull();
  });
});

describe("before and after a setting was changed", () => {
  it("is told by what the entries had frozen", () => {
    const one = [
      { part: 0, key: "work.speed", value: 2.5 },
      { part: 0, key: "tool.width", value: 4 },
      { part: 0, key: "work.depth", value: null },
    ];
    const two = [
      { part: 0, key: "work.speed", value: 3 },
      { part: 0, key: "tool.width", value: 4 },
      { part: 0, key: "work.depth", value: 0.1 },
    ];
    expect(changedBetween(one, two, "2026-04-02T06:00:00.000Z")).toEqual([
      { key: "work.speed", part: 0, was: 2.5, is: 3, at: "2026-04-02T06:00:00.000Z" },
    ]);
  });

  it("compares rate and fuel, and nothing where one side is empty", () => {
    const at = "2026-04-02T00:00:00.000Z";
    const later = { begun: "2026-04-03T06:00:00.000Z" };
    const found = beforeAfter([driven(20, 5, { fuel: 0.2 }), driven(24, 5, { ...later, fuel: 0.3 })], at)!;
    expect(found.rate).toBeCloseTo(0.2, 9);
    expect(found.fuel).toBeCloseTo(0.25, 9);
    expect(beforeAfter([driven(20, 5)], at)).toBeNull();
    expect(beforeAfter([driven(20, null), driven(20, 5, later)], at)!.rate).toBeNull();
  });
});
