import { expect, it } from "vitest";
import { joinStrips } from "./joints.ts";

it("draws passes to scale from edge to edge, open or lapped as they are", () => {
  const { strips, laps, width } = joinStrips({ up: -0.5, down: 0.25, width: 4 }, { width: 316, height: 100 });
  const scale = strips[0]!.wide / 4;
  expect(strips[1]!.x - (strips[0]!.x + strips[0]!.wide)).toBeCloseTo(-0.5 * scale, 9);
  expect(strips[2]!.x - (strips[1]!.x + strips[1]!.wide)).toBeCloseTo(0.25 * scale, 9);
  expect(strips[3]!.x + strips[3]!.wide).toBeCloseTo(width - 8, 9);
  expect(strips.map(({ up }) => up)).toEqual([true, false, true, false]);
  expect(laps).toHaveLength(2);
  expect(laps[0]).toEqual({ x: strips[1]!.x, wide: 0.5 * scale });
});
