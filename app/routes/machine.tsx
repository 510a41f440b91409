import { database } from "../../data/database.ts";
import { formOf } from "../session/form.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { keepMachine } from "../yard/machine/keep-machine.server.ts";
import { MachinePage } from "../yard/machine/MachinePage.tsx";
import { machineOr404 } from "../yard/machine/machine-or-404.server.ts";
import { viewMachine } from "../yard/machine/machine-view.server.ts";
import type { Route } from "./+types/machine";

const known = (id: string) => (id === "new" ? null : machineOr404(id));

export async function loader({ request, params }: Route.LoaderArgs) {
  const machine = known(params.machineId);
  const preferences = await readPreferences(request);
  const wanted = new URL(request.url).searchParams.get("kind");
  return { preferences, ...viewMachine(database(), machine, wanted, preferences.units) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const machine = known(params.machineId);
  return answered(keepMachine(database(), machine, await formOf(request), await toldBy(request)));
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [
    {
      title: loaderData?.machine.id
        ? `${loaderData.machine.make} ${loaderData.machine.model} · Ambrek`
        : "New machine · Ambrek",
    },
  ];
}

export default MachinePage;
