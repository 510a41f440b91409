import { describe, expect, it } from "vitest";
import { PRESETS, type Units } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { sampleOpen } from "../frame/sample-open.server.ts";
import { chartOf, heldWords, matchView } from "./match-view.ts";

const db = plantedYard();

const look = (name: string, units: Units = PRESETS.metric) => {
  const { whole, judged } = sampleOpen(db, name, units);
  return JSON.parse(
    JSON.stringify(matchView(whole, judged.reckoned.match, units)).replace(/\u00a0/g, " "),
  ) as ReturnType<typeof matchView>;
};

describe("power, reckoned two ways", () => {
  it("holds the rule of thumb and the draft model against what the tractor has", () => {
    const view = look("Stubble cultivator");
    // 88 kW at the engine, nine tenths of it at the shaft
    expect(view.has).toBe("79 kW");
    expect(view.thumb!.lines[0]!.source).toContain("common practice");
    expect(view.model!.lines[0]).toMatchObject({ label: "draft" });
    expect(view.model!.lines[0]!.source).toContain("ASABE D497, from memory: chisel plough");
    // 0.85·(107 + 6.3·11.1)·9·14 = 18.95 kN at 11.1 km/h: 58.4 kW, over 0.77 and 0.96 the 79 kW there are.
    expect(view.verdict).toBe("Enough: it holds 11.1 km/h.");
    expect(view.rate).toMatch(/ha in an hour$/);
  });

  it("reckons with a shaft where nothing is drawn through the ground", () => {
    const { model } = look("Mowers");
    const labels = model!.lines.map(({ label }) => label);
    expect(labels.filter((label) => label.endsWith("at the shaft"))).toHaveLength(2);
    expect(labels.some((label) => label.endsWith("draft"))).toBe(false);
    expect(labels[0]).toContain("Pellworth Blade 30 F: ");
  });

  it("has no two ways for what drives itself: its maker matched it", () => {
    for (const name of ["Combine", "Sprayer", "Front boom"]) {
      const view = look(name);
      expect(view).toMatchObject({ thumb: null, model: null });
      expect(view.verdict).toContain("drives itself");
    }
  });

  it("says what to enter where it cannot be reckoned yet", () => {
    const view = look("Borrowed drill");
    expect(view.has).toBeNull();
    expect(view.verdict).toContain("Enter the tractor's power");
    expect(view).toMatchObject({ chart: null, trial: null });
  });

  it("draws a curve that rises with speed, in the operator's units, and marks where it stands", () => {
    const chart = look("Stubble cultivator").chart!;
    expect(chart).toMatchObject({
      speedUnit: "km/h",
      powerUnit: "kW",
      available: expect.closeTo(79.2, 6),
      now: expect.closeTo(8, 6),
    });
    const needs = chart.points.map(({ need }) => need);
    expect([...needs].sort((a, b) => a - b)).toEqual(needs);
    for (const { need, band } of chart.points) {
      expect(band[0]).toBeLessThanOrEqual(need);
      expect(band[1]).toBeGreaterThanOrEqual(need);
    }
    const us = look("Stubble cultivator", PRESETS.us).chart!;
    expect(us).toMatchObject({ speedUnit: "mph", powerUnit: "hp" });
    // 79.2 kW = 106.2 hp of 550 ft·lbf/s
    expect(us.available).toBeCloseTo(106.21, 1);
    expect(us.now).toBeCloseTo(4.97, 2);
  });

  it("can be tried with another depth only where depth matters", () => {
    expect(look("Stubble cultivator").trial!.depth).toBeCloseTo(0.14, 6);
    expect(look("Grain drill").trial!.depth).toBeNull();
    expect(look("Grain drill").trial!.width).toBeGreaterThan(4);
  });

  it("says which speed is held, and when none or any is", () => {
    expect(heldWords(null, PRESETS.metric)).toBe("holds no speed");
    expect(heldWords(2.5, PRESETS.metric).replace(/\u00a0/g, " ")).toBe("holds 9.0 km/h");
    expect(heldWords(99, PRESETS.metric)).toContain("and more");
    const chart = chartOf({ curve: [], available: 1000, speed: 1, highest: null }, PRESETS.metric);
    expect(chart).toMatchObject({ points: [], highest: null, available: 1, now: expect.closeTo(3.6, 9) });
  });
});
