import { describe, expect, it } from "vitest";
import type { Attachment } from "../dimension/attachment.ts";
import { plain } from "../finding/sample-words.ts";
import { PRESETS } from "../quantity/units.ts";
import { DRAWN, type Lines, MOUNTED, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import type { WholeRig } from "../rig/whole.ts";
import { GROUPS } from "../subject/hookup-line.ts";
import { judgeWhole } from "../subjects/judge-whole.ts";
import { hookupList } from "./list.ts";
import { heldBy, lineStates, openProtections, type ShownLine, shownLines, type Tick } from "./ticks.ts";

const { metric, us } = PRESETS;
const listOf = (whole: WholeRig) => hookupList(whole, judgeWhole(whole));
const list = (lines: Lines, attachment: Attachment = "mounted") =>
  listOf(sampleWhole([samplePart(attachment, { ...MOUNTED, ...lines })]));
const texts = (lines: Lines, attachment: Attachment = "mounted") =>
  list(lines, attachment)
    .map(({ text }) => plain(text))
    .join("\n");

describe("the hook-up list", () => {
  it("is in working order, every line once", () => {
    const lines = list({ "hitch.category": "2", "tool.category": "1" });
    const order = lines.map(({ group }) => GROUPS.indexOf(group));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(new Set(lines.map(({ key }) => key)).size).toBe(lines.length);
  });

  it("names bushings by size from the categories, and changes with them", () => {
    const two = { "hitch.category": "2", "tool.category": "1" } as const;
    expect(texts(two)).toContain("lower pins 22 mm with bushing 22 mm to 28 mm");
    expect(texts({ ...two, "tool.category": "2" })).toContain("lower pins 28 mm in category 2 balls");
    const cited = list(two)
      .find(({ text }) => plain(text).includes("lower pins"))!
      .cites.map(({ key }) => key);
    expect(cited).toEqual(expect.arrayContaining(["hitch.category", "tool.category"]));
  });

  it("of a boom built on asks for neither pins nor shaft, and has it unfolded once", () => {
    const said = texts({ "tool.kind": "sprayer" }, "boom");
    expect(said).toContain("Unfold and fold once, nobody within reach of the boom");
    expect(said).not.toMatch(/Back up|[Pp]in \d|drive shaft|Lift and lower/);
  });

  it("of a trailed tool names pin, chain and brakes; of a shaft its guard", () => {
    const shaft = {
      "tool.brakes": "working",
      "tool.pto": "2",
      "pto.type": "2",
      "tool.guard": "complete",
    } as const;
    const said = texts({ ...DRAWN, ...shaft }, "drawn");
    expect(said).toContain("pin 30 mm");
    expect(said).toMatch(/[Cc]hain/);
    expect(said).toMatch(/guard whole/);
    expect(said).toContain("its jack on firm ground");
  });

  it("of a front tool is driven up to, of a train backed with the implement ahead", () => {
    expect(texts({}, "front")).toContain("Drive up to tool 1");
    const train = sampleWhole([samplePart("drawn", DRAWN), samplePart("train", DRAWN, 0)]);
    expect(listOf(train).map(({ text }) => text)).toEqual(
      expect.arrayContaining([expect.stringContaining("Back tool 1 up to tool 2")]),
    );
  });

  it("leaves a top link alone that is within a millimetre of where it belongs, as the hitch does", () => {
    const top = (turned: string) =>
      texts({ "work.topLink": turned })
        .split("\n")
        .find((text) => text.startsWith("Top link"))!;
    const wanted = /set to (\d\.\d+) m/.exec(top("0.60 m"))?.[1];
    expect(wanted).toBeDefined();
    expect(top(`${wanted} m`)).toMatch(new RegExp(`, ${wanted}\\sm as it is\\.$`));
    expect(top(`${(Number(wanted) + 0.003).toFixed(3)} m`)).toMatch(new RegExp(`set to ${wanted}\\sm\\.$`));
  });

  it("of what hangs on links swings them free first, then centres it, pins them again, and levels it both ways", () => {
    const keys = list({ "tool.kind": "chisel" }).map(({ key }) => key);
    const order = [
      "links out 1",
      "lower pins 1",
      "stands 1",
      "centre 1",
      "stabilisers 1",
      "across 1",
      "along 1",
    ];
    expect(keys.filter((key) => order.includes(key))).toEqual(order);
    expect(texts({ "work.topHole": "fixed" })).toContain("level front to rear, by the top link");
    expect(texts({ "work.topHole": "slot" })).toContain("by the lower links in front and its wheel behind");
    // Links in front do not swing, and nothing is centred behind the tractor there.
    expect(texts({}, "front")).not.toMatch(/swing free|centre it behind/);
  });

  it("names each plug by what the rig is: lights always, the bus where a terminal is told, a wheel signal for a carried sprayer", () => {
    const sprayer = { "tool.kind": "sprayer" } as const;
    const by = { "work.guided": "yes" } as const;
    const not = { "work.guided": "no", "work.switched": "no" } as const;
    expect(texts({ ...sprayer, ...by })).toMatch(/7-pin plug[\s\S]*implement-bus plug[\s\S]*wheel signal/);
    expect(texts({ ...sprayer, ...not })).not.toContain("implement-bus");
    expect(texts({ ...DRAWN, ...sprayer }, "drawn")).not.toContain("wheel signal");
    expect(texts({}, "boom")).not.toContain("7-pin");
    expect(texts({})).toContain("hose holder folded back");
    const whole = sampleWhole([samplePart("drawn", { ...DRAWN, ...not })]);
    const needs = { ...whole, hoses: { ...whole.hoses, sockets: [["air brakes", "3-pin 12 V"]] } };
    const told = listOf(needs)
      .map(({ text }) => plain(text))
      .join("\n");
    expect(told).toMatch(/3-pin 12 V plug[\s\S]*yellow first, then red/);
    expect(told).not.toContain("7-pin plug");
  });

  it("of a head has its cable in, and the terminal's word that it is the one that hangs there", () => {
    const said = texts({ "tool.kind": "header" }, "head");
    expect(said).toContain("multi-coupler home and locked");
    expect(said).toContain("the head it recognised is tool 1");
  });

  it("of a tool in front asks for mirrors or a camera; of a mower on its own springs for mark and bracket", () => {
    const mower = (springs: string) =>
      texts({ "tool.kind": "mower", "tool.springs": springs } as Lines, "front");
    expect(mower("own")).toContain("Mirrors or camera");
    expect(mower("own")).toMatch(/5 cm, 2 in[\s\S]*lock bracket of its transport cylinder out/);
    expect(mower("linkage")).not.toContain("lock bracket");
    expect(texts({ "tool.kind": "chisel" })).not.toContain("Mirrors or camera");
  });

  it("begins with what stops the rig, which is cured, not ticked", () => {
    const [first] = list({ "tool.mass": "2000 kg" });
    expect(first).toMatchObject({ stop: true, protects: true, group: "Before" });
    expect(plain(first!.text)).toMatch(/^Cure first: Lifted/);
  });
});

const shown = (whole: WholeRig, units = metric): ShownLine[] => shownLines(listOf(whole), units);
const tickOf = (line: ShownLine, rest: Partial<Tick> = {}): Tick => ({
  id: line.key,
  line: line.key,
  said: line.metric,
  state: "done",
  reason: "",
  person: "Test",
  at: "2026-05-01T06:00:00.000Z",
  ...rest,
});

describe("ticks", () => {
  const whole = (lines: Lines = {}) =>
    sampleWhole([
      samplePart("mounted", { ...MOUNTED, "hitch.category": "2", "tool.category": "1", ...lines }),
    ]);
  const lines = shown(whole());
  const pins = lines.find(({ text }) => text.includes("lower pins"))!;
  const stateOf = (states: ReturnType<typeof lineStates>, key = pins.key) =>
    states.find(({ line }) => line.key === key)!;

  it("hold while the line reads the same, in whatever units", () => {
    expect(stateOf(lineStates(lines, [tickOf(pins)], null)).tick).not.toBeNull();
    expect(stateOf(lineStates(shown(whole(), us), [tickOf(pins)], null)).tick).not.toBeNull();
  });

  it("lapse when the pin category changes, and say what they were made on", () => {
    const state = stateOf(lineStates(shown(whole({ "tool.category": "2" })), [tickOf(pins)], null));
    expect(state.tick).toBeNull();
    expect(plain(state.lapsed!.said)).toContain("22 mm");
  });

  it("expire at uncoupling", () => {
    const after = "2026-05-01T18:00:00.000Z";
    expect(stateOf(lineStates(lines, [tickOf(pins)], after)).tick).toBeNull();
    const again = tickOf(pins, { at: "2026-05-02T06:00:00.000Z" });
    expect(stateOf(lineStates(lines, [again, tickOf(pins)], after)).tick).toBe(again);
  });

  it("are not made past an open line that protects people; that one is only declared not to apply", () => {
    const states = lineStates(lines, [], null);
    const guarded = lines.filter(({ protects }) => protects);
    expect(heldBy(states, guarded[0]!.key)).toBeNull();
    expect(heldBy(states, guarded[1]!.key)).toMatch(/^First: /);
    const declared = tickOf(guarded[0]!, { state: "not applicable", reason: "stationary" });
    expect(heldBy(lineStates(lines, [declared], null), guarded[1]!.key)).toBeNull();
    expect(openProtections(states)).toHaveLength(guarded.length);
    expect(
      openProtections(
        lineStates(
          lines,
          guarded.map((line) => tickOf(line)),
          null,
        ),
      ),
    ).toEqual([]);
  });

  it("never settle a stop", () => {
    const stopped = shown(whole({ "tool.mass": "2000 kg" }));
    const [stop] = stopped;
    expect(stateOf(lineStates(stopped, [tickOf(stop!)], null), stop!.key).tick).toBeNull();
    expect(heldBy(lineStates(stopped, [], null), stop!.key)).toBe("A stop is cured, not ticked.");
    expect(heldBy(lineStates(stopped, [], null), "no such line")).toMatch(/no such line/);
  });
});
