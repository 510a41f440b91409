import { beforeEach, describe, expect, it } from "vitest";
import { plantedYard } from "./demo/planted.ts";
import { factsOf, rigFacts } from "./facts.ts";
import type { Database } from "./handle.ts";
import { keepReading } from "./readings.ts";
import { byRig, copyRig, listEveryTool, listRigs, type RigTool, toolsOf } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import {
  addTyre,
  addWeight,
  fitWeights,
  listTyres,
  setAxleTyre,
  setRoadLimits,
  weightsOf,
} from "./settings.ts";
import { wholesOf } from "./whole.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const stamp = { person: "Ilse Marrin", at: new Date("2026-11-20T08:00:00.000Z") };
const rigOf = (id: number, tool = 0): RigTool => toolsOf(db, id)[tool]!;
const whole = (id: number) => wholesOf(db, toolsOf(db, id)).get(id)!;

describe("a whole rig", () => {
  it("has its tools in the order they are coupled, each behind the one it hangs on, each on its own hitch", () => {
    expect(whole(12).parts.map(({ name, behind, hitch }) => [name, behind, hitch])).toEqual([
      ["Wexcombe Hopper 45", null, "hole 1"],
      ["Sorrick Wide 90", 0, "rear hitch"],
      ["Tessbury Press 92", 1, "roller hitch"],
    ]);
    expect(whole(5).parts.map(({ behind, hitch }) => [behind, hitch])).toEqual([
      [null, "front links"],
      [null, "rear links"],
    ]);
  });

  it("knows what drives itself, and on which tyres", () => {
    expect([whole(7), whole(8), whole(13)].every(({ selfPropelled }) => selfPropelled)).toBe(true);
    expect(whole(12).selfPropelled).toBe(false);
    expect(whole(12).tyres.front).toMatchObject({ label: "710/70 R42", count: 4 });
    expect(whole(12).tyres.tools.map((each) => each?.label ?? null)).toEqual(["500/50-17", null, null]);
    expect(whole(14).tyres).toMatchObject({ front: null, rear: null });
  });

  it("is the same read alone or with the whole yard", () => {
    const all = wholesOf(db, listEveryTool(db));
    expect(all.size).toBe(17);
    for (const { id } of listRigs(db)) expect(all.get(id), String(id)).toEqual(whole(id));
  });

  it("shares its machine's readings and stock with every rig the machine is in, but not what is fitted", () => {
    const [first, other] = [rigOf(1), rigOf(4)];
    expect(first.tractor.id).toBe(other.tractor.id);
    keepReading(db, first, {
      key: "tractor.power",
      rawText: "91 kW",
      value: 91e3,
      step: 1e3,
      instrument: "book",
      ...stamp,
    });
    expect(whole(4).parts[0]!.rig.values["tractor.power"].value).toBe(91e3);
    addWeight(
      db,
      { machineId: first.tractor.id, label: "wheel weight", mass: 210, place: 0.1, count: 2 },
      BY,
    );
    expect(whole(4).weights.map(({ count }) => count)).toEqual([8, 2]);
    const ids = weightsOf(db, first.tractor.id).map(({ id }) => id);
    fitWeights(db, 4, new Map([[ids[1]!, 2]]), stamp);
    expect(whole(4).weights.map(({ fitted }) => fitted)).toEqual([0, 2]);
    expect(whole(1).weights.map(({ fitted }) => fitted)).toEqual([0, 0]);
  });

  it("is judged by the roads of the yard, and by the tyres that are on now", () => {
    setRoadLimits(db, { country: "Ostmark", width: 2.55, height: 4, speed: 11, unbraked: null }, BY);
    expect(whole(3).limits).toMatchObject({ country: "Ostmark", width: 2.55 });
    const tyre = addTyre(db, { label: "900/50 R42", source: "", cells: [] }, BY);
    setAxleTyre(db, { machineId: rigOf(3).tractor.id, axle: "rear" }, { tyreId: tyre, count: 2 }, BY);
    expect(whole(3).tyres.rear).toMatchObject({ label: "900/50 R42" });
    expect(listTyres(db).some(({ label }) => label === "900/50 R42")).toBe(true);
  });
});

describe("parts by rig", () => {
  it("keeps every part, in order, under its rig", () => {
    const parts = listEveryTool(db);
    const rigs = byRig(parts);
    expect([...rigs.values()].flat()).toHaveLength(parts.length);
    for (const [id, own] of rigs) {
      expect(new Set(own.map((part) => part.id))).toEqual(new Set([id]));
      expect(own.map(({ position }) => position)).toEqual(own.map((_, at) => at + 1));
    }
  });

  it("has facts for each, the same as one by one", () => {
    const parts = listEveryTool(db);
    const all = factsOf(db, parts);
    expect(all.size).toBe(parts.length);
    for (const part of parts) expect(all.get(part.couplingId)).toEqual(rigFacts(db, part));
  });

  it("of a copy hang as the original's hang, on the same machines", () => {
    const copy = copyRig(db, rigOf(12), "Train, copy", BY);
    const [own, original] = [toolsOf(db, copy), toolsOf(db, 12)];
    expect(own.map(({ attachment }) => attachment)).toEqual(original.map(({ attachment }) => attachment));
    expect(own.map(({ implement }) => implement.id)).toEqual(original.map(({ implement }) => implement.id));
    expect(own.map(({ couplingId }) => couplingId)).not.toEqual(original.map(({ couplingId }) => couplingId));
    expect(own[2]!.parentCouplingId).toBe(own[1]!.couplingId);
  });
});
