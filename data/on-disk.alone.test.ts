import type * as fs from "node:fs";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { closeDatabase, database, onDisk, openDatabase } from "./database.ts";
import { oneForAll } from "./on-disk.ts";
import { factOf, record } from "./record.ts";

/** How the disk does just now. */
const disk = vi.hoisted(() => ({ errs: false, flushed: 0 }));
vi.mock("node:fs", async (real) => {
  const own = await real<typeof fs>();
  const fdatasync = (file: number, done: (error: Error | null) => void) => {
    disk.flushed += 1;
    if (disk.errs) setTimeout(() => done(Object.assign(new Error("EIO"), { code: "EIO" })));
    else own.fdatasync(file, done);
  };
  return { ...own, fdatasync };
});

describe("one flush for all", () => {
  it("lets nobody go on by a flush that began before they asked, and makes no more than that takes", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.nat(12), { minLength: 1, maxLength: 30 }),
        fc.scheduler(),
        async (ask, scheduler) => {
          let clock = 0;
          const flushes: number[] = [];
          const wait = oneForAll(async () => {
            const begun = ++clock;
            await scheduler.schedule(Promise.resolve());
            flushes.push(begun);
          });
          const waits: Promise<void>[] = [];
          for (const steps of ask) {
            const asked = ++clock;
            waits.push(wait().then(() => expect(flushes.at(-1)).toBeGreaterThan(asked)));
            for (let step = 0; step < steps && scheduler.count() > 0; step += 1) await scheduler.waitOne();
          }
          await scheduler.waitFor(Promise.all(waits));
          expect(flushes.length).toBeLessThanOrEqual(ask.length);
        },
      ),
    );
    let flushes = 0;
    const wait = oneForAll(async () => {
      flushes += 1;
    });
    await Promise.all(Array.from({ length: 40 }, wait));
    expect(flushes).toBe(2);
  });

  it("that fails, fails for those who waited for it alone", async () => {
    let errs = true;
    const wait = oneForAll(async () => {
      const errsNow = errs;
      errs = false;
      if (errsNow) throw new Error("it erred");
    });
    const outcomes = await Promise.allSettled([wait(), wait(), wait()]);
    expect(outcomes.map(({ status }) => status)).toEqual(["rejected", "fulfilled", "fulfilled"]);
    await wait();
  });
});

describe("what was written", () => {
  let folder: string;
  let before: string | undefined;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), "ambrek-disk-"));
    before = process.env.AMBREK_DB;
    process.env.AMBREK_DB = join(folder, "yard.db");
    Object.assign(disk, { errs: false, flushed: 0 });
  });
  afterEach(() => {
    closeDatabase();
    if (before === undefined) delete process.env.AMBREK_DB;
    else process.env.AMBREK_DB = before;
    rmSync(folder, { recursive: true });
  });
  const write = () =>
    record(
      database(),
      { kind: "note", about: {} },
      { person: "Mira Osk", at: new Date("2027-04-02T06:00Z") },
    );
  const refusal = async () => {
    const error = await onDisk().then(
      () => null,
      (thrown: Response) => thrown,
    );
    return error && { status: error.status, said: await error.text() };
  };

  it("is flushed by whoever opens a file of their own, and apart from writing where answers wait for it", async () => {
    const inFull = (db: ReturnType<typeof database>) => db.$client.pragma("synchronous", { simple: true });
    const other = openDatabase(join(folder, "other.db"));
    expect(inFull(other)).toBe(2);
    other.$client.close();
    expect(inFull(database())).toBe(1);
    write();
    expect(disk.flushed).toBe(0);
    await onDisk();
    expect(disk.flushed).toBe(1);
  });

  it("is no answer where the disk errs, and is one again once all of the log is in the file", async () => {
    const id = write();
    disk.errs = true;
    expect(await refusal()).toEqual({
      status: 503,
      said: expect.stringContaining("may not be on the disk yet"),
    });
    disk.errs = false;
    // Somebody who reads what stood before keeps the log from going into the file.
    const reads = openDatabase(join(folder, "yard.db")).$client;
    reads.exec("begin");
    reads.prepare("select count(*) from fact").get();
    write();
    database().$client.pragma("busy_timeout = 20");
    expect(await refusal()).not.toBeNull();
    reads.close();
    expect(await refusal()).toBeNull();
    expect(factOf(database(), id)).not.toBeNull();
    const [{ log, checkpointed }] = database().$client.pragma("wal_checkpoint(PASSIVE)") as [
      { log: number; checkpointed: number },
    ];
    expect(checkpointed).toBe(log);
  });

  it("needs no flush of a log that is gone: all of it is in the file", async () => {
    await onDisk();
    write();
    closeDatabase();
    disk.flushed = 0;
    await onDisk();
    expect(disk.flushed).toBe(0);
  });
});
