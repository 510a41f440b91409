/** Reads what came in a file, apart from the server: see app/files/read-apart.server.ts. */
import { parentPort, workerData } from "node:worker_threads";
import type { Geographic } from "../core/geodesy/plane.ts";
import type { PlacesGiven } from "../core/place/given.ts";
import { readGeoJson } from "./geojson/read.ts";
import { FileProblem } from "./isoxml/problem.ts";
import { type ReadDevice, readTaskData } from "./isoxml/read.ts";
import { placesOf } from "./isoxml/read-places.ts";
import { openTaskData } from "./isoxml/task-data.ts";

export type Wanted =
  | { what: "devices"; bytes: Uint8Array }
  /** `known`: where the yard's fields lie */
  | { what: "places"; bytes: Uint8Array; known: Geographic[] };

export type WorkerAnswer =
  | { ok: true; devices: ReadDevice[]; places: null }
  | { ok: true; devices: null; places: PlacesGiven }
  | { ok: false; problem: string };

function answer(wanted: Wanted): WorkerAnswer {
  try {
    if (wanted.what === "devices") return { ok: true, devices: readTaskData(wanted.bytes), places: null };
    return readPlaces(wanted.bytes, wanted.known);
  } catch (error) {
    if (error instanceof FileProblem) return { ok: false, problem: error.message };
    throw error;
  }
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
