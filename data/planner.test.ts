import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { openDatabase } from "./database.ts";
import { coupledRigs } from "./in-use.ts";
import { tellPlanner } from "./planner.ts";
import { written } from "./record.ts";

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-planner-"));
  path = join(folder, "yard.db");
});
afterEach(() => rmSync(folder, { recursive: true }));

const told = (file: SqliteFile.Database) =>
  (["sqlite_stat1", "sqlite_stat4"] as const).map((table) =>
    file.prepare(`select * from ${table}`).raw().all(),
  );

/** How a file plans what is asked of facts of one kind by what their table says. */
const planOf = (file: SqliteFile.Database) =>
  (
    file
      .prepare(
        "explain query plan select max(fact.happened) from fact join coupling_event c on c.seq = fact.seq where fact.kind = 'coupling' group by fact.rig_id",
      )
      .all() as { detail: string }[]
  ).map(({ detail }) => detail);

describe("how queries are planned", () => {
  it("is from the table of their kind, in a yard that is new, and in one opened again", () => {
    openDatabase(path).$client.close();
    const beside = new SqliteFile(path, { readonly: true });
    expect(planOf(beside)[0]).toMatch(/^SCAN c\b/);
    beside.close();
    const again = openDatabase(path);
    expect(told(again.$client)).toEqual([[["fact", null, "10000000"]], []]);
    expect(coupledRigs(again)).toEqual([]);
    again.$client.close();
    // The same file without it: from all facts there are.
    const untold = new SqliteFile(path);
    untold.exec("delete from sqlite_stat1");
    untold.close();
    const asEver = new SqliteFile(path, { readonly: true });
    expect(planOf(asEver)[0]).toMatch(/^SCAN fact\b/);
    asEver.close();
  });

  it("goes by nothing an analysis found, and is told once", () => {
    const { $client: file } = openDatabase(path);
    file.exec("insert into crop (id, name) values (1, 'Oats'), (2, 'Rye'); analyze");
    expect(told(file)[0]!.length).toBeGreaterThan(1);
    tellPlanner(file);
    expect(told(file)).toEqual([[["fact", null, "10000000"]], []]);
    const before = file.prepare("select total_changes()").pluck().get();
    tellPlanner(file);
    expect(file.prepare("select total_changes()").pluck().get()).toBe(before);
    file.close();
  });

  it("takes no words for a kind but our own", () => {
    expect(() => written("x' or 'a' = 'a")).toThrow("no kind of fact");
  });
});
