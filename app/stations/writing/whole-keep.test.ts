import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { rigFacts } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { eventsOf, keepEvent, rivalsOf, ticksOf } from "../../../data/hookup.ts";
import { keepReading } from "../../../data/readings.ts";
import { fittedOf } from "../../../data/settings.ts";
import { balanceView } from "../balance/balance-view.ts";
import { keepWeights } from "../balance/keep-weights.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { hitchView } from "../hitch/hitch-view.ts";
import { hookupView, statesOf } from "../hookup/hookup-view.server.ts";
import { keepCoupling, keepTicked } from "../hookup/keep-hookup.server.ts";
import { matchView } from "../match/match-view.ts";
import { carryOut } from "./writes.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = (name: string, units = PRESETS.metric) => sampleOpen(db, name, units);
const form = sampleForm;
const errorsOf = (outcome: ReturnType<typeof keepTicked>) => {
  if (outcome.ok) throw new Error("it was kept");
  return outcome.errors;
};

describe("the hook-up list", () => {
  const tick = (rig: OpenRig, key: string, fields: Record<string, string> = {}) => {
    const { line } = statesOf(rig).find((each) => each.line.key === key)!;
    return keepTicked(
      rig,
      form({ line: key, said: line.metric, state: "done", reason: "", ...fields }),
      arrived(),
    );
  };

  it("is ticked in order, coupled when all that protects people is settled, and expires when uncoupled", () => {
    const rig = () => open("Grain drill");
    const guards = statesOf(rig()).filter(({ line }) => line.protects);
    expect(errorsOf(tick(rig(), guards[1]!.line.key)).form).toMatch(/^First: /);
    expect(errorsOf(keepCoupling(rig(), form({ kind: "coupled" }), arrived())).form).toMatch(/^Still open: /);
    for (const { line } of statesOf(rig())) expect(tick(rig(), line.key).ok).toBe(true);
    expect(hookupView(rig())).toMatchObject({ open: null, coupled: null });
    // Another rig of the yard stands coupled to the same tractor: it is asked once, and ends then.
    const [rival] = rivalsOf(db, rig().rig.id) as [{ id: number; name: string }];
    keepEvent(db, rival.id, "coupled", { person: "Mira", at: new Date(Date.now() - 3_600_000) });
    expect(hookupView(rig()).instead).toContain(rival.name);
    expect(errorsOf(keepCoupling(rig(), form({ kind: "coupled" }), arrived())).instead).toContain(rival.name);
    const id = uuid();
    expect(keepCoupling(rig(), form({ kind: "coupled", instead: "yes", id }), arrived()).ok).toBe(true);
    expect(eventsOf(db, rival.id)[0]).toMatchObject({ kind: "uncoupled", person: "Mira" });
    expect(hookupView(rig()).instead).toBeNull();
    expect(errorsOf(keepCoupling(rig(), form({ kind: "coupled" }), arrived())).form).toMatch(/already/);
    expect(hookupView(rig()).coupled?.said).toContain("Mira");
    expect(keepCoupling(rig(), form({ kind: "uncoupled" }), arrived()).ok).toBe(true);
    expect(hookupView(rig()).done).toBe(0);
    expect(eventsOf(db, rig().rig.id)).toHaveLength(2);
  });

  it("holds a tick whatever units it is looked at in", () => {
    const metric = open("Grain drill");
    const line = statesOf(metric)[0]!.line.key;
    expect(tick(metric, line).ok).toBe(true);
    expect(statesOf(open("Grain drill", PRESETS.us))[0]!.tick).not.toBeNull();
  });

  it("is declared not to apply only with a reason, and never ticked on words that changed", () => {
    const rig = open("Stubble");
    const guard = statesOf(rig).find(({ line }) => line.protects && !line.stop)!.line.key;
    expect(errorsOf(tick(rig, guard, { state: "not applicable" })).reason).toMatch(/why/);
    expect(errorsOf(tick(rig, guard, { said: "Other words." })).form).toMatch(
      /^The line reads otherwise now/,
    );
    expect(errorsOf(tick(rig, guard, { person: "" })).person).toBe("Say who you are.");
    const stop = statesOf(rig).find(({ line }) => line.stop)!.line.key;
    expect(errorsOf(tick(rig, stop)).form).toMatch(/cured, not ticked/);
  });

  it("cites the readings its lines come from, and changes with them", () => {
    const before = hookupView(open("Stubble")).rows.find(({ text }) => text.includes("lower pins"))!;
    expect(before.cites.map(({ label }) => label)).toContain("Implement's hitch category");
    const { rig } = open("Stubble");
    for (const [key, value] of [
      ["tool.lowerPin", 0.0366],
      ["tool.upperPin", 0.03175],
    ] as const)
      keepReading(db, rig, {
        key,
        rawText: `${value}`,
        value,
        step: 0.0001,
        instrument: "tape",
        person: "Mira",
        at: new Date("2026-11-02T07:00:00Z"),
      });
    const after = hookupView(open("Stubble")).rows.find(({ text }) => text.includes("lower pins"))!;
    expect([before.text.includes("bushing"), after.text.includes("bushing")]).toEqual([true, false]);
  });
});

describe("weights put on", () => {
  const putOn = (counts: string, fields = {}) => {
    const rig = open("Stubble");
    return keepWeights(rig, form({ [`count-${rig.whole.weights[0]!.id}`]: counts, ...fields }), arrived());
  };

  it("change the balance at once, and make the weighed axles stale", () => {
    const before = open("Stubble").judged.checks.find(({ id }) => id === "front")!.verdict;
    expect(putOn("4").ok).toBe(true);
    const after = open("Stubble");
    expect([before, after.judged.checks.find(({ id }) => id === "front")!.verdict]).toEqual(["stop", "good"]);
    expect([...fittedOf(db, [after.rig.id]).get(after.rig.id)!.values()]).toEqual([4]);
  });

  it("are refused past the stock, in pieces, unnamed or unchanged; nothing is written", () => {
    const id = open("Stubble").whole.weights[0]!.id;
    expect(errorsOf(putOn("9"))[`count-${id}`]).toBe("There are only 8.");
    expect(errorsOf(putOn("2.5"))[`count-${id}`]).toMatch(/whole number/);
    expect(errorsOf(putOn("4", { person: "" })).person).toBe("Say who you are.");
    expect(errorsOf(putOn("0")).form).toMatch(/Nothing was changed/);
    expect(open("Stubble").whole.weights[0]!.fitted).toBe(0);
  });
});

describe("ticks that come late", () => {
  const tickAt = (rig: OpenRig, key: string, at: Date) => {
    const { line } = statesOf(rig).find((each) => each.line.key === key)!;
    return keepTicked(rig, form({ line: key, said: line.metric, state: "done", reason: "" }), arrived(at));
  };
  const hour = (n: number) => new Date(Date.parse("2026-11-20T00:00:00Z") + n * 3600_000);

  it("belong to the coupling they were made in: of one that is over they are kept, said, and not counted", () => {
    const rig = () => open("Grain drill");
    const guards = statesOf(rig()).filter(({ line }) => line.protects);
    keepEvent(db, rig().rig.id, "coupled", { person: "Mira", at: hour(6) });
    keepEvent(db, rig().rig.id, "uncoupled", { person: "Mira", at: hour(10) });
    // Every line ticked at nine without a connection, sent after the uncoupling at ten.
    for (const { line } of statesOf(rig())) {
      const kept = tickAt(rig(), line.key, hour(9));
      expect(kept).toMatchObject({ ok: true, kept: { said: expect.stringContaining("does not count now") } });
    }
    expect(ticksOf(db, rig().rig.id).length).toBeGreaterThanOrEqual(guards.length);
    expect(hookupView(rig()).done).toBe(0);
    expect(errorsOf(keepCoupling(rig(), form({ kind: "coupled" }), arrived(hour(11)))).form).toMatch(
      /^Still open/,
    );
  });

  it("let a coupling stand that was made with them, at its own time", () => {
    const rig = () => open("Grain drill");
    for (const { line } of statesOf(rig())) expect(tickAt(rig(), line.key, hour(8)).ok).toBe(true);
    // Coupled at seven: nothing was ticked yet.
    expect(errorsOf(keepCoupling(rig(), form({ kind: "coupled" }), arrived(hour(7)))).form).toMatch(
      /^Still open/,
    );
    expect(keepCoupling(rig(), form({ kind: "coupled", instead: "yes" }), arrived(hour(9))).ok).toBe(true);
    expect(eventsOf(db, rig().rig.id)[0]!.at).toBe(hour(9).toISOString());
  });
});

describe("setting to another value", () => {
  it("keeps the reading and the change it is: what hangs on it goes stale", async () => {
    const { rig } = open("Stubble");
    const outcome = await carryOut(
      open("Stubble"),
      form({
        intent: "keep-reading",
        dimension: "hitch.linkLeft",
        text: "0.90",
        style: "m",
        instrument: "tape",
        reason: "",
        note: "",
        conditions: "",
        measuredAt: "",
        sitting: uuid(),
        changed: "yes",
      }),
      arrived(),
    );
    expect(outcome.ok).toBe(true);
    const { values } = open("Stubble").resolved;
    expect(values["hitch.linkLeft"]).toMatchObject({ value: 0.9, stale: null });
    expect(values["axle.pin"].stale).not.toBeNull();
    expect(rigFacts(db, rig).changes.map(({ kind }) => kind)).toContain("links");
  });
});

describe("what the stations show", () => {
  it("both schools of power side by side with their sources, and what is held", () => {
    const { whole, judged, preferences } = open("Stubble");
    const view = matchView(whole, judged.reckoned.match, preferences.units);
    expect(view.thumb?.lines[0]?.source).toContain("common practice");
    expect(view.model?.lines.map(({ source }) => source).join()).toContain("ASABE D497");
    expect(view.chart!.points).toHaveLength(31);
    expect(view.trial).toMatchObject({ depth: 0.14, width: 2.97 });
    expect(
      matchView(open("Combine").whole, open("Combine").judged.reckoned.match, preferences.units).model,
    ).toBeNull();
  });

  it("a linkage to try where its lengths are known", () => {
    const { resolved, judged, preferences } = open("Stubble");
    const view = hitchView(resolved, judged.reckoned.hitch[0]!, preferences.units, "tool", null);
    expect(view.trial).toMatchObject({
      lift: { from: 0.21, to: 0.97 },
      thread: { pitch: 0.0035, opposite: true },
    });
    expect(view.right.join(" ")).toContain("turns longer");
    const drawn = open("Grain drill");
    expect(
      hitchView(drawn.resolved, drawn.judged.reckoned.hitch[0]!, preferences.units, "drill", null),
    ).toMatchObject({
      trial: null,
      drawing: null,
    });
  });

  it("every state of a train, and the loads on its own wheels as arrows", () => {
    const { whole, judged, preferences } = open("Seed cart");
    const view = balanceView({
      whole,
      index: 1,
      loads: judged.reckoned.balance,
      units: preferences.units,
      state: "lifted full",
      hrefOf: (state) => `?state=${state}`,
      title: "Train",
    });
    expect(view.states.map(({ id }) => id)).toEqual(
      expect.arrayContaining(["alone", "step 1", "lifted empty", "lifted full", "pulling full"]),
    );
    expect(view.drawing?.desk.arrows).toHaveLength(5);
  });
});
