import { Form, Link, useSearchParams } from "react-router";
import { LeftOut } from "../files/LeftOut.tsx";
import type { Route } from "../routes/+types/task-file";
import { TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { TaskFileView } from "./task-file-view.server.ts";

const TONES: Record<string, string> = {
  new: "text-dye",
  same: "text-ok",
  differs: "text-warn",
  refused: "text-stop",
};

export function TaskFilePage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, fileName, taken, view } = loaderData;
  const errors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here="files">
      <div>
        <h1>{fileName}</h1>
        <p className="text-lead text-soft" data-contents>
          {taken ? "This file was taken over before. " : "Nothing is taken over yet. "}
          In it: {contentsOf(view)}.
        </p>
      </div>
      <LeftOut notes={[...view.notes, ...(view.fields?.notes ?? [])]} />
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        {view.machines && <Machines machines={view.machines} />}
        {view.fields && <Fields fields={view.fields} />}
      </div>
      <Form method="post" noValidate className="grid gap-6">
        <Things view={view} taken={taken} errors={errors} />
        {view.tasks.length > 0 && (
          <section aria-label="Tasks">
            <h2 className="border-b-2 border-ink pb-1">
              Tasks <span className="font-normal text-soft">each becomes the job of a rig</span>
            </h2>
            <ul>
              {view.tasks.map((task) => (
                <Task
                  key={task.at}
                  task={task}
                  rigs={view.rigs}
                  taken={taken}
                  problem={errors[`task${task.at}`]}
                />
              ))}
            </ul>
          </section>
        )}
        {view.workers.length > 0 && (
          <p className="text-soft">
            People it names: {view.workers.join(", ")}. Nobody is taken over: whoever does something here
            signs it.
          </p>
        )}
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

const many = (count: number, one: string, more = `${one}s`) => `${count} ${count === 1 ? one : more}`;

function contentsOf({ machines, fields, crops, products, workers, tasks, notes }: TaskFileView): string {
  const left = notes.length + (fields?.notes.length ?? 0);
  return [
    many(machines?.rows.length ?? 0, "machine"),
    many(fields?.rows.length ?? 0, "field"),
    many(crops.length, "crop"),
    many(products.length, "product"),
    many(workers.length, "person", "people"),
    many(tasks.length, "task"),
    ...(left > 0 ? [`${many(left, "thing")} that are left out`] : ["nothing that is left out"]),
  ].join(", ");
}

type Row = { name: string; of: string; state: string; said: string };

/** What is otherwise than here stands open, what is as here is folded away. */
function Rows({ rows, as }: { rows: readonly Row[]; as: string }) {
  const same = rows.filter(({ state }) => state === "same");
  const list = (shown: readonly Row[]) => (
    <ul>
      {shown.map(({ name, of, state, said }, at) => (
        <li key={at} data-state={state} className="border-b border-hair py-1">
          <b>{name}</b> <span className="text-soft">{of}</span>
          <span className={`block font-semibold ${TONES[state] ?? "text-soft"}`}>{said}</span>
        </li>
      ))}
    </ul>
  );
  return (
    <>
      {same.length < rows.length && list(rows.filter(({ state }) => state !== "same"))}
      {same.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-ok">
            {same.length} {as}
          </summary>
          {list(same)}
        </details>
      )}
    </>
  );
}

/** Readings of machines are taken over on a page of their own, each against what is here. */
function Machines({ machines: { id, taken, rows } }: { machines: NonNullable<TaskFileView["machines"]> }) {
  return (
    <section aria-label="Machines" className="grid content-start gap-2">
      <h2 className="border-b-2 border-ink pb-1">Machines</h2>
      <Rows
        rows={rows.map((row) => ({ ...row, of: "" }))}
        as="with the serial number or NAME they have here"
      />
      <Onward to={`/files/${id}`} taken={taken} words="Look at their readings" />
    </section>
  );
}

function Fields({ fields: { id, taken, rows } }: { fields: NonNullable<TaskFileView["fields"]> }) {
  return (
    <section aria-label="Fields" className="grid content-start gap-2">
      <h2 className="border-b-2 border-ink pb-1">Fields</h2>
      <Rows
        rows={rows.map(({ field, ...row }) => ({ ...row, name: field }))}
        as="with the boundary they have here"
      />
      <Onward to={`/fields/file/${id}`} taken={taken} words="Choose which go onto what" />
    </section>
  );
}

function Onward({ to, taken, words }: { to: string; taken: boolean; words: string }) {
  return (
    <p className="flex items-center gap-3">
      <Link className="key" to={to}>
        {words}
      </Link>
      <span className={taken ? "font-bold text-ok" : "text-soft"}>
        {taken ? "taken over" : "not taken over yet"}
      </span>
    </p>
  );
}

type Errors = Readonly<Record<string, string>>;

const apart = <T extends { state: string }>(things: readonly T[]) =>
  things.filter(({ state }) => state !== "same");

function AsHere({ things }: { things: readonly { name: string; state: string }[] }) {
  const same = things.filter(({ state }) => state === "same");
  return same.length === 0 ? null : (
    <p className="py-2 text-ok">As here: {same.map(({ name }) => name).join(", ")}.</p>
  );
}

/** Crops and products: one list each, what is here already without a tick. */
function Things({ view, taken, errors }: { view: TaskFileView; taken: boolean; errors: Errors }) {
  const { crops, products, forms } = view;
  return (
    <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
      {crops.length > 0 && (
        <section aria-label="Crops">
          <h2 className="border-b-2 border-ink pb-1">Crops and varieties</h2>
          <ul>
            {apart(crops).map(({ at, name, state, said }) => (
              <Ticked
                key={at}
                name={`crop${at}`}
                label={name}
                state={state}
                said={said}
                shown={!taken && state !== "same"}
              />
            ))}
          </ul>
          <AsHere things={crops} />
        </section>
      )}
      {products.length > 0 && (
        <section aria-label="Products">
          <h2 className="border-b-2 border-ink pb-1">Products</h2>
          <ul>
            {apart(products).map(({ at, name, state, said, asks }) => (
              <Ticked
                key={at}
                name={`product${at}`}
                label={name}
                state={state}
                said={said}
                shown={!taken && state === "new"}
              >
                {asks && !taken && (
                  <label className="grid gap-1">
                    <span className="text-small text-soft">What it is</span>
                    <select
                      name={`form${at}`}
                      className="field"
                      defaultValue=""
                      aria-invalid={`form${at}` in errors}
                    >
                      <option value="">Choose</option>
                      {forms.map((form) => (
                        <option key={form.key} value={form.key}>
                          {form.label}
                        </option>
                      ))}
                    </select>
                    {errors[`form${at}`] && <span className="problem">{errors[`form${at}`]}</span>}
                  </label>
                )}
              </Ticked>
            ))}
          </ul>
          <AsHere things={products} />
        </section>
      )}
    </div>
  );
}

/** A box to tick and what it is of; no box where there is nothing to take. */
function Tick({ name, on, children }: { name: string | null; on: boolean; children: React.ReactNode }) {
  const look = "flex min-h-11 grow items-center gap-3";
  if (name === null)
    return (
      <div className={look}>
        <span className="w-6 shrink-0" />
        <span>{children}</span>
      </div>
    );
  return (
    <label htmlFor={name} className={look}>
      <input
        id={name}
        type="checkbox"
        name={name}
        value="yes"
        defaultChecked={on}
        className="size-6 shrink-0"
      />
      <span>{children}</span>
    </label>
  );
}

type TickedProps = {
  name: string;
  label: string;
  state: string;
  said: string;
  shown: boolean;
  children?: React.ReactNode;
};

function Ticked({ name, label, state, said, shown, children }: TickedProps) {
  return (
    <li data-state={state} className="flex min-h-12 flex-wrap items-center gap-3 border-b border-hair py-1">
      <Tick name={shown ? name : null} on>
        <b>{label}</b>
        <span className={`block ${TONES[state]}`}>{said}</span>
      </Tick>
      {children}
    </li>
  );
}

type TaskProps = {
  task: TaskFileView["tasks"][number];
  rigs: TaskFileView["rigs"];
  taken: boolean;
  problem: string | undefined;
};

/** Choosing a rig holds the task against that rig's job. */
function Task({ task, rigs, taken, problem }: TaskProps) {
  const [search, setSearch] = useSearchParams();
  const { at, name, where, rigId, state, said, changes, looks } = task;
  return (
    <li
      data-state={state}
      data-task={name}
      className="grid grid-cols-[1fr_260px] gap-x-6 gap-y-1 border-b border-hair py-2 max-sm:grid-cols-1"
    >
      <div>
        <Tick
          key={`${rigId} ${state}`}
          name={!taken && state !== "refused" && state !== "same" ? `task${at}` : null}
          on={looks.length === 0}
        >
          <b>{name}</b> <span className="text-soft">{where}</span>
          <span className={`block font-semibold ${TONES[state]}`}>{said}</span>
        </Tick>
        {changes.length > 0 && (
          <ul className="pl-9">
            {changes.map((change) => (
              <li key={change.what}>
                {change.what}: {change.now} here, <b>{change.file}</b> in the file
              </li>
            ))}
          </ul>
        )}
        {looks.map((look) => (
          <p key={look} className="pl-9 font-semibold text-warn">
            {look}
          </p>
        ))}
        {problem && <p className="problem pl-9">{problem}</p>}
      </div>
      {!taken && (
        <label className="grid content-start gap-1">
          <span className="text-small text-soft">For the rig</span>
          <select
            name={`rig${at}`}
            className="field"
            value={rigId ?? ""}
            onChange={({ target }) => {
              search.set(`rig${at}`, target.value);
              setSearch(search, { preventScrollReset: true, replace: true });
            }}
          >
            <option value="">Nobody knows</option>
            {rigs.map((rig) => (
              <option key={rig.id} value={rig.id}>
                {rig.name}
              </option>
            ))}
          </select>
        </label>
      )}
    </li>
  );
}
