import { describe, expect, it } from "vitest";
import { plain } from "../finding/sample-words.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import { judgeWhole } from "../subjects/judge-whole.ts";
import { RERIG_USUAL, type RigSetup, rerigOf, setupOf } from "./rerig.ts";

const MIN = 60;

const setup = (lines: Lines, card: RigSetup["card"] = []): RigSetup => {
  const whole = sampleWhole([samplePart("mounted", { ...MOUNTED, ...lines })]);
  return setupOf(whole, judgeWhole(whole), [7], card);
};

const BARE: RigSetup = {
  tools: [{ id: 1, name: "Drill", how: "carried" }],
  hole: null,
  bushings: 2,
  hoses: 3,
  plugs: 1,
  weights: [{ id: 1, what: "plate 40 kg", fitted: 4 }],
  pressures: [
    { axle: "front", wanted: 80_000, tyres: 2 },
    { axle: "rear", wanted: 60_000, tyres: 4 },
  ],
  rows: null,
  settings: [{ key: "work.topLink", label: "Top link", value: 0.62, said: "0.62 m" }],
  card: [
    { label: "Width", typed: "4.00 m" },
    { label: "Delay", typed: "0.4 s" },
  ],
};
const said = (from: RigSetup | null, to: RigSetup | null) =>
  rerigOf(from, to, RERIG_USUAL).lines.map(({ act, count, said: text }) => `${act} ${count}: ${plain(text)}`);

describe("what is done from one outfit to the next", () => {
  it("is all of it from a bare tractor, by hand: 66.5 minutes", () => {
    const rerig = rerigOf(null, BARE, RERIG_USUAL);
    // Couple 10, two bushings 3, three hoses 3, a plug 0.5, four weights 20, six tyres 18, top link 4, two lines 1 (minutes).
    expect(rerig.seconds / MIN).toBeCloseTo(10 + 3 + 3 + 0.5 + 20 + 18 + 4 + 1, 9);
    expect(rerig.unknown).toEqual([]);
  });

  it("is nothing from itself to itself, and only what differs to another", () => {
    expect(said(BARE, BARE)).toEqual([]);
    const other: RigSetup = {
      ...BARE,
      tools: [{ id: 2, name: "Harrow", how: "carried" }],
      bushings: 0,
      hoses: 1,
      plugs: 0,
      weights: [{ id: 1, what: "plate 40 kg", fitted: 1 }],
      pressures: [
        { axle: "front", wanted: 84_000, tyres: 2 },
        { axle: "rear", wanted: 100_000, tyres: 4 },
      ],
      settings: [{ key: "work.topLink", label: "Top link", value: 0.6215, said: "0.62 m" }],
      card: [{ label: "Width", typed: "6.00 m" }],
    };
    expect(said(BARE, other)).toEqual([
      "uncoupleCarried 1: Drill off.",
      "coupleCarried 1: Harrow on.",
      "hose 1: A hose where the hose plan says.",
      "weight 3: 3 × plate 40 kg off.",
      "pressure 4: Rear tyres to 1.00 bar for the field.",
      "card 1: A line of its card to type: Width 6.00 m.",
    ]);
    expect(said(BARE, null)).toEqual(["uncoupleCarried 1: Drill off.", "weight 4: 4 × plate 40 kg off."]);
  });

  it("moves the drawbar pin and the wheels only from one that had another", () => {
    const drawn = (hole: string, rows: number | null): RigSetup => ({
      ...BARE,
      tools: [{ id: rows === null ? 3 : 4, name: "Cart", how: "drawn" }],
      hole,
      rows,
    });
    expect(said(drawn("hole 1", 0.5), drawn("hole 2", 0.75)).join()).toMatch(/hole 1.*track 2/);
    expect(said(drawn("hole 1", null), drawn("hole 1", 0.75)).join()).not.toMatch(/hole 1:|track/);
    expect(said(null, drawn("hole 2", 0.75)).join()).not.toMatch(/hole 1:|track/);
  });

  it("says what could not be counted", () => {
    expect(rerigOf(null, { ...BARE, pressures: [], card: null }, RERIG_USUAL).unknown).toEqual([
      "pressures: no tyre table is given",
      "lines to type: its card has no figures yet",
    ]);
  });

  it("is read off a rig: bushings by the categories, settings as they were read", () => {
    const read = setup({ "hitch.category": "2", "tool.category": "1", "work.topLink": "0.60 m" });
    expect(read.bushings).toBe(3);
    expect(read.tools).toMatchObject([{ id: 7, how: "carried" }]);
    expect(read.settings).toMatchObject([{ key: "work.topLink", value: 0.6 }]);
    expect(setup({ "hitch.category": "2", "tool.category": "2" }).bushings).toBe(0);
    // Rows matter where wheels run between them.
    expect(setup({ "tool.kind": "drill", "rows.spacing": "0.15 m" }).rows).toBeNull();
  });
});
