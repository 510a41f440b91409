import { Form, Link } from "react-router";
import type { Route } from "../routes/+types/one-field";
import { useChecked } from "../session/use-checked.ts";
import type { FieldErrors } from "../session/validate.ts";
import { Field, SelectField, TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import { MapMarks } from "./FieldMap.tsx";
import { NameFields } from "./FieldsPage.tsx";
import type { FieldView } from "./field-view.server.ts";
import { CornersDto, FieldDto } from "./fields.dto.ts";
import { LinesSection } from "./LinesSection.tsx";
import { VarietyMaps } from "./VarietyMaps.tsx";

export function FieldPage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, view } = loaderData;
  const { name, client, farm, size, drawn, away } = view;
  const errors = actionData?.errors ?? {};
  const person = preferences.person;
  const whose = [farm, client].filter((each, at, all) => each !== "" && all.indexOf(each) === at).join(", ");
  return (
    <YardFrame preferences={preferences} here="fields">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="text-soft">
            <Link to="/fields">Fields</Link>
          </p>
          <h1>{name}</h1>
          <p className="text-lead text-soft">
            {whose || "Nobody told whose it is."} {away && <b className="text-warn">Put away.</b>}
          </p>
        </div>
        {drawn && (
          <p className="flex flex-wrap gap-2">
            <a className="key" href={`/fields.geojson?field=${view.id}`} download>
              GeoJSON
            </a>
            <a className="key" href={`/fields.zip?field=${view.id}`} download>
              ISO 11783-10
            </a>
          </p>
        )}
      </div>
      {actionData?.ok && actionData.kept.said && (
        <p className="font-bold text-ok" role="status">
          {actionData.kept.said}
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      <div className="grid grid-cols-[620px_1fr] gap-6 max-lg:grid-cols-1">
        <div className="grid content-start gap-2">
          {drawn ? (
            <>
              <Drawn drawn={drawn.desk} name={name} className="max-sm:hidden" />
              <Drawn drawn={drawn.phone} name={name} className="sm:hidden" />
            </>
          ) : (
            <p className="border-2 border-dashed border-line p-6 text-lead">
              Nobody told where it ends, so nothing is reckoned of it. Drive round it with a log, take it from
              a file, or type its corners.
            </p>
          )}
        </div>
        <div className="grid content-start gap-5">
          {size && (
            <p>
              <b className="block text-[34px] leading-tight font-[750]" data-area>
                {size.area}
              </b>
              <span className="text-soft">
                {size.rest}. Middle at {size.where}. On the WGS 84 ellipsoid, edges straight in degrees.
              </span>
            </p>
          )}
          <p>
            <Link to={`/log?field=${view.id}`}>What was done on it</Link>
          </p>
          <LinesSection key={`lines ${view.lines.length}`} view={view} errors={errors} person={person} />
          <VarietyMaps
            key={`maps ${view.varieties.maps[0]?.id}`}
            view={view}
            errors={errors}
            person={person}
          />
          <BoundarySection key={view.history[0]?.id} view={view} errors={errors} person={person} />
          <History view={view} />
          <Whose view={view} errors={errors} />
        </div>
      </div>
    </YardFrame>
  );
}

type DrawnProps = { drawn: NonNullable<FieldView["drawn"]>["desk"]; name: string; className: string };

/** The field with its lines, from above. */
function Drawn({ drawn: { width, height, path, lines, bar }, name, className }: DrawnProps) {
  const sheet = `sheet-${width}`;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={`w-full border border-hair bg-sheet ${className}`}
      role="img"
      aria-label={`${name} from above, north up, ${bar.label} to the bar`}
    >
      <path d={path} fillRule="evenodd" fill="var(--soil)" stroke="var(--ink)" strokeWidth={2} />
      <clipPath id={sheet}>
        <rect width={width} height={height} />
      </clipPath>
      <g clipPath={`url(#${sheet})`}>
        {lines.map((line) => (
          <path
            key={line.id}
            d={line.path}
            fill="none"
            stroke="var(--dye)"
            strokeWidth={1.8}
            strokeDasharray="10 5"
          />
        ))}
      </g>
      <MapMarks width={width} height={height} bar={bar} />
    </svg>
  );
}

type SectionProps = { view: FieldView; errors: FieldErrors; person: string };

function BoundarySection({ view, errors, person }: SectionProps) {
  const first = view.size === null;
  return (
    <section aria-label="Where it ends" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">{first ? "Where does it end?" : "Boundary"}</h2>
      <details open={first || errors.log !== undefined || errors.outside !== undefined}>
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
          Walked or driven round: a receiver's log
        </summary>
        <Form method="post" encType="multipart/form-data" noValidate className="grid gap-3 pb-3">
          <input type="hidden" name="intent" value="log" />
          <TextField
            name="log"
            label="Log"
            type="file"
            accept=".nmea,.txt,.log,.ubx"
            className="py-2"
            problem={errors.log}
            hint="NMEA 0183 with GGA; once round, ending where it began."
          />
          <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
            <TextField
              name="outside"
              label="Edge from the antenna"
              inputMode="decimal"
              placeholder="0"
              problem={errors.outside}
              hint="Half the tool, where it ran along the edge. Empty: over the edge itself."
            />
            <SelectField
              name="side"
              label="The edge lies"
              choices={[
                ["outside", "outside the way driven"],
                ["inside", "inside it"],
              ]}
              problem={errors.side}
            />
          </div>
          <input type="hidden" name="outsideUnit" value={view.lengthUnit} />
          <TextField name="person" label="Driven by" defaultValue={person} problem={errors.person} />
          <button type="submit" className="key-main justify-self-start">
            Keep the boundary
          </button>
        </Form>
      </details>
      <Corners view={view} errors={errors} person={person} />
      <p className="text-soft">
        From a file: on the page of all <Link to="/fields">fields</Link>.
      </p>
    </section>
  );
}

function Corners({ view, errors: sent, person }: SectionProps) {
  const { errors, onSubmit } = useChecked(CornersDto, sent);
  return (
    <details open={errors.corners !== undefined}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        By its corners
      </summary>
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
        <input type="hidden" name="intent" value="corners" />
        <Field
          label="Corners"
          problem={errors.corners}
          hint="One a line, latitude then longitude; in degrees, or degrees and minutes. An empty line begins another part, or a hole where it lies in one."
        >
          <textarea
            name="corners"
            rows={8}
            defaultValue={view.typed}
            placeholder={"52.40341, 10.75120\n52.40341, 10.75620\n52.40641, 10.75620"}
            className="field py-2 font-mono"
            aria-invalid={errors.corners !== undefined}
          />
        </Field>
        <TextField name="person" label="Entered by" defaultValue={person} problem={errors.person} />
        <button type="submit" className="key-main justify-self-start">
          Keep the corners
        </button>
      </Form>
    </details>
  );
}

function History({ view: { history } }: { view: FieldView }) {
  if (history.length === 0) return null;
  return (
    <section aria-label="Boundaries it had">
      <h2 className="border-b-2 border-ink pb-1">Boundaries it had</h2>
      <ul>
        {history.map(({ id, what, note, who, takenBack, counts }) => (
          <li key={id} className="flex items-center justify-between gap-3 border-b border-hair py-1">
            <span className={takenBack ? "text-soft line-through" : ""}>
              <b>{what}</b>
              {counts && <span className="text-ok"> counts</span>}
              <span className="block text-small text-soft">{[note, who].filter(Boolean).join(". ")}</span>
            </span>
            {takenBack ? (
              <span className="text-small text-soft">taken back</span>
            ) : (
              <Form method="post">
                <input type="hidden" name="intent" value="take-back" />
                <input type="hidden" name="id" value={id} />
                <button type="submit" className="key" aria-label={`Take back ${what}`}>
                  Take back
                </button>
              </Form>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Whose({ view, errors: sent }: { view: FieldView; errors: FieldErrors }) {
  const { errors, onSubmit } = useChecked(FieldDto, sent);
  return (
    <Folded summary="Its name, and whose it is">
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
        <input type="hidden" name="intent" value="rename" />
        <NameFields names={view.names} errors={errors} now={view} />
        <button type="submit" className="key justify-self-start">
          Keep
        </button>
      </Form>
      <Form method="post">
        <input type="hidden" name="intent" value={view.away ? "back" : "away"} />
        <button type="submit" className="key">
          {view.away ? "Take it out again" : "Put it away"}
        </button>
      </Form>
    </Folded>
  );
}
