import { Form } from "react-router";
import { LeftOut } from "../files/LeftOut.tsx";
import type { Route } from "../routes/+types/fields-file";
import { TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { FileView } from "./file-view.server.ts";

const TONES: Record<FileView["rows"][number]["state"], string> = {
  new: "text-dye",
  same: "text-ok",
  differs: "text-warn",
  refused: "text-stop",
  "no boundary": "text-soft",
};

export function FieldsFilePage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, fileName, taken, view } = loaderData;
  const errors = actionData?.errors ?? {};
  const count = (state: string) => view.rows.filter((row) => row.state === state).length;
  const summary = (["new", "differs", "same", "no boundary", "refused"] as const)
    .filter((state) => count(state) > 0)
    .map((state) => `${count(state)} ${state}`)
    .join(", ");
  return (
    <YardFrame preferences={preferences} here="fields">
      <div>
        <h1>{fileName}</h1>
        <p className="text-lead text-soft" data-summary={summary}>
          {taken
            ? "This file was taken over before."
            : `${view.rows.length} ${view.rows.length === 1 ? "field" : "fields"} in it: ${summary}. Nothing is taken over yet.`}
        </p>
      </div>
      <LeftOut notes={view.notes} />
      <Form method="post" noValidate className="grid gap-4">
        <input type="hidden" name="count" value={view.rows.length} />
        <ul>
          {view.rows.map((row) => (
            <Row
              key={row.at}
              row={row}
              fields={view.fields}
              taken={taken}
              problem={errors[`onto${row.at}`]}
            />
          ))}
        </ul>
        {!taken && (
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              name="person"
              label="Taken over by"
              defaultValue={preferences.person}
              problem={errors.person}
            />
            <button type="submit" className="key-main">
              Take over what is chosen
            </button>
          </div>
        )}
        {(errors.form ?? errors.count) && <p className="problem">{errors.form ?? errors.count}</p>}
      </Form>
    </YardFrame>
  );
}

type RowProps = {
  row: FileView["rows"][number];
  fields: FileView["fields"];
  taken: boolean;
  problem: string | undefined;
};

function Row({ row, fields, taken, problem }: RowProps) {
  return (
    <li
      data-state={row.state}
      className="grid grid-cols-[96px_1fr_auto_240px] items-center gap-x-4 gap-y-1 border-b border-hair py-2 max-sm:grid-cols-[96px_1fr]"
    >
      <svg viewBox="0 0 96 72" className="w-24" aria-hidden="true">
        {row.thumb ? (
          <path d={row.thumb} fillRule="evenodd" fill="var(--soil)" stroke="var(--ink)" strokeWidth={1.3} />
        ) : (
          <rect x={20} y={12} width={56} height={48} fill="none" stroke="var(--soft)" strokeDasharray="4 4" />
        )}
      </svg>
      <div>
        <b className="text-[17px]">{row.field}</b> <span className="text-soft">{row.of}</span>
        <p className={`font-semibold ${TONES[row.state]}`}>
          {row.state === "refused" ? "Refused: " : ""}
          {row.said}
        </p>
        {row.lines.length > 0 && (
          <p className="text-small text-soft">
            Lines:{" "}
            {row.lines
              .map(({ name, kind, known }) => `${name} (${kind}${known ? ", one of that name is here" : ""})`)
              .join("; ")}
          </p>
        )}
      </div>
      <b className="text-value whitespace-nowrap">{row.area}</b>
      {!taken && row.problem === null && (
        <label className="grid gap-1 max-sm:col-span-2">
          <span className="text-small text-soft">Goes onto</span>
          <select
            name={`onto${row.at}`}
            defaultValue={row.onto}
            className="field"
            aria-invalid={problem !== undefined}
          >
            <option value="skip">Leave it out</option>
            <option value="new">A new field</option>
            {fields.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          {problem && <span className="problem">{problem}</span>}
        </label>
      )}
    </li>
  );
}
