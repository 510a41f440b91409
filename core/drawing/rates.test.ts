import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../quantity/units.ts";
import { NOZZLE_SIZES } from "../trade/nozzles.ts";
import { fellAt } from "../trade/overlap.ts";
import { drawRow } from "./boom.ts";
import { explorerFrame, pickedAt, rangeOf } from "./explorer.ts";
import { drawPattern } from "./pattern.ts";

const SHEET = { width: 660, height: 340, units: PRESETS.metric };
const SPRAYING = { rate: 180e-7, spacing: 0.5, density: 1000 };
const PRESSURES = { low: 1.5e5, high: 5e5 };
const rated = NOZZLE_SIZES["03"].flow;

describe("the explorer's frame", () => {
  const range = rangeOf(SPRAYING, rated, 2.5, PRESSURES);
  const frame = explorerFrame(SPRAYING, rated, { speed: 2.5, pressures: PRESSURES, range }, SHEET);

  it("has the point where the wanted line is at that speed, and picks back what is there", () => {
    const picked = pickedAt(frame, range, SPRAYING, rated, frame.point!)!;
    expect(picked.speed).toBeCloseTo(2.5, 9);
    expect(picked.rate / SPRAYING.rate).toBeCloseTo(1, 9);
    expect(pickedAt(frame, range, SPRAYING, rated, { x: 2, y: 2 })).toBeNull();
  });

  it("picks the rate of any place: the line of that rate goes through it", () => {
    fc.assert(
      fc.property(fc.integer({ min: 80, max: 590 }), fc.integer({ min: 20, max: 290 }), (x, y) => {
        const picked = pickedAt(frame, range, SPRAYING, rated, { x, y })!;
        const through = explorerFrame(
          { ...SPRAYING, rate: picked.rate },
          rated,
          { speed: picked.speed, pressures: PRESSURES, range },
          SHEET,
        ).point!;
        expect(through.x).toBeCloseTo(x, 6);
        expect(through.y).toBeCloseTo(y, 6);
      }),
    );
  });

  it("keeps its lines within the plot, rising, and where the rate holds within the band", () => {
    const { plot, lines, band, holds } = frame;
    expect(lines.filter(({ wanted }) => wanted)).toHaveLength(1);
    for (const { points } of lines) {
      const at = points.split(" ").map((pair) => pair.split(",").map(Number) as [number, number]);
      for (const [x, y] of at) {
        expect(x).toBeGreaterThanOrEqual(plot.left - 0.1);
        expect(x).toBeLessThanOrEqual(plot.right + 0.1);
        expect(y).toBeGreaterThanOrEqual(plot.top - 0.1);
        expect(y).toBeLessThanOrEqual(plot.bottom + 0.1);
      }
      expect(at.map(([, y]) => y)).toEqual(at.map(([, y]) => y).sort((a, b) => b - a));
    }
    expect(band!.top).toBeLessThan(band!.bottom);
    expect(holds!.left).toBeLessThan(frame.point!.x);
    expect(holds!.right).toBeGreaterThan(frame.point!.x);
  });

  it("has US ticks for whoever reads in US units, and no band where nobody told the nozzle's table", () => {
    const us = explorerFrame(
      SPRAYING,
      rated,
      { speed: 2.5, pressures: null, range },
      { ...SHEET, units: PRESETS.us },
    );
    expect(us.unitsSaid).toEqual({ speed: "mph", pressure: "psi", rate: "gal/ac" });
    expect(us).toMatchObject({ band: null, holds: null });
  });
});

describe("a row of parts", () => {
  it("numbers all that are wrong, none over another, whatever is wrong", () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 4, maxLength: 72 }), (goods) => {
        const { bars } = drawRow(
          goods.map((good, at) => ({ place: at + 1, off: good ? 0 : 0.2, good })),
          0.05,
          { width: 424, height: 230 },
        );
        const numbered = bars.filter(({ number }) => number !== null);
        for (const one of numbered)
          for (const other of numbered)
            if (one.place < other.place && one.number === other.number)
              expect(other.x - one.x).toBeGreaterThanOrEqual(26 - 1e-6);
        // Where a few are wrong, each has its number.
        if (goods.filter((good) => !good).length <= 3)
          expect(bars.filter(({ good, number }) => !good && number === null)).toEqual([]);
      }),
    );
  });

  it("draws more upward and less downward, cut off where it would flatten the others", () => {
    const { bars, level } = drawRow(
      [
        { place: 1, off: 0.1, good: false },
        { place: 2, off: -0.6, good: false },
        { place: 3, off: null, good: true },
      ],
      0.05,
      { width: 424, height: 230 },
    );
    expect(bars[0]).toMatchObject({ bottom: level, cut: false });
    expect(bars[0]!.top).toBeLessThan(level);
    expect(bars[1]).toMatchObject({ top: level, cut: true });
    expect(bars[2]).toMatchObject({ top: level, bottom: level });
  });
});

describe("a spread pattern", () => {
  it("has its bars and its line to the same scale, and is drawn where it lies", () => {
    const catches = Array.from({ length: 25 }, (_, at) => {
      const x = at - 12;
      return { x, caught: Math.max(0, 10 - Math.abs(x - 1)) };
    });
    const drawn = drawPattern(catches, { spacing: 12, turned: true, shift: 1 }, { width: 424, height: 250 });
    expect((drawn.lies - drawn.middle) / drawn.scale).toBeCloseTo(1, 9);
    const highest = drawn.bars.reduce((most, bar) => (bar.h > most.h ? bar : most));
    expect(highest.at).toBe(1);
    const [x, y] = drawn.all!.points.split(" ")[80]!.split(",").map(Number) as [number, number];
    const metres = (x - drawn.middle) / drawn.scale;
    // What falls at the middle of the sheet, in the pixels a bar of so much would have.
    const each = highest.h / 10;
    expect(drawn.ground - y).toBeCloseTo(each * fellAt(catches, metres, 12, true), 0);
  });
});
