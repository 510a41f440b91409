import { describe, expect, it } from "vitest";
import { floorOf, fromAbove, fromBehind, type Ploughing, slices, turnedOver } from "./ploughing.ts";

const RIGHT: Ploughing = { bodies: 4, cut: 0.43, depth: 0.22, first: 0.43, lean: 0, pull: 0 };
const widthOf = (points: readonly (readonly [number, number])[]) =>
  Math.max(...points.map(([x]) => x)) - Math.min(...points.map(([x]) => x));

describe("a plough drawn at work", () => {
  it("has its slices side by side, to scale, the first as wide as it was found", () => {
    expect(slices({ ...RIGHT, first: 0.51 })).toEqual([
      { from: 0, to: -0.51 },
      { from: -0.51, to: expect.closeTo(-0.94, 9) },
      { from: expect.closeTo(-0.94, 9), to: expect.closeTo(-1.37, 9) },
      { from: expect.closeTo(-1.37, 9), to: expect.closeTo(-1.8, 9) },
    ]);
    const strips = fromAbove({ ...RIGHT, first: 0.51 }).shapes.filter(({ key }) => key.startsWith("slice"));
    expect(strips.map(({ points }) => Number(widthOf(points).toFixed(3)))).toEqual([0.51, 0.43, 0.43, 0.43]);
  });

  it("tips its floors and its legs with the lean, deeper toward ploughed land", () => {
    const lean = (2 * Math.PI) / 180;
    const floor = floorOf(0.43, { depth: 0.22, lean });
    expect(floor.wall - floor.land).toBeCloseTo(0.43 * Math.tan(lean), 12);
    const legOf = (now: Ploughing) => fromBehind(now).shapes.find(({ key }) => key === "leg 1")!.points;
    const [foot, top] = legOf({ ...RIGHT, lean });
    expect(Math.atan2(top![0] - foot![0], top![1] - foot![1])).toBeCloseTo(lean, 12);
    const [upright, above] = legOf(RIGHT);
    expect(above![0]).toBe(upright![0]);
  });

  it("shows which way the tractor is drawn, and stays within its sheet", () => {
    const tip = (pull: number) => fromAbove({ ...RIGHT, pull }).shapes.find(({ key }) => key === "pull")!;
    expect(tip(1).points[1]![0]).toBeGreaterThan(tip(0).points[1]![0]);
    expect(tip(-1).points[1]![0]).toBeLessThan(tip(0).points[1]![0]);
    expect([tip(0).of, tip(1).of]).toEqual(["line", "alarm"]);
    for (const view of [
      fromBehind({ ...RIGHT, first: 0.8, lean: 0.08 }),
      fromAbove({ ...RIGHT, first: 0.8, pull: 1 }),
    ]) {
      const { left, right, low, high } = view.box;
      for (const { key, points } of view.shapes)
        for (const [x, y] of points)
          expect([key, x >= left - 1e-9, x <= right + 1e-9, y >= low - 1e-9, y <= high + 1e-9]).toEqual([
            key,
            true,
            true,
            true,
            true,
          ]);
    }
  });

  it("turned over lays its furrows to the left, as wide and as deep", () => {
    const now = fromBehind({ ...RIGHT, first: 0.51, lean: 0.03 });
    const over = turnedOver(now);
    const [leg, other] = [now, over].map(({ shapes }) => shapes.find(({ key }) => key === "leg 1")!.points);
    expect(other![1]![0] - other![0]![0]).toBeCloseTo(leg![0]![0] - leg![1]![0], 12);
    expect(over.box.right - over.box.left).toBeCloseTo(now.box.right - now.box.left, 12);
    expect(turnedOver(over)).toEqual(now);
    expect(over.labels.map(({ value }) => value)).toEqual(now.labels.map(({ value }) => value));
  });
});
