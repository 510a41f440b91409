import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Observation } from "../job/result.ts";
import { PRESETS } from "../quantity/units.ts";
import { allJobs, jobKind } from "../subjects/jobs.ts";
import { drawJob } from "./job.ts";

const sheet = { width: 424, height: 736, units: PRESETS.metric };
const joints = (...gaps: number[]): Observation[] =>
  gaps.map((joint, at) => ({ values: { joint }, choices: { pair: at % 2 === 0 ? "up-down" : "down-up" } }));

const xs = (points: string) => points.split(" ").flatMap((pair) => Number(pair.split(",")[0]));
const ys = (points: string) => points.split(" ").flatMap((pair) => Number(pair.split(",")[1]));

describe("the sketch of a field test", () => {
  it("of joints draws a gap where there is one and an overlap where passes lie over each other", () => {
    const { blocks, notes } = drawJob(jobKind("joints"), joints(-0.06, 0.14), sheet)!;
    const [first, second, third] = blocks;
    expect(second!.x - (first!.x + first!.w)).toBeLessThan(0);
    expect(third!.x - (second!.x + second!.w)).toBeGreaterThan(0);
    expect(notes!.map(({ text }) => text.replace(/\u00a0/g, " "))).toEqual(
      expect.arrayContaining(["−6.0 cm", "+14.0 cm"]),
    );
  });

  it("keeps to its sheet, whatever was measured, on a desk and on a phone", () => {
    const value = fc.double({ min: -3, max: 3, noNaN: true });
    const observation = fc.record({
      values: fc.record({
        joint: value,
        first: value,
        second: value,
        mark: value,
        across: value,
        speed: fc.double({ min: 0.5, max: 6, noNaN: true }),
      }),
      choices: fc.record({
        pair: fc.constantFrom("up-down", "down-up", "up-up", "down-down"),
        edge: fc.constantFrom("on", "off"),
        way: fc.constantFrom("there", "back"),
      }),
    });
    let drawn = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...allJobs()),
        fc.array(observation, { maxLength: 14 }),
        fc.boolean(),
        (kind, observations, phone) => {
          const own = phone ? { ...sheet, width: 390, height: 236 } : sheet;
          const plan = drawJob(kind, observations, own);
          if (!plan) return;
          drawn += 1;
          for (const { points } of plan.strokes) {
            expect(Math.min(...xs(points))).toBeGreaterThanOrEqual(0);
            expect(Math.max(...xs(points))).toBeLessThanOrEqual(own.width);
            expect(Math.min(...ys(points))).toBeGreaterThanOrEqual(0);
            expect(Math.max(...ys(points))).toBeLessThanOrEqual(own.height);
          }
          for (const { x, y } of plan.notes!) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(own.width);
            expect(y).toBeLessThanOrEqual(own.height);
          }
        },
      ),
    );
    expect(drawn).toBeGreaterThan(20);
  });

  it("sets no two of its words on each other, on a desk and on a phone", () => {
    // Letters of 14 pixels are under 8 wide, and stand on their line.
    const box = ({ x, y, text, anchor }: { x: number; y: number; text: string; anchor: string }) => {
      const width = text.length * 7;
      const left = anchor === "middle" ? x - width / 2 : anchor === "end" ? x - width : x;
      return { left, right: left + width, top: y - 11, bottom: y + 2 };
    };
    const given: Partial<Record<string, Observation[]>> = {
      joints: joints(-0.06, 0.14, -0.055, 0.145, -0.06),
      "wheel-marks": [{ values: { first: 0.06, second: -0.03, along: 0.1 }, choices: {} }],
    };
    for (const kind of allJobs())
      for (const observations of [[], given[kind.key] ?? []])
        for (const own of [sheet, { ...sheet, width: 390, height: 236 }]) {
          const boxes = (drawJob(kind, observations, own)?.notes ?? []).map((note) => ({
            ...box(note as Parameters<typeof box>[0]),
            text: note.text,
          }));
          for (const [at, a] of boxes.entries())
            for (const b of boxes.slice(at + 1))
              expect(
                a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom,
                `${kind.key} ${own.height}: “${a.text}” on “${b.text}”`,
              ).toBe(false);
        }
  });

  it("leaves a tape across to the rig's own drawing", () => {
    expect(drawJob(jobKind("cross-tape"), [], sheet)).toBeNull();
  });
});
