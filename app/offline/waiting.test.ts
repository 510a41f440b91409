/** What waits on a device, laid over what the server last said. */
import { describe, expect, it } from "vitest";
import type { HookupRow, HookupView } from "../stations/hookup/hookup-view.server.ts";
import { withWaiting as withTicks } from "../stations/hookup/waiting-ticks.ts";
import { typedWords } from "../stations/proof/observation.ts";
import { asTyped, typedIn } from "../stations/reading/waiting-readings.ts";
import type { SequenceView, StepRow } from "../stations/sequences/sequences-view.server.ts";
import { withWaiting as withSteps } from "../stations/sequences/waiting-steps.ts";
import type { Waits } from "./use-waiting.ts";

let numbers = 0;
const waits = (fields: Record<string, string>): Waits => {
  numbers += 1;
  return { id: `w${numbers}`, fields };
};

describe("a hook-up list", () => {
  const line = (key: string, more: Partial<HookupRow> = {}): HookupRow => ({
    key,
    group: "Couple",
    text: `Do ${key}.`,
    metric: `Do ${key}.`,
    protects: false,
    stop: false,
    cites: [],
    done: null,
    lapsed: null,
    held: null,
    ...more,
  });
  const view: HookupView = {
    rows: [
      line("pin", { protects: true }),
      line("jack", { held: "First: Do pin." }),
      line("stop", { stop: true }),
    ],
    done: 0,
    coupled: null,
    instead: null,
    open: "1 line that protects people is open.",
    log: [],
  };
  const tick = (of: string) =>
    waits({ intent: "tick", line: of, state: "done", reason: "", person: "Mira Tolland" });

  it("is as the server said where nothing waits", () => {
    expect(withTicks(view, [])).toMatchObject({ done: 0, open: view.open, coupled: null });
  });

  it("has a line done that waits, and lets go of those it held back", () => {
    const shown = withTicks(view, [tick("pin")]);
    expect(shown.rows[0]).toMatchObject({
      done: { said: "done, Mira Tolland; waits on this device" },
      held: null,
    });
    expect(shown.rows[1]!.held).toBeNull();
    expect(shown).toMatchObject({ done: 1, open: null });
  });

  it("never has a stop ticked", () => {
    expect(withTicks(view, []).rows[2]!.held).toBe("A stop is cured, not ticked.");
  });

  it("loses every tick with an uncoupling, and keeps those made after it", () => {
    const shown = withTicks(view, [
      tick("pin"),
      waits({ intent: "coupling", kind: "coupled" }),
      waits({ intent: "coupling", kind: "uncoupled" }),
      tick("jack"),
    ]);
    expect(shown.coupled).toBeNull();
    expect(shown.rows.map(({ done }) => done !== null)).toEqual([false, true, false]);
    expect(withTicks(view, [waits({ intent: "coupling", kind: "coupled" })]).coupled).toEqual({
      said: "waits on this device",
    });
  });
});

describe("a list of steps", () => {
  const step = (id: string, state: StepRow["state"]): StepRow => ({
    id,
    text: id,
    levers: [],
    who: "",
    look: "",
    caution: "",
    said: id,
    state,
  });
  const view: SequenceView = {
    kind: "unfold",
    title: "Unfold",
    kinds: [],
    steps: [step("clear", "now"), step("locks", "later"), step("wings", "later")],
    run: null,
    over: null,
    following: { label: "Start of work", href: "/start" },
    done: 0,
    back: null,
    faults: [],
    edited: false,
    log: [],
  };
  const did = (id: string, what = "done", kind = "unfold") =>
    waits({ intent: "run", kind, run: "r1", what, step: id, said: id });
  const stands = (...waiting: Waits[]) => {
    const { steps, run, over, last } = withSteps(view, waiting);
    return { now: steps.find(({ state }) => state === "now")?.id, run, over, last: last?.said };
  };

  it("goes on step by step under the number of its run, which the next step carries", () => {
    expect(stands(did("clear"))).toEqual({ now: "locks", run: "r1", over: null, last: "clear" });
    expect(stands(did("clear"), did("locks"))).toMatchObject({ now: "wings", last: "locks" });
  });

  it("goes back, is given up, and is not moved by the steps of another list", () => {
    expect(stands(did("clear"), did("locks"), did("locks", "back"))).toMatchObject({ now: "locks" });
    expect(stands(did("clear"), did("", "aborted"))).toMatchObject({ now: "clear", run: null });
    expect(stands(did("clear", "done", "fold"))).toMatchObject({ now: "clear", last: undefined });
  });

  it("is over after its last step, with what comes next", () => {
    expect(stands(did("clear"), did("locks"), did("wings"))).toMatchObject({
      now: undefined,
      run: null,
      over: { said: "Run through; waits on this device.", next: { label: "Start of work" } },
    });
  });

  it("begins anew where it was run through before", () => {
    const over = { ...view, over: { said: "Run through.", next: null } };
    over.steps = view.steps.map((each) => ({ ...each, state: "done" }));
    expect(withSteps(over, [did("clear")]).steps.map(({ state }) => state)).toEqual(["done", "now", "later"]);
  });
});

describe("readings", () => {
  it("are those typed singly, and the filled lines of a sheet; the last counts", () => {
    const typed = typedIn([
      waits({ intent: "keep-reading", dimension: "tool.width", text: "6" }),
      waits({ intent: "keep-sheet", "r-tool.width": " 6.1 ", "r-rows.count": "", "u-tool.width": "m" }),
      waits({ intent: "tick", line: "tool.width" }),
    ]);
    expect([...typed]).toEqual([["tool.width", "6.1"]]);
  });

  it("are said as they were typed, a bare number with its unit, a choice in its words", () => {
    const choices = [{ key: "rigid", label: "Rigid axle" }];
    expect(asTyped("6.1", { style: "m", choices: [] })).toBe("6.1 m");
    expect(asTyped("20′ 1/2″", { style: "ft in", choices: [] })).toBe("20′ 1/2″");
    expect(asTyped("rigid", { style: "", choices })).toBe("Rigid axle");
  });

  it("of a field test are said field by field", () => {
    const fields = [
      { key: "ways", label: "How", hint: "", kind: "choice", choices: [{ key: "up", label: "both up" }] },
      { key: "joint", label: "Joint", hint: "", kind: "sided", plus: ["gap"], minus: ["overlap"] },
    ] as unknown as Parameters<typeof typedWords>[0];
    expect(typedWords(fields, { "f-ways": "up", "f-joint": "4", "w-joint": "gap" })).toBe("both up, 4 gap");
  });
});
