import { database } from "../../data/database.ts";
import { databasePath } from "../../data/database-path.ts";
import { listImports, retractImport } from "../../data/imports.ts";
import { copiesOf } from "../../data/keeping.ts";
import type { Told } from "../../data/record.ts";
import { backupsSaid, replicaSaid } from "../files/copies.server.ts";
import { FilesPage } from "../files/FilesPage.tsx";
import { ImportRowDto, RestoreDto } from "../files/files.dto.ts";
import { sizeText } from "../files/size.ts";
import { restore, takeIn, takeInMachine } from "../files/take-in.server.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut, checkedBy, type Intents } from "../session/intents.server.ts";
import { answered, kept, type Outcome, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { ownsYard } from "../session/who.server.ts";
import { day, moment } from "../stations/frame/print.ts";
import { yardToGo } from "../tasks/tasks-to-go.server.ts";
import type { Route } from "./+types/files";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return {
    preferences,
    // Every rig is judged for it: only where somebody asks.
    leftOut: new URL(request.url).searchParams.has("left-out")
      ? yardToGo(database(), preferences.units).leftOut
      : null,
    imports: listImports(database()).map(({ id, fileName, person, at, takenBack }) => ({
      id,
      fileName,
      who: `${person}, ${day(at)}`,
      takenBack,
    })),
    owns: ownsYard(request),
    replica: replicaSaid(),
    backups: backupsSaid(new Date()),
    copies: copiesOf(databasePath()).map(({ name, why, at, bytes }) => ({
      name,
      why: why === "before-restore" ? "before a backup was restored" : "before this build changed it",
      at: moment(at),
      size: sizeText(bytes),
    })),
  };
}

const INTENTS: Intents<Told, Outcome | Promise<Outcome>> = {
  import: (_, form) => takeIn(form.get("taskdata")),
  machine: (_, form) => takeInMachine(form.get("machine")),
  restore: checkedBy(RestoreDto, (_: Told, __, form) => restore(form.get("backup"))),
  "take-back": checkedBy(ImportRowDto, (by: Told, { id }) =>
    retractImport(database(), id, by)
      ? kept("The import is taken back: what stood before stands again.")
      : refused({ form: "It is not there any more, or was taken back before." }),
  ),
};

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const form = await formOf(request);
  if (form.get("intent") === "restore" && !ownsYard(request))
    return answered(refused({ backup: "The owner puts backups back." }));
  return answered(await carryOut(INTENTS, by, form));
}

export function meta() {
  return [{ title: "Files · Ambrek" }];
}

export default FilesPage;
