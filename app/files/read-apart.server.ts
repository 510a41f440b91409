import { resolve } from "node:path";
import { Worker } from "node:worker_threads";
import type { Wanted, WorkerAnswer } from "../../formats/read.worker.ts";

const MOST_MILLISECONDS = 10_000;
const MOST_MEGABYTES = 256;

/** So many may wait for their turn. */
const MOST_WAITING = 8;
const BUSY = "Several files are being read just now: bring it in again in a minute.";

let waiting = 0;
let turn: Promise<unknown> = Promise.resolve();

/**
 * Reads a file in a worker of its own, which may use so much memory and time and no more: whatever is in the file, the server stays up. One
 * file at a time.
 */
export async function readApart(wanted: Wanted): Promise<WorkerAnswer> {
  if (waiting >= MOST_WAITING) return { ok: false, problem: BUSY };
  waiting += 1;
  const own = turn.then(() => readNow(wanted));
  turn = own.finally(() => {
    waiting -= 1;
  });
  return own;
}

function readNow(wanted: Wanted): Promise<WorkerAnswer> {
  return new Promise((done) => {
    const worker = new Worker(resolve("build/worker/read.js"), {
      workerData: wanted,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES, maxYoungGenerationSizeMb: 64 },
    });
    const refuse = (problem: string) => {
      clearTimeout(timer);
      worker.terminate();
      done({ ok: false, problem });
    };
    const timer = setTimeout(() => refuse("The file took too long to read."), MOST_MILLISECONDS);
    worker.once("message", (answer: WorkerAnswer) => {
      clearTimeout(timer);
      done(answer);
    });
    worker.once("error", (error) => {
      console.error(error);
      refuse("The file could not be read: it is too large or badly damaged.");
    });
  });
}
