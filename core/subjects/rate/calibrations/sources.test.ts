import { describe, expect, it } from "vitest";
import { inWords } from "../../../quantity/said.ts";
import { PRESETS } from "../../../quantity/units.ts";
import { type Lines, samplePart } from "../../../rig/sample-whole.ts";
import { atMoisture } from "../../../trade/harvest.ts";
import { POWER_UP } from "./power-up.ts";
import { judgeSources, SPEED_SOURCES } from "./sources.ts";
import { withoutEach } from "./weighed.ts";

const KMH = 1 / 3.6;

function next(used: string, run: Record<string, number>, choices: Record<string, string> = {}) {
  const { rig } = samplePart("boom", { "tool.kind": "sprayer", "rate.speedSource": used });
  const { next: said } = SPEED_SOURCES.solve({
    rig,
    setup: { figures: {}, choices: {} },
    runs: [{ figures: { distance: 100, time: 40, ...run }, choices, lists: {} }],
    left: new Set(),
    kept: [],
    before: [],
  });
  return said.map((each) => inWords(each, PRESETS.metric));
}

describe("speed by several sources over a taped distance", () => {
  it("tells no signal from one of standing still, and says nothing of what nobody looked at", () => {
    const found = judgeSources([{ taped: 2.5, shown: { wheel: "absent", radar: 0, receiver: 2.5 } }]);
    expect(found).toEqual([
      { key: "wheel", off: null, absent: true, standing: false },
      { key: "radar", off: -1, absent: false, standing: true },
      { key: "receiver", off: 0, absent: false, standing: false },
    ]);
  });

  it("takes the mean over runs, each against its own speed", () => {
    const found = judgeSources([
      { taped: 2, shown: { tractor: 2.2 } },
      { taped: 3, shown: { tractor: 3.36 } },
    ]);
    expect(found[0]!.off!).toBeCloseTo(0.11, 12);
  });

  it("says why the one in use is wrong, and which to take meanwhile", () => {
    // 9.0 km/h by tape.
    expect(next("tractor", { tractor: 10.1 * KMH, receiver: 9 * KMH })).toEqual([
      "The tractor's signal shows 12.2\u00a0% more: driven wheels slip at work: it counts turns that bring it no further.",
      "The receiver is right: take that meanwhile.",
    ]);
    expect(next("wheel", { wheel: 9.4 * KMH })[0]).toContain("a worn tyre or less pressure turns oftener");
    expect(next("wheel", { wheel: 9.1 * KMH })).toEqual(["Its own wheel is right: keep it."]);
    expect(next("radar", { wheel: 9 * KMH }, { radar: "absent" })).toEqual([
      "Radar gives no signal, and speed is taken from it: look at its plug, or take another.",
      "Its own wheel is right: take that meanwhile.",
    ]);
    expect(next("radar", { radar: 0 })[0]).toContain("shows 0.0 while it drives");
    expect(next("wheel", { radar: 9 * KMH })[0]).toContain("was not looked at");
  });
});

describe("what the computer shows when it is switched on", () => {
  const look = (lines: Lines, figures: Record<string, number>) =>
    POWER_UP.solve({
      rig: samplePart("boom", { "tool.kind": "sprayer", "rate.liquid": "180 l/ha", ...lines }).rig,
      setup: { figures: {}, choices: {} },
      runs: [{ figures, choices: {}, lists: {} }],
      left: new Set(),
      kept: [],
      before: [],
    }).next.map((each) => inWords(each, PRESETS.metric));

  it("is held against what is told here; what nobody told is not called the same", () => {
    expect(look({ "tool.width": "24" }, { width: 24, rate: 180e-7 })).toEqual([
      "It shows what is told here.",
    ]);
    expect(look({ "tool.width": "24" }, { width: 21 })[0]).toContain("every hectare is wrong by that");
    expect(look({ "tool.width": "24" }, { rate: 200e-7 })[0]).toContain("180\u00a0l/ha was set here");
    expect(look({}, { sections: 9 })).toEqual([
      "Nobody told how many sections it has: that was not compared.",
    ]);
  });
});

describe("loads and tickets", () => {
  it("tell how much hangs on a single one: the constant without each in turn", () => {
    const pairs = [
      { over: 1000, under: 1000 },
      { over: 1010, under: 1000 },
      { over: 1080, under: 1000 },
    ];
    const { low, high } = withoutEach(pairs, new Set())!;
    expect(low).toEqual({ at: 2, value: expect.closeTo(1.005, 12) });
    expect(high).toEqual({ at: 0, value: expect.closeTo(1.045, 12) });
    expect(withoutEach(pairs.slice(1), new Set())).toBeNull();
  });

  it("dry mass is wet × (1 − m) ÷ (1 − m₀): 10 t at 18 % are 9.535 t at 14 %", () => {
    expect(atMoisture(10, 0.18, 0.14)).toBeCloseTo(9.5349, 4);
  });
});
