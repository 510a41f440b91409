import { describe, expect, it } from "vitest";
import { plain } from "../../../finding/sample-words.ts";
import { DRAWN, samplePart, sampleWhole } from "../../../rig/sample-whole.ts";
import type { Look, PartGround, Preset } from "../../../yard/ground.ts";
import { NO_GROUND } from "../../../yard/ground.ts";
import { groundOf } from "../ground-of-rig.ts";
import { adviseMeasure, learnMeasure } from "./advise.ts";
import type { Off } from "./guide.ts";
import { guideFor } from "./index.ts";
import { reckonGround } from "./of-rig.ts";
import { isLike, likest } from "./preset.ts";
import { sampleAdjuster, sampleGiven, sampleLook, sampleTool } from "./sample.ts";
import { cureOf, stripStanding } from "./standing.ts";

const DEGREE = Math.PI / 180;
const screw = sampleAdjuster(1, "Stop screw", { acts: { measure: "lean", by: -0.5 * DEGREE } });
const other = sampleAdjuster(2, "Other stop screw", {
  acts: { measure: "lean", by: -0.5 * DEGREE },
  pair: { id: 1, difference: 0 },
});
const wheel = sampleAdjuster(3, "Depth wheel", { effect: { front: -0.004, rear: -0.006, across: 0 } });
const lean = (value: number): Off => ({
  measure: "lean",
  value: value * DEGREE,
  wanted: 0,
  tolerance: 0.5 * DEGREE,
});

describe("what to turn for one measure", () => {
  it("is the fewest steps that bring it well within, both of a pair alike", () => {
    const alone = adviseMeasure(lean(2), [screw, wheel])!;
    expect(alone.turns).toMatchObject([{ steps: 4, to: 14 }]);
    expect(alone.within).toBe(true);
    const both = adviseMeasure(lean(2), [screw, other])!;
    expect(both.turns.map(({ adjuster, steps }) => [adjuster.id, steps])).toEqual([
      [1, 4],
      [2, 4],
    ]);
    expect(plain(both.said)).toMatch(
      /^Stop screw: 4 turns more, to 14; Other stop screw: 4 turns more, to 14. Then it is/,
    );
  });

  it("says where its range ends, and how near that comes", () => {
    const short = adviseMeasure(lean(2), [{ ...screw, high: 11 }])!;
    expect(short).toMatchObject({ within: false });
    expect(plain(short.said)).toMatch(/Nearest is 1\.5°. At the end of its range: Stop screw/);
  });

  it("is one step where only the way is seen, none past an end, and not told where nobody told", () => {
    const drawn: Off = { measure: "pull", sense: 1 };
    const spindle = sampleAdjuster(4, "Draw-line spindle", { acts: { measure: "pull", by: 1 } });
    expect(adviseMeasure(drawn, [spindle])!.turns).toMatchObject([{ steps: -1, to: 9 }]);
    expect(plain(adviseMeasure(drawn, [{ ...spindle, setting: 0 }])!.said)).toMatch(
      /At the end of its range/,
    );
    expect(adviseMeasure(drawn, [screw])).toBeNull();
    expect(plain(adviseMeasure(lean(2), [{ ...screw, acts: { measure: "lean", by: null } }])!.said)).toMatch(
      /nobody knows yet: 1 turn more, enter it, run again/,
    );
    expect(plain(adviseMeasure(lean(2), [{ ...screw, setting: null }])!.said)).toMatch(
      /Enter where Stop screw stands/,
    );
  });
});

describe("what a turn taught", () => {
  const at = (steps: number, off: Off) => ({
    look: {
      id: "l",
      settings: new Map([
        [1, steps],
        [2, steps],
      ]),
    },
    off,
  });
  it("is what one step did, with its error, and a wrong way is found at once", () => {
    const learnt = learnMeasure(at(14, lean(3.6)), at(10, lean(2)), [screw])!;
    expect(learnt.each!.by).toBeCloseTo(0.4 * DEGREE, 9);
    expect(learnt.each!.error).toBeCloseTo((0.004 * Math.SQRT2) / 4, 9);
    expect(learnt.done).toBe(false);
    expect(learnt.told).toBeCloseTo(-2 * DEGREE, 9);
    expect(learnt.error).toBeCloseTo(0.004 * Math.SQRT2, 9);
    expect(learnt.wrongWay).toBe(true);
    expect(learnMeasure(at(14, lean(0.4)), at(10, lean(2)), [screw])!.wrongWay).toBe(false);
  });

  it("of two that are kept equal is what both did together; of two apart nobody can tell", () => {
    const both = learnMeasure(at(14, lean(0)), at(10, lean(2)), [screw, other])!;
    expect(both.each!.by).toBeCloseTo(-0.5 * DEGREE, 9);
    // Less than foretold: what came counts by how sure it is, 0.7° of trust against 0.32° of reading.
    const less = learnMeasure(at(14, lean(1)), at(10, lean(2)), [screw])!;
    const weight = 0.7 ** 2 / (0.7 ** 2 + ((0.004 * Math.SQRT2) / DEGREE) ** 2);
    expect(less.each!.by).toBeCloseTo(((-2 + weight) / 4) * DEGREE, 9);
    // 1/σ² of both add up.
    const sure = 1 / (0.7 * DEGREE) ** 2 + 1 / (0.004 * Math.SQRT2) ** 2;
    expect(less.each!.error).toBeCloseTo(1 / Math.sqrt(sure) / 4, 9);
    expect(learnMeasure(at(14, lean(1)), at(10, lean(2)), [{ ...screw, learntFrom: "l" }])!.done).toBe(true);
    expect(both.told).toBeCloseTo(-2 * DEGREE, 9);
    const apart = learnMeasure(at(14, lean(0)), at(10, lean(2)), [screw, { ...other, pair: null }])!;
    expect(apart.each).toBeNull();
    expect(learnMeasure(at(10, lean(1)), at(10, lean(2)), [screw])).toBeNull();
  });
});

describe("a strip", () => {
  const plough = guideFor("plough")!;
  const standing = (looks: readonly Look[], more: Partial<PartGround> = {}) =>
    stripStanding(plough, 0, sampleGiven(sampleTool("plough"), looks, more));
  const stepOf = (key: string, ...rest: Parameters<typeof standing>) =>
    standing(...rest).steps.find(({ step }) => step.key === key)!;

  it("goes on with the first step that is not good, and nothing unknown counts", () => {
    const none = standing([]);
    expect(none).toMatchObject({ good: 0, all: 16, next: { step: { key: "alike" } } });
    const one = standing([sampleLook("alike", { choices: { state: "alike" } })]);
    expect(one).toMatchObject({ good: 1, next: { step: { key: "tyres" } } });
    const bent = standing([
      sampleLook("alike", { choices: { state: "alike" } }),
      sampleLook("alike", { choices: { state: "bent" } }),
    ]);
    expect(bent).toMatchObject({ good: 0, next: { step: { key: "alike" }, loops: 2 } });
  });

  it("wants a new look once an adjuster of it was turned, and once the depth was changed", () => {
    const look = sampleLook("upright", { figures: { right: 2 * DEGREE, left: 2 * DEGREE } }, [
      [1, 10],
      [3, 10],
    ]);
    expect(stepOf("upright", [look], { adjusters: [screw, wheel] })).toMatchObject({
      state: "judged",
      advice: { turns: [{ steps: 4 }] },
    });
    const turned = stepOf("upright", [look], { adjusters: [{ ...screw, setting: 14 }, wheel] });
    expect(turned).toMatchObject({ state: "turned", advice: null });
    expect(plain(cureOf(turned).said)).toBe("Stop screw turned since: run again and look.");
    expect(stepOf("upright", [look], { adjusters: [screw, { ...wheel, setting: 12 }] })).toMatchObject({
      state: "old",
    });
    // What no depth changes stays as it was seen.
    const tyres = sampleLook("tyres", { figures: { left: 1e5, right: 1e5 } }, [[3, 10]]);
    expect(stepOf("tyres", [tyres], { adjusters: [{ ...wheel, setting: 12 }] })).toMatchObject({
      state: "judged",
    });
  });

  it("has its depth from a map of its own, measured with the adjusters as they stand", () => {
    const part = samplePart("drawn", {
      ...DRAWN,
      "tool.kind": "disc",
      "tool.width": "6 m",
      "pin.workFront": "4 m",
      "pin.workRear": "6 m",
    });
    const map = (at: string, setting: number) => ({
      id: "m",
      field: "Long Acre",
      wanted: 0.1,
      person: "Mira",
      at,
      settings: new Map([[3, setting]]),
      points: [-2, 0, 2].flatMap((y) => [1, -1].map((x) => ({ label: `${x} ${y}`, x, y, depth: 0.1 }))),
    });
    const strip = {
      id: "s",
      field: "Long Acre",
      soil: null,
      moisture: null,
      crop: "",
      person: "Mira",
      at: "2026-06-01T08:00:00.000Z",
    };
    const depth = (at: string, setting: number) => {
      const whole = sampleWhole([part], {
        ground: [{ ...NO_GROUND, strip, adjusters: [wheel], map: map(at, setting) }],
      });
      const { strips, maps } = reckonGround(whole);
      expect(maps).toEqual(groundOf(whole));
      return strips[0]!.steps.find(({ step }) => step.key === "depth")!;
    };
    expect(depth("2026-06-01T09:00:00.000Z", 10)).toMatchObject({
      state: "judged",
      judgement: { verdict: "good" },
    });
    expect(depth("2026-06-01T09:00:00.000Z", 8)).toMatchObject({ state: "turned" });
    expect(depth("2026-06-01T07:00:00.000Z", 10)).toMatchObject({ state: "not yet" });
  });

  it("leaves out what a person said there is not", () => {
    const none = sampleLook("system", {
      choices: { fitted: "no", declared: "none", bled: "none", frame: "none" },
    });
    const spared = stripStanding(guideFor("disc")!, 0, sampleGiven(sampleTool("disc"), [none]));
    expect(spared.steps.filter(({ state }) => state === "spared").map(({ step }) => step.key)).toEqual([
      "zero",
      "holds",
    ]);
    expect(spared.all).toBe(6);
  });
});

describe("what was kept before", () => {
  const preset = (id: string, more: Partial<Preset>): Preset => ({
    id,
    name: id,
    field: "Mill Acre",
    soil: "loam",
    moisture: "moist",
    crop: "maize",
    settings: new Map(),
    depth: null,
    good: 1,
    all: 1,
    person: "Mira",
    at: "2026-01-01",
    ...more,
  });
  it("is offered the likest ground first, and called alike only where nothing speaks against it", () => {
    const ground = { field: "Church Piece", soil: "loam", moisture: "moist", crop: "beet" } as const;
    const all = [
      preset("clay", { soil: "clay" }),
      preset("same", {}),
      preset("dry", { moisture: "dry", crop: "beet" }),
      preset("beet", { crop: "Beet" }),
    ];
    expect(likest(all, ground).map(({ id }) => id)).toEqual(["beet", "same", "dry", "clay"]);
    expect(all.map((each) => isLike(each, ground))).toEqual([false, true, false, true]);
    expect(
      isLike(preset("x", { soil: null, moisture: null }), { ...ground, soil: null, moisture: null }),
    ).toBe(false);
  });
});
