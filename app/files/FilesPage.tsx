import { Form, Link } from "react-router";
import type { Route } from "../routes/+types/files";
import { TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { CopySaid } from "./copies.server.ts";
import { WITHOUT } from "./copy-words.ts";

export function FilesPage({
  loaderData: { preferences, imports, copies, replica, backups, leftOut, owns },
  actionData,
}: Route.ComponentProps) {
  const errors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here="files">
      <div>
        <h1>Files</h1>
        <p className="text-lead text-soft">
          Bring a machine in from a terminal's task data, take readings away, keep a backup. All formats are
          open.
        </p>
      </div>
      {actionData?.ok && (
        <p className="font-bold text-ok" role="status">
          {actionData.kept.said}
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        <section className="grid content-start gap-3">
          <h2 className="border-b-2 border-ink pb-1">Import an ISO 11783-10 file</h2>
          <p>
            A TASKDATA zip, or the TASKDATA.XML in it: machines, fields, crops, products, tasks. You see all
            that is in it, and what is left out, before anything is imported; readings come in as{" "}
            <b>assumed</b>, and never over a taped length without a tick.
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
          <h2 className="border-b-2 border-ink pt-3 pb-1">A machine from another yard</h2>
          <p>
            On loan here, or back from one: its file has its points and parts, and everything that was read
            and serviced on it. You see what would change before anything does.
          </p>
          <Form method="post" encType="multipart/form-data" className="grid gap-2">
            <input type="hidden" name="intent" value="machine" />
            <TextField
              name="machine"
              label="Its file"
              type="file"
              accept=".json"
              className="py-2"
              problem={errors.machine}
            />
            <button type="submit" className="key-main justify-self-start">
              Look into the machine
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
          <h2 className="border-b-2 border-ink pb-1">Export</h2>
          <p className="flex flex-wrap gap-2">
            <a className="key" href="/readings.csv" download>
              All readings as CSV
            </a>
            <a className="key" href="/tasks.zip" download>
              Task file of the whole yard
            </a>
            <Link className="key" to="/tape-list">
              Tape list
            </Link>
          </p>
          <p className="text-soft">
            The task file has every field with its lines, crops, products and what each rig is set to do. One
            rig's is on its cab card and at its job.
          </p>
          {leftOut === null ? (
            <Link to="?left-out=yes" preventScrollReset className="font-semibold text-dye underline">
              What is left out of it
            </Link>
          ) : (
            <ul className="list-disc pl-5" aria-label="Left out of the task file">
              {leftOut.length === 0 && <li>Nothing is left out.</li>}
              {leftOut.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
          )}
          <h2 className="border-b-2 border-ink pt-3 pb-1">Backup</h2>
          {!owns && <p className="text-soft">The owner takes backups, and puts them back.</p>}
          {owns && (
            <>
              <p className="flex flex-wrap gap-2">
                <a className="key" href="/backup.db" download>
                  Back up the whole yard
                </a>
                <Link className="key" to="/server">
                  How this server does
                </Link>
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
                  <input type="checkbox" name="sure" value="yes" className="size-5" /> Replace the yard that
                  is here now
                </label>
                {errors.sure && <p className="problem">{errors.sure}</p>}
                <button type="submit" className="key justify-self-start">
                  Restore
                </button>
              </Form>
            </>
          )}
          <Elsewhere title="A copy elsewhere, a second behind" copy={replica} without={WITHOUT.replica} />
          <Elsewhere title="A backup of each day" copy={backups} without={WITHOUT.backups} />
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

const TONES = { ok: "text-ok", warn: "text-warn", unknown: "text-soft" };

/** How a kind of copy stands, and where it goes. */
function Elsewhere({ title, copy, without }: { title: string; copy: CopySaid | null; without: string }) {
  return (
    <div data-copy={title}>
      <h3 className="pt-2 font-bold">{title}</h3>
      {copy ? (
        <>
          <p className={`font-semibold ${TONES[copy.tone]}`}>{copy.said}</p>
          <p className="break-all text-small text-soft">Into {copy.to}</p>
        </>
      ) : (
        <p className="text-warn">{without}</p>
      )}
    </div>
  );
}
