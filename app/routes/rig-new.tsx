import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { listMachines, listPoints } from "../../data/machines.ts";
import { createRig } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { NewRigPage } from "../yard/NewRigPage.tsx";
import { couplingsOf, readTools, toolsProblem } from "../yard/new-rig.ts";
import { nameProblem } from "../yard/rig-name.server.ts";
import { NewRigDto } from "../yard/yard.dto.ts";
import type { Route } from "./+types/rig-new";

export async function loader({ request }: Route.LoaderArgs) {
  const db = database();
  const search = new URL(request.url).searchParams;
  return {
    preferences: await readPreferences(request),
    machines: listMachines(db),
    points: listPoints(db),
    wanted: {
      tractor: Number(search.get("tractor") ?? "") || null,
      implement: Number(search.get("implement") ?? "") || null,
    },
  };
}

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const checked = validateForm(NewRigDto, await formOf(request));
  if (!checked.ok) return answered(refused(checked.errors));
  const { name, tools } = checked.value;
  const [tractorId, receiverPointId] = [checked.value.tractorId, checked.value.receiverPointId].map(
    Number,
  ) as [number, number];
  const db = database();
  const yard = { machines: listMachines(db), points: listPoints(db) };
  const rows = readTools(tools);
  const errors: FieldErrors = {};
  const taken = nameProblem(db, name);
  if (taken) errors.name = taken;
  if (!yard.machines.some(({ id, kind }) => id === tractorId && kind !== "implement"))
    errors.tractorId = "Choose the machine that drives.";
  if (
    !yard.points.some(
      ({ id, kind, machineId }) =>
        id === receiverPointId && kind === "receiver mount" && machineId === tractorId,
    )
  )
    errors.receiverPointId = "Choose a mount of this machine.";
  const problem = toolsProblem(yard, tractorId, rows);
  if (problem) errors.tools = problem;
  if (Object.keys(errors).length > 0) return answered(refused(errors));
  const couplings = couplingsOf(yard, tractorId, rows);
  throw redirect(rigAddress(createRig(db, { name, tractorId, receiverPointId, couplings }, by), ""));
}

export function meta() {
  return [{ title: "New rig · Ambrek" }];
}

export default NewRigPage;
