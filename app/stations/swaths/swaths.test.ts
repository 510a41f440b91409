import { describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { sampleRig } from "../../../core/rig/sample.ts";
import { swathsView } from "./swaths-view.ts";

const rig = sampleRig({ "tool.width": 6, "work.overlap": 0 }, {}, [1.5, 1.5, 1.5, 1.5]);
const look = (typed: string, units = PRESETS.metric, of = rig) =>
  JSON.parse(JSON.stringify(swathsView(of, typed, units)).replace(/\u00a0/g, " ")) as ReturnType<
    typeof swathsView
  >;

describe("the last pass", () => {
  it("plans nothing before a width is typed, and says with what it plans", () => {
    expect(look("")).toMatchObject({ plans: [], problem: null, verdict: "" });
    expect(look("").tool).toBe("6.000 m wide, lines 6.000 m apart, 4 sections");
  });

  it("worked by hand: 32.5 m with 6 m leaves 2.5 m, and says what each school does with it", () => {
    const view = look("32.5");
    expect(view.verdict).toBe("5 passes of full width, 2.500 m left.");
    expect(view.plans).toHaveLength(3);
    const narrow = view.plans.find(({ said }) => said.includes("on the narrow one"))!;
    expect(narrow.said).toContain("sections");
    expect(narrow.passes.filter(({ narrow: only }) => only)).toHaveLength(1);
    const spread = view.plans.find(({ school }) => school === "spread")!;
    expect(spread.said).toContain("apart instead of 6.000 m");
  });

  it("covers the drawn field from edge to edge and nothing beyond", () => {
    for (const typed of ["13", "32.5", "47.25", "60", "101.3"])
      for (const { passes } of look(typed).plans) {
        expect(passes[0]!.left).toBeCloseTo(0, 6);
        const last = passes.at(-1)!;
        expect(last.left + last.width).toBeCloseTo(100, 6);
        for (const { left, width } of passes) {
          expect(width).toBeGreaterThan(0);
          expect(left + width).toBeLessThan(100.000001);
        }
      }
  });

  it("comes out even where it does", () => {
    expect(look("30").verdict).toBe("5 passes of full width: it comes out even.");
  });

  it("refuses what is no width, and keeps what was typed", () => {
    expect(look("broad")).toMatchObject({ field: "broad", plans: [] });
    expect(look("broad").problem).toBeTruthy();
    for (const typed of ["0", "900000"]) expect(look(typed).problem).toContain("wider than nothing");
  });

  it("asks for the width first, and speaks feet where those are chosen", () => {
    const unread = sampleRig({ "tool.width": null });
    expect(look("30", PRESETS.metric, unread).missing).toContain("not read yet");
    expect(look("100 ft", PRESETS.us).verdict).toMatch(/5 passes of full width, 1' /);
  });
});
