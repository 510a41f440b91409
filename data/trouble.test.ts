import { chmodSync, mkdtempSync, readdirSync, readlinkSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { databaseOver, openDatabase } from "./database.ts";
import type { Database } from "./handle.ts";
import { YardProblem } from "./keeping.ts";
import { record } from "./record.ts";
import { troubleOf } from "./trouble.ts";

let folder: string;
let path: string;
let db: Database;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-trouble-"));
  path = join(folder, "yard.db");
  db = openDatabase(path);
});
afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true });
});

const write = (to = db, topic = "x") =>
  record(to, { kind: "note", about: {}, topic }, { person: "Mira", at: new Date() });
const facts = () => db.$client.prepare("select count(*) from fact where kind = 'note'").pluck().get();

describe("what a machine does to a yard's file", () => {
  it("a full disk: it is said, nothing is half written, and it goes on once there is room", () => {
    write();
    const pages = db.$client.pragma("page_count", { simple: true });
    db.$client.pragma(`max_page_count = ${pages}`);
    const fill = () => {
      for (let row = 0; row < 50; row += 1) write(db, "y".repeat(4000));
    };
    expect(fill).toThrow(/disk of this machine is full: nothing was written/);
    const before = facts();
    expect(fill).toThrow(YardProblem);
    expect(facts()).toBe(before);
    db.$client.pragma("max_page_count = 1000000");
    write();
    expect(facts()).toBe(Number(before) + 1);
  });

  it("a file that may not be written: it is said", () => {
    const beside = new SqliteFile(path, { readonly: true });
    // As if it could be written, which the disk then refuses.
    const held = databaseOver(
      new Proxy(beside, {
        get(file, name) {
          if (name === "readonly") return false;
          const value = Reflect.get(file, name);
          return typeof value === "function" ? value.bind(file) : value;
        },
      }),
    );
    expect(() => write(held)).toThrow(/cannot be written to: nothing was written/);
    beside.close();
  });

  it("somebody else who holds it: it waits a while, says so, and goes on once they let go", () => {
    const other = new SqliteFile(path);
    other.exec("begin immediate");
    db.$client.pragma("busy_timeout = 50");
    expect(() => write()).toThrow(/Another program holds the yard's file: nothing was written/);
    other.exec("rollback");
    write();
    expect(facts()).toBe(1);
    other.close();
  });

  it("a disk that errs, and a damaged file: each is said; an error of our own stays one", () => {
    const coded = (code: string) => Object.assign(new Error("sqlite"), { code });
    expect(troubleOf(coded("SQLITE_IOERR_FSYNC"))!.message).toContain("made an error");
    expect(troubleOf(coded("SQLITE_CORRUPT_INDEX"))!.message).toContain("is damaged");
    expect(troubleOf(coded("SQLITE_CONSTRAINT_UNIQUE"))).toBeNull();
    expect(troubleOf(new TypeError("ours"))).toBeNull();
  });

  it("a transaction holds the file from its beginning, not from its first write", () => {
    const other = new SqliteFile(path);
    other.pragma("busy_timeout = 10");
    db.transaction(() => {
      expect(() => other.exec("begin immediate")).toThrow(/locked/);
    });
    other.exec("begin immediate; rollback");
    other.close();
  });

  it("what cannot be opened leaves no handle behind", () => {
    const wrong = join(folder, "wrong.db");
    writeFileSync(wrong, "this is no database, and long enough to be taken for one ".repeat(40));
    const open = () =>
      readdirSync("/proc/self/fd").filter((fd) => {
        try {
          return readlinkSync(`/proc/self/fd/${fd}`) === wrong;
        } catch {
          return false;
        }
      }).length;
    for (let attempt = 0; attempt < 5; attempt += 1) expect(() => openDatabase(wrong)).toThrow(/is no yard/);
    expect(open()).toBe(0);
    chmodSync(wrong, 0o600);
  });
});
