import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import { plantedYard } from "./demo/planted.ts";
import { keepProof } from "./field-tests.ts";
import type { Database } from "./handle.ts";
import { keepEvent, keepTick, RUNG } from "./hookup.ts";
import { keepPlan } from "./hoses.ts";
import { ladderFacts } from "./ladder.ts";
import { retract } from "./readings.ts";
import { type RigTool, toolsOf } from "./rigs.ts";
import { doneIn, keepList, keepRunEvents, listsOf, openRunOf, runEventsOf, runsOf } from "./sequences.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const at = (minute: number) => new Date(Date.UTC(2026, 10, 20, 8, minute));
const by = (minute: number) => ({ person: "Joren Talbeck", at: at(minute) });
const rigOf = (id: number, tool = 0): RigTool => toolsOf(db, id)[tool]!;
const facts = (id: number) => ladderFacts(db, new Map([[id, toolsOf(db, id)]])).get(id)!;
const tick = (id: number, rung: string, minute: number) =>
  keepTick(db, id, { line: rung, said: rung, state: "done", reason: "" }, { ...by(minute), on: RUNG });

describe("what a ladder knows of its rig", () => {
  it("is coupled while nobody uncoupled it since", () => {
    expect(facts(1).coupled).toBeNull();
    keepEvent(db, 1, "coupled", by(1));
    expect(facts(1).coupled).toEqual({ at: at(1).toISOString(), person: "Joren Talbeck" });
    const off = keepEvent(db, 1, "uncoupled", by(2));
    expect(facts(1).coupled).toBeNull();
    retract(db, rigOf(1), off, by(3));
    expect(facts(1).coupled).not.toBeNull();
  });

  it("has the ticks of people since it was uncoupled last, the newest of each", () => {
    tick(1, "position", 1);
    expect(facts(1).ticks.get("position")).toMatchObject({ person: "Joren Talbeck" });
    keepEvent(db, 1, "coupled", by(2));
    keepEvent(db, 1, "uncoupled", by(3));
    expect(facts(1).ticks.size).toBe(0);
    tick(1, "position", 4);
    tick(1, "trigger", 5);
    expect([...facts(1).ticks.keys()]).toEqual(["position", "trigger"]);
    expect(facts(4).ticks.size).toBe(0);
  });

  it("knows the sequences run to the end, by tool, and the hoses as they were kept last", () => {
    const run = { id: randomUUID(), couplingId: rigOf(9).couplingId, kind: "unfold" as const };
    keepRunEvents(db, run, [{ what: "done", step: "a", said: "A" }], by(1));
    expect(facts(9).runs[0]!.get("unfold")).toEqual({ finished: null, begun: at(1).toISOString() });
    keepRunEvents(db, run, [{ what: "finished", step: "", said: "" }], by(2));
    expect(facts(9).runs[0]!.get("unfold")).toEqual({
      finished: at(2).toISOString(),
      begun: at(1).toISOString(),
    });
    expect(facts(9).plugged).toBeNull();
    keepPlan(db, rigOf(9), [{ functionId: 1, kind: "remote", number: 1 } as never], by(3));
    keepPlan(db, rigOf(9), [{ functionId: 1, kind: "remote", number: 2 } as never], by(4));
    expect(facts(9).plugged).toEqual(new Set(["remote 2"]));
  });

  it("knows when anything was proved last, and forgets what was taken back", () => {
    const terms = [{ key: "tool.width" as const, coefficient: 1 }];
    const prove = (minute: number) =>
      keepProof(db, rigOf(1), { what: "", how: "", result: "", terms, ...by(minute), now: at(minute) });
    prove(1);
    const second = prove(2);
    expect(facts(1).proved).toBe(at(2).toISOString());
    retract(db, rigOf(1), second, by(3));
    expect(facts(1).proved).toBe(at(1).toISOString());
  });

  it("is the same for one rig as among many", () => {
    tick(1, "position", 1);
    keepEvent(db, 3, "coupled", by(2));
    const rigs = new Map([1, 3, 5, 12].map((id) => [id, toolsOf(db, id)] as const));
    const now = at(30).toISOString();
    const all = ladderFacts(db, rigs, now);
    for (const id of rigs.keys())
      expect(all.get(id)).toEqual(ladderFacts(db, new Map([[id, toolsOf(db, id)]]), now).get(id));
    expect(all.get(12)!.runs).toHaveLength(3);
  });
});

describe("runs through a list", () => {
  const begin = () => ({ id: randomUUID(), couplingId: rigOf(9).couplingId, kind: "fold" as const });
  const open = () => openRunOf(db, rigOf(9).couplingId, "fold");

  it("are under way until they are finished or given up, one at a time", () => {
    expect(open()).toBeNull();
    const first = begin();
    keepRunEvents(db, first, [{ what: "done", step: "a", said: "A" }], by(1));
    expect(open()!.id).toBe(first.id);
    keepRunEvents(db, first, [{ what: "aborted", step: "", said: "rain" }], by(2));
    expect(open()).toBeNull();
    const second = begin();
    keepRunEvents(db, second, [], by(3));
    expect(open()!.id).toBe(second.id);
    expect(runsOf(db, 9, 5).map(({ id }) => id)).toEqual([second.id, first.id]);
    expect(runsOf(db, 9, 1)).toHaveLength(1);
  });

  it("stand where their events say, steps taken back among them, each event once", () => {
    const run = begin();
    const event = { id: randomUUID(), what: "done" as const, step: "a", said: "A" };
    keepRunEvents(db, run, [event, { what: "done", step: "b", said: "B" }], by(1));
    keepRunEvents(db, run, [event, { what: "back", step: "b", said: "B" }], by(2));
    keepRunEvents(db, run, [{ what: "done", step: "c", said: "C" }], by(3));
    const events = runEventsOf(db, [run.id]);
    expect(events).toHaveLength(4);
    expect(doneIn(events)).toEqual(["a", "c"]);
  });

  it("follow the list as it was edited last, or its template again", () => {
    const { id } = rigOf(9).implement;
    const step = { id: "x", words: "Look round" } as never;
    keepList(db, id, "fold", [step], by(1));
    expect(listsOf(db, [id]).get(id)!.fold).toEqual([step]);
    keepList(db, id, "fold", null, by(2));
    expect(listsOf(db, [id]).get(id)).toEqual({});
    expect(listsOf(db, [rigOf(10).implement.id]).size).toBe(0);
  });
});
