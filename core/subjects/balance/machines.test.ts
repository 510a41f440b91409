/** Machines that are no wheeled tractor: tracks, a combine with its grain tank and its head. */

import { describe, expect, it } from "vitest";
import { figured, plain, told } from "../../finding/sample-words.ts";
import { powerOf } from "../../forces/power-of-rig.ts";
import { hookupList } from "../../hookup/list.ts";
import { askedOf } from "../../rig/asked.ts";
import { DRAWN, type Lines, NO_LIMITS, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { WholeRig } from "../../rig/whole.ts";
import type { RoadLimits } from "../../yard/road.ts";
import { judgeWhole } from "../judge-whole.ts";
import { balanceOf } from "./balance-of-rig.ts";
import { balanceChecks } from "./checks.ts";

const balanceAt = (whole: WholeRig) => {
  const loads = balanceOf(whole, powerOf(whole));
  return { loads, checks: balanceChecks(whole, loads) };
};

const checked = (whole: WholeRig, id: string) => judgeWhole(whole).checks.find((check) => check.id === id);
const statesOf = (whole: WholeRig) => {
  const { loads } = balanceAt(whole);
  if (!loads.ok) throw new Error(loads.missing);
  return loads.states;
};

/** 10 t on tracks: their middle 1.0 m ahead of the drive wheels, end rollers 1.1 m either way, the bare weight 0.1 m ahead of the middle. */
const TRACKS: Lines = {
  ...DRAWN,
  "tractor.steering": "tracks",
  "tractor.turn": "1",
  "tractor.rollerFront": "1.1",
  "tractor.rollerRear": "1.1",
  "tractor.mass": "10000 kg",
  "tractor.cg": "0.1 ahead",
  "tractor.front": undefined,
  "tractor.rear": undefined,
  "tractor.wheelbase": undefined,
  "hitch.pinHeight": "0.5",
};

describe("a machine on tracks", () => {
  const whole = (lines: Lines = {}) => sampleWhole([samplePart("drawn", { ...TRACKS, ...lines })]);

  it("stands on its end rollers, worked by hand", () => {
    // Bare: (0.1 + 1.1) / 2.2 of 10 t in front. The drill's 350 kg hang 1.1 + 1.0 behind the middle, 1.0 behind the rear roller:
    // −350 × 1.0 / 2.2 in front.
    const states = statesOf(whole());
    const alone = states.find(({ id }) => id === "alone")!;
    expect(alone.front).toBeCloseTo((10000 * 1.2) / 2.2, 6);
    const full = states.find(({ id }) => id === "lifted full")!;
    expect(full.front).toBeCloseTo((10000 * 1.2) / 2.2 - 350 / 2.2, 6);
    expect(full.rear).toBeCloseTo(10350 - full.front, 6);
  });

  it("stops below a fifth in front, and is a check where the weight leaves the middle third", () => {
    expect(told(checked(whole(), "front"))).toMatch(/^good: .*on the front of the tracks/);
    expect(told(checked(whole(), "tracks-middle"))).toMatch(/^good/);
    // 0.5 m behind the middle: 0.6 / 2.2 = 27 % in front, less the pin: over a fifth, outside the middle third.
    const back = whole({ "tractor.cg": "0.5 behind" });
    expect(told(checked(back, "front"))).toMatch(/^check: .* while pulling/);
    expect(told(checked(back, "tracks-middle"))).toMatch(/^check: .*leaves the middle third/);
    expect(told(checked(whole({ "tractor.cg": "0.8 behind" }), "front"))).toMatch(/^stop/);
  });

  it("has no front axle, no tyre tables and no pressures anywhere", () => {
    const rig = whole();
    const keys: string[] = askedOf(rig.parts[0]!.rig).map(({ key }) => key);
    for (const key of [
      "tractor.wheelbase",
      "tractor.front",
      "tractor.pressureFrontLeft",
      "tractor.frontLimit",
    ])
      expect(keys).not.toContain(key);
    expect(keys).toEqual(expect.arrayContaining(["tractor.rollerFront", "tractor.rollerRear", "tractor.cg"]));
    const judged = judgeWhole(rig);
    const { checks } = judged;
    const ids = checks.map(({ id }) => id);
    for (const id of ["tyres-front", "tyres-rear", "alike-front", "front-limit", "rear-limit", "track"])
      expect(ids).not.toContain(id);
    const list = hookupList(rig, judged);
    expect(list.map(({ key }) => key).join(" ")).not.toContain("tyres");
    expect(checks.map((check) => plain(check.said)).join(" ")).not.toMatch(/front axle/i);
  });

  it("asks for its rollers before it tells loads", () => {
    expect(told(checked(whole({ "tractor.rollerRear": undefined }), "front"))).toMatch(
      /^unknown: Middle of the tracks to the rear/,
    );
  });
});

describe("a combine", () => {
  const COMBINE: Lines = {
    "tractor.wheelbase": "3.8",
    "tractor.front": "8000 kg",
    "tractor.rear": "5000 kg",
    "tractor.grainTank": "6000 kg",
    "tractor.grainTankCg": "0.57 ahead",
    "tractor.frontLimit": "15000 kg",
    "tractor.rearLimit": "6000 kg",
    "axle.pin": "1.9",
    "tool.kind": "header",
    "tool.mass": "2000 kg",
    "tool.cg": "0.95",
  };
  const whole = (lines: Lines = {}, limits: RoadLimits = NO_LIMITS) =>
    sampleWhole([samplePart("head", { ...COMBINE, ...lines })], { limits });

  it("has its grain tank as a load state: empty, half, full, worked by hand", () => {
    // Head 2000 × 2.85 / 3.8 = 1500 off the steered axle; full, 6000 × 0.57 / 3.8 = 900 more off it.
    const steered = (id: string) => statesOf(whole()).find((state) => state.id === id)!.front;
    expect(steered("lifted empty")).toBeCloseTo(3500, 6);
    expect(steered("lifted half")).toBeCloseTo(3050, 6);
    expect(steered("lifted full")).toBeCloseTo(2600, 6);
    // On the drive axle: 8000 + 2000 + 1500 + 6000 + 900
    const limit = judgeWhole(whole()).checks.find(({ id }) => id === "rear-limit");
    expect(plain(limit!.said)).toContain("Lifted, full");
    expect(figured(limit)).toEqual(["stop", 18_400, 15_000, 3_400]);
  });

  it("is unknown while nobody told what its tank holds", () => {
    expect(told(checked(whole({ "tractor.grainTank": undefined }), "front"))).toMatch(/^unknown: Grain tank/);
    expect(told(checked(whole({ "tractor.grainTankCg": undefined }), "front"))).toMatch(
      /^unknown: Drive axle to the grain/,
    );
    expect(
      told(checked(whole({ "tractor.grainTank": "0 kg", "tractor.grainTankCg": undefined }), "front")),
    ).toMatch(/^good/);
  });

  it("stops with a head wider than the road, and asks for no width of one on its own trailer", () => {
    const limits = { ...NO_LIMITS, country: "Vesland", width: 3 };
    expect(figured(checked(whole({ "tool.transportWidth": "9.2" }, limits), "road-width"))).toEqual([
      "stop",
      9.2,
      3,
    ]);
    expect(told(checked(whole({}, limits), "road-width"))).toMatch(/^unknown/);
    const drawn = whole({ "tool.headTravels": "on its own trailer", "tool.transportWidth": "9.2" }, limits);
    expect(told(checked(drawn, "road-width"))).toMatch(/^good: .*its own trailer/);
  });
});

describe("widths", () => {
  it.each([
    ["sprayer", "48", null],
    ["drill", "36", null],
    ["drill", "45", "unusual"],
    ["plough", "0.4", null],
    ["plough", "9", "unusual"],
    ["mower", "18", null],
    ["mower", "22", "unusual"],
    ["mower", "75", "range"],
    ["planter", "0.75", null],
  ] as const)("of a %s of %s m: doubt %s", (kind, width, doubt) => {
    const { values } = samplePart("drawn", {
      "tool.kind": kind,
      "tool.width": width,
      "rows.count": "1",
      "tool.count": "1",
    }).rig;
    expect(values["tool.width"].doubt).toBe(doubt);
    expect(values["rows.count"].doubt).toBeNull();
    expect(values["tool.count"].doubt).toBeNull();
  });
});
