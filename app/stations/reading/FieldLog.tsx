import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { useOutcome } from "../../entry/use-outcome.ts";
import type { Preferences } from "../../session/preferences.server.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import type { CommonView, LogRow, StationView } from "../judging/station-view.ts";
import { StaleList } from "./StaleList.tsx";

type Props = {
  view: CommonView & Partial<Pick<StationView, "proofs">>;
  preferences: Preferences;
  action: string;
  /** where field tests are run */
  proofHref?: string;
};

/** What was changed on the machines, and what was proved in the field: recorded here, taken back here. */
export function FieldLog({ view, preferences, action, proofHref = "" }: Props) {
  return (
    <section aria-label="Changes and proofs" className="grid gap-1 border-t border-line pt-2">
      <Log title="Changed since" rows={view.changes} action={action} />
      <Record title="Something was changed" intent="keep-change" action={action} person={preferences.person}>
        {(errors) => (
          <>
            <Changed kinds={view.changeKinds} problem={errors.kind} />
            <TextField name="day" label="Day" type="date" defaultValue={today()} problem={errors.day} />
            <TextField name="note" label="Note" problem={errors.note} />
          </>
        )}
      </Record>
      {view.proofs && (
        <>
          <Log title="Proved in the field" rows={view.proofs} action={action} />
          <Link to={proofHref} className="flex min-h-11 items-center font-semibold text-dye">
            Prove it in the field
          </Link>
        </>
      )}
    </section>
  );
}

/** What was changed, and what that makes stale: said before it is recorded. */
function Changed({ kinds, problem }: { kinds: CommonView["changeKinds"]; problem: string | undefined }) {
  const [kind, setKind] = useState<string>(kinds[0]?.kind ?? "");
  return (
    <>
      <SelectField
        name="kind"
        label="What"
        problem={problem}
        value={kind}
        onChange={(event) => setKind(event.target.value)}
        choices={kinds.map(({ kind: key, label }) => [key, label])}
      />
      <StaleList stales={kinds.find((each) => each.kind === kind)?.stales ?? []} />
    </>
  );
}

function today(): string {
  return new Date().toISOString().slice(0, 10);
}

function Log({ title, rows, action }: { title: string; rows: LogRow[]; action: string }) {
  if (rows.length === 0) return null;
  return (
    <>
      <h2>{title}</h2>
      <ul>
        {rows.map(({ id, title: what, text }) => (
          <li
            key={id}
            className="flex items-center justify-between gap-2 border-t border-hair py-1 leading-snug"
          >
            <span>
              <b className="font-[650]">{what}</b>
              <span className="block text-small text-soft">{text}</span>
            </span>
            <TakeBack id={id} action={action} label={`Take back: ${what}`} />
          </li>
        ))}
      </ul>
    </>
  );
}

type Errors = Record<string, string | undefined>;

function Record({
  title,
  intent,
  action,
  person,
  children,
}: {
  title: string;
  intent: string;
  action: string;
  person: string;
  children: (errors: Errors) => React.ReactNode;
}) {
  const { fetcher, errors, kept } = useOutcome(action);
  const details = useRef<HTMLDetailsElement>(null);
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (!kept) return;
    details.current?.removeAttribute("open");
    form.current?.reset();
  }, [kept]);
  return (
    <details ref={details}>
      <summary className="min-h-11 cursor-pointer py-2.5 font-semibold text-dye">{title}</summary>
      <fetcher.Form ref={form} method="post" action={action} className="grid gap-2 pb-3" noValidate>
        <input type="hidden" name="intent" value={intent} />
        {children(errors)}
        <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
        {errors.form && <p className="problem">{errors.form}</p>}
        <Send busy={fetcher.state !== "idle"} className="key-main">
          Record it
        </Send>
      </fetcher.Form>
    </details>
  );
}
