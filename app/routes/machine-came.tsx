import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { knownMachine, takeMachine, wrongWay } from "../../data/lending/take.ts";
import { TakeMachineDto } from "../lending/lending.dto.ts";
import { machineCameOr404, viewCame } from "../lending/lending-view.server.ts";
import { MachineCamePage } from "../lending/MachineCamePage.tsx";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import type { Route } from "./+types/machine-came";

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const { fileName, taken, file } = machineCameOr404(database(), params.fileId);
  return {
    preferences,
    fileName,
    taken,
    view: viewCame(database(), file, preferences.units, new Date()),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const db = database();
  const { taken, file } = machineCameOr404(db, params.fileId);
  const preferences = await readPreferences(request.clone());
  const checked = validateForm(TakeMachineDto, await formOf(request));
  if (!checked.ok) return answered(refused(checked.errors));
  if (taken) return answered(refused({ form: "This file was taken over before." }));
  const wrong = wrongWay(db, file);
  if (wrong) return answered(refused({ form: wrong }));
  const { person, here } = checked.value;
  const onto = knownMachine(db, file)?.machine ?? null;
  const id = takeMachine(db, params.fileId, file, { onto, here }, { person, at: new Date() });
  throw redirect(`/machines/${id}`, await remembering(preferences, person));
}

export function meta() {
  return [{ title: "A machine from another yard · Ambrek" }];
}

export default MachineCamePage;
