import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { between } from "../rig/chain.ts";
import { SAMPLE_LENGTHS, sampleRig } from "../rig/sample.ts";
import { overlapArea } from "./geometry.ts";
import { drawPlan, type Plan, type Sheet } from "./plan.ts";

const DESK: Sheet = {
  width: 420,
  height: 740,
  region: "rig",
  labels: "values",
  station: "tool",
  system: "metric",
};
const TRACTOR: Sheet = { ...DESK, region: "tractor", station: "antenna" };

const point = (plan: Plan, key: string) => plan.points.find((each) => each.key === key)!;
const collisions = (plan: Plan) =>
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
    expect(letters(DESK)).toBe("ADEFGHJKLMN");
    expect(letters(TRACTOR)).toBe("ABCD");
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
        (own, system, sheet) => {
          const plan = drawPlan(sampleRig(own), { ...sheet, system });
          expect(plan.marks.filter((mark) => !mark.clear).map((mark) => mark.letter)).toEqual([]);
          expect(plan.marks).toHaveLength(sheet === DESK ? 11 : 4);
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
