import { database } from "../../data/database.ts";
import { functionsOf, hydraulicsOf, lastTakenOut, remotesOf } from "../../data/hoses.ts";
import { formOf } from "../session/form.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { machineOr404 } from "../yard/machine/machine-or-404.server.ts";
import { keepOil } from "../yard/oil/keep-oil.server.ts";
import { OilPage } from "../yard/oil/OilPage.tsx";
import { functionRows, oilUnits, remoteRows, socketFields, supplyFields } from "../yard/oil/oil-view.ts";
import type { Route } from "./+types/oil";

export async function loader({ request, params }: Route.LoaderArgs) {
  const machine = machineOr404(params.machineId);
  const db = database();
  const preferences = await readPreferences(request);
  const { units } = preferences;
  const told = hydraulicsOf(db, [machine.id]).get(machine.id);
  const search = new URL(request.url).searchParams;
  const opened = (name: string) => (search.has(name) ? Number(search.get(name)) : null);
  return {
    preferences,
    machine: {
      id: machine.id,
      name: `${machine.make} ${machine.model}`,
      drives: machine.kind !== "implement",
    },
    units: oilUnits(units),
    supply: supplyFields(told, units),
    sockets: socketFields(told),
    told: told !== undefined,
    remotes: remoteRows(remotesOf(db, [machine.id]).get(machine.id) ?? [], units),
    functions: functionRows(functionsOf(db, [machine.id]).get(machine.id) ?? [], units),
    out: lastTakenOut(db, machine.id)?.name ?? null,
    open: { remote: opened("remote"), function: opened("function") },
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const machine = machineOr404(params.machineId);
  return answered(keepOil(database(), machine, await formOf(request), await toldBy(request)));
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Hydraulics of ${loaderData.machine.name} · Ambrek` : "Ambrek" }];
}

export default OilPage;
