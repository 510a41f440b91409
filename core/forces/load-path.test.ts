import { describe, expect, it } from "vitest";
import { figured, plain, told } from "../finding/sample-words.ts";
import { linkageOf } from "../linkage/from-rig.ts";
import { liftShare, stroke } from "../linkage/linkage.ts";
import { DRAWN, type Lines, MOUNTED, NO_LIMITS, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import type { WholeRig } from "../rig/whole.ts";
import { balanceOf } from "../subjects/balance/balance-of-rig.ts";
import { balanceChecks } from "../subjects/balance/checks.ts";
import { matchChecks } from "../subjects/match/checks.ts";
import { hitchLoads } from "./load-path.ts";
import { powerOf } from "./power-of-rig.ts";

const matchOf = (whole: WholeRig) => {
  const power = powerOf(whole);
  return { power, checks: matchChecks(whole, power) };
};

const balanceAt = (whole: WholeRig) => {
  const loads = balanceOf(whole, powerOf(whole));
  return { loads, checks: balanceChecks(whole, loads) };
};

const matched = (whole: WholeRig, id: string) => matchOf(whole).checks.find((check) => check.id === id);
function balanceIn(whole: WholeRig) {
  const { loads, checks } = balanceAt(whole);
  if (!loads.ok) throw new Error(loads.missing);
  const state = (id: string) => loads.states.find((each) => each.id === id)!;
  const said = (id: string) => {
    const { verdict, said: text } = checks.find((check) => check.id === id)!;
    return `${verdict}: ${plain(text)}`;
  };
  return { ...loads, state, said };
}

describe("the pin of a cart with a drill behind", () => {
  const CART: Lines = {
    ...DRAWN,
    "tool.kind": "cart",
    "tool.draft": undefined,
    "tool.mass": "2000 kg",
    "tool.cg": "4",
    "tool.load": "0 kg",
  };
  const DRILL: Lines = {
    "axle.pin": "1.1",
    "train.hitch": "6.5",
    "hitch.verticalLimit": "3000 kg",
    "tool.mass": "4000 kg",
    "tool.cg": "4.4",
    "tool.load": "3000 kg",
    "tool.loadCg": "2.2",
    "pin.pivot": "5.5",
    "tool.kind": "drill",
    "tool.draft": "drill, pneumatic",
    "tool.width": "6",
    "work.speed": "10 km/h",
  };
  const train = sampleWhole([samplePart("drawn", CART), samplePart("train", DRILL, 0)]);

  it("is lifted by a full drill behind its wheels, worked by hand: a stop with its state", () => {
    // Cart alone 2000 × (1 − 4/5) = 400. Drill on the rear hitch 4000 × (1 − 4.4/5.5) = 800 empty, 800 + 3000 × (1 − 2.2/5.5) = 2600
    // full; 1.5 m behind the cart's wheels it takes 0.3 of that off the pin: 160 empty, −380 full.
    const loads = hitchLoads(train.parts, 0);
    expect(loads.map(({ load, words }) => [words, Math.round(load)])).toEqual([
      ["empty", 160],
      ["full", -380],
    ]);
    expect(told(matched(train, "vertical"))).toMatch(/lifts the pin .*\(full\)/);
    expect(figured(matched(train, "vertical"))).toEqual(["stop", 380]);
    expect(figured(matched(train, "vertical:2"))).toEqual(["good", 2600, 3000]);
  });

  it("carries at Balance what Match says, state by state", () => {
    const { states } = balanceIn(train);
    const at = (index: number) => hitchLoads(train.parts, index).map(({ load }) => load);
    for (const part of [0, 1]) {
      expect(states.find(({ id }) => id === "lifted empty")!.hitches[part]).toBeCloseTo(at(part)[0]!, 9);
      expect(states.find(({ id }) => id === "lifted full")!.hitches[part]).toBeCloseTo(at(part)[1]!, 9);
    }
  });

  it("is told by every combination of tanks, and names the one it lifts in", () => {
    const both = sampleWhole([
      samplePart("drawn", { ...CART, "tool.load": "1000 kg", "tool.loadCg": "3" }),
      samplePart("train", DRILL, 0),
    ]);
    // The cart's own product puts 1000 × (1 − 3/5) = 400 on the pin.
    expect(hitchLoads(both.parts, 0).map(({ load }) => Math.round(load))).toEqual([160, 560, -380, 20]);
    expect(told(matched(both, "vertical"))).toContain("tool 1 empty, tool 2 full");
    expect(figured(matched(both, "vertical"))).toEqual(["stop", 380]);
  });

  it("is unknown while the drill's load has no place, by the drill's name", () => {
    const { "tool.loadCg": _, ...rest } = DRILL;
    const bare = sampleWhole([samplePart("drawn", CART), samplePart("train", rest, 0)]);
    expect(told(matched(bare, "vertical"))).toMatch(
      /^unknown: Pin to the load's c.g. of tool 2 is not known/,
    );
  });
});

describe("a trailed tool behind a carried one", () => {
  const carrier = samplePart("mounted", MOUNTED);
  const trailed: Lines = {
    ...DRAWN,
    "axle.pin": "1.05",
    "train.hitch": "2.4",
    "tool.mass": "3000 kg",
    "tool.cg": "4",
    "tool.load": "0 kg",
  };
  const whole = sampleWhole([carrier, samplePart("train", trailed, 0)]);

  it("takes its tongue load off the front axle, worked by hand", () => {
    // 3000 × (1 − 4/5) = 600 kg on the pin, 1.05 + 2.4 behind the axle: 1279.2 − 600 × 3.45 / 2.65 = 498.
    const { state, said } = balanceIn(whole);
    expect(state("lifted empty").front).toBeCloseTo(1279.25 - (600 * 3.45) / 2.65, 0);
    expect(state("step 1").front).toBeCloseTo(1279, 0);
    expect(said("front")).toMatch(/^stop/);
  });

  it("hangs on the lift as well, and is said to want a hitch made for it", () => {
    // 1650 kg at 0.75 and 600 kg at 2.4: 2250 kg at (1237.5 + 1440) / 2250 = 1.19 m
    const [load] = hitchLoads(whole.parts, 0);
    expect(load).toMatchObject({ load: 2250 });
    expect(load!.at).toBeCloseTo(1.19, 3);
    expect(told(matched(whole, "behind-carried:2"))).toMatch(/^check: .*the lift carries/);
  });
});

describe("the lift", () => {
  const shareAt = (lines: Lines, back: number) => {
    const { linkage } = linkageOf(samplePart("mounted", lines).rig);
    return Math.min(
      ...stroke(linkage!, 0.2, 1, 12).map(({ angle }) => liftShare(linkage!, angle, { back, up: 0 })!),
    );
  };

  it("holds a spreader at the common centre of gravity of machine and product", () => {
    // 600 kg at 0.55 and 1800 kg at 0.95: 2400 kg at (330 + 1710) / 2400 = 0.85 m
    const lines: Lines = {
      ...MOUNTED,
      "tool.kind": "spreader",
      "tool.mass": "600 kg",
      "tool.cg": "0.55",
      "tool.load": "1800 kg",
      "tool.loadCg": "0.95",
      "hitch.lift": "3000 kg",
    };
    expect(hitchLoads([samplePart("mounted", lines)], 0)[1]).toMatchObject({ load: 2400, words: "full" });
    const [, , , holds] = figured(matched(sampleWhole([samplePart("mounted", lines)]), "lift"));
    expect(holds).toBeCloseTo(3000 * shareAt(lines, 0.85), -1);
    expect(holds).toBeLessThan(3000 * shareAt(lines, 0.55) - 20);
  });

  it("quoted behind the link ends is compared with a load there, and holds more at the link ends", () => {
    const tail: Lines = {
      ...MOUNTED,
      "tool.mass": "2400 kg",
      "tool.cg": "2.5",
      "pin.pivot": "5",
      "hitch.lift": "1100 kg",
      "hitch.liftBehind": "0.61",
    };
    // Half of 2400 kg on the links. 1100 kg held 0.61 m behind the balls is 1100 / share at the balls.
    const whole = sampleWhole([samplePart("semi", tail)]);
    const holds = 1100 / shareAt(tail, 0.61);
    expect(holds).toBeGreaterThan(1200);
    expect(figured(matched(whole, "lift"))).toEqual(["good", 1200, 1100, 0.61, Number(holds.toPrecision(4))]);
    const bare = sampleWhole([samplePart("semi", { ...tail, "hitch.ballLow": undefined })]);
    expect(told(matched(bare, "lift"))).toMatch(/^check: .*is not known yet/);
  });

  it("is a stop where a tool on the lower links lifts them, and has brakes and a towed mass to check", () => {
    const rolls: Lines = {
      ...MOUNTED,
      "tool.mass": "3600 kg",
      "tool.cg": "5.2",
      "pin.pivot": "5",
      "hitch.lift": "4000 kg",
      "hitch.towLimit": "3000 kg",
      "tool.brakes": "none",
    };
    const limits = { ...NO_LIMITS, country: "Vesland", unbraked: 3000 };
    for (const attachment of ["links", "semi"] as const) {
      const whole = sampleWhole([samplePart(attachment, rolls)], { limits });
      // 3600 × (1 − 5.2/5) = −144
      expect(figured(matched(whole, "lift")), attachment).toEqual(["stop", 144]);
      expect(figured(matched(whole, "towed"))).toEqual(["stop", 3600, 3000, 600]);
      expect(figured(matched(whole, "brakes"))).toEqual(["stop", 3600, 3000]);
      expect(
        figured(matched(sampleWhole([samplePart(attachment, { ...rolls, "tool.cg": "4" })]), "lift")),
      ).toEqual(["good", 720, 4000]);
    }
  });
});

describe("a tank carried in front", () => {
  it("hangs on the links at work too, worked by hand", () => {
    const tank: Lines = {
      ...MOUNTED,
      "axle.pin": "3.6",
      "tool.kind": "cart",
      "tool.mass": "500 kg",
      "tool.cg": "0.6",
      "tool.load": "1500 kg",
      "tool.loadCg": "0.7",
    };
    const drill = samplePart("mounted", {
      ...MOUNTED,
      "tool.kind": "drill",
      "tool.draft": "drill, pneumatic",
      "tool.width": "3",
      "tool.pto": "none",
      "work.control": "float",
    });
    const whole = sampleWhole([samplePart("front", { ...tank, "tool.pto": "none" }), drill]);
    // At work the drill's weight is on the ground; the tank's 2000 kg stand 3.6 + (300 + 1050) / 2000 = 4.275 m ahead of the rear axle.
    const pull = powerOf(whole).parts[1]!.need!.pull / 9.80665;
    const expected = (2400 * 2.65 + 2000 * 4.275 - pull * 0.5) / 2.65;
    const at = balanceIn(whole).state("pulling full");
    const tankPull = powerOf(whole).parts[0]!.need!.pull / 9.80665;
    expect(at.front).toBeCloseTo(expected - (tankPull * 0.5) / 2.65, 0);
    expect(at.front).toBeGreaterThan(5000);
  });
});
