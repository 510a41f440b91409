import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { editedOf } from "../../../core/sequence/edit.ts";
import type { SequenceKind } from "../../../core/sequence/step.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { keepList, listsOf, openRunOf, runEventsOf, runsOf } from "../../../data/sequences.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { keepEdited } from "./keep-list.server.ts";
import { keepRun } from "./keep-run.server.ts";
import { openSequence } from "./open-sequence.server.ts";
import { sequenceView } from "./sequences-view.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = (name: string) => sampleOpen(db, name);
const view = (name: string, kind: SequenceKind) => sequenceView(open(name), kind, (each) => `/${each}`);
const ROLLER = "Roller cultivator";

/** Presses a step as the phone does; what the server answered. */
function press(
  name: string,
  kind: SequenceKind,
  run: string,
  step: string,
  more: Record<string, string> = {},
) {
  const said = view(name, kind).steps.find(({ id }) => id === step)?.said ?? "why";
  const form = sampleForm({ kind, run, what: "done", step, said, ...more });
  const kept = keepRun(open(name), form, arrived());
  return kept.ok ? "kept" : Object.values(kept.errors).join(" ");
}

describe("a sequence on its rig", () => {
  it("has the levers of the solved assignment, and the swap where it falls", () => {
    const { steps } = view(ROLLER, "unfold");
    expect(steps[0]).toMatchObject({
      id: "swap unfold",
      text: expect.stringContaining("take parking jack or stand off remote 1"),
    });
    const wings = steps.find(({ id }) => id === "wings out")!;
    expect(wings.levers).toEqual(["Remote 3: wings unfold"]);
    expect(steps.find(({ id }) => id === "lifts down")!.levers).toEqual([
      "Remote 1: front lift lower",
      "Remote 4: rear lift lower",
    ]);
    expect(view(ROLLER, "hook-up").steps.flatMap(({ levers }) => levers)).toEqual([
      "Remote 1: parking jack or stand up",
    ]);
    expect(view("Planter", "start").steps.flatMap(({ levers }) => levers)).toContain(
      "Power beyond: generator, by its own valve",
    );
  });

  it("is sound for every implement of the demo yard, each kind", () => {
    for (const name of [ROLLER, "Reversible plough", "Planter", "Mowers", "Grain drill", "Meadow", "Stubble"])
      for (const { kind } of view(name, "unfold").kinds) expect(view(name, kind).faults).toEqual([]);
  });
});

describe("a run", () => {
  it("goes step by step, refuses what is out of order with the reason, and is over at its end", () => {
    const run = uuid();
    expect(press(ROLLER, "unfold", run, "wings out")).toMatch(
      /Not yet: nobody is within reach.*the wings are off the cradle/,
    );
    expect(runsOf(db, open(ROLLER).rig.id, 5)).toEqual([]);
    for (const { id } of view(ROLLER, "unfold").steps) {
      expect(view(ROLLER, "unfold").steps.find(({ state }) => state === "now")!.id).toBe(id);
      expect(press(ROLLER, "unfold", run, id)).toBe("kept");
    }
    expect(openRunOf(db, open(ROLLER).rig.couplingId, "unfold")).toBeNull();
    expect(runEventsOf(db, [run]).at(-1)).toMatchObject({ what: "finished", person: "Mira" });
    // The next one begins from the beginning.
    expect(view(ROLLER, "unfold")).toMatchObject({ run: null, done: 0 });
    // It is over: what comes next is offered, and not its first step again; what was run is how folding begins.
    expect(view(ROLLER, "unfold").over).toMatchObject({
      said: expect.stringMatching(/^Run through .* by Mira\.$/),
      next: { label: "Start of work" },
    });
    press(ROLLER, "fold", uuid(), view(ROLLER, "fold").steps[0]!.id);
    expect(view(ROLLER, "unfold").over).toBeNull();
    expect(view(ROLLER, "unfold").log[1]!.said).toMatch(/Mira: Unfold. Run through$/);
  });

  it("keeps its place, takes back the last step where it can be, and is given up with a reason", () => {
    const run = uuid();
    for (const step of ["swap unfold", "clear", "locks out", "off cradle"])
      press(ROLLER, "unfold", run, step);
    expect(view(ROLLER, "unfold")).toMatchObject({ run, done: 4 });
    const { back } = view(ROLLER, "unfold");
    expect(back).toMatchObject({ step: "off cradle", levers: ["Remote 2"], why: "" });
    expect(press(ROLLER, "unfold", run, "locks out", { what: "back", said: "x" })).toBe(
      "Only the last step can be taken back.",
    );
    expect(press(ROLLER, "unfold", run, "off cradle", { what: "back", said: back!.text })).toBe("kept");
    expect(view(ROLLER, "unfold").done).toBe(3);
    expect(press(ROLLER, "unfold", run, "", { what: "aborted", said: "" })).toBe("Say in a few words why.");
    expect(press(ROLLER, "unfold", run, "", { what: "aborted", said: "a hose leaks" })).toBe("kept");
    expect(view(ROLLER, "unfold")).toMatchObject({ run: null, done: 0 });
    expect(view(ROLLER, "unfold").log[0]!.said).toMatch(/Given up: a hose leaks$/);
  });

  it("is one at a time, sent twice is kept once, and never on words that changed", () => {
    const run = uuid();
    const id = uuid();
    press(ROLLER, "unfold", run, "swap unfold", { id });
    expect(press(ROLLER, "unfold", uuid(), "clear")).toBe("Mira runs this already. Look at it again.");
    expect(press(ROLLER, "unfold", run, "clear", { said: "Walk round it twice." })).toMatch(
      /reads otherwise now: Walk round it once/,
    );
    expect(runEventsOf(db, [run])).toHaveLength(1);
    expect(press(ROLLER, "unfold", run, "", { what: "back", said: "x" })).toMatch(/cannot be taken back/);
    expect(press("Planter", "stop", uuid(), "", { what: "aborted", said: "why" })).toBe(
      "Nothing is under way.",
    );
    expect(press(ROLLER, "unfold", "no number", "clear")).toBe("This run has no number of its own.");
  });
});

describe("an edited list", () => {
  const keep = (steps: unknown, more: Record<string, string> = {}) => {
    const sent = typeof steps === "string" ? steps : JSON.stringify(steps);
    const kept = keepEdited(open(ROLLER), sampleForm({ kind: "unfold", steps: sent, ...more }), arrived());
    return kept.ok ? kept.kept!.said : Object.values(kept.errors).join(" ");
  };
  const listed = () =>
    openSequence(open(ROLLER), "unfold").sequence.steps.filter(({ id }) => !id.startsWith("swap"));

  it("takes words and order from people, what a step needs and sets from the template", () => {
    const own = { id: "own 1", text: "Beep twice.", look: "", caution: "", after: [] };
    const sent = listed().map((step) => ({
      ...editedOf(step),
      text: `${step.text} Slowly.`,
      needs: [],
      sets: { wings: "flying" },
    }));
    expect(keep([own, ...sent])).toBe("The list is saved");
    const [first, second, third] = listed();
    expect(first).toMatchObject({ text: "Beep twice.", sets: {} });
    expect(second).toMatchObject({ id: "clear", sets: { people: "clear" } });
    expect(third!.text).toMatch(/Slowly\.$/);
    expect(view(ROLLER, "unfold").faults).toEqual([]);
    expect(keep("template")).toBe("As the template has it");
    expect(listed()[0]!.id).toBe("clear");
  });

  it.each([
    ["{", "The list could not be read."],
    [JSON.stringify({}), "A list has up to 40 steps."],
    [JSON.stringify([{ id: "clear" }]), "Step 1 could not be read."],
    [
      JSON.stringify([{ id: "clear", text: "", look: "", caution: "", after: [] }]),
      "Say what to do in step 1.",
    ],
    ["", "The list is empty."],
  ])("refuses %s", (steps, words) => {
    expect(keep(steps)).toBe(words);
    expect(view(ROLLER, "unfold").edited).toBe(false);
  });

  it("is not changed under somebody's feet, nor by nobody", () => {
    press(ROLLER, "unfold", uuid(), "swap unfold");
    expect(keep("template")).toBe("Mira runs this list now. Finish or give it up first.");
    expect(keep("template", { person: "" })).toBe("Say who you are.");
    expect(keep("template", { kind: "somersault" })).toBe("There is no such list.");
  });

  it("is the implement's own on every rig, and goes back to its template", () => {
    const { rig } = open(ROLLER);
    const stamp = { person: "Mira", at: new Date() };
    const steps = openSequence(open(ROLLER), "unfold").sequence.steps.filter(
      ({ id }) => id !== "swap unfold" && id !== "wings float",
    );
    keepList(db, rig.implement.id, "unfold", steps, stamp);
    const edited = view(ROLLER, "unfold");
    expect(edited.edited).toBe(true);
    expect(edited.faults).toEqual(["The wings are never put in float: they dig in or hang in the air."]);
    expect(view(ROLLER, "fold").steps.map(({ id }) => id)).not.toContain("back wings float");
    keepList(db, rig.implement.id, "unfold", null, stamp);
    expect(view(ROLLER, "unfold")).toMatchObject({ edited: false, faults: [] });
    expect(listsOf(db, [rig.implement.id]).get(rig.implement.id)).toEqual({});
  });
});
