import { database } from "../../data/database.ts";
import { findMachine } from "../../data/machines.ts";
import type { Machine } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { keepMachine } from "../yard/machine/keep-machine.server.ts";
import { MachinePage } from "../yard/machine/MachinePage.tsx";
import { viewMachine } from "../yard/machine/machine-view.server.ts";
import type { Route } from "./+types/machine";

function machineOr404(id: string): Machine | null {
  if (id === "new") return null;
  const machine = /^\d{1,9}$/.test(id) ? findMachine(database(), Number(id)) : null;
  if (!machine) throw new Response("There is no such machine in this yard.", { status: 404 });
  return machine;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const known = machineOr404(params.machineId);
  const preferences = await readPreferences(request);
  const wanted = new URL(request.url).searchParams.get("kind");
  return { preferences, ...viewMachine(database(), known, wanted, preferences.units) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const known = machineOr404(params.machineId);
  return answered(keepMachine(database(), known, await formOf(request), await toldBy(request)));
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
