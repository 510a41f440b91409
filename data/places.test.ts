import { beforeEach, describe, expect, it } from "vitest";
import { placeAt } from "../core/geodesy/degrees.ts";
import { sizeOf } from "../core/place/boundary.ts";
import { openDatabase } from "./database.ts";
import type { Database } from "./handle.ts";
import { keepLine, keepShift, linesOf } from "./lines.ts";
import { beginWork } from "./log.ts";
import { createMachine, pointsOf } from "./machines.ts";
import {
  addField,
  boundariesOf,
  changeField,
  fieldOf,
  keepBoundary,
  listFields,
  NameTaken,
  namesOf,
  putFieldAway,
} from "./places.ts";
import { markOf, takeBack, touchedSince } from "./record.ts";
import { createRig } from "./rigs.ts";
import { keepVarietyMap } from "./variety-maps.ts";
import { cropNamed, keepWork, worksOf } from "./work.ts";

const BY = { person: "Ilse", at: new Date("2026-05-01T06:00:00Z") };
const later = (day: number) => ({ person: "Ola", at: new Date(`2026-05-0${day}T06:00:00Z`) });
/** Corners of a square of so many degrees, to nine decimals. */
const ring = (side: number) =>
  [
    [0, 0],
    [0, side],
    [side, side],
    [side, 0],
  ].map(([north, east]) => placeAt(Number((52.4 + north!).toFixed(9)), Number((10.7 + east!).toFixed(9))));
const NO_WORK = {
  operations: [],
  varietyWay: "one" as const,
  varieties: [],
  products: [],
  season: "2026",
  screen: {},
  screenActive: false,
  alarms: {},
};
let db: Database;
beforeEach(() => {
  db = openDatabase(":memory:");
});

describe("fields", () => {
  it("belong to farms of clients, each made once and found whatever its capitals", () => {
    addField(db, { client: "Weir & Sons", farm: "Lower Weir", name: "Long Acre" }, BY);
    addField(db, { client: "weir & sons", farm: " lower  weir", name: "Round" }, BY);
    const loose = addField(db, { client: "", farm: "", name: "Long Acre" }, BY);
    addField(db, { client: "Tamm", farm: "", name: "Long Acre" }, BY);
    expect(namesOf(db)).toEqual({ clients: ["Tamm", "Weir & Sons"], farms: ["Lower Weir", "Tamm"] });
    expect(listFields(db).map(({ client, farm, name }) => [client, farm, name].join("/"))).toEqual([
      "//Long Acre",
      "Tamm/Tamm/Long Acre",
      "Weir & Sons/Lower Weir/Long Acre",
      "Weir & Sons/Lower Weir/Round",
    ]);
    expect(() =>
      changeField(db, loose, { client: "WEIR & SONS", farm: "Lower Weir", name: "round" }, BY),
    ).toThrow(NameTaken);
    changeField(db, loose, { client: "Weir & Sons", farm: "Lower Weir", name: "Hook" }, BY);
    putFieldAway(db, loose, true, BY);
    expect(listFields(db).at(-1)).toMatchObject({ name: "Hook", archivedAt: BY.at.toISOString() });
  });

  it("end where the newest boundary says, by when it happened; taken back the one before holds", () => {
    const fieldId = addField(db, { client: "", farm: "", name: "Long Acre" }, BY);
    const keep = (side: number, day: number) =>
      keepBoundary(
        db,
        { fieldId, boundary: [{ outer: ring(side), holes: [] }], source: "coordinates" },
        later(day),
      );
    const width = () => sizeOf(fieldOf(db, fieldId)!.bounded!.boundary).area;
    keep(0.01, 1);
    const wide = width();
    const second = keep(0.02, 3);
    keep(0.005, 2);
    expect(width()).toBeGreaterThan(3 * wide);
    takeBack(db, second, later(4));
    expect(width()).toBeLessThan(wide / 3);
    expect(boundariesOf(db, fieldId).map(({ takenBack }) => takenBack)).toEqual([true, false, false]);
  });

  it("keep corners to the last of nine decimals", () => {
    const fieldId = addField(db, { client: "", farm: "", name: "Long Acre" }, BY);
    const boundary = [{ outer: [...ring(0.010000001)], holes: [ring(0.001234567).map((each) => each)] }];
    keepBoundary(db, { fieldId, boundary, source: "file" }, BY);
    expect(fieldOf(db, fieldId)!.bounded!.boundary).toEqual(boundary);
  });
});

describe("lines", () => {
  it("are of a field and read back the same; shifts add up until one is taken back", () => {
    const fieldId = addField(db, { client: "", farm: "", name: "Long Acre" }, BY);
    const [a, b, c] = ring(0.01) as [never, never, never];
    const shapes = [
      { kind: "ab", a, b },
      { kind: "heading", a, heading: (91.5 * Math.PI) / 180 },
      { kind: "curve", points: [a, b, c] },
      { kind: "circle", centre: a, radius: 212.5 },
    ] as const;
    const ids = shapes.map((shape, at) => keepLine(db, { fieldId, name: `Line ${at}`, shape }, BY));
    expect(linesOf(db, fieldId).map(({ shape }) => shape)).toEqual(shapes);
    keepShift(db, ids[0]!, { amount: 0.05, reason: "drift in the morning" }, later(2));
    const regretted = keepShift(db, ids[0]!, { amount: -0.3, reason: "off the old wheelings" }, later(3));
    const amounts = () => linesOf(db, fieldId)[0]!.shifts.map(({ amount }) => amount);
    expect(amounts()).toEqual([0.05, -0.3]);
    takeBack(db, regretted, later(4));
    expect(amounts()).toEqual([0.05]);
    expect(() => keepShift(db, "none", { amount: 1, reason: "?" }, BY)).toThrow(RangeError);
    takeBack(db, ids[1]!, later(4));
    expect(linesOf(db).map(({ name }) => name)).toEqual(["Line 0", "Line 2", "Line 3"]);
  });
});

describe("what was written about a field", () => {
  it("touches the rigs that are set to it, and no other", () => {
    const [machineId, implementId] = (["tractor", "implement"] as const).map((kind) =>
      createMachine(db, kind, { make: "A", model: kind, fleetNumber: "", serial: "", busName: "" }, BY),
    ) as [number, number];
    const points = pointsOf(db, machineId);
    const coupled = {
      tractorId: machineId,
      receiverPointId: points.find(({ kind }) => kind === "receiver mount")!.id,
      couplings: [
        { pointId: points.find(({ kind }) => kind === "drawbar hole")!.id, implementId, behind: null },
      ],
    };
    const rigId = createRig(db, { name: "R", ...coupled }, BY);
    const [one, two] = ["Long Acre", "Hook"].map((name) =>
      addField(db, { client: "", farm: "", name }, BY),
    ) as [number, number];
    keepWork(db, rigId, { ...NO_WORK, fieldId: one }, BY);
    const line = keepLine(
      db,
      { fieldId: one, name: "L", shape: { kind: "ab", a: placeAt(52, 10), b: placeAt(52.1, 10) } },
      BY,
    );
    const touchedBy = (write: () => void) => {
      const mark = markOf(db);
      write();
      return touchedSince(db, mark)?.has(`rig ${rigId}`);
    };
    const keep = (fieldId: number) =>
      keepBoundary(db, { fieldId, boundary: [{ outer: ring(0.01), holes: [] }], source: "file" }, later(2));
    expect(touchedBy(() => keep(two))).toBe(false);
    expect(touchedBy(() => keep(one))).toBe(true);
    let shift = "";
    expect(touchedBy(() => (shift = keepShift(db, line, { amount: 0.1, reason: "drift" }, later(3))))).toBe(
      true,
    );
    expect(touchedBy(() => takeBack(db, shift, later(4)))).toBe(true);
    const cropId = cropNamed(db, "Oats", BY);
    const map = { cropId, fileName: "oats.geojson", zones: [] };
    expect(touchedBy(() => keepVarietyMap(db, { ...map, fieldId: two }, later(4)))).toBe(false);
    expect(touchedBy(() => keepVarietyMap(db, { ...map, fieldId: one }, later(4)))).toBe(true);
    // What another rig begins on it says what grows there.
    const other = createRig(db, { name: "Other", ...coupled }, BY);
    const set = (fieldId: number) => keepWork(db, other, { ...NO_WORK, fieldId, cropId }, later(4));
    const begin = (fieldId: number) =>
      beginWork(db, other, { workId: set(fieldId), frozen: { readings: [] } as never }, later(5));
    expect(touchedBy(() => begin(two))).toBe(false);
    let begun = "";
    expect(touchedBy(() => (begun = begin(one)))).toBe(true);
    expect(touchedBy(() => takeBack(db, begun, later(6)))).toBe(true);
    expect(worksOf(db, [rigId]).get(rigId)).toMatchObject({
      field: { name: "Long Acre" },
      line: null,
      operations: [],
    });
  });
});
