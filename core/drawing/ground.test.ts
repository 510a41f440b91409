import { describe, expect, it } from "vitest";
import { drawTo, type GroundColours, groundPixels, inMemory, screenOf, washed } from "./ground.ts";

const square = (left: number, bottom: number, right: number, top: number) => [
  { x: left, y: bottom },
  { x: right, y: bottom },
  { x: right, y: top },
  { x: left, y: top },
];
const COLOURS: GroundColours = {
  layers: {
    believed: { once: 11, hatch: 12, twice: 13 },
    truth: { once: 21, hatch: 22, twice: 23 },
  },
  bare: 1,
  beside: 2,
};
/** Ten metres by ten, a pixel a metre; the field is all of it but the rightmost two. */
const VIEW = { east: 5, north: 5, metres: 1, width: 10, height: 10 };
const worked = {
  believed: [[square(0, 0, 4, 10)], [square(4, 0, 8, 10)]],
  truth: [[square(0, 0, 4, 10)], [square(5, 0, 10, 10)]],
};

function pixels(row: number, seam: number) {
  const screen = screenOf(VIEW, [square(0, 0, 8, 10)]);
  drawTo(screen, worked, row);
  const out = new Uint32Array(100);
  groundPixels(screen, seam, COLOURS, 1, out);
  return { out, at: (x: number, y: number) => out[(9 - y) * 10 + x]!, screen };
}

describe("ground, pixel by pixel", () => {
  it("has the map left of the seam and what is so right of it", () => {
    // The strip from 4 to 5 is worked on the map alone.
    expect([11, 12]).toContain(pixels(2, 10).at(4, 5));
    expect(pixels(2, 0).at(4, 5)).toBe(1);
    expect(pixels(2, 5).at(4, 5)).not.toBe(1);
    expect(pixels(2, 4).at(4, 5)).toBe(1);
  });

  it("tells open ground, ground beside the field, and nothing apart", () => {
    const { at } = pixels(2, 0);
    expect([2, 21]).toContain(at(9, 5));
    expect(pixels(2, 10).at(9, 5)).toBe(0);
    expect(pixels(0, 0).at(2, 2)).toBe(1);
  });

  it("is chequered where it was worked twice, in both of its colours", () => {
    const screen = screenOf(VIEW, [square(0, 0, 8, 10)]);
    const twice = { believed: [[], []], truth: [[square(0, 0, 6, 10)], [square(2, 0, 6, 10)]] };
    drawTo(screen, twice, 2);
    const out = new Uint32Array(100);
    groundPixels(screen, 0, COLOURS, 1, out);
    const colours = new Set([...out].filter((_, at) => at % 10 >= 2 && at % 10 < 6));
    expect(colours).toEqual(new Set([22, 23]));
  });

  it("goes on by what is new and goes back by beginning anew: the same picture either way", () => {
    const { out, screen } = pixels(2, 0);
    drawTo(screen, worked, 1);
    drawTo(screen, worked, 2);
    const again = new Uint32Array(100);
    groundPixels(screen, 0, COLOURS, 1, again);
    expect(again).toEqual(out);
  });

  it("reads colours of the page, and mixes them", () => {
    expect(inMemory("#102030")).toBe(0xff302010);
    expect(washed(inMemory("#ffffff"), inMemory("#000000"), 0.5)).toBe(0xff808080);
    expect(() => inMemory("violet")).toThrow(RangeError);
  });
});
