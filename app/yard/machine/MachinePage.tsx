import { Form, Link } from "react-router";
import { ATTACHMENTS, OWN_ATTACHMENTS } from "../../../core/dimension/attachment.ts";
import { LendSection } from "../../lending/LendSection.tsx";
import type { Route } from "../../routes/+types/machine";
import type { FieldErrors } from "../../session/validate.ts";
import { rigAddress } from "../../stations/frame/address.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { YardFrame } from "../YardFrame.tsx";
import { KIND_WORDS, weighedFrom } from "./machine-words.ts";
import { PointsSection } from "./PointsSection.tsx";
import { TyresSection } from "./TyresSection.tsx";
import { WeightsSection } from "./WeightsSection.tsx";

export function MachinePage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, machine, points, kinds, weights, units, axles, tyres, rigs, season, loan } =
    loaderData;
  const errors = actionData?.errors ?? {};
  const fresh = machine.id === 0;
  return (
    <YardFrame preferences={preferences} here="machines">
      <h1>
        {fresh ? `New ${KIND_WORDS[machine.kind]}` : `${machine.make} ${machine.model}`}
        {machine.archivedAt && <span className="text-soft">, archived</span>}
      </h1>
      {season.length > 0 && (
        <p className="font-semibold text-warn" data-season>
          {season.join(". ")}.
        </p>
      )}
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        <div className="grid content-start gap-6">
          <Details machine={machine} errors={errors} />
          {!fresh && <RigsWithIt machine={machine} rigs={rigs} />}
          {loan && (
            <LendSection
              machineId={machine.id}
              loan={loan}
              errors={errors}
              said={actionData?.ok ? actionData.kept.said : ""}
            />
          )}
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
            {machine.kind !== "implement" && (
              <section id="down">
                <h2 className="border-b-2 border-ink pb-1">It is down</h2>
                <Link
                  to={`/machines/${machine.id}/down`}
                  className="flex min-h-11 items-center font-semibold text-dye"
                >
                  Which other one carries its tools now
                </Link>
              </section>
            )}
            <section id="service">
              <h2 className="border-b-2 border-ink pb-1">Service</h2>
              <Link
                to={`/machines/${machine.id}/service`}
                className="flex min-h-11 items-center font-semibold text-dye"
              >
                What is due on it, what wears, what was done
              </Link>
              <Link
                to={`/year?machine=${machine.id}`}
                className="flex min-h-11 items-center font-semibold text-dye"
              >
                Its year on one page
              </Link>
            </section>
            <section id="oil">
              <h2 className="border-b-2 border-ink pb-1">Hydraulics and connectors</h2>
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
        {fresh ? `Add this ${KIND_WORDS[machine.kind]}` : "Save"}
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
              <Link to={rigAddress(id, "")} className="flex min-h-11 items-center font-semibold text-dye">
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
          {machine.archivedAt ? "Bring back into use" : "Archive"}
        </button>
      </Form>
    </>
  );
}
