import { Form, Link } from "react-router";
import { ATTACHMENTS, OWN_ATTACHMENTS } from "../../core/dimension/attachment.ts";
import { POINTS_OF, SINGLE } from "../../core/dimension/point-kinds.ts";
import { printLength } from "../../core/quantity/length.ts";
import { say } from "../../core/quantity/say.ts";
import { type Units, unitOf } from "../../core/quantity/units.ts";
import { database } from "../../data/database.ts";
import { findMachine, pointsOf } from "../../data/machines.ts";
import { type Machine, rigsOf } from "../../data/rigs.ts";
import { axleTyresOf, listTyres, type StockedWeight, weightsOf } from "../../data/settings.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { FieldErrors } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { keepMachine } from "../yard/machine/keep-machine.server.ts";
import { PointsSection } from "../yard/machine/PointsSection.tsx";
import { TyresSection } from "../yard/machine/TyresSection.tsx";
import { WeightsSection } from "../yard/machine/WeightsSection.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/machine";

const EMPTY = {
  id: 0,
  attachment: "drawn",
  make: "",
  model: "",
  fleetNumber: "",
  serial: "",
  busName: "",
  practice: false,
  archivedAt: null,
} as const;

const KIND_WORDS: Record<Machine["kind"], string> = {
  tractor: "tractor",
  "self-propelled": "self-propelled machine",
  implement: "implement",
};

const AXLES = {
  tractor: { front: "Front axle", rear: "Rear axle" },
  "self-propelled": { front: "Drive axle, in front", rear: "Steered axle, behind" },
  implement: { tool: "Its axle" },
} as const;

function machineOr404(id: string): Machine | null {
  if (id === "new") return null;
  const machine = /^\d{1,9}$/.test(id) ? findMachine(database(), Number(id)) : null;
  if (!machine) throw new Response("There is no such machine in this yard.", { status: 404 });
  return machine;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const known = machineOr404(params.machineId);
  const wanted = new URL(request.url).searchParams.get("kind");
  const kind = (Object.keys(KIND_WORDS) as Machine["kind"][]).find((each) => each === wanted) ?? "tractor";
  const db = database();
  const preferences = await readPreferences(request);
  const { units } = preferences;
  const points = known ? pointsOf(db, known.id) : [];
  const machine: Omit<Machine, "id" | "archivedAt"> & { id: number; archivedAt: string | null } = known ?? {
    ...EMPTY,
    kind,
  };
  return {
    preferences,
    machine,
    points,
    kinds: POINTS_OF[machine.kind].filter(
      (each) => !SINGLE.includes(each) || points.every((point) => point.kind !== each),
    ) as readonly string[],
    weights:
      known && known.kind !== "implement"
        ? weightsOf(db, known.id).map((weight) => ({
            id: weight.id,
            label: weight.label,
            text: weightText(weight, known.kind, units),
          }))
        : null,
    units: { mass: unitOf("mass", units) as string, place: units.tape as string },
    axles: known ? axlesOf(known) : [],
    tyres: listTyres(db).map(({ id, label }) => ({ id, label })),
    rigs: known ? rigsOf(db, known.id).map(({ id, name }) => ({ id, name })) : [],
  };
}

/** Places of weights are told from the axle that does not steer. */
const weighedFrom = (kind: Machine["kind"]) => (kind === "self-propelled" ? "drive axle" : "rear axle");

function weightText({ mass, place, count }: StockedWeight, kind: Machine["kind"], units: Units): string {
  const where = place < 0 ? "behind" : "ahead of";
  return `${count} × ${say("mass", mass, units)}, ${printLength(Math.abs(place), units.tape)} ${where} the ${weighedFrom(kind)}`;
}

function axlesOf({ id, kind }: Machine) {
  const fitted = axleTyresOf(database(), [id]);
  return Object.entries(AXLES[kind]).map(([axle, label]) => {
    const found = fitted.find((each) => each.axle === axle);
    return {
      axle,
      label: label as string,
      tyreId: found ? String(found.tyre.id) : "",
      count: String(found?.count ?? 2),
    };
  });
}

export async function action({ request, params }: Route.ActionArgs) {
  const known = machineOr404(params.machineId);
  return keepMachine(database(), known, await formOf(request), await toldBy(request));
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
  const { preferences, machine, points, kinds, weights, units, axles, tyres, rigs } = loaderData;
  const errors = (actionData?.errors ?? {}) as FieldErrors;
  const fresh = machine.id === 0;
  return (
    <YardFrame preferences={preferences} here="machines">
      <h1>
        {fresh ? `New ${KIND_WORDS[machine.kind]}` : `${machine.make} ${machine.model}`}
        {machine.archivedAt && <span className="text-soft">, put away</span>}
      </h1>
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        <div className="grid content-start gap-6">
          <Details machine={machine} errors={errors} />
          {!fresh && <RigsWithIt machine={machine} rigs={rigs} />}
        </div>
        {!fresh && (
          <div className="grid content-start gap-6">
            <PointsSection points={points} kinds={kinds} errors={errors} />
            {weights && (
              <WeightsSection
                weights={weights}
                units={units}
                axle={weighedFrom(machine.kind)}
                errors={errors}
              />
            )}
            <TyresSection axles={axles} tyres={tyres} errors={errors} />
            <section id="oil">
              <h2 className="border-b-2 border-ink pb-1">Oil and sockets</h2>
              <Link
                to={`/machines/${machine.id}/oil`}
                className="flex min-h-11 items-center font-semibold text-dye"
              >
                {machine.kind === "implement" ? "What moves by oil on it" : "Its remotes, pump and sockets"}
              </Link>
            </section>
          </div>
        )}
      </div>
    </YardFrame>
  );
}

type Shown = Route.ComponentProps["loaderData"]["machine"];

function Details({ machine, errors }: { machine: Shown; errors: FieldErrors }) {
  const fresh = machine.id === 0;
  const field = (name: "make" | "model" | "fleetNumber" | "serial" | "busName", label: string, hint = "") => (
    <TextField name={name} label={label} hint={hint} defaultValue={machine[name]} problem={errors[name]} />
  );
  return (
    <Form method="post" className="grid content-start gap-3" key={machine.id} noValidate>
      <input type="hidden" name="intent" value="save" />
      <input type="hidden" name="kind" value={machine.kind} />
      <div className="grid grid-cols-2 gap-3">
        {field("make", "Make")}
        {field("model", "Model")}
        {field("fleetNumber", "Fleet number", "as painted on it")}
        {field("serial", "Serial number", "from the plate")}
      </div>
      {machine.kind === "implement" ? (
        <SelectField
          name="attachment"
          label="How it hangs on"
          choices={OWN_ATTACHMENTS.map((key) => [key, ATTACHMENTS[key].label])}
          defaultValue={machine.attachment}
          problem={errors.attachment}
        />
      ) : (
        <input type="hidden" name="attachment" value={machine.attachment} />
      )}
      {field(
        "busName",
        "Bus NAME",
        "16 figures, from a terminal or an imported file; leave empty where there is none",
      )}
      <button type="submit" className="key-main justify-self-start">
        {fresh ? `Add this ${KIND_WORDS[machine.kind]}` : "Keep"}
      </button>
    </Form>
  );
}

function RigsWithIt({ machine, rigs }: { machine: Shown; rigs: { id: number; name: string }[] }) {
  return (
    <>
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
            to={`/rigs/new?${machine.kind === "implement" ? "implement" : "tractor"}=${machine.id}`}
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
    </>
  );
}
