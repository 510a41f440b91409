import { describe, expect, it } from "vitest";
import { PRESETS } from "../quantity/units.ts";
import { type Lines, samplePart } from "../rig/sample-whole.ts";
import { fillCard } from "./fill.ts";
import { freeze } from "./numbered.ts";
import { compareShown } from "./read-back.ts";
import { SHIPPED_SCHEMES } from "./shipped.ts";

const SPRAYER: Lines = {
  "tool.kind": "sprayer",
  "rate.speedSource": "wheel",
  "rate.pulsesPerMetre": "8.72 /m",
  "rate.pulsesPerLitre": "186 /l",
  "rate.nozzle": "03",
  "rate.preset2": "120 %",
  "rate.liquid": "180 l/ha",
};
const scheme = (id: string) => SHIPPED_SCHEMES.find((each) => each.id === id)!;
const cardOf = (id: string, lines: Lines = SPRAYER) =>
  fillCard(scheme(id), samplePart("boom", lines).rig, [], PRESETS.metric, []);
const rates = (id: string, lines: Lines = SPRAYER) =>
  cardOf(id, lines)
    .lines.filter(({ page }) => page === "Rate")
    .map(({ label, figure, unit }) => [label, [figure, unit].filter(Boolean).join(" ")]);

describe("the card's page of rates", () => {
  it("has a line for each constant, declaration and preset that is known, the rate last, in the terminal's units", () => {
    expect(rates("axle-m")).toEqual([
      ["Speed comes from", "Its own wheel"],
      ["Speed constant", "8.72 /m"],
      ["Nozzle size", "03, blue"],
      ["Flow constant", "186.0 /l"],
      ["Preset 2", "120 %"],
      ["Rate set in the terminal", "180 l/ha"],
    ]);
    // 186 a litre × 3.785 l; 180 l/ha ÷ 9.354 (NIST Handbook 44, appendix C).
    expect(rates("axle-in").slice(3)).toEqual([
      ["Flow constant", "704.1 /gal"],
      ["Preset 2", "120 %"],
      ["Rate set in the terminal", "19.2 gal/ac"],
    ]);
  });

  it("leaves off what nobody knows, and says so; a tool without rates has no such page", () => {
    const { "rate.pulsesPerLitre": _, ...without } = SPRAYER;
    expect(rates("iso-mm", without).map(([label]) => label)).not.toContain("Flow constant");
    expect(cardOf("iso-mm", without).cautions.at(-1)).toContain(
      "not on the card: flow constant. Rate asks for it",
    );
    expect(rates("axle-m", { "tool.kind": "roller" })).toEqual([]);
  });

  it("is read back by value: another unit of its family is the same figure, another figure differs by so much", () => {
    const lines = cardOf("axle-m").lines.map((line) => ({
      ...line,
      figure: line.figure ?? "0",
      blockedBy: null,
    }));
    const frozen = freeze({ ...cardOf("axle-m"), lines, ready: true, stops: [] });
    const line = (label: string) => frozen.find((each) => each.label === label)!;
    const compare = (label: string, text: string) => compareShown(line(label), { text, word: "" });
    expect(compare("Flow constant", "186")).toEqual({ kind: "match" });
    expect(compare("Flow constant", "704.1 /gal")).toEqual({ kind: "match" });
    expect(compare("Flow constant", "176")).toEqual({ kind: "differs", by: "−10.0 /l" });
    expect(compare("Flow constant", "fast")).toMatchObject({ kind: "unreadable" });
    expect(compare("Nozzle size", "04, red")).toMatchObject({ kind: "differs" });
    expect(compare("Preset 2", "")).toEqual({ kind: "open" });
  });
});
