import { useState } from "react";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { useOutcome } from "../../entry/use-outcome.ts";
import { TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import type { FigureView, JobView } from "./proof-view.server.ts";

/** What the test found, which slip it looks like, and what to do: one act accepts what is chosen. */
export function Figures({ job, action, person }: { job: JobView; action: string; person: string }) {
  const { fetcher, errors } = useOutcome(action);
  const ready = job.figures.some(({ unproven, verdict }) => unproven.length === 0 && verdict !== "uncertain");
  if (job.accepted) return <AcceptedNow job={job} action={action} />;
  return (
    <section aria-label="What it found" className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1">What it found</h2>
      {job.open.map((line) => (
        <p key={line} className="border-l-4 border-soft bg-check-wash px-3 py-2" data-open-question>
          {line}
        </p>
      ))}
      {job.figures.length === 0 && job.open.length === 0 && (
        <p className="text-soft">Nothing measured yet.</p>
      )}
      <Suspects suspects={job.suspects} />
      <fetcher.Form method="post" action={action} className="grid gap-3" noValidate>
        <input type="hidden" name="intent" value="accept-test" />
        <input type="hidden" name="test" value={job.id} />
        {job.figures.map((figure) => (
          <Figure key={figure.key} figure={figure} problem={errors[`accept-${figure.key}`]} />
        ))}
        {job.also.length > 0 && (
          <dl className="grid gap-0.5">
            {job.also.map(({ label, text }) => (
              <div key={label} className="flex justify-between gap-3 border-b border-dashed border-hair">
                <dt className="text-soft">{label}</dt>
                <dd className="font-[650] whitespace-nowrap">{text}</dd>
              </div>
            ))}
          </dl>
        )}
        {ready && (
          <div className="grid grid-cols-[1fr_auto] items-end gap-2">
            <TextField name="person" label="Accepted by" defaultValue={person} problem={errors.person} />
            <Send busy={fetcher.state !== "idle"} className="key-main min-h-12">
              Accept as proven
            </Send>
          </div>
        )}
        {(errors.form ?? errors.test) && <p className="problem">{errors.form ?? errors.test}</p>}
      </fetcher.Form>
    </section>
  );
}

function Suspects({ suspects }: Pick<JobView, "suspects">) {
  if (suspects.length === 0) return null;
  return (
    <ul aria-label="Looks like" className="grid gap-1.5">
      {suspects.map(({ what, next }) => (
        <li
          key={what}
          className="border-[1.5px] border-warn bg-warn-wash px-3 py-2 leading-snug"
          data-suspect
        >
          <b className="block font-bold">{what}</b>
          {next}
        </li>
      ))}
    </ul>
  );
}

function Figure({ figure, problem }: { figure: FigureView; problem: string | undefined }) {
  const { key, label, off, half, entered, truth, verdict, words, unproven, corrections } = figure;
  const may =
    unproven.length === 0 && verdict !== "uncertain" && (verdict === "agrees" || corrections.length > 0);
  const [chosen, setChosen] = useState("");
  const picked = corrections.find((each) => each.key === chosen);
  return (
    <div
      data-figure={key}
      data-verdict={verdict}
      className={`grid gap-1 border-l-4 px-3 py-1 ${verdict === "differs" ? "border-warn" : verdict === "agrees" ? "border-ok" : "border-line"}`}
    >
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <b className="font-[650]">{label}</b>
        <span className="text-small text-soft">{words}</span>
      </p>
      <p className="text-value font-[700]" data-off>
        {off} <span className="text-lead font-normal text-soft">{half ?? "no certainty yet"}</span>
      </p>
      <p className="text-small text-soft">
        {entered === null
          ? truth === null
            ? "not written down here: add it to what the terminal has"
            : "nothing entered"
          : `entered ${entered}`}
        {truth !== null && `, by this test ${truth}`}
        {half && ", 95 % confidence"}
      </p>
      {may ? (
        <fieldset aria-label={`${label}: what to do`} className="grid gap-1">
          {verdict === "agrees" ? (
            <Choice name={key} value="confirm" chosen={chosen} onChoose={setChosen}>
              Confirm what is entered
            </Choice>
          ) : (
            corrections.map((each) => (
              <Choice key={each.key} name={key} value={each.key} chosen={chosen} onChoose={setChosen}>
                {each.label}: {each.from} becomes {each.to}
                <span className="text-small text-soft">
                  {" "}
                  ({each.grade} {each.sigma})
                </span>
              </Choice>
            ))
          )}
          <Choice name={key} value="" chosen={chosen} onChoose={setChosen}>
            Leave it
          </Choice>
        </fieldset>
      ) : (
        <ul className="text-small text-warn">
          {unproven.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {picked && picked.terminal.length > 0 && (
        <div className="bg-dye-wash px-2 py-1.5" data-terminal>
          <b className="text-small">Then retype in the terminal:</b>
          <ul>
            {picked.terminal.map(({ page, label: line, from, to }) => (
              <li key={page + line}>
                {page}, {line}: {from} becomes <b>{to}</b>
              </li>
            ))}
          </ul>
        </div>
      )}
      {problem && <p className="problem">{problem}</p>}
    </div>
  );
}

function Choice({
  name,
  value,
  chosen,
  onChoose,
  children,
}: {
  name: string;
  value: string;
  chosen: string;
  onChoose: (value: string) => void;
  children: React.ReactNode;
}) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-2 leading-snug">
      <input
        type="radio"
        name={`accept-${name}`}
        value={value}
        checked={chosen === value}
        onChange={() => onChoose(value)}
        className="size-5 shrink-0"
      />
      <span>{children}</span>
    </label>
  );
}

function AcceptedNow({ job, action }: { job: JobView; action: string }) {
  const { batchId, said, what } = job.accepted!;
  return (
    <section aria-label="What it found" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Proven</h2>
      <p className="font-semibold text-ok" data-accepted>
        {said}
      </p>
      <ul className="grid gap-1">
        {what.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="text-soft">
        It holds until a reading in it is read again, or something is changed that touches one. Issue a new
        cab card and retype what it names.
      </p>
      <TakeBack id={batchId} action={action} className="key">
        Take it back
      </TakeBack>
    </section>
  );
}
