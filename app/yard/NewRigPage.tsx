import { useState } from "react";
import { Form, Link } from "react-router";
import { ATTACHMENTS } from "../../core/dimension/attachment.ts";
import type { Route } from "../routes/+types/rig-new";
import type { FieldErrors } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import {
  carriedBy,
  carriersOf,
  MOST_TOOLS,
  placesFor,
  type ToolRow,
  writeTools,
  type Yard,
} from "./new-rig.ts";
import { YardFrame } from "./YardFrame.tsx";

export function NewRigPage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, machines } = loaderData;
  const missing = (["tractor", "implement"] as const).filter((kind) =>
    machines.every((each) => (each.kind === "implement") !== (kind === "implement")),
  );
  return (
    <YardFrame preferences={preferences} here="rigs">
      <h1>New rig</h1>
      {missing.length === 0 ? (
        <NewRigForm {...loaderData} errors={actionData?.errors ?? {}} />
      ) : (
        <p className="text-lead">
          A rig couples a tractor with an implement. First add{" "}
          {missing.map((kind, index) => (
            <span key={kind}>
              {index > 0 && " and "}
              <Link to={`/machines/new?kind=${kind}`} className="text-dye">
                {kind === "tractor" ? "a tractor" : "an implement"}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
    </YardFrame>
  );
}

const COUPLED = new Set<string>(Object.values(ATTACHMENTS).flatMap(({ hitches }) => hitches));

type FormProps = Yard & {
  wanted: { tractor: number | null; implement: number | null };
  errors: FieldErrors;
};

function NewRigForm({ machines, points, wanted, errors }: FormProps) {
  const yard = { machines, points };
  const tools = machines.filter(({ kind }) => kind === "implement");
  const begun = tools.find(({ id }) => id === wanted.implement);
  // "With it" began at one implement: what cannot carry it is no choice.
  const carriers = begun ? carriersOf(yard, begun) : [];
  const drivers = carriers.length > 0 ? carriers : machines.filter(({ kind }) => kind !== "implement");
  const asked = drivers.find(({ id }) => id === wanted.tractor) ?? drivers[0]!;
  const [tractorId, setTractor] = useState(asked.id);
  const first = begun ?? carriedBy(yard, asked)[0] ?? tools[0]!;
  const [rows, setRows] = useState<ToolRow[]>([{ implementId: first.id, pointId: 0 }]);
  // A row that was not told what it hangs on takes the first place there is.
  const placed: ToolRow[] = [];
  for (const row of rows) {
    const places = placesFor(yard, tractorId, [...placed, row], placed.length);
    const pointId = places.some(({ id }) => id === row.pointId) ? row.pointId : (places[0]?.id ?? 0);
    placed.push({ ...row, pointId });
  }
  const change = (index: number, row: Partial<ToolRow>) =>
    setRows(placed.map((each, at) => (at === index ? { ...each, ...row } : each)));
  const nameOf = ({ fleetNumber, make, model }: (typeof machines)[number]) =>
    [fleetNumber, make, model].filter(Boolean).join(" ");
  // Of a row only what hangs somewhere ahead of it, and what stands there already.
  const fitting = (index: number) =>
    tools.filter(
      ({ id }) =>
        id === placed[index]!.implementId ||
        placesFor(
          yard,
          tractorId,
          placed.map((each, at) => (at === index ? { ...each, implementId: id } : each)),
          index,
        ).length > 0,
    );
  const mounts = points.filter(({ machineId, kind }) => machineId === tractorId && kind === "receiver mount");
  return (
    <div className="grid grid-cols-[1.6fr_1fr] gap-10 max-lg:grid-cols-1">
      <Form method="post" className="grid content-start gap-3" noValidate>
        {begun && carriers.length === 0 && (
          <p className="problem">
            Nothing in this yard has a {ATTACHMENTS[begun.attachment].hitches.join(" or ")} for{" "}
            {nameOf(begun)}. Add one on the page of a machine.
          </p>
        )}
        <TextField
          name="name"
          label="Name"
          placeholder="Grain drill behind the big tractor"
          problem={errors.name}
        />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <SelectField
            name="tractorId"
            label="Tractor or self-propelled machine"
            choices={drivers.map((each) => [String(each.id), nameOf(each)])}
            value={String(tractorId)}
            onChange={(event) => setTractor(Number(event.target.value))}
            problem={errors.tractorId}
          />
          <SelectField
            key={tractorId}
            name="receiverPointId"
            label="Receiver sits on"
            choices={mounts.map(({ id, label }) => [String(id), label])}
            problem={errors.receiverPointId}
          />
        </div>
        <input type="hidden" name="tools" value={writeTools(placed)} />
        <ol className="grid gap-2" aria-label="Tools, in the order they are coupled">
          {placed.map(({ implementId, pointId }, index) => {
            const tool = machines.find(({ id }) => id === implementId);
            const places = placesFor(yard, tractorId, placed, index);
            return (
              <li key={index} className="grid gap-2 border-l-4 border-dye pl-3">
                <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
                  <SelectField
                    label={placed.length > 1 ? `Tool ${index + 1}` : "Implement"}
                    choices={fitting(index).map((each) => [String(each.id), nameOf(each)])}
                    value={String(implementId)}
                    onChange={(event) =>
                      change(index, { implementId: Number(event.target.value), pointId: 0 })
                    }
                  />
                  {places.length > 0 ? (
                    <SelectField
                      label="Hangs on"
                      choices={places.map(({ id, kind, label, on }) => [
                        String(id),
                        `${on.make} ${on.model}: ${label}${label.includes(kind) ? "" : `, ${kind}`}`,
                      ])}
                      value={String(pointId)}
                      onChange={(event) => change(index, { pointId: Number(event.target.value) })}
                    />
                  ) : (
                    <p className="problem self-end">
                      No free {tool ? ATTACHMENTS[tool.attachment].hitches.join(" or ") : "point"} ahead of
                      it.
                    </p>
                  )}
                </div>
                <p className="flex flex-wrap items-center justify-between gap-2 text-soft">
                  {tool && ATTACHMENTS[tool.attachment].label}
                  {index > 0 && (
                    <button
                      type="button"
                      className="key"
                      onClick={() => setRows(placed.filter((_, at) => at !== index))}
                    >
                      Leave it out
                    </button>
                  )}
                </p>
              </li>
            );
          })}
        </ol>
        {errors.tools && (
          <p className="problem" role="alert">
            {errors.tools}
          </p>
        )}
        {placed.length < MOST_TOOLS && tools.length > placed.length && (
          <button
            type="button"
            className="key justify-self-start"
            onClick={() => {
              const free = tools.find(({ id }) => placed.every(({ implementId }) => implementId !== id))!;
              setRows([...placed, { implementId: free.id, pointId: 0 }]);
            }}
          >
            Another tool
          </button>
        )}
        <p className="text-soft">
          What was taped on these machines before is there at once; what is missing, the walk-round asks for.
        </p>
        <button type="submit" className="key-main justify-self-start">
          Couple them
        </button>
      </Form>
      <Points
        yard={yard}
        carriers={[tractorId, ...placed.map(({ implementId }) => implementId)]}
        rows={placed}
      />
    </div>
  );
}

/** Every point one could hang something on, and what hangs there. */
function Points({ yard, carriers, rows }: { yard: Yard; carriers: number[]; rows: readonly ToolRow[] }) {
  const nameOf = (id: number) => {
    const machine = yard.machines.find((each) => each.id === id);
    return machine ? `${machine.make} ${machine.model}` : "";
  };
  return (
    <section aria-label="What hangs where">
      <h2 className="border-b-2 border-ink pb-1">What hangs where</h2>
      {[...new Set(carriers)].map((carrier) => {
        const points = yard.points.filter(
          ({ machineId, kind }) => machineId === carrier && COUPLED.has(kind),
        );
        return points.length === 0 ? null : (
          <div key={carrier} className="pt-2">
            <h3 className="font-semibold">{nameOf(carrier)}</h3>
            <ul>
              {points.map(({ id, kind, label }) => {
                const row = rows.find(({ pointId }) => pointId === id);
                return (
                  <li
                    key={id}
                    className="flex min-h-9 items-center justify-between gap-3 border-b border-hair"
                  >
                    <span>
                      {label} <span className="text-soft">{label.includes(kind) ? "" : kind}</span>
                    </span>
                    <span className={row ? "font-semibold" : "text-soft"}>
                      {row ? nameOf(row.implementId) : "free"}
                    </span>
                  </li>
                );
              })}
            </ul>
          </div>
        );
      })}
      <p className="pt-2 text-small text-soft">
        More holes, links and shafts are added on the page of each machine.
      </p>
    </section>
  );
}
