import { Check, Circle, Minus } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { Rung as Judged } from "../../../core/ladder/ladder.ts";
import { useSigned } from "../../entry/signed.tsx";
import { useWaiting, WAITS_HERE } from "../../offline/use-waiting.ts";
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
  const { keep, name } = useSigned(rigAddress(rigId, "keep"), person, "Who looks");
  const tick = async ({ key, label }: Rung) => (await keep({ intent: "rung", rung: key }, label)).problem;
  const end = async (rung: string, label: string) => (await keep({ intent: "rung", rung }, label)).problem;
  const waiting = new Map(
    useWaiting(rigAddress(rigId, "keep")).map(({ fields }) => [fields.rung, fields.person]),
  );
  const asked = rungs.some(({ byPerson, state }) => byPerson && state === "not yet");
  return (
    <div className="grid gap-3">
      {asked && name}
      <ol>
        {rungs.map((rung, at) => (
          <RungLine
            key={rung.key}
            rung={
              waiting.has(rung.key) && rung.state === "not yet"
                ? { ...rung, state: "good", why: `Seen by ${waiting.get(rung.key)}; ${WAITS_HERE}.` }
                : rung
            }
            at={at + 1}
            rigId={rigId}
            onTick={() => tick(rung)}
          />
        ))}
      </ol>
      <section aria-label="What ends it" className="flex flex-wrap items-end gap-2 pt-2">
        {!asked && name}
        <Ends label="Gone by road" onPress={() => end("road", "Gone by road")} />
        <Ends label="A new working day" onPress={() => end("day", "A new working day")} />
        <span className="basis-full text-soft">
          {waiting.has("road") && <b className="text-warn">Gone by road {WAITS_HERE}. </b>}
          {waiting.has("day") && <b className="text-warn">The new working day {WAITS_HERE}. </b>}
          The road puts lock-outs back in; a new day, or six hours without an entry, asks again for position,
          record and engagement.
        </span>
      </section>
    </div>
  );
}

function Ends({ label, onPress }: { label: string; onPress: () => Promise<string | null> }) {
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <span className="grid gap-1">
      <button type="button" className="key" onClick={async () => setProblem(await onPress())}>
        {label}
      </button>
      {problem && (
        <span role="alert" className="problem">
          {problem}
        </span>
      )}
    </span>
  );
}

type LineProps = { rung: Rung; at: number; rigId: number; onTick: () => Promise<string | null> };

function RungLine({ rung: { key, label, state, why, next, byPerson }, at, rigId, onTick }: LineProps) {
  const { Mark, tone } = MARKS[state];
  const [problem, setProblem] = useState<string | null>(null);
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
        {problem && (
          <span role="alert" className="problem block">
            {problem}
          </span>
        )}
      </span>
      {state === "not yet" &&
        (byPerson ? (
          <button
            type="button"
            className="key"
            onClick={async () => setProblem(await onTick())}
            aria-label={`Seen: ${label}`}
          >
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
