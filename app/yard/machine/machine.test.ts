import { beforeEach, describe, expect, it } from "vitest";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { findMachine, listMachines, pointsOf } from "../../../data/machines.ts";
import type { Machine } from "../../../data/rigs.ts";
import { BY } from "../../../data/sample-told.ts";
import { axleTyresOf, listTyres, weightsOf } from "../../../data/settings.ts";
import { sampleForm } from "../../stations/frame/sample-open.server.ts";
import { keepMachine } from "./keep-machine.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const fleet = (number: string): Machine => listMachines(db).find((each) => each.fleetNumber === number)!;
const DETAILS = {
  kind: "implement",
  make: "Orvane",
  model: "Comb 6",
  fleetNumber: "",
  serial: "",
  busName: "",
};

/** What came of it: where it went, or the errors by field. */
function send(known: Machine | null, fields: Record<string, string>): string | Record<string, string> {
  try {
    return keepMachine(db, known, sampleForm(fields), BY).errors;
  } catch (thrown) {
    if (thrown instanceof Response) return thrown.headers.get("Location") ?? String(thrown.status);
    throw thrown;
  }
}

describe("a machine's page", () => {
  it("makes a new machine, with the points its kind has from the start", () => {
    const to = send(null, { intent: "save", ...DETAILS, attachment: "semi" });
    const id = Number(/^\/machines\/(\d+)$/.exec(to as string)![1]);
    expect(findMachine(db, id)).toMatchObject({ make: "Orvane", attachment: "semi" });
    const tractor = send(null, { intent: "save", ...DETAILS, kind: "tractor", attachment: "drawn" });
    const points = pointsOf(db, Number((tractor as string).split("/").at(-1)));
    expect(points.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(["receiver mount", "drawbar hole"]),
    );
  });

  it("refuses a bus NAME that is none, and writes one in capitals", () => {
    const drill = fleet("D2");
    const save = (busName: string) =>
      send(drill, { intent: "save", ...DETAILS, attachment: "drawn", fleetNumber: "D2", busName });
    expect(save("A0088600264")).toHaveProperty("busName");
    expect(save("a00886002640026d")).toBe(`/machines/${drill.id}`);
    expect(fleet("D2").busName).toBe("A00886002640026D");
  });

  it("hangs nothing on otherwise that is coupled so in a rig", () => {
    const plough = fleet("P4");
    const errors = send(plough, { intent: "save", ...DETAILS, attachment: "semi", fleetNumber: "P4" });
    expect(errors).toMatchObject({ attachment: expect.stringContaining("Reversible plough") });
    expect(fleet("P4").attachment).toBe("mounted");
  });

  it("understands nothing else, and nothing of a machine that is not there yet", () => {
    expect(send(fleet("T4"), { intent: "paint" })).toEqual({ form: "That request was not understood." });
    expect(send(null, { intent: "add-point", kind: "drawbar hole", label: "hole 9" })).toBe("404");
  });

  it("puts a machine away and takes it back", () => {
    const drill = fleet("D2");
    expect(send(drill, { intent: "away" })).toEqual({});
    expect(findMachine(db, drill.id)!.archivedAt).not.toBeNull();
    send(drill, { intent: "back" });
    expect(findMachine(db, drill.id)!.archivedAt).toBeNull();
  });
});

describe("points of a machine", () => {
  const add = (machine: string, kind: string, label: string) =>
    send(fleet(machine), { intent: "add-point", kind, label });

  it("are of a kind the machine has, each by a name of its own", () => {
    expect(add("T4", "drawbar hole", "hole 5")).toEqual({});
    expect(add("T4", "drawbar hole", "hole 5")).toEqual({ label: "There is one of that name already." });
    expect(add("T4", "head mount", "front")).toEqual({ kind: "This machine has no head mount." });
    expect(add("D2", "drawbar hole", "x")).toHaveProperty("kind");
    expect(add("T4", "drawbar hole", "")).toHaveProperty("label");
  });

  it("are one a side where a machine has one shaft end", () => {
    const there = pointsOf(db, fleet("T11").id).filter(({ kind }) => kind === "front PTO");
    expect(there).toHaveLength(1);
    expect(add("T11", "front PTO", "another")).toEqual({ kind: "It has a front PTO already." });
  });
});

describe("the stock of weights", () => {
  const WEIGHT = {
    intent: "add-weight",
    weightLabel: "wheel weight",
    mass: "210",
    massUnit: "kg",
    place: "0.2",
    placeUnit: "m",
    side: "ahead",
    count: "2",
  };
  const add = (fields: Partial<typeof WEIGHT> = {}, machine = "T4") =>
    send(fleet(machine), { ...WEIGHT, ...fields });

  it("is kept in SI, whatever it was typed in, ahead of the axle or behind it", () => {
    expect(add()).toEqual({});
    expect(add({ weightLabel: "rear block", mass: "800 lb", place: "4 ft", side: "behind" })).toEqual({});
    const [, front, rear] = weightsOf(db, fleet("T4").id);
    expect(front).toMatchObject({ mass: 210, place: 0.2, count: 2 });
    expect(rear!.mass).toBeCloseTo(362.874, 3);
    expect(rear!.place).toBeCloseTo(-1.2192, 4);
  });

  it("takes no weight of nothing, none of six tonnes, none beyond the machine, and no crowd of them", () => {
    expect(add({ mass: "0 kg" })).toEqual({ mass: "Between 1 kg and 5 t." });
    expect(add({ mass: "6 t" })).toEqual({ mass: "Between 1 kg and 5 t." });
    expect(add({ mass: "heavy" })).toHaveProperty("mass");
    expect(add({ place: "15" })).toEqual({ place: "Between 0 and 12 m from the axle." });
    expect(add({ count: "0" })).toHaveProperty("count");
    expect(add({ weightLabel: "" })).toHaveProperty("weightLabel");
    expect(add({}, "C3")).toEqual({ weightLabel: "Weights hang on what drives." });
    for (let at = weightsOf(db, fleet("T4").id).length; at < 12; at += 1) add({ weightLabel: `plate ${at}` });
    expect(add({ weightLabel: "one more" })).toEqual({ weightLabel: "Twelve kinds of weight are enough." });
  });

  it("gives a weight away, and only its own", () => {
    const own = weightsOf(db, fleet("T4").id)[0]!;
    const other = weightsOf(db, fleet("K1").id)[0]!;
    send(fleet("T4"), { intent: "drop-weight", weight: String(other.id) });
    expect(weightsOf(db, fleet("K1").id)).toHaveLength(1);
    send(fleet("T4"), { intent: "drop-weight", weight: String(own.id) });
    expect(weightsOf(db, fleet("T4").id)).toHaveLength(0);
  });
});

describe("tyres on an axle", () => {
  const set = (machine: string, axle: string, tyreId: string, tyreCount = "2") =>
    send(fleet(machine), { intent: "set-tyre", axle, tyreId, tyreCount });
  const on = (machine: string, axle: "front" | "rear" | "tool") => {
    const { id } = fleet(machine);
    return axleTyresOf(db, [id]).find((each) => each.axle === axle) ?? null;
  };

  it("are chosen from the tables there are, on an axle there is", () => {
    const [tyre] = listTyres(db);
    expect(set("T4", "rear", String(tyre!.id), "4")).toEqual({});
    expect(on("T4", "rear")).toMatchObject({ count: 4 });
    expect(set("T4", "tool", String(tyre!.id))).toEqual({ "tyre-tool": "This machine has no such axle." });
    expect(set("D2", "front", String(tyre!.id))).toHaveProperty("tyre-front");
    expect(set("T4", "rear", "9999")).toEqual({ "tyre-rear": "Choose a tyre of the list." });
    expect(set("T4", "rear", String(tyre!.id), "3")).toHaveProperty("tyreCount");
    expect(on("T4", "rear")).toMatchObject({ count: 4 });
  });

  it("are taken off again", () => {
    expect(set("T4", "front", "")).toEqual({});
    expect(on("T4", "front")).toBeNull();
  });
});
