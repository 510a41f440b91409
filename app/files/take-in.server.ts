/** Files that come in: a task file to look at, a backup in the yard's place. */
import { redirect } from "react-router";
import { restoreFile } from "../../data/backup.ts";
import { closeDatabase, database, databasePath } from "../../data/database.ts";
import { keepPreview } from "../../data/imports.ts";
import { MOST_BYTES } from "../../formats/isoxml/inflate.ts";
import { kept, refused } from "../session/outcome.ts";
import { readApart } from "./read-apart.server.ts";

const MOST_RESTORE = 512 * 1024 * 1024;

/** Reads a task file and leads to what is in it. */
export async function takeIn(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0)
    return refused({ taskdata: "Choose a TASKDATA zip first." });
  if (file.size > MOST_BYTES) return refused({ taskdata: "The file is larger than 20 MB." });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const answer = await readApart({ what: "devices", bytes });
  if (!answer.ok) return refused({ taskdata: `${answer.problem} Nothing was stored.` });
  const fileName = file.name.slice(0, 120);
  throw redirect(
    `/files/${keepPreview(database(), { fileName, bytes, content: answer.devices, at: new Date() })}`,
  );
}

/** Puts a backup in the place of this yard. */
export async function restore(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0) return refused({ backup: "Choose a backup first." });
  if (file.size > MOST_RESTORE) return refused({ backup: "The file is larger than 512 MB." });
  const problem = restoreFile(databasePath(), new Uint8Array(await file.arrayBuffer()), closeDatabase);
  return problem
    ? refused({ backup: `${problem} Nothing was changed.` })
    : kept("Restored. The yard that was here is kept beside it, and listed below.");
}
