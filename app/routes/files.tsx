import { data } from "react-router";
import { database, databasePath } from "../../data/database.ts";
import { listImports, retractImport } from "../../data/imports.ts";
import { copiesOf } from "../../data/keeping.ts";
import { FilesPage } from "../files/FilesPage.tsx";
import { refused, restore, takeIn } from "../files/take-in.server.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { FieldErrors } from "../session/validate.ts";
import { day, moment } from "../stations/frame/print.ts";
import type { Route } from "./+types/files";

export async function loader({ request }: Route.LoaderArgs) {
  return {
    preferences: await readPreferences(request),
    imports: listImports(database()).map(({ id, fileName, person, at, takenBack }) => ({
      id,
      fileName,
      who: `${person}, ${day(at)}`,
      takenBack,
    })),
    copies: copiesOf(databasePath()).map(({ name, why, at, bytes }) => ({
      name,
      why: why === "before-restore" ? "before a backup was restored" : "before this build changed it",
      at: moment(at),
      size: `${(bytes / 1e6).toFixed(1)} MB`,
    })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  switch (form.get("intent")) {
    case "import":
      return takeIn(form.get("taskdata"));
    case "restore":
      return restore(form.get("backup"), form.get("sure") === "yes");
    case "take-back":
      return retractImport(database(), String(form.get("id")), await toldBy(request))
        ? data({
            errors: {} as FieldErrors,
            said: "The import is taken back: what stood before stands again.",
          })
        : refused({ form: "It is not there any more, or was taken back before." });
    default:
      throw new Response("That request was not understood.", { status: 400 });
  }
}

export function meta() {
  return [{ title: "Files · Ambrek" }];
}

export default FilesPage;
