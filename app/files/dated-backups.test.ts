import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { openDatabase } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import type { Database } from "../../data/handle.ts";
import { listEveryRig, listRigs, renameRig } from "../../data/rigs.ts";
import { backupsKept, keepBackup } from "./dated-backups.server.ts";

let folder: string;
let path: string;
let db: Database;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-backups-"));
  path = join(folder, "yard.db");
  db = openDatabase(path);
  plantDemoYard(db);
});
afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true });
});

const to = () => join(folder, "kept");
const day = (text: string) => new Date(`${text}T05:00:00Z`);
const names = () => readdirSync(to()).sort();

describe("dated backups", () => {
  it("are made once a day, each a yard that opens with what was written up to then", async () => {
    const first = await keepBackup(db, to(), day("2026-03-01"));
    expect(first).toMatchObject({ problem: null, last: { name: "ambrek-2026-03-01.db", rigs: 17 } });
    renameRig(db, listRigs(db)[0]!.id, "Renamed since", { person: "Mira", at: new Date() });
    // The same day again: there is one.
    expect(await keepBackup(db, to(), day("2026-03-01"))).toEqual(first);
    await keepBackup(db, to(), day("2026-03-02"));
    expect(names()).toEqual(["ambrek-2026-03-01.db", "ambrek-2026-03-02.db"]);
    const found = names().map((name) => {
      const copy = openDatabase(join(to(), name));
      const [rig] = listEveryRig(copy);
      copy.$client.close();
      return rig!.name;
    });
    expect(found[0]).not.toBe("Renamed since");
    expect(found[1]).toBe("Renamed since");
    expect(backupsKept(path)!.last!.name).toBe("ambrek-2026-03-02.db");
  });

  it("older than the rule says are deleted, and nothing else in the folder", async () => {
    await keepBackup(db, to(), day("2026-03-20"));
    for (let date = 1; date < 20; date += 1)
      copyFileSync(
        join(to(), "ambrek-2026-03-20.db"),
        join(to(), `ambrek-2026-03-${String(date).padStart(2, "0")}.db`),
      );
    writeFileSync(join(to(), "mine.txt"), "mine");
    await keepBackup(db, to(), day("2026-03-21"));
    const kept = names().filter((name) => name.startsWith("ambrek"));
    expect(kept.length).toBeLessThanOrEqual(24);
    expect(kept).toEqual(expect.arrayContaining(["ambrek-2026-03-15.db", "ambrek-2026-03-21.db"]));
    expect(kept).not.toContain("ambrek-2026-03-10.db");
    expect(existsSync(join(to(), "mine.txt"))).toBe(true);
  });

  it("are kept day by day after a clock that was ahead was set back, and what was made by it as well", async () => {
    // Ten days in a year to come, then the clock is put right.
    await keepBackup(db, to(), day("2031-05-10"));
    for (let date = 1; date < 10; date += 1)
      copyFileSync(join(to(), "ambrek-2031-05-10.db"), join(to(), `ambrek-2031-05-0${date}.db`));
    const days = ["2026-03-02", "2026-03-03", "2026-03-04", "2026-03-05"];
    for (const each of days) {
      const { last, problem } = await keepBackup(db, to(), day(each));
      expect(problem).toBeNull();
      expect(last!.at).toBe(day(each).toISOString());
    }
    expect(names()).toEqual(expect.arrayContaining(days.map((each) => `ambrek-${each}.db`)));
    expect(names()).toContain("ambrek-2031-05-10.db");
    expect(names().length).toBeLessThan(14);
  });

  it("that fail say why, say which was the last good one, and leave nothing half done", async () => {
    const { last } = await keepBackup(db, to(), day("2026-03-01"));
    // A file stands where the folder should be.
    writeFileSync(join(folder, "blocked"), "");
    const failed = await keepBackup(db, join(folder, "blocked", "deep"), day("2026-03-02"));
    expect(failed).toMatchObject({ last: null, problem: expect.stringContaining("ENOTDIR") });
    // A yard that cannot be judged is no good backup.
    db.$client.pragma("writable_schema = ON");
    db.$client.exec("drop table section");
    const broken = await keepBackup(db, to(), day("2026-03-03"));
    expect(broken.problem).toContain("section");
    expect(names()).toEqual(["ambrek-2026-03-01.db"]);
    expect(last!.name).toBe("ambrek-2026-03-01.db");
  });
});
