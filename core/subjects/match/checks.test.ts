import { describe, expect, it } from "vitest";
import type { Attachment } from "../../dimension/attachment.ts";
import { figured, told } from "../../finding/sample-words.ts";
import { powerOf } from "../../forces/power-of-rig.ts";
import { DRAWN, type Lines, MOUNTED, NO_LIMITS, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { sampleFunction } from "../hoses/sample.ts";
import { matchChecks } from "./checks.ts";

const matchOf = (whole: WholeRig) => {
  const power = powerOf(whole);
  return { power, checks: matchChecks(whole, power) };
};

/** One check of the match station. */
const checked = (whole: WholeRig, id: string) => matchOf(whole).checks.find((check) => check.id === id);
const one = (id: string, attachment: Attachment, lines: Lines, rest: Partial<WholeRig> = {}) =>
  checked(sampleWhole([samplePart(attachment, lines)], rest), id);

describe("pins on lower links", () => {
  const on = (lines: Lines) => (id: string) => one(id, "mounted", { ...MOUNTED, ...lines });

  it("fit their own category", () => {
    const at = on({ "hitch.category": "2", "tool.category": "2", "tool.span": "0.825" });
    expect(figured(at("lower-pins"))).toEqual(["good", 0.028, 0.028]);
    expect(figured(at("upper-pin"))).toEqual(["good", 0.0255, 0.0255]);
    expect(told(at("span"))).toMatch(/^good/);
  });

  it("name the sleeve that is needed: category 1 in category 2 balls (ISO 730, from memory)", () => {
    const at = on({ "hitch.category": "2", "tool.category": "1" });
    expect(figured(at("lower-pins"))).toEqual(["fix", 0.022, 0.028, 0.022, 0.028]);
    expect(figured(at("upper-pin"))).toEqual(["fix", 0.019, 0.0255, 0.019, 0.0255]);
  });

  it("stop where they are thicker than the ball", () => {
    expect(figured(on({ "hitch.category": "2", "tool.category": "3" })("lower-pins"))).toEqual([
      "stop",
      0.0366,
      0.028,
      0.0086,
    ]);
  });

  it("believe a measured pin before the category", () => {
    const at = on({ "hitch.category": "2", "tool.category": "2", "tool.lowerPin": "22 mm" });
    expect(figured(at("lower-pins")).slice(0, 2)).toEqual(["fix", 0.022]);
  });

  it("let free links reach within their sway, say what is left, and stop short of what they miss", () => {
    const free = { "hitch.category": "3", "hitch.widest": "1.0", "tool.category": "2" };
    const span = (lines: Lines) => figured(on({ ...lines, "tool.span": "0.825" })("span"));
    expect(span({ ...free, "hitch.narrowest": "0.8" })).toEqual(["good", 0.825, 0.965, 0.025]);
    expect(span({ ...free, "hitch.narrowest": "0.85" })).toEqual(["stop", 0.825, 0.965, 0.025]);
    expect(span({ "hitch.category": "3" })).toEqual(["check", 0.825, 0.965, 0.14]);
  });

  it("stop a rigid coupler at another span or mast", () => {
    const rigid = { "hitch.category": "3", "hitch.coupler": "rigid", "tool.category": "2" };
    expect(told(on({ ...rigid, "tool.span": "0.825" })("span"))).toMatch(/^stop: .*cannot give/);
    expect(figured(on({ ...rigid, "tool.mast": "0.61" })("mast"))).toEqual(["stop", 0.61, 0.685, 0.075]);
  });

  it("say that a category nobody told is not known", () => {
    expect(told(on({})("lower-pins"))).toMatch(/^unknown/);
    expect(told(on({ "hitch.category": "2", "tool.span": "0.825" })("lower-pins"))).toMatch(
      /^unknown: Implement's hitch/,
    );
  });
});

describe("the lift", () => {
  it("stops what is heavier than the balls hold, and what is heavier than is left at its centre of gravity", () => {
    expect(figured(one("lift", "mounted", { ...MOUNTED, "hitch.lift": "1500 kg" }))).toEqual([
      "stop",
      1650,
      1500,
      1008,
      641.9,
    ]);
    expect(told(one("lift", "mounted", { ...MOUNTED, "hitch.lift": "1700 kg" }))).toMatch(
      /^stop: .*at the common centre of gravity: .*too much there/,
    );
    expect(told(one("lift", "mounted", { ...MOUNTED, "hitch.lift": "5000 kg" }))).toMatch(/^good/);
  });

  it("counts what fills the tool", () => {
    expect(
      figured(
        one("lift", "mounted", {
          ...MOUNTED,
          "hitch.lift": "1700 kg",
          "tool.load": "100 kg",
          "tool.loadCg": "0.75",
        }),
      ),
    ).toEqual(["stop", 1750, 1700, 1143, 607.5]);
  });
});

describe("a trailed tool", () => {
  const at = (id: string, lines: Lines = {}, rest: Partial<WholeRig> = {}) =>
    one(id, "drawn", { ...DRAWN, ...lines }, rest);

  it("has an eye that fits its pin, a bushing where it does not, and stops at a pin too thick", () => {
    expect(told(at("pin"))).toMatch(/^good/);
    expect(figured(at("pin", { "tool.eye": "36 mm" }))).toEqual(["fix", 0.03, 0.036, 0.006, 0.031]);
    expect(told(at("pin", { "tool.eye": "28 mm" }))).toMatch(/^stop/);
  });

  it("puts on the pin its share by moments about its wheels, and stops where it lifts the pin", () => {
    // (3000 + 500) kg at 4.5 of 5 m: a tenth of it on the pin.
    expect(figured(at("vertical"))).toEqual(["good", 350, 1500]);
    expect(figured(at("vertical", { "tool.cg": "5.2", "tool.loadCg": "5.2" }))).toEqual(["stop", 140]);
    expect(figured(at("vertical", { "hitch.verticalLimit": "300 kg" }))).toEqual(["stop", 350, 300, 50]);
  });

  it("asks of its chain the weight of all behind it: 3500 kg × 9.81 (ASABE S338, from memory)", () => {
    expect(figured(at("chain"))).toEqual(["good", 40000, 34320]);
    expect(told(at("chain", { "tool.chain": "30 kN" }))).toMatch(/^stop/);
    expect(told(at("chain", { "tool.mass": "3900 kg" }))).toMatch(/^stop/);
  });

  it("counts every tool of a train behind the first", () => {
    const train = sampleWhole([
      samplePart("drawn", DRAWN),
      samplePart("train", { ...DRAWN, "train.hitch": "6", "tool.load": "0 kg" }, 0),
    ]);
    expect(figured(checked(train, "towed")).slice(0, 2)).toEqual(["good", 6500]);
    expect(figured(checked(train, "towed:2")).slice(0, 2)).toEqual(["good", 3000]);
    // Everything behind it by standard gravity (ISO 80000-3): 6500 × 9.80665.
    expect(figured(checked(train, "chain"))).toEqual(["stop", 40_000, 63_740]);
  });

  it("needs working brakes over the mass the yard's country allows without", () => {
    const limits = { ...NO_LIMITS, country: "Vesland", unbraked: 3000 };
    expect(figured(at("brakes", { "tool.brakes": "none" }, { limits }))).toEqual(["stop", 3500, 3000]);
    expect(told(at("brakes", { "tool.brakes": "working" }, { limits }))).toMatch(/^good/);
    expect(told(at("brakes", {}, { limits }))).toMatch(/^unknown/);
    // No limit told: working brakes are good under any, none are unknown, not passed over.
    expect(told(at("brakes", { "tool.brakes": "working" }))).toMatch(/^good/);
    expect(told(at("brakes", { "tool.brakes": "none" }))).toMatch(/^unknown: .*no limit for that is entered/);
    const { "tool.mass": _, ...massless } = DRAWN;
    expect(told(one("brakes", "drawn", massless, { limits }))).toMatch(/^unknown/);
  });
});

describe("the shaft", () => {
  const mower: Lines = {
    ...MOUNTED,
    "tool.kind": "mower",
    "tool.width": "3",
    "pto.type": "2",
    "pto.speed": "1000 rpm",
    "tool.pto": "2",
    "tool.ptoLow": "950 rpm",
    "tool.ptoHigh": "1000 rpm",
    "tool.shaftCategory": "6",
    "tool.guard": "complete",
  };
  const at = (id: string, lines: Lines = {}) => one(id, "mounted", { ...mower, ...lines });

  it("must be the tractor's own type", () => {
    expect(told(at("pto"))).toMatch(/^good/);
    expect(told(at("pto", { "pto.type": "1" }))).toMatch(/^stop: .*35 mm, 6 splines/);
  });

  it("turns within the implement's band, never over it", () => {
    expect(told(at("pto-speed"))).toMatch(/^good/);
    expect(figured(at("pto-speed", { "tool.ptoLow": "540 rpm", "tool.ptoHigh": "750 rpm" }))).toEqual([
      "stop",
      16.67,
      9,
      12.5,
      4.167,
    ]);
    expect(figured(at("pto-speed", { "pto.speed": "800 rpm" }))).toEqual(["check", 13.33, 15.83, 16.67, 2.5]);
    expect(told(at("pto-speed", { "tool.ptoLow": "1000 rpm", "tool.ptoHigh": "540 rpm" }))).toMatch(
      /^fix: .*below/,
    );
  });

  it("does not turn without its guard", () => {
    expect(told(at("guard"))).toMatch(/^good/);
    expect(told(at("guard", { "tool.guard": "missing" }))).toMatch(/^stop: .*guard is missing/);
  });

  it("keeps a third of its tubes' overlap where it is longest, and 25 mm free where it is shortest (common practice)", () => {
    // Pushed together 0.82 m with 0.45 m of overlap: at 1.10 m 0.45 − 0.28 = 0.17 are left, a third is 0.15.
    const lengths: Lines = {
      "tool.shaftClosed": "0.82",
      "tool.shaftTubes": "0.45",
      "work.shaftWork": "0.95",
      "work.shaftRaised": "1.10",
    };
    expect(figured(at("shaft-overlap", lengths))).toEqual(["good", 0.17, 0.15, 0.13]);
    expect(figured(at("shaft-overlap", { ...lengths, "tool.shaftLeast": "0.2" }))).toEqual([
      "fix",
      0.17,
      0.2,
    ]);
    expect(figured(at("shaft-overlap", { ...lengths, "work.shaftRaised": "1.3" }))).toEqual(["stop", 0.03]);
    expect(figured(at("shaft-overlap", { ...lengths, "work.shaftWork": "0.84" }))).toEqual([
      "fix",
      0.02,
      0.025,
    ]);
    expect(figured(at("shaft-overlap", { ...lengths, "work.shaftWork": "0.8" }))).toEqual(["stop", 0.02]);
    expect(told(at("shaft-overlap", { ...lengths, "work.shaftRaised": undefined }))).toMatch(
      /^unknown: Drive shaft, raised/,
    );
    // On a drawbar nothing is raised: straight and turned.
    const drawn: Lines = {
      ...DRAWN,
      "pto.type": "2",
      "tool.pto": "2",
      ...lengths,
      "work.shaftRaised": undefined,
    };
    expect(told(one("shaft-overlap", "drawn", drawn))).toMatch(/^unknown: Drive shaft in the tightest turn/);
  });

  it("of a trailed tool lies 406 mm from the pin for 1000 rpm on 35 mm (ASABE S203, from memory)", () => {
    const lines = { ...DRAWN, "pto.type": "2", "tool.pto": "2" } as const;
    expect(told(one("pto-distance", "drawn", { ...lines, "hitch.toPto": "0.406" }))).toMatch(/^good/);
    expect(figured(one("pto-distance", "drawn", { ...lines, "hitch.toPto": "0.356" }))).toEqual([
      "fix",
      0.356,
      0.406,
      0.4,
      0.044,
    ]);
  });
});

describe("power", () => {
  it("of a pneumatic drill 6 m wide at 10 km/h: 61.7 kW at the drawbar, more at the PTO", () => {
    const { power } = matchOf(sampleWhole([samplePart("drawn", { ...DRAWN, "work.surface": "concrete" })]));
    expect(power.parts[0]!.need!.draft.force).toBeCloseTo(22200, 6);
    expect((power.parts[0]!.need!.draft.force * 10) / 3.6 / 1000).toBeCloseTo(61.7, 1);
    expect(power.need!).toBeGreaterThan(61.7e3 / 0.87);
  });

  it("is enough, close within the model's range, or short with what would be held instead", () => {
    const chisel: Lines = {
      ...MOUNTED,
      "tool.kind": "chisel",
      "tool.draft": "chisel, straight",
      "tool.count": "13",
      "tool.width": "3.9",
      "work.depth": "15 cm",
      "work.soil": "fine",
      "work.speed": "8 km/h",
    };
    // Drawbar 58.2 kW by the worked example; on tilled ground with front-wheel assist ÷ (0.73 · 0.96).
    const at = (power: string) => one("power", "mounted", { ...chisel, "tractor.power": power });
    expect(figured(at("120 kW"))).toEqual(["good", 2.222, 82980, 108000]);
    expect(told(at("60 kW"))).toMatch(/^check: .*Within the draft model's range/);
    expect(told(at("40 kW"))).toMatch(/^fix: .*At the speed asked for it would hold .* deep, or .* wide/);
  });

  it("is also told by the rule of thumb, against the engine: 37 kW for each metre of a chisel", () => {
    const chisel: Lines = { ...MOUNTED, "tool.kind": "chisel", "tool.width": "3" };
    expect(figured(one("thumb", "mounted", chisel))).toEqual(["check", 111000, 100000, 11000]);
    expect(told(one("thumb", "mounted", { ...chisel, "tool.perMetre": "30 kW/m" }))).toMatch(/^good/);
  });

  it("is unknown where nobody told whether a shaft drives it, or what that takes, and is asked", () => {
    const spreader: Lines = { ...MOUNTED, "tool.kind": "spreader", "tool.width": "24" };
    expect(told(one("power", "mounted", spreader))).toMatch(/^unknown: Shaft the implement takes/);
    expect(told(one("pto", "mounted", spreader))).toMatch(/^unknown/);
    expect(told(one("power", "mounted", { ...spreader, "tool.pto": "1" }))).toMatch(
      /^unknown: Power at the shaft/,
    );
    expect(
      told(one("power", "mounted", { ...spreader, "tool.pto": "1", "tool.shaftPower": "20 kW" })),
    ).toMatch(/^good/);
    // Nothing drives a plough, by what it is.
    const plough: Lines = { ...MOUNTED, "tool.kind": "plough", "tool.width": "1.6", "work.depth": "22 cm" };
    expect(told(one("power", "mounted", plough))).toMatch(/^good/);
  });

  it("of a mounted tool on the shaft grows with speed: the machine rolls, worked by hand", () => {
    // 6200 + 1650 kg on tilled ground, 0.09 of 7850 × 9.80665 = 6928 N; 20 kW at the shaft.
    const spreader: Lines = {
      ...MOUNTED,
      "tool.kind": "spreader",
      "tool.pto": "1",
      "tool.shaftPower": "20 kW",
      "work.speed": "12 km/h",
    };
    const { power } = matchOf(sampleWhole([samplePart("mounted", spreader)]));
    expect(power.need!).toBeCloseTo(20e3 + (6928.4 * (12 / 3.6)) / 0.96, -1);
    expect(power.curve.at(-1)!.need).toBeGreaterThan(power.curve[0]!.need + 10e3);
    expect(power.highest!).toBeLessThan(30 / 3.6 + 1e-9);
    // Where much is pulled, tractive efficiency has the machine's own rolling in it: it is not counted twice.
    const drill = matchOf(sampleWhole([samplePart("drawn", DRAWN)])).power;
    const pull = drill.parts[0]!.need!.pull;
    expect(drill.need!).toBeCloseTo((pull * (10 / 3.6)) / (0.73 * 0.96), 3);
  });

  it("is asked at the speed and on the ground of what works, not of the cart before it", () => {
    const cart: Lines = {
      ...DRAWN,
      "tool.kind": "cart",
      "tool.draft": undefined,
      "work.speed": "6 km/h",
      "work.surface": "concrete",
    };
    const drill: Lines = { ...DRAWN, "train.hitch": "6", "work.speed": "12 km/h", "work.surface": "firm" };
    const whole = sampleWhole([samplePart("drawn", cart), samplePart("train", drill, 0)]);
    const { power } = matchOf(whole);
    expect(power.speed.value! * 3.6).toBeCloseTo(12, 6);
    expect(power.traction.surface).toBe("firm");
    expect(figured(checked(whole, "power"))).toEqual(["check", 3.333, 115600, 90000]);
  });

  it("of a machine that steers by its tracks has the traction of tracks, whatever its drive was told as", () => {
    const tracked: Lines = { ...DRAWN, "tractor.steering": "tracks", "tractor.drive": "four-wheel" };
    const { power } = matchOf(sampleWhole([samplePart("drawn", tracked)]));
    expect(power.traction.drive).toBe("tracks");
    expect(power.efficiencies.traction).toBe(0.8);
  });

  it("names what is missing before it can be reckoned", () => {
    expect(told(one("power", "mounted", {}))).toMatch(/^unknown: Rated engine power/);
    expect(told(one("power", "drawn", { "tractor.power": "90 kW" }))).toMatch(
      /^unknown: What the implement is/,
    );
  });

  it("of two tools together is what both need", () => {
    const mower: Lines = { ...MOUNTED, "tool.kind": "mower", "tool.width": "3", "work.speed": "12 km/h" };
    const both = matchOf(sampleWhole([samplePart("front", mower), samplePart("mounted", mower)])).power;
    // 5 kW for each metre of a disc mower (ASABE D497 table 2, from memory), and 9500 kg rolling on tilled ground at 12 km/h:
    // 0.09 × 9500 × 9.80665 × 3.333 / 0.96
    expect(both.need).toBeCloseTo(30e3 + (0.09 * 9500 * 9.80665 * (12 / 3.6)) / 0.96, 3);
  });
});

describe("the road", () => {
  const limits = { country: "Vesland", width: 3, height: 4, speed: 40 / 3.6, unbraked: null };

  it("goes by the lowest limit, and names it; it is not good while one is not told", () => {
    const at = (lines: Lines) => one("road-speed", "drawn", { ...DRAWN, ...lines }, { limits });
    expect(told(at({ "tool.roadSpeed": "25 km/h" }))).toContain("tool 1's sign");
    expect(figured(at({ "tool.roadSpeed": "25 km/h" }))).toEqual(["good", 6.944]);
    expect(figured(at({ "tool.roadSpeed": "50 km/h", "hitch.roadSpeed": "30 km/h" }))).toEqual([
      "good",
      8.333,
    ]);
    expect(told(at({}))).toMatch(/^unknown: .*Not told yet: tool 1's sign/);
  });

  it("holds width and height against the limits of the yard, and asks for them where there are none", () => {
    const wide = { ...DRAWN, "tool.transportWidth": "3.2", "tool.transportHeight": "3.9" } as const;
    expect(told(one("road-width", "drawn", wide, { limits }))).toMatch(/^fix: .*local rules/);
    expect(told(one("road-height", "drawn", wide, { limits }))).toMatch(/^good/);
    expect(told(one("road-width", "drawn", wide))).toMatch(/^unknown: .*no limit is entered/);
  });
});

describe("what drives the seed meters", () => {
  const drill = (lines: Lines, functions: WholeRig["hoses"]["functions"] = []) => {
    const whole = sampleWhole([samplePart("drawn", { ...DRAWN, "tool.kind": "drill", ...lines })]);
    return checked({ ...whole, hoses: { ...whole.hoses, functions } }, "meters");
  };
  const fan = { ...sampleFunction(1, { kind: "fan" }), part: 0 };

  it("is unknown until somebody told, and no question of what has no meters", () => {
    expect(drill({})).toMatchObject({ verdict: "unknown", target: "tool.meterDrive" });
    expect(drill({ "tool.kind": "chisel" })).toBeUndefined();
    expect(drill({ "tool.meterDrive": "wheel" })!.verdict).toBe("good");
  });

  it("agrees with the shaft and with the oil", () => {
    expect(drill({ "tool.meterDrive": "PTO generator", "tool.pto": "none" })!.verdict).toBe("fix");
    expect(drill({ "tool.meterDrive": "PTO generator", "tool.pto": "2" })!.verdict).toBe("good");
    expect(drill({ "tool.meterDrive": "oil generator" }, [fan])!.verdict).toBe("check");
    expect(drill({ "tool.meterDrive": "oil generator" }, [fan, { ...fan, kind: "generator" }])!.verdict).toBe(
      "good",
    );
    // While no function was told at all, nothing is missing from them.
    expect(drill({ "tool.meterDrive": "motor" })!.verdict).toBe("good");
  });
});
