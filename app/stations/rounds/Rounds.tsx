import { Check, Circle } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { useSigned } from "../../entry/signed.tsx";
import { useWaiting, WAITS_HERE } from "../../offline/use-waiting.ts";
import { Radios } from "../../ui/Radios.tsx";
import type { RoundLine, RoundsView } from "./rounds.server.ts";

const ROUNDS = { morning: "Morning", aboard: "Aboard", evening: "Evening" } as const;
type Round = keyof typeof ROUNDS;

type Props = { view: RoundsView; action: string; log: string; person: string };

/** One of the day's rounds, ticked line by line by who stands at the machine. */
export function Rounds({ view, action, log, person }: Props) {
  const [round, setRound] = useState<Round>(new Date().getHours() < 13 ? "morning" : "evening");
  const { keep, name } = useSigned(action, person, "Who looks");
  const waiting = new Map(
    useWaiting(action)
      .filter(({ fields }) => fields.intent === "service-done")
      .map(({ fields }) => [fields.item, fields.person]),
  );
  const doneBy = (line: RoundLine) =>
    line.done ?? (waiting.has(String(line.id)) ? `${waiting.get(String(line.id))}; ${WAITS_HERE}` : null);
  const lines = view[round];
  const done = lines.filter((line) => doneBy(line) !== null).length;
  return (
    <div className="grid gap-4">
      <Radios
        label="Which round"
        value={round}
        choices={(Object.keys(ROUNDS) as Round[]).map((value) => ({ value, label: ROUNDS[value] }))}
        onChoose={setRound}
        className="max-w-[480px] grid-cols-3"
      />
      <p className="text-lead" data-round={round} data-done={`${done}/${lines.length}`}>
        {lines.length === 0 ? (
          "Nothing is on this list."
        ) : (
          <>
            <b className={done === lines.length ? "text-ok" : "text-ink"}>
              {done} of {lines.length}
            </b>{" "}
            done today{done === lines.length ? "." : ": go round it once."}
          </>
        )}
      </p>
      {round === "morning" && (
        <p className="border-l-4 border-warn bg-warn-wash px-3 py-2">
          Engine off, key out, shaft still, what is lifted on the ground or locked, before anybody reaches in.
        </p>
      )}
      {round === "evening" && view.open.length > 0 && (
        <ul data-open>
          {view.open.map((text) => (
            <li key={text} className="flex min-h-11 items-center gap-2 font-semibold text-warn">
              {text}{" "}
              <Link to={log} className="underline">
                To the log
              </Link>
            </li>
          ))}
        </ul>
      )}
      {lines.length > 0 && name}
      <ul>
        {lines.map((line) => (
          <Line
            key={line.id}
            line={line}
            done={doneBy(line)}
            onTick={async () =>
              (await keep({ intent: "service-done", item: String(line.id) }, line.name)).problem
            }
          />
        ))}
      </ul>
      {view.unknown > 0 && round === "morning" && (
        <p className="font-semibold text-warn">
          Of {view.unknown} {view.unknown === 1 ? "interval" : "intervals"} it is not known whether{" "}
          {view.unknown === 1 ? "it is" : "they are"} due: say at the machine when they were done last.
        </p>
      )}
      <ul className="text-soft">
        {view.machines.map(({ id, name: machine, listed }) => (
          <li key={id}>
            <Link to={`/machines/${id}/service`} className="flex min-h-11 items-center">
              Service of {machine}
              {!listed && <b className="pl-1 text-warn">: nothing on its list</b>}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

type LineProps = { line: RoundLine; done: string | null; onTick: () => Promise<string | null> };

function Line({ line: { name, machine, kind, points, note, due }, done, onTick }: LineProps) {
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <li
      data-service={name}
      data-state={done === null ? "open" : "done"}
      className="grid min-h-14 grid-cols-[34px_1fr_auto] items-center gap-3 border-b border-hair py-1.5"
    >
      <span
        className={`grid size-8 place-items-center rounded-[3px] border-2 ${done === null ? "border-ink" : "border-ok bg-ok text-sheet"}`}
      >
        {done === null ? <Circle size={20} aria-label="open" /> : <Check size={20} aria-label="done" />}
      </span>
      <span className="leading-tight">
        <b className="text-lead">{name}</b>
        {points !== null && <b>, {points} points</b>}
        <span className="block text-soft">
          {machine}, {kind.toLowerCase()}
        </span>
        {due && done === null && <span className="block font-semibold text-stop">Due: {due}</span>}
        {note && <span className="block text-soft">{note}</span>}
        {done && <span className="block text-soft">{done}</span>}
        {problem && (
          <span role="alert" className="problem block">
            {problem}
          </span>
        )}
      </span>
      {done === null && (
        <button
          type="button"
          className="key"
          aria-label={`Done: ${name}, ${machine}`}
          onClick={async () => setProblem(await onTick())}
        >
          Done
        </button>
      )}
    </li>
  );
}
