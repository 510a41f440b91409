import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { type FileRead, findImport } from "../../data/imports.ts";
import { ImportPage } from "../files/ImportPage.tsx";
import { viewImport } from "../files/import-view.server.ts";
import { devicesIn, goesOnto, hasDevices, takeTicked, targetsIn } from "../files/take-over.server.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import { PersonDto } from "../stations/card/terminal.dto.ts";
import type { Route } from "./+types/import";

function importOr404(id: string): FileRead {
  const found = findImport(database(), id);
  if (!found || !hasDevices(found)) throw new Response("There is no such import.", { status: 404 });
  return found;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const batch = importOr404(params.batchId);
  const search = new URL(request.url).searchParams;
  return {
    preferences,
    fileName: batch.fileName,
    taken: batch.state === "taken",
    ...viewImport(
      database(),
      devicesIn(batch),
      targetsIn((name) => search.get(name)),
      preferences.units,
    ),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const batch = importOr404(params.batchId);
  const preferences = await readPreferences(request.clone());
  const form = await formOf(request);
  const checked = validateForm(PersonDto, form);
  if (!checked.ok) return answered(refused(checked.errors));
  const said = (form: string) => answered(refused({ form }));
  if (batch.state === "taken") return said("This file was imported before.");
  const db = database();
  const { devices, machines } = viewImport(
    db,
    devicesIn(batch),
    targetsIn((name) => form.get(name) as string | null),
    preferences.units,
  );
  const wrong = devices.find((each) => !goesOnto(each, machines));
  if (wrong) return said(`${wrong.device.designator} cannot go onto that machine.`);
  const { person } = checked.value;
  const onto = takeTicked(db, batch.id, devices, (name) => form.get(name) === "yes", {
    person,
    at: new Date(),
  });
  throw redirect(`/machines?imported=${onto.join(",")}`, await remembering(preferences, person));
}

export function meta() {
  return [{ title: "Import · Ambrek" }];
}

export default ImportPage;
