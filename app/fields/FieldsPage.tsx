import { Form, Link, useNavigate } from "react-router";
import type { Route } from "../routes/+types/fields";
import { useChecked } from "../session/use-checked.ts";
import type { FieldErrors } from "../session/validate.ts";
import { TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import { FieldMap } from "./FieldMap.tsx";
import { FieldDto } from "./fields.dto.ts";
import type { FieldRow, FieldsView } from "./fields-view.server.ts";

export function FieldsPage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, view } = loaderData;
  const { groups, maps, total, typed, away } = view;
  const errors = actionData?.errors ?? {};
  const names = new Map(groups.flatMap(({ rows }) => rows.map(({ id, name }) => [id, name] as const)));
  return (
    <YardFrame preferences={preferences} here="fields">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Fields</h1>
          <p className="text-lead text-soft">
            {total.fields === 0
              ? "None yet. A field needs a name; where it ends comes from a file, a log or typed corners."
              : `${total.fields} ${total.fields === 1 ? "field" : "fields"}, ${total.area}, ${total.clients} ${total.clients === 1 ? "client" : "clients"}.`}
            {total.unbounded > 0 && (
              <>
                {" "}
                <b className="text-warn">
                  {total.unbounded} without a boundary: nothing is reckoned of{" "}
                  {total.unbounded === 1 ? "it" : "them"}.
                </b>
              </>
            )}
          </p>
        </div>
        <p className="flex flex-wrap gap-2">
          <Link className="key" to="/log">
            Log of work
          </Link>
          <a className="key" href="/fields.geojson" download>
            GeoJSON
          </a>
          <a className="key" href="/fields.zip" download>
            ISO 11783-10
          </a>
        </p>
      </div>
      <Find view={view} />
      {actionData?.ok && actionData.kept.said && (
        <p className="font-bold text-ok" role="status">
          {actionData.kept.said}
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      <div className="grid grid-cols-[620px_1fr] gap-6 max-lg:grid-cols-1">
        <div className="grid content-start gap-4">
          {maps && (
            <>
              <FieldMap map={maps.desk} names={names} className="max-sm:hidden" />
              <FieldMap map={maps.phone} names={names} className="sm:hidden" />
            </>
          )}
          {view.apart && (
            <p className="text-soft">They lie too far apart for one map. Look for a farm or a client.</p>
          )}
          <div className="max-lg:order-last">
            <NewField view={view} errors={errors} />
            <FromFile problem={errors.file} />
          </div>
        </div>
        <div className="grid content-start gap-5">
          {groups.map(({ client, farm, rows }) => (
            <section key={`${client}/${farm}`} aria-label={farm || client || "Whose they are nobody told"}>
              <h2 className="border-b-2 border-ink pb-1">
                {farm || client || "Nobody told whose"}{" "}
                {client !== "" && client !== farm && <span className="font-normal text-soft">{client}</span>}
              </h2>
              <Rows rows={rows} />
            </section>
          ))}
          {typed.length > 0 && <Typed typed={typed} />}
          {away.length > 0 && (
            <Folded summary={`Put away: ${away.length}`}>
              <Rows rows={away} />
            </Folded>
          )}
        </div>
      </div>
    </YardFrame>
  );
}

function Find({ view: { find, said, wrong } }: { view: FieldsView }) {
  const navigate = useNavigate();
  const here = () =>
    navigator.geolocation.getCurrentPosition(({ coords: { latitude, longitude } }) =>
      navigate(`/fields?find=${latitude.toFixed(6)}, ${longitude.toFixed(6)}`),
    );
  return (
    <search className="grid gap-1">
      <form className="flex flex-wrap gap-2">
        <input
          name="find"
          type="search"
          defaultValue={find}
          aria-label="Find a field"
          aria-invalid={wrong !== null}
          placeholder="Name, or a position: 52.40341, 10.7512"
          className="field max-w-[420px]"
        />
        <button type="submit" className="key">
          Find
        </button>
        <button type="button" className="key" onClick={here}>
          Where I am
        </button>
      </form>
      {wrong ? (
        <p className="problem">{wrong}</p>
      ) : (
        said && (
          <p className="font-semibold" role="status">
            {said}
          </p>
        )
      )}
    </search>
  );
}

function Rows({ rows }: { rows: readonly FieldRow[] }) {
  return (
    <ul>
      {rows.map(({ id, name, area, since, thumb }) => (
        <li key={id} className="border-b border-hair">
          <Link
            to={`/fields/${id}`}
            className="grid min-h-14 grid-cols-[64px_1fr_auto] items-center gap-3 no-underline hover:bg-hair"
          >
            <svg viewBox="0 0 64 48" className="w-16" aria-hidden="true">
              {thumb ? (
                <path d={thumb} fillRule="evenodd" fill="var(--soil)" stroke="var(--ink)" strokeWidth={1.2} />
              ) : (
                <rect
                  x={12}
                  y={8}
                  width={40}
                  height={32}
                  fill="none"
                  stroke="var(--soft)"
                  strokeDasharray="4 4"
                />
              )}
            </svg>
            <span>
              <b className="block text-[17px]">{name}</b>
              <span className="text-small text-soft">{since}</span>
            </span>
            {area ? (
              <b className="text-value whitespace-nowrap">{area}</b>
            ) : (
              <span className="font-semibold text-warn">no boundary</span>
            )}
          </Link>
        </li>
      ))}
    </ul>
  );
}

function NewField({ view: { names, total }, errors: sent }: { view: FieldsView; errors: FieldErrors }) {
  const { errors, onSubmit } = useChecked(FieldDto, sent);
  return (
    <details
      open={total.fields === 0 || Object.keys(sent).some((key) => ["name", "farm", "client"].includes(key))}
    >
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        New field
      </summary>
      <Form method="post" onSubmit={onSubmit} noValidate className="grid gap-3 pb-3">
        <input type="hidden" name="intent" value="add" />
        <NameFields names={names} errors={errors} />
        <button type="submit" className="key-main justify-self-start">
          Add it
        </button>
      </Form>
    </details>
  );
}

type NameProps = {
  names: FieldsView["names"];
  errors: FieldErrors;
  now?: { name: string; farm: string; client: string };
};

/** A field's name and whose it is, with what was typed before to choose from. */
export function NameFields({ names: { clients, farms }, errors, now }: NameProps) {
  return (
    <>
      <TextField name="name" label="Name" defaultValue={now?.name} problem={errors.name} autoComplete="off" />
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField
          name="farm"
          label="Farm"
          list="farms"
          defaultValue={now?.farm}
          problem={errors.farm}
          autoComplete="off"
        />
        <TextField
          name="client"
          label="Client"
          list="clients"
          defaultValue={now?.client}
          problem={errors.client}
          autoComplete="off"
        />
      </div>
      <datalist id="farms">
        {farms.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <datalist id="clients">
        {clients.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
    </>
  );
}

function FromFile({ problem }: { problem: string | undefined }) {
  return (
    <Folded summary="From a file">
      <Form method="post" encType="multipart/form-data" className="grid gap-2">
        <input type="hidden" name="intent" value="file" />
        <TextField
          name="file"
          label="GeoJSON, or a terminal's task data"
          type="file"
          accept=".geojson,.json,.zip,.xml"
          className="py-2"
          problem={problem}
          hint="You see what is in it before anything is taken over."
        />
        <button type="submit" className="key justify-self-start">
          Look into it
        </button>
      </Form>
    </Folded>
  );
}

function Typed({ typed }: { typed: FieldsView["typed"] }) {
  return (
    <section aria-label="Typed elsewhere">
      <h2 className="border-b-2 border-ink pb-1">
        Typed elsewhere{" "}
        <span className="font-normal text-soft">with strips, depth maps and presets; no field yet</span>
      </h2>
      <ul>
        {typed.map(({ name, times }) => (
          <li key={name} className="flex min-h-12 items-center justify-between gap-3 border-b border-hair">
            <span>
              <b>{name}</b> <span className="text-soft">{times === 1 ? "once" : `${times} times`}</span>
            </span>
            <Form method="post">
              <input type="hidden" name="intent" value="take-name" />
              <input type="hidden" name="name" value={name} />
              <button type="submit" className="key" aria-label={`Make it a field: ${name}`}>
                Make it a field
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}
