import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { powerOf } from "../forces/power-of-rig.ts";
import { judgeWhole } from "../subjects/judge-whole.ts";
import { askedOf } from "./asked.ts";
import { trackSpacing } from "./chain.ts";
import { DRAWN, type Lines, samplePart, sampleWhole } from "./sample-whole.ts";
import { swathOf, together } from "./swath.ts";

const mower = (
  attachment: "front" | "mounted",
  width: string,
  lateral: string | undefined,
  more: Lines = {},
) => samplePart(attachment, { "tool.kind": "mower", "tool.width": width, "tool.lateral": lateral, ...more });
const pair = (front: [string, string?], rear: [string, string?], more: Lines = {}) =>
  sampleWhole([mower("front", front[0], front[1], more), mower("mounted", rear[0], rear[1])]);

describe("a front and a rear tool", () => {
  // Worked example of the trade: 3.0 m in front, 3.1 m at 2.65 m right: from −1.5 to 4.2, 5.7 m wide, its middle 1.35 m right.
  const example = pair(["3.0 m", "0"], ["3.1 m", "2.65 m right"]);

  it("make one swath: the union of both, and the middle of that", () => {
    const swath = swathOf(example);
    expect(swath).toMatchObject({ kind: "swath", left: { part: 0 }, right: { part: 1 } });
    if (swath.kind !== "swath") return;
    expect(swath.width).toBeCloseTo(5.7, 12);
    expect(swath.middle).toBeCloseTo(1.35, 12);
    // The rear one begins at 2.65 − 1.55 = 1.10, the front one ends at 1.50.
    expect(swath.lap).toBeCloseTo(0.4, 12);
  });

  it("are told to a terminal as one: width, lateral offset, line spacing", () => {
    const rig = together(pair(["3.0 m", "0"], ["3.1 m", "2.65 m right"], { "work.overlap": "0.1" }), 0);
    expect(rig.values["tool.width"].value).toBeCloseTo(5.7, 12);
    expect(rig.values["tool.lateral"].value).toBeCloseTo(1.35, 12);
    expect(trackSpacing(rig).total).toBeCloseTo(5.6, 12);
  });

  it("have their lines once: of the rear one nobody asks for line spacing or overlap, of a cart for no work at all", () => {
    const asked = (part: number) => askedOf(example.parts[part]!.rig).map(({ key }) => key);
    for (const key of ["guidance.trackSpacing", "work.overlap"]) {
      expect(asked(0)).toContain(key);
      expect(asked(1)).not.toContain(key);
    }
    expect(asked(1)).toContain("tool.width");
    const cart = samplePart("drawn", { ...DRAWN, "tool.kind": "cart" });
    const train = sampleWhole([cart, samplePart("train", { ...DRAWN, "tool.kind": "drill" }, 0)]);
    expect(train.parts.map(({ rig }) => askedOf(rig).some(({ key }) => key === "tool.width"))).toEqual([
      false,
      true,
    ]);
  });

  it("leave a hole: no width, no rate, and a finding that says how wide", () => {
    const apart = pair(["3.0 m", "0"], ["3.1 m", "3.4 m right"]);
    // 3.4 − 1.55 = 1.85 begins 0.35 m beyond 1.5.
    const swath = swathOf(apart);
    expect(swath.kind === "hole" && swath.width).toBeCloseTo(0.35, 12);
    expect(together(apart, 0).values["tool.width"].value).toBeNull();
    expect(powerOf(apart).rate).toBeNull();
    expect(judgeWhole(apart).checks.find(({ id }) => id === "swath")).toMatchObject({ verdict: "fix" });
    expect(judgeWhole(example).checks.find(({ id }) => id === "swath")).toMatchObject({ verdict: "good" });
  });

  it("are not put together where one's side is not known", () => {
    const open = pair(["3.0 m", "0"], ["3.1 m"]);
    expect(swathOf(open)).toEqual({ kind: "unknown", part: 1, key: "tool.lateral" });
    expect(powerOf(open).rate).toBeNull();
    expect(judgeWhole(open).checks.find(({ id }) => id === "swath")).toMatchObject({
      verdict: "unknown",
      part: 1,
      target: "tool.lateral",
    });
  });

  it("work the hectares of the swath: 5.7 m at 12 km/h and 80 % are 5.47 ha/h (ASABE D497)", () => {
    const fast = pair(["3.0 m", "0"], ["3.1 m", "2.65 m right"], { "work.speed": "12 km/h" });
    expect((powerOf(fast).rate! * 3600) / 1e4).toBeCloseTo((12 * 5.7 * 0.8) / 10, 6);
  });
});

describe("a rig of one working tool", () => {
  it("is what its tool is, carts or no carts", () => {
    const cart = samplePart("drawn", { "tool.kind": "cart" });
    const drill = samplePart("train", { "tool.kind": "drill", "tool.width": "6 m" }, 0);
    const whole = sampleWhole([cart, drill]);
    expect(swathOf(whole)).toEqual({ kind: "single" });
    expect(together(whole, 1)).toBe(drill.rig);
  });
});

describe("any strips side by side", () => {
  it("cover what a count of centimetres covers, or have a hole exactly where it has one", () => {
    const strip = fc.record({
      width: fc.integer({ min: 60, max: 400 }),
      middle: fc.integer({ min: -250, max: 250 }),
    });
    fc.assert(
      fc.property(strip, strip, (a, b) => {
        const text = ({ width, middle }: { width: number; middle: number }): [string, string] => [
          `${width * 2} cm`,
          middle === 0 ? "0" : `${Math.abs(middle) * 2} cm ${middle < 0 ? "left" : "right"}`,
        ];
        const swath = swathOf(pair(text(a), text(b)));
        const covered = new Set<number>();
        for (const { width, middle } of [a, b])
          for (let at = middle * 2 - width; at < middle * 2 + width; at += 1) covered.add(at);
        const [from, to] = [Math.min(...covered), Math.max(...covered) + 1];
        const hole = to - from - covered.size;
        if (hole > 2) expect(swath).toMatchObject({ kind: "hole", width: expect.closeTo(hole / 100, 9) });
        else expect(swath).toMatchObject({ kind: "swath", width: expect.closeTo((to - from) / 100, 9) });
      }),
    );
  });
});
