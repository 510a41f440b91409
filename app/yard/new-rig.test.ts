import { beforeEach, describe, expect, it } from "vitest";
import { plantedYard } from "../../data/demo/planted.ts";
import type { Database } from "../../data/handle.ts";
import { listMachines, listPoints, pointsOf } from "../../data/machines.ts";
import { listEveryTool } from "../../data/rigs.ts";
import { BY } from "../../data/sample-told.ts";
import { weightsOf } from "../../data/settings.ts";
import { keepMachine } from "./machine/keep-machine.server.ts";
import {
  carriedBy,
  carriersOf,
  couplingsOf,
  placesFor,
  readTools,
  toolsProblem,
  writeTools,
  type Yard,
} from "./new-rig.ts";

let db: Database;
let yard: Yard;
const named = (model: string) => yard.machines.find((machine) => machine.model === model)!;
const pointOf = (model: string, kind: string) =>
  yard.points.find((point) => point.machineId === named(model).id && point.kind === kind)!.id;

beforeEach(() => {
  db = plantedYard();
  yard = { machines: listMachines(db), points: listPoints(db) };
});

describe("putting a rig together", () => {
  const row = (model: string, on: string, kind: string) => ({
    implementId: named(model).id,
    pointId: pointOf(on, kind),
  });

  it("offers only free points of the tool's kind, on the tractor and on the tools ahead", () => {
    const tractor = named("150 F").id;
    const front = row("Blade 30 F", "150 F", "front three-point");
    expect(placesFor(yard, tractor, [front], 0).map(({ label }) => label)).toEqual(["front links"]);
    expect(placesFor(yard, named("240").id, [front], 0)).toEqual([]);
    const train = [row("Hopper 32", "240", "drawbar hole"), row("Wide 60", "Hopper 32", "rear hitch")];
    expect(placesFor(yard, named("240").id, train, 1).map(({ kind }) => kind)).toEqual(["rear hitch"]);
  });

  it("begun with an implement offers only what can carry it, begun with a machine only what it can carry", () => {
    const carriers = carriersOf(yard, named("Blade 30 F")).map(({ model }) => model);
    expect(carriers).toContain("150 F");
    expect(carriers).not.toContain("240");
    for (const driver of yard.machines.filter(({ kind }) => kind !== "implement"))
      for (const tool of carriedBy(yard, driver))
        expect(placesFor(yard, driver.id, [{ implementId: tool.id, pointId: 0 }], 0), tool.model).not.toEqual(
          [],
        );
  });

  it("says which tool cannot hang where it was put", () => {
    const tractor = named("240").id;
    const drill = row("Wide 60", "240", "drawbar hole");
    expect(toolsProblem(yard, tractor, [drill])).toBeNull();
    expect(toolsProblem(yard, tractor, [drill, drill])).toMatch(/^Tool 2: Sorrick Wide 60 is coupled twice/);
    expect(toolsProblem(yard, tractor, [drill, row("Hopper 32", "240", "drawbar hole")])).toMatch(
      /^Tool 2: Nothing ahead of the Wexcombe Hopper 32 has a free drawbar hole or rear hitch/,
    );
    expect(toolsProblem(yard, tractor, [{ ...drill, pointId: 0 }])).toMatch(
      /Choose what the Sorrick Wide 60 hangs on/,
    );
    expect(toolsProblem(yard, tractor, [{ implementId: tractor, pointId: 1 }])).toBe("Choose the implement.");
  });

  it("is stored with each train behind its own implement, and survives being written in a form", () => {
    const train = [row("Hopper 32", "240", "drawbar hole"), row("Wide 60", "Hopper 32", "rear hitch")];
    expect(readTools(writeTools(train))).toEqual(train);
    expect(couplingsOf(yard, named("240").id, train).map(({ behind }) => behind)).toEqual([null, 0]);
  });
});

describe("a machine's page", () => {
  const keep = (model: string, fields: Record<string, string>) => {
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.set(name, value);
    return keepMachine(db, named(model), form, BY).errors;
  };

  it("adds points a machine can have, one shaft a side, and each name once", () => {
    const point = (kind: string, label: string) => keep("118", { intent: "add-point", kind, label });
    expect(point("front three-point", "front links")).toEqual({});
    expect(point("front three-point", "front links").label).toMatch(/already/);
    expect(point("rear PTO", "second").kind).toMatch(/already/);
    expect(point("head mount", "x").kind).toMatch(/no head mount/);
    expect(pointsOf(db, named("118").id).map(({ label }) => label)).toContain("front links");
  });

  const WEIGHT = {
    intent: "add-weight",
    weightLabel: "rear box",
    mass: "0,6 t",
    massUnit: "kg",
    place: "1.1",
    placeUnit: "m",
    side: "behind",
    count: "1",
  };
  it("adds a weight in any unit, behind the axle as a minus", () => {
    expect(keep("118", WEIGHT)).toEqual({});
    expect(weightsOf(db, named("118").id).at(-1)).toMatchObject({
      label: "rear box",
      mass: 600,
      place: -1.1,
    });
  });

  it.each([
    ["mass", { mass: "heavy" }, "not understood"],
    ["mass", { mass: "9 t" }, "Between 1 kg and 5 t"],
    ["place", { place: "" }, "Nothing was typed"],
    ["place", { place: "40" }, "Between 0 and 12 m"],
    ["count", { count: "0" }, "How many"],
    ["weightLabel", { weightLabel: "" }, "Name it"],
  ])("refuses a weight by its %s", (field, fields, words) => {
    const before = weightsOf(db, named("118").id).length;
    expect(keep("118", { ...WEIGHT, ...fields })[field]).toContain(words);
    expect(weightsOf(db, named("118").id)).toHaveLength(before);
  });

  it("puts on a tyre that is in the list, on an axle the machine has", () => {
    const tyre = { intent: "set-tyre", tyreId: "1", tyreCount: "4" };
    expect(keep("118", { ...tyre, axle: "rear" })).toEqual({});
    expect(keep("118", { ...tyre, axle: "tool" })["tyre-tool"]).toMatch(/no such axle/);
    expect(keep("118", { ...tyre, axle: "rear", tyreId: "999" })["tyre-rear"]).toMatch(/of the list/);
  });

  it("does not hang a coupled implement on otherwise", () => {
    const { implement } = listEveryTool(db).find((part) => part.attachment === "mounted")!;
    const { make, model, fleetNumber, serial, busName } = implement;
    const save = { intent: "save", kind: "implement", make, model, fleetNumber, serial, busName };
    expect(keep(model, { ...save, attachment: "front" }).attachment).toMatch(/It is coupled so/);
  });
});
