import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { walk } from "../sequence/run.ts";
import { listOf, startOf } from "../sequence/templates.ts";
import {
  FOLDING_KINDS,
  type Folding,
  type FoldingKind,
  type Lever,
  ON_FOOT,
  type OnFoot,
  onFoot,
  parked,
  tick,
  withLever,
  worldOf,
} from "./folding.ts";
import { sketchOf } from "./folding-drawing.ts";

const SHARES: FoldingKind = "front lift";
const fresh = () => parked(FOLDING_KINDS, true);

/** Moves levers and waits until everything has come to its stop. */
function move(state: Folding, kinds: readonly FoldingKind[], lever: Lever, seconds = 30): Folding {
  let now = kinds.reduce((each, kind) => withLever(each, kind, lever), state);
  for (let at = 0; at < seconds; at += 0.1) now = tick(now, 0.1, {}, SHARES);
  return lever === "float" ? now : kinds.reduce((each, kind) => withLever(each, kind, "neutral"), now);
}
const harms = ({ harm }: Folding) => harm.map(({ id }) => id);

/** What a step of the sequences means at the machine. */
const DO: Record<string, (state: Folding) => Folding> = {
  clear: (state) => onFoot(state, "look"),
  "locks out": (state) => onFoot(state, "locks out"),
  "off cradle": (state) => move(state, ["undercarriage"], "out", 3),
  "wings out": (state) => move(state, ["wings"], "out"),
  "undercarriage down": (state) => move(state, ["undercarriage"], "out"),
  "wings float": (state) => move(state, ["wings"], "float"),
  "undercarriage float": (state) => move(state, ["undercarriage"], "float"),
  "lifts down": (state) => move(state, ["front lift", "rear lift"], "in"),
  phase: (state) => onFoot(state, "even"),
  "back lifts down": (state) => move(state, ["front lift", "rear lift"], "out"),
  "back undercarriage float": (state) => withLever(state, "undercarriage", "neutral"),
  "back wings float": (state) => withLever(state, "wings", "neutral"),
  "back undercarriage down": (state) => move(state, ["undercarriage"], "in", 3),
  "back wings out": (state) => move(state, ["wings"], "in"),
  "back off cradle": (state) => move(state, ["undercarriage"], "in"),
  "back locks out": (state) => onFoot(state, "locks in"),
};

const ready = () => onFoot(onFoot(move(fresh(), ["jack"], "in"), "stow"), "swap");
const MACHINE = {
  has: new Set(FOLDING_KINDS),
  kind: "chisel",
  driven: false,
  stillFolded: false,
  carried: false,
  semi: false,
  automatic: [],
  sprung: false,
  meters: null,
  lockouts: 1 as const,
  charge: null,
  tap: null,
};

describe("the simulated folding tool", () => {
  it("unfolds and folds by the lists without harm, and is after each step as the list says", () => {
    let state = ready();
    for (const kind of ["unfold", "fold"] as const)
      for (const { step } of walk(startOf(kind, MACHINE), listOf(kind, MACHINE).steps)) {
        state = DO[step.id]!(state);
        expect({ step: step.id, harms: harms(state) }).toEqual({ step: step.id, harms: [] });
        for (const [part, is] of Object.entries(step.sets))
          expect(`${step.id}: ${part} ${worldOf(state)[part]}`).toBe(`${step.id}: ${part} ${is}`);
      }
    expect(worldOf(state)).toMatchObject({ wings: "folded", locks: "in", cradle: "carrying" });
  });

  it.each([
    [
      "wings in the cradle",
      (s: Folding) => move(onFoot(onFoot(s, "look"), "locks out"), ["wings"], "out"),
      ["cradle"],
    ],
    ["wings in their locks", (s: Folding) => move(onFoot(s, "look"), ["wings"], "out"), ["locks", "cradle"]],
    ["nobody looked", (s: Folding) => move(onFoot(s, "locks out"), ["undercarriage"], "out"), ["people"]],
    [
      "float half way",
      (s: Folding) =>
        move(
          move(DO["off cradle"]!(onFoot(onFoot(s, "look"), "locks out")), ["wings"], "out", 2),
          ["wings"],
          "float",
        ),
      ["fall"],
    ],
    ["lifts on folded wings", (s: Folding) => move(s, ["rear lift"], "in"), ["under"]],
    [
      "the jack still down",
      (_s: Folding) => move(onFoot(fresh(), "look"), ["undercarriage"], "out"),
      ["jack"],
    ],
    ["a lever whose hose is off", (_s: Folding) => move(fresh(), ["front lift"], "in"), ["hose"]],
    [
      "locks on open wings",
      (s: Folding) =>
        onFoot(DO["wings out"]!(DO["off cradle"]!(onFoot(onFoot(s, "look"), "locks out"))), "locks in"),
      ["lock in"],
    ],
  ] as const)("shows what %s does", (_what, act, wanted) => {
    expect(harms(act(ready()))).toEqual(wanted);
  });

  it("does not move what would break", () => {
    const state = move(onFoot(onFoot(ready(), "look"), "locks out"), ["wings"], "out");
    expect(state.stroke.wings).toBe(0);
  });

  it("folds with the tools in the ground only to twist", () => {
    let state = ready();
    for (const { id } of listOf("unfold", MACHINE).steps) state = DO[id]!(state);
    expect(harms(move(withLever(state, "wings", "neutral"), ["wings"], "in"))).toEqual(["dragged"]);
  });

  it("takes as long as its oil: 16 s out at 16 s for the stroke", () => {
    const wide = DO["off cradle"]!(onFoot(onFoot(ready(), "look"), "locks out"));
    let state = withLever(wide, "wings", "out");
    for (let at = 0; at < 80; at += 1) state = tick(state, 0.1, { wings: { out: 16, in: 12 } }, SHARES);
    expect(state.stroke.wings).toBeCloseTo(0.5, 6);
  });

  it("stays within its strokes and within its picture, whatever is pulled", () => {
    const acts = fc.array(
      fc.oneof(
        fc.record({
          kind: fc.constantFrom(...FOLDING_KINDS),
          lever: fc.constantFrom<Lever>("out", "in", "float", "neutral"),
        }),
        fc.constantFrom(...(Object.keys(ON_FOOT) as OnFoot[])),
      ),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(acts, (all) => {
        let state = fresh();
        for (const act of all) {
          state = typeof act === "string" ? onFoot(state, act) : withLever(state, act.kind, act.lever);
          for (let at = 0; at < 20; at += 1) state = tick(state, 0.3, {}, SHARES);
          for (const kind of FOLDING_KINDS)
            expect(state.stroke[kind]).toBe(Math.min(1, Math.max(0, state.stroke[kind])));
          const { rear, side, width } = sketchOf(state);
          for (const { points } of [...rear, ...side])
            for (const [x, y] of points) {
              expect(x).toBeGreaterThanOrEqual(-1);
              expect(x).toBeLessThanOrEqual(width + 1);
              expect(y).toBeGreaterThanOrEqual(0);
              expect(y).toBeLessThanOrEqual(250);
            }
        }
      }),
      { numRuns: 150, endOnFailure: true },
    );
  });
});
