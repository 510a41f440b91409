/** Makes a yard ready to be put in the place of another, apart from the server: see replace-yard.server.ts. */
import { parentPort, workerData } from "node:worker_threads";
import { type Rebuilt, rebuiltFor } from "../../data/backup.ts";
import { demoFile, emptyFile } from "../../data/demo/whole-yard.ts";

/** A backup, or one of the yards that ship. */
export type Yard = Uint8Array | "demo" | "empty";

const SHIPPED = { demo: demoFile, empty: emptyFile };

const { path, yard } = workerData as { path: string; yard: Yard };
parentPort?.postMessage(
  rebuiltFor(path, typeof yard === "string" ? SHIPPED[yard]() : yard) satisfies Rebuilt,
);
