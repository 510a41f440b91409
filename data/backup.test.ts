import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { backupOf, putInPlace, rebuiltFor } from "./backup.ts";
import { openDatabase } from "./database.ts";
import { plantedYard } from "./demo/planted.ts";
import { plantDemoYard } from "./demo/yard.ts";
import type { Database } from "./handle.ts";
import { copiesOf } from "./keeping.ts";
import { listEveryTool, listRigs, renameRig } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import { wholesOf } from "./whole.ts";

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-"));
  path = join(folder, "yard.db");
});
afterEach(() => rmSync(folder, { recursive: true }));

/** A backup as somebody downloads it. */
async function bytesOf(db: Database): Promise<Buffer> {
  const { path: file, remove } = await backupOf(db);
  const bytes = readFileSync(file);
  remove();
  expect(existsSync(file)).toBe(false);
  return bytes;
}

/** Puts a backup in the place of the yard; why it was refused, or null. */
function restoreFile(at: string, bytes: Uint8Array, close: () => void): string | null {
  const ready = rebuiltFor(at, bytes);
  if (!ready.ok) return ready.problem;
  putInPlace(at, ready.file, close);
  return null;
}

/** A yard that somebody changed by hand, past what the database itself refuses. */
function unguarded({ $client }: Database) {
  $client.pragma("foreign_keys = OFF");
  $client.pragma("ignore_check_constraints = ON");
  const triggers = $client.prepare("select name from sqlite_master where type = 'trigger'").pluck().all();
  for (const name of triggers) $client.exec(`drop trigger "${name}"`);
  return $client;
}

const names = () => {
  const db = openDatabase(path);
  const found = listRigs(db).map(({ name }) => name);
  db.$client.close();
  return found;
};

describe("a backup", () => {
  it("is restored whole; what was there before is kept beside it, under a name of its own each time", async () => {
    const db = openDatabase(path);
    plantDemoYard(db);
    const bytes = await bytesOf(db);
    renameRig(db, 1, "Changed since", BY);
    expect(restoreFile(path, bytes, () => db.$client.close())).toBeNull();
    expect(names()[0]).toBe("Grain drill, 4.5 m");
    expect(restoreFile(path, bytes, () => {})).toBeNull();
    const copies = copiesOf(path);
    expect(copies.map(({ why }) => why)).toEqual(["before-restore", "before-restore"]);
    const [, first] = copies;
    const old = new SqliteFile(join(folder, first!.name), { readonly: true });
    expect(old.prepare("select name from rig where id = 1").pluck().get()).toBe("Changed since");
    old.close();
    for (const end of [".restoring", ".rebuilt", ".restoring-wal"])
      expect(existsSync(path + end)).toBe(false);
  });

  it("has every row of every table, in its order, whatever resolves from it", async () => {
    const db = plantedYard();
    const judged = () =>
      JSON.stringify([...wholesOf(db, listEveryTool(db)).values()].map(({ parts }) => parts));
    const before = judged();
    restoreFile(path, await bytesOf(db), () => {});
    const restored = openDatabase(path);
    expect(
      JSON.stringify([...wholesOf(restored, listEveryTool(restored)).values()].map(({ parts }) => parts)),
    ).toBe(before);
    restored.$client.close();
  });

  it.each([
    ["triggers", "create trigger t after insert on reading begin delete from reading; end"],
    ["views", "create view v as select * from reading"],
  ])("brings no %s of its own", async (_kind, sql) => {
    const db = plantedYard();
    const made = ({ $client }: Database) =>
      $client
        .prepare("select name from sqlite_master where type in ('trigger', 'view') order by name")
        .pluck()
        .all();
    const own = made(db);
    db.$client.exec(sql);
    expect(restoreFile(path, await bytesOf(db), () => {})).toBeNull();
    const restored = openDatabase(path);
    expect(made(restored)).toEqual(own);
    restored.$client.close();
  });

  it.each([
    [
      "JSON that is none",
      "update reading set conditions = '[' where rowid = (select seq from reading limit 1)",
      /table reading, row \d+, has a conditions/,
    ],
    [
      "a kind nobody knows",
      "update machine set kind = 'constructor' where id = 2",
      /table machine, row 2, has a kind/,
    ],
    [
      "text for a number",
      "update reading set value = 'much' where rowid = (select seq from reading limit 1)",
      /table reading, row \d+, has a value/,
    ],
    [
      "a row that points nowhere",
      "update coupling set rig_id = 999 where id = 1",
      /table coupling, row 1, points to a rig/,
    ],
    [
      "a photo that is a page",
      "insert into photo (id, type, bytes, recorded_at) values ('p', 'image/png', cast('<script>' as blob), '2026-01-01')",
      /table photo, row 1, is no picture/,
    ],
  ])("with %s is refused by its row, and nothing changes", async (_kind, sql, message) => {
    const db = plantedYard();
    unguarded(db).exec(sql);
    expect(restoreFile(path, await bytesOf(db), () => expect.unreachable())).toMatch(message);
    expect(existsSync(path)).toBe(false);
  });

  it.each([
    ["text", () => Buffer.from("hello"), "no SQLite database"],
    ["a database of something else", () => new SqliteFile(":memory:").serialize(), "no yard of Ambrek's"],
    [
      "a damaged yard",
      () => {
        const bytes = plantedYard().$client.serialize();
        bytes.fill(0x5a, 4096 * 3, 4096 * 9);
        return bytes;
      },
      "",
    ],
  ])("of %s is refused, and nothing changes", (_name, bytes, piece) => {
    const db = openDatabase(path);
    plantDemoYard(db);
    db.$client.pragma("wal_checkpoint(TRUNCATE)");
    const before = readFileSync(path);
    const problem = restoreFile(path, bytes(), () => expect.unreachable());
    expect(problem).toContain(piece);
    expect(readFileSync(path).equals(before)).toBe(true);
    db.$client.close();
  });

  it("of a newer yard is refused", () => {
    const newer = openDatabase(join(folder, "newer.db"));
    newer.$client.exec("alter table machine rename column make to maker");
    newer.$client.pragma("wal_checkpoint(TRUNCATE)");
    newer.$client.close();
    writeFileSync(path, "");
    const problem = restoreFile(path, readFileSync(join(folder, "newer.db")), () => expect.unreachable());
    expect(problem).toContain("newer Ambrek");
  });
});
