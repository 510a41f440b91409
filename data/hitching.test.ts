import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { beforeEach, describe, expect, it } from "vitest";
import { between } from "../core/rig/chain.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { judgeWhole } from "../core/subjects/judge-whole.ts";
import { openDatabase } from "./database.ts";
import { plantedYard } from "./demo/planted.ts";
import { rigFacts } from "./facts.ts";
import type { Database } from "./handle.ts";
import { coupledRivals, eventsOf, keepCoupled, keepEvent, keepTick, rivalsOf, ticksOf } from "./hookup.ts";
import { addPoint, createMachine, pointsOf } from "./machines.ts";
import { keepChange, keepReading, retract } from "./readings.ts";
import { markOf, touchedSince } from "./record.ts";
import { copyRig, createRig, findRig, listRigs, type RigTool, rigsOf, toolsOf } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import {
  addTyre,
  addWeight,
  archiveWeight,
  axleTyresOf,
  changeTyre,
  fitWeights,
  listTyres,
  roadLimitsOf,
  setAxleTyre,
  setRoadLimits,
  weightsOf,
} from "./settings.ts";
import { wholesOf } from "./whole.ts";

let db: Database;
const at = new Date("2026-11-02T07:00:00Z");
const by = { person: "Mira", at };

beforeEach(() => {
  db = plantedYard();
});

const rigNamed = (name: string) => listRigs(db).find((rig) => rig.name.startsWith(name))!;
const wholeOf = (id: number) => wholesOf(db, toolsOf(db, id)).get(id)!;

describe("a train of three", () => {
  it("hangs hitch after hitch; each length is read on the hitch it belongs to", () => {
    const [cart, drill] = toolsOf(db, listRigs(db).find(({ name }) => name.startsWith("Seed cart"))!.id) as [
      RigTool,
      RigTool,
    ];
    const behind = addPoint(db, drill.implement.id, "rear hitch", "rear hitch", BY);
    const packer = createMachine(
      db,
      "implement",
      {
        make: "Tessbury",
        model: "Press 60",
        fleetNumber: "W6",
        serial: "",
        busName: "",
      },
      BY,
    );
    const id = createRig(
      db,
      {
        name: "Cart, drill and packer",
        tractorId: cart.tractor.id,
        receiverPointId: cart.receiver.id,
        couplings: [
          { pointId: cart.hitch.id, implementId: cart.implement.id, behind: null },
          { pointId: drill.rearHitch!.id, implementId: drill.implement.id, behind: 0 },
          { pointId: behind, implementId: packer, behind: 1 },
        ],
      },
      BY,
    );
    const [first, second, third] = toolsOf(db, id) as [RigTool, RigTool, RigTool];
    expect([first, second, third].map(({ attachment }) => attachment)).toEqual(["drawn", "train", "third"]);
    expect(third.hitch.id).toBe(cart.hitch.id);
    expect(third.leadHitch!.id).toBe(drill.rearHitch!.id);
    expect(third.rearHitch!.id).toBe(behind);
    const stamp = { rawText: "", step: 0.001, instrument: "tape" as const, person: "Mira", at: new Date() };
    keepReading(db, third, { key: "train.second", value: 5.1, ...stamp });
    keepReading(db, third, { key: "pin.workFront", value: 2, ...stamp });
    const rig = resolveRig(rigFacts(db, third));
    // axle to pin 1.18 and cart's hitch 5.58 were read for the rig of two
    expect(between(rig, "axle", "workFront", "x").total).toBeCloseTo(-(1.18 + 5.58 + 5.1 + 2), 9);
    expect(resolveRig(rigFacts(db, second)).values["train.hitch"].value).toBe(5.58);
  });
});

describe("rigs of several tools", () => {
  it("are read with every tool in order, each on its own point", () => {
    const mowers = toolsOf(db, rigNamed("Mowers").id);
    expect(mowers.map(({ attachment }) => attachment)).toEqual(["front", "mounted"]);
    expect(mowers.map(({ pto }) => pto?.label)).toEqual(["front shaft", "rear shaft"]);
    const [cart, drill] = toolsOf(db, rigNamed("Seed cart").id);
    expect([cart!.attachment, drill!.attachment]).toEqual(["drawn", "train"]);
    expect(drill).toMatchObject({
      parentCouplingId: cart!.couplingId,
      rearHitch: { label: "rear hitch" },
      hitch: { id: cart!.hitch.id },
    });
    expect(wholeOf(cart!.id).parts.map(({ behind }) => behind)).toEqual([null, 0]);
  });

  it("share what was read of the tractor, and keep links apart from drawbar holes", () => {
    const [drill, cultivator] = [rigNamed("Grain drill"), rigNamed("Stubble")];
    expect(drill.tractor.id).toBe(cultivator.tractor.id);
    const values = (id: number) => wholeOf(id).parts[0]!.rig.values;
    expect(values(drill.id)["tractor.front"].value).toBe(values(cultivator.id)["tractor.front"].value);
    expect(values(drill.id)["axle.pin"].value).toBe(1.126);
    expect(values(cultivator.id)["axle.pin"].value).toBe(0.962);
  });

  it("are copied whole, trains behind their own cart", () => {
    const original = rigNamed("Seed cart");
    const copy = toolsOf(db, copyRig(db, findRig(db, original.id)!, "Copy", BY));
    expect(copy).toHaveLength(2);
    expect(copy[1]!.parentCouplingId).toBe(copy[0]!.couplingId);
    const speed = wholeOf(copy[0]!.id).parts[1]!.rig.values["work.speed"];
    expect(speed.reading?.note).toContain("copied from Seed cart");
    expect(rigsOf(db, copy[1]!.implement.id)).toHaveLength(2);
  });

  it("couple a self-propelled machine with its head", () => {
    const id = createMachine(
      db,
      "self-propelled",
      {
        make: "A",
        model: "B",
        fleetNumber: "",
        serial: "",
        busName: "",
      },
      BY,
    );
    const head = createMachine(
      db,
      "implement",
      {
        make: "C",
        model: "D",
        fleetNumber: "",
        serial: "",
        busName: "",
        attachment: "head",
      },
      BY,
    );
    const [receiver, mount] = pointsOf(db, id);
    const couplings = [{ pointId: mount!.id, implementId: head, behind: null }];
    const rig = createRig(db, { name: "N", tractorId: id, receiverPointId: receiver!.id, couplings }, BY);
    expect(wholeOf(rig)).toMatchObject({ selfPropelled: true, parts: [{ rig: { attachment: "head" } }] });
  });
});

describe("each rig of the demo yard", () => {
  it.each([
    ["Grain drill", "pin", "fix"],
    ["Stubble", "front", "stop"],
    ["Stubble", "lower-pins", "fix"],
    ["Stubble", "rods", "fix"],
    ["Mowers", "guard:2", "stop"],
    ["Mowers", "alike-rear", "fix"],
    ["Seed cart", "chain", "stop"],
    ["Seed cart", "road-width:2", "fix"],
    ["Combine", "front", "stop"],
    ["Combine", "road-width", "good"],
  ])("%s shows its weakness at %s", (name, id, verdict) => {
    const { checks } = judgeWhole(wholeOf(rigNamed(name).id));
    expect(checks.find((check) => check.id === id)?.verdict).toBe(verdict);
  });

  it("is cured by the weights it proposes", () => {
    const { id } = rigNamed("Combine");
    const before = judgeWhole(wholeOf(id)).reckoned.balance;
    if (!before.ok || !before.proposal.ok) throw new Error("no proposal");
    const { weight, count } = before.proposal.set[0]!;
    fitWeights(db, id, new Map([[(weight as { id: number }).id, count]]), by);
    const { checks } = judgeWhole(wholeOf(id));
    expect(checks.find((check) => check.id === "front")?.verdict).toBe("good");
  });
});

describe("the hook-up log", () => {
  it("keeps ticks and events, each once, and takes them back", () => {
    const rig = rigNamed("Stubble");
    const id = "5b0c9a52-7f07-4a52-9a48-222222222222";
    const tick = { line: "key", said: "Engine off.", state: "done" as const, reason: "" };
    keepTick(db, rig.id, tick, { ...by, id });
    keepTick(db, rig.id, tick, { ...by, id });
    expect(ticksOf(db, rig.id)).toHaveLength(1);
    expect(retract(db, rig, id, by)).toBe(true);
    expect(ticksOf(db, rig.id)).toEqual([]);
    const coupled = keepEvent(db, rig.id, "coupled", by);
    keepEvent(db, rig.id, "uncoupled", by);
    expect(eventsOf(db, rig.id).map(({ kind }) => kind)).toEqual(["uncoupled", "coupled"]);
    expect(retract(db, rigNamed("Mowers"), coupled, by)).toBe(false);
    expect(retract(db, rig, coupled, by)).toBe(true);
    expect(eventsOf(db, rig.id)).toHaveLength(1);
  });
});

describe("one machine, one rig at a time", () => {
  const at = (hour: number) => ({ ...by, at: new Date(Date.UTC(2026, 8, 20, hour)) });
  const uuidOf = (n: number) => `5b0c9a52-7f07-4a52-9a48-33333333330${n}`;
  const kinds = (id: number) => eventsOf(db, id).map(({ kind, at: when }) => `${kind} ${when.slice(11, 13)}`);
  const pair = () => {
    const a = rigNamed("Stubble");
    const rival = rivalsOf(db, a.id)[0]!;
    return [a.id, rival.id] as const;
  };

  it("coupling one ends the other then, and taking it back brings the other back", () => {
    const [a, b] = pair();
    keepCoupled(db, a, { ...at(6), id: uuidOf(1) });
    keepCoupled(db, b, { ...at(9), id: uuidOf(2) });
    expect(kinds(a)).toEqual(["uncoupled 09", "coupled 06"]);
    expect(coupledRivals(db, a, at(10).at.toISOString()).map(({ id }) => id)).toEqual([b]);
    expect(retract(db, toolsOf(db, b)[0]!, uuidOf(2), at(10))).toBe(true);
    expect(kinds(a)).toEqual(["coupled 06"]);
  });

  it("arriving late it ends what was coupled before it, and is ended by what was coupled after", () => {
    const [a, b] = pair();
    keepCoupled(db, a, { ...at(6), id: uuidOf(1) });
    keepEvent(db, a, "uncoupled", at(8));
    keepCoupled(db, a, { ...at(14), id: uuidOf(3) });
    keepCoupled(db, b, { ...at(10), id: uuidOf(2) });
    expect(kinds(b)).toEqual(["uncoupled 14", "coupled 10"]);
    expect(kinds(a)).toEqual(["coupled 14", "uncoupled 08", "coupled 06"]);
  });

  it("leaves alone what shares nothing with it", () => {
    const [a] = pair();
    const machines = (id: number) =>
      toolsOf(db, id).flatMap(({ tractor, implement }) => [tractor.id, implement.id]);
    const own = new Set(machines(a));
    const strangers = listRigs(db).filter(({ id }) => !machines(id).some((each) => own.has(each)));
    expect(strangers.length).toBeGreaterThan(10);
    expect(rivalsOf(db, a).map(({ id }) => id)).not.toEqual(
      expect.arrayContaining([expect.toSatisfy((id) => strangers.some((each) => each.id === id))]),
    );
    for (const { id } of strangers.slice(0, 3)) keepEvent(db, id, "coupled", at(7));
    const before = strangers.map(({ id }) => kinds(id));
    keepCoupled(db, a, { ...at(12), id: uuidOf(1) });
    expect(strangers.map(({ id }) => kinds(id))).toEqual(before);
  });
});

describe("staleness", () => {
  it.each([
    ["ballast", "receiver.height"],
    ["tractor tyres", "receiver.height"],
    ["other job", "tractor.pressureRearLeft"],
    ["links", "axle.pin"],
    ["quick coupler", "axle.pin"],
  ] as const)("a change of %s makes %s stale, and is undone with it", (kind, key) => {
    const rig = rigNamed("Stubble");
    const stale = () => wholeOf(rig.id).parts[0]!.rig.values[key].stale;
    expect(stale()).toBeNull();
    const id = keepChange(db, rig, { kind, note: "", person: "Mira", at, now: at });
    expect(stale()).not.toBeNull();
    retract(db, rig, id, by);
    expect(stale()).toBeNull();
  });
});

describe("weights, tyres and limits", () => {
  it("are a stock: what is taken out is proposed no more", () => {
    const { tractor } = rigNamed("Stubble");
    const id = addWeight(db, { machineId: tractor.id, label: "box", mass: 600, place: 3.9, count: 1 }, BY);
    expect(weightsOf(db, tractor.id)).toHaveLength(2);
    archiveWeight(db, id, true, BY);
    expect(weightsOf(db, tractor.id)).toHaveLength(1);
    archiveWeight(db, id, false, BY);
    expect(weightsOf(db, tractor.id)).toHaveLength(2);
  });

  it("a tyre's table is written anew, whole, and taken off an axle", () => {
    const cell = { speed: 10, pressure: 1e5, load: 2000 };
    const id = addTyre(
      db,
      { label: "T", source: "", cells: [cell, { ...cell, pressure: 2e5, load: 3000 }] },
      BY,
    );
    changeTyre(db, id, { label: "T2", source: "book", cells: [cell] }, BY);
    expect(listTyres(db).find((tyre) => tyre.id === id)).toMatchObject({ label: "T2", cells: [cell] });
    const axle = { machineId: rigNamed("Stubble").tractor.id, axle: "rear" as const };
    setAxleTyre(db, axle, { tyreId: id, count: 4 }, BY);
    expect(axleTyresOf(db, [axle.machineId]).find((each) => each.axle === "rear")).toMatchObject({
      count: 4,
      tyre: { label: "T2" },
    });
    setAxleTyre(db, axle, null, BY);
    expect(axleTyresOf(db, [axle.machineId])).toHaveLength(1);
  });

  it("limits are one row, changed in place", () => {
    const limits = { country: "Elsewhere", width: 2.55, height: null, speed: null, unbraked: null };
    setRoadLimits(db, limits, BY);
    expect(roadLimitsOf(db)).toMatchObject(limits);
  });

  it("make the yard judge again: a new limit every rig, weights on one rig that one", () => {
    let mark = markOf(db);
    fitWeights(
      db,
      rigNamed("Stubble").id,
      new Map([[weightsOf(db, rigNamed("Stubble").tractor.id)[0]!.id, 2]]),
      by,
    );
    expect(touchedSince(db, mark)).toEqual(new Set([`rig ${rigNamed("Stubble").id}`]));
    mark = markOf(db);
    setRoadLimits(db, { country: "", width: 2, height: null, speed: null, unbraked: null }, BY);
    expect(touchedSince(db, mark)).toBeNull();
    expect(touchedSince(db, markOf(db))?.size).toBe(0);
  });
});

describe("a yard from before there were links and shafts", () => {
  it("gets them for its tractors, and its rigs and readings stay", () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-migrations-"));
    cpSync("data/migrations", folder, { recursive: true });
    const journalPath = join(folder, "meta", "_journal.json");
    const journal = JSON.parse(readFileSync(journalPath, "utf8"));
    const earlier = journal.entries.filter(({ idx }: { idx: number }) => idx < 2);
    writeFileSync(journalPath, JSON.stringify({ ...journal, entries: earlier }));
    const path = join(folder, "old.db");
    const file = new SqliteFile(path);
    migrate(drizzle(file), { migrationsFolder: folder });
    file.exec(`
      INSERT INTO machine (id, kind, make, model) VALUES (1, 'tractor', 'A', '1'), (2, 'implement', 'B', '2');
      INSERT INTO point (id, machine_id, kind, label) VALUES (1, 1, 'receiver mount', 'roof'), (2, 1, 'drawbar hole', 'hole 1');
      INSERT INTO rig (id, name, tractor_id, receiver_point_id) VALUES (1, 'Old', 1, 1);
      INSERT INTO coupling (id, rig_id, parent_point_id, implement_id) VALUES (1, 1, 2, 2);
    `);
    file.close();
    const migrated = openDatabase(path);
    const [part] = toolsOf(migrated, 1);
    expect(part).toMatchObject({ name: "Old", position: 1, attachment: "drawn", parentCouplingId: null });
    expect(pointsOf(migrated, 1).map(({ kind }) => kind)).toEqual([
      "receiver mount",
      "drawbar hole",
      "rear three-point",
      "rear PTO",
    ]);
    keepReading(migrated, part!, {
      key: "pto.type",
      rawText: "2",
      value: 1,
      step: 0,
      instrument: "look",
      ...by,
    });
    expect(wholesOf(migrated, [part!]).get(1)!.parts[0]!.rig.values["pto.type"].choice).toBe("2");
    migrated.$client.close();
    rmSync(folder, { recursive: true });
  });
});
