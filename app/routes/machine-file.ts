import { database } from "../../data/database.ts";
import { lendingsOf } from "../../data/lending/loans.ts";
import { machineFileOf } from "../../data/lending/send.ts";
import { writeMachineFile } from "../../formats/machine/machine-file.ts";
import { taken } from "../session/download.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { machineOr404 } from "../yard/machine/machine-or-404.server.ts";
import type { Route } from "./+types/machine-file";

/** A machine with what was read of it, for the yard it is lent to or goes back to. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const machine = machineOr404(params.machineId);
  const last = lendingsOf(database(), [machine.id]).get(machine.id);
  if (!last || last.way === "in" || (last.way === "back" && last.began === "out"))
    throw new Response("It is lent to nobody: lend it on its page first, or give it back.", { status: 404 });
  const { person } = await readPreferences(request);
  const sender = { yard: last.here, person: person || last.person, way: last.way, now: new Date() };
  return new Response(writeMachineFile(machineFileOf(database(), machine, sender)), {
    headers: taken("application/json; charset=utf-8", "json", [
      machine.make,
      machine.model,
      "for",
      last.there,
    ]),
  });
}
