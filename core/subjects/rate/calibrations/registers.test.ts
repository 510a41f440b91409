import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inWords } from "../../../quantity/said.ts";
import { PRESETS } from "../../../quantity/units.ts";
import { samplePart } from "../../../rig/sample-whole.ts";
import { appliedRate, REGISTERS, TRIMS } from "./registers.ts";

const rig = samplePart("boom", { "tool.kind": "sprayer", "rate.liquid": "200 l/ha" }).rig;
const solve = (
  registers: readonly [area: number, volume: number][],
  trim = "0",
  rate: number | null = 200e-7,
) =>
  REGISTERS.solve({
    rig,
    setup: { figures: rate === null ? {} : { rate }, choices: { trim } },
    runs: registers.map(([area, volume], at) => ({
      figures: { register: at + 1, area, volume },
      choices: {},
      lists: {},
    })),
    left: new Set(),
    kept: [],
    before: [],
  });
const said = (...of: Parameters<typeof solve>) =>
  solve(...of).next.map((each) => inWords(each, PRESETS.metric));

describe("registers of a day", () => {
  it("are all litres over all hectares, not the mean of their rates", () => {
    expect(
      appliedRate([
        { number: 1, area: 9e4, volume: 1.8 },
        { number: 2, area: 1e4, volume: 0.4 },
      ]),
    ).toBeCloseTo(220e-7, 12);
    expect(() => appliedRate([])).toThrow(RangeError);
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 1e3, max: 1e6, noNaN: true }),
            fc.double({ min: 0, max: 30, noNaN: true }),
          ),
          {
            minLength: 1,
            maxLength: 9,
          },
        ),
        (all) => {
          const registers = all.map(([area, volume], at) => ({ number: at + 1, area, volume }));
          const rates = registers.map((each) => appliedRate([each]));
          const whole = appliedRate(registers);
          expect(whole).toBeGreaterThanOrEqual(Math.min(...rates) - 1e-12);
          expect(whole).toBeLessThanOrEqual(Math.max(...rates) + 1e-12);
        },
      ),
    );
  });

  it("are held against what was programmed, a trim and all; the one unlike the others is named", () => {
    expect(said([[5e4, 1.01]])[0]).toBe("Applied is as programmed.");
    expect(said([[5e4, 0.9]])[0]).toContain("10.0\u00a0% less applied than programmed");
    // Trimmed by a fifth, 240 l/ha are as programmed; it is pressed back before the next field.
    expect(said([[5e4, 1.2]], "20").slice(0, 2)).toEqual([
      "Applied is as programmed.",
      "One press back to programme before the next field.",
    ]);
    expect(
      said([
        [5e4, 1],
        [5e4, 1],
        [1e4, 0.26],
      ]),
    ).toContain("Register 3: 260.0\u00a0l/ha, unlike the others.");
    // 260 l/ha for 200 are three tenths over; 1000 l on 5 ha are as programmed.
    const { wanted } = solve([
      [5e4, 1],
      [1e4, 0.26],
    ]);
    expect(wanted!.runs.map(({ at, off, odd }) => [at, Math.round(100 * off), odd])).toEqual([
      [0, 0, false],
      [1, 30, true],
    ]);
    expect(solve([[5e4, 1]], "0", null).wanted).toBeUndefined();
  });

  it("say nothing of a rate nobody told, and offer the trims of the trade", () => {
    expect(said([[5e4, 1]], "0", null)[0]).toContain("Tell what was programmed");
    expect(inWords(solve([]).barred[0]!, PRESETS.metric)).toBe("No register was read off yet.");
    expect(TRIMS).toEqual([-0.3, -0.2, -0.1, 0, 0.1, 0.2, 0.3]);
    expect(REGISTERS.next!({ rig, runs: [], left: new Set() })).toEqual({ register: 1 });
  });
});
