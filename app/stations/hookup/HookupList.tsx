import { Check, Clock, ShieldAlert, Square, SquareCheck } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { GROUPS } from "../../../core/subject/hookup-line.ts";
import { useSigned } from "../../entry/signed.tsx";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { throwAway, useWaiting } from "../../offline/use-waiting.ts";
import { TextField } from "../../ui/Field.tsx";
import type { HookupRow, HookupView } from "./hookup-view.server.ts";
import { type ShownRow, type ShownView, withWaiting } from "./waiting-ticks.ts";

type Props = { view: HookupView; action: string; person: string };

/** The list in order, ticked with a thumb. Ticks wait on the device where there is no connection. */
export function HookupList({ view: kept, action, person }: Props) {
  const view = withWaiting(kept, useWaiting(action));
  const { keep: sign, name } = useSigned(action, person, "Who hooks up");
  const keep: Keep = async (fields, label) => (await sign(fields, label)).problem;
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        {name}
        <Coupling view={view} keep={keep} />
        <button type="button" className="key max-sm:hidden" onClick={() => window.print()}>
          Print the list
        </button>
      </div>
      <div className="grid gap-3 print:block print:columns-2 print:gap-6">
        {GROUPS.map((group) => {
          const rows = view.rows.filter((row) => row.group === group);
          if (rows.length === 0) return null;
          return (
            <section key={group} aria-label={group}>
              <h2 className="break-after-avoid border-b-2 border-ink pb-1">{group}</h2>
              <ul>
                {rows.map((row) => (
                  <Line key={row.key} row={row} keep={keep} action={action} />
                ))}
              </ul>
            </section>
          );
        })}
      </div>
      {view.log.length > 0 && (
        <section aria-label="Log" className="no-print">
          <h2>Coupled and uncoupled</h2>
          <ul>
            {view.log.map(({ id, said }) => (
              <li key={id} className="flex items-center justify-between border-t border-hair">
                {said}
                <TakeBack id={id} action={action} label={`Take back: ${said}`} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

type Keep = (fields: Record<string, string>, label: string) => Promise<string | null>;

function Coupling({ view: { coupled, instead, open }, keep }: { view: ShownView; keep: Keep }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const record = async (kind: "coupled" | "uncoupled", ends = false) => {
    setAsked(false);
    setProblem(await keep({ intent: "coupling", kind, instead: ends ? "yes" : "" }, kind));
  };
  return (
    <div className="grid gap-1" data-coupled={coupled !== null}>
      {coupled ? (
        <>
          <p className="font-semibold text-ok">Coupled {coupled.said}</p>
          <button type="button" className="key" onClick={() => record("uncoupled")}>
            Uncoupled again
          </button>
        </>
      ) : (
        <>
          {asked && instead ? (
            <div
              role="alertdialog"
              aria-label="One rig at a time"
              className="grid max-w-[460px] gap-2 border-l-[5px] border-warn p-2"
            >
              <p>{instead}</p>
              <p className="flex flex-wrap gap-2">
                <button type="button" className="key-main" onClick={() => record("coupled", true)}>
                  End that, couple this
                </button>
                <button type="button" className="key" onClick={() => setAsked(false)}>
                  Cancel
                </button>
              </p>
            </div>
          ) : (
            <button
              type="button"
              className="key-main"
              onClick={() => (instead ? setAsked(true) : record("coupled"))}
            >
              It is coupled
            </button>
          )}
          {open && <p className="text-small text-soft">{open}</p>}
        </>
      )}
      {problem && (
        <p role="alert" className="problem max-w-[420px]">
          {problem}
        </p>
      )}
    </div>
  );
}

function Line({ row, keep, action }: { row: ShownRow; keep: Keep; action: string }) {
  const { key, text, metric, protects, stop, cites, done, waits, lapsed, held } = row;
  const [problem, setProblem] = useState<string | null>(null);
  // A ticked box stays where the keyboard is: the next line is one key away.
  const tick = async () => {
    if (done) return;
    if (held) setProblem(held);
    else setProblem(await keep({ intent: "tick", line: key, said: metric, state: "done", reason: "" }, text));
  };
  const Mark = done ? SquareCheck : Square;
  return (
    <li
      data-line={key}
      data-done={done !== null}
      data-waits={waits !== null}
      className="grid break-inside-avoid gap-0.5 border-b border-hair py-1.5 print:py-0.5"
    >
      <div className="grid grid-cols-[48px_1fr] items-start gap-2 print:grid-cols-[26px_1fr] print:gap-1">
        <button
          type="button"
          onClick={tick}
          disabled={stop}
          aria-disabled={done !== null}
          aria-label={done ? `Done: ${text}` : `Tick: ${text}`}
          className="on-paper grid size-12 cursor-pointer place-items-center rounded-[3px] disabled:cursor-default aria-disabled:cursor-default print:size-6"
        >
          {stop ? (
            <svg width="22" height="22" aria-hidden="true" className="text-stop">
              <path d="M3 3h16v16H3z" fill="currentColor" />
            </svg>
          ) : (
            <Mark
              size={30}
              aria-hidden="true"
              className={waits ? "text-warn" : done ? "text-ok" : held ? "text-soft opacity-50" : ""}
            />
          )}
        </button>
        <div className="grid gap-0.5 leading-snug">
          <p
            className={`${stop ? "font-semibold text-stop" : done ? "text-soft" : "font-semibold"} text-[16px] print:text-[13px]`}
          >
            {protects && !stop && (
              <ShieldAlert
                size={17}
                aria-label="protects people"
                className="mr-1 inline-block align-[-3px] text-warn"
              />
            )}
            {text}
          </p>
          {cites.map(({ label, value, who, href }) => (
            <p key={label} className="text-small text-soft print:text-[11px] print:leading-tight">
              from{" "}
              <Link to={href} className="underline">
                {label}: {value}
              </Link>
              , {who}
            </p>
          ))}
          {lapsed && <p className="text-small font-semibold text-warn">{lapsed}</p>}
          {done && (
            <p className={`flex items-center gap-1 text-small ${waits ? "text-warn" : "text-ok"}`}>
              {waits ? <Clock size={15} aria-hidden="true" /> : <Check size={15} aria-hidden="true" />}
              {done.said}
              {waits ? (
                <button
                  type="button"
                  className="min-h-11 cursor-pointer px-2 underline"
                  aria-label={`Take back: ${text}`}
                  onClick={() => throwAway(waits)}
                >
                  Take back
                </button>
              ) : (
                <TakeBack id={done.id} action={action} label={`Take back: ${text}`} />
              )}
            </p>
          )}
          {problem && (
            <p role="alert" className="problem">
              {problem}
            </p>
          )}
          {!done && <NotApplicable row={row} keep={keep} onProblem={setProblem} />}
        </div>
      </div>
    </li>
  );
}

/** A line is never skipped, only declared not to apply, with a reason that stays in the log. */
function NotApplicable({
  row: { key, text, metric },
  keep,
  onProblem,
}: {
  row: HookupRow;
  keep: Keep;
  onProblem: (problem: string | null) => void;
}) {
  const [reason, setReason] = useState("");
  const [open, setOpen] = useState(false);
  const declare = async (event: React.FormEvent) => {
    event.preventDefault();
    const problem = await keep(
      { intent: "tick", line: key, said: metric, state: "not applicable", reason },
      `does not apply: ${text}`,
    );
    onProblem(problem);
    if (problem === null) setOpen(false);
  };
  if (!open)
    return (
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={`Does not apply here: ${text}`}
        className="min-h-11 cursor-pointer justify-self-start pr-4 text-left text-small text-soft underline"
      >
        Does not apply here
      </button>
    );
  return (
    <form onSubmit={declare} className="flex flex-wrap items-end gap-2" noValidate>
      <TextField
        name="reason"
        label="Why does it not apply?"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <button type="submit" className="key">
        Save
      </button>
      <button type="button" className="key" onClick={() => setOpen(false)}>
        Leave it
      </button>
    </form>
  );
}
