import { cpSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { beforeEach, describe, expect, it } from "vitest";
import { archiveComponent } from "./components.ts";
import { openDatabase } from "./database.ts";
import { plantDemoYard } from "./demo/yard.ts";
import { adjustersOf, changeAdjuster, keepSetting, settingHistory } from "./ground.ts";
import type { Database } from "./handle.ts";
import { makePractice } from "./practice.ts";
import { takeBack } from "./record.ts";
import { findRig, toolsOf } from "./rigs.ts";

const BY = { person: "Mira", at: new Date("2026-11-01T08:00:00Z") };
const ROLLER = 9;

let db: Database;
beforeEach(() => {
  db = openDatabase(":memory:");
  plantDemoYard(db);
});
const own = (rigId = ROLLER) => {
  const { implement } = findRig(db, rigId)!;
  return adjustersOf(db, [implement.id]).get(implement.id)!;
};
const named = (label: string, rigId = ROLLER) => own(rigId).find((each) => each.label === label)!;

describe("adjusters", () => {
  it("have how they stood, the newest first, without what was taken back", () => {
    const { id } = named("Wing screw, left");
    keepSetting(db, id, 3, BY);
    const slip = keepSetting(db, id, 33, { ...BY, at: new Date("2026-11-01T09:00:00Z") });
    expect(
      settingHistory(db, [id])
        .get(id)!
        .map(({ value }) => value),
    ).toEqual([33, 3, 0]);
    takeBack(db, slip, BY);
    expect(
      settingHistory(db, [id])
        .get(id)!
        .map(({ value, person }) => [value, person]),
    ).toEqual([
      [3, "Mira"],
      [0, "Joren Talbeck"],
    ]);
    expect(named("Wing screw, left").setting).toBe(3);
  });

  it("follow nobody any more that was taken off, and do again once it is put back", () => {
    const [master, slave] = [named("Shims, front masters"), named("Shims, front slaves")];
    expect(slave.master).toBe(master.id);
    archiveComponent(db, master.id, true, BY);
    expect(named("Shims, front slaves").master).toBeNull();
    archiveComponent(db, master.id, false, BY);
    expect(named("Shims, front slaves").master).toBe(master.id);
  });

  it("are copied to practise on, whole, whichever of two comes first", () => {
    const [screw, master] = [named("Wing screw, left"), named("Shims, rear masters")];
    // The one that is kept above another comes before it in their row.
    changeAdjuster(db, master, { ...master, pair: { id: screw.id, difference: 2 } }, BY);
    const before = own();
    const copy = makePractice(
      db,
      toolsOf(db, ROLLER),
      { ...BY, name: "Practice", start: "as read" },
      { seed: 1, truths: {}, terminal: {} },
    );
    const after = own(copy);
    const byId = (id: number | undefined | null, all: typeof after) =>
      all.find((each) => each.id === id)?.label;
    const told = (all: typeof after) =>
      all.map(({ id: _, learntFrom: __, error: ___, pair, master: of, ...rest }) => ({
        ...rest,
        pair: byId(pair?.id, all),
        difference: pair?.difference,
        of: byId(of, all),
      }));
    expect(told(after)).toEqual(told(before));
    expect(told(after)[1]).toMatchObject({ pair: "Wing screw, left", difference: 2 });
    expect(after.map(({ id }) => id)).not.toEqual(before.map(({ id }) => id));
  });
});

describe("a yard from before adjusters had places", () => {
  it("keeps them as they were told, placed nowhere", () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-migrations-"));
    cpSync("data/migrations", folder, { recursive: true });
    const journalPath = join(folder, "meta", "_journal.json");
    const journal = JSON.parse(readFileSync(journalPath, "utf8"));
    const entries = journal.entries.filter(({ idx }: { idx: number }) => idx < 10);
    writeFileSync(journalPath, JSON.stringify({ ...journal, entries }));
    const path = join(folder, "old.db");
    const file = new SqliteFile(path);
    file.pragma("foreign_keys = OFF");
    migrate(drizzle(file), { migrationsFolder: folder });
    file.exec(`
      INSERT INTO machine (id, kind, make, model) VALUES (1, 'implement', 'B', '2');
      INSERT INTO component (id, machine_id, kind, label, place) VALUES (1, 1, 'adjuster', 'Left', 1), (2, 1, 'adjuster', 'Right', 2);
      INSERT INTO adjuster (component_id, form, low, high, front, rear, across, how) VALUES (1, 'spindle', 0, 9, 0.001, 0.002, 0.003, 'lifted');
      INSERT INTO adjuster (component_id, form, low, high, measure, amount, pair_id, difference) VALUES (2, 'crank', -3, 3, 'lean', 0.01, 1, 2);
    `);
    file.close();
    const [left, right] = adjustersOf(openDatabase(path), [1]).get(1)!;
    const bare = { start: null, master: null, x: null, y: null, up: null, error: null, setting: null };
    expect(left).toMatchObject({
      ...bare,
      label: "Left",
      effect: { front: 0.001, rear: 0.002, across: 0.003 },
      how: "lifted",
    });
    expect(right).toMatchObject({
      ...bare,
      acts: { measure: "lean", by: 0.01 },
      pair: { id: 1, difference: 2 },
    });
  });
});
