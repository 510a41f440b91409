import { useState } from "react";
import { data, Form, Link, redirect } from "react-router";
import { database } from "../../data/database.ts";
import { listMachines, listPoints } from "../../data/machines.ts";
import { createRig } from "../../data/rigs.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import { NewRigDto } from "../yard/yard.dto.ts";
import type { Route } from "./+types/rig-new";

export async function loader({ request }: Route.LoaderArgs) {
  const db = database();
  const search = new URL(request.url).searchParams;
  return {
    preferences: await readPreferences(request),
    machines: listMachines(db),
    points: listPoints(db),
    wanted: { tractor: search.get("tractor") ?? "", implement: search.get("implement") ?? "" },
  };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await request.formData();
  const checked = validateForm(
    NewRigDto,
    ["name", "tractorId", "receiverPointId", "holePointId", "implementId"],
    form,
  );
  if (!checked.ok) return data({ errors: checked.errors }, { status: 422 });
  const { name, ...ids } = checked.value;
  const [tractorId, receiverPointId, holePointId, implementId] = [
    ids.tractorId,
    ids.receiverPointId,
    ids.holePointId,
    ids.implementId,
  ].map(Number) as [number, number, number, number];
  const db = database();
  const machines = listMachines(db);
  const points = listPoints(db).filter(({ machineId }) => machineId === tractorId);
  const errors: FieldErrors = {};
  if (!machines.some(({ id, kind }) => id === tractorId && kind === "tractor"))
    errors.tractorId = "Choose a tractor.";
  if (!machines.some(({ id, kind }) => id === implementId && kind === "implement"))
    errors.implementId = "Choose the implement.";
  if (!points.some(({ id, kind }) => id === receiverPointId && kind === "receiver mount"))
    errors.receiverPointId = "Choose a mount of this tractor.";
  if (!points.some(({ id, kind }) => id === holePointId && kind === "drawbar hole"))
    errors.holePointId = "Choose a hole of this tractor.";
  if (Object.keys(errors).length > 0) return data({ errors }, { status: 422 });
  throw redirect(`/rigs/${createRig(db, { name, tractorId, receiverPointId, holePointId, implementId })}`);
}

export function meta() {
  return [{ title: "New rig · Ambrek" }];
}

export default function NewRig({
  loaderData: { preferences, machines, points, wanted },
  actionData,
}: Route.ComponentProps) {
  const errors = (actionData?.errors ?? {}) as FieldErrors;
  const tractors = machines.filter(({ kind }) => kind === "tractor");
  const tools = machines.filter(({ kind }) => kind === "implement");
  const [tractor, setTractor] = useState(wanted.tractor || String(tractors[0]?.id ?? ""));
  const own = points.filter(({ machineId }) => String(machineId) === tractor);
  const nameOf = ({ fleetNumber, make, model }: (typeof machines)[number]) =>
    [fleetNumber, make, model].filter(Boolean).join(" ");
  const select = (name: string, label: string, choices: [string, string][], rest = {}) => (
    <SelectField name={name} label={label} choices={choices} problem={errors[name]} {...rest} />
  );
  return (
    <YardFrame preferences={preferences} here="rigs">
      <h1>New rig</h1>
      {tractors.length === 0 || tools.length === 0 ? (
        <p className="text-lead">
          A rig couples a tractor with an implement. First add{" "}
          {tractors.length === 0 && (
            <Link to="/machines/new?kind=tractor" className="text-dye">
              a tractor
            </Link>
          )}
          {tractors.length === 0 && tools.length === 0 && " and "}
          {tools.length === 0 && (
            <Link to="/machines/new?kind=implement" className="text-dye">
              an implement
            </Link>
          )}
          .
        </p>
      ) : (
        <Form method="post" className="grid max-w-[620px] gap-3" noValidate>
          <TextField
            name="name"
            label="Name"
            placeholder="Grain drill behind the big tractor"
            problem={errors.name}
          />
          {select(
            "tractorId",
            "Tractor",
            tractors.map((each) => [String(each.id), nameOf(each)]),
            {
              value: tractor,
              onChange: (event: React.ChangeEvent<HTMLSelectElement>) => setTractor(event.target.value),
            },
          )}
          <div className="grid grid-cols-2 gap-3">
            {(["receiver mount", "drawbar hole"] as const).map((kind) => (
              <div key={kind + tractor}>
                {select(
                  kind === "receiver mount" ? "receiverPointId" : "holePointId",
                  kind === "receiver mount" ? "Receiver sits on" : "Drawbar pinned in",
                  own.filter((point) => point.kind === kind).map(({ id, label }) => [String(id), label]),
                )}
              </div>
            ))}
          </div>
          {select(
            "implementId",
            "Implement, drawn on the drawbar",
            tools.map((each) => [String(each.id), nameOf(each)]),
            { defaultValue: wanted.implement || undefined },
          )}
          <p className="text-soft">
            What was taped on these machines before is there at once; what is missing, the walk-round asks
            for.
          </p>
          <button type="submit" className="key-main justify-self-start">
            Couple them
          </button>
        </Form>
      )}
    </YardFrame>
  );
}
