import { describe, expect, it } from "vitest";
import { FAMILIES } from "../quantity/measure.ts";
import { bushelsAnAcre } from "./harvest.ts";

describe("a yield by the bushel", () => {
  it("makes one bushel an acre of 67.25 kg/ha of wheat at 60 lb a bushel (US extension tables, from memory)", () => {
    // 60 lb in a bushel of 2150.42 cubic inches.
    const density = (60 * FAMILIES.mass.lb.factor) / (2150.42 * 0.0254 ** 3);
    expect(bushelsAnAcre(67.25e-4, density)).toBeCloseTo(1, 3);
  });
});
