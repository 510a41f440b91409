import { existsSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { closeDatabase, database, openDatabase } from "./database.ts";
import { copiesOf, copyBeside, takeYard } from "./keeping.ts";

let folder: string;
let path: string;
let before: string | undefined;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-"));
  path = join(folder, "yard.db");
  before = process.env.AMBREK_DB;
  process.env.AMBREK_DB = path;
});
afterEach(() => {
  closeDatabase();
  if (before === undefined) delete process.env.AMBREK_DB;
  else process.env.AMBREK_DB = before;
  rmSync(folder, { recursive: true });
});

async function refusal(): Promise<string> {
  try {
    database();
  } catch (error) {
    expect(error).toBeInstanceOf(Response);
    expect((error as Response).status).toBe(503);
    return (error as Response).text();
  }
  return "none";
}

describe("one server a file", () => {
  it("is held by a lock that another running process keeps, and a dead one does not", async () => {
    writeFileSync(`${path}.lock`, String(process.ppid));
    expect(await refusal()).toContain(`process ${process.ppid}`);
    writeFileSync(`${path}.lock`, "999999999");
    expect(await refusal()).toBe("none");
    expect(readFileSync(`${path}.lock`, "utf8")).toBe(String(process.pid));
    closeDatabase();
    expect(existsSync(`${path}.lock`)).toBe(false);
  });

  it("lets go only of what it took", () => {
    const release = takeYard(path);
    release();
    expect(existsSync(`${path}.lock`)).toBe(false);
  });
});

describe("a file that is taken away or replaced", () => {
  it("is not written to: every page says so", async () => {
    database();
    rmSync(path);
    expect(await refusal()).toContain("taken away or replaced");
    closeDatabase();
  });

  it("is told from another file in its place", async () => {
    database();
    const other = join(folder, "other.db");
    openDatabase(other).$client.close();
    renameSync(other, path);
    expect(await refusal()).toContain("taken away or replaced");
  });
});

describe("a new yard", () => {
  it("is begun where nothing lies", async () => {
    expect(await refusal()).toBe("none");
  });

  it.each([
    ["an empty file", () => writeFileSync(path, ""), "an empty file"],
    ["a log without its file", () => writeFileSync(`${path}-wal`, "x"), "write-ahead log"],
    ["a copy", () => writeFileSync(`${path}.before-restore-2026-03-01T10-00-00`, "x"), "copies of a yard"],
  ])("is not begun beside %s", async (_kind, leave, said) => {
    leave();
    expect(await refusal()).toContain(said);
    expect(existsSync(`${path}.lock`)).toBe(false);
  });
});

describe("a copy", () => {
  it("has a name of its own, and is not there half", () => {
    writeFileSync(path, "one");
    const now = new Date("2026-03-01T10:00:00Z");
    const names = [1, 2, 3].map(() => copyBeside(path, "before-restore", now));
    expect(new Set(names).size).toBe(3);
    expect(copiesOf(path).map(({ at }) => at)).toEqual(Array(3).fill("2026-03-01T10:00:00Z"));
    expect(() => copyBeside(join(folder, "missing.db"), "before-restore", now)).toThrow();
    expect(copiesOf(join(folder, "missing.db"))).toEqual([]);
  });

  it("stands in the list by its day, whatever it was made for", () => {
    writeFileSync(path, "a yard");
    for (const [why, day] of [
      ["before-restore", "2026-03-01"],
      ["before-migration", "2026-03-02"],
      ["before-restore", "2026-03-03"],
    ] as const)
      copyBeside(path, why, new Date(`${day}T10:00:00Z`));
    expect(copiesOf(path).map(({ at }) => at.slice(8, 10))).toEqual(["03", "02", "01"]);
  });

  it("is made before a yard of an older build is changed", () => {
    openDatabase(path).$client.close();
    expect(copiesOf(path)).toEqual([]);
    // As an older build left it: its last migration not there yet.
    const file = new SqliteFile(path);
    file.exec("delete from __drizzle_migrations where rowid = (select max(rowid) from __drizzle_migrations)");
    file.close();
    try {
      openDatabase(path);
    } catch {
      // What it would change is there already; the copy was made before that was tried.
    }
    expect(copiesOf(path).map(({ why }) => why)).toEqual(["before-migration"]);
  });
});
