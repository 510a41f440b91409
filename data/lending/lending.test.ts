import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import { holdMachine } from "../../core/lending/compare.ts";
import { holdEquipment } from "../../core/lending/equipment.ts";
import type { FileFact, MachineFile } from "../../core/lending/machine-file.ts";
import { strangeAdjusters } from "../../core/lending/parts.ts";
import type { Adjuster } from "../../core/yard/ground.ts";
import { readMachineFile, writeMachineFile } from "../../formats/machine/machine-file.ts";
import { addComponents, changeComponent, changedParts, changeParts, componentsOf } from "../components.ts";
import { openDatabase } from "../database.ts";
import { plantedYard } from "../demo/planted.ts";
import { writeReading } from "../entries.ts";
import { adjustersOf, keepSetting } from "../ground.ts";
import type { Database } from "../handle.ts";
import { keepPreview, retractImport } from "../imports.ts";
import { currentReadings } from "../live.ts";
import { findMachine, listMachines, pointsOf } from "../machines.ts";
import { factOf, type Told, takeBack } from "../record.ts";
import type { Machine } from "../rigs.ts";
import { keepMeter, keepServiced, metersOf, servicedOf, serviceItems } from "../service.ts";
import { addTyre, addWeight, listTyres, setAxleTyre } from "../settings.ts";
import { keepLending, lendingsOf } from "./loans.ts";
import { machineFileOf } from "./send.ts";
import { knownMachine, takeMachine, wrongWay } from "./take.ts";

const NOW = new Date("2027-03-02T09:00:00.000Z");
const ILSE: Told = { person: "Ilse Marrin", at: NOW };
const KARL: Told = { person: "Karl Ost", at: new Date("2027-03-20T07:30:00.000Z") };
const ILSE_LATER: Told = { person: "Ilse Marrin", at: new Date("2027-03-21T18:00:00.000Z") };
const HOME = "Höfe am Bach";
const OTHER = "Lindhof";

let home: Database;
let other: Database;
beforeEach(() => {
  home = plantedYard();
  other = openDatabase(":memory:");
});

/** As the file goes: written, and read as strictly as one that comes. */
const sent = (
  db: Database,
  machine: Machine,
  yard: string,
  told: Told,
  way: "out" | "back" = "out",
): MachineFile =>
  readMachineFile(
    Buffer.from(
      writeMachineFile(machineFileOf(db, machine, { yard, person: told.person, way, now: told.at })),
    ),
  );

function upload(db: Database, file: MachineFile): string {
  const bytes = Buffer.from(writeMachineFile(file));
  return keepPreview(db, { fileName: "machine.json", bytes, content: file, at: NOW });
}

function take(
  db: Database,
  file: MachineFile,
  here: string,
  told: Told,
): { machine: Machine; uploadId: string } {
  const uploadId = upload(db, file);
  const onto = knownMachine(db, file)?.machine ?? null;
  return { machine: findMachine(db, takeMachine(db, uploadId, file, { onto, here }, told))!, uploadId };
}

/** Lent out of the home yard, and taken over in the other. */
function lend(machine: Machine): Machine {
  keepLending(home, machine.id, { way: "out", there: OTHER, here: HOME }, ILSE);
  return take(other, sent(home, machine, HOME, ILSE), OTHER, KARL).machine;
}

/** What a fact says, without who said it and what it is part of. */
const words = ({ person: _, back, ...fact }: FileFact) => ({ ...fact, back: back !== null });
/** What a yard has of a machine, lent or not. */
const has = (db: Database, machine: Machine) =>
  machineFileOf(db, machine, { yard: HOME, person: "", way: "out", now: NOW });
const nozzlesOf = (db: Database, id: number): number[] =>
  (componentsOf(db, [id], "nozzle").get(id) ?? []).map((each) => each.id);
/** The tractor most was read of. */
const tractorOf = (db: Database) =>
  listMachines(db)
    .filter(({ kind }) => kind === "tractor")
    .sort((a, b) => has(db, b).facts.length - has(db, a).facts.length)[0]!;

describe("a machine that goes to another yard", () => {
  it("has everything there that goes: each figure of every second machine, under its id, its time and its grade", () => {
    const every = listMachines(home).filter((_, at) => at % 2 === 0);
    for (const machine of every) {
      const there = lend(machine);
      const [before, after] = [sent(home, machine, HOME, ILSE), sent(other, there, OTHER, KARL)];
      expect(after.facts.map(words).sort((a, b) => a.id.localeCompare(b.id))).toEqual(
        before.facts.map(words).sort((a, b) => a.id.localeCompare(b.id)),
      );
      expect(after.machine).toEqual(before.machine);
      expect(after.points).toEqual(before.points);
      expect(after.parts).toEqual(before.parts);
      expect(after.service.map(({ name }) => name)).toEqual(before.service.map(({ name }) => name));
      expect(holdEquipment(after.equipment, before.equipment)).toEqual({ taken: [], differing: [] });
      const held = holdMachine(after, before);
      expect(held).toMatchObject({ fresh: 0, differing: [] });
      expect(held.figures.every(({ becomes }) => becomes === "same")).toBe(true);
    }
    expect(listMachines(other)).toHaveLength(every.length);
    const told = every.map((machine) => has(home, machine).equipment);
    expect(told.some(({ remotes }) => remotes.length > 2)).toBe(true);
    expect(told.some(({ functions }) => functions.length > 2)).toBe(true);
    expect(told.some(({ weights }) => weights.length > 0)).toBe(true);
    expect(told.some(({ tyres }) => tyres.length > 0)).toBe(true);
    expect(told.some(({ adjusters }) => adjusters.some(({ pair, effect }) => pair && effect))).toBe(true);
  });

  it("has its adjusters there, each where it stands; how they were set there comes back with it", () => {
    const tool = listMachines(home).find((each) => has(home, each).equipment.adjusters.length > 2)!;
    const of = (db: Database, { id }: Machine) => adjustersOf(db, [id]).get(id)!;
    const before = of(home, tool);
    const there = lend(tool);
    const words = (all: readonly Adjuster[]) =>
      all.map(({ label, setting, how }) => ({ label, setting, how }));
    expect(words(of(other, there))).toEqual(words(before));
    expect(before.some(({ setting }) => setting !== null)).toBe(true);
    const screw = of(other, there)[0]!;
    keepSetting(other, screw.id, (screw.setting ?? 0) + 1, KARL);
    take(home, sent(other, there, OTHER, KARL, "back"), HOME, ILSE_LATER);
    expect(of(home, tool).map(({ setting }) => setting)).toEqual([
      (before[0]!.setting ?? 0) + 1,
      ...before.slice(1).map(({ setting }) => setting),
    ]);
    // What was told of each here is as it was.
    expect(of(home, tool).map((each) => ({ ...each, setting: null }))).toEqual(
      before.map((each) => ({ ...each, setting: null })),
    );
  });

  it("brings no adjuster beside those that are told of here under other names", () => {
    const tool = listMachines(home).find((each) => has(home, each).equipment.adjusters.length > 2)!;
    const there = lend(tool);
    const [first, ...rest] = adjustersOf(other, [there.id]).get(there.id)!;
    changeComponent(other, first!.id, { label: "wheel, near side" }, KARL);
    const file = sent(home, tool, HOME, ILSE);
    expect(strangeAdjusters(has(other, there).parts, file.parts).size).toBe(1);
    take(other, file, OTHER, KARL);
    expect(
      adjustersOf(other, [there.id])
        .get(there.id)!
        .map(({ label }) => label),
    ).toEqual(["wheel, near side", ...rest.map(({ label }) => label)]);
  });

  it("has parts that were changed for others there as well: what was read of the old ones does not count", () => {
    const machine = listMachines(home).find(({ kind }) => kind === "implement")!;
    const nozzles = addComponents(
      home,
      machine.id,
      "nozzle",
      [1, 2, 3].map((place) => ({ label: "", x: null, y: place / 2, place })),
      ILSE,
    );
    changeParts(home, [nozzles[0]!], ILSE);
    const there = lend(machine);
    const changed = (db: Database, ids: readonly number[]) => [...changedParts(db, ids).values()];
    expect(changed(other, nozzlesOf(other, there.id))).toEqual(changed(home, nozzles));
    expect(changed(home, nozzles)).toHaveLength(1);
  });

  it("has a tyre table there under its name, or where another table has that, under the yard's it came from, and once", () => {
    const shod = listMachines(home).filter((each) => has(home, each).equipment.tyres.length > 0);
    const { label } = has(home, shod[0]!).equipment.tyres[0]!;
    addTyre(other, { label, source: "another book", cells: [] }, KARL);
    const there = shod.map((machine) => lend(machine));
    for (const [at, machine] of shod.entries())
      expect(has(other, there[at]!).equipment.tyres.map(({ cells }) => cells)).toEqual(
        has(home, machine).equipment.tyres.map(({ cells }) => cells),
      );
    const names = listTyres(other).map((each) => each.label);
    expect(names.filter((each) => each === `${label}, ${HOME}`)).toHaveLength(1);
    expect(new Set(names).size).toBe(names.length);
  });

  it("keeps what is told of its weights here when it comes back, and takes what was told there of what nobody told here", () => {
    const machine = listMachines(home).find(
      (each) => each.kind === "tractor" && has(home, each).equipment.weights.length > 0,
    )!;
    const before = has(home, machine).equipment;
    const there = lend(machine);
    addWeight(other, { machineId: there.id, label: "belly block", mass: 400, place: 1.1, count: 1 }, KARL);
    for (const { axle } of before.tyres)
      setAxleTyre(home, { machineId: machine.id, axle: axle as "front" }, null, ILSE);
    take(home, sent(other, there, OTHER, KARL, "back"), HOME, ILSE_LATER);
    const after = has(home, machine).equipment;
    expect(after.weights).toEqual(before.weights);
    expect(after.tyres).toEqual(before.tyres);
    expect(after.remotes).toEqual(before.remotes);
  });

  it("counts there with what it counts here", () => {
    const machine = tractorOf(home);
    const there = lend(machine);
    const values = (db: Database, { id }: Machine) =>
      currentReadings(db, { machines: [id], points: pointsOf(db, id).map((each) => each.id), couplings: [] })
        .length;
    expect(values(other, there)).toBeGreaterThan(3);
    expect(values(other, there)).toBe(values(home, machine));
  });

  it("signs what was read by the yard it was read in", () => {
    const there = lend(tractorOf(home));
    const [first] = sent(other, there, OTHER, KARL).facts;
    expect(first!.person).toMatch(/, Höfe am Bach$/);
  });

  it("is lent here and on loan there, until it went back", () => {
    const machine = tractorOf(home);
    const there = lend(machine);
    const way = (db: Database, { id }: Machine) => lendingsOf(db, [id]).get(id);
    expect(way(home, machine)).toMatchObject({ way: "out", there: OTHER });
    expect(way(other, there)).toMatchObject({ way: "in", there: HOME, loan: way(home, machine)!.loan });
    keepLending(other, there.id, { ...way(other, there)!, way: "back" }, KARL);
    const back = take(home, sent(other, there, OTHER, KARL, "back"), HOME, KARL);
    expect(back.machine.id).toBe(machine.id);
    expect(way(home, machine)).toMatchObject({ way: "back", there: OTHER });
    expect(
      listMachines(home).filter(({ make, model }) => `${make} ${model}`.startsWith("Ombrell")),
    ).toHaveLength(
      listMachines(plantedYard()).filter(({ make, model }) => `${make} ${model}`.startsWith("Ombrell"))
        .length,
    );
  });
});

describe("a machine that comes back", () => {
  it("brings what was read, serviced and taken back meanwhile, and doubles nothing", () => {
    const machine = listMachines(home).find(({ id }) => serviceItems(home, [id]).length > 0)!;
    const before = has(home, machine);
    const there = lend(machine);
    const about = { machineId: there.id };
    const topic =
      before.facts.find(({ kind, on }) => kind === "reading" && on.of === "machine")?.topic ?? "mass";
    const id = writeReading(other, { about, topic, id: randomUUID() }, KARL, {
      value: 1.234,
      step: 0.001,
      rawText: "1.234",
      instrument: "tape",
    });
    const [item] = serviceItems(other, [there.id]);
    keepServiced(other, item!, { meter: 3600, note: "greased" }, KARL);
    keepMeter(other, there.id, 7200, KARL);
    const gone = before.facts.find(({ kind, back }) => kind === "reading" && back === null);
    if (gone) takeBack(other, gone.id, KARL);
    const [servicedBefore, metersBefore] = [
      servicedOf(
        home,
        serviceItems(home, [machine.id]).map((each) => each.id),
      ).length,
      metersOf(home, [machine.id]).get(machine.id)?.length ?? 0,
    ];
    const file = sent(other, there, OTHER, KARL, "back");
    const { uploadId } = take(home, file, HOME, ILSE_LATER);
    const after = has(home, machine);
    expect(after.facts).toHaveLength(before.facts.length + 3);
    expect(factOf(home, id)).toMatchObject({ person: "Karl Ost, Lindhof", machineId: machine.id });
    expect(after.facts.find((each) => each.id === gone?.id)?.back?.person).toBe("Karl Ost, Lindhof");
    expect(
      servicedOf(
        home,
        serviceItems(home, [machine.id]).map((each) => each.id),
      ),
    ).toHaveLength(servicedBefore + 1);
    const meters = metersOf(home, [machine.id]).get(machine.id)!;
    expect(meters.length).toBeGreaterThan(metersBefore);
    expect(meters).toEqual(metersOf(other, [there.id]).get(there.id));
    // Once more changes nothing.
    take(home, file, HOME, ILSE_LATER);
    expect(has(home, machine).facts).toEqual(after.facts);
    // Taken back as one, all it brought stands no more.
    retractImport(home, uploadId, ILSE_LATER);
    expect(has(home, machine).facts.find((each) => each.id === id)!.back).not.toBeNull();
  });

  it("is known again by its loan, else by its bus NAME or its serial number, never by make and model", () => {
    const machine = tractorOf(home);
    keepLending(home, machine.id, { way: "out", there: OTHER, here: HOME }, ILSE);
    const file = sent(home, machine, HOME, ILSE);
    expect(knownMachine(home, file)!.machine.id).toBe(machine.id);
    const stranger = {
      ...file,
      loans: [randomUUID()],
      machine: { ...file.machine, busName: "", serial: "" },
    };
    expect(knownMachine(home, stranger)).toBeNull();
    expect(knownMachine(home, { ...file, machine: { ...file.machine, kind: "implement" } })).toBeNull();
  });

  it("is refused where its file goes the wrong way", () => {
    const machine = tractorOf(home);
    const there = lend(machine);
    const out = sent(home, machine, HOME, ILSE);
    expect(wrongWay(home, out)).toContain("went out from here");
    expect(wrongWay(other, out)).toBeNull();
    const back = sent(other, there, OTHER, KARL, "back");
    expect(wrongWay(other, back)).toContain("whom the machine belongs to");
    expect(wrongWay(home, back)).toBeNull();
  });

  it("never counts for ever because a clock there was ahead", () => {
    const machine = tractorOf(home);
    keepLending(home, machine.id, { way: "out", there: OTHER, here: HOME }, ILSE);
    const file = sent(home, machine, HOME, ILSE);
    const ahead = { ...file.facts[0]!, id: randomUUID(), happened: "2099-01-01T00:00:00.000Z" };
    take(home, { ...file, facts: [...file.facts, ahead] }, HOME, ILSE);
    expect(factOf(home, ahead.id)!.happened).toBe(NOW.toISOString());
  });

  it("brings nothing of what this build has never heard of", () => {
    const machine = tractorOf(home);
    keepLending(home, machine.id, { way: "out", there: OTHER, here: HOME }, ILSE);
    const file = sent(home, machine, HOME, ILSE);
    const odd = file.facts
      .filter(({ kind, on }) => kind === "reading" && on.of !== "part")
      .slice(0, 1)
      .map((each) => ({ ...each, id: randomUUID(), topic: "warp.factor" }));
    expect(odd).toHaveLength(1);
    take(home, { ...file, facts: [...file.facts, ...odd] }, HOME, ILSE);
    expect(factOf(home, odd[0]!.id)).toBeNull();

    const tool = listMachines(home).find((each) => has(home, each).equipment.adjusters.length > 0)!;
    keepLending(home, tool.id, { way: "out", there: OTHER, here: HOME }, ILSE);
    const lent = sent(home, tool, HOME, ILSE);
    const at = lent.facts.find(({ kind, on }) => kind === "reading" && on.of === "part")!;
    const far = { ...at, id: randomUUID(), value: 1e9 } as FileFact;
    take(home, { ...lent, facts: [...lent.facts, far] }, HOME, ILSE);
    expect(factOf(home, far.id)).toBeNull();
  });
});
