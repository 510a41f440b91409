import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import { TaskFilePage } from "../tasks/TaskFilePage.tsx";
import { rigIn, takeTasks, taskFileOr404, tickedIn } from "../tasks/take-tasks.server.ts";
import { TakeTasksDto } from "../tasks/task-file.dto.ts";
import { taskFileView } from "../tasks/task-file-view.server.ts";
import type { Route } from "./+types/task-file";

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const file = taskFileOr404(params.fileId);
  const chosen = new URL(request.url).searchParams;
  return {
    preferences,
    fileName: file.fileName,
    taken: file.state === "taken",
    view: taskFileView(database(), file.kept, (at) => rigIn(chosen.get(`rig${at}`)), preferences.units),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const file = taskFileOr404(params.fileId);
  const preferences = await readPreferences(request.clone());
  const form = await formOf(request);
  const checked = validateForm(TakeTasksDto, form);
  if (!checked.ok) return answered(refused(checked.errors));
  if (file.state === "taken") return answered(refused({ form: "This file was taken over before." }));
  const db = database();
  const get = (name: string) => (form.get(name) as string | null) ?? null;
  const ticked = tickedIn(db, file.kept, get, preferences.units);
  if (Object.keys(ticked.errors).length > 0) return answered(refused(ticked.errors));
  if (ticked.crops.length + ticked.products.length + ticked.tasks.length === 0)
    return answered(refused({ form: "Nothing is ticked." }));
  const { person } = checked.value;
  const [first] = takeTasks(db, file, ticked, { person, at: new Date() });
  throw redirect(
    first === undefined ? "/files" : `/rigs/${first}/job`,
    await remembering(preferences, person),
  );
}

export function meta() {
  return [{ title: "Task file · Ambrek" }];
}

export default TaskFilePage;
