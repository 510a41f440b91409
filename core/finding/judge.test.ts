import { describe, expect, it } from "vitest";
import { sampleRig } from "../rig/sample.ts";
import { stopsOf } from "./finding.ts";
import { judge } from "./judge.ts";

const found = (rig: ReturnType<typeof sampleRig>, system: "metric" | "us" = "metric") =>
  judge(rig, system).map(({ severity, id }) => `${severity} ${id}`);
const only = (rig: ReturnType<typeof sampleRig>, id: string, system: "metric" | "us" = "metric") => {
  const finding = judge(rig, system).find((each) => each.id === id);
  if (!finding) throw new Error(`no ${id} among ${found(rig)}`);
  return { ...finding, what: finding.what.replace(/\u00a0/g, " ") };
};

describe("judging a rig", () => {
  it("finds nothing on a rig taped throughout", () => {
    expect(judge(sampleRig(), "metric")).toEqual([]);
  });

  it("stops on what is missing, and says so of the pivot", () => {
    const rig = sampleRig({ "pin.pivot": null, "tool.width": null });
    expect(found(rig)).toContain("stop missing:tool.width");
    expect(only(rig, "missing:pin.pivot").what).toContain("no pivot");
    expect(only(rig, "missing:pin.pivot").next).toEqual({ label: "Tape E", target: "pin.pivot" });
  });

  it("merely notes a check it cannot make", () => {
    expect(found(sampleRig({ "rows.count": null }))).toEqual(["note missing:rows.count"]);
  });

  it("stops on a zero that nobody taped", () => {
    const rig = sampleRig({ "pin.workFront": 0 }, { "pin.workFront": "book" });
    expect(stopsOf(judge(rig, "metric")).map((each) => each.id)).toEqual(["zero:pin.workFront"]);
    expect(only(rig, "zero:pin.workFront").what).toBe(
      "Drawbar pin to front rank is 0.000 m and nobody measured it.",
    );
  });

  it("stops on a work point ahead of the pin", () => {
    const rig = sampleRig({ "pin.workRear": -4.5 }, { "pin.workRear": "book" });
    expect(only(rig, "sign:pin.workRear")).toMatchObject({
      severity: "stop",
      what: "The rear rank lies 4.500 m ahead of the drawbar pin.",
    });
    expect(only(rig, "sign:pin.workRear", "us").what).toContain("14' 9 3/16\" ahead");
  });

  it("asks to fix ranks written down crosswise", () => {
    expect(found(sampleRig({ "pin.workFront": 4.5, "pin.workRear": 4.18 }))).toEqual([
      "fix ranks-crossed:pin.workRear",
    ]);
  });

  it("checks a lateral that is zero by habit, and what is from the book", () => {
    const rig = sampleRig({ "tool.lateral": 0 }, { "tool.lateral": "book", "receiver.height": "book" });
    expect(found(rig)).toEqual(["check untaped:receiver.height", "check habitual-zero:tool.lateral"]);
  });

  it("does not nag about a wanted overlap or a counted row", () => {
    expect(judge(sampleRig({}, { "work.overlap": "book", "rows.count": "book" }), "metric")).toEqual([]);
  });

  it("doubts a slipped digit", () => {
    expect(found(sampleRig({ "axle.pin": 10.4 }))).toEqual(["fix range:axle.pin"]);
  });
});

describe("widths that disagree", () => {
  it("says by how much, and lets two ways of counting outvote the third", () => {
    const rig = sampleRig({ "tool.width": 4.62 });
    const finding = only(rig, "sections-sum");
    expect(finding.what).toBe(
      "Sections and width disagree by 0.120 m: 3 sections add up to 4.500 m; the width is 4.620 m.",
    );
    expect(finding.next.target).toBe("tool.width");
    expect(only(rig, "rows-sum").next.target).toBe("tool.width");
  });

  it("suspects the sections when rows and width agree", () => {
    const rig = sampleRig({}, {}, [1.5, 1.5, 1.2]);
    expect(found(rig)).toEqual(["fix sections-sum"]);
    expect(only(rig, "sections-sum").next).toEqual({ label: "Look at N", target: "sections" });
    expect(only(rig, "sections-sum", "us").what).toContain('11 13/16"');
  });

  it("suspects the lower grade when there is no third way", () => {
    const rig = sampleRig({ "rows.count": null }, { "tool.width": "book" }, [1.5, 1.5, 1.2]);
    expect(only(rig, "sections-sum").why).toContain("weaker reading is the width (book)");
  });

  it("keeps quiet within 2 cm, and about a width already doubted", () => {
    expect(judge(sampleRig({ "tool.width": 4.52 }), "metric")).toEqual([]);
    expect(found(sampleRig({ "tool.width": 45 }))).toEqual(["fix range:tool.width"]);
  });

  it("stops without sections", () => {
    expect(found(sampleRig({}, {}, null))).toEqual(["stop missing:sections"]);
  });
});
