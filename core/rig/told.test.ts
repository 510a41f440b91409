import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import { judgeWhole } from "../subjects/judge-whole.ts";
import type { ToldValue } from "./facts.ts";
import { resolveRig } from "./resolve.ts";
import { sampleFacts } from "./sample.ts";
import { samplePart, sampleWhole } from "./sample-whole.ts";
import { keysTold, offsetFromEdge, tellingOf } from "./told.ts";

const told = (value: number): ToldValue => ({
  id: "t",
  value,
  rawText: String(value),
  person: "Mira",
  at: "2026-03-02T08:00:00.000Z",
});

const rigTelling = (
  tells: Partial<Record<DimensionKey, number>>,
  readings: Partial<Record<DimensionKey, number | null>> = {},
) =>
  resolveRig({
    ...sampleFacts(readings),
    told: Object.fromEntries(Object.entries(tells).map(([key, value]) => [key, told(value)])),
  });
const telling = (key: DimensionKey, ...given: Parameters<typeof rigTelling>) => {
  const rig = rigTelling(...given);
  return tellingOf(dimension(key, rig), rig);
};

describe("what an implement tells", () => {
  it("is missing where a length that cannot be zero is told as zero, and leaves its reading as it is", () => {
    expect(telling("pin.workFront", { "pin.workFront": 0 }).kind).toBe("zero");
    const rig = rigTelling({ "pin.workFront": 0 }, { "pin.workFront": null });
    expect(rig.values["pin.workFront"]).toMatchObject({ value: null, grade: "missing" });
    expect(telling("tool.lateral", { "tool.lateral": 0 }, { "tool.lateral": 0.004 }).kind).toBe("same");
  });

  it("never takes the place of a reading, whenever it was told", () => {
    const rig = rigTelling({ "tool.width": 6 });
    expect(rig.values["tool.width"]).toMatchObject({ value: 4.5, grade: "taped" });
    expect(telling("tool.width", { "tool.width": 6 })).toMatchObject({ kind: "differs", by: 1.5 });
  });

  it("is reckoned with as assumed where nobody read it", () => {
    const rig = rigTelling({ "tool.width": 6 }, { "tool.width": null });
    expect(rig.values["tool.width"]).toMatchObject({ value: 6, grade: "assumed", reading: null });
    expect(telling("tool.width", { "tool.width": 6 }, { "tool.width": null }).kind).toBe("alone");
  });

  it("is the same within a centimetre, and for what is counted only when it is equal", () => {
    expect(telling("pin.workFront", { "pin.workFront": 4.189 }, { "pin.workFront": 4.18 }).kind).toBe("same");
    expect(telling("pin.workFront", { "pin.workFront": 4.26 }, { "pin.workFront": 4.18 }).kind).toBe(
      "differs",
    );
    expect(telling("rows.count", { "rows.count": 30 }, { "rows.count": 30 }).kind).toBe("same");
    expect(telling("rows.count", { "rows.count": 29 }, { "rows.count": 30 }).kind).toBe("differs");
  });

  it("is a fix on the tool's page where it would mislead the terminal, and none where it agrees", () => {
    const found = (tells: Partial<Record<DimensionKey, number>>) =>
      judgeWhole(sampleWhole([{ ...samplePart("drawn", {}), rig: rigTelling(tells) }]))
        .findings.filter(({ id }) => id.startsWith("told"))
        .map(({ id, severity }) => [id, severity]);
    expect(found({ "pin.workFront": 0, "tool.width": 6, "rows.count": 30 })).toEqual([
      ["told pin.workFront", "fix"],
      ["told tool.width", "fix"],
    ]);
    expect(found({})).toEqual([]);
  });

  it("counts a place from either edge of the width, right of the line of pull as plus", () => {
    // A drill of 4.5 m with its middle 0.1 m to the right: 2.15 m from its left edge to the line of pull, 2.35 m from its right one.
    expect(offsetFromEdge("left", 2.15, 4.5)).toBeCloseTo(0.1, 12);
    expect(offsetFromEdge("right", 2.35, 4.5)).toBeCloseTo(0.1, 12);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        (width, offset) => {
          const [left, right] = [-width / 2 + offset, width / 2 + offset];
          expect(offsetFromEdge("left", 0 - left, width)).toBeCloseTo(offset, 9);
          expect(offsetFromEdge("right", right - 0, width)).toBeCloseTo(offset, 9);
        },
      ),
    );
  });

  it("has its width first, since a place from an edge follows from it", () => {
    expect(keysTold(rigTelling({}))[0]).toBe("tool.width");
    expect(keysTold(rigTelling({}))).not.toContain("pin.foremost");
  });
});
