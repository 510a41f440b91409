import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { backupOf, restoreFile } from "./backup.ts";
import { openDatabase } from "./database.ts";
import { plantedYard } from "./demo/planted.ts";
import { plantDemoYard } from "./demo/yard.ts";
import { listRigs, renameRig } from "./rigs.ts";

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-"));
  path = join(folder, "yard.db");
});
afterEach(() => rmSync(folder, { recursive: true }));

const names = () => {
  const db = openDatabase(path);
  const found = listRigs(db).map(({ name }) => name);
  db.$client.close();
  return found;
};

describe("a backup", () => {
  it("is restored whole; what was there before is kept beside it", () => {
    const db = openDatabase(path);
    plantDemoYard(db);
    const bytes = backupOf(db);
    renameRig(db, 1, "Changed since");
    expect(restoreFile(path, bytes, () => db.$client.close())).toBeNull();
    expect(names()[0]).toBe("Grain drill, 4.5 m");
    expect(existsSync(`${path}.before-restore`)).toBe(true);
    expect(existsSync(`${path}.restoring`)).toBe(false);
  });

  it.each([
    ["text", () => Buffer.from("hello"), "no SQLite database"],
    ["a database of something else", () => new SqliteFile(":memory:").serialize(), "no yard of Ambrek's"],
    [
      "a damaged yard",
      () => {
        const db = plantedYard();
        const bytes = backupOf(db);
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
