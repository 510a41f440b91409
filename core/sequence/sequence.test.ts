import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FUNCTION_KIND_KEYS } from "../subjects/hoses/kinds.ts";
import { faultsOf, reverseOf } from "./check.ts";
import { startNow } from "./record.ts";
import { endOf, positionOf, refusal, refusalBack, unmetNeeds } from "./run.ts";
import { SEQUENCE_KINDS, type Sequence, type Step, type World } from "./step.ts";
import { atRest, foldOf, listOf, type Machine, startOf } from "./templates.ts";

const machine = (kinds: readonly string[], rest: Partial<Machine> = {}): Machine => ({
  has: new Set(kinds),
  kind: null,
  driven: false,
  stillFolded: false,
  carried: false,
  semi: false,
  automatic: [],
  sprung: false,
  meters: null,
  lockouts: 1,
  charge: null,
  tap: null,
  ...rest,
});

const ROLLER = machine(["jack", "front lift", "undercarriage", "wings", "rear lift"], { kind: "chisel" });
const MOWER = machine(["mower lift", "suspension"], {
  kind: "mower",
  driven: true,
  carried: true,
  stillFolded: true,
});
const PLOUGH = machine(["turnover", "front furrow", "working width"], { kind: "plough", carried: true });
const PLANTER = machine(["lift", "marker", "fan", "generator", "downforce"], { kind: "planter" });
const PTO_PLANTER = machine(["lift", "fan", "downforce"], { kind: "planter", driven: true });
const LARGE_PLOUGH = machine(["turnover"], { kind: "plough", carried: true, semi: true });
const DRILL = machine(["lift", "wings", "marker"], { kind: "drill" });

const texts = ({ steps }: Sequence) => steps.map(({ text }) => text);
const ids = ({ steps }: Sequence) => steps.map(({ id }) => id);
const wrong = (of: Machine, sequence: Sequence) =>
  faultsOf(startOf(sequence.kind, of), sequence).map(({ text }) => text);
/** The list with one step moved to another place. */
function moved(sequence: Sequence, id: string, to: number): Sequence {
  const step = sequence.steps.find((each) => each.id === id)!;
  const rest = sequence.steps.filter((each) => each !== step);
  return { ...sequence, steps: [...rest.slice(0, to), step, ...rest.slice(to)] };
}
const without = (sequence: Sequence, id: string): Sequence => ({
  ...sequence,
  steps: sequence.steps.filter((step) => step.id !== id),
});

const anyMachine = fc
  .record({
    kinds: fc.subarray([...FUNCTION_KIND_KEYS]),
    kind: fc.constantFrom(null, "drill", "planter", "mower", "plough"),
    driven: fc.boolean(),
    carried: fc.boolean(),
    semi: fc.boolean(),
    driving: fc.boolean(),
    meters: fc.constantFrom(null, "wheel", "PTO generator", "oil generator", "motor"),
    lockouts: fc.constantFrom(1, 2),
    sprung: fc.boolean(),
  })
  .map(({ kinds, driving, ...rest }) => machine(kinds, { ...rest, automatic: driving ? kinds : [] }));

describe("the lists an implement begins with", () => {
  it("unfold a folding cultivator in the order that breaks nothing", () => {
    // Common practice, no source: off the cradle, wings, undercarriage, float, lifts together, even them out.
    expect(ids(listOf("unfold", ROLLER))).toEqual([
      "clear",
      "locks out",
      "off cradle",
      "wings out",
      "undercarriage down",
      "wings float",
      "undercarriage float",
      "lifts down",
      "phase",
    ]);
    expect(ids(listOf("hook-up", ROLLER)).slice(-2)).toEqual(["jack up", "jack stowed"]);
  });

  it("charge a mower's suspension with the lift in float, and shut its tap until uncoupling", () => {
    const unfolding = ids(listOf("unfold", MOWER));
    expect(unfolding.slice(-4)).toEqual(["bed down", "tap open", "charge", "tap shut"]);
    expect(ids(listOf("fold", MOWER)).join()).not.toMatch(/tap|charge/);
    expect(ids(listOf("uncouple", MOWER))).toContain("let off");
  });

  it("start the PTO of a generator before its current, and stop it after; one on the oil has no such order", () => {
    // Common practice, no source: the wrong order ends in an error, and has to start again.
    const [on, off] = [listOf("start", PTO_PLANTER), listOf("stop", PTO_PLANTER)];
    expect(on.steps.find(({ id }) => id === "current on")!.needs).toEqual([{ part: "PTO", is: "running" }]);
    expect(off.steps.find(({ id }) => id === "PTO off")!.needs).toEqual([{ part: "current", is: "off" }]);
    expect(listOf("start", PLANTER).steps.find(({ id }) => id === "current on")!.needs).toEqual([]);
    expect(wrong(PLANTER, moved(listOf("start", PLANTER), "current on", 0))).toEqual([]);
  });

  it("release and pull what keeps the meters still, and switch current, by what drives them: told, or assumed and said so", () => {
    const lists = (of: Machine) => [...ids(listOf("start", of)), ...ids(listOf("stop", of))];
    const drill = (rest: Partial<Machine>) => machine(["lift"], { kind: "drill", ...rest });
    expect(lists(drill({ meters: "wheel" }))).toEqual(["drive free", "lower", "raise", "drive locked"]);
    expect(lists(drill({ meters: "wheel", lockouts: 2 }))).toEqual([
      "drive free",
      "small-seed free",
      "lower",
      "raise",
      "drive locked",
      "small-seed locked",
    ]);
    expect(lists(drill({ meters: "motor", lockouts: 2 }))).toEqual(["lower", "raise"]);
    expect(lists(drill({ meters: "oil generator" }))).toEqual([
      "current on",
      "lower",
      "raise",
      "current off",
    ]);
    expect(lists(drill({ meters: "PTO generator", driven: true }))).toEqual([
      "PTO on",
      "current on",
      "lower",
      "raise",
      "current off",
      "PTO off",
    ]);
    const caution = (of: Machine) => listOf("start", of).steps.find(({ id }) => id === "drive free")!.caution;
    expect(caution(drill({ meters: "wheel" }))).toBe("");
    expect(caution(drill({}))).toBe("Assumed: nobody told what drives its meters.");
  });

  it("name the pressure a line is charged to and its tap, where they were told", () => {
    const told = machine(["mower lift", "suspension"], {
      kind: "mower",
      carried: true,
      charge: "118 bar (1\u202f710 psi)",
      tap: "blue tap behind the headstock",
    });
    expect(texts(listOf("unfold", told)).slice(-3)).toEqual([
      "Open the blue tap behind the headstock.",
      "Charge the suspension to 118 bar (1\u202f710 psi).",
      "Shut the blue tap behind the headstock; it stays shut until uncoupling.",
    ]);
    expect(texts(listOf("uncouple", told))).toContain(
      "Open the blue tap behind the headstock, let the pressure off, shut it.",
    );
    const untold = listOf("unfold", MOWER).steps.find(({ id }) => id === "charge")!;
    expect(untold.look).toContain("which nobody told here");
  });

  it("end with stands, hoses, shaft and plugs, and what holds it last of all", () => {
    expect(ids(listOf("uncouple", MOWER))).toEqual([
      "level",
      "let off",
      "stands",
      "relieve",
      "hoses off",
      "shaft off",
      "plugs off",
      "uncoupled",
    ]);
    expect(texts(listOf("uncouple", MOWER)).at(-1)).toBe("Links off, the top link last; drive off slowly.");
    expect(texts(listOf("uncouple", DRILL)).at(-1)).toBe(
      "Chain and pin out, the pin last; drive off slowly.",
    );
    // A jack moved by oil stands in for the one turned by hand.
    expect(ids(listOf("uncouple", ROLLER))).not.toContain("stands");
  });

  it("turn a large semi-mounted plough over in three pushes, each after the one before", () => {
    const list = listOf("headland", LARGE_PLOUGH);
    expect(ids(list)).toEqual(["raise", "push 1", "push 2", "push 3", "lower again"]);
    expect(wrong(LARGE_PLOUGH, moved(list, "push 2", 1)).join()).toMatch(/waits for “First push/);
    expect(refusal(startOf("headland", LARGE_PLOUGH), list, ["raise", "push 1"], "push 3")[0]).toMatch(
      /It waits for “Second push/,
    );
  });

  it("have automatic functions entered in the terminal on the remote they are really on", () => {
    const steps = listOf("start", machine(["lift"], { automatic: ["lift"] })).steps;
    expect(steps[0]).toMatchObject({ id: "automatic", actor: "terminal", fns: ["lift"] });
  });

  it("lift a carried plough by the linkage before it turns over", () => {
    const { steps } = listOf("headland", PLOUGH);
    expect(steps.map(({ id }) => id)).toEqual(["raise", "turn over", "lower again"]);
    expect(steps[0]).toMatchObject({ actor: "driver", fns: [] });
  });

  it("have no fault, whatever an implement has", () => {
    fc.assert(
      fc.property(anyMachine, (any) => {
        for (const kind of SEQUENCE_KINDS) expect(wrong(any, listOf(kind, any))).toEqual([]);
      }),
      { numRuns: 400, endOnFailure: true },
    );
  });

  it("bring the machine through a day and back to rest, but for what stays as it was left", () => {
    fc.assert(
      fc.property(anyMachine, (any) => {
        const rest = atRest(any);
        const end = endOf(startOf("uncouple", any), listOf("uncouple", any).steps);
        for (const part of [
          "coupled",
          "hoses",
          "jack",
          "wings",
          "cradle",
          "undercarriage",
          "locks",
          "current",
          "PTO",
        ])
          expect(end[part]).toBe(rest[part]);
      }),
      { numRuns: 200, endOnFailure: true },
    );
  });
});

describe("folding", () => {
  it("is unfolding taken back, last first, with looking round before", () => {
    expect(ids(listOf("fold", ROLLER))).toEqual([
      "clear",
      "back lifts down",
      "back undercarriage float",
      "back wings float",
      "back undercarriage down",
      "back wings out",
      "back off cradle",
      "back locks out",
    ]);
    expect(foldOf(ROLLER).why).toEqual([]);
  });

  it("is refused where a step cannot be taken back, and says which", () => {
    const steps = listOf("unfold", ROLLER).steps.map(
      (step): Step => (step.id === "wings out" ? { ...step, back: null } : step),
    );
    const reverse = reverseOf("fold", startOf("unfold", ROLLER), { kind: "unfold", steps });
    expect(reverse).toEqual({ ok: false, why: ["“Unfold the wings, right out.” cannot be taken back."] });
  });

  it("is refused where taking back in that order would break something", () => {
    const steps = listOf("unfold", ROLLER).steps.filter(({ id }) => id !== "wings float");
    const end = steps.map(
      (step): Step =>
        step.id === "phase" ? { ...step, sets: { "wings float": "on", phase: "even" } } : step,
    );
    const reverse = reverseOf("fold", startOf("unfold", ROLLER), { kind: "unfold", steps: end });
    expect(reverse.ok).toBe(false);
  });
});

describe("the checker", () => {
  it.each([
    [
      "wings before the cradle",
      moved(listOf("unfold", ROLLER), "wings out", 2),
      /before “Undercarriage down until .* the wings are off the cradle/,
    ],
    [
      "float before they are out",
      moved(listOf("unfold", ROLLER), "wings float", 2),
      /Wings into float.* the wings are right out/,
    ],
    ["a jack left down", without(listOf("hook-up", ROLLER), "jack stowed"), /^The jack is still down/],
    [
      "wings never in float",
      without(listOf("unfold", ROLLER), "wings float"),
      /^The wings are never put in float/,
    ],
    [
      "nobody looked round",
      without(listOf("unfold", ROLLER), "clear"),
      /needs that nobody is within reach .*no step before sees to that/,
    ],
  ] as const)("finds %s", (_what, sequence, words) => {
    expect(wrong(ROLLER, sequence).some((text) => words.test(text))).toBe(true);
  });

  it.each([
    [
      "downforce never on",
      PLANTER,
      without(listOf("start", PLANTER), "downforce on"),
      /first pass is sown too shallow/,
    ],
    [
      "current before the PTO",
      PTO_PLANTER,
      moved(listOf("start", PTO_PLANTER), "current on", 0),
      /the PTO runs/,
    ],
    [
      "a PTO stopped under current",
      PTO_PLANTER,
      moved(listOf("stop", PTO_PLANTER), "PTO off", 0),
      /its current is off/,
    ],
    [
      "a drive left locked out",
      DRILL,
      without(listOf("start", DRILL), "drive free"),
      /drive lock-out is left in/,
    ],
    ["a tap never shut", MOWER, without(listOf("unfold", MOWER), "tap shut"), /tap is never shut/],
    ["a PTO left on", MOWER, without(listOf("stop", MOWER), "PTO off"), /PTO stays on/],
  ] as const)("finds %s", (_what, of, sequence, words) => {
    expect(wrong(of, sequence).some((text) => words.test(text))).toBe(true);
  });

  it("tells a ring of steps that wait for each other, and one that waits for itself", () => {
    const list = listOf("start", PLANTER);
    const ring = list.steps.map(
      (step): Step =>
        step.id === "fan on"
          ? { ...step, after: ["downforce on"] }
          : step.id === "downforce on"
            ? { ...step, after: ["fan on"] }
            : step.id === "lower"
              ? { ...step, after: ["lower"] }
              : step,
    );
    const said = wrong(PLANTER, { ...list, steps: ring });
    expect(said.some((text) => /waits for .*and that for it again/.test(text))).toBe(true);
    expect(said.some((text) => /waits for itself/.test(text))).toBe(true);
  });

  it("tells a step that stands in the list twice", () => {
    const list = listOf("start", PLANTER);
    expect(wrong(PLANTER, { ...list, steps: [...list.steps, list.steps[0]!] }).join()).toContain("twice");
  });
});

describe("a run", () => {
  const start = startOf("unfold", ROLLER);
  const list = listOf("unfold", ROLLER);

  it("refuses a step out of order, and says why", () => {
    expect(refusal(start, list, ["clear", "locks out"], "wings out")).toEqual([
      "Not yet: the wings are off the cradle.",
    ]);
    expect(refusal(start, list, [], "wings out").length).toBeGreaterThan(2);
    expect(refusal(start, list, ["clear"], "locks out")).toEqual([]);
    expect(refusal(start, list, ["clear"], "clear")).toEqual(["It is done already."]);
    expect(refusal(start, list, [], "dance")).toEqual(["That step is not in this list."]);
  });

  it("keeps to the order of the list where several could be done", () => {
    expect(refusal(startOf("start", PLANTER), listOf("start", PLANTER), [], "fan on")[0]).toMatch(
      /^First: “Generator's lever/,
    );
  });

  it("goes back a step where it can, and says where it cannot", () => {
    const done = ["clear", "locks out", "off cradle", "wings out"];
    expect(refusalBack(start, list, done.slice(0, 3))).toEqual([]);
    expect(refusalBack(start, list, done)).toEqual([]);
    // Once the lifts are down, wings that are the last step would have to wait for them.
    const early = moved(list, "wings out", list.steps.length);
    const all = ids(early).filter((id) => id !== "phase");
    expect(refusalBack(start, early, all)).toContain("Not yet: it is raised.");
    expect(refusalBack(start, list, ["clear"])[0]).toMatch(/cannot be taken back/);
    expect(refusalBack(start, list, [])).toEqual(["Nothing is done yet."]);
  });

  it("can always be run from first to last, each step in turn and no other", () => {
    fc.assert(
      fc.property(anyMachine, fc.constantFrom(...SEQUENCE_KINDS), (any, kind) => {
        const [from, sequence] = [startOf(kind, any), listOf(kind, any)];
        const done: string[] = [];
        for (const { id } of sequence.steps) {
          expect(positionOf(from, sequence, done).next!.id).toBe(id);
          expect(refusal(from, sequence, done, id)).toEqual([]);
          for (const other of sequence.steps)
            if (other.id !== id) expect(refusal(from, sequence, done, other.id)).not.toEqual([]);
          done.push(id);
        }
        expect(positionOf(from, sequence, done).next).toBeNull();
      }),
      { numRuns: 120, endOnFailure: true },
    );
  });

  it("says of every step what to look for, or is about nothing that moves", () => {
    for (const kind of SEQUENCE_KINDS)
      for (const each of [ROLLER, MOWER, PLOUGH, PLANTER, DRILL])
        for (const text of texts(listOf(kind, each))) expect(text).toMatch(/^[A-Z].*\.$/);
  });
});

describe("a machine by its record", () => {
  const all = (kind: Parameters<typeof listOf>[0], of: Machine) => ({
    kind,
    done: listOf(kind, of).steps.map(({ id }) => id),
  });

  it("stands as the lists suppose where nothing was run", () => {
    for (const of of [ROLLER, MOWER, PLOUGH, PLANTER, PTO_PLANTER])
      for (const kind of SEQUENCE_KINDS) expect(startNow(kind, of, {}, [])).toEqual(startOf(kind, of));
  });

  it("stands as it was run last, to the step", () => {
    const [first, second] = listOf("unfold", ROLLER).steps.filter(
      ({ sets }) => "wings" in sets || "locks" in sets,
    );
    const world = startNow("unfold", ROLLER, {}, [{ kind: "unfold", done: [first!.id, second!.id] }]);
    expect(world).toMatchObject({ ...first!.sets, ...second!.sets });
    const folded = startNow("unfold", ROLLER, {}, [all("unfold", ROLLER), all("fold", ROLLER)]);
    expect(folded).toMatchObject({ wings: "folded", locks: "in" });
  });

  it("is not folded with its drive turning, where it must not turn folded", () => {
    const runs = [all("unfold", MOWER), all("start", MOWER)];
    const fold = listOf("fold", MOWER);
    const start = startNow("fold", MOWER, {}, runs);
    expect(start.PTO).toBe("running");
    const through = (from: World) => {
      const done: string[] = [];
      const refused: string[] = [];
      for (const { id } of fold.steps) {
        const why = refusal(from, fold, done, id);
        refused.push(...why);
        if (why.length === 0) done.push(id);
      }
      return { done, refused };
    };
    expect(through(start).refused).toContain("Not yet: the PTO stands.");
    const stopped = startNow("fold", MOWER, {}, [...runs, all("stop", MOWER)]);
    expect(through(stopped).done).toHaveLength(fold.steps.length);
  });

  it("is not driven while it is folded, where it must not turn folded; another may be", () => {
    const runs = [all("unfold", MOWER), all("fold", MOWER)];
    const on = listOf("start", MOWER).steps.find(({ id }) => id === "PTO on")!;
    expect(unmetNeeds(on, startNow("start", MOWER, {}, runs))).toEqual([{ part: "locks", is: "out" }]);
    const other = { ...MOWER, stillFolded: false };
    const free = listOf("start", other).steps.find(({ id }) => id === "PTO on")!;
    expect(unmetNeeds(free, startNow("start", other, {}, runs))).toEqual([]);
  });
});
