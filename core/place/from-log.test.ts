import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import type { OnPlane } from "../geodesy/plane.ts";
import { inWords } from "../quantity/said.ts";
import { PRESETS } from "../quantity/units.ts";
import { sizeOf } from "./boundary.ts";
import { ringFromLog } from "./from-log.ts";

const HERE = placeAt(52.4, 10.7);

/** Once round a rectangle from its south-west corner, a position a metre, and on by so many metres. */
function round(width: number, height: number, beyond = 0): OnPlane[] {
  const all = 2 * (width + height);
  return Array.from({ length: all + beyond + 1 }, (_, at) => {
    const way = at % all;
    if (way <= width) return { east: way, north: 0 };
    if (way <= width + height) return { east: width, north: way - width };
    if (way <= 2 * width + height) return { east: 2 * width + height - way, north: height };
    return { east: 0, north: all - way };
  });
}
const log = (way: readonly OnPlane[], fix: "fixed" | "single" | null = "fixed") =>
  way.map((each, time) => ({ ...each, time, fix }));
const read = (way: readonly OnPlane[], outside = 0, fix: "fixed" | "single" | null = "fixed") => {
  const driven = ringFromLog(log(way, fix), HERE, outside);
  if (!driven.ok) return driven.problem;
  const { area } = sizeOf([{ outer: driven.ring, holes: [] }]);
  return {
    area,
    corners: driven.ring.length,
    notes: driven.notes.map((each) => inWords(each, PRESETS.metric).replaceAll("\u00a0", " ")),
  };
};

describe("a boundary that was driven", () => {
  it("is thinned to its corners and closed", () => {
    const found = read(round(300, 200));
    expect(found).toMatchObject({ notes: [] });
    if (typeof found === "string") throw new Error(found);
    expect(found.corners).toBeLessThanOrEqual(6);
    expect(found.area / 60_000).toBeCloseTo(1, 4);
  });

  it("leaves out what was driven beyond the start, and says what nobody drove", () => {
    expect(read(round(300, 200, 60))).toMatchObject({
      notes: ["60 m driven beyond the start are left out."],
    });
    expect(read(round(300, 200).slice(0, 960))).toMatchObject({
      notes: ["It is closed across 41 m nobody drove."],
    });
  });

  it("lies further out by half a tool that was driven along the edge, whichever way round", () => {
    const grown = (way: OnPlane[]) => {
      const found = read(way, 3);
      return typeof found === "string" ? Number.NaN : found.area;
    };
    // Outwards the corners are round: 306 · 206 less four corners of (1 − π/4) · 3².
    const exact = 306 * 206 - 4 * (1 - Math.PI / 4) * 9;
    expect(grown(round(300, 200)) / exact).toBeCloseTo(1, 4);
    expect(grown(round(300, 200).reverse()) / exact).toBeCloseTo(1, 4);
    expect(read(round(300, 20), -11)).toContain("vanishes");
  });

  it("is refused without a fix, with two places, or round nothing", () => {
    expect(
      read([
        { east: 0, north: 0 },
        { east: 90, north: 0 },
      ]),
    ).toContain("2 positions differ");
    expect(read(Array(50).fill({ east: 0, north: 0 }))).toContain("1 position differs");
    expect(read(round(3, 2))).toContain("round nothing");
    expect(read(round(300, 200), 0, "single")).toMatchObject({
      notes: ["100 % of its positions are single or float: off by a metre or more."],
    });
    const mixed = ringFromLog(
      round(300, 200).map((each, time) => ({ ...each, time, fix: time === 5 ? null : ("fixed" as const) })),
      HERE,
    );
    expect(
      mixed.ok && mixed.notes.map((each) => inWords(each, PRESETS.metric).replaceAll("\u00a0", " ")),
    ).toEqual(["1 positions without a fix are left out."]);
  });
});
