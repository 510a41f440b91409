/**
 * What was written is on the disk before it is answered, and the thread that writes does not stand still for the disk meanwhile: a commit
 * puts its pages into the log beside the file (SQLite's write-ahead log), and one flush of that log does for all that was written before
 * it began.
 */
import { closeSync, fdatasync, openSync } from "node:fs";
import { promisify } from "node:util";
import type SqliteFile from "better-sqlite3";
import { YardProblem } from "./keeping.ts";

const NOT_SURE =
  "What you sent may not be on the disk yet: the disk of this machine made an error. Send it again, look at the disk, and keep the newest backup safe.";

/**
 * One flush for all who wait for it: who asks while one is under way, which may have begun before they wrote, shares the next. A flush that
 * fails fails for all who waited for it, and for nobody after them.
 */
export function oneForAll(flush: () => Promise<void>): () => Promise<void> {
  let waiting: { done: () => void; fail: (error: unknown) => void }[] = [];
  let flushing = false;
  async function flushAll(): Promise<void> {
    flushing = true;
    while (waiting.length > 0) {
      const round = waiting;
      waiting = [];
      try {
        await flush();
        for (const { done } of round) done();
      } catch (error) {
        for (const { fail } of round) fail(error);
      }
    }
    flushing = false;
  }
  return () =>
    new Promise((done, fail) => {
      waiting.push({ done, fail });
      if (!flushing) flushAll();
    });
}

/**
 * What waits until all that was written to an open file is on the disk.
 * @throws YardProblem where the disk erred. A flush after one that failed may tell of less than was lost: until all of the log went into
 * the file itself, nothing is said to be on the disk.
 */
export function onDiskOf(path: string, file: SqliteFile.Database): () => Promise<void> {
  let doubted = false;
  return oneForAll(async () => {
    try {
      if (doubted) intoTheFile(file);
      await flushLog(path);
      doubted = false;
    } catch (error) {
      doubted = true;
      throw new YardProblem(NOT_SURE, { cause: error });
    }
  });
}

const flushed = promisify(fdatasync);

async function flushLog(path: string): Promise<void> {
  const log = logOf(path);
  if (log === null) return;
  try {
    await flushed(log);
  } finally {
    closeSync(log);
  }
}

/** The log of a file; null where all of it went into the file, which is flushed as that is done. */
function logOf(path: string): number | null {
  try {
    return openSync(`${path}-wal`, "r+");
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "ENOENT") return null;
    throw error;
  }
}

/** Puts all of the log into the file, which is flushed then. @throws where somebody still reads what stood before, or the disk errs */
function intoTheFile(file: SqliteFile.Database): void {
  const [{ busy, log, checkpointed }] = file.pragma("wal_checkpoint(FULL)") as [
    { busy: number; log: number; checkpointed: number },
  ];
  if (busy !== 0 || checkpointed < log) throw new Error("not all of the log is in the file");
}
