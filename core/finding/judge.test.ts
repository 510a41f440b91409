import { describe, expect, it } from "vitest";
import { PRESETS, type UnitSystem } from "../quantity/units.ts";
import { resolveRig } from "../rig/resolve.ts";
import { sampleFacts, sampleReading, sampleRig } from "../rig/sample.ts";
import { stopsOf } from "./finding.ts";
import { judge } from "./judge.ts";
import { plain } from "./sample-words.ts";

const found = (rig: ReturnType<typeof sampleRig>) =>
  judge(rig).map(({ severity, id }) => `${severity} ${id}`);
const only = (rig: ReturnType<typeof sampleRig>, id: string, system: UnitSystem = "metric") => {
  const finding = judge(rig).find((each) => each.id === id);
  if (!finding) throw new Error(`no ${id} among ${found(rig)}`);
  return { ...finding, what: plain(finding.what, PRESETS[system]), why: plain(finding.why, PRESETS[system]) };
};

describe("judging a rig", () => {
  it("finds nothing on a rig taped throughout", () => {
    expect(judge(sampleRig())).toEqual([]);
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
    expect(stopsOf(judge(rig)).map((each) => each.id)).toEqual(["zero:pin.workFront"]);
    expect(only(rig, "zero:pin.workFront").what).toBe(
      "Drawbar pin to front of the work is 0.000 m and nobody measured it.",
    );
  });

  it("tells front and rear of the work changed over, whichever way the tool lies", () => {
    const on = (attachment: "mounted" | "front", front: number, rear: number) => {
      const facts = sampleFacts({ "pin.workFront": front, "pin.workRear": rear });
      return resolveRig({ ...facts, attachment });
    };
    expect(found(on("mounted", 0.6, 2))).not.toContain("fix ranks-crossed:pin.workRear");
    expect(found(on("front", 1.04, 0.72))).not.toContain("fix ranks-crossed:pin.workRear");
    expect(only(on("mounted", 2, 0.6), "ranks-crossed:pin.workRear").what).toBe(
      "The rear of the work lies 1.400 m ahead of the front of the work.",
    );
    expect(only(on("front", 0.72, 1.04), "ranks-crossed:pin.workRear").what).toBe(
      "The rear of the work lies 0.320 m ahead of the front of the work.",
    );
  });

  it("stops on a work point ahead of the pin", () => {
    const rig = sampleRig({ "pin.workRear": -4.5 }, { "pin.workRear": "book" });
    expect(only(rig, "sign:pin.workRear")).toMatchObject({
      severity: "stop",
      what: "The rear of the work would lie 4.500 m ahead of the drawbar pin.",
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
    expect(judge(sampleRig({}, { "work.overlap": "book", "rows.count": "book" }))).toEqual([]);
  });

  it("doubts a slipped digit", () => {
    expect(found(sampleRig({ "axle.pin": 3.1 }))).toEqual(["check range:axle.pin"]);
  });

  it("stops what cannot be, whatever it came by, and reckons nothing with it", () => {
    // A receiver 25 km ahead of its axle: a coordinate typed where a length belongs.
    const rig = sampleRig({ "receiver.foreAft": 25_000 });
    expect(found(rig)).toEqual(["stop impossible:receiver.foreAft"]);
    expect(only(rig, "impossible:receiver.foreAft").what).toContain("that cannot be");
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
    expect(judge(sampleRig({ "tool.width": 4.52, "guidance.trackSpacing": 4.52 }))).toEqual([]);
    expect(found(sampleRig({ "tool.width": 650 }))).toEqual(["stop impossible:tool.width"]);
  });

  it("assumes one section as wide as the tool and says so, and stops where nobody knows the width either", () => {
    const rig = sampleRig({ "rows.count": null }, {}, null);
    expect(rig.sections?.widths).toEqual([4.5]);
    expect(found(rig)).toEqual(["check assumed:sections", "note missing:rows.count"]);
    const bare = sampleRig({ "tool.width": null }, {}, null);
    expect(bare.sections).toBeNull();
    expect(found(bare)).toContain("stop missing:sections");
  });

  it("assumes that no overlap is wanted, 0.3 m of a cutting head, and says so", () => {
    const rig = sampleRig({ "work.overlap": null });
    expect(rig.values["work.overlap"]).toMatchObject({ value: 0, grade: "assumed", reading: null });
    expect(only(rig, "assumed:work.overlap")).toMatchObject({
      severity: "check",
      next: { label: "Enter M" },
    });
    const head = resolveRig({ ...sampleFacts({ "work.overlap": null }), attachment: "head" });
    expect(head.values["work.overlap"].value).toBe(0.3);
    expect(only(head, "assumed:work.overlap").why).toContain("common practice");
  });
});

describe("figures that were loaded, not read", () => {
  it("are suspected where they are round and untaped", () => {
    const rig = sampleRig({ "pin.pivot": 5.5 }, { "pin.pivot": "book" });
    expect(found(rig)).toEqual(["check stock:pin.pivot"]);
    expect(found(sampleRig({ "pin.pivot": 5.5 }))).toEqual([]);
    // 18 ft, whole half feet
    expect(found(sampleRig({ "pin.pivot": 5.4864 }, { "pin.pivot": "estimate" }))).toEqual([
      "check stock:pin.pivot",
    ]);
    expect(found(sampleRig({ "pin.pivot": 5.52 }, { "pin.pivot": "book" }))).toEqual([
      "check untaped:pin.pivot",
    ]);
    expect(only(rig, "stock:pin.pivot").what).toMatch(/is 5\.500 m, from the book: as round as/);
    expect(only(rig, "stock:pin.pivot", "us").what).toMatch(/is 18' /);
  });

  it("are to be fixed where half the width stands in the place of the offset", () => {
    const rig = sampleRig({ "tool.lateral": 2.25 }, { "tool.lateral": "book" });
    expect(only(rig, "half-width:tool.lateral")).toMatchObject({ severity: "fix" });
    expect(found(sampleRig({ "tool.lateral": 2.25 }))).toEqual([]);
  });
});

describe("lines laid at another spacing than the tool's", () => {
  it("leave every joint wide, or work it twice", () => {
    const wide = only(sampleRig({ "guidance.trackSpacing": 6 }), "track-spacing:guidance.trackSpacing");
    expect(wide.severity).toBe("fix");
    expect(wide.what).toBe("The terminal's lines are 6.000 m apart; width less overlap is 4.500 m.");
    expect(wide.why).toBe("Every joint is left 1.500 m wide.");
    const twice = only(sampleRig({ "guidance.trackSpacing": 4.4 }), "track-spacing:guidance.trackSpacing");
    expect(twice.why).toBe("Every joint is worked twice, 0.100 m wide.");
  });

  it("are right where the overlap accounts for the difference, or the terminal rounds", () => {
    expect(found(sampleRig({ "work.overlap": 0.1, "guidance.trackSpacing": 4.4 }))).toEqual([]);
    expect(found(sampleRig({ "tool.width": 4.504 }))).toEqual([]);
    expect(found(sampleRig({ "guidance.trackSpacing": null }))).toEqual([
      "note missing:guidance.trackSpacing",
    ]);
  });
});

describe("readings held against each other", () => {
  const withReadings = (change: Partial<ReturnType<typeof sampleFacts>>) =>
    resolveRig({ ...sampleFacts(), ...change });

  it("ask for another where repeats lie apart", () => {
    const twice = (second: number) => {
      const facts = sampleFacts();
      const repeats = [sampleReading("pin.pivot", 5.26), sampleReading("pin.pivot", second)];
      return found(resolveRig({ ...facts, readings: { ...facts.readings, "pin.pivot": repeats } }));
    };
    expect(twice(5.27)).toEqual([]);
    expect(twice(5.28)).toEqual(["check spread:pin.pivot"]);
  });

  it("doubt a side that changed over", () => {
    const before = { "tool.lateral": sampleReading("tool.lateral", -0.025) };
    const finding = only(withReadings({ previous: before }), "side:tool.lateral");
    expect(finding.severity).toBe("fix");
    expect(finding.what).toBe("Lateral offset is 2.5 cm right; it was 2.5 cm left before.");
    expect(
      found(withReadings({ previous: { "tool.lateral": sampleReading("tool.lateral", -0.1) } })),
    ).toEqual([]);
  });

  it("are stale once a change touches them, for as long as the change stands", () => {
    const tyres = {
      id: "c",
      kind: "tractor tyres" as const,
      seq: 1,
      at: "2026-03-02T08:00:00.000Z",
      person: "",
      note: "",
    };
    const rig = withReadings({ changes: [tyres] });
    expect(found(rig)).toEqual(["check stale:receiver.height"]);
    expect(only(rig, "stale:receiver.height").why).toContain("other tyres on the tractor");
    expect(found(withReadings({ changes: [{ ...tyres, at: "2026-02-01T08:00:00.000Z" }] }))).toEqual([]);
    const openers = withReadings({ changes: [{ ...tyres, kind: "tool openers" }] });
    expect(found(openers)).toContain("check stale:sections");
    expect(found(openers)).toContain("check stale:pin.workFront");
  });
});
