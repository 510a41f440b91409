import { Check, Circle, CircleDot, Clock, ShieldAlert } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { v4 as uuid } from "uuid";
import { useSigned } from "../../entry/signed.tsx";
import { throwAway, useWaiting, WAITS_HERE } from "../../offline/use-waiting.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { toast } from "../../ui/toast.ts";
import type { SequenceView, StepRow } from "./sequences-view.server.ts";
import { useAwake } from "./use-awake.ts";
import { withWaiting } from "./waiting-steps.ts";

type Props = { view: SequenceView; action: string; person: string };

/** One step at a time, large; kept on the server, so that a phone that slept or was reloaded goes on where it was. */
export function Runner({ view: kept, action, person }: Props) {
  const view = withWaiting(kept, useWaiting(action));
  useAwake(view.run !== null);
  const [problem, setProblem] = useState<string | null>(null);
  const { keep: sign, name } = useSigned(action, person, "Who runs it");
  const fresh = useRef("");
  const [again, setAgain] = useState(false);
  const acted = useRef(false);
  const over = view.run === null && !again ? view.over : null;
  const now = view.steps.find(({ state }) => state === "now");
  const keep = async (fields: Record<string, string>, label: string) => {
    // A run that begins gets its number here; sent again after a dropped connection it is still the same run.
    fresh.current ||= uuid();
    const run = view.run ?? fresh.current;
    const { kept, problem } = await sign({ intent: "run", kind: view.kind, run, ...fields }, label);
    setProblem(problem);
    if (kept.state === "waits") {
      fresh.current = "";
      setAgain(false);
    }
    if (kept.state === "kept" && kept.said) {
      toast("success", kept.said);
      fresh.current = "";
      setAgain(false);
    }
  };
  const done = ({ id, said, text }: StepRow) => {
    acted.current = true;
    return keep({ what: "done", step: id, said }, text);
  };
  return (
    <div className="grid gap-4">
      {person === "" && name}
      {view.faults.length > 0 && <Faults faults={view.faults} />}
      {now && !over ? (
        <Now key={now.id} step={now} view={view} follows={acted.current} onDone={() => done(now)} />
      ) : (
        <Over view={view} over={over} onAgain={() => setAgain(true)} />
      )}
      {problem && (
        <p
          role="alert"
          className="border-l-[5px] border-stop bg-stop-wash p-3 font-semibold text-stop"
          data-refused
        >
          {problem}
        </p>
      )}
      {view.last && <NotSent last={view.last} />}
      {view.run && <Ways view={view} keep={keep} />}
      <All view={view} onPress={done} />
      {person !== "" && name}
      <Log view={view} />
    </div>
  );
}

/** The last step waits on this device: until it is sent it is simply thrown away. */
function NotSent({ last: { id, said } }: { last: { id: string; said: string } }) {
  return (
    <p className="flex flex-wrap items-center gap-2 text-warn" data-waits>
      <Clock size={18} aria-hidden="true" />“{said}” {WAITS_HERE}.
      <button type="button" className="key" onClick={() => throwAway(id)}>
        It was not done
      </button>
    </p>
  );
}

/** A second tap of the same thumb does not do the next step: it listens after this long, milliseconds. */
const SETTLE = 700;

type NowProps = {
  step: StepRow;
  view: SequenceView;
  /** it took the place of a step that was pressed a moment ago */
  follows: boolean;
  onDone: () => void;
};

function Now({ step, view, follows, onDone }: NowProps) {
  const [listens, setListens] = useState(!follows);
  useEffect(() => {
    const timer = setTimeout(() => setListens(true), SETTLE);
    return () => clearTimeout(timer);
  }, []);
  const at = view.steps.indexOf(step) + 1;
  return (
    <section
      aria-label="Step now"
      className="grid gap-3 border-[1.5px] border-dye bg-sheet p-4"
      data-now={step.id}
    >
      <p className="flex justify-between text-soft">
        <span>
          Step {at} of {view.steps.length}
        </span>
        <span>{step.who}</span>
      </p>
      <progress
        value={view.done}
        max={view.steps.length}
        className="h-2 w-full accent-dye"
        aria-label="Steps done"
      />
      <p className="text-[22px] leading-snug font-[700]">{step.text}</p>
      {step.levers.map((lever) => (
        <p key={lever} className="bg-dye-wash px-3 py-2 text-[19px] font-bold text-dye">
          {lever}
        </p>
      ))}
      {step.look && (
        <p className="text-lead">
          <b>Look for:</b> {step.look}
        </p>
      )}
      {step.caution && <Caution text={step.caution} />}
      <button
        type="button"
        className="key-main min-h-16 text-[20px]"
        aria-disabled={!listens}
        onClick={() => listens && onDone()}
      >
        Done, seen
      </button>
    </section>
  );
}

function Caution({ text }: { text: string }) {
  return (
    <p className="flex items-start gap-2 font-semibold text-warn">
      <ShieldAlert size={22} aria-hidden="true" className="shrink-0" />
      {text}
    </p>
  );
}

type OverProps = { view: SequenceView; over: SequenceView["over"]; onAgain: () => void };

/** No first step under the thumb that did the last one: what was done, what comes next, and the way to run it again. */
function Over({ view, over, onAgain }: OverProps) {
  if (over)
    return (
      <section aria-label="Over" className="grid gap-3 border-[1.5px] border-ok bg-sheet p-4" data-over>
        <p className="text-lead font-semibold text-ok">{over.said}</p>
        {over.next && (
          <Link to={over.next.href} className="key-main grid min-h-12 place-items-center no-underline">
            Next: {over.next.label}
          </Link>
        )}
        <button type="button" className="key justify-self-start" onClick={onAgain}>
          Run it again
        </button>
      </section>
    );
  return view.steps.length === 0 ? (
    <p className="text-lead text-soft">Nothing to do here: this implement has no step for it.</p>
  ) : (
    <p className="text-lead font-semibold text-ok">All done.</p>
  );
}

type Keep = (fields: Record<string, string>, label: string) => void;

/** Back a step where it can be taken back; or giving up, with the reason in the log. */
function Ways({ view, keep }: { view: SequenceView; keep: Keep }) {
  const [why, setWhy] = useState("");
  const { back } = view;
  return (
    <section aria-label="Back or give up" className="grid gap-3">
      {back &&
        (back.why ? (
          <p className="text-soft">{back.why}</p>
        ) : (
          <div className="grid gap-1 border border-line p-3">
            <p>
              <b>Back a step:</b> {back.text} {back.levers.join(", ")} {back.look}
            </p>
            {back.caution && <Caution text={back.caution} />}
            <button
              type="button"
              className="key justify-self-start"
              onClick={() => keep({ what: "back", step: back.step, said: back.text }, back.text)}
            >
              Taken back
            </button>
          </div>
        ))}
      <Folded summary="Give this run up">
        <div className="flex flex-wrap items-end gap-2">
          <TextField label="Why" name="why" value={why} onChange={(event) => setWhy(event.target.value)} />
          <button
            type="button"
            className="key"
            onClick={() => keep({ what: "aborted", step: "", said: why }, "Given up")}
          >
            Cancel
          </button>
        </div>
        <p className="text-small text-soft">
          The machine stays as it is: make it safe before anybody walks away.
        </p>
      </Folded>
    </section>
  );
}

const MARKS = { done: Check, now: CircleDot, later: Circle };

/** The whole list; a step pressed out of its turn is refused with the reason. */
function All({ view, onPress }: { view: SequenceView; onPress: (step: StepRow) => void }) {
  return (
    <section aria-label="All steps">
      <h2 className="border-b-2 border-ink pb-1">
        All steps{view.edited && <span className="font-normal text-soft">, as edited here</span>}
      </h2>
      <ol>
        {view.steps.map((step) => {
          const Mark = MARKS[step.state];
          return (
            <li key={step.id} className="border-b border-hair" data-step={step.id} data-state={step.state}>
              <button
                type="button"
                disabled={step.state === "done"}
                onClick={() => onPress(step)}
                className="grid min-h-12 w-full cursor-pointer grid-cols-[28px_1fr] items-center gap-2 py-1 text-left leading-tight disabled:cursor-default"
              >
                <Mark
                  size={22}
                  aria-label={step.state}
                  className={
                    step.state === "done" ? "text-ok" : step.state === "now" ? "text-dye" : "text-soft"
                  }
                />
                <span className={step.state === "done" ? "text-soft" : ""}>
                  {step.text}
                  {step.levers.length > 0 && <b className="block text-dye">{step.levers.join("; ")}</b>}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function Faults({ faults }: { faults: string[] }) {
  return (
    <section
      aria-label="What is wrong with this list"
      className="border-l-[5px] border-stop bg-stop-wash p-3"
    >
      <h2 className="text-stop">This list is not sound</h2>
      <ul className="list-disc pl-5">
        {faults.map((fault) => (
          <li key={fault}>{fault}</li>
        ))}
      </ul>
    </section>
  );
}

function Log({ view: { log } }: { view: SequenceView }) {
  if (log.length === 0) return null;
  return (
    <section aria-label="Log">
      <h2 className="border-b-2 border-ink pb-1">Done lately</h2>
      <ul>
        {log.map(({ id, said }) => (
          <li key={id} className="border-b border-hair py-1 text-soft">
            {said}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The sequences of a day, to choose from. */
export function Kinds({ kinds }: { kinds: SequenceView["kinds"] }) {
  return (
    <nav aria-label="Sequences" className="flex flex-wrap gap-1.5 max-sm:flex-nowrap max-sm:overflow-x-auto">
      {kinds.map(({ kind, label, now, href, steps, under }) => (
        <Link
          key={kind}
          to={href}
          aria-current={now ? "page" : undefined}
          className={`grid min-h-11 content-center rounded-[3px] border-[1.5px] px-3 leading-tight whitespace-nowrap no-underline ${now ? "border-dye bg-dye-wash font-bold text-dye" : "border-line"}`}
        >
          {label}
          <span className="text-small font-normal text-soft">
            {under ? "under way" : `${steps} step${steps === 1 ? "" : "s"}`}
          </span>
        </Link>
      ))}
    </nav>
  );
}
