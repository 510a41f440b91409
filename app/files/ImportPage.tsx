import { Form, useSubmit } from "react-router";
import type { Route } from "../routes/+types/import";
import { SelectField, TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { ImportDevice, ImportRow } from "./import-view.server.ts";

export function ImportPage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, fileName, taken, devices, machines } = loaderData;
  const errors = actionData?.errors ?? {};
  const submit = useSubmit();
  return (
    <YardFrame preferences={preferences} here="files">
      <div>
        <h1>{fileName}</h1>
        <p className="text-lead text-soft">
          {taken
            ? "This file was imported before."
            : "Nothing is imported yet. Tick what shall be; what is taped here stays unless you tick it."}
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
              label="Imported by"
              defaultValue={preferences.person}
              problem={errors.person}
            />
            <button type="submit" className="key-main">
              Import what is ticked
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
