import { describe, expect, it } from "vitest";
import { turnSheet } from "../../drawing/turn.ts";
import { turnAtHeadland } from "../../motion/headland.ts";
import { figuresIn, inWords } from "../../quantity/said.ts";
import { PRESETS } from "../../quantity/units.ts";
import { DRAWN, type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import { GUIDANCE, reckonGuidance } from "./subject.ts";
import { drawbarOf, turnOfRig } from "./turn-of-rig.ts";

const DEGREE = Math.PI / 180;

/** Everything a drawn tool's turn rests on: it fits. */
const FITS: Lines = {
  ...DRAWN,
  "axle.pin": "1.10",
  "tool.width": "6",
  "work.overlap": "0",
  "tool.lateral": "0",
  "pin.pivot": "4.20",
  "pin.workFront": "3.6",
  "pin.workRear": "4.4",
  "tool.kind": "cultivator",
  "tool.pto": "none",
  "tractor.turnRadius": "6",
  "tractor.nose": "4.3",
  "tractor.trackRear": "1.9",
  "tractor.tyreWidth": "0.62",
  "tractor.tyreHeight": "1.86",
  "tool.barWidth": "0.2",
  "tool.barLength": "2.6",
  "tool.shoulder": "2.4",
  "tool.barShape": "even",
};
const drawn = (over: Lines = {}) => sampleWhole([samplePart("drawn", { ...FITS, ...over })]);
const rows = (whole: ReturnType<typeof drawn>) =>
  new Map(GUIDANCE.checks(reckonGuidance(whole), whole).map((check) => [check.id, check]));
const turnOf = (whole: ReturnType<typeof drawn>) => {
  const { turn } = reckonGuidance(whole);
  if (turn === null || "key" in turn) throw new RangeError("no turn");
  return turn;
};

describe("a rig that turns", () => {
  it("is drawn by what it hangs on, each wheels as far behind its pin as was taped", () => {
    const rig = turnOfRig(drawn());
    if ("key" in rig) throw new RangeError(rig.key);
    expect(rig.turning.train).toEqual([{ behind: 0, hitch: 1.1, pivot: expect.closeTo(4.2, 9) }]);
    // The work lies 3.6 to 4.4 m behind the pin, the wheels 4.2 m.
    expect(rig.turning.works).toEqual([
      { body: 1, front: expect.closeTo(0.6, 9), rear: expect.closeTo(-0.2, 9), middle: 0 },
    ]);
    expect(rig.unknown).toBeNull();
    expect(rig.widthAssumed).toBe(false);
  });

  it("is one body where it is carried, and turns about the middle of tracks", () => {
    const carried = sampleWhole([
      samplePart("mounted", {
        ...MOUNTED,
        "tool.width": "3",
        "tool.lateral": "0",
        "pin.workFront": "0.6",
        "pin.workRear": "1.4",
        "tool.kind": "cultivator",
      }),
    ]);
    const rig = turnOfRig(carried);
    if ("key" in rig) throw new RangeError(rig.key);
    expect(rig.turning.train).toEqual([]);
    expect(rig.turning.works[0]).toMatchObject({ body: 0, rear: expect.closeTo(-2.45, 9) });
    const tracks = turnOfRig(drawn({ "tractor.steering": "tracks", "tractor.turn": "1.2" }));
    if ("key" in tracks) throw new RangeError(tracks.key);
    expect(tracks.turning.train[0]!.hitch).toBeCloseTo(2.3, 9);
    expect(turnOfRig(drawn({ "tractor.steering": "tracks" }))).toEqual({ part: 0, key: "tractor.turn" });
  });

  it("says which reading it hangs on", () => {
    expect(turnOfRig(drawn({ "pin.pivot": undefined }))).toEqual({ part: 0, key: "pin.pivot" });
    expect(rows(drawn({ "pin.pivot": undefined })).get("turn-fits")!.verdict).toBe("unknown");
    expect(rows(drawn({ "tractor.nose": undefined })).get("headland")).toMatchObject({
      verdict: "unknown",
      target: "tractor.nose",
    });
    expect(drawbarOf(drawn({ "tool.shoulder": undefined }).parts[0]!.rig)).toBe("tool.shoulder");
  });

  it("follows a train joint by joint", () => {
    const lead = samplePart("drawn", { ...FITS, "tool.kind": "cart" });
    const second = samplePart(
      "train",
      { ...FITS, "train.hitch": "5.4", "pin.pivot": "4.8", "tool.barWidth": undefined },
      0,
    );
    const rig = turnOfRig(sampleWhole([lead, second]));
    if ("key" in rig) throw new RangeError(rig.key);
    expect(rig.drawn).toEqual([0, 1]);
    expect(rig.turning.train[1]).toEqual({
      behind: 1,
      hitch: expect.closeTo(5.4 - 4.2, 9),
      pivot: expect.closeTo(4.8, 9),
    });
  });
});

describe("does the turn fit", () => {
  it("is good where it does, and says the headland in rounds", () => {
    const found = rows(drawn());
    const turning = [...found.values()].filter(({ id }) => !id.startsWith("steer"));
    expect(turning.map(({ id, verdict }) => [id, verdict])).toEqual([
      ["turn", "note"],
      ["headland", "good"],
      ["turn-tyre", "good"],
      ["turn-swing", "good"],
    ]);
    const { depth } = turnOf(drawn()).ways[0]!;
    expect(figuresIn(found.get("headland")!.said)[0]).toBeCloseTo(depth, 9);
    expect(inWords(found.get("headland")!.said, PRESETS.metric)).toContain(`${Math.ceil(depth / 6)} rounds`);
  });

  it("is to be mended where the tool's corner meets the tyre, and says from which radius it fits", () => {
    const whole = drawn({ "tool.barLength": "0.8", "tool.shoulder": "1.8" });
    const row = rows(whole).get("turn-tyre")!;
    expect(row.verdict).toBe("fix");
    expect(inWords(row.said, PRESETS.metric)).toContain("Here they meet.");
    const { bars } = turnOf(whole);
    const { bend, fits, limits } = bars[0]!;
    if (typeof limits.tyre === "string" || "missing" in limits.tyre) throw new RangeError("tyre");
    expect(bend).toBeGreaterThan(limits.tyre.upTo!);
    // Half a circle on the radius it fits from bends it no further than that; on the least one, with passes as far apart, too far.
    const half = (at: number) =>
      turnOf(
        drawn({
          "tractor.turnRadius": String(at),
          "tool.width": String(2 * at),
          "tool.barLength": "0.8",
          "tool.shoulder": "1.8",
        }),
      ).bars[0]!.bend;
    expect(half(fits.tyre!)).toBeLessThanOrEqual(limits.tyre.upTo! + 2e-3);
    expect(half(fits.tyre! - 0.3)).toBeGreaterThan(limits.tyre.upTo!);
  });

  it("has less room where nobody said how the drawbar is shaped: a V is reckoned with", () => {
    const at = (shape: string | undefined) => {
      const { limits } = turnOf(drawn({ "tool.barShape": shape, "tool.barLength": "1.6" })).bars[0]!;
      return typeof limits.tyre !== "string" && "upTo" in limits.tyre ? limits.tyre.upTo! : null;
    };
    expect(at(undefined)).toBe(at("v"));
    expect(at("v")!).toBeLessThan(at("even")!);
  });

  it("holds a shaft against 25° running and 45° for a moment, a wide joint against 50°, its book before either", () => {
    const shaft = { "tool.kind": "mower", "tool.pto": "2", "hitch.toPto": "0.4", "tool.shaftInput": "0.4" };
    const verdict = (over: Lines) => rows(drawn({ ...shaft, ...over })).get("turn-shaft")!.verdict;
    // Pin midway between both joints: each bends half of what the drawbar does.
    const { bend } = turnOf(drawn(shaft)).bars[0]!;
    expect(bend / 2).toBeGreaterThan(25 * DEGREE);
    expect(bend / 2).toBeLessThan(45 * DEGREE);
    expect(verdict({})).toBe("fix");
    expect(verdict({ "tool.shaftJoints": "wide ahead" })).toBe("fix");
    expect(verdict({ "tool.shaftJoints": "wide both" })).toBe("good");
    expect(verdict({ "tool.shaftBend": "40°" })).toBe("good");
    expect(verdict({ "tool.shaftBend": "20°" })).toBe("stop");
    // The pin almost under the tool's joint: that one takes nearly all of it.
    expect(verdict({ "tool.shaftInput": "0.08" })).toBe("stop");
    expect(verdict({ "tool.shaftInput": undefined })).toBe("unknown");
    expect(rows(drawn({ "tool.kind": "mower", "tool.pto": undefined })).get("turn-shaft")!.target).toBe(
      "tool.pto",
    );
    expect(rows(drawn()).has("turn-shaft")).toBe(false);
  });

  it("says what a hose is too short by", () => {
    const hoses = {
      "hitch.couplers": "0.5",
      "tractor.couplersAside": "0.4",
      "work.couplersAbove": "0",
      "tool.hosesHeld": "0.9",
    };
    // Longest with coupler, pin and holder in line: √(0.5² + 0.4²) + 0.9 = 1.5403.
    const row = (length: string) => rows(drawn({ ...hoses, "tool.hoseLength": length })).get("turn-hoses")!;
    expect(row("1.50").verdict).toBe("fix");
    expect(figuresIn(row("1.50").said)[0]).toBeCloseTo(0.0403, 3);
    expect(row("1.60").verdict).toBe("check");
    expect(row("1.65").verdict).toBe("good");
    expect(rows(drawn()).has("turn-hoses")).toBe(false);
    expect(rows(drawn({ "tool.hoseLength": "1.6" })).get("turn-hoses")!.verdict).toBe("unknown");
  });

  it("says that it folds up, and that nothing is reckoned beside tracks", () => {
    const folds = drawn({ "pin.pivot": "9", "tractor.turnRadius": "4", "tool.width": "2" });
    expect(rows(folds).get("turn-fold")!.verdict).toBe("stop");
    expect(turnOf(folds).least).toBeGreaterThan(4);
    const tracks = rows(drawn({ "tractor.steering": "tracks", "tractor.turn": "1.1" })).get("turn-tyre")!;
    expect(tracks.verdict).toBe("note");
  });

  it("asks nothing of a semi-mounted tool's drawbar, since it has none, and still drives it round", () => {
    const whole = sampleWhole([samplePart("semi", { ...FITS, "tool.kind": "plough", "tool.width": "2" })]);
    expect(turnOf(whole).rig.turning.train).toHaveLength(1);
    const found = rows(whole);
    expect([...found.keys()].filter((id) => id.startsWith("turn"))).toEqual(["turn", "turn-swing"]);
    expect(found.get("headland")!.verdict).toBe("good");
  });

  it("backs what is carried, where passes lie closer than two radii", () => {
    const carried = (width: string) =>
      sampleWhole([
        samplePart("mounted", {
          ...MOUNTED,
          "tool.width": width,
          "work.overlap": "0",
          "tool.lateral": "0",
          "pin.workFront": "0.6",
          "pin.workRear": "1.4",
          "tool.kind": "cultivator",
          "tractor.turnRadius": "5",
          "tractor.nose": "4",
        }),
      ]);
    expect(turnOf(carried("3")).ways.map(({ way }) => way)).toEqual(["round", "backed"]);
    expect(turnOf(carried("12")).ways.map(({ way }) => way)).toEqual(["round"]);
    expect(turnOf(carried("3")).rig.widthAssumed).toBe(true);
    // 12 m wide on 5 m: its corner 6 m out and 2.45 behind on √(11² + 2.45²).
    expect(turnOf(carried("12")).swing).toBeCloseTo(Math.hypot(11, 2.45) - 11, 2);
  });
});

describe("a turn drawn", () => {
  it("is to scale: the depth, a round and a strip in the same pixels for a metre", () => {
    const { rig } = turnOf(drawn());
    const asked = { way: "round" as const, apart: 6, radius: 6, hand: 1 as const };
    const turn = turnAtHeadland(rig.turning, asked);
    const sheet = turnSheet(
      rig.turning,
      turn,
      { apart: 6, hand: 1, spacing: 6 },
      { width: 660, height: 470 },
      PRESETS.metric,
    );
    const perMetre = sheet.strips[0]!.width / 6;
    expect((sheet.edge - sheet.deepest) / turn.depth).toBeCloseTo(perMetre, 6);
    expect((sheet.edge - sheet.rounds[0]!) / 6).toBeCloseTo(perMetre, 6);
    expect(sheet.strips[1]!.x - sheet.strips[0]!.x).toBeCloseTo(6 * perMetre, 6);
    for (const pose of turn.poses) {
      const { x, y } = sheet.at(pose);
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(660);
      expect(y).toBeLessThan(470);
    }
  });
});
