import { data, Form, redirect, useSubmit } from "react-router";
import { ATTACHMENTS } from "../../core/dimension/attachment.ts";
import { isDimensionKey } from "../../core/dimension/catalogue.ts";
import { database } from "../../data/database.ts";
import {
  type FileRead,
  findImport,
  type ImportedReading,
  type ImportedSections,
  takeOver,
} from "../../data/imports.ts";
import { createMachine, pointsOf } from "../../data/machines.ts";
import type { Told } from "../../data/record.ts";
import type { ReadDevice } from "../../formats/isoxml/read.ts";
import {
  type ImportDevice,
  type ImportRow,
  type ImportTarget,
  subjectOn,
  viewImport,
} from "../files/import-view.server.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences, writePreferences } from "../session/preferences.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { PersonDto } from "../stations/card/terminal.dto.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/import";

function importOr404(id: string): FileRead {
  const found = findImport(database(), id);
  if (!found) throw new Response("There is no such import.", { status: 404 });
  return found;
}

const devicesIn = ({ content }: FileRead) => JSON.parse(content) as ReadDevice[];

/** Targets somebody chose, from the address or from the form: m0, p0, h0 for the first device. */
function targetsIn(get: (name: string) => string | null): (index: number) => Partial<ImportTarget> {
  const id = (text: string | null) => (/^\d{1,9}$/.test(text ?? "") ? Number(text) : null);
  return (index) => {
    const machine = get(`m${index}`);
    const chosen = machine === "new" || machine === "skip" ? machine : id(machine);
    return {
      ...(chosen === null ? {} : { machine: chosen }),
      mount: id(get(`p${index}`)),
      hole: id(get(`h${index}`)),
    };
  };
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const batch = importOr404(params.batchId);
  const search = new URL(request.url).searchParams;
  return {
    preferences,
    fileName: batch.fileName,
    taken: batch.state === "taken",
    ...viewImport(
      database(),
      devicesIn(batch),
      targetsIn((name) => search.get(name)),
      preferences.units,
    ),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const batch = importOr404(params.batchId);
  const preferences = await readPreferences(request.clone());
  const form = await formOf(request);
  const checked = validateForm(PersonDto, form);
  if (!checked.ok) return data({ errors: checked.errors }, { status: 422 });
  const said = (form: string) => data({ errors: { form } as FieldErrors }, { status: 422 });
  if (batch.state === "taken") return said("This file was taken over before.");
  const db = database();
  const { devices, machines } = viewImport(
    db,
    devicesIn(batch),
    targetsIn((name) => form.get(name) as string | null),
    preferences.units,
  );
  const ticked = (index: number, key: string) => form.get(`t${index}.${key}`) === "yes";
  for (const { device, target } of devices)
    if (
      typeof target.machine === "number" &&
      !machines.some(({ id, kind }) => id === target.machine && kind === device.kind)
    )
      return said(`${device.designator} cannot go onto that machine.`);
  const { person } = checked.value;
  const by = { person, at: new Date() };
  db.transaction(() => {
    const readings: ImportedReading[] = [];
    const layouts: ImportedSections[] = [];
    for (const [index, { device, target, attachment, values, rows }] of devices.entries()) {
      if (target.machine === "skip") continue;
      const onto = target.machine === "new" ? newMachine(device, by) : target;
      for (const { key } of rows.filter((row) => row.state !== "zero" && ticked(index, row.key))) {
        if (key === "sections") layouts.push({ machineId: onto.machine as number, widths: device.sections! });
        const subject = isDimensionKey(key) ? subjectOn(key, onto, attachment) : null;
        if (isDimensionKey(key) && subject) readings.push({ key, value: values[key]!, subject });
      }
    }
    takeOver(db, batch.id, readings, layouts, by);
  });
  throw redirect("/machines", {
    headers: { "Set-Cookie": await writePreferences({ ...preferences, person }) },
  });
}

/** A machine of the yard for a device that was none yet. */
function newMachine({ kind, designator, serial, busName, attachment }: ReadDevice, by: Told): ImportTarget {
  const db = database();
  const [make = "", ...model] = (designator || "Unnamed").slice(0, 40).split(" ");
  const details = {
    make,
    model: model.join(" ") || "–",
    fleetNumber: "",
    serial: serial.slice(0, 32),
    busName,
    ...(kind === "implement" ? { attachment } : {}),
  };
  const id = createMachine(db, kind, details, by);
  const points = pointsOf(db, id);
  const first = (...wanted: string[]) => points.find((point) => wanted.includes(point.kind))?.id ?? null;
  return { machine: id, mount: first("receiver mount"), hole: first(...ATTACHMENTS[attachment].hitches) };
}

export function meta() {
  return [{ title: "Import · Ambrek" }];
}

export default function Import({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, fileName, taken, devices, machines } = loaderData;
  const errors = (actionData?.errors ?? {}) as FieldErrors;
  const submit = useSubmit();
  return (
    <YardFrame preferences={preferences} here="files">
      <div>
        <h1>{fileName}</h1>
        <p className="text-lead text-soft">
          {taken
            ? "This file was taken over before."
            : "Nothing is taken over yet. Tick what shall be; what is taped here stays unless you tick it."}
        </p>
      </div>
      <Form method="post" className="grid gap-6" noValidate>
        {devices.map((each, index) => (
          <Device
            key={index}
            index={index}
            entry={each}
            machines={machines
              .filter(({ kind }) => kind === each.device.kind)
              .map(({ id, fleetNumber, make, model }) => ({
                id,
                name: [fleetNumber, make, model].filter(Boolean).join(" "),
              }))}
            onTarget={(form) => submit(targetsOf(form), { method: "get", preventScrollReset: true })}
          />
        ))}
        {!taken && (
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              name="person"
              label="Taken over by"
              defaultValue={preferences.person}
              problem={errors.person}
            />
            <button type="submit" className="key-main">
              Take over what is ticked
            </button>
          </div>
        )}
        {errors.form && <p className="problem">{errors.form}</p>}
      </Form>
    </YardFrame>
  );
}

/** Only the choices of machine, mount and hole: the ticks follow from them. */
function targetsOf(form: HTMLFormElement): FormData {
  const own = new FormData();
  for (const [name, value] of new FormData(form)) if (/^[mph]\d+$/.test(name)) own.set(name, value);
  return own;
}

const STATE_WORDS: Record<ImportRow["state"], string> = {
  new: "not known here yet",
  same: "the same",
  differs: "differs",
  zero: "a zero nobody entered",
};

function Device({
  index,
  entry: { device, target, because, rows, mounts, holes },
  machines,
  onTarget,
}: {
  index: number;
  entry: ImportDevice;
  machines: { id: number; name: string }[];
  onTarget: (form: HTMLFormElement) => void;
}) {
  const pick = (name: string, label: string, value: string, choices: [string, string][]) => (
    <SelectField
      name={`${name}${index}`}
      label={label}
      choices={choices}
      value={value}
      onChange={(event) => onTarget(event.currentTarget.form!)}
    />
  );
  return (
    <section
      className="grid gap-2 border-[1.5px] border-line bg-sheet px-4 py-3"
      data-device={device.designator}
    >
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h2 className="text-[17px]">{device.designator || "Unnamed device"}</h2>
          <p className="text-small text-soft">
            {device.kind}
            {device.serial && `, no. ${device.serial}`}
            {device.busName && `, NAME ${device.busName}`}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          {pick("m", `Goes onto${because && ` (${because})`}`, String(target.machine), [
            ...machines.map(({ id, name }): [string, string] => [String(id), name]),
            ["new", "a new machine"],
            ["skip", "leave it out"],
          ])}
          {mounts.length > 1 &&
            pick(
              "p",
              "Mount",
              String(target.mount),
              mounts.map(({ id, label }) => [String(id), label]),
            )}
          {holes.length > 1 &&
            pick(
              "h",
              "Hole",
              String(target.hole),
              holes.map(({ id, label }) => [String(id), label]),
            )}
        </div>
      </div>
      {device.notes.map((note) => (
        <p key={note} className="text-warn">
          {note}
        </p>
      ))}
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-ink text-left text-small">
            <th scope="col" className="w-16 font-semibold">
              Take
            </th>
            <th scope="col" className="font-semibold">
              Reading
            </th>
            <th scope="col" className="font-semibold">
              Here now
            </th>
            <th scope="col" className="font-semibold">
              In the file
            </th>
            <th scope="col" className="font-semibold max-sm:hidden">
              So
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, letter, label, now, file, state, ticked }) => (
            <tr key={`${target.machine}${key}`} className="border-b border-hair">
              <td>
                <input
                  type="checkbox"
                  name={`t${index}.${key}`}
                  value="yes"
                  defaultChecked={ticked}
                  disabled={state === "zero" || state === "same"}
                  aria-label={`Take ${label}`}
                  className="my-2.5 size-6"
                />
              </td>
              <td>
                <b className="text-dye">{letter}</b> {label}
              </td>
              <td>{now}</td>
              <td className="font-[650]">{file}</td>
              <td
                className={`max-sm:hidden ${state === "differs" ? "text-warn" : state === "zero" ? "text-stop" : "text-soft"}`}
              >
                {STATE_WORDS[state]}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
