import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../quantity/units.ts";
import { samplePart } from "../rig/sample-whole.ts";
import { sampleAdjuster, sampleTool } from "../subjects/ground/guide/sample.ts";
import type { Adjuster } from "../yard/ground.ts";
import { drawAdjusters, TAG } from "./adjusters.ts";
import { drawDepthMap } from "./depth-map.ts";

const { rig } = sampleTool("cultivator");
const at = (id: number, x: number | null, y: number | null, more: Partial<Adjuster> = {}) =>
  sampleAdjuster(id, `Screw ${id}`, { x, y, ...more });

describe("adjusters where they sit", () => {
  it("lie to scale, the left ones on the left, behind the pins below them", () => {
    const { plan, rear } = drawAdjusters(
      rig,
      [at(1, -4, -2, { up: 1 }), at(2, -4, 2, { up: 1 }), at(3, -5, 2)],
      640,
      PRESETS.metric,
    )!;
    const [left, right, further] = plan.marks;
    expect(right!.x - left!.x).toBeCloseTo(4 * plan.drawn.scale, 9);
    expect((left!.x + right!.x) / 2).toBeCloseTo(320, 9);
    expect(further!.y - right!.y).toBeCloseTo(plan.drawn.scale, 9);
    const pin = plan.drawn.points.find(({ key }) => key === "pin")!;
    expect(left!.y - pin.y).toBeCloseTo(4 * plan.drawn.scale, 9);
    const ground = rear.drawn.points.find(({ key }) => key === "axle")!.y;
    expect(ground - rear.marks[0]!.y).toBeCloseTo(rear.drawn.scale, 9);
    expect(rear.marks.map(({ assumed }) => assumed)).toEqual([false, false, true]);
  });

  it("are numbered as in their list, those nobody placed left out; none placed is no drawing", () => {
    const drawn = drawAdjusters(rig, [at(7, null, null), at(8, -4, 0, { master: 7 })], 640, PRESETS.metric)!;
    expect(drawn.plan.marks).toMatchObject([{ id: 8, number: 2, slave: true }]);
    expect(drawAdjusters(rig, [at(1, null, null)], 640, PRESETS.metric)).toBeNull();
  });

  it("have their numbers on the sheet and none upon another, wherever they sit", () => {
    const spot = fc.tuple(
      fc.double({ min: -6, max: 0.5, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.option(fc.double({ min: 0, max: 1.5, noNaN: true })),
    );
    fc.assert(
      fc.property(
        fc.array(spot, { minLength: 1, maxLength: 16 }),
        fc.constantFrom(372, 640),
        (spots, width) => {
          const all = spots.map(([x, y, up], id) => at(id + 1, x, y, { up }));
          const { plan, rear } = drawAdjusters(rig, all, width, PRESETS.metric)!;
          for (const { marks, drawn, view } of [plan, rear])
            for (const [index, { tag }] of marks.entries()) {
              expect(tag.x - TAG).toBeGreaterThanOrEqual(view.x - 1e-9);
              expect(tag.x + TAG).toBeLessThanOrEqual(view.x + view.w + 1e-9);
              expect(tag.y).toBeGreaterThanOrEqual(TAG - 1e-9);
              expect(tag.y).toBeLessThanOrEqual(drawn.height - TAG + 1e-9);
              for (const other of marks.slice(index + 1))
                expect(Math.hypot(tag.x - other.tag.x, tag.y - other.tag.y)).toBeGreaterThan(2 * TAG);
            }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("a depth map on its tool", () => {
  const points = (across: number) =>
    [1, -1].flatMap((x) =>
      Array.from({ length: across }, (_, index) => ({
        label: `${x} ${index}`,
        x,
        y: 6 * ((index + 0.5) / across - 0.5),
        depth: 0.1,
      })),
    );

  it("has its points on the lines the tool works along, to scale", () => {
    const { drawn, points: placed } = drawDepthMap(rig, points(5), { long: 2, wide: 6 }, 640, PRESETS.metric);
    const y = (key: string) => drawn.points.find((each) => each.key === key)!.y;
    expect(placed[0]!.y).toBeCloseTo(y("workFront"), 6);
    expect(placed[5]!.y).toBeCloseTo(y("workRear"), 6);
    expect(placed[1]!.x - placed[0]!.x).toBeCloseTo(1.2 * drawn.scale, 6);
    expect(placed[2]!.x).toBeCloseTo(drawn.points.find(({ key }) => key === "workMid")!.x, 6);
  });

  it("keeps figures apart however many lie across, and all of them in sight", () => {
    for (const [tool, wide] of [
      [rig, 6],
      [samplePart("mounted", { "tool.kind": "plough", "tool.width": "1.7 m" }).rig, 1.7],
    ] as const)
      for (let across = 2; across <= 15; across += 1) {
        const all = points(across).map((each) => ({ ...each, y: (each.y * wide) / 6 }));
        const { view, points: placed } = drawDepthMap(tool, all, { long: 2, wide }, 640, PRESETS.metric);
        expect(placed[1]!.x - placed[0]!.x).toBeGreaterThan(60);
        for (const { x, y } of placed) {
          expect(x - 30).toBeGreaterThanOrEqual(view.x - 1e-6);
          expect(x + 30).toBeLessThanOrEqual(view.x + view.w + 1e-6);
          expect(y - 20).toBeGreaterThanOrEqual(view.y);
          expect(y + 40).toBeLessThanOrEqual(view.y + view.h);
        }
      }
  });
});
