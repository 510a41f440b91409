import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { overlapArea } from "../picture/box.ts";
import { PRESETS } from "../quantity/units.ts";
import { between } from "../rig/chain.ts";
import { SAMPLE_LENGTHS, sampleRig } from "../rig/sample.ts";
import { drawPlan } from "./plan.ts";
import { drawRear } from "./rear.ts";
import type { DrawnRig, Sheet } from "./sheet.ts";
import { drawSide } from "./side.ts";
import { drawThumbnail } from "./thumbnail.ts";

const DESK: Sheet = {
  width: 420,
  height: 740,
  region: "rig",
  labels: "values",
  station: "tool",
  sections: true,
  only: null,
  units: PRESETS.metric,
};
const TRACTOR: Sheet = { ...DESK, region: "tractor", station: "antenna", sections: false };

const point = (plan: DrawnRig, key: string) => plan.points.find((each) => each.key === key)!;
const collisions = (plan: DrawnRig) =>
  plan.marks.flatMap((mark, index) =>
    plan.marks
      .slice(index + 1)
      .filter((other) => mark.label.some((a) => other.label.some((b) => overlapArea(a, b) > 0)))
      .map((other) => `${mark.letter}${other.letter}`),
  );

describe("the plan", () => {
  it("is to scale along and across", () => {
    const rig = sampleRig();
    const plan = drawPlan(rig, DESK);
    const [receiver, rank] = [point(plan, "receiver"), point(plan, "workFront")];
    expect(receiver.y - rank.y).toBeCloseTo(
      between(rig, "receiver", "workFront", "x").total! * plan.scale,
      6,
    );
    const [left, right] = [point(plan, "leftEdge"), point(plan, "rightEdge")];
    expect(right.x - left.x).toBeCloseTo(SAMPLE_LENGTHS["tool.width"] * plan.scale, 6);
  });

  it("has travel up and the operator's left on the left", () => {
    const plan = drawPlan(sampleRig({ "receiver.lateral": -0.4 }), DESK);
    expect(point(plan, "receiver").y).toBeLessThan(point(plan, "axle").y);
    expect(point(plan, "receiver").x).toBeLessThan(point(plan, "axle").x);
  });

  it("draws a missing length where it usually is, and says that it is assumed", () => {
    const plan = drawPlan(sampleRig({ "pin.pivot": null }), DESK);
    expect(point(plan, "pivot").assumed).toBe(true);
    expect(point(plan, "pin").assumed).toBe(false);
    expect(plan.marks.find((mark) => mark.letter === "E")).toMatchObject({ state: "missing" });
  });

  it("draws a zero and a swapped sign as they stand, and doubts them", () => {
    const plan = drawPlan(sampleRig({ "pin.workFront": 0, "pin.workRear": -4.5 }), DESK);
    expect(point(plan, "workFront").y).toBeCloseTo(point(plan, "pin").y, 6);
    expect(point(plan, "workRear").y).toBeLessThan(point(plan, "axle").y);
    expect(
      plan.marks
        .filter((mark) => mark.state === "doubted")
        .map((mark) => mark.letter)
        .sort(),
    ).toEqual(["F", "G"]);
  });

  it("letters every dimension of the station, and in the whole rig the lengths that lead there", () => {
    const letters = (sheet: Sheet) =>
      drawPlan(sampleRig(), sheet)
        .marks.map((mark) => mark.letter)
        .sort()
        .join("");
    expect(letters(DESK)).toBe("ADEFGHJKLMNR");
    expect(letters(TRACTOR)).toBe("ABCDP");
  });

  it("draws a single dimension where there is room for no more", () => {
    const phone: Sheet = {
      ...DESK,
      width: 390,
      height: 150,
      region: "tool",
      labels: "letters",
      only: "pin.workFront",
    };
    expect(drawPlan(sampleRig(), phone).marks.map(({ letter, clear }) => [letter, clear])).toEqual([
      ["F", true],
    ]);
    expect(drawPlan(sampleRig(), { ...phone, only: "sections" }).marks.map(({ letter }) => letter)).toEqual([
      "N",
    ]);
  });

  it("numbers sections from the left and leaves numbers out where they would touch", () => {
    const many = drawPlan(sampleRig({ "tool.width": 24 }, {}, Array<number>(48).fill(0.5)), DESK);
    expect(many.brackets).toHaveLength(48);
    const numbered = many.brackets.filter((each) => each.numbered);
    for (const [index, each] of numbered.entries())
      if (index > 0) expect(each.x1 - numbered[index - 1]!.x1).toBeGreaterThan(16);
    expect(many.brackets[0]!.x1).toBeLessThan(many.brackets[1]!.x1);
  });
});

describe("the side view", () => {
  it("is to scale along and up, with travel to the right and the ground below", () => {
    const rig = sampleRig();
    const side = drawSide(rig, DESK);
    const [receiver, rank] = [point(side, "receiver"), point(side, "workFront")];
    expect(receiver.x - rank.x).toBeCloseTo(
      -between(rig, "receiver", "workFront", "x").total! * side.scale,
      6,
    );
    expect(rank.y - receiver.y).toBeCloseTo(SAMPLE_LENGTHS["receiver.height"] * side.scale, 6);
    expect(point(side, "frontAxle").x - point(side, "axle").x).toBeCloseTo(
      SAMPLE_LENGTHS["tractor.wheelbase"] * side.scale,
      6,
    );
  });

  it("shows lengths along and the height, nothing across", () => {
    const letters = (sheet: Sheet) =>
      drawSide(sampleRig(), sheet)
        .marks.map((mark) => mark.letter)
        .sort()
        .join("");
    expect(letters(DESK)).toBe("ADEFG");
    expect(letters(TRACTOR)).toBe("ACDP");
  });
});

describe("the thumbnail", () => {
  it("is the plan, one path for each kind of line, whatever is missing", () => {
    const plan = drawPlan(sampleRig(), { ...DESK, width: 150, height: 210, labels: "none", station: null });
    const small = drawThumbnail(sampleRig(), 150, 210);
    expect(small.receiver!.x).toBeCloseTo(point(plan, "receiver").x, 1);
    expect(small.receiver!.y).toBeCloseTo(point(plan, "receiver").y, 1);
    expect(new Set(small.paths.map(({ kind }) => kind)).size).toBe(small.paths.length);
    const bare = drawThumbnail(sampleRig({ "pin.pivot": null, "tool.width": null }, {}, null), 150, 210);
    for (const { d } of bare.paths) expect(d).not.toMatch(/NaN|Infinity/);
    expect(bare.paths.map(({ kind }) => kind)).toContain("block rank assumed");
  });
});

describe("labels", () => {
  const lengths = fc.record({
    "receiver.foreAft": fc.double({ min: 0.2, max: 3.2, noNaN: true }),
    "receiver.lateral": fc.double({ min: -0.5, max: 0.5, noNaN: true }),
    "axle.pin": fc.double({ min: 0.6, max: 1.6, noNaN: true }),
    "pin.pivot": fc.double({ min: 2.5, max: 8, noNaN: true }),
    "pin.workFront": fc.double({ min: 2, max: 7.4, noNaN: true }),
    "pin.workRear": fc.double({ min: 2, max: 7.9, noNaN: true }),
    "tool.lateral": fc.double({ min: -0.4, max: 0.4, noNaN: true }),
    "tool.width": fc.double({ min: 2.5, max: 27, noNaN: true }),
  });

  it("never overlap one another, leave the sheet, or lose a letter", () => {
    fc.assert(
      fc.property(
        lengths,
        fc.constantFrom("metric" as const, "us" as const),
        fc.constantFrom(DESK, TRACTOR),
        fc.constantFrom(drawPlan, drawSide),
        (own, system, sheet, draw) => {
          const plan = draw(sampleRig(own), { ...sheet, units: PRESETS[system] });
          expect(plan.marks.filter((mark) => !mark.clear).map((mark) => mark.letter)).toEqual([]);
          expect(plan.marks).toHaveLength(
            draw === drawSide ? (sheet === DESK ? 5 : 4) : sheet === DESK ? 12 : 5,
          );
          expect(collisions(plan)).toEqual([]);
          for (const box of plan.marks.flatMap((mark) => mark.label))
            expect(
              box.x >= 0 && box.y >= 0 && box.x + box.w <= sheet.width && box.y + box.h <= sheet.height,
            ).toBe(true);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe("the rear view", () => {
  const PHONE: Sheet = { ...DESK, width: 390, height: 236, labels: "letters" };

  it("is to scale up and across, its left on the left", () => {
    const rig = sampleRig({ "receiver.lateral": -0.3 });
    const plan = drawRear(rig, DESK);
    const [axle, receiver] = [point(plan, "axle"), point(plan, "receiver")];
    expect(axle.y - receiver.y).toBeCloseTo(SAMPLE_LENGTHS["receiver.height"] * plan.scale, 6);
    expect(receiver.x - axle.x).toBeCloseTo(-0.3 * plan.scale, 6);
    expect(point(plan, "rightEdge").x - point(plan, "leftEdge").x).toBeCloseTo(4.5 * plan.scale, 6);
  });

  it("shows what lies to the side and what stands above the ground, and nothing along the line", () => {
    const letters = (sheet: Sheet) =>
      drawRear(sampleRig(), sheet)
        .marks.map(({ letter }) => letter)
        .sort();
    expect(letters(TRACTOR)).toEqual(["B", "C"]);
    expect(letters(DESK)).toEqual(["H", "J", "K", "L", "M", "N", "R"]);
  });

  it("sets no two labels on each other, and keeps to the sheet, whatever is measured", () => {
    let clear = 0;
    fc.assert(
      fc.property(
        fc.double({ min: -1.2, max: 1.2, noNaN: true }),
        fc.double({ min: 1.2, max: 5, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.constantFrom(DESK, TRACTOR, PHONE),
        (lateral, height, tool, width, sheet) => {
          const rig = sampleRig({
            "receiver.lateral": lateral,
            "receiver.height": height,
            "tool.lateral": tool,
            "tool.width": width,
          });
          const plan = drawRear(rig, sheet);
          if (plan.marks.every(({ clear }) => clear)) {
            clear += 1;
            expect(collisions(plan)).toEqual([]);
          }
          for (const { x, y } of plan.points) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(plan.width);
            expect(y).toBeGreaterThanOrEqual(0);
            expect(y).toBeLessThanOrEqual(plan.height);
          }
        },
      ),
    );
    expect(clear).toBeGreaterThan(40);
  });
});
