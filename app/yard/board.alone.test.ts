import { randomUUID } from "node:crypto";
import { copyFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterAll, afterEach, beforeAll, beforeEach, expect, it, vi } from "vitest";
import { openDatabase } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import type { Database } from "../../data/handle.ts";
import { machinesInUse } from "../../data/machines.ts";
import { keepReading } from "../../data/readings.ts";
import { listEveryRig, renameRig, toolsOf } from "../../data/rigs.ts";
import { setRoadLimits } from "../../data/settings.ts";
import { judgedOf, serviceAsked, standingsOf } from "./board.server.ts";
import { judgeSome } from "./judge.server.ts";
import { writtenRig } from "./judged.server.ts";

let folder: string;
let path: string;
let db: Database;
const told = { person: "Mira", at: new Date() };

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-board-"));
  path = join(folder, "judged.db");
  vi.stubEnv("AMBREK_BUILD", "one");
  const yard = planted(path);
  judgeAll(yard);
  yard.$client.close();
  // What the judge told is known from what is judged here by a figure no rig has.
  const file = new SqliteFile(`${path}.judged`);
  file.exec("update judged set brief = json_set(brief, '$.checks', 777) where kind = 'rig'");
  file.pragma("wal_checkpoint(TRUNCATE)");
  file.close();
});
beforeEach(() => {
  vi.stubEnv("AMBREK_BUILD", "one");
  path = join(folder, `${randomUUID()}.db`);
  for (const end of ["", ".judged"]) copyFileSync(join(folder, `judged.db${end}`), path + end);
  db = openDatabase(path);
});
afterEach(() => {
  db.$client.close();
  vi.unstubAllEnvs();
});
afterAll(() => rmSync(folder, { recursive: true }));

function planted(at: string): Database {
  const yard = openDatabase(at, { anew: true });
  yard.transaction(() => {
    plantDemoYard(yard);
    plantDemoYard(yard);
  });
  return yard;
}

function judgeAll(yard: Database, now = new Date()): void {
  while (judgeSome(yard, now));
}

const read = (rig: number, value: number) =>
  keepReading(db, toolsOf(db, rig)[0]!, {
    key: "tool.width",
    rawText: String(value),
    value,
    step: 0.1,
    instrument: "tape",
    ...told,
  });

const checks = () => new Map([...standingsOf(db).known].map(([id, judged]) => [id, judged.checks]));
const judgedHere = () => [...checks()].filter(([, count]) => count !== 777).map(([id]) => id);

it("takes over what the judge told, and judges itself what was written about since", () => {
  expect(judgedHere()).toEqual([]);
  read(2, 6.1);
  expect(judgedHere()).toEqual([2]);
  expect(checks().size).toBe(listEveryRig(db).length);
});

it("knows nothing of rigs that were many and written about, until the judge told", () => {
  expect(checks().size).toBe(34);
  setRoadLimits(db, { country: "", width: 3, height: null, speed: null, unbraked: null }, told);
  expect(checks().size).toBe(0);
  expect(judgeSome(db)).toBe(true);
  expect(checks().size).toBe(4);
  // Somebody who looks at a rig waits for it.
  expect(judgedOf(db, toolsOf(db, 30)).get(30)).toBeDefined();
  expect([...checks().keys()]).toContain(30);
  judgeAll(db);
  expect(checks().size).toBe(34);
});

it("takes nothing that was told before somebody wrote", () => {
  judgeAll(db);
  read(2, 6.1);
  const holding = () => judgedOf(db, toolsOf(db, 2)).get(2)!.holding;
  const before = holding();
  read(2, 60);
  // The judge is behind: what is in its file says nothing of this.
  expect(holding()).not.toEqual(before);
  judgeAll(db);
  expect(holding()).not.toEqual(before);
});

it("does not take over what another build told, nor what was told of another yard", () => {
  vi.stubEnv("AMBREK_BUILD", "two");
  expect(checks().size).toBe(0);
  vi.stubEnv("AMBREK_BUILD", "one");
  db.$client.close();
  rmSync(path);
  db = planted(path);
  expect(checks().size).toBe(0);
  judgeAll(db);
  expect(judgedHere().length).toBe(34);
});

it("begins anew where its file is damaged", () => {
  db.$client.close();
  const file = new SqliteFile(`${path}.judged`);
  file.exec("drop table judged");
  file.close();
  db = openDatabase(path);
  judgeAll(db);
  expect(checks().size).toBe(34);
  expect(judgedHere().length).toBe(34);
});

it("judges service of a day, machine by machine", () => {
  const now = new Date("2026-09-22T08:00:00Z");
  // Many machines nobody has looked through on this day: that is not known, and not nothing.
  expect(serviceAsked(db, now)).toBeNull();
  judgeAll(db, now);
  const asked = serviceAsked(db, now)!;
  expect(asked.due).toBeGreaterThan(0);
  vi.stubEnv("AMBREK_BUILD", "");
  const alone = openDatabase(path);
  expect(serviceAsked(alone, now)).toEqual(asked);
  expect(machinesInUse(alone).length).toBeGreaterThan(12);
  alone.$client.close();
});

it("shows a name told otherwise at once", () => {
  expect(judgedHere()).toEqual([]);
  renameRig(db, 3, "Another name", told);
  expect(judgedHere()).toEqual([3]);
});

it("reads all of what was judged where somebody looks, as the judge told it, and judges itself where the judge told it anew meanwhile", () => {
  const [told2, told3] = [2, 3].map((id) => judgedOf(db, toolsOf(db, id)).get(id)!);
  vi.stubEnv("AMBREK_BUILD", "");
  const alone = openDatabase(path);
  for (const [id, told] of [told2, told3].entries())
    expect(writtenRig(told!)).toBe(writtenRig(judgedOf(alone, toolsOf(alone, id + 2)).get(id + 2)!));
  alone.$client.close();
  vi.stubEnv("AMBREK_BUILD", "one");
  const other = openDatabase(path);
  expect(standingsOf(other).known.get(4)).toMatchObject({ checks: 777 });
  const file = new SqliteFile(`${path}.judged`);
  file.exec("delete from judged_whole");
  file.close();
  expect(judgedOf(other, toolsOf(other, 4)).get(4)!.checks).not.toBe(777);
  other.$client.close();
});
