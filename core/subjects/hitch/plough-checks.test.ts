import { describe, expect, it } from "vitest";
import { inWords } from "../../quantity/said.ts";
import { PRESETS } from "../../quantity/units.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import { judgeWhole } from "../judge-whole.ts";

const checks = (more: Lines) =>
  judgeWhole(sampleWhole([samplePart("mounted", { ...MOUNTED, "tool.kind": "plough", ...more })])).checks;
const check = (id: string, more: Lines) => {
  const found = checks(more).find((each) => each.id === id)!;
  return [found.verdict, inWords(found.said, PRESETS.metric).replace(/\u00a0/g, " ")];
};

describe("wheels of a tractor that ploughs", () => {
  const wheels = (front: string, rear: string, school?: string) =>
    check("inside", { "tractor.insideFront": front, "tractor.insideRear": rear, "work.wheelSchool": school });

  it("stand wider in front, by one of three schools (handbook: 0–10 cm; 2–10 cm; 2.5–5 cm)", () => {
    expect(wheels("1.31", "1.25")[0]).toBe("good");
    expect(wheels("1.25", "1.25")[0]).toBe("good");
    expect(wheels("1.25", "1.25", "2 to 10")[0]).toBe("fix");
    expect(wheels("1.33", "1.25", "2 to 10")[0]).toBe("good");
    expect(wheels("1.33", "1.25", "2.5 to 5")[0]).toBe("fix");
    expect(wheels("1.22", "1.25")).toEqual(["fix", expect.stringContaining("narrower in front")]);
  });

  it("are asked about, and never called good, while nobody taped them; outside the usual is a check", () => {
    expect(check("inside", {})[0]).toBe("note");
    expect(wheels("1.75", "1.7")[0]).toBe("check");
  });
});

describe("the cross shaft of a plough", () => {
  it("lies in the middle of the headstock", () => {
    expect(check("shaft-middle", {})[0]).toBe("note");
    expect(check("shaft-middle", { "tool.shaftSide": "0" })[0]).toBe("good");
    expect(check("shaft-middle", { "tool.shaftSide": "1.2 cm right" })).toEqual([
      "fix",
      expect.stringContaining("to the right of the headstock's middle"),
    ]);
  });

  it("is nothing to any other tool", () => {
    expect(checks({ "tool.kind": "cultivator" }).map(({ id }) => id)).not.toContain("shaft-middle");
  });
});

describe("a bushing", () => {
  it("that is fitted ends the finding about the slack", () => {
    const pins = { "hitch.category": "3", "tool.lowerPin": "28 mm" };
    expect(check("lower-pins", pins)[0]).toBe("fix");
    expect(check("lower-pins", { ...pins, "tool.lowerBushing": "fitted" })[0]).toBe("good");
    expect(check("lower-pins", { ...pins, "tool.lowerBushing": "none" })[0]).toBe("fix");
  });
});
