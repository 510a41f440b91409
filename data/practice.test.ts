import { beforeEach, describe, expect, it } from "vitest";
import { resolveRig } from "../core/rig/resolve.ts";
import { plantedYard } from "./demo/planted.ts";
import { rigFacts } from "./facts.ts";
import type { Database } from "./handle.ts";
import { listMachines } from "./machines.ts";
import { endPractice, feedTerminal, makePractice, nextDrive, practiceOf, truthKey } from "./practice.ts";
import { keepReading, keepSections } from "./readings.ts";
import { findRig, listRigs, type RigTool, toolsOf } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import { profileOf, terminalOf } from "./schemes.ts";
import { addVariant, chooseVariant, variantsOf } from "./variants.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const stamp = { person: "Trainee", at: new Date("2026-11-20T08:00:00.000Z"), instrument: "tape" as const };
const rigOf = (id: number, tool = 0): RigTool => toolsOf(db, id)[tool]!;
const valuesOf = (rig: RigTool) => resolveRig(rigFacts(db, rig)).values;
const copy = (id: number, start: "as read" | "empty" = "as read", truths = {}) =>
  makePractice(
    db,
    toolsOf(db, id),
    { name: `Practice of ${id}`, start, ...BY },
    { seed: 7, truths, terminal: {} },
  );

describe("a practice rig", () => {
  it("stands on machines of its own, read as the rig it was copied from", () => {
    const id = copy(3);
    const [original, own] = [rigOf(3), rigOf(id)];
    expect(own.tractor.id).not.toBe(original.tractor.id);
    expect(own.tractor).toMatchObject({ make: original.tractor.make, practice: true, busName: "" });
    for (const key of [
      "receiver.foreAft",
      "axle.pin",
      "pin.workFront",
      "tool.width",
      "work.overlap",
    ] as const)
      expect(valuesOf(own)[key].value, key).toBe(valuesOf(original)[key].value);
    expect(terminalOf(db, own.tractor.id)).toMatchObject({ schemeId: "antenna-m" });
    expect(profileOf(db, own)).toBe("RILL");
    expect(resolveRig(rigFacts(db, own)).sections).toMatchObject({
      widths: resolveRig(rigFacts(db, original)).sections!.widths,
    });
  });

  it("touches nothing real, whatever is typed on it", () => {
    const id = copy(3);
    const before = valuesOf(rigOf(3))["tool.lateral"].value;
    keepReading(db, rigOf(id), {
      key: "tool.lateral",
      rawText: "9 cm right",
      value: 0.09,
      step: 0.001,
      ...stamp,
    });
    keepSections(db, rigOf(id), [1, 1, 1], stamp);
    expect(valuesOf(rigOf(id))["tool.lateral"].value).toBe(0.09);
    expect(valuesOf(rigOf(3))["tool.lateral"].value).toBe(before);
    expect(resolveRig(rigFacts(db, rigOf(3))).sections!.widths).not.toEqual([1, 1, 1]);
  });

  it("may begin empty: what the tape can measure is to be taped, the rest stays", () => {
    const own = rigOf(copy(3, "empty"));
    expect(valuesOf(own)["pin.workFront"].grade).toBe("missing");
    expect(valuesOf(own)["receiver.height"].grade).toBe("missing");
    expect(resolveRig(rigFacts(db, own)).sections).toBeNull();
    expect(valuesOf(own)["tractor.power"].value).toBe(valuesOf(rigOf(3))["tractor.power"].value);
  });

  it("of a train hangs as the train hangs", () => {
    const parts = toolsOf(db, copy(12));
    expect(parts.map(({ attachment }) => attachment)).toEqual(["drawn", "train", "third"]);
    expect(parts[2]!.parentCouplingId).toBe(parts[1]!.couplingId);
    expect(parts[1]!.parentCouplingId).toBe(parts[0]!.couplingId);
    const front = toolsOf(db, copy(5));
    expect(front.map(({ attachment }) => attachment)).toEqual(["front", "mounted"]);
  });

  it("has the variants of its original, each with its own truth", () => {
    const boom = rigOf(8);
    const folded = addVariant(db, boom.implement.id, "one wing folded", BY);
    chooseVariant(db, boom.couplingId, folded, BY);
    const wing = rigOf(8);
    keepReading(db, wing, { key: "tool.width", rawText: "13.5", value: 13.5, step: 0.001, ...stamp });
    const own = rigOf(
      copy(8, "as read", {
        [truthKey(boom.couplingId, null)]: { name: "whole" },
        [truthKey(boom.couplingId, folded)]: { name: "folded" },
      }),
    );
    expect(own.variant).toMatchObject({ name: "one wing folded" });
    expect(own.variant!.id).not.toBe(folded);
    expect(variantsOf(db, own.implement.id)).toHaveLength(1);
    expect(valuesOf(own)["tool.width"].value).toBe(13.5);
    expect(practiceOf(db, own.id)!.truths).toEqual({
      [truthKey(own.couplingId, null)]: { name: "whole" },
      [truthKey(own.couplingId, own.variant!.id)]: { name: "folded" },
    });
  });

  it("counts its drives, keeps what its terminal was fed, and is put away whole", () => {
    const id = copy(3);
    expect([nextDrive(db, id), nextDrive(db, id), nextDrive(db, id)]).toEqual([1, 2, 3]);
    feedTerminal(db, id, { x: { typed: [] } });
    expect(practiceOf(db, id)).toMatchObject({ seed: 7, drives: 3, terminal: { x: { typed: [] } } });
    const parts = toolsOf(db, id);
    endPractice(db, parts, BY);
    expect(findRig(db, id)!.archivedAt).not.toBeNull();
    expect(listMachines(db).map((each) => each.id)).not.toContain(parts[0]!.tractor.id);
    expect(listRigs(db).find((rig) => rig.id === 3)!.archivedAt).toBeNull();
    expect(practiceOf(db, 3)).toBeNull();
  });
});
