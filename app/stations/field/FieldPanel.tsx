import { useEffect, useState } from "react";
import { Link, useFetcher } from "react-router";
import { v4 as uuid } from "uuid";
import { FIXES } from "../../../core/trade/field-conditions.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { Field, SelectField } from "../../ui/Field.tsx";
import type { Query } from "../frame/address.ts";
import type { FieldView, TerminalLine } from "./field-view.server.ts";

type Practice = NonNullable<FieldView["practice"]>;

/** The terminal of the practice rig, page by page, as a terminal asks. */
export function SimulatedTerminal({ practice, action }: { practice: Practice; action: string }) {
  const { terminal } = practice;
  const pages = terminal.pages.map(({ page }) => page);
  const [page, setPage] = useState(pages[0]!);
  const shown = terminal.pages.find((each) => each.page === page);
  return (
    <section
      aria-label="Simulated terminal"
      className="grid content-start gap-2 border-[1.5px] border-ink bg-sheet p-3"
    >
      <h2>
        Terminal <span className="font-normal text-soft">{terminal.name}</span>
      </h2>
      <nav aria-label="Pages of the terminal" className="flex flex-wrap gap-1.5">
        {pages.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === page}
            onClick={() => setPage(each)}
            className="choice px-3"
          >
            {each}
          </button>
        ))}
      </nav>
      <Page key={page + JSON.stringify(shown)} page={page} lines={shown?.lines ?? []} action={action} />
    </section>
  );
}

function Page({ page, lines, action }: { page: string; lines: TerminalLine[]; action: string }) {
  const { fetcher, errors } = useOutcome(action, "terminal");
  return (
    <fetcher.Form method="post" action={action} className="grid gap-2" noValidate>
      <input type="hidden" name="intent" value="terminal" />
      <input type="hidden" name="page" value={page} />
      {lines.map((line) => (
        <Line key={line.at} line={line} problem={errors[`line-${line.at}`]} />
      ))}
      <div className="grid grid-cols-2 gap-2">
        <button type="submit" name="press" value="cancel" className="key">
          Cancel
        </button>
        <button type="submit" name="press" value="save" className="key-main">
          Save
        </button>
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
    </fetcher.Form>
  );
}

function Line({ line, problem }: { line: TerminalLine; problem: string | undefined }) {
  const { at, label, text, word, unit, words, choices } = line;
  if (choices)
    return (
      <SelectField
        name={`line-${at}`}
        label={label}
        defaultValue={text}
        choices={choices.map((each) => [each, each])}
        problem={problem}
      />
    );
  return (
    <Field label={[label, unit].filter(Boolean).join(", ")} problem={problem}>
      <span className={`grid gap-1.5 ${words ? "grid-cols-[1fr_auto]" : ""}`}>
        <input name={`line-${at}`} className="field" defaultValue={text} autoComplete="off" />
        {words && (
          <select
            name={`side-${at}`}
            className="field"
            defaultValue={word}
            aria-label={`${label}, which way`}
          >
            {words.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        )}
      </span>
    </Field>
  );
}

/** What can be driven; each drive writes what is found on the ground into its test. */
export function Drives({
  practice,
  action,
  person,
  jobHref,
}: {
  practice: Practice;
  action: string;
  person: string;
  jobHref: (id: string) => string;
}) {
  const { fetcher, errors, kept: done, submit } = useOutcome(action, "drive");
  const [fix, setFix] = useState("fixed");
  const [driver, setDriver] = useState(person || "Trainee");
  const [problem] = Object.values(errors);
  const driving = fetcher.formData?.get("drive");
  const last = useLast(driving);
  return (
    <section aria-label="Drive" className="grid content-start gap-2">
      <h2 className="border-b-2 border-ink pb-1">Drive</h2>
      <div className="grid gap-2">
        <SelectField
          name="fix"
          label="Receiver shows"
          value={fix}
          onChange={(event) => setFix(event.target.value)}
          choices={Object.entries(FIXES)}
        />
        <Field label="Driver">
          <input className="field" value={driver} onChange={(event) => setDriver(event.target.value)} />
        </Field>
      </div>
      <ul className="grid gap-1.5">
        {practice.drives.map(({ key, label, title }) => (
          <li key={key} className="grid grid-cols-[1fr_auto] items-center gap-2 border-b border-hair py-1">
            <span className="leading-snug">
              <b className="font-[650]">{title}</b>
              <span className="block text-small text-soft">{label}</span>
              {last === key && problem && <span className="problem block">{problem}</span>}
              {last === key && done && (
                <Link to={jobHref(done.id)} className="flex min-h-11 items-center font-bold text-dye">
                  See what it found
                </Link>
              )}
            </span>
            <button
              type="button"
              className="key"
              data-drive={key}
              disabled={fetcher.state !== "idle"}
              onClick={() => submit({ intent: "drive", id: uuid(), drive: key, fix, person: driver })}
            >
              {driving === key ? "Driving" : "Drive"}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The drive that was pressed last, also once it is done. */
function useLast(driving: FormDataEntryValue | null | undefined): string | null {
  const [last, setLast] = useState<string | null>(null);
  useEffect(() => {
    if (typeof driving === "string") setLast(driving);
  }, [driving]);
  return last;
}

type Taped = { key: string; text: string | null };

/** A tape for a rig that is not there: it says what it reads this once, to be written down. */
export function SimulatedTape({
  practice,
  hrefOf,
}: {
  practice: Practice;
  hrefOf: (asked: Query) => string;
}) {
  const fetcher = useFetcher<Taped>({ key: "tape" });
  const [read, setRead] = useState<Record<string, string[]>>({});
  const [ends, setEnds] = useState({ from: "pin", to: "rightEdge" });
  const { data } = fetcher;
  const across = `${ends.from} ${ends.to}`;
  useEffect(() => {
    if (data?.text) setRead((now) => ({ ...now, [data.key]: [...(now[data.key] ?? []), data.text!] }));
  }, [data]);
  return (
    <section aria-label="Simulated tape" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">
        Tape <span className="font-normal text-soft">read it, then type it at its station</span>
      </h2>
      <ul>
        {practice.tape.map(({ key, letter, label, fromTo }) => (
          <li key={key} className="grid grid-cols-[26px_1fr_auto] items-center gap-x-2 border-b border-hair">
            <b>{letter}</b>
            <span className="leading-snug">
              {label}
              <span className="block text-small text-soft">{fromTo}</span>
              {read[key] && (
                <b className="font-[650]" data-taped={key}>
                  {read[key].join(", then ")}
                </b>
              )}
            </span>
            <button
              type="button"
              className="min-h-11 cursor-pointer px-2 font-semibold underline"
              aria-label={`Read it: ${label}`}
              onClick={() => fetcher.load(hrefOf({ key, n: read[key]?.length ?? 0 }))}
            >
              Read it
            </button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2 pt-2 max-sm:grid-cols-2">
        {(["from", "to"] as const).map((end) => (
          <SelectField
            key={end}
            name={end}
            label={end === "from" ? "On the floor, from" : "to"}
            value={ends[end]}
            onChange={(event) => setEnds((now) => ({ ...now, [end]: event.target.value }))}
            choices={practice.points}
          />
        ))}
        <button
          type="button"
          className="key"
          onClick={() => fetcher.load(hrefOf({ ...ends, n: read[across]?.length ?? 0 }))}
        >
          Read it
        </button>
      </div>
      {read[across] && (
        <p data-taped="across">
          The tape says <b className="font-[650]">{read[across].join(", then ")}</b>
        </p>
      )}
    </section>
  );
}
