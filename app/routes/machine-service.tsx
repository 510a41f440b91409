import { database } from "../../data/database.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { machineOr404 } from "../yard/machine/machine-or-404.server.ts";
import { SERVICE_INTENTS } from "../yard/service/keep-service.server.ts";
import { ServicePage } from "../yard/service/ServicePage.tsx";
import { machineService } from "../yard/service/service-view.server.ts";
import type { Route } from "./+types/machine-service";

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
