import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { firstFurrow } from "./marker.ts";
import { boardAngle, joinedWidth, knifeBelow, pitchForCut, swathWidth } from "./swath.ts";
import { calibrated } from "./two-points.ts";

const DEGREE = Math.PI / 180;

describe("the marker test", () => {
  it("leaves a metre where the marker stood at theoretical width and a metre, by hand", () => {
    expect(firstFurrow({ bodies: 4, cut: 0.4, before: 2.6, after: 1 })).toMatchObject({
      first: 0.4,
      worked: 1.6,
    });
    // 12 cm less left: the first body took them.
    const wide = firstFurrow({ bodies: 4, cut: 0.4, before: 2.6, after: 0.88 });
    expect(wide.ok && wide.first).toBeCloseTo(0.52, 9);
    // Any distance will do: 3 m, five bodies of 35 cm, 1.31 m left: 1.69 m worked, 6 cm of them short.
    const narrow = firstFurrow({ bodies: 5, cut: 0.35, before: 3, after: 1.31 });
    expect(narrow.ok && narrow.first).toBeCloseTo(0.29, 9);
  });

  it("gives back any first furrow, wherever the marker stood", () => {
    const figure = fc.tuple(
      fc.integer({ min: 1, max: 12 }),
      fc.double({ min: 0.2, max: 0.6, noNaN: true }),
      fc.double({ min: 0.05, max: 0.9, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
    );
    fc.assert(
      fc.property(figure, ([bodies, cut, first, after]) => {
        const worked = (bodies - 1) * cut + first;
        const found = firstFurrow({ bodies, cut, before: after + worked, after });
        expect(found.ok && Math.abs(found.first - first)).toBeLessThan(1e-9);
      }),
    );
  });

  it("refuses what cannot be", () => {
    expect(firstFurrow({ bodies: 4, cut: 0.4, before: 2, after: 2.1 })).toMatchObject({ ok: false });
    expect(firstFurrow({ bodies: 4, cut: 0.4, before: 2, after: 1.2 })).toMatchObject({ ok: false });
    expect(firstFurrow({ bodies: 0, cut: 0.4, before: 2, after: 1 })).toMatchObject({ ok: false });
  });
});

describe("bed, boards and rows", () => {
  it("hangs a knife below the pins by c·cos β − a·sin β: by a matrix, and by hand where level", () => {
    expect(knifeBelow({ ahead: 0.9, below: 0.5 }, 0)).toBe(0.5);
    // Turned about the pin by β, the point (a ahead, −c up) stands at −c·cos β + a·sin β.
    const turned = (a: number, c: number, b: number) => -(Math.sin(b) * a + Math.cos(b) * -c);
    for (const b of [-6, -2, 1, 5])
      expect(knifeBelow({ ahead: 0.9, below: 0.5 }, b * DEGREE)).toBeCloseTo(
        turned(0.9, 0.5, b * DEGREE),
        12,
      );
  });

  it("finds the pitch that lifts the knife so far", () => {
    const knife = fc.tuple(
      fc.double({ min: 0.5, max: 1.6, noNaN: true }),
      fc.double({ min: 0.2, max: 0.9, noNaN: true }),
      fc.double({ min: -0.04, max: 0.04, noNaN: true }),
    );
    fc.assert(
      fc.property(knife, ([ahead, below, more]) => {
        const pitch = pitchForCut({ ahead, below }, more)!;
        expect(knifeBelow({ ahead, below }, pitch)).toBeCloseTo(below - more, 9);
        expect(Math.abs(more) < 1e-6 || Math.sign(pitch) === Math.sign(more)).toBe(true);
      }),
    );
    expect(pitchForCut({ ahead: 0.1, below: 0.1 }, -1)).toBeNull();
  });

  it("joins rows and narrows swaths as the boards stand", () => {
    expect(joinedWidth(3, 3, 1.2)).toBeCloseTo(7.2, 12);
    expect(joinedWidth(1, 3, 1.2)).toBe(1.2);
    expect(swathWidth(1.1, 0.8, 0)).toBe(2.2);
    expect(swathWidth(1.1, 0.8, 30 * DEGREE)).toBeCloseTo(1.4, 12);
    expect(boardAngle(1.1, 0.8, 0.7)).toBeCloseTo(30 * DEGREE, 12);
    expect(boardAngle(1.1, 0.3, 0.2)).toBeNull();
  });
});

describe("a depth display held against the rule", () => {
  it("has the line through both points, and undoes itself", () => {
    const found = calibrated({ shownA: 0.08, trueA: 0.06, shownB: 0.18, trueB: 0.15 });
    if (!found.ok) throw new Error("no line");
    expect(found.slope).toBeCloseTo(0.9, 12);
    expect(found.zero).toBeCloseTo(-0.012, 12);
    for (const depth of [0.05, 0.1, 0.2])
      expect(found.slope * found.shownFor(depth) + found.zero).toBeCloseTo(depth, 12);
  });

  it("refuses points too near each other, and a display that runs backward", () => {
    expect(calibrated({ shownA: 0.08, trueA: 0.06, shownB: 0.1, trueB: 0.08 })).toMatchObject({
      ok: false,
      field: "trueB",
    });
    expect(calibrated({ shownA: 0.18, trueA: 0.06, shownB: 0.1, trueB: 0.15 })).toMatchObject({
      ok: false,
      field: "shownB",
    });
  });
});
