import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { resolveRig } from "../../core/rig/resolve.ts";
import { plantedYard } from "../../data/demo/planted.ts";
import { rigFacts } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import { findImport, keepPreview, listImports, retractImport, takeOver } from "../../data/imports.ts";
import { addPoint } from "../../data/machines.ts";
import { listRigs, toolsOf } from "../../data/rigs.ts";
import { BY } from "../../data/sample-told.ts";
import type { ReadDevice } from "../../formats/isoxml/read.ts";
import { subjectOn, viewImport } from "./import-view.server.ts";

let db: Database;
const at = new Date("2026-11-07T08:00:00Z");

beforeEach(() => {
  db = plantedYard();
});

const device = (part: Partial<ReadDevice> = {}): ReadDevice => ({
  designator: "Somebody's drill",
  serial: "",
  busName: "",
  kind: "implement",
  attachment: "drawn",
  values: { "pin.pivot": 5.318, "pin.workFront": 4.3, "tool.lateral": 0 },
  zeros: [],
  sections: [1.5, 1.5, 1.5],
  notes: [],
  ...part,
});
const look = (devices: ReadDevice[], wanted = {}) =>
  viewImport(db, devices, () => wanted, PRESETS.metric).devices;

describe("whose a device is", () => {
  it("is told by bus NAME, else by serial number, never by its name", () => {
    // D2 Sorrick is machine 2, D5 Ambleth machine 4
    expect(look([device({ busName: "A00886002640026D" })])[0]).toMatchObject({
      target: { machine: 2 },
      because: "same bus NAME",
    });
    expect(look([device({ serial: "AS6-1148" })])[0]).toMatchObject({
      target: { machine: 4 },
      because: "same serial number",
    });
    expect(look([device({ designator: "Sorrick Tandem 45" })])[0]!.target.machine).toBe("new");
    expect(look([device({ kind: "tractor", busName: "A00886002640026D" })])[0]!.target.machine).toBe("new");
  });

  it("is for a person to say otherwise", () => {
    const [chosen] = look([device({ busName: "A00886002640026D" })], { machine: 4 });
    expect(chosen).toMatchObject({ target: { machine: 4 }, because: "" });
    expect(look([device()], { machine: "skip" })[0]!.rows).toEqual([]);
  });
});

describe("the preview", () => {
  const rows = (part: Partial<ReadDevice>, wanted = {}) =>
    Object.fromEntries(look([device(part)], wanted)[0]!.rows.map((row) => [row.key, row]));

  it("ticks what is missing here, and never what is taped or from the book", () => {
    const fresh = rows({});
    expect(fresh["pin.pivot"]).toMatchObject({ state: "new", ticked: true, now: "missing" });
    const known = rows({ busName: "A00886002640026D" });
    expect(known["pin.pivot"]).toMatchObject({ state: "same", ticked: false });
    expect(known["pin.workFront"]).toMatchObject({ state: "differs", ticked: false });
    expect(known["tool.lateral"]).toMatchObject({ state: "same" });
    expect(known.sections).toMatchObject({ state: "same", ticked: false });
    const other = rows({ serial: "AS6-1148" });
    expect(other["pin.workFront"]).toMatchObject({ state: "differs", ticked: false });
    expect(other["pin.workFront"]!.now).toContain("book");
    expect(other.sections).toMatchObject({ state: "differs" });
  });

  it("names a zero as missing, and does not offer it", () => {
    expect(rows({ values: {}, zeros: ["pin.pivot"] })["pin.pivot"]).toMatchObject({
      state: "zero",
      ticked: false,
    });
  });

  it("puts a tractor's lengths to the mount and the hole that were chosen", () => {
    const hole = addPoint(db, 1, "drawbar hole", "hole 4", BY);
    const tractor = device({
      kind: "tractor",
      busName: "A00284001E20008B",
      values: { "axle.pin": 1.2 },
      sections: null,
    });
    expect(look([tractor])[0]!.rows[0]).toMatchObject({ state: "differs" });
    expect(look([tractor], { hole })[0]!.rows[0]).toMatchObject({ state: "new", ticked: true });
    const target = { machine: 1, mount: 1, hole };
    expect(subjectOn("axle.pin", target, "drawn")).toEqual({ pointId: hole });
    expect(subjectOn("tractor.wheelbase", target, "drawn")).toEqual({ machineId: 1 });
    expect(subjectOn("work.overlap", target, "drawn")).toBeNull();
    expect(subjectOn("axle.pin", { ...target, machine: "new" }, "drawn")).toBeNull();
  });
});

describe("a tool that hangs otherwise", () => {
  const one = (part: Partial<ReadDevice>, wanted = {}) => look([device(part)], wanted)[0]!;
  const machineOf = (fleet: string) =>
    listRigs(db)
      .flatMap(({ id }) => toolsOf(db, id))
      .find(({ implement }) => implement.fleetNumber === fleet)!.implement.id;

  it("is read in the directions of the machine it is put on: ahead of a front hitch, behind a rear one", () => {
    const values = { "pin.workFront": 0.72, "pin.workRear": 1.04 };
    const front = { attachment: "front" as const, values };
    expect(one(front, { machine: machineOf("M1") }).values).toEqual(values);
    expect(one(front, { machine: machineOf("M2") }).values).toEqual({
      "pin.workFront": -0.72,
      "pin.workRear": -1.04,
    });
    const behind = { attachment: "mounted" as const, values };
    expect(one(behind, { machine: machineOf("M1") }).values).toEqual({
      "pin.workFront": -0.72,
      "pin.workRear": -1.04,
    });
  });

  it("is offered nothing the machine does not have", () => {
    const carried = one({}, { machine: machineOf("C3") });
    expect(carried.rows.map(({ key }) => key)).not.toContain("pin.pivot");
    expect(carried.rows.map(({ key }) => key)).toContain("pin.workFront");
  });

  it("as a new machine hangs as its connector tells, drawn where an older preview did not say", () => {
    expect(one({ attachment: "mounted" }).rows.map(({ key }) => key)).not.toContain("pin.pivot");
    const { attachment: _, ...older } = device();
    expect(look([older as ReadDevice])[0]!.rows.map(({ key }) => key)).toContain("pin.pivot");
  });
});

describe("taking a file over", () => {
  it("writes one batch of assumed readings, and takes it back as one", () => {
    const rig = listRigs(db)[1]!;
    const machineId = rig.implement.id;
    const id = keepPreview(db, { fileName: "x.zip", bytes: new Uint8Array([1, 2]), content: [device()], at });
    expect(findImport(db, id)).toMatchObject({
      state: "preview",
      hash: expect.stringMatching(/^[0-9a-f]{64}$/),
    });
    expect(listImports(db)).toEqual([]);
    const readings = [
      { key: "pin.workFront" as const, value: 5.1, subject: { machineId } },
      { key: "pin.workRear" as const, value: 5.4, subject: { machineId } },
    ];
    takeOver(db, id, readings, [{ machineId, widths: [3, 3] }], { person: "Mira", at });
    const now = () => resolveRig(rigFacts(db, rig));
    expect(now().values["pin.workFront"]).toMatchObject({ value: 5.1, grade: "assumed" });
    expect(now().sections).toMatchObject({ widths: [3, 3], instrument: "file" });
    expect(retractImport(db, id, { person: "Mira", at })).toBe(true);
    expect(retractImport(db, id, { person: "Mira", at })).toBe(false);
    expect(now().values["pin.workFront"].value).toBe(0);
    expect(now().sections?.widths).toHaveLength(6);
    expect(listImports(db)).toMatchObject([{ id, takenBack: true }]);
  });

  it("writes nothing when one of the readings cannot be stored", () => {
    const id = keepPreview(db, { fileName: "x", bytes: new Uint8Array(), content: [], at });
    const readings = [
      { key: "pin.pivot" as const, value: 5, subject: { machineId: 4 } },
      { key: "pin.pivot" as const, value: 5, subject: { machineId: 999 } },
    ];
    expect(() => takeOver(db, id, readings, [], { person: "M", at })).toThrow();
    expect(findImport(db, id)?.state).toBe("preview");
  });
});
