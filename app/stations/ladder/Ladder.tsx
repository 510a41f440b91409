import { Check, Circle, Minus } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { v4 as uuid } from "uuid";
import type { Rung as Judged } from "../../../core/ladder/ladder.ts";
import { firstOf, useKeep } from "../../entry/use-keep.ts";
import { TextField } from "../../ui/Field.tsx";
import { rigAddress } from "../frame/address.ts";

/** A rung in the reader's units. */
type Rung = Omit<Judged, "why"> & { why: string };

type Props = { rungs: Rung[]; rigId: number; person: string };

const MARKS = {
  good: { Mark: Check, tone: "border-ok bg-ok text-sheet" },
  "not yet": { Mark: Circle, tone: "border-ink" },
  "not applicable": { Mark: Minus, tone: "border-line text-soft" },
};

/** Every rung from the first to the first strip proved; what nobody but a person can know is ticked by one. */
export function Ladder({ rungs, rigId, person }: Props) {
  const [who, setWho] = useState(person);
  const [problem, setProblem] = useState<string | null>(null);
  const { keep } = useKeep(rigAddress(rigId, "keep"));
  const tick = async ({ key, label }: Rung) => {
    const kept = await keep({ id: uuid(), intent: "rung", rung: key, person: who }, label);
    setProblem(kept.state === "refused" ? firstOf(kept.errors) : null);
  };
  return (
    <div className="grid gap-3">
      {rungs.some(({ byPerson, state }) => byPerson && state === "not yet") && (
        <TextField
          label="Who looks"
          name="who"
          value={who}
          onChange={(event) => setWho(event.target.value)}
          autoComplete="name"
          className="max-w-[260px]"
          problem={problem ?? undefined}
        />
      )}
      <ol>
        {rungs.map((rung, at) => (
          <RungLine key={rung.key} rung={rung} at={at + 1} rigId={rigId} onTick={() => tick(rung)} />
        ))}
      </ol>
    </div>
  );
}

type LineProps = { rung: Rung; at: number; rigId: number; onTick: () => void };

function RungLine({ rung: { key, label, state, why, next, byPerson }, at, rigId, onTick }: LineProps) {
  const { Mark, tone } = MARKS[state];
  return (
    <li
      className="grid min-h-14 grid-cols-[34px_1fr_auto] items-center gap-3 border-b border-hair py-1.5"
      data-rung={key}
      data-state={state}
    >
      <span className={`grid size-8 place-items-center rounded-[3px] border-2 ${tone}`}>
        <Mark size={20} aria-label={state} />
      </span>
      <span className="leading-tight">
        <b className={`text-lead ${state === "not applicable" ? "text-soft" : ""}`}>
          {at}. {label}
        </b>
        <span className="block text-soft">
          {state === "not applicable" ? "Does not apply. " : ""}
          {why}
        </span>
      </span>
      {state === "not yet" &&
        (byPerson ? (
          <button type="button" className="key" onClick={onTick} aria-label={`Seen: ${label}`}>
            Seen
          </button>
        ) : (
          next && (
            <Link to={rigAddress(rigId, next.path)} className="key" aria-label={`${next.label}: ${label}`}>
              {next.label}
            </Link>
          )
        ))}
    </li>
  );
}
