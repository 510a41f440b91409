import { beforeEach, describe, expect, it } from "vitest";
import { fillCard } from "../core/card/fill.ts";
import { freeze, retype } from "../core/card/numbered.ts";
import { USUAL_ORDER } from "../core/card/order.ts";
import { judge } from "../core/finding/judge.ts";
import { PRESETS } from "../core/quantity/units.ts";
import { between } from "../core/rig/chain.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { findCard, issueCard, keepReadbacks, latestCard, readbacksOf } from "./cards.ts";
import { plantedYard } from "./demo/planted.ts";
import { factsOf, rigFacts } from "./facts.ts";
import { keepProof } from "./field-tests.ts";
import type { Database } from "./handle.ts";
import { addPoint, archiveMachine, createMachine, listMachines, pointsOf } from "./machines.ts";
import { findPhoto, historyOf, keepChange, keepReading, retract } from "./readings.ts";
import {
  archiveRig,
  copyRig,
  createRig,
  findRig,
  listEveryRig,
  listRigs,
  type RigTool,
  renameRig,
} from "./rigs.ts";
import { BY } from "./sample-told.ts";
import { findScheme, saveScheme } from "./schemes.ts";

let db: Database;
let rig: RigTool;
let proven: RigTool;
const at = new Date("2026-11-01T07:00:00Z");
const tape = { instrument: "tape" as const, person: "Mira", at };
const pivot = (value: number, rest = {}) =>
  keepReading(db, rig, { key: "pin.pivot", rawText: String(value), value, step: 0.001, ...tape, ...rest });
const resolved = (of = rig) => resolveRig(rigFacts(db, of));

beforeEach(() => {
  db = plantedYard();
  rig = listRigs(db)[0]!;
  proven = listRigs(db)[2]!;
});

describe("sittings", () => {
  it("hold repeats together; a new one replaces, and leaves what stood before", () => {
    pivot(5.32, { sitting: "a" });
    pivot(5.324, { sitting: "a" });
    expect(resolved().values["pin.pivot"]).toMatchObject({ value: 5.322, previous: { value: 5.318 } });
    const alone = pivot(5.33, { sitting: "b" });
    expect(resolved().values["pin.pivot"]).toMatchObject({ value: 5.33, previous: { value: 5.324 } });
    retract(db, rig, alone, tape);
    expect(resolved().values["pin.pivot"].repeats).toHaveLength(2);
  });

  it("keep a reading once, however often the device sends it", () => {
    const id = "5b0c9a52-7f07-4a52-9a48-111111111111";
    pivot(5.4, { id });
    pivot(5.4, { id });
    expect(historyOf(db, rig, "pin.pivot").filter((each) => each.id === id)).toHaveLength(1);
  });

  it("keep conditions, note and photo, and a history of what was taken back", () => {
    const bytes = Buffer.from([0xff, 0xd8, 0xff]);
    const id = pivot(5.4, {
      conditions: ["level floor"],
      note: "left tyre soft",
      photo: { type: "image/jpeg", bytes },
    });
    const { photoId } = resolved().values["pin.pivot"].reading!;
    expect(findPhoto(db, photoId!)).toEqual({ type: "image/jpeg", bytes });
    retract(db, rig, id, tape);
    const [taken, first] = historyOf(db, rig, "pin.pivot");
    expect(taken).toMatchObject({
      note: "left tyre soft",
      takenBack: { person: "Mira" },
      conditions: ["level floor"],
    });
    expect(first).toMatchObject({ rawText: "5.318", takenBack: null });
  });

  it("are read alike for one rig and for the whole yard", () => {
    pivot(5.32, { sitting: "a" });
    for (let extra = 0; extra < 70; extra += 1) copyRig(db, rig, `copy ${extra}`, BY);
    const all = factsOf(db, listRigs(db));
    for (const each of [rig, proven]) expect(all.get(each.id)).toEqual(rigFacts(db, each));
  });
});

describe("changes", () => {
  it("make what they touch stale on every rig of the machine, until they are taken back", () => {
    const other = findRig(db, copyRig(db, rig, "again", BY))!;
    const id = keepChange(db, rig, { kind: "tractor tyres", note: "", person: "Mira", at, now: at });
    expect(resolved(other).values["receiver.height"].stale).toMatchObject({ kind: "tractor tyres" });
    expect(resolved().values["axle.pin"].stale).toBeNull();
    expect(resolved(proven).values["receiver.height"].stale).toBeNull();
    expect(retract(db, proven, id, tape)).toBe(false);
    expect(retract(db, rig, id, tape)).toBe(true);
    expect(retract(db, rig, id, tape)).toBe(false);
    expect(resolved().values["receiver.height"].stale).toBeNull();
  });
});

describe("proofs", () => {
  it("stand on the demo's proven rig: a sum, and a width by itself", () => {
    const solved = resolved(proven);
    expect(between(solved, "receiver", "workMid", "y").grade).toBe("proven");
    expect(between(solved, "receiver", "workFront", "x").grade).toBe("proven");
    expect(solved.values["tool.width"].grade).toBe("proven");
    expect(judge(solved).filter(({ severity }) => severity !== "note")).toEqual([]);
  });

  it("belong to their rig and are taken back like a reading", () => {
    const terms = [{ key: "tool.width" as const, coefficient: 1 }];
    const id = keepProof(db, rig, { what: "width", how: "", result: "", terms, person: "Mira", at, now: at });
    expect(resolved().values["tool.width"].grade).toBe("proven");
    retract(db, rig, id, tape);
    expect(resolved().values["tool.width"].grade).toBe("taped");
  });
});

describe("holes and mounts", () => {
  it("have readings of their own: back in the first hole, its readings are current again", () => {
    const second = addPoint(db, rig.tractor.id, "drawbar hole", "hole 4", BY);
    const [mount] = pointsOf(db, rig.tractor.id);
    const ids = { tractorId: rig.tractor.id, receiverPointId: mount!.id };
    const couplings = [{ pointId: second, implementId: rig.implement.id, behind: null }];
    const moved = findRig(db, createRig(db, { name: "hole 4", ...ids, couplings }, BY))!;
    expect(resolved(moved).values["axle.pin"].value).toBeNull();
    expect(resolved(moved).values["receiver.foreAft"].value).toBe(1.472);
    expect(resolved().values["axle.pin"].value).toBe(1.126);
  });
});

describe("the yard's records", () => {
  it("are renamed, copied, put away and brought back", () => {
    renameRig(db, rig.id, "Renamed", BY);
    expect(findRig(db, rig.id)?.name).toBe("Renamed");
    const copy = findRig(db, copyRig(db, findRig(db, rig.id)!, "Copy", BY))!;
    expect(resolved(copy).values["pin.pivot"].value).toBe(5.318);
    expect(resolved(copy).values["work.overlap"]).toMatchObject({
      value: 0,
      reading: { note: "copied from Renamed" },
    });
    const inUse = listRigs(db).length;
    archiveRig(db, copy.id, true, BY);
    expect(listRigs(db)).toHaveLength(inUse - 1);
    expect(
      listEveryRig(db)
        .filter(({ archivedAt }) => archivedAt)
        .map(({ name }) => name),
    ).toEqual(["Copy"]);
    archiveRig(db, copy.id, false, BY);
    expect(listRigs(db)).toHaveLength(inUse);
  });

  it("give a new tractor a mount and a hole, and put machines away", () => {
    const details = { make: "Belvane", model: "90", fleetNumber: "", serial: "", busName: "" };
    const id = createMachine(db, "tractor", details, BY);
    expect(pointsOf(db, id).map(({ kind }) => kind)).toEqual([
      "receiver mount",
      "drawbar hole",
      "rear three-point",
      "rear PTO",
    ]);
    archiveMachine(db, id, true, BY);
    expect(listMachines(db).map((each) => each.id)).not.toContain(id);
  });
});

describe("numbered cards", () => {
  const cardNow = () => {
    const solved = resolved();
    return fillCard(findScheme(db, "axle-m")!, solved, judge(solved), PRESETS.metric, []);
  };
  const issue = () =>
    issueCard(db, rig, {
      schemeName: "s",
      profileName: "p",
      order: USUAL_ORDER,
      terminalName: "t",
      person: "Mira",
      at,
      lines: freeze(cardNow()),
    });

  it("count up by tractor and stay as they were issued", () => {
    expect([issue(), issue()]).toEqual([1, 2]);
    const first = findCard(db, [rig], 1)!;
    pivot(5.4);
    expect(findCard(db, [rig], 1)).toEqual(first);
    expect(retype(latestCard(db, rig)!.lines, cardNow())).toMatchObject([
      { was: "5.32 behind", now: "5.40 behind" },
    ]);
    expect(findCard(db, [rig], 9)).toBeNull();
  });

  it("remember what the terminal showed, the newest by line", () => {
    issue();
    const card = latestCard(db, rig)!;
    const line = { position: 2, word: "", wrong: "terminal" as const };
    keepReadbacks(db, card, [{ ...line, shown: "2.8", outcome: "differs", by: "−0.08 m" }], {
      person: "Mira",
      at,
    });
    keepReadbacks(db, card, [{ ...line, shown: "2.88", outcome: "match", by: "", wrong: "" }], {
      person: "Mira",
      at,
    });
    expect(readbacksOf(db, card).get(2)).toMatchObject({ outcome: "match", shown: "2.88" });
    expect(() =>
      keepReadbacks(db, { ...card, seq: 99_999 }, [{ ...line, shown: "1", outcome: "match", by: "" }], BY),
    ).toThrow();
  });
});

describe("a scheme of one's own", () => {
  it("is the same record as a shipped one, and written whole", () => {
    const shipped = findScheme(db, "hitch-m")!;
    const own = { ...shipped, id: "own", name: "Ours", lines: shipped.lines.slice(0, 3) };
    saveScheme(db, own, BY);
    expect(findScheme(db, "own")).toEqual(own);
    saveScheme(db, { ...own, lines: own.lines.slice(1) }, BY);
    expect(findScheme(db, "own")?.lines).toHaveLength(2);
  });
});
