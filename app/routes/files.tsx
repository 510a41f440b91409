import { data, Form, Link, redirect } from "react-router";
import { restoreFile } from "../../data/backup.ts";
import { closeDatabase, database, databasePath } from "../../data/database.ts";
import { keepPreview, listImports, retractImport } from "../../data/imports.ts";
import { copiesOf } from "../../data/keeping.ts";
import { MOST_BYTES } from "../../formats/isoxml/inflate.ts";
import { readTaskDataApart } from "../files/read-taskdata.server.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { FieldErrors } from "../session/validate.ts";
import { day, moment } from "../stations/frame/print.ts";
import { TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/files";

export async function loader({ request }: Route.LoaderArgs) {
  return {
    preferences: await readPreferences(request),
    imports: listImports(database()).map(({ id, fileName, person, at, takenBack }) => ({
      id,
      fileName,
      who: `${person}, ${day(at)}`,
      takenBack,
    })),
    copies: copiesOf(databasePath()).map(({ name, why, at, bytes }) => ({
      name,
      why: why === "before-restore" ? "before a backup was restored" : "before this build changed it",
      at: moment(at),
      size: `${(bytes / 1e6).toFixed(1)} MB`,
    })),
  };
}

const MOST_RESTORE = 512 * 1024 * 1024;

const refused = (errors: FieldErrors) => data({ errors, said: "" }, { status: 422 });

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  switch (form.get("intent")) {
    case "import":
      return takeIn(form.get("taskdata"));
    case "restore":
      return restore(form.get("backup"), form.get("sure") === "yes");
    case "take-back":
      return retractImport(database(), String(form.get("id")), await toldBy(request))
        ? data({
            errors: {} as FieldErrors,
            said: "The import is taken back: what stood before stands again.",
          })
        : refused({ form: "It is not there any more, or was taken back before." });
    default:
      throw new Response("That request was not understood.", { status: 400 });
  }
}

async function takeIn(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0)
    return refused({ taskdata: "Choose a TASKDATA zip first." });
  if (file.size > MOST_BYTES) return refused({ taskdata: "The file is larger than 20 MB." });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const answer = await readTaskDataApart(bytes);
  if (!answer.ok) return refused({ taskdata: `${answer.problem} Nothing was stored.` });
  const fileName = file.name.slice(0, 120);
  throw redirect(
    `/files/${keepPreview(database(), { fileName, bytes, content: answer.devices, at: new Date() })}`,
  );
}

async function restore(file: FormDataEntryValue | null, sure: boolean) {
  if (!(file instanceof File) || file.size === 0) return refused({ backup: "Choose a backup first." });
  if (!sure) return refused({ sure: "Tick that this yard is to be replaced." });
  if (file.size > MOST_RESTORE) return refused({ backup: "The file is larger than 512 MB." });
  const problem = restoreFile(databasePath(), new Uint8Array(await file.arrayBuffer()), closeDatabase);
  return problem
    ? refused({ backup: `${problem} Nothing was changed.` })
    : data({
        errors: {} as FieldErrors,
        said: "Restored. The yard that was here is kept beside it, and listed below.",
      });
}

export function meta() {
  return [{ title: "Files · Ambrek" }];
}

export default function Files({
  loaderData: { preferences, imports, copies },
  actionData,
}: Route.ComponentProps) {
  const errors = (actionData?.errors ?? {}) as FieldErrors;
  return (
    <YardFrame preferences={preferences} here="files">
      <div>
        <h1>Files</h1>
        <p className="text-lead text-soft">
          Bring a machine in from a terminal's task data, take readings away, keep a backup. All formats are
          open.
        </p>
      </div>
      {actionData?.said && (
        <p className="font-bold text-ok" role="status">
          {actionData.said}
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        <section className="grid content-start gap-3">
          <h2 className="border-b-2 border-ink pb-1">Bring in an ISO 11783-10 file</h2>
          <p>
            A TASKDATA zip, or the TASKDATA.XML in it. You see field by field what it would change before
            anything is taken over; it comes in as <b>assumed</b>, and never over a taped length without a
            tick.
          </p>
          <Form method="post" encType="multipart/form-data" className="grid gap-2">
            <input type="hidden" name="intent" value="import" />
            <TextField
              name="taskdata"
              label="File"
              type="file"
              accept=".zip,.xml"
              className="py-2"
              problem={errors.taskdata}
            />
            <button type="submit" className="key-main justify-self-start">
              Look into it
            </button>
          </Form>
          {imports.length > 0 && (
            <ul>
              {imports.map(({ id, fileName, who, takenBack }) => (
                <li key={id} className="flex items-center justify-between gap-3 border-t border-hair py-1">
                  <span className={takenBack ? "text-soft line-through" : ""}>
                    {fileName}
                    <span className="block text-small text-soft">{who}</span>
                  </span>
                  {takenBack ? (
                    <span className="text-small text-soft">taken back</span>
                  ) : (
                    <Form method="post">
                      <input type="hidden" name="intent" value="take-back" />
                      <input type="hidden" name="id" value={id} />
                      <button type="submit" className="key" aria-label={`Take back ${fileName}`}>
                        Take back
                      </button>
                    </Form>
                  )}
                </li>
              ))}
            </ul>
          )}
        </section>
        <section className="grid content-start gap-3">
          <h2 className="border-b-2 border-ink pb-1">Take away</h2>
          <p className="flex flex-wrap gap-2">
            <a className="key" href="/readings.csv" download>
              All readings as CSV
            </a>
            <Link className="key" to="/tape-list">
              Tape list
            </Link>
          </p>
          <p className="text-soft">A rig's ISO 11783-10 file is on its cab card.</p>
          <h2 className="border-b-2 border-ink pt-3 pb-1">Backup</h2>
          <p className="flex flex-wrap gap-2">
            <a className="key" href="/backup.db" download>
              Back up the whole yard
            </a>
          </p>
          <Form method="post" encType="multipart/form-data" className="grid gap-2">
            <input type="hidden" name="intent" value="restore" />
            <TextField
              name="backup"
              label="Restore from a backup"
              type="file"
              accept=".db"
              className="py-2"
              problem={errors.backup}
            />
            <label className="flex min-h-11 items-center gap-2">
              <input type="checkbox" name="sure" value="yes" className="size-5" /> Replace the yard that is
              here now
            </label>
            {errors.sure && <p className="problem">{errors.sure}</p>}
            <button type="submit" className="key justify-self-start">
              Restore
            </button>
          </Form>
          {copies.length > 0 && (
            <>
              <h3 className="pt-2 font-bold">Copies kept beside this yard</h3>
              <p className="text-soft">
                Never overwritten. To go back to one, restore it from the yard's own folder.
              </p>
              <ul>
                {copies.map(({ name, why, at, size }) => (
                  <li key={name} className="border-b border-hair py-2">
                    <b className="break-all">{name}</b>
                    <span className="block text-soft">
                      {at}, {why}, {size}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
      </div>
    </YardFrame>
  );
}
