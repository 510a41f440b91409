import { parentPort, workerData } from "node:worker_threads";
import { FileProblem } from "./problem.ts";
import { type ReadDevice, readTaskData } from "./read.ts";

export type WorkerAnswer = { ok: true; devices: ReadDevice[] } | { ok: false; problem: string };

function answer(bytes: Uint8Array): WorkerAnswer {
  try {
    return { ok: true, devices: readTaskData(bytes) };
  } catch (error) {
    if (error instanceof FileProblem) return { ok: false, problem: error.message };
    throw error;
  }
}

parentPort?.postMessage(answer(workerData as Uint8Array));
