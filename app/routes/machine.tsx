import { data, Form, Link, redirect } from "react-router";
import { database } from "../../data/database.ts";
import {
  addPoint,
  archiveMachine,
  changeMachine,
  createMachine,
  findMachine,
  pointsOf,
} from "../../data/machines.ts";
import { type Machine, rigsOf } from "../../data/rigs.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import { MACHINE_FIELDS, MachineDto, PointDto } from "../yard/yard.dto.ts";
import type { Route } from "./+types/machine";

const EMPTY = { id: 0, make: "", model: "", fleetNumber: "", serial: "", busName: "", archivedAt: null };

function machineOr404(id: string): Machine | null {
  if (id === "new") return null;
  const machine = /^\d{1,9}$/.test(id) ? findMachine(database(), Number(id)) : null;
  if (!machine) throw new Response("There is no such machine in this yard.", { status: 404 });
  return machine;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const known = machineOr404(params.machineId);
  const kind = new URL(request.url).searchParams.get("kind") === "implement" ? "implement" : "tractor";
  const db = database();
  return {
    preferences: await readPreferences(request),
    machine: known ?? { ...EMPTY, kind: kind as Machine["kind"] },
    points: known ? pointsOf(db, known.id) : [],
    rigs: known ? rigsOf(db, known.id).map(({ id, name }) => ({ id, name })) : [],
  };
}

const refused = (errors: FieldErrors) => data({ errors }, { status: 422 });

export async function action({ request, params }: Route.ActionArgs) {
  const known = machineOr404(params.machineId);
  const form = await request.formData();
  const db = database();
  switch (form.get("intent")) {
    case "save": {
      const checked = validateForm(MachineDto, MACHINE_FIELDS, form);
      if (!checked.ok) return refused(checked.errors);
      const { kind, ...details } = checked.value;
      const named = { ...details, busName: details.busName.toUpperCase() };
      if (known) changeMachine(db, known.id, named);
      throw redirect(`/machines/${known ? known.id : createMachine(db, kind, named)}`);
    }
    case "add-point": {
      const checked = validateForm(PointDto, ["kind", "label"], form);
      if (!checked.ok) return refused(checked.errors);
      if (known?.kind !== "tractor") return refused({ label: "Only a tractor has mounts and holes." });
      if (
        pointsOf(db, known.id).some(
          ({ kind, label }) => kind === checked.value.kind && label === checked.value.label,
        )
      )
        return refused({ label: "There is one of that name already." });
      addPoint(db, known.id, checked.value.kind, checked.value.label);
      return data({ errors: {} as FieldErrors });
    }
    case "away":
    case "back":
      if (known) archiveMachine(db, known.id, form.get("intent") === "away" ? new Date() : null);
      return data({ errors: {} as FieldErrors });
    default:
      throw new Response("That request was not understood.", { status: 400 });
  }
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

export default function MachinePage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, machine, points, rigs } = loaderData;
  const errors = (actionData?.errors ?? {}) as FieldErrors;
  const fresh = machine.id === 0;
  const field = (name: "make" | "model" | "fleetNumber" | "serial" | "busName", label: string, hint = "") => (
    <TextField name={name} label={label} hint={hint} defaultValue={machine[name]} problem={errors[name]} />
  );
  return (
    <YardFrame preferences={preferences} here="machines">
      <h1>
        {fresh ? `New ${machine.kind}` : `${machine.make} ${machine.model}`}
        {machine.archivedAt && <span className="text-soft">, put away</span>}
      </h1>
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        <Form method="post" className="grid content-start gap-3" key={machine.id} noValidate>
          <input type="hidden" name="intent" value="save" />
          <input type="hidden" name="kind" value={machine.kind} />
          <div className="grid grid-cols-2 gap-3">
            {field("make", "Make")}
            {field("model", "Model")}
            {field("fleetNumber", "Fleet number", "as painted on it")}
            {field("serial", "Serial number", "from the plate")}
          </div>
          {field(
            "busName",
            "Bus NAME",
            "16 figures, from a terminal or an imported file; leave empty where there is none",
          )}
          <button type="submit" className="key-main justify-self-start">
            {fresh ? `Add this ${machine.kind}` : "Keep"}
          </button>
        </Form>
        {!fresh && (
          <div className="grid content-start gap-4">
            {machine.kind === "tractor" && <Points points={points} problem={errors.label} />}
            <section>
              <h2 className="border-b-2 border-ink pb-1">Rigs with it</h2>
              {rigs.length === 0 && <p className="py-2 text-soft">In no rig yet.</p>}
              <ul>
                {rigs.map(({ id, name }) => (
                  <li key={id} className="border-b border-hair">
                    <Link to={`/rigs/${id}`} className="flex min-h-11 items-center font-semibold text-dye">
                      {name}
                    </Link>
                  </li>
                ))}
              </ul>
              <p className="flex flex-wrap gap-2 pt-3">
                <Link
                  className="key"
                  to={`/rigs/new?${machine.kind === "tractor" ? "tractor" : "implement"}=${machine.id}`}
                >
                  New rig with it
                </Link>
              </p>
            </section>
            <Form method="post">
              <input type="hidden" name="intent" value={machine.archivedAt ? "back" : "away"} />
              <button type="submit" className="key">
                {machine.archivedAt ? "Bring back into use" : "Put away"}
              </button>
            </Form>
          </div>
        )}
      </div>
    </YardFrame>
  );
}

function Points({
  points,
  problem,
}: {
  points: { id: number; kind: string; label: string }[];
  problem: string | undefined;
}) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1">Receiver mounts and drawbar holes</h2>
      <ul>
        {points.map(({ id, kind, label }) => (
          <li key={id} className="flex min-h-11 items-center justify-between border-b border-hair">
            {label} <span className="text-soft">{kind}</span>
          </li>
        ))}
      </ul>
      <Form method="post" className="flex flex-wrap items-end gap-2 pt-2" key={points.length} noValidate>
        <input type="hidden" name="intent" value="add-point" />
        <SelectField
          name="kind"
          label="Another"
          choices={[
            ["drawbar hole", "drawbar hole"],
            ["receiver mount", "receiver mount"],
          ]}
        />
        <TextField name="label" label="Name" placeholder="hole 3" problem={problem} />
        <button type="submit" className="key">
          Add
        </button>
      </Form>
      <p className="pt-1 text-small text-soft">
        Each has readings of its own: back in hole 2, the readings of hole 2 hold again.
      </p>
    </section>
  );
}
