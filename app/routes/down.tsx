import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { validateForm } from "../session/validate.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { DownPage } from "../yard/down/DownPage.tsx";
import { TakeOverDto } from "../yard/down/down.dto.ts";
import { downView } from "../yard/down/down-view.server.ts";
import { takeOver } from "../yard/down/take-over.server.ts";
import { machineOr404 } from "../yard/machine/machine-or-404.server.ts";
import type { Route } from "./+types/down";

function drivesOr404(id: string) {
  const machine = machineOr404(id);
  if (machine.kind === "implement")
    throw new Response("This machine does not drive: nothing hangs on it.", { status: 404 });
  return machine;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const rig = new URL(request.url).searchParams.get("rig");
  return { preferences, view: downView(database(), drivesOr404(params.machineId), rig, preferences.units) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const machine = drivesOr404(params.machineId);
  const told = await toldBy(request.clone());
  const checked = validateForm(TakeOverDto, await formOf(request));
  if (!checked.ok) return { errors: checked.errors };
  const taken = takeOver(database(), machine, checked.value, told);
  return taken.ok ? redirect(rigAddress(taken.rigId, "errands")) : { errors: taken.errors };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: `${loaderData?.view.machine.name ?? "A machine"} is down · Ambrek` }];
}

export default DownPage;
