import { describe, expect, it } from "vitest";
import { PRESETS, type Units } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { sampleOpen } from "../frame/sample-open.server.ts";
import { hitchView } from "./hitch-view.ts";

const db = plantedYard();

const look = (name: string, part = 0, units: Units = PRESETS.metric) => {
  const { whole, judged } = sampleOpen(db, name, units);
  const { rig, name: tool } = whole.parts[part]!;
  const view = hitchView(rig, judged.reckoned.hitch[part]!, units, tool, null);
  return JSON.parse(JSON.stringify(view).replace(/\u00a0/g, " ")) as typeof view;
};
const row = (view: ReturnType<typeof look>, label: string) =>
  view.rows.find((each) => each.label === label)?.text;

describe("a three-point hitch", () => {
  it("says what to turn, which way and how far, and leaves alone what is right", () => {
    const view = look("Stubble");
    expect(view.right.join(" ")).toMatch(/set the top link to 0\.78\d m/);
    expect(view.right.join(" ")).toMatch(/One degree is \d\.\d turns/);
    expect(view.right.join(" ")).toContain("Shorten the left rod by 14 mm");
    expect(row(view, "Lift rods, left less right")).toContain("14 mm");
    expect(row(view, "Lower links, left less right")).toBe("equal");
  });

  it("knows where the links meet, seen from the side and from above", () => {
    const view = look("Reversible plough");
    // From above the lower links, 0.985 m long and falling 35 mm, widen from 0.53 to 0.965 m over 0.960 m: they meet
    // 0.965·0.960/(0.965 − 0.53) = 2.130 m ahead of the balls, which were taped 1.09 m behind the axle. From the side the lower link
    // falls by 0.0365 a metre from (0.11, 0.595), the upper rises by 0.1099 from (0.25, 1.13): they meet at −3.44 m.
    expect(row(view, "Links cross, from above")).toBe("1.040 m ahead of the rear axle");
    expect(row(view, "Virtual hitch point")).toBe("3.441 m ahead of the rear axle");
    expect(row(view, "Stabilisers")).toBe("work: free; road: rigid");
  });

  it("follows the tool through its lift, whole heights and pitches", () => {
    const { chart, trial } = look("Stubble");
    const heights = chart!.points.map(({ height }) => height);
    expect([...heights].sort((a, b) => a - b)).toEqual(heights);
    expect(heights[0]).toBeCloseTo(21, 0);
    expect(heights.at(-1)).toBeCloseTo(97, 0);
    expect(chart!.work).toBeCloseTo(49, 0);
    expect(trial!.lift).toEqual({ from: 0.21, to: 0.97 });
    expect(trial!.top.from).toBeLessThan(trial!.top.to);
    expect(look("Stubble", 0, PRESETS.us).chart!.heightUnit).toBe("in");
  });

  it("in front has no point behind the axle to speak of, and its drawing", () => {
    const front = look("Mowers");
    expect(row(front, "Virtual hitch point")).toBeUndefined();
    expect(front.drawing!.title).toBe("The hitch of Pellworth Blade 30 F, to scale");
    expect(look("Mowers", 1).drawing).not.toBeNull();
  });

  it("offers both schools of the top link's hole, and names the one that is followed", () => {
    const [first] = look("Stubble").schools;
    expect(first).toContain("Fixed hole");
    expect(look("Grain drill").schools).toEqual([]);
  });
});

describe("a drawbar", () => {
  it("is level, or says how far the eye is to go, and has no linkage to draw", () => {
    const level = look("Meadow drill");
    expect(level.drawing).toBeNull();
    expect(level.chart).toBeNull();
    expect(level.right.join(" ")).toMatch(/The frame is level|For a level frame/);
    expect(row(look("Cart, drill and roller"), "Frame")).toMatch(/°|level/);
  });

  it("drawn on lower links has links to compare, and no top link", () => {
    const view = look("Disc cultivator");
    expect(view.drawing).not.toBeNull();
    expect(row(view, "Lower links, left less right")).toBe("equal");
    expect(row(view, "Pitch at work")).toBeUndefined();
    expect(view.trial).toBeNull();
  });
});
