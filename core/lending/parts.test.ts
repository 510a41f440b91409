import { describe, expect, it } from "vitest";
import { isSamePart, strangeAdjusters } from "./parts.ts";

const part = (label: string, place: number | null, kind = "adjuster") => ({ kind, label, place });

describe("which part of a yard's a file names", () => {
  it("is by kind, place and name, however it is written", () => {
    expect(isSamePart(part("Left crank ", 1), part("left Crank", 1))).toBe(true);
    expect(isSamePart(part("Left crank", 1), part("Left crank", 2))).toBe(false);
    expect(isSamePart(part("1", 1), part("1", 1, "nozzle"))).toBe(false);
  });

  it("is none of an adjuster that has another name here, and every one where there are none here", () => {
    const file = [part("a", 1, "nozzle"), part("left", 1), part("right", 2), part("left", 1)];
    expect([...strangeAdjusters([], file)]).toEqual([]);
    expect([...strangeAdjusters([part("n", 1, "nozzle")], file)]).toEqual([]);
    // One here is one of the file's, not two.
    expect([...strangeAdjusters([part("LEFT", 1)], file)]).toEqual([2, 3]);
    expect([...strangeAdjusters(file, file)]).toEqual([]);
  });
});
