import { Check, Circle } from "lucide-react";
import { lazy } from "react";
import { Form, Link } from "react-router";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Later } from "../../ui/Later.tsx";
import type { SteeringView } from "./steering-view.server.ts";

const OffsChart = lazy(() => import("./OffsChart.tsx"));

type Rung = SteeringView["rungs"][number];

/** The four conditions in their order: the first that does not hold is the one to see to. */
export function ReadyLadder({ rungs, to }: { rungs: readonly Rung[]; to: (page: string) => string }) {
  const first = rungs.findIndex(({ state }) => state === "not yet");
  return (
    <section aria-label="Four conditions">
      <h2 className="border-b-2 border-ink pb-1">
        Before it steers{" "}
        <span className="font-normal text-soft">
          {first < 0 ? "all four hold" : `${first} of ${rungs.length} hold in order`}
        </span>
      </h2>
      <ol className="grid">
        {rungs.map(({ key, label, state, why, next, byPerson }, at) => (
          <li
            key={key}
            data-condition={key}
            data-state={state}
            className={`grid grid-cols-[36px_1fr_auto] items-center gap-x-3 border-b border-hair py-2 ${at === first ? "bg-sheet" : ""}`}
          >
            <span
              className={`grid size-8 place-items-center rounded-full border-2 ${state === "good" ? "border-ok bg-ok text-sheet" : "border-ink"}`}
            >
              {state === "good" ? (
                <Check aria-hidden="true" className="size-5" />
              ) : (
                <Circle aria-hidden="true" className="size-4" />
              )}
            </span>
            <span>
              <b>
                {at + 1}. {label}
              </b>
              <span className={`block ${at === first ? "font-semibold text-warn" : "text-soft"}`}>{why}</span>
            </span>
            {state === "not yet" && (
              <Link className="font-semibold text-dye underline" to={to(byPerson ? "" : (next?.path ?? ""))}>
                {byPerson ? "Tick it at Start" : next?.label}
              </Link>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

type DrivesProps = { view: SteeringView; errors: FieldErrors; person: string; practice: string };

/** Drives one after the other, each with what it was set to, how it held, and what to try next. */
export function Drives({ view, errors, person, practice }: DrivesProps) {
  return (
    <section aria-label="Sensitivities" className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1">
        Sensitivities{" "}
        <span className="font-normal text-soft">
          one at a time, one step at a time, a log before and after
        </span>
      </h2>
      {view.drives.length === 0 ? (
        <p className="text-soft">
          No drive is kept. Start the log, engage a few metres beside the line, drive a minute straight on.
        </p>
      ) : (
        <ul className="grid gap-4">
          {view.drives.map((drive) => (
            <Drive key={drive.id} drive={drive} />
          ))}
        </ul>
      )}
      <NewDrive view={view} errors={errors} person={person} practice={practice} />
    </section>
  );
}

function Drive({ drive }: { drive: SteeringView["drives"][number] }) {
  const {
    id,
    who,
    line,
    note,
    settings,
    rms,
    overshoot,
    settled,
    crossings,
    compared,
    verdict,
    advice,
    good,
    offs,
  } = drive;
  const figures = [
    ["Beside its pass, root mean square", rms],
    ["Past the line at first", overshoot],
    ["Within 5 cm for 5 s after", settled],
    ["Over to the other side, a minute", crossings],
  ] as const;
  return (
    <li data-drive={verdict ?? "first"} className="grid gap-2 border-b border-hair pb-3">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <b>{settings || "no sensitivity told"}</b>
          <span className="block text-small text-soft">
            {line}, {who}
            {note ? `, ${note}` : ""}
          </span>
        </p>
        <Form method="post">
          <input type="hidden" name="intent" value="take-back" />
          <input type="hidden" name="id" value={id} />
          <button type="submit" className="min-h-11 cursor-pointer px-2 font-semibold underline">
            Take back
          </button>
        </Form>
      </div>
      <Later height={170} words="Drawing the drive.">
        <OffsChart offs={offs} />
      </Later>
      <dl className="grid grid-cols-4 gap-x-4 gap-y-1 max-sm:grid-cols-2">
        {figures.map(([label, value]) => (
          <div key={label}>
            <dt className="text-small text-soft">{label}</dt>
            <dd className="text-value font-bold">{value}</dd>
          </div>
        ))}
      </dl>
      {compared && (
        <p
          className={`font-semibold ${verdict === "better" ? "text-ok" : verdict === "alike" ? "" : "text-warn"}`}
        >
          {compared}
        </p>
      )}
      <p className={good ? "text-ok" : "font-semibold"}>{advice}</p>
    </li>
  );
}

function NewDrive({ view, errors, person, practice }: DrivesProps) {
  const { lines, last } = view;
  if (lines.length === 0)
    return (
      <p className="font-semibold text-warn">
        {view.field ? `${view.field} has no line` : "No field has a line"}:{" "}
        <Link to="/fields">enter one</Link> first.
      </p>
    );
  const typed = (value: number | null | undefined) =>
    value === null || value === undefined ? "" : String(value);
  return (
    <Form method="post" encType="multipart/form-data" noValidate className="grid max-w-[760px] gap-2">
      <h3 className="font-bold">One drive more</h3>
      <input type="hidden" name="intent" value="drive" />
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        <TextField
          name="lineSensitivity"
          label="Line sensitivity"
          inputMode="decimal"
          defaultValue={typed(last?.line)}
          problem={errors.lineSensitivity}
          hint="how hard it seeks the line"
        />
        <TextField
          name="headingSensitivity"
          label="Heading sensitivity"
          inputMode="decimal"
          defaultValue={typed(last?.heading)}
          problem={errors.headingSensitivity}
          hint="how hard it holds its heading"
        />
        <TextField
          name="headingLead"
          label="Heading lead"
          inputMode="decimal"
          defaultValue={typed(last?.lead)}
          problem={errors.headingLead}
          hint="how early it straightens"
        />
      </div>
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <SelectField
          name="line"
          label="Along the line"
          problem={errors.line}
          choices={lines.map(({ id, name }) => [id, name] as const)}
        />
        <TextField
          name="log"
          label="Receiver's log, from the moment it was engaged"
          type="file"
          accept=".nmea,.txt,.log"
          className="py-2"
          problem={errors.log}
          hint="NMEA 0183: GGA, at least 20 s"
        />
        <TextField
          name="note"
          label="Note"
          defaultValue=""
          problem={errors.note}
          hint="speed, ground, tool down or up"
        />
        <TextField name="person" label="Driven by" defaultValue={person} problem={errors.person} />
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="key-main">
          Read the drive off it
        </button>
        <button
          type="submit"
          formAction={practice}
          formMethod="get"
          formEncType="application/x-www-form-urlencoded"
          formNoValidate
          className="key"
        >
          A practice log with these settings
        </button>
      </div>
      <p className="text-soft">
        The practice log is of a simulated machine that is set so, on the line chosen: to try what each
        sensitivity does before one does it in the field. The first time in the field: at a walk, nobody near,
        a hand at the wheel.
      </p>
    </Form>
  );
}
