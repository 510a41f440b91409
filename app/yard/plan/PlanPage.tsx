import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { type Block, blocksOf } from "../../../core/season/plan/blocks.ts";
import { dateAfter } from "../../../core/season/plan/kept.ts";
import { writePlan } from "../../../core/season/plan/read.ts";
import type { Solved } from "../../../core/season/plan/solve.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { Who } from "../../entry/Who.tsx";
import type { Route } from "../../routes/+types/plan";
import { toast } from "../../ui/toast.ts";
import { YardFrame } from "../YardFrame.tsx";
import { Calendar } from "./Calendar.tsx";
import { DayByDay } from "./DayByDay.tsx";
import { JobList } from "./JobList.tsx";
import { Picked } from "./Picked.tsx";
import type { PickedKey } from "./plan-words.ts";
import { areaWords, hoursWords, minutesWords } from "./plan-words.ts";
import { Unfit } from "./Unfit.tsx";
import { type Solving, usePlan } from "./use-plan.ts";

const isPicked = (key: PickedKey | null, block: Block) =>
  key !== null &&
  block.job === key.job &&
  block.tractor === key.tractor &&
  block.from <= key.from &&
  key.from <= block.to;

const ACTION = "/plan";

export function PlanPage({ loaderData: { preferences, view } }: Route.ComponentProps) {
  const { asked, digest } = view;
  const solving = usePlan(asked, digest);
  const { solved } = solving;
  const { errors, submit } = useOutcome(ACTION);
  const [key, setKey] = useState<PickedKey | null>(null);
  const before = useRef<PickedKey | null>(null);
  useEffect(() => {
    const [problem] = Object.values(errors);
    if (!problem) return;
    toast("error", problem);
    // It lies where it lay, and is still looked at.
    setKey(before.current);
  }, [errors]);
  const blocks = solved ? blocksOf(asked, solved.plan) : [];
  const picked = blocks.find((block) => isPicked(key, block)) ?? null;
  const pull = (block: Block, tractor: number, day: number) => {
    const machine = view.machineIds[tractor];
    if (machine === undefined || day < 0 || day >= asked.days.length) return;
    before.current = { job: block.job, tractor: block.tractor, from: block.from };
    setKey({ job: block.job, tractor, from: day });
    void submit({
      intent: "pull",
      job: String(asked.jobs[block.job]!.id),
      machine: String(machine),
      day: dateAfter(view.first, day),
      area: String(Math.round(block.area)),
      instead: pinsOf(view, block).join(","),
    });
  };
  return (
    <YardFrame preferences={preferences} here="rigs">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Plan of the season</h1>
          <Verdict view={view} solving={solving} />
        </div>
        <p className="no-print flex flex-wrap gap-2">
          <Link to="/plan/jobs" className="key">
            What has to be done
          </Link>
          {view.kept && (
            <a className="key" href="/plan.ics" download>
              Calendar file
            </a>
          )}
          <button type="button" className="key" onClick={() => window.print()}>
            Print
          </button>
        </p>
      </div>
      {asked.jobs.length === 0 ? (
        <p className="border-2 border-dashed border-line p-6 text-lead" data-nothing>
          Nothing is planned yet.{" "}
          <Link to="/plan/jobs" className="font-semibold underline">
            Say what has to be done, when, and who is there.
          </Link>
        </p>
      ) : (
        <>
          <Calendar
            view={view}
            solved={solved}
            blocks={blocks}
            picked={picked}
            onPick={setKey}
            onPull={pull}
          />
          {picked && solved && (
            <Picked
              view={view}
              solved={solved}
              block={picked}
              onPull={pull}
              onLetGo={() => void submit({ intent: "let-go", pins: pinsOf(view, picked).join(",") })}
              onClose={() => setKey(null)}
            />
          )}
        </>
      )}
      <Unfit view={view} solving={solving} onCure={(fields) => void submit(fields)} />
      {solved && asked.jobs.length > 0 && (
        <>
          <KeepIt view={view} solved={solved} person={preferences.person} />
          <JobList view={view} solved={solved} blocks={blocks} onPick={setKey} />
          <DayByDay view={view} solved={solved} blocks={blocks} />
        </>
      )}
      <p className="text-small text-soft">
        A tractor carries one outfit a day. Hectares inside their windows come first, hours late next, minutes
        of setting last. Minutes are reckoned from what the rigs have on record; what each act takes is on the
        page of what has to be done.
      </p>
    </YardFrame>
  );
}

type View = Route.ComponentProps["loaderData"]["view"];

/** Numbers of what was pulled that this block is. */
const pinsOf = ({ asked, pins }: View, block: Block): number[] =>
  block.pinned
    ? asked.pins.flatMap((pin, at) =>
        pin.job === block.job &&
        pin.tractor === block.tractor &&
        pin.day <= block.to &&
        pin.day >= block.from - 1
          ? [pins[at]!]
          : [],
      )
    : [];

/** Hectares closer than that are as many as can be. */
const SAME = 2_000;

function Verdict({ view, solving }: { view: View; solving: Solving }) {
  const { solved, progress, seconds, stopped, stop, again } = solving;
  const { units, asked } = view;
  if (asked.jobs.length === 0) return null;
  const area = (value: number) => areaWords(value, units);
  return (
    <div className="grid gap-1">
      {solved ? (
        <p
          className="text-lead"
          data-inside={Math.round(solved.judged.inside)}
          data-asked={Math.round(solved.judged.asked)}
        >
          <b className={solved.judged.inside >= solved.judged.asked - SAME ? "text-ok" : "text-stop"}>
            {area(solved.judged.inside)} of {area(solved.judged.asked)} inside their windows
          </b>
          {solved.judged.late > 360 && <>, {hoursWords(lateHours(solved))} of work late</>},{" "}
          {minutesWords(solved.judged.rerig)} of coupling and setting.
        </p>
      ) : (
        <p className="text-lead text-soft">Being solved…</p>
      )}
      <p className="flex flex-wrap items-center gap-x-3 text-soft" aria-live="polite">
        {progress !== null ? (
          <>
            <progress value={progress} max={1} aria-label="Looking for better plans" className="accent-dye">
              {Math.round(100 * progress)} %
            </progress>
            Looking for better ones…
            <button type="button" className="key" onClick={stop}>
              Stop here
            </button>
          </>
        ) : (
          solved && (
            <span data-solved={stopped ? "stopped" : "done"}>
              {gapSaid(solved, area)}
              {seconds !== null && ` Solved in ${seconds.toFixed(1)} s.`}{" "}
              {stopped && (
                <button type="button" className="key" onClick={again}>
                  Go on looking
                </button>
              )}
            </span>
          )
        )}
      </p>
    </div>
  );
}

const lateHours = ({ judged }: Solved) => judged.jobs.reduce((sum, { late }) => sum + late, 0);

/** How far from the best there can be. */
function gapSaid({ judged, most, leastLate, leastRerig }: Solved, area: (value: number) => string): string {
  if (most === null) return "How many more there could be is not known.";
  if (judged.inside < most - SAME) return `No plan has more than ${area(most)}.`;
  if (leastLate === null || judged.late > leastLate + 3600)
    return "No plan has more hectares; lateness may be less.";
  if (leastRerig === null || judged.rerig > leastRerig + 60)
    return `No plan has more hectares or is less late; setting takes ${leastRerig === null ? "" : `at least ${minutesWords(leastRerig)}, `}perhaps less.`;
  return "Proved: no plan has more hectares, is less late or takes less setting.";
}

function KeepIt({ view, solved, person }: { view: View; solved: Solved; person: string }) {
  const { fetcher, errors } = useOutcome(ACTION, "keep-plan");
  const { person: who, ...others } = errors;
  const [problem] = Object.values(others);
  return (
    <section
      aria-label="Keep it"
      className="no-print flex flex-wrap items-end gap-3 border-y-2 border-ink py-3"
    >
      <p className="grow" data-kept={view.kept ? (view.kept.same ? "same" : "other") : "none"}>
        {view.kept === null ? (
          "No plan is kept yet. What is kept stands on the pages of rigs and people, and in the calendar file."
        ) : (
          <>
            Kept by {view.kept.by}.{" "}
            {view.kept.same ? (
              <span className="text-ok">Nothing was told otherwise since.</span>
            ) : (
              <b className="text-warn">Something was told otherwise since: keep it anew.</b>
            )}
          </>
        )}
      </p>
      <fetcher.Form method="post" action={ACTION} className="flex flex-wrap items-end gap-2">
        <input type="hidden" name="from" value={view.digest} />
        <input type="hidden" name="plan" value={writePlan(solved.plan)} />
        <input
          type="hidden"
          name="most"
          value={solved.most === null ? "" : String(Math.round(solved.most))}
        />
        <Who person={person} problem={who} />
        <button type="submit" name="intent" value="keep" className="key-main">
          Keep this plan
        </button>
      </fetcher.Form>
      {problem && <p className="problem">{problem}</p>}
    </section>
  );
}
