import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inWords } from "../../../quantity/said.ts";
import { PRESETS } from "../../../quantity/units.ts";
import { samplePart } from "../../../rig/sample-whole.ts";
import { chance } from "../../../simulation/random.ts";
import { seedDose } from "../practise.ts";
import { APPLIED_LIQUID, shareOut } from "./applied.ts";

const factor = fc.double({ min: 0.7, max: 1.4, noNaN: true });

describe("why the product does not add up", () => {
  it("shares a difference by logarithms: the shares add up to one, the factors to the whole", () => {
    fc.assert(
      fc.property(factor, factor, factor, (constant, control, area) => {
        const rate = 0.02;
        const field = 1e5;
        const counted = field * area;
        const shown = rate * counted * control;
        const used = shown * constant;
        const { total, shares } = shareOut({ rate, field, counted, used, shown });
        expect(total).toBeCloseTo(constant * control * area, 9);
        const parts = shares.flatMap(({ share }) => share ?? []);
        if (Math.abs(Math.log(total)) > 1e-3)
          expect(parts.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 6);
        else expect(parts).toEqual([]);
      }),
    );
  });

  it("names what explains most: a meter 6 % off, not the hectares 1 % off", () => {
    const { shares } = shareOut({ rate: 0.02, field: 1e5, counted: 1.01e5, shown: 2020, used: 2020 * 1.06 });
    expect(shares[0]).toMatchObject({ key: "constant", factor: expect.closeTo(1.06, 9) });
    expect(shares[0]!.share!).toBeGreaterThan(0.8);
  });

  const rig = samplePart("boom", {
    "tool.kind": "sprayer",
    "rows.count": "36",
    "rate.liquid": "200 l/ha",
    "work.area": "10 ha",
    "rate.pulsesPerMetre": "10 /m",
    "rate.pulsesPerLitre": "200 /l",
    "rate.speedSource": "wheel",
  }).rig;
  const solve = (figures: Record<string, number>) =>
    APPLIED_LIQUID.solve({
      rig,
      setup: { figures: { rate: 200e-7 }, choices: {} },
      runs: [{ figures, choices: {}, lists: {} }],
      left: new Set(),
      kept: [],
      before: [],
    });
  const said = (figures: Record<string, number>) =>
    solve(figures).next.map((each) => inWords(each, PRESETS.metric));

  it("says what to test next, and that two errors may cancel", () => {
    expect(said({ field: 1e5, counted: 1e5, used: 2.12, shown: 2 })[0]).toContain("Calibrate that first");
    expect(said({ field: 1e5, counted: 1.08e5, used: 2.16, shown: 2.16 })[0]).toContain(
      "Hectares are counted wrong",
    );
    expect(said({ field: 1e5, counted: 1.05e5, used: 2, shown: 2.1 })[0]).toContain("two errors cancel");
    expect(said({ field: 1e5, counted: 1e5, used: 2, shown: 2 })).toEqual([
      "It adds up: nothing to look for.",
    ]);
    expect(inWords(solve({}).barred[0]!, PRESETS.metric)).toBe("No field was entered yet.");
  });

  it("blames on the bench what is wrong there", () => {
    const truth = {
      ...seedDose(rig, 1),
      constants: { "rate.pulsesPerLitre": 186e3, "rate.pulsesPerMetre": 10 },
    };
    const [run] = APPLIED_LIQUID.bench!(
      truth,
      { figures: { rate: 200e-7 }, choices: {} },
      rig,
      chance(1),
      {},
    );
    expect(said({ ...run!.figures })[0]).toContain("flow constant");
  });
});
