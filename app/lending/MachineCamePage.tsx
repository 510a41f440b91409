import { Form, Link } from "react-router";
import type { Route } from "../routes/+types/machine-came";
import { TextField } from "../ui/Field.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { CameRow, MachineCame } from "./lending-view.server.ts";

export function MachineCamePage({
  loaderData: { preferences, fileName, taken, view },
  actionData,
}: Route.ComponentProps) {
  const errors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here="files">
      <div>
        <h1>
          {view.name}, from {view.from}
        </h1>
        <p className="text-lead text-soft">
          {fileName}, written {view.written}.
        </p>
      </div>
      <p className="font-semibold" role="status">
        {taken ? "It was taken over. " : "Nothing is taken over yet. "}
        {view.onto
          ? `It is ${view.onto.name}, known again: ${view.onto.because}.`
          : "It is not here yet: a new machine is made."}
      </p>
      <div className="grid grid-cols-[1fr_360px] gap-8 max-lg:grid-cols-1">
        <Figures rows={view.rows} />
        <div className="grid content-start gap-4 max-lg:order-first">
          <Counts counts={view.counts} />
          {!taken && !view.wrong && view.equipped !== "" && (
            <p data-equipped>
              Its {view.equipped} come along, as nothing is told of them here. They stay though the import is
              taken back.
            </p>
          )}
          {!taken && view.wrong && <p className="problem">{view.wrong}</p>}
          {!taken && !view.wrong && <Take view={view} person={preferences.person} errors={errors} />}
          {view.notes.length > 0 && (
            <ul className="list-disc pl-5 text-small" aria-label="To know">
              {view.notes.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
          )}
          <Link to="/files" className="flex min-h-11 items-center font-semibold text-dye">
            All files
          </Link>
        </div>
      </div>
    </YardFrame>
  );
}

function Counts({ counts }: Pick<MachineCame, "counts">) {
  return (
    <dl className="grid">
      {counts.map(({ label, count }) => (
        <div key={label} className="flex justify-between gap-3 border-b border-hair py-1">
          <dt>{label}</dt>
          <dd className="font-bold">{count}</dd>
        </div>
      ))}
    </dl>
  );
}

function Take({
  view,
  person,
  errors,
}: {
  view: MachineCame;
  person: string;
  errors: Record<string, string>;
}) {
  return (
    <Form method="post" className="grid gap-2" noValidate>
      {errors.form && <p className="problem">{errors.form}</p>}
      <TextField name="person" label="Your name" defaultValue={person} problem={errors.person} />
      <TextField
        name="here"
        label="What this yard is called"
        hint={`so ${view.from} knows where it was`}
        defaultValue={view.here}
        problem={errors.here}
      />
      <button type="submit" className="key-main justify-self-start">
        Take it over
      </button>
      <p className="text-small text-soft">
        As one import: under Files it is taken back as one. What is read here and there counts by when it was
        read.
      </p>
    </Form>
  );
}

const BECOMES: Record<CameRow["becomes"], { word: string; tone: string }> = {
  new: { word: "new here", tone: "" },
  file: { word: "counts from now on", tone: "text-warn" },
  here: { word: "older: what is here stays", tone: "text-soft" },
  same: { word: "the same", tone: "text-soft" },
};
const ORDER = ["file", "new", "here", "same"];

/** What changes stands first. */
function Figures({ rows }: { rows: CameRow[] }) {
  const sorted = [...rows].sort((a, b) => ORDER.indexOf(a.becomes) - ORDER.indexOf(b.becomes));
  if (rows.length === 0) return <p>Nothing that was measured is in it.</p>;
  return (
    <ul className="grid content-start" aria-label="Figures">
      {sorted.map(({ id, where, label, here, file, who, becomes, weaker }) => (
        <li
          key={id}
          className="grid gap-x-4 border-b border-hair py-1.5 sm:grid-cols-[1fr_220px]"
          data-becomes={becomes}
        >
          <div>
            <b>{label}</b>
            {where && <span className="text-soft">, {where}</span>}
            <span className={`block text-small font-semibold ${BECOMES[becomes].tone}`}>
              {BECOMES[becomes].word}
              {weaker && ", though read less well than what is here"}
            </span>
          </div>
          <div className="tabular-nums">
            <b>{file}</b>
            <span className="block text-small text-soft">
              {who}
              {becomes !== "new" && becomes !== "same" && `; here ${here}`}
            </span>
          </div>
        </li>
      ))}
    </ul>
  );
}
