import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { turnDepth, turnLength } from "./turning.ts";

/** The bulb driven in small steps: out a little, round, and in. Arcs by the angle at which the two circles touch. */
function driven(
  apart: number,
  radius: number,
): { length: number; depth: number; end: { x: number; y: number; heading: number } } {
  const angle = Math.acos((1 + apart / (2 * radius)) / 2);
  let [x, y, heading, length, depth] = [0, 0, Math.PI / 2, 0, 0];
  const step = 1e-4;
  // First away from the next pass, then back round it, then away again.
  for (const [turn, sense] of [
    [angle, 1],
    [Math.PI + 2 * angle, -1],
    [angle, 1],
  ] as const) {
    const steps = Math.round((turn * radius) / step);
    const each = (turn * radius) / steps;
    for (let at = 0; at < steps; at += 1) {
      heading += (sense * each) / radius / 2;
      x += each * Math.cos(heading);
      y += each * Math.sin(heading);
      heading += (sense * each) / radius / 2;
      length += each;
      depth = Math.max(depth, y);
    }
  }
  return { length, depth, end: { x, y, heading } };
}

describe("a turn from one pass into the next", () => {
  it("is half a circle where passes lie two radii apart, and a straight more beyond that", () => {
    expect(turnLength(12, 6)).toBeCloseTo(6 * Math.PI, 9);
    expect(turnLength(24, 6)).toBeCloseTo(6 * Math.PI + 12, 9);
    expect(turnDepth(12, 6)).toBeCloseTo(6, 9);
    // Back onto the same pass: 60° out, 300° round, 60° in.
    expect(turnLength(0, 6)).toBeCloseTo((6 * Math.PI * 7) / 3, 9);
  });

  it("is the bulb that leads there when it is driven, in length and in depth", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1.9, noNaN: true }), (share) => {
        const [apart, radius] = [share * 6, 6];
        const { length, depth, end } = driven(apart, radius);
        expect(end.x).toBeCloseTo(apart, 3);
        expect(end.y).toBeCloseTo(0, 3);
        expect(Math.sin(end.heading)).toBeCloseTo(-1, 6);
        expect(turnLength(apart, radius)).toBeCloseTo(length, 3);
        expect(turnDepth(apart, radius)).toBeCloseTo(depth, 2);
      }),
      { numRuns: 12 },
    );
  });
});
