import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CATEGORIES, CATEGORY_SIZES, fitMast, fitPin, fitSpan } from "../../trade/category.ts";
import { DRAFT_TABLE, draftOf } from "../../trade/draft.ts";
import { chainNeeded, DRAWBAR_CATEGORIES, DRAWBAR_SIZES, lowest } from "../../trade/drawbar.ts";
import {
  deepest,
  FASTEST,
  GRAVITY,
  highestSpeed,
  needOf,
  rotaryPower,
  type Task,
  tractiveEfficiency,
  widthShare,
  workRate,
} from "../../trade/power.ts";
import { PTO_SHAFTS, PTO_TYPES, pinDistance, speedOff } from "../../trade/pto.ts";

const kmh = (speed: number) => speed / 3.6;

describe("draft after ASABE D497 (worked by hand from the published formula, coefficients from memory)", () => {
  it("of a plough 1.6 m wide at 22 cm and 7 km/h in medium soil is 22.2 kN", () => {
    const { force, low, high } = draftOf("mouldboard plough", {
      speed: kmh(7),
      width: 1.6,
      depth: 0.22,
      soil: "medium",
    });
    expect(force / 1000).toBeCloseTo(22.2, 1);
    expect((force * kmh(7)) / 1000).toBeCloseTo(43.2, 1);
    expect(low / force).toBeCloseTo(0.6);
    expect(high / force).toBeCloseTo(1.4);
  });

  it("of a pneumatic drill 6 m wide does not grow with depth", () => {
    const at = (depth: number) =>
      draftOf("drill, pneumatic", { speed: kmh(10), width: 6, depth, soil: "fine" }).force;
    expect(at(0.03) / 1000).toBeCloseTo(22.2, 1);
    expect(at(0.06)).toBe(at(0.03));
    expect((at(0.03) * kmh(10)) / 1000).toBeCloseTo(61.7, 1);
  });

  it("of 13 straight chisel points at 15 cm and 8 km/h in fine soil is 26.2 kN", () => {
    const { force } = draftOf("chisel, straight", { speed: kmh(8), width: 13, depth: 0.15, soil: "fine" });
    expect(force / 1000).toBeCloseTo(26.2, 1);
    expect((force * kmh(8)) / 1000).toBeCloseTo(58.2, 1);
  });

  it("is never less in finer soil, and the range holds the middle", () => {
    for (const key of Object.keys(DRAFT_TABLE) as (keyof typeof DRAFT_TABLE)[]) {
      const { soil, band } = DRAFT_TABLE[key];
      expect(soil[0]).toBe(1);
      expect(soil[1]).toBeLessThanOrEqual(soil[0]);
      expect(soil[2]).toBeLessThanOrEqual(soil[1]);
      expect(band).toBeGreaterThan(0);
      expect(band).toBeLessThanOrEqual(0.5);
    }
  });
});

const TASK: Task = {
  draft: "chisel, straight",
  width: 13,
  depth: 0.15,
  soil: "fine",
  speed: kmh(8),
  toolMass: 0,
  tractorMass: 6000,
  grade: 0,
  ownResistance: 0,
  onOwnWheels: 0,
  motionResistance: 0,
  rotary: 0,
};
const EFFICIENT = { traction: 0.72, axle: 0.96, pto: 0.9 };

describe("power", () => {
  it("divides by each efficiency on the way", () => {
    const need = needOf(TASK, EFFICIENT);
    expect(need.drawbar / 1000).toBeCloseTo(58.2, 1);
    expect(need.pto).toBeCloseTo(need.drawbar / (0.72 * 0.96));
    expect(need.engine).toBeCloseTo(need.pto / 0.9);
  });

  it("adds slope and motion resistance as forces, before any efficiency", () => {
    const towed = needOf({ ...TASK, toolMass: 4000, grade: 0.1, motionResistance: 0.08 }, EFFICIENT);
    const slope = Math.atan(0.1);
    expect(towed.gradient).toBeCloseTo(4000 * GRAVITY * Math.sin(slope));
    expect(towed.rolling).toBeCloseTo(0.08 * 4000 * GRAVITY * Math.cos(slope));
    expect(towed.pull).toBeCloseTo(towed.draft.force + towed.gradient + towed.rolling);
    expect(towed.climbing).toBeCloseTo((6000 * GRAVITY * Math.sin(slope) * kmh(8)) / 0.96);
  });

  it("never asks for less than nothing downhill", () => {
    expect(needOf({ ...TASK, draft: null, toolMass: 4000, grade: -0.2 }, EFFICIENT).pto).toBe(0);
  });

  it("takes what the shaft needs: a disc mower 5 kW for each metre (ASABE D497 table 2, from memory)", () => {
    expect(rotaryPower({ a: 0, b: 5, c: 0 }, 3, 0)).toBe(15000);
    expect(rotaryPower({ a: 20, b: 0, c: 3.6 }, 6, 10 / 3.6)).toBeCloseTo(56000);
  });

  it("is better used by more driven wheels, worse on softer ground", () => {
    expect(tractiveEfficiency("front-wheel assist", "tilled")).toBeGreaterThan(
      tractiveEfficiency("two-wheel", "tilled"),
    );
    expect(tractiveEfficiency("two-wheel", "soft")).toBe(0.55);
  });

  it("gives hectares an hour as speed × width × efficiency / 10 (ASABE EP496)", () => {
    expect((workRate(kmh(8), 4, 0.85) * 3600) / 1e4).toBeCloseTo((8 * 4 * 0.85) / 10);
  });

  it("is just used up at the highest speed, the deepest depth and the widest share", () => {
    let cut = 0;
    fc.assert(
      fc.property(
        fc.double({ min: 20e3, max: 200e3, noNaN: true }),
        fc.double({ min: 0, max: 0.15, noNaN: true }),
        (available, grade) => {
          const task = { ...TASK, toolMass: 1500, grade };
          const speed = highestSpeed(task, EFFICIENT, available)!;
          if (speed < FASTEST) expect(needOf({ ...task, speed }, EFFICIENT).pto).toBeCloseTo(available, 0);
          const depth = deepest(task, EFFICIENT, available);
          if (depth !== null && depth < 1)
            expect(needOf({ ...task, depth }, EFFICIENT).pto).toBeCloseTo(available, 0);
          const share = widthShare(task, EFFICIENT, available);
          if (share === 1) expect(needOf(task, EFFICIENT).pto).toBeLessThanOrEqual(available);
          if (share === null || share === 1) return;
          cut += 1;
          const narrower = { ...task, width: task.width * share, toolMass: task.toolMass * share };
          expect(needOf(narrower, EFFICIENT).pto).toBeCloseTo(available, 0);
        },
      ),
    );
    expect(cut).toBeGreaterThan(10);
  });

  it("holds no speed where the shaft alone takes more than there is", () => {
    expect(highestSpeed({ ...TASK, rotary: 80e3 }, EFFICIENT, 60e3)).toBeNull();
    expect(deepest({ ...TASK, draft: "drill, pneumatic" }, EFFICIENT, 60e3)).toBeNull();
  });
});

describe("hitch categories (ISO 730, from memory)", () => {
  it("grow, and the narrow ones have the span of the one below", () => {
    const span = (key: (typeof CATEGORIES)[number]) => CATEGORY_SIZES[key].span;
    expect(span("2N")).toBe(span("1"));
    expect(span("3N")).toBe(span("2"));
    expect(CATEGORY_SIZES["4N"].certain).toBe(false);
    for (const key of CATEGORIES)
      expect(CATEGORY_SIZES[key].lowerPin).toBeGreaterThan(CATEGORY_SIZES[key].upperPin);
  });

  it("name the sleeve: category 1 pins in category 2 balls need 22 → 28 and 19 → 25.5 mm", () => {
    const [one, two] = [CATEGORY_SIZES["1"], CATEGORY_SIZES["2"]];
    expect(fitPin(one.lowerPin, two.lowerPin)).toEqual({ kind: "bushing", inner: 0.022, outer: 0.028 });
    expect(fitPin(one.upperPin, two.upperPin)).toEqual({ kind: "bushing", inner: 0.019, outer: 0.0255 });
    expect(fitPin(0.0219, 0.022)).toEqual({ kind: "fits" });
    expect(fitPin(two.lowerPin, one.lowerPin)).toMatchObject({ kind: "too thick" });
  });

  it("let free links reach another span within their sway, with what is left; a rigid coupler does not", () => {
    const reach = { narrowest: 0.64, widest: 0.9 };
    expect(fitSpan(0.683, { span: 0.825, rigid: false, reach })).toMatchObject({ kind: "reaches" });
    const fit = fitSpan(0.683, { span: 0.825, rigid: false, reach });
    expect(fit.kind === "reaches" && fit.slack).toBeCloseTo(0.043);
    expect(fitSpan(0.965, { span: 0.825, rigid: false, reach })).toMatchObject({ kind: "short" });
    expect(fitSpan(0.683, { span: 0.825, rigid: true, reach })).toMatchObject({ kind: "rigid" });
    expect(fitSpan(0.683, { span: 0.825, rigid: false, reach: null })).toMatchObject({ slack: null });
    expect(fitSpan(0.825, { span: 0.825, rigid: true, reach: null })).toEqual({ kind: "fits" });
    expect(fitMast(0.46, 0.61)).toMatchObject({ kind: "rigid" });
    expect(fitMast(0.612, 0.61)).toEqual({ kind: "fits" });
  });
});

describe("power take-off and drawbar", () => {
  it("has the shafts of ISO 500 and the distances of ASABE S203 (from memory)", () => {
    expect(PTO_TYPES.map((type) => PTO_SHAFTS[type].splines)).toEqual([6, 21, 20, 22]);
    expect(PTO_SHAFTS["1"].speed * 60).toBeCloseTo(540);
    expect(pinDistance("1", 0.36)).toBe(0);
    // Either standard's distance is right: 356 or 400 mm, 406 or 400 mm, 508 or 500 mm.
    for (const [type, distances] of [
      ["1", [0.356, 0.4]],
      ["2", [0.406, 0.4]],
      ["3", [0.508, 0.5]],
    ] as const)
      for (const distance of distances) expect(pinDistance(type, distance)).toBe(0);
    expect(pinDistance("1", 0.378)).toBeCloseTo(0.022);
    expect(pinDistance("3", 0.406)).toBeCloseTo(-0.094);
    expect(pinDistance("4", 0.5)).toBeNull();
  });

  it("says by how much a speed is off the implement's band", () => {
    const band = { low: 350 / 60, high: 450 / 60 };
    expect(speedOff(540 / 60, band)).toBeCloseTo(90 / 60);
    expect(speedOff(400 / 60, band)).toBe(0);
    expect(speedOff(300 / 60, band)).toBeCloseTo(-50 / 60);
  });

  it("asks of a chain the weight of everything behind it (ASABE S338, from memory)", () => {
    expect(chainNeeded(8500) / 1000).toBeCloseTo(83.36, 2);
  });

  it("has pins that do not shrink with the category", () => {
    const pins = DRAWBAR_CATEGORIES.map((key) => DRAWBAR_SIZES[key].pin);
    expect([...pins].sort((a, b) => a - b)).toEqual(pins);
  });

  it("finds the lowest limit and names it; what is not known limits nothing and vouches for nothing", () => {
    expect(
      lowest([
        { what: "tractor", value: 14 },
        { what: "implement", value: 7 },
        { what: "tyres", value: null },
      ]),
    ).toEqual({ what: "implement", value: 7 });
    expect(lowest([{ what: "tyres", value: null }])).toBeNull();
  });
});
