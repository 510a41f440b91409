import { Check, Minus, X } from "lucide-react";
import { useState } from "react";
import { Form, Link } from "react-router";
import { type Comparison, compareShown } from "../../../core/card/read-back.ts";
import type { Route } from "../../routes/+types/read-back";
import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { rigAddress } from "../frame/address.ts";
import { PageHead } from "../frame/PageHead.tsx";
import { RigFrame } from "../frame/RigFrame.tsx";
import type { ReadBackRow } from "./numbered-view.server.ts";

export function ReadBackPage({ loaderData, actionData }: Route.ComponentProps) {
  const { frame, number, outdated, where, rows } = loaderData;
  const { id } = frame.rig;
  const errors: FieldErrors = actionData?.errors ?? {};
  const pages = [...new Set(rows.map(({ page }) => page))];
  return (
    <RigFrame view={frame} station="card" ways={{ close: rigAddress(id, "card") }}>
      <Form
        method="post"
        className="grid gap-3"
        key={`${number}-${actionData?.ok ? actionData.kept.said : ""}`}
        noValidate
      >
        <PageHead title={`Read back card ${number}`}>
          Type what the terminal shows, line by line, as it stands there. In this cab: {where}.{" "}
          <Link to={rigAddress(id, "card")} className="text-dye">
            Back to the card
          </Link>
        </PageHead>
        {outdated && <p className="problem">{outdated}</p>}
        {actionData?.ok && (
          <p className="font-bold text-ok" role="status">
            {actionData.kept.said}
          </p>
        )}
        {pages.map((page) => (
          <section key={page} aria-label={page}>
            <h2 className="border-b-2 border-ink pb-1">{page}</h2>
            <ul>
              {rows
                .filter((row) => row.page === page)
                .map((row) => (
                  <Line key={row.position} row={row} errors={errors} />
                ))}
            </ul>
          </section>
        ))}
        <div className="flex flex-wrap items-end gap-3">
          <TextField
            name="person"
            label="Read back by"
            defaultValue={frame.preferences.person}
            problem={errors.person}
          />
          <button type="submit" className="key-main">
            Save what was read
          </button>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
      </Form>
    </RigFrame>
  );
}

function Line({ row, errors }: { row: ReadBackRow; errors: FieldErrors }) {
  const [text, setText] = useState("");
  const [word, setWord] = useState("");
  const [absent, setAbsent] = useState(false);
  const compared = compareShown(row, { text, word });
  const problem = errors[`shown-${row.position}`] ?? errors[`wrong-${row.position}`];
  const sides = row.form.kind === "length" && row.form.sign.kind === "words" ? row.form.sign : null;
  return (
    <li className="grid gap-1 border-b border-hair py-1.5" data-line={row.label}>
      <div className="grid grid-cols-[1fr_236px_150px] items-center gap-3 max-sm:grid-cols-1 max-sm:gap-1">
        <div className="leading-snug">
          {row.label}
          <span className="block text-small text-soft">
            card: <b className="text-ink">{[row.figure, row.unit, row.word].filter(Boolean).join(" ")}</b>
            {row.lapsed && <span className="text-warn"> lapsed, the figure has changed since</span>}
          </span>
          {text === "" && (
            <label className="flex min-h-8 items-center gap-2 text-small text-soft">
              <input
                type="checkbox"
                name={`absent-${row.position}`}
                value="yes"
                className="size-5"
                checked={absent}
                onChange={(event) => setAbsent(event.target.checked)}
              />
              the terminal has no such line
            </label>
          )}
        </div>
        <div className={`grid gap-1.5 ${sides ? "grid-cols-[1fr_112px]" : ""}`}>
          <input
            name={`shown-${row.position}`}
            aria-label={`${row.label}, the terminal shows`}
            className="field"
            autoComplete="off"
            value={text}
            onChange={(event) => setText(event.target.value)}
            aria-invalid={problem !== undefined || compared.kind === "differs"}
            disabled={absent}
          />
          {row.form.kind === "choice" && text === "" && !absent && (
            <button type="button" className="key" onClick={() => setText(row.figure)}>
              It shows just that
            </button>
          )}
          {sides && (
            <select
              name={`word-${row.position}`}
              aria-label={`${row.label}, side shown`}
              className="field px-1.5"
              value={word}
              onChange={(event) => setWord(event.target.value)}
            >
              <option value="">side?</option>
              <option value={sides.plus}>{sides.plus}</option>
              <option value={sides.minus}>{sides.minus}</option>
            </select>
          )}
        </div>
        <Verdict compared={absent ? { kind: "open" } : compared} row={row} absent={absent} />
      </div>
      {compared.kind === "differs" && !absent && (
        <fieldset className="flex flex-wrap items-center gap-3">
          <legend className="float-left pr-2 font-semibold">Whose number is wrong?</legend>
          <label className="flex min-h-11 items-center gap-2">
            <input type="radio" name={`wrong-${row.position}`} value="terminal" className="size-5" /> the
            terminal's: retype it
          </label>
          <label className="flex min-h-11 items-center gap-2">
            <input type="radio" name={`wrong-${row.position}`} value="card" className="size-5" /> the card's:
            tape again
          </label>
          {row.cures.map(({ letter, href }) => (
            <Link key={letter} to={href} className="font-bold text-dye">
              Tape {letter}
            </Link>
          ))}
        </fieldset>
      )}
      {problem && <p className="problem">{problem}</p>}
    </li>
  );
}

function Verdict({ compared, row, absent }: { compared: Comparison; row: ReadBackRow; absent: boolean }) {
  if (absent) return <Word icon={<Minus size={18} />} tone="text-warn" text="missing on the terminal" />;
  switch (compared.kind) {
    case "match":
      return <Word icon={<Check size={18} />} tone="text-ok" text="matches" />;
    case "differs":
      return <Word icon={<X size={18} />} tone="text-stop" text={`differs by ${compared.by}`} />;
    case "unreadable":
      return <span className="text-small text-stop">{compared.problem}</span>;
    case "open":
      return <LastWord row={row} />;
  }
}

function LastWord({ row: { last, lapsed } }: { row: ReadBackRow }) {
  if (!last) return <span className="text-small text-soft">not read back yet</span>;
  const text = `${{ match: "matched", differs: `differed by ${last.by}`, missing: "was missing" }[last.outcome]}`;
  return (
    <span
      className={`text-small ${lapsed ? "text-soft line-through" : last.outcome === "match" ? "text-ok" : "text-stop"}`}
    >
      {text}
      {last.wrong && `, ${last.wrong}'s number wrong`}
      <span className="block">{last.who}</span>
    </span>
  );
}

function Word({ icon, tone, text }: { icon: React.ReactNode; tone: string; text: string }) {
  return (
    <span className={`flex items-center gap-1 font-bold ${tone}`}>
      <span aria-hidden="true">{icon}</span>
      {text}
    </span>
  );
}
