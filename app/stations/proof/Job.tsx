import { lazy } from "react";
import { useFetcher } from "react-router";
import { v4 as uuid } from "uuid";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { useOutcome } from "../../entry/use-outcome.ts";
import { WaitingRows } from "../../offline/WaitingRows.tsx";
import type { Outcome } from "../../session/outcome.ts";
import { Cautions } from "../../ui/Cautions.tsx";
import { Later } from "../../ui/Later.tsx";
import { Send } from "../../ui/Send.tsx";
import { Figures } from "./Figures.tsx";
import { ObservationForm } from "./ObservationForm.tsx";
import { stylesText, typedWords } from "./observation.ts";
import type { JobView } from "./proof-view.server.ts";
import { TestConditions } from "./TestConditions.tsx";
import { useWaitingObservations } from "./waiting-observations.ts";

const ResidualChart = lazy(() => import("./ResidualChart.tsx"));

type Props = { job: JobView; action: string; person: string; unsent?: boolean };

/** One field test from the first pass to what it proves; `unsent`: the server knows nothing of it yet. */
export function Job(props: Props) {
  const { job, action, unsent = false } = props;
  const closed = job.accepted !== null;
  return (
    <div className="grid gap-4">
      <Guide job={job} />
      {!closed && <TestConditions key={job.conditions.said} job={job} action={action} />}
      <div className="grid grid-cols-2 gap-6 max-sm:grid-cols-1">
        <div className="grid content-start gap-4">
          {!closed && (job.fromLog ? <LogForm {...props} /> : <ObservationForm {...props} />)}
          <Observations job={job} action={action} />
          {/* A test that went wrong from the start: taken back whole; its page then leads to the list. */}
          {!closed && !unsent && (
            <TakeBack
              id={job.id}
              action={action}
              className="min-h-11 cursor-pointer justify-self-start font-semibold underline"
            >
              Take this test back
            </TakeBack>
          )}
        </div>
        <div className="grid content-start gap-4">
          <Figures {...props} />
          {job.residuals.length > 2 && (
            <Later height={190} words="Drawing the fit.">
              <ResidualChart residuals={job.residuals} plot={job.plot} />
            </Later>
          )}
          <section aria-label="What it cannot tell">
            <h2>What it cannot tell</h2>
            <ul className="text-soft">
              {job.blind.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </section>
        </div>
      </div>
    </div>
  );
}

/** How to drive and where to measure; folded once something is measured. */
function Guide({ job }: { job: JobView }) {
  const { drive, measure, enough, cautions, observations, one } = job;
  return (
    <details open={observations.length === 0} className="border-b border-line pb-2">
      <summary className="flex min-h-11 cursor-pointer items-center justify-between gap-3 font-semibold text-dye">
        How to drive and measure
        <span className="font-normal text-soft">
          {observations.length < enough.count
            ? `${observations.length} of ${enough.count} ${one}${enough.count === 1 ? "" : "s"}`
            : `${observations.length} ${one}${observations.length === 1 ? "" : "s"}: enough`}
        </span>
      </summary>
      <Cautions lines={cautions} />
      <div className="grid grid-cols-2 gap-6 max-sm:grid-cols-1 max-sm:gap-2">
        <Steps title="Drive" lines={drive} />
        <Steps title="Measure" lines={[...measure, `Enough: ${enough.why}.`]} />
      </div>
    </details>
  );
}

function Steps({ title, lines }: { title: string; lines: readonly string[] }) {
  return (
    <div>
      <h2>{title}</h2>
      <ol className="grid list-decimal gap-1 pl-5 leading-snug">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
    </div>
  );
}

function LogForm({ job, action, person }: Props) {
  const { fetcher, errors } = useOutcome(action);
  if (job.observations.length > 0)
    return (
      <p className="leading-snug" data-log-note>
        {job.note}
      </p>
    );
  return (
    <fetcher.Form
      method="post"
      action={action}
      encType="multipart/form-data"
      className="grid gap-2"
      noValidate
    >
      <input type="hidden" name="intent" value="observe-log" />
      <input type="hidden" name="id" value={uuid()} />
      <input type="hidden" name="test" value={job.id} />
      <input type="hidden" name="styles" value={stylesText(job.styles)} />
      <input type="hidden" name="measuredAt" value="" />
      <label className="grid gap-1">
        The receiver's log
        <input type="file" name="log" accept=".txt,.log,.nmea,text/plain" className="field py-2" />
        {errors.log && <span className="problem">{errors.log}</span>}
      </label>
      <label className="grid gap-1">
        Driven by
        <input name="person" className="field" defaultValue={person} autoComplete="name" />
        {errors.person && <span className="problem">{errors.person}</span>}
      </label>
      <Send busy={fetcher.state !== "idle"} className="key-main min-h-12">
        Read the log
      </Send>
      {(errors.form ?? errors.id) && <p className="problem">{errors.form ?? errors.id}</p>}
    </fetcher.Form>
  );
}

function Observations({ job, action }: { job: JobView; action: string }) {
  const fetcher = useFetcher<Outcome>();
  const { observations, accepted, one } = job;
  const waits = useWaitingObservations(action, job.id);
  if (observations.length === 0 && waits.length === 0) return null;
  const send = (fields: Record<string, string>) => fetcher.submit(fields, { method: "post", action });
  return (
    <section aria-label="Measured">
      <h2 className="border-b-2 border-ink pb-1">Measured</h2>
      <WaitingRows
        waits={waits}
        first={observations.length + 1}
        say={(fields) => typedWords(job.fields, fields)}
      />
      <ol>
        {[...observations].reverse().map(({ id, number, text, apart, leftOut, outlier }) => (
          <li
            key={id}
            data-observation={number}
            className={`grid grid-cols-[26px_1fr_auto] items-center gap-x-2 border-b border-hair leading-snug ${leftOut ? "text-soft line-through" : ""}`}
          >
            <b>{number}</b>
            <span>
              {text}
              {apart && !leftOut && (
                <span className={`block text-small ${outlier ? "font-semibold text-stop" : "text-soft"}`}>
                  {outlier ? `does not fit the others, ${apart} from the fit` : `${apart} from the fit`}
                </span>
              )}
            </span>
            {!accepted && (
              <span className="flex">
                <button
                  type="button"
                  className="min-h-11 cursor-pointer px-2 font-semibold underline"
                  aria-label={`${leftOut ? "Count" : "Leave out"} ${one} ${number}`}
                  onClick={() =>
                    send({ intent: "leave-out", observation: id, test: job.id, out: leftOut ? "no" : "yes" })
                  }
                >
                  {leftOut ? "Count it" : "Leave out"}
                </button>
                <TakeBack id={id} action={action} label={`Take back ${one} ${number}`} />
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
