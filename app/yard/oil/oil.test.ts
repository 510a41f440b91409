import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { openDatabase } from "../../../data/database.ts";
import type { Database } from "../../../data/handle.ts";
import { functionsOf, hydraulicsOf, remotesOf } from "../../../data/hoses.ts";
import { createMachine, findMachine } from "../../../data/machines.ts";
import type { Machine } from "../../../data/rigs.ts";
import { BY } from "../../../data/sample-told.ts";
import { keepOil } from "./keep-oil.server.ts";
import { functionRows, oilUnits, remoteRows, supplyFields } from "./oil-view.ts";

let db: Database;
let tractor: Machine;
let tool: Machine;
beforeEach(() => {
  db = openDatabase(":memory:");
  const named = { make: "Any", fleetNumber: "", serial: "", busName: "" };
  tractor = findMachine(db, createMachine(db, "tractor", { ...named, model: "One" }, BY))!;
  tool = findMachine(db, createMachine(db, "implement", { ...named, model: "Two" }, BY))!;
});

const METRIC = {
  flowUnit: "l/min",
  pressureUnit: "bar",
  chargeUnit: "bar",
  boreUnit: "mm",
  rodUnit: "mm",
  strokeUnit: "mm",
};
function send(machine: Machine, intent: string, fields: Record<string, string> = {}) {
  const form = new FormData();
  for (const [name, value] of Object.entries({ intent, ...METRIC, ...fields })) form.set(name, value);
  return keepOil(db, machine, form, BY);
}
const remotes = () => remotesOf(db, [tractor.id]).get(tractor.id) ?? [];
const functions = () => functionsOf(db, [tool.id]).get(tool.id) ?? [];
const REMOTE = {
  number: "1",
  lever: "lever 1",
  action: "double",
  flow: "85",
  place: "rear",
  coupling: "",
  float: "on",
};

describe("a tractor's side", () => {
  it("is kept in SI from the operator's units, and reads back the same", () => {
    send(tractor, "supply", {
      pumpFlow: "31.7 gal/min",
      pumpFlowUnit: "gal/min",
      pressure: "200",
      spareOil: "40 l",
      spareOilUnit: "l",
      mainLever: "2",
      freeReturn: "on",
      "socket implement bus": "on",
    });
    const told = hydraulicsOf(db, [tractor.id]).get(tractor.id)!;
    expect(told.pumpFlow! * 60_000).toBeCloseTo(120, 0);
    expect(told).toMatchObject({
      pressure: 200e5,
      mainLever: 2,
      freeReturn: true,
      powerBeyond: false,
      sockets: ["implement bus"],
    });
    expect(supplyFields(told, PRESETS.us).pumpFlow).toBe("31.7 gal/min");
    expect(supplyFields(told, PRESETS.metric).spareOil).toBe("40 l");
  });

  it("adds, changes and takes out remotes, each number once", () => {
    expect(send(tractor, "remote", REMOTE).errors).toEqual({});
    expect(send(tractor, "remote", REMOTE).errors).toEqual({ number: "There is a remote 1 already." });
    const [first] = remotes();
    expect(first).toMatchObject({ float: true, detent: false, automatic: false });
    expect(first!.flow! * 60_000).toBeCloseTo(85, 6);
    send(tractor, "remote", { ...REMOTE, remote: String(first!.id), automatic: "on", float: "" });
    expect(remotes()).toHaveLength(1);
    expect(remoteRows(remotes(), PRESETS.metric)[0]!.text.replace(/\u00a0/g, " ")).toBe(
      "double-acting, automatic, 85 l/min",
    );
    send(tractor, "drop-remote", { remote: String(first!.id) });
    expect(remotes()).toEqual([]);
    send(tractor, "back");
    expect(remotes().map(({ id }) => id)).toEqual([first!.id]);
    send(tractor, "drop-remote", { remote: String(first!.id) });
    send(tractor, "remote", REMOTE);
    expect(send(tractor, "back").errors).toEqual({
      form: "Remote 1 cannot come back: another remote has its number.",
    });
    expect(remotes()).toHaveLength(1);
  });

  it.each([
    [{ number: "0" }, "number"],
    [{ flow: "1,500" }, "flow"],
    [{ flow: "-4" }, "flow"],
    [{ action: "triple" }, "action"],
    [{ place: "roof" }, "place"],
  ])("refuses %j by the field, and writes nothing", (wrong, field) => {
    const { errors, ok } = send(tractor, "remote", { ...REMOTE, ...wrong });
    expect(ok).toBe(false);
    expect(Object.keys(errors)).toEqual([field]);
    expect(remotes()).toEqual([]);
  });

  it("belongs to what drives, and functions to implements", () => {
    expect(send(tool, "remote", REMOTE).ok).toBe(false);
    expect(send(tractor, "add-function", { kind: "wings" }).ok).toBe(false);
    expect(functions()).toEqual([]);
  });
});

describe("an implement's functions", () => {
  const FIELDS = { name: "Wings", action: "double", place: "rear", "use-unfold": "moves", flow: "40" };
  const change = (fields: Record<string, string>) =>
    send(tool, "function", { function: String(functions()[0]!.id), ...FIELDS, ...fields });

  it("begin with what their kind usually has, and stand from the front in the order they are put", () => {
    for (const kind of ["jack", "wings", "wings"]) send(tool, "add-function", { kind });
    expect(functions().map(({ name }) => name)).toEqual(["Parking jack or stand", "Wings", "Wings 2"]);
    expect(functions()[1]).toMatchObject({ uses: { unfold: "moves", field: "floats" }, lockable: false });
    send(tool, "move-function", { function: String(functions()[2]!.id), way: "up" });
    send(tool, "move-function", { function: String(functions()[0]!.id), way: "up" });
    expect(functions().map(({ name }) => name)).toEqual(["Parking jack or stand", "Wings 2", "Wings"]);
    send(tool, "drop-function", { function: String(functions()[1]!.id) });
    expect(functions()).toHaveLength(2);
    send(tool, "back");
    expect(functions().map(({ name }) => name)).toEqual(["Parking jack or stand", "Wings 2", "Wings"]);
    expect(send(tool, "add-function", { kind: "levitation" }).errors).toEqual({
      kind: "Choose what it does.",
    });
  });

  it("are changed whole: phases, cylinder, lock", () => {
    send(tool, "add-function", { kind: "wings" });
    expect(
      change({
        "use-fold": "moves",
        bore: "110",
        rod: "60",
        stroke: "78 cm",
        cylinders: "2",
        charge: "120",
        lockable: "on",
      }).errors,
    ).toEqual({});
    expect(functions()[0]).toMatchObject({
      uses: { unfold: "moves", fold: "moves" },
      cylinder: { bore: 0.11, rod: 0.06, stroke: 0.78, count: 2 },
      charge: 120e5,
      lockable: true,
      motor: null,
    });
    const [row] = functionRows(functions(), PRESETS.metric);
    expect(row).toMatchObject({ bore: "110 mm", stroke: "780 mm", flow: "40 l/min" });
    // π/4 · 0.11² · 0.78 · 2 = 14.8 l; less the rods 10.4 l
    expect(row!.text.replace(/\u00a0/g, " ")).toContain("14.8 l out, 10.4 l in");
    expect(oilUnits(PRESETS.us)).toMatchObject({ flow: "gal/min", length: "in" });
  });

  it.each([
    [{ bore: "60" }, "stroke"],
    [{ bore: "60", stroke: "400", rod: "60" }, "rod"],
    [{ bore: "900", stroke: "400" }, "bore"],
    [{ displacement: "16" }, "speed"],
    [{ speed: "2000 rpm" }, "displacement"],
    [{ name: "" }, "name"],
    [{ flow: "much" }, "flow"],
    [{ cylinders: "2" }, "bore"],
  ])("refuse %j by the field, and keep what was there", (wrong, field) => {
    send(tool, "add-function", { kind: "wings" });
    const before = functions();
    const { errors } = change({ displacementUnit: "cm³", speedUnit: "rpm", ...wrong } as Record<
      string,
      string
    >);
    expect(Object.keys(errors)).toContain(field);
    expect(functions()).toEqual(before);
  });

  it("told to be none at all are told", () => {
    expect(hydraulicsOf(db, [tool.id]).size).toBe(0);
    send(tool, "sockets", { "socket 7-pin lights": "on" });
    expect(hydraulicsOf(db, [tool.id]).get(tool.id)).toMatchObject({ sockets: ["7-pin lights"] });
  });
});
