import { beforeEach, describe, expect, it } from "vitest";
import { inWords } from "../../core/quantity/said.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { plantedYard } from "../../data/demo/planted.ts";
import { keepProof } from "../../data/field-tests.ts";
import type { Database } from "../../data/handle.ts";
import { keepPreview, retractImport, takeOver } from "../../data/imports.ts";
import { keepLending } from "../../data/lending/loans.ts";
import { archiveMachine } from "../../data/machines.ts";
import { keepChange, keepReading, keepSections, retract } from "../../data/readings.ts";
import { archiveRig, copyRig, findRig, listRigs, type RigTool } from "../../data/rigs.ts";
import { BY } from "../../data/sample-told.ts";
import { judgedOf, standingsOf } from "./board.server.ts";
import { viewYard } from "./yard-view.server.ts";

let db: Database;
let borrowed: RigTool;
const at = new Date("2026-11-02T08:00:00Z");
const tape = { instrument: "tape" as const, person: "Mira", at };
const look = (rest = {}) => viewYard(db, { find: "", state: "all", page: 1, units: PRESETS.metric, ...rest });
const standing = () => ({ ...standingsOf(db).known.get(borrowed.id)! });
const ids = () =>
  judgedOf(db, [borrowed])
    .get(borrowed.id)!
    .holding.map(({ id }) => id);

beforeEach(() => {
  db = plantedYard();
  borrowed = listRigs(db)[1]!;
});

describe("the board", () => {
  it("is right after every kind of writing, whatever it remembered", () => {
    expect(standing()).toMatchObject({ stops: 2, fixes: 1 });
    const front = keepReading(db, borrowed, {
      key: "pin.workFront",
      rawText: "5.06",
      value: 5.06,
      step: 0.01,
      ...tape,
    });
    expect(ids()).toEqual(["sign:pin.workRear", "sections-sum"]);
    expect(standing().stops).toBe(1);
    retract(db, borrowed, front, tape);
    expect(standing().stops).toBe(2);
    const layout = keepSections(db, borrowed, [1, 1, 1, 1, 1, 1], tape);
    expect(standing().fixes).toBe(0);
    retract(db, borrowed, layout, tape);
    expect(standing().fixes).toBe(1);
    const { checks } = standing();
    const change = keepChange(db, borrowed, {
      kind: "receiver moved",
      note: "",
      person: "Mira",
      at,
      now: at,
    });
    expect(standing().checks).toBeGreaterThan(checks);
    retract(db, borrowed, change, tape);
    expect(standing().checks).toBe(checks);
    const terms = [{ key: "axle.pin" as const, coefficient: 1 }];
    keepProof(db, borrowed, { what: "", how: "", result: "", terms, person: "Mira", at, now: at });
    expect(standing().checks).toBe(checks - 1);
    const batch = keepPreview(db, { fileName: "f", bytes: new Uint8Array(), content: [], at });
    const machineId = borrowed.implement.id;
    takeOver(db, batch, [{ key: "pin.workRear", value: 5.4, subject: { machineId } }], [], {
      person: "M",
      at,
    });
    expect(standing().stops).toBe(1);
    retractImport(db, batch, { person: "M", at });
    expect(standing().stops).toBe(2);
  });

  it("writes in the units asked for", () => {
    const { what } = judgedOf(db, [borrowed]).get(borrowed.id)!.holding[1]!;
    expect(inWords(what, PRESETS.us)).toContain("17'");
    expect(inWords(what, PRESETS.metric)).toContain("5.360");
  });
});

describe("the yard", () => {
  it("shows the stopped first, and finds by any word of name, fleet number or serial", () => {
    // Two stops each: the mowers have more to look at besides.
    expect(
      look()
        .rigs.map(({ head }) => head.name)
        .slice(0, 2),
    ).toEqual(["Mowers, front and rear", "Borrowed drill, 6 m"]);
    expect(look({ find: "t9" }).rigs.map(({ head }) => head.name)).toEqual(["Meadow drill, 3 m"]);
    expect(look({ find: "sorrick GRAIN" }).rigs).toHaveLength(1);
    expect(look({ find: "nothing such" }).rigs).toEqual([]);
    expect(look({ state: "ready" }).rigs).toHaveLength(8);
  });

  it("counts no rig as one nothing stops that lacks a machine: put away, or at another yard", () => {
    const ready = () => look({ state: "ready" }).rigs.map(({ head }) => head.id);
    const [first] = look({ state: "ready" }).rigs;
    const { tractor } = findRig(db, first!.head.id)!;
    const told = (hour: number) => ({ person: "Mira", at: new Date(`2026-11-12T${hour}:00:00Z`) });
    const loan = { there: "Lindhof", here: "Hof Sieben", loan: "a" };
    expect(ready()).toContain(first!.head.id);
    keepLending(db, tractor.id, { way: "out", ...loan }, told(10));
    expect(ready()).not.toContain(first!.head.id);
    expect(look({ state: "stopped", find: first!.head.name }).rigs[0]!.lacks).toMatchObject([
      { why: "lent to Lindhof since 12 Nov 2026" },
    ]);
    keepLending(db, tractor.id, { way: "back", ...loan }, told(11));
    expect(ready()).toContain(first!.head.id);
    archiveMachine(db, tractor.id, true, told(12));
    expect(ready()).not.toContain(first!.head.id);
  });

  it("is shown a page at a time, and what is put away apart", () => {
    for (let copy = 0; copy < 20; copy += 1) copyRig(db, borrowed, `Copy ${copy}`, BY);
    const first = look();
    expect([first.rigs.length, first.pages, first.counts.all]).toEqual([12, 4, 37]);
    expect(look({ page: 99 }).page).toBe(4);
    archiveRig(db, findRig(db, borrowed.id)!.id, true, BY);
    expect(look({ state: "away" }).rigs.map(({ head }) => head.id)).toEqual([borrowed.id]);
  });
});
