import { Form, Link } from "react-router";
import { database } from "../../data/database.ts";
import { functionsOf, hydraulicsOf, lastTakenOut, remotesOf } from "../../data/hoses.ts";
import { findMachine } from "../../data/machines.ts";
import type { Machine } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { FieldErrors } from "../session/validate.ts";
import { FunctionsSection } from "../yard/oil/FunctionsSection.tsx";
import { keepOil } from "../yard/oil/keep-oil.server.ts";
import { functionRows, oilUnits, remoteRows, socketFields, supplyFields } from "../yard/oil/oil-view.ts";
import { RemotesSection, SupplySection } from "../yard/oil/SupplySection.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/oil";

function machineOr404(id: string): Machine {
  const machine = /^\d{1,9}$/.test(id) ? findMachine(database(), Number(id)) : null;
  if (!machine) throw new Response("There is no such machine in this yard.", { status: 404 });
  return machine;
}

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
  return keepOil(database(), machineOr404(params.machineId), await formOf(request), await toldBy(request));
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Oil of ${loaderData.machine.name} · Ambrek` : "Ambrek" }];
}

export default function OilPage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, machine, units, supply, sockets, told, remotes, functions, out, open } = loaderData;
  const errors: FieldErrors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here="machines">
      <div>
        <h1>{machine.name}: oil and sockets</h1>
        <Link to={`/machines/${machine.id}`} className="font-semibold text-dye">
          Everything else of this machine
        </Link>
      </div>
      {out && (
        <Form method="post" className="flex flex-wrap items-center gap-3">
          <input type="hidden" name="intent" value="back" />
          <span className="text-soft">Taken out last: {out}.</span>
          <button type="submit" className="key">
            Bring it back
          </button>
        </Form>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      {machine.drives ? (
        <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
          <SupplySection supply={supply} sockets={sockets} units={units} errors={errors} />
          <RemotesSection remotes={remotes} open={open.remote} units={units} errors={errors} />
        </div>
      ) : (
        <FunctionsSection
          functions={functions}
          open={open.function}
          sockets={sockets}
          told={told}
          units={units}
          errors={errors}
        />
      )}
    </YardFrame>
  );
}
