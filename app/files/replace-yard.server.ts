import { resolve } from "node:path";
import { Worker } from "node:worker_threads";
import { clear, putInPlace, type Rebuilt } from "../../data/backup.ts";
import { closeDatabase } from "../../data/database.ts";
import { databasePath } from "../../data/database-path.ts";
import { diskTroubleOf } from "../../data/trouble.ts";
import { alone } from "../session/turns.server.ts";
import type { Yard } from "./yard-ready.server.ts";

const BUSY = "Somebody is still sending something to this yard: try it again.";
const BROKE = "It could not be made ready to stand here.";

let turn: Promise<unknown> = Promise.resolve();

/**
 * Puts another yard in the place of this one; returns why it was refused, or null. It is made ready in a thread of its own while everybody
 * works on, and takes the place once nobody is at it. One at a time.
 */
export function replaceYard(yard: Yard): Promise<string | null> {
  const own = turn.then(() => replace(databasePath(), yard));
  turn = own.catch(() => {});
  return own;
}

async function replace(path: string, yard: Yard): Promise<string | null> {
  const ready = await madeReady(path, yard);
  if (!ready.ok) return ready.problem;
  try {
    const done = await alone(() => {
      putInPlace(path, ready.file, closeDatabase);
      return true;
    });
    return done ? null : BUSY;
  } catch (error) {
    const trouble = diskTroubleOf(error);
    if (trouble === null) throw error;
    return trouble;
  } finally {
    clear(ready.file);
  }
}

function madeReady(path: string, yard: Yard): Promise<Rebuilt> {
  return new Promise((done) => {
    const worker = new Worker(resolve("build/worker/yard-ready.js"), { workerData: { path, yard } });
    worker.once("message", done);
    worker.once("error", (error) => {
      console.error(error);
      done({ ok: false, problem: BROKE });
    });
  });
}
