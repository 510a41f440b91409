/** Reads what came in a file, apart from the server: see app/files/read-apart.server.ts. */
import { parentPort, workerData } from "node:worker_threads";
import type { Geographic } from "../core/geodesy/plane.ts";
import type { MachineFile } from "../core/lending/machine-file.ts";
import type { PlacesGiven } from "../core/place/given.ts";
import type { TaskSet } from "../core/yard/task-set.ts";
import { readGeoJson } from "./geojson/read.ts";
import { FileProblem } from "./isoxml/problem.ts";
import { devicesOf, type ReadDevice, readTaskData } from "./isoxml/read.ts";
import { placesOf } from "./isoxml/read-places.ts";
import { taskSetOf } from "./isoxml/read-tasks.ts";
import { openTaskData } from "./isoxml/task-data.ts";
import { readMachineFile } from "./machine/machine-file.ts";

export type Wanted =
  | { what: "devices"; bytes: Uint8Array }
  /** `known`: where the yard's fields lie */
  | { what: "places"; bytes: Uint8Array; known: Geographic[] }
  /** a machine that was lent */
  | { what: "machine"; bytes: Uint8Array }
  /** everything a set has: machines, places and tasks */
  | { what: "tasks"; bytes: Uint8Array; known: Geographic[] };

export type WorkerAnswer =
  | { ok: true; devices: ReadDevice[]; places: null }
  | { ok: true; devices: null; places: PlacesGiven }
  | { ok: true; machine: MachineFile }
  | { ok: true; devices: ReadDevice[]; places: PlacesGiven; tasks: TaskSet }
  | { ok: false; problem: string };

function answer(wanted: Wanted): WorkerAnswer {
  try {
    if (wanted.what === "devices") return { ok: true, devices: readTaskData(wanted.bytes), places: null };
    if (wanted.what === "machine") return { ok: true, machine: readMachineFile(wanted.bytes) };
    return wanted.what === "tasks"
      ? readAll(wanted.bytes, wanted.known)
      : readPlaces(wanted.bytes, wanted.known);
  } catch (error) {
    if (error instanceof FileProblem) return { ok: false, problem: error.message };
    throw error;
  }
}

/** A set is opened once, and nothing of it is kept from whoever asked for all. */
function readAll(bytes: Uint8Array, known: readonly Geographic[]): WorkerAnswer {
  const data = openTaskData(bytes);
  const tasks = taskSetOf(data);
  const places = placesOf(data, known);
  const devices = devicesOf(data);
  if (
    devices.length +
      places.places.length +
      tasks.tasks.length +
      tasks.crops.length +
      tasks.products.length ===
    0
  )
    throw new FileProblem(
      "There is nothing in it that is read here: no device, field, crop, product or task.",
    );
  return { ok: true, devices, places, tasks };
}

/** A file that begins as JSON does is taken for GeoJSON, any other for task data. */
function readPlaces(bytes: Uint8Array, known: readonly Geographic[]): WorkerAnswer {
  const head = new TextDecoder().decode(bytes.subarray(0, 64)).replace(/^\ufeff/, "");
  if (!/^\s*[{[]/.test(head)) {
    const places = placesOf(openTaskData(bytes), known);
    if (places.places.length === 0) throw new FileProblem("There is no field (PFD) in it.");
    return { ok: true, devices: null, places: places };
  }
  const read = readGeoJson(new TextDecoder().decode(bytes), known);
  return read.ok ? { ok: true, devices: null, places: read.given } : read;
}

parentPort?.postMessage(answer(workerData as Wanted));
