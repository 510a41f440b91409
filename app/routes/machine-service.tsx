import { database } from "../../data/database.ts";
import { findMachine } from "../../data/machines.ts";
import type { Machine } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { SERVICE_INTENTS } from "../yard/service/keep-service.server.ts";
import { ServicePage } from "../yard/service/ServicePage.tsx";
import { machineService } from "../yard/service/service-view.server.ts";
import type { Route } from "./+types/machine-service";

function machineOr404(id: string): Machine {
  const machine = /^\d{1,9}$/.test(id) ? findMachine(database(), Number(id)) : null;
  if (!machine) throw new Response("There is no such machine in this yard.", { status: 404 });
  return machine;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const machine = machineOr404(params.machineId);
  const preferences = await readPreferences(request);
  return { preferences, view: machineService(database(), machine, preferences.units, new Date()) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const machine = machineOr404(params.machineId);
  const preferences = await readPreferences(request.clone());
  const at = { db: database(), machine, told: await toldBy(request.clone()) };
  const outcome = await carryOut(SERVICE_INTENTS, at, await formOf(request));
  return answered(
    outcome,
    outcome.ok && outcome.person ? await remembering(preferences, outcome.person) : {},
  );
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: `Service of ${loaderData?.view.machine.name ?? "a machine"} · Ambrek` }];
}

export default ServicePage;
