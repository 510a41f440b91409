import { useState } from "react";
import { Form, Link, useFetcher } from "react-router";
import type { StepOfEntry } from "../../../core/card/order.ts";
import { isNothing } from "../../../core/quantity/figure.ts";
import type { Route } from "../../routes/+types/card";
import type { Outcome } from "../../session/outcome.ts";
import { type FieldErrors, validateForm } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { GradeMark } from "../../ui/Grade.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { SeverityMark, severityWash } from "../../ui/Severity.tsx";
import { rigAddress } from "../frame/address.ts";
import { PageHead } from "../frame/PageHead.tsx";
import { RigFrame } from "../frame/RigFrame.tsx";
import type { CardRow, CardView } from "./card-view.server.ts";
import { TerminalDto } from "./terminal.dto.ts";

export function CardPage({ loaderData: { frame, card }, actionData }: Route.ComponentProps) {
  const { id } = frame.rig;
  return (
    <RigFrame view={frame} station="card" ways={{ next: card.stops[0]?.href ?? null }}>
      <div className="grid gap-3">
        <PageHead title="Cab card">{card.scheme.asks}</PageHead>
        {card.works && !card.ready && <Blocked card={card} />}
        <InTheCab
          card={card}
          rigId={id}
          person={frame.preferences.person}
          errors={actionData?.errors ?? {}}
        />
        {card.cautions.map((caution) => (
          <p key={caution} className={`border-l-[5px] px-3 py-2 ${severityWash("check")}`}>
            <SeverityMark severity="check" /> {caution}
          </p>
        ))}
        {!card.works && (
          <p className="flex flex-wrap gap-2">
            {frame.tools
              .filter(({ now }) => !now)
              .map(({ id: tool, label, href }) => (
                <Link key={tool} to={href} className="key-main">
                  {label}
                </Link>
              ))}
          </p>
        )}
        {card.works && <TerminalForm key={card.profile.of} card={card} />}
        {(card.works ? card.pages : []).map(({ page, rows }) => (
          <section key={page} aria-label={page}>
            <h2 className="border-b-2 border-ink pb-1">{page}</h2>
            <ul>
              {rows.map((row) => (
                <Row key={row.label} row={row} />
              ))}
            </ul>
          </section>
        ))}
        {card.works && <Order steps={card.order} />}
        <p className="flex flex-wrap gap-3">
          {frame.tools.length > 1 && card.printable > 0 && (
            <Link className="key" to={rigAddress(id, "cards/all/print")}>
              {card.printable === frame.tools.length
                ? "Print a page for every tool"
                : `Print the pages of ${card.printable} of ${frame.tools.length} tools`}
            </Link>
          )}
          <a className="key" href={rigAddress(id, "readings.csv")} download>
            Readings as CSV
          </a>
          {card.earlier.map(({ number, issued }) => (
            <Link key={number} className="key" to={rigAddress(id, `cards/${number}/print`)}>
              Card {number}, {issued}
            </Link>
          ))}
        </p>
      </div>
    </RigFrame>
  );
}

/** In what order the terminal is set up. */
function Order({ steps }: { steps: readonly StepOfEntry[] }) {
  return (
    <Folded summary="In what order to type it in" className="border-t border-line">
      <ol className="grid list-decimal gap-0.5 pb-2 pl-6 leading-snug">
        {steps.map(({ key, step, why }) => (
          <li key={key}>
            <b className="font-[650]">{step}</b>: <span className="text-soft">{why}</span>
          </li>
        ))}
      </ol>
    </Folded>
  );
}

/** What is in the cab: nothing yet, the card as it stands, or an older one with what to type again. */
function InTheCab({
  card: { cab, ready, file },
  rigId,
  person,
  errors,
}: {
  card: CardView;
  rigId: number;
  person: string;
  errors: FieldErrors;
}) {
  const changed = cab !== null && cab.retype.length > 0;
  const issuable = ready && (cab === null || changed);
  return (
    <section aria-label="In the cab" className="grid gap-2">
      {cab && !changed && (
        <p className="text-lead">
          <strong className="font-[720]">Card {cab.number} is in the cab</strong>, issued {cab.issued}.{" "}
          <ReadBackWord cab={cab} />
        </p>
      )}
      {cab && changed && (
        <div className={`grid gap-1 border-l-[5px] px-3 py-2 ${severityWash("fix")}`} data-retype>
          <p>
            <SeverityMark severity="fix" />{" "}
            <strong className="font-[720]">
              This cab still has card {cab.number}: retype{" "}
              {cab.retype.length === 1 ? "this one" : `these ${cab.retype.length}`}.
            </strong>
          </p>
          <ul>
            {cab.retype.map(({ page, label, was, now }) => (
              <li key={page + label}>
                {page}, {label}: <s className="text-soft">{was ?? "not there"}</s>{" "}
                <b>{now ?? "not to be typed now"}</b>
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap items-end gap-2">
        {issuable && (
          <Form method="post" className="flex flex-wrap items-end gap-2">
            <input type="hidden" name="intent" value="issue" />
            {person === "" || errors.person ? (
              <TextField name="person" label="Your name" defaultValue={person} problem={errors.person} />
            ) : (
              <input type="hidden" name="person" value={person} />
            )}
            <button type="submit" className="key-main">
              {cab ? "Issue a new card" : "Issue card"}
            </button>
          </Form>
        )}
        {cab && (
          <>
            <Link
              className={changed ? "key" : "key-main"}
              to={rigAddress(rigId, `cards/${cab.number}/read-back`)}
            >
              Read back
            </Link>
            <Link className="key" to={rigAddress(rigId, `cards/${cab.number}/print`)}>
              Print card {cab.number}
            </Link>
            <a className="key" href={rigAddress(rigId, `cards/${cab.number}.pdf`)} download>
              PDF
            </a>
          </>
        )}
        {file && (
          <a className="key" href={rigAddress(rigId, "taskdata.zip")} download>
            ISO 11783-10 file
          </a>
        )}
      </div>
      {ready && !file && (
        <p className="text-soft">
          The ISO 11783-10 file describes the whole rig: it waits until nothing stops its other tools.
        </p>
      )}
      {issuable && !cab && (
        <p className="text-soft">
          Issuing numbers the card and freezes it, so that you can tell later what is in this cab.
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
    </section>
  );
}

function ReadBackWord({ cab: { readBack } }: { cab: NonNullable<CardView["cab"]> }) {
  const { matched, differing, lines } = readBack;
  if (differing > 0)
    return (
      <b className="font-[650] text-stop">
        {differing} {differing === 1 ? "line differs" : "lines differ"} on the terminal.
      </b>
    );
  if (matched === lines) return <b className="font-[650] text-ok">All {lines} lines read back.</b>;
  return (
    <span className="text-soft">
      {matched === 0 ? "Not read back yet." : `${matched} of ${lines} lines read back.`}
    </span>
  );
}

function Blocked({ card: { stops } }: { card: CardView }) {
  return (
    <section aria-label="What blocks this card" className="grid gap-1.5">
      <p className="text-lead font-[720] text-stop">
        Do not type this in yet. No new card and no file until it is put right:
      </p>
      {stops.map(({ id, what, why, label, href }) => (
        <div
          key={id}
          className={`grid grid-cols-[70px_1fr_auto] items-center gap-3 border-l-[5px] px-3 py-1.5 ${severityWash("stop")}`}
        >
          <SeverityMark severity="stop" />
          <p className="leading-snug">
            <strong className="font-[720]">{what}</strong> {why}
          </p>
          <Link to={href} className="inline-grid min-h-11 place-items-center font-bold text-dye">
            {label}
          </Link>
        </div>
      ))}
      {stops.length === 0 && <p>A figure this terminal asks for is not there yet: see below.</p>}
    </section>
  );
}

function TerminalForm({ card: { schemes, terminal, profile: now } }: { card: CardView }) {
  const fetcher = useFetcher<Outcome>();
  const [name, setName] = useState(terminal.name);
  const [profile, setProfile] = useState(now.name);
  const [problems, setProblems] = useState<FieldErrors>({});
  const save = (schemeId: string) => {
    const form = new FormData();
    form.set("schemeId", schemeId);
    form.set("profileName", profile.trim());
    form.set("name", name.trim());
    const checked = validateForm(TerminalDto, form);
    setProblems(checked.ok ? {} : checked.errors);
    if (checked.ok) fetcher.submit(form, { method: "post" });
  };
  const changed = name.trim() !== terminal.name || profile.trim() !== now.name;
  const errors: FieldErrors = { ...fetcher.data?.errors, ...problems };
  const chosen = schemes.find(({ id }) => id === terminal.schemeId);
  return (
    <div className="grid gap-1 border-t border-line pt-2">
      <form
        className="grid grid-cols-[1fr_1fr_auto] items-start gap-3 max-sm:grid-cols-1"
        onSubmit={(event) => {
          event.preventDefault();
          save(terminal.schemeId);
        }}
      >
        <TextField
          label="Terminal in this cab"
          placeholder="what you call it"
          value={name}
          onChange={(event) => setName(event.target.value)}
          problem={errors.name}
        />
        <TextField
          label="Profile name on it"
          hint={`of ${now.of}; each tool and each of its variants has its own`}
          value={profile}
          onChange={(event) => setProfile(event.target.value)}
          problem={errors.profileName}
        />
        {changed && (
          <button type="submit" className="key mt-6.5 max-sm:mt-0">
            Save names
          </button>
        )}
      </form>
      <details>
        <summary className="min-h-11 cursor-pointer py-2.5">
          <b>The terminal in this cab asks:</b>{" "}
          <span className="font-semibold text-dye">{chosen?.name}. Change</span>
        </summary>
        <Radios
          label="How the terminal in this cab asks"
          value={terminal.schemeId}
          choices={schemes.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={save}
          className="mt-1 grid-cols-2 max-sm:grid-cols-1"
          looks="py-1 text-left"
        />
        {errors.schemeId && <p className="problem">{errors.schemeId}</p>}
        <p className="pt-2">
          <Link to={`/schemes/new?from=${terminal.schemeId}`} className="font-semibold text-dye">
            It asks in another way: make a scheme
          </Link>
        </p>
      </details>
    </div>
  );
}

/** The figure, large; press it for the chain behind. */
function Row({ row }: { row: CardRow }) {
  return (
    <li className="border-b border-hair" data-card-line={row.label}>
      <details open={row.figure === null}>
        <summary className="grid min-h-11 cursor-pointer grid-cols-[1fr_auto_96px] items-center gap-3">
          <span className="leading-snug">
            {row.label}
            {row.rounding && !isNothing(row.rounding) && (
              <span className="block text-small text-soft">rounded by {row.rounding}</span>
            )}
          </span>
          {row.figure === null ? (
            <span className="font-semibold text-stop">not yet: {row.blockedBy}</span>
          ) : (
            <span className="text-value font-[680]" data-figure>
              {row.figure}{" "}
              <span className="text-body font-normal">{[row.unit, row.word].filter(Boolean).join(" ")}</span>
            </span>
          )}
          {row.grade && row.figure !== null ? <GradeMark grade={row.grade} stale={row.stale} /> : <span />}
        </summary>
        <div className="grid gap-1 pb-2 pl-4">
          <p className="text-soft">{row.derivation}</p>
          <ul>
            {row.links.map(({ letter, label, text, grade, href }) => (
              <li key={letter + label} className="grid grid-cols-[24px_1fr_auto_96px] items-center gap-2">
                <b className="text-dye">{letter}</b>
                <Link to={href} className="inline-flex min-h-11 items-center text-dye">
                  {label}
                </Link>{" "}
                <span className="font-semibold">{grade === "missing" ? "" : text}</span>{" "}
                <GradeMark grade={grade} />
              </li>
            ))}
          </ul>
          {row.total && <p className="font-bold">Sum {row.total}</p>}
          {row.rounding && <p className="text-soft">The terminal's rounding changes it by {row.rounding}.</p>}
        </div>
      </details>
    </li>
  );
}
