import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { adviceFor, type PressedAxle, pressedDepth, pressureFor, SOIL_STATES } from "./pressed.ts";

const BAR = 1e5;

describe("how deep a wheel presses", () => {
  it("is eight centimetres more for each tonne and each doubling of the pressure, by hand", () => {
    // 21 + 8 · 3 + 8 · log2(1.6) = 45 + 5.42 cm.
    expect(pressedDepth(3000, 1.6 * BAR)).toBeCloseTo(0.5042, 4);
    expect(pressedDepth(1000, BAR)).toBeCloseTo(0.29, 12);
    expect(pressedDepth(2000, BAR) - pressedDepth(1000, BAR)).toBeCloseTo(0.08, 12);
    expect(pressedDepth(2000, 2 * BAR) - pressedDepth(2000, BAR)).toBeCloseTo(0.08, 12);
    // Half a bar under it: 21 + 8 − 8.
    expect(pressedDepth(1000, 0.5 * BAR)).toBeCloseTo(0.21, 12);
    expect(() => pressedDepth(0, BAR)).toThrow(RangeError);
    expect(() => pressedDepth(1000, 0)).toThrow(RangeError);
  });

  it("has a pressure for each depth, and back", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 300, max: 9000, noNaN: true }),
        fc.double({ min: 0.3, max: 4, noNaN: true }),
        (load, bar) => {
          const depth = pressedDepth(load, bar * BAR);
          expect(pressureFor(load, depth) / BAR).toBeCloseTo(bar, 6);
        },
      ),
    );
  });
});

describe("what to do on such ground", () => {
  const axle = (more: Partial<PressedAxle>): PressedAxle => ({
    load: 3000,
    half: null,
    pressure: 1.6 * BAR,
    least: 1 * BAR,
    leastHalf: null,
    ...more,
  });

  it("is to drive on dry ground, and to let the tyres down where their table carries that", () => {
    expect(adviceFor(axle({}), SOIL_STATES.dry.limit)).toMatchObject({ kind: "drive" });
    // 50 cm: 2^((50 − 45) / 8) = 1.54 bar.
    const lower = adviceFor(axle({}), SOIL_STATES.moist.limit);
    expect(lower).toMatchObject({ kind: "lower" });
    expect(lower.kind === "lower" && lower.to / BAR).toBeCloseTo(2 ** (5 / 8), 9);
  });

  it("is to fill by half where that and its pressure do, and else to wait", () => {
    // Wet: 35 cm. 3 t would want 2^(-10/8) = 0.42 bar; 1.5 t want 2^(2/8) = 1.19.
    const wet = SOIL_STATES.wet.limit;
    const half = adviceFor(axle({ half: 1500, leastHalf: 0.8 * BAR }), wet);
    expect(half.kind).toBe("half");
    expect(half.kind === "half" && half.to / BAR).toBeCloseTo(2 ** (2 / 8), 9);
    expect(adviceFor(axle({ half: 1500, leastHalf: 1.3 * BAR }), wet).kind).toBe("wait");
    expect(adviceFor(axle({}), wet).kind).toBe("wait");
  });

  it("is not to let down what no table tells of", () => {
    expect(adviceFor(axle({ least: null }), SOIL_STATES.moist.limit)).toMatchObject({ kind: "no table" });
  });

  it("is never to press deeper than the ground bears", () => {
    const bar = fc.double({ min: 0.4, max: 3.5, noNaN: true });
    fc.assert(
      fc.property(
        fc.double({ min: 500, max: 8000, noNaN: true }),
        bar,
        fc.option(bar, { nil: null }),
        fc.constantFrom(0.35, 0.5, 0.7),
        (load, pressure, least, limit) => {
          const given = axle({
            load,
            pressure: pressure * BAR,
            least: least === null ? null : least * BAR,
            half: load / 2,
            leastHalf: least === null ? null : (least * BAR) / 2,
          });
          const found = adviceFor(given, limit);
          const at =
            found.kind === "drive"
              ? pressedDepth(load, pressure * BAR)
              : found.kind === "lower"
                ? pressedDepth(load, found.to)
                : found.kind === "half"
                  ? pressedDepth(load / 2, found.to)
                  : 0;
          expect(at).toBeLessThanOrEqual(limit + 1e-9);
          if (found.kind === "lower") expect(found.to).toBeLessThan(pressure * BAR);
        },
      ),
    );
  });
});
