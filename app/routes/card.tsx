import { RadioGroup } from "radix-ui";
import { useEffect, useState } from "react";
import { data, Link, useFetcher } from "react-router";
import { findScheme, setTerminal } from "../../data/schemes.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { type CardRow, type CardView, viewCard } from "../stations/card-view.server.ts";
import { RigFrame } from "../stations/RigFrame.tsx";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import { TerminalDto } from "../stations/terminal.dto.ts";
import { GradeMark } from "../ui/Grade.tsx";
import { SeverityMark, severityWash } from "../ui/Severity.tsx";
import type { Route } from "./+types/card";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "card"), card: viewCard(open) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const { db, rig } = await openRig(request, params.rigId);
  const checked = validateForm(TerminalDto, ["schemeId", "profileName"], await request.formData());
  if (!checked.ok) return data({ errors: checked.errors }, { status: 422 });
  if (!findScheme(db, checked.value.schemeId))
    return data({ errors: { schemeId: "There is no such scheme." } as FieldErrors }, { status: 422 });
  setTerminal(db, rig.tractor.id, checked.value);
  return data({ errors: {} as FieldErrors });
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Cab card, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" }];
}

export default function CabCard({ loaderData: { frame, card } }: Route.ComponentProps) {
  const { id } = frame.rig;
  const hrefOf = (target: string) => `/rigs/${id}/tool?at=${target}`;
  return (
    <RigFrame
      view={frame}
      station="card"
      hrefOf={hrefOf}
      lit={null}
      ways={{ next: card.stops[0]?.href ?? null, below: null, above: null, close: null }}
    >
      <div className="grid gap-3">
        <div className="flex flex-wrap items-start justify-between gap-3">
          <div>
            <h1>Cab card</h1>
            <p className="text-lead text-soft">{card.scheme.asks}</p>
          </div>
          {card.ready && (
            <p className="flex gap-2">
              <Link className="key-main" to={`/rigs/${id}/card/print`}>
                Print
              </Link>
              <a className="key" href={`/rigs/${id}/taskdata.zip`} download>
                ISO 11783-10 file
              </a>
            </p>
          )}
        </div>
        {!card.ready && <Blocked card={card} />}
        {card.cautions.map((caution) => (
          <p key={caution} className={`border-l-[5px] px-3 py-2 ${severityWash("check")}`}>
            <SeverityMark severity="check" /> {caution}
          </p>
        ))}
        <TerminalForm card={card} />
        {card.pages.map(({ page, rows }) => (
          <section key={page} aria-label={page}>
            <h2 className="border-b-2 border-ink pb-1">{page}</h2>
            <ul>
              {rows.map((row) => (
                <Row key={row.label} row={row} />
              ))}
            </ul>
          </section>
        ))}
      </div>
    </RigFrame>
  );
}

function Blocked({ card: { stops } }: { card: CardView }) {
  return (
    <section aria-label="What blocks this card" className="grid gap-1.5">
      <p className="text-lead font-[720] text-stop">
        Do not type this in yet. No print and no file until it is put right:
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

function TerminalForm({ card: { schemes, terminal } }: { card: CardView }) {
  const fetcher = useFetcher<typeof action>();
  const [name, setName] = useState(terminal.profileName);
  const [problems, setProblems] = useState<FieldErrors>({});
  useEffect(() => setName(terminal.profileName), [terminal.profileName]);
  const save = (schemeId: string, profileName: string) => {
    const form = new FormData();
    form.set("schemeId", schemeId);
    form.set("profileName", profileName);
    const checked = validateForm(TerminalDto, ["schemeId", "profileName"], form);
    setProblems(checked.ok ? {} : checked.errors);
    if (checked.ok) fetcher.submit(form, { method: "post" });
  };
  const errors = { ...fetcher.data?.errors, ...problems };
  return (
    <div className="grid grid-cols-[1fr_220px] gap-4 max-sm:grid-cols-1">
      <fieldset>
        <legend className="font-bold">How the terminal in this cab asks</legend>
        <RadioGroup.Root
          value={terminal.schemeId}
          onValueChange={(schemeId) => save(schemeId, name)}
          aria-label="How the terminal in this cab asks"
          className="mt-1 grid grid-cols-2 gap-1.5"
        >
          {schemes.map((scheme) => (
            <RadioGroup.Item
              key={scheme.id}
              value={scheme.id}
              className="min-h-11 cursor-pointer rounded-[3px] border-[1.5px] border-line px-3 text-left font-semibold data-[state=checked]:border-dye data-[state=checked]:bg-dye-wash data-[state=checked]:text-dye"
            >
              {scheme.name}
            </RadioGroup.Item>
          ))}
        </RadioGroup.Root>
        {errors.schemeId && <p className="problem">{errors.schemeId}</p>}
      </fieldset>
      <form
        className="grid content-start gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          save(terminal.schemeId, name.trim());
        }}
      >
        <label className="grid gap-1 font-bold">
          Profile name on the terminal
          <input
            className="field font-normal"
            value={name}
            onChange={(event) => setName(event.target.value)}
            aria-invalid={errors.profileName !== undefined}
          />
        </label>
        {errors.profileName && <p className="problem">{errors.profileName}</p>}
        {name.trim() !== terminal.profileName && (
          <button type="submit" className="key">
            Keep name
          </button>
        )}
      </form>
    </div>
  );
}

/** The figure, large; press it for the chain behind. */
function Row({ row }: { row: CardRow }) {
  return (
    <li className="border-b border-hair" data-card-line={row.label}>
      <details>
        <summary className="grid min-h-11 cursor-pointer grid-cols-[1fr_auto_96px] items-center gap-3">
          <span>{row.label}</span>
          {row.figure === null ? (
            <span className="font-semibold text-stop">not yet: {row.blockedBy}</span>
          ) : (
            <span className="text-value font-[680]" data-figure>
              {row.figure}{" "}
              <span className="text-body font-normal">{[row.unit, row.word].filter(Boolean).join(" ")}</span>
            </span>
          )}
          {row.grade ? <GradeMark grade={row.grade} /> : <span />}
        </summary>
        <div className="grid gap-1 pb-2 pl-4">
          <p className="text-soft">{row.derivation}</p>
          <ul>
            {row.links.map(({ letter, label, text, grade }) => (
              <li key={letter} className="grid grid-cols-[24px_1fr_auto_96px] gap-2">
                <b className="text-dye">{letter}</b>
                {label} <span className="font-semibold">{text}</span> <GradeMark grade={grade} />
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
