import { describe, expect, it } from "vitest";
import { plain } from "../finding/sample-words.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import type { WholeRig } from "../rig/whole.ts";
import { sampleAdjuster, sampleLook } from "../subjects/ground/guide/sample.ts";
import { sampleFunction, sampleRemote, sampleSupply } from "../subjects/hoses/sample.ts";
import { judgeWhole } from "../subjects/judge-whole.ts";
import { NO_GROUND, type PartGround, type Seen } from "../yard/ground.ts";
import { sampleWork } from "../yard/sample-work.ts";
import type { Work } from "../yard/work.ts";
import { ladderOf, type RigLog, readyToSteer, standing } from "./ladder.ts";

const COUPLED = { at: "2026-04-02T06:00:00Z", person: "Mira" };
const EMPTY: RigLog = {
  coupled: null,
  runs: [],
  plugged: null,
  places: new Set(),
  ticks: new Map(),
  day: "2026-04-02T05:00:00Z",
  proved: null,
  since: null,
};
const GUIDED: Lines = {
  "tool.width": "3",
  "work.overlap": "0",
  "guidance.trackSpacing": "3",
};

function whole(lines: Lines = {}, kinds: readonly string[] = []): WholeRig {
  const functions = kinds.map((kind, at) => ({ ...sampleFunction(at + 1, { kind }), part: 0 }));
  return sampleWhole([samplePart("mounted", { ...MOUNTED, ...GUIDED, ...lines })], {
    hoses: {
      supply: sampleSupply([1, 2, 3].map((number) => sampleRemote(number))),
      functions,
      pins: new Map(),
      habits: new Map(),
      told: [true],
      sockets: [[]],
    },
  });
}

function rungs(log: Partial<RigLog> = {}, rig: WholeRig = whole()) {
  return ladderOf({ whole: rig, judged: judgeWhole(rig), log: { ...EMPTY, ...log } });
}
const rung = (key: string, log: Partial<RigLog> = {}, rig?: WholeRig) => {
  const found = rungs(log, rig).find((each) => each.key === key)!;
  return `${found.state}: ${plain(found.why)}`;
};

describe("the ladder", () => {
  it("stands in the order of the morning, each rung with its reason and what to do", () => {
    const all = rungs();
    expect(all.map(({ key }) => key)).toEqual([
      "sound",
      "coupled",
      "hoses",
      "unfolded",
      "running",
      "figures",
      "job",
      "trigger",
      "position",
      "line",
      "enabled",
      "engaged",
      "proved",
    ]);
    for (const { state, why, next, byPerson } of all) {
      expect(why).toMatch(/\.$/);
      if (state === "not yet") expect(byPerson || next !== null).toBe(true);
    }
  });

  it("asks for the job, its screen and its line, and what was seen on another field counts no more", () => {
    const lines = {
      "tool.kind": "drill",
      "tool.meterDrive": "motor",
      "rate.seed": "160 kg/ha",
      "tool.rateController": "no",
    };
    const set = (work: Partial<Work> | null) => ({
      ...whole(lines),
      work: work && sampleWork({ ...work }),
    });
    expect(rung("job", {}, set(null))).toMatch(/^not yet: Not known yet: No job is set/);
    expect(rung("job", {}, set({}))).toBe("good: Set for Long Acre by Ola.");
    expect(rung("job", {}, set({ crop: null }))).toBe("not yet: No crop is told.");
    expect(rung("screen", {}, set({}))).toMatch(/^good/);
    expect(rung("screen", {}, set({ screenActive: false }))).toMatch(/^not yet: The set of pages/);
    expect(rung("job", {}, set({ screenActive: false }))).toMatch(/^good/);
    expect(rung("line", {}, set({ line: null }))).toBe("not yet: No line is chosen.");
    const seen = (at: string) => ({
      coupled: COUPLED,
      ticks: new Map(["engaged", "trigger"].map((key) => [key, { person: "Mira", at }])),
    });
    expect(rung("engaged", seen("2026-04-02T06:20:00.000Z"), set({}))).toMatch(
      /^not yet: Seen by Mira on another field/,
    );
    expect(rung("trigger", seen("2026-04-02T06:20:00.000Z"), set({}))).toBe("good: Seen by Mira.");
    expect(rung("engaged", seen("2026-04-02T06:40:00.000Z"), set({}))).toBe("good: Seen by Mira.");
  });

  it("has the four conditions of steering in their order, and none where nothing steers", () => {
    expect(readyToSteer(rungs()).map(({ key }) => key)).toEqual(["position", "line", "enabled", "engaged"]);
    expect(readyToSteer(rungs().filter(({ key }) => key === "sound"))).toEqual([]);
  });

  it("is coupled by its log alone", () => {
    expect(rung("coupled")).toMatch(/^not yet: Its hook-up list is not ticked through/);
    expect(rung("coupled", { coupled: COUPLED })).toBe("good: By its list, Mira.");
  });

  it("does not call sound what nobody knows", () => {
    expect(rung("sound")).toMatch(/^not yet: Not known yet/);
    expect(rung("sound", {}, whole({ "tool.mass": "2400 kg" }))).toMatch(/^not yet: .*must stay on it/);
    expect(rung("sound", {}, whole({ "tool.mass": "2400 kg" }))).toBe(
      "not yet: Lifted: 770 kg on the front axle, 12 % of the unladen weight; 20 % must stay on it.",
    );
  });

  it("asks for hoses where there are some: kept, and on the couplings of the plan", () => {
    const hosed = whole({}, ["lift", "wings"]);
    const places = new Set(["lift 1", "wings 2"]);
    expect(rung("hoses")).toMatch(/^not applicable/);
    expect(rung("hoses", { places }, hosed)).toMatch(/^not yet: Nobody kept/);
    expect(rung("hoses", { places, plugged: new Set(["lift 2", "wings 1"]) }, hosed)).toMatch(
      /^not yet: .*other couplings/,
    );
    expect(rung("hoses", { places, plugged: new Set(places) }, hosed)).toMatch(/^good/);
  });

  it("takes a run that is older than the coupling for none", () => {
    const folding = whole({}, ["wings"]);
    const run = (at: string) => ({
      coupled: COUPLED,
      runs: [new Map([["unfold", { finished: at, begun: at }]] as const)],
    });
    expect(rung("unfolded", run("2026-04-01T06:00:00Z"), folding)).toMatch(
      /^not yet: Unfold was not run through/,
    );
    expect(rung("unfolded", run("2026-04-02T07:00:00Z"), folding)).toBe(
      "good: Run through since it was coupled, and nothing ended it.",
    );
    expect(rung("unfolded", run("2026-04-02T07:00:00Z"))).toMatch(/^not applicable/);
  });

  it("wants the terminal's spacing read, and equal to width less overlap", () => {
    expect(rung("line")).toMatch(/^good/);
    expect(rung("line", {}, whole({ "guidance.trackSpacing": "2.9" }))).toMatch(
      /^not yet: It is not the working width/,
    );
    const { "guidance.trackSpacing": _, ...unread } = { ...MOUNTED, ...GUIDED };
    const bare = sampleWhole([samplePart("mounted", unread)]);
    expect(rung("line", {}, bare)).toMatch(/^not yet: Nobody read it/);
  });

  it("leaves to a person what nobody else can know", () => {
    const mine = rungs().filter(({ byPerson }) => byPerson);
    expect(mine.map(({ key }) => key)).toEqual(["trigger", "position", "enabled", "engaged"]);
    const ticks = new Map([["position", { person: "Mira", at: COUPLED.at }]]);
    expect(rung("position", { ticks })).toBe("good: Seen by Mira.");
  });

  it("is proved by a field test since it was coupled", () => {
    expect(rung("proved", { proved: "2026-03-01T00:00:00Z", coupled: COUPLED })).toMatch(
      /older than this coupling/,
    );
    expect(rung("proved", { proved: "2026-04-02T09:00:00Z", coupled: COUPLED })).toMatch(/^good/);
  });

  it("asks nothing of field work from a cart, and counts what applies", () => {
    const cart = rungs({}, whole({ "tool.kind": "cart" }));
    expect(cart.map(({ key }) => key)).not.toContain("trigger");
    const { good, all } = standing(rungs({ coupled: COUPLED }));
    expect(all).toBe(rungs().filter(({ state }) => state !== "not applicable").length);
    expect(good).toBeGreaterThan(0);
    expect(good).toBeLessThan(all);
  });
});

describe("the first strip", () => {
  const BEGUN = "2026-04-02T07:00:00Z";
  /** A mower whose strip has these looks, each a minute after it was begun. */
  const mower = (
    looks: Record<string, Partial<Seen>>,
    at = BEGUN,
    more: Partial<PartGround> = {},
  ): WholeRig => {
    const rig = whole({ "tool.kind": "mower" });
    const strip = { id: "s", field: "Brook", soil: null, moisture: null, crop: "", person: "Mira", at };
    const seen = Object.entries(looks).map(([step, each], index) => ({
      ...sampleLook(step, each),
      at: `${at}${index}`,
    }));
    return { ...rig, ground: [{ ...NO_GROUND, strip, looks: seen, ...more }] };
  };
  const READY = { choices: { bracket: "out", stands: "up", keys: "yes" } };
  const CHARGED = { figures: { charge: 130e5 }, choices: { tap: "shut" } };

  it("is proved by a guided strip begun since it was coupled, and by no test of geometry", () => {
    const log = { coupled: COUPLED, proved: BEGUN };
    expect(rung("strip", log, whole({ "tool.kind": "mower" }))).toBe("not yet: No strip was begun.");
    expect(rung("strip", log, mower({}, "2026-04-01T07:00:00Z"))).toMatch(/older than this coupling/);
    expect(rung("strip", log, mower({ ready: READY }))).toMatch(
      /^not yet: Pitch of the bed: Not looked at yet/,
    );
    const all = {
      ready: READY,
      bed: { figures: { scale: 0 } },
      suspension: CHARGED,
      stand: { choices: { where: "float" } },
      cut: { lists: { stubble: [0.06, 0.06, 0.06, 0.06] }, figures: { wanted: 0.06 } },
      conditioner: { choices: { speed: "none", seen: "even" } },
      swath: { choices: { aim: "baler" }, figures: { width: 1.2, pickup: 1.4 } },
    };
    expect(rung("strip", log, mower(all))).toBe("good: Good in every step, on Brook.");
    expect(rungs(log, whole({ "tool.kind": "sprayer" })).map(({ key }) => key)).not.toContain("strip");
  });

  it("has locks and taps looked at since it was coupled, and nothing left in storage", () => {
    const log = { coupled: COUPLED };
    expect(rung("released", log, whole({ "tool.kind": "mower" }))).toMatch(/^not yet: Nobody looked/);
    expect(rung("released", log, mower({ ready: READY }))).toMatch(
      /^not yet: Nobody looked|^not yet: Suspension/,
    );
    const open = { figures: { charge: 130e5 }, choices: { tap: "open" } };
    expect(rung("released", log, mower({ ready: READY, suspension: open }))).toMatch(
      /^not yet: Suspension: The tap is open/,
    );
    const both = { ready: READY, suspension: CHARGED };
    expect(rung("released", log, mower(both))).toBe("good: Looked at since it was coupled.");
    const stored = sampleAdjuster(1, "Deflector", { storage: 0, setting: 0 });
    expect(rung("released", log, mower(both, BEGUN, { adjusters: [stored] }))).toBe(
      "not yet: In storage position: Deflector.",
    );
  });
});
