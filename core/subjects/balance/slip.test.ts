import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inWords } from "../../quantity/said.ts";
import { PRESETS } from "../../quantity/units.ts";
import { type Lines, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import { judgeSlip, SLIP, slipChecks } from "./slip.ts";

const CULTIVATOR: Lines = {
  "tool.kind": "cultivator",
  "work.surface": "firm",
  "tool.width": "3",
  "work.area": "10 ha",
};

function solve(strips: readonly Record<string, number>[], lines: Lines = CULTIVATOR, distance = 100) {
  const { rig } = samplePart("drawn", lines);
  return SLIP.solve({
    rig,
    setup: { figures: { distance }, choices: {} },
    runs: strips.map((figures) => ({ figures, choices: {}, lists: {} })),
    left: new Set(),
    kept: [],
    before: [],
  });
}

describe("slip", () => {
  it("is one less unpulled turns over pulled ones, of the same distance: 20 against 22.7 are 11.9 %", () => {
    const { constant } = solve([
      { pulled: 22.7, unpulled: 20 },
      { pulled: 22.7, unpulled: 20 },
    ]);
    expect(constant!.estimate.value).toBeCloseTo(1 - 20 / 22.7, 12);
  });

  it("is judged against the band of the ground: 8 to 10 % firm, 11 to 13 tilled, 14 to 16 soft (extension guidance, from memory)", () => {
    expect(judgeSlip(0.09, "firm")!.verdict).toBe("good");
    expect(judgeSlip(0.12, "firm")!.verdict).toBe("high");
    expect(judgeSlip(0.12, "tilled")!.verdict).toBe("good");
    expect(judgeSlip(0.12, "soft")!.verdict).toBe("low");
    expect(judgeSlip(0.12, "ice")).toBeNull();
  });

  it("saves the turns that brought it no further", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.11, max: 0.4, noNaN: true }), (slip) => {
        const { saving } = judgeSlip(slip, "firm")!;
        // Fuel with the slip × what is left of it = fuel in the band.
        expect(((1 / (1 - slip)) * (1 - saving)) / (1 / (1 - 0.1))).toBeCloseTo(1, 9);
      }),
    );
  });

  it("says what to change first, and the litres it comes to on the field", () => {
    const { next, also } = solve([
      { pulled: 24, unpulled: 20, fuel: 0.0004 },
      { pulled: 24, unpulled: 20, fuel: 0.0004 },
    ]);
    const said = next.map((each) => inWords(each, PRESETS.metric));
    expect(said[0]).toContain("First lower the tyres' pressure");
    // 0.4 l over 300 m² are 13.3 l/ha; from 16.7 to 10 % saves 7.4 % of it.
    expect(inWords(also[0]!.said, PRESETS.metric)).toBe("13.3\u00a0l/ha over the strips");
    expect(said[1]).toContain("7.4\u00a0% less fuel: 0.99\u00a0l/ha, 9.9\u00a0l on 10.00\u00a0ha");
  });

  it("stands among the checks of balance once it was measured, and not before", () => {
    const rows = (lines: Lines) =>
      slipChecks(sampleWhole([samplePart("drawn", lines)])).map(({ verdict }) => verdict);
    expect(rows(CULTIVATOR)).toEqual([]);
    expect(rows({ ...CULTIVATOR, "work.slip": "9 %" })).toEqual(["good"]);
    expect(rows({ ...CULTIVATOR, "work.slip": "19 %" })).toEqual(["check"]);
    expect(rows({ "tool.kind": "sprayer", "work.slip": "19 %" })).toEqual([]);
  });
});
