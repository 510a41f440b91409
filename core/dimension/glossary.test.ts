import { describe, expect, it } from "vitest";
import { glossary } from "./glossary.ts";

describe("the glossary", () => {
  const words = glossary();

  it("explains every word once, in whole sentences", () => {
    expect(new Set(words.map(({ word }) => word)).size).toBe(words.length);
    for (const { word, means } of words) {
      expect(means.length, word).toBeGreaterThan(12);
      expect(means, word).not.toMatch(/[{}]|undefined|null/);
      expect(means, word).toMatch(/[.?]$/);
    }
  });

  it("has what is measured in the words of every kind of tool", () => {
    const all = words.map(({ word }) => word);
    for (const label of [
      "Number of nozzles",
      "Width one body cuts",
      "Lower link ends to cutter bar",
      "Wheelbase",
    ])
      expect(all).toContain(label);
  });

  it("has no words for what a kind of tool has none of, and counts from where a tool hangs", () => {
    expect(words.map(({ word }) => word)).not.toContain("Nozzles that work the soil");
    const from = (word: string) => words.find((each) => each.word === word)?.means;
    expect(from("Pin to the implement's weights")).toMatch(/^From the pin straight back/);
    expect(from("Mount to the head's weights")).toMatch(/^From the mount straight ahead/);
  });
});
