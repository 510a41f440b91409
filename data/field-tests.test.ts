import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import type { Accepted } from "../core/job/accepting.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { UNKNOWN_CONDITIONS } from "../core/trade/field-conditions.ts";
import { plantedYard } from "./demo/planted.ts";
import { rigFacts } from "./facts.ts";
import {
  acceptedOf,
  acceptTest,
  beginTest,
  findTest,
  keepObservations,
  leaveOut,
  observationsOf,
  setTest,
  testsOfRig,
} from "./field-tests.ts";
import type { Database } from "./handle.ts";
import { retract } from "./readings.ts";
import { type RigTool, toolsOf } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import { addVariant, archiveVariant, chooseVariant, variantsOf } from "./variants.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const stamp = { person: "Ilse Marrin", at: new Date("2026-11-20T08:00:00.000Z") };
const rigOf = (id: number, tool = 0): RigTool => toolsOf(db, id)[tool]!;

function begin(rig: RigTool, kind: Parameters<typeof beginTest>[2]["kind"] = "joints"): string {
  const id = randomUUID();
  beginTest(db, rig, { id, kind, conditions: UNKNOWN_CONDITIONS, spacing: 4.5, ...stamp });
  return id;
}

const joint = (id: string, value: number) => ({
  id,
  values: { joint: value },
  choices: { pair: "up-down" },
  texts: { joint: `${value * 1000} mm` },
});

describe("a field test", () => {
  it("belongs to one tool of a rig, newest first, and is begun once however often it is sent", () => {
    const [front, rear] = [rigOf(5), rigOf(5, 1)];
    const [first, second] = [begin(front), begin(front)];
    const other = begin(rear);
    expect(testsOfRig(db, front).map(({ id }) => id)).toEqual([second, first]);
    expect(testsOfRig(db, rear).map(({ id }) => id)).toEqual([other]);
    expect(findTest(db, front, other)).toBeNull();
    beginTest(db, front, {
      id: first,
      kind: "circle",
      conditions: UNKNOWN_CONDITIONS,
      spacing: null,
      ...stamp,
    });
    expect(findTest(db, front, first)).toMatchObject({ kind: "joints", spacing: 4.5 });
  });

  it("of one variant is not one of another: its figures are other figures", () => {
    const boom = rigOf(8);
    const folded = addVariant(db, boom.implement.id, "one wing folded", BY);
    const whole = begin(boom);
    chooseVariant(db, boom.couplingId, folded, BY);
    const wing = rigOf(8);
    expect(wing.variant).toMatchObject({ name: "one wing folded" });
    expect(testsOfRig(db, wing)).toEqual([]);
    const own = begin(wing);
    expect(testsOfRig(db, wing).map(({ id }) => id)).toEqual([own]);
    chooseVariant(db, boom.couplingId, null, BY);
    expect(testsOfRig(db, rigOf(8)).map(({ id }) => id)).toEqual([whole]);
  });

  it("keeps its observations in the order they were taken, each once, all or none", () => {
    const id = begin(rigOf(1));
    keepObservations(db, id, [joint("a", 0.04), joint("b", -0.02)], stamp);
    keepObservations(db, id, [joint("b", 9), joint("c", 0.05)], stamp);
    expect(observationsOf(db, id).map((each) => [each.id, each.values.joint])).toEqual([
      ["a", 0.04],
      ["b", -0.02],
      ["c", 0.05],
    ]);
    const broken = { ...joint("e", 1), values: undefined as never };
    expect(() => keepObservations(db, id, [joint("d", 0.01), broken], stamp)).toThrow();
    expect(observationsOf(db, id)).toHaveLength(3);
    leaveOut(db, "b", true, stamp);
    expect(observationsOf(db, id).map(({ leftOut }) => leftOut)).toEqual([false, true, false]);
  });

  it("has its conditions and spacing told later", () => {
    const id = begin(rigOf(1));
    setTest(db, id, { spacing: 4.4, conditions: { ...UNKNOWN_CONDITIONS, fix: "fixed" } }, stamp);
    expect(findTest(db, rigOf(1), id)).toMatchObject({ spacing: 4.4, conditions: { fix: "fixed" } });
  });
});

describe("accepting", () => {
  const accepted = (rest: Partial<Accepted> = {}): Accepted => ({
    what: "Tool off the line",
    how: "pass joints",
    result: "3 cm right",
    terms: [{ key: "tool.lateral", coefficient: 1 }],
    sigma: 0.004,
    evidence: {} as Accepted["evidence"],
    correction: { key: "tool.lateral", value: 0.03, rawText: "3 cm right" },
    ...rest,
  });
  const now = (rig: RigTool) => resolveRig(rigFacts(db, rig)).values["tool.lateral"];

  it("writes the reading and its proof together, and takes both back together", () => {
    const rig = rigOf(1);
    const before = now(rig).value;
    const id = begin(rig);
    const batch = acceptTest(db, rig, id, [accepted()], stamp);
    expect(now(rig)).toMatchObject({ value: 0.03, grade: "proven" });
    expect(acceptedOf(db, rig).get(id)).toMatchObject([{ what: "Tool off the line", acceptance: batch }]);
    expect(retract(db, rig, batch, stamp)).toBe(true);
    expect(now(rig).value).toBe(before);
    expect(acceptedOf(db, rig).size).toBe(0);
  });

  it("may confirm what stands without a new reading", () => {
    const rig = rigOf(1);
    const before = now(rig).value;
    acceptTest(db, rig, begin(rig), [accepted({ correction: null })], stamp);
    expect(now(rig)).toMatchObject({ value: before, grade: "proven" });
  });

  it("writes nothing where one of the figures cannot be written", () => {
    const rig = rigOf(1);
    const { value: before, grade } = now(rig);
    const broken = accepted({ what: null as never });
    expect(() => acceptTest(db, rig, begin(rig), [accepted(), broken], stamp)).toThrow();
    expect(now(rig)).toMatchObject({ value: before, grade });
  });

  it("is of the tool and the variant it was driven with", () => {
    const boom = rigOf(8);
    const folded = addVariant(db, boom.implement.id, "one wing folded", BY);
    chooseVariant(db, boom.couplingId, folded, BY);
    const wing = rigOf(8);
    acceptTest(
      db,
      wing,
      begin(wing),
      [
        accepted({
          terms: [{ key: "tool.width", coefficient: 1 }],
          correction: { key: "tool.width", value: 13.5, rawText: "13.5" },
        }),
      ],
      stamp,
    );
    const width = () => resolveRig(rigFacts(db, rigOf(8))).values["tool.width"];
    expect(width()).toMatchObject({ value: 13.5, grade: "proven" });
    chooseVariant(db, boom.couplingId, null, BY);
    expect(width()).toMatchObject({ value: 24, grade: "taped" });
  });
});

describe("a variant", () => {
  it("taken out of use leaves its rigs working whole, and comes back by choice", () => {
    const boom = rigOf(8);
    const folded = addVariant(db, boom.implement.id, "one wing folded", BY);
    chooseVariant(db, boom.couplingId, folded, BY);
    archiveVariant(db, folded, true, BY);
    expect(rigOf(8).variant).toBeNull();
    expect(variantsOf(db, boom.implement.id)).toEqual([]);
    archiveVariant(db, folded, false, BY);
    expect(variantsOf(db, boom.implement.id).map(({ name }) => name)).toEqual(["one wing folded"]);
    expect(rigOf(8).variant).toBeNull();
  });
});
