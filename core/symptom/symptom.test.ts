import { describe, expect, it } from "vitest";
import { isDimensionKey } from "../dimension/catalogue.ts";
import { guideFor, stepIn } from "../subjects/ground/guide/index.ts";
import { allJobs } from "../subjects/jobs.ts";
import { subjectOf } from "../subjects/walk.ts";
import { TOOL_KIND_KEYS } from "../trade/kinds.ts";
import { PICTURES } from "./pictures.ts";
import { SYMPTOMS } from "./rows.ts";
import { foundBy, shownBy } from "./symptom.ts";

const causes = SYMPTOMS.flatMap((symptom) =>
  symptom.causes.map((cause) => [`${symptom.key}: ${cause.what}`, symptom, cause] as const),
);

describe("every symptom", () => {
  it("has a key and words of its own, and at least one suspect", () => {
    expect(new Set(SYMPTOMS.map(({ key }) => key)).size).toBe(SYMPTOMS.length);
    expect(new Set(SYMPTOMS.map(({ seen }) => seen)).size).toBe(SYMPTOMS.length);
    expect(SYMPTOMS.filter((each) => each.causes.length === 0)).toEqual([]);
    expect(new Set(SYMPTOMS.map(({ picture }) => picture))).toEqual(new Set(Object.keys(PICTURES)));
  });

  it.each(causes)(
    "%s can be tested by something there is, on a tool that shows it",
    (_, symptom, { tested, test, cure }) => {
      expect([test, cure].every(Boolean)).toBe(true);
      switch (tested.by) {
        case "reading":
          return expect(isDimensionKey(tested.key)).toBe(true);
        case "job":
          return expect(allJobs().map(({ key }) => key)).toContain(tested.job);
        case "station":
          return expect(subjectOf(tested.station)).not.toBeNull();
        case "sequence":
          return expect(["start", "unfold", "fold"]).toContain(tested.kind);
        case "step": {
          expect(stepIn(tested.guide, tested.step)).not.toBeNull();
          return expect(symptom.tools!.some((tool) => guideFor(tool)?.key === tested.guide)).toBe(true);
        }
      }
    },
  );

  it("is found by the words people use, whole or begun", () => {
    const keys = (text: string) => foundBy(text, SYMPTOMS).map(({ key }) => key);
    expect(keys("seedlings")).toEqual(["thrown"]);
    expect(keys("pulled aside")).toEqual(["pulled"]);
    expect(keys("BALER")).toEqual(["swath"]);
    expect(keys("gap over")).toEqual(expect.arrayContaining(["alternating", "all-wide"]));
    expect(keys("nothing such")).toEqual([]);
    expect(keys("")).toHaveLength(SYMPTOMS.length);
  });

  it("is shown for tools that can have it", () => {
    expect(shownBy(["roller"], SYMPTOMS).every(({ tools }) => tools === null)).toBe(true);
    expect(shownBy(["plough"], SYMPTOMS).map(({ key }) => key)).toContain("lean");
    expect(shownBy([null], SYMPTOMS).length).toBeGreaterThan(0);
    // Each tool there is a guide for shows more than what any tool shows.
    const any = shownBy([], SYMPTOMS).length;
    for (const tool of TOOL_KIND_KEYS.filter((key) => guideFor(key) && key !== "other"))
      expect(shownBy([tool], SYMPTOMS).length, tool).toBeGreaterThan(any);
  });
});
