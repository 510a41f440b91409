import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fillsAlong } from "./fills.ts";

const runs = (...areas: number[]) => areas.map((area, at) => ({ pass: at + 1, area }));

describe("where it is filled", () => {
  it("is at the end of a run before it would be empty in one", () => {
    // By hand: 2.5 of 1 each: after two the third would not be finished.
    const found = fillsAlong(runs(1, 1, 1, 1, 1), 2.5, 0, false);
    expect(found.fills.map(({ before, at }) => [before, at])).toEqual([
      [2, "start"],
      [4, "start"],
    ]);
    expect(found.rest).toBe(1);
    expect(
      fillsAlong(runs(1, 1, 1, 1, 1, 1), 3.2, 0, false).fills.map(({ before, at }) => [before, at]),
    ).toEqual([[3, "end"]]);
  });

  it("is at one end only where the field has one gate: out and back must last", () => {
    expect(
      fillsAlong(runs(1, 1, 1, 1, 1, 1), 3.2, 0, true).fills.map(({ before, at }) => [before, at]),
    ).toEqual([
      [2, "start"],
      [4, "start"],
    ]);
  });

  it("begins with what the rounds left, and counts runs one fill does not last for", () => {
    expect(fillsAlong(runs(1, 1), 2.5, 2, false).fills.map(({ before }) => before)).toEqual([1 - 1]);
    expect(fillsAlong(runs(3, 3), 2, 0, false).tooLong).toBe(2);
    expect(() => fillsAlong(runs(1), 0, 0, false)).toThrow(RangeError);
  });

  it("never runs empty in a run that a fill lasts for", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 1, noNaN: true }), { maxLength: 40 }),
        fc.boolean(),
        (areas, oneEnd) => {
          const { fills, tooLong } = fillsAlong(runs(...areas), 2, 0, oneEnd);
          let left = 2;
          for (const [at, area] of areas.entries()) {
            if (fills.some(({ before }) => before === at)) left = 2;
            left -= area;
            expect(left).toBeGreaterThan(-1e-9);
          }
          expect(tooLong).toBe(0);
        },
      ),
    );
  });
});
