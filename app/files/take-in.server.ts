/** Files that come in: a task file to look at, a backup in the yard's place. */
import { redirect } from "react-router";
import { whereOf } from "../../core/place/boundary.ts";
import type { TaskSet } from "../../core/yard/task-set.ts";
import { database } from "../../data/database.ts";
import { keepPreview } from "../../data/imports.ts";
import { listFields } from "../../data/places.ts";
import { MOST_BYTES } from "../../formats/isoxml/inflate.ts";
import { MOST_BYTES as MOST_OF_MACHINE } from "../../formats/machine/machine-file.ts";
import { kept as done, refused } from "../session/outcome.ts";
import type { TaskFileKept } from "../tasks/task-file-view.server.ts";
import { readApart } from "./read-apart.server.ts";
import { replaceYard } from "./replace-yard.server.ts";

const MOST_RESTORE = 512 * 1024 * 1024;

/** Reads a task file and leads to what is in it: to its machines where it has nothing else, otherwise to the list of all of it. */
export async function takeIn(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0)
    return refused({ taskdata: "Choose a TASKDATA zip first." });
  if (file.size > MOST_BYTES) return refused({ taskdata: "The file is larger than 20 MB." });
  const db = database();
  const bytes = new Uint8Array(await file.arrayBuffer());
  const known = listFields(db).flatMap(({ bounded }) => (bounded ? [whereOf(bounded.boundary)] : []));
  const answer = await readApart({ what: "tasks", bytes, known });
  if (!answer.ok) return refused({ taskdata: `${answer.problem} Nothing was stored.` });
  if (!("tasks" in answer)) throw new RangeError("the worker read something else");
  const keep = (content: unknown) =>
    keepPreview(db, { fileName: file.name.slice(0, 120), bytes, content, at: new Date() });
  const { devices, places, tasks } = answer;
  if (devices.length > 0 && places.places.length === 0 && isBare(tasks))
    throw redirect(`/files/${keep(devices)}`);
  const kept: TaskFileKept = {
    tasks,
    devices: devices.length > 0 ? keep(devices) : null,
    places: places.places.length > 0 ? keep({ places }) : null,
  };
  throw redirect(`/tasks/${keep(kept)}`);
}

/** Reads the file of a machine that was lent, and leads to what is in it. */
export async function takeInMachine(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0)
    return refused({ machine: "Choose the file of a machine first." });
  if (file.size > MOST_OF_MACHINE) return refused({ machine: "The file is larger than 16 MB." });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const answer = await readApart({ what: "machine", bytes });
  if (!answer.ok) return refused({ machine: `${answer.problem} Nothing was stored.` });
  if (!("machine" in answer)) throw new RangeError("the worker read something else");
  const preview = { fileName: file.name.slice(0, 120), bytes, content: answer.machine, at: new Date() };
  throw redirect(`/machines/file/${keepPreview(database(), preview)}`);
}

/** Nothing but what couples machines: no crop, product, person or job, and nothing left out. */
function isBare({ crops, products, workers, tasks, notes }: TaskSet): boolean {
  return (
    crops.length + products.length + workers.length + notes.length === 0 &&
    tasks.every(({ field, rates }) => field === null && rates.length === 0)
  );
}

/** Puts a backup in the place of this yard. */
export async function restore(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0) return refused({ backup: "Choose a backup first." });
  if (file.size > MOST_RESTORE) return refused({ backup: "The file is larger than 512 MB." });
  const problem = await replaceYard(new Uint8Array(await file.arrayBuffer()));
  return problem
    ? refused({ backup: `${problem} Nothing was changed.` })
    : done("Restored. The yard that was here is kept beside it, and listed below.");
}
