import { Link } from "react-router";
import { type Cure, type FoundCure, missing, type Reason } from "../../../core/season/plan/cure.ts";
import { dateAfter } from "../../../core/season/plan/kept.ts";
import type { PlanView } from "./plan-view.server.ts";
import { areaWords, dateWords, hoursWords } from "./plan-words.ts";
import { type Curing, type Solving, useCures } from "./use-plan.ts";

type Props = {
  view: PlanView;
  solving: Solving;
  onCure: (fields: Record<string, string>) => void;
};

/** Jobs that are not in their windows, why, and the least that would have to be changed; jobs that cannot be planned, and what nobody told. */
export function Unfit({ view, solving: { solved, progress }, onCure }: Props) {
  const curing = useCures(view.asked, view.digest);
  const lacking = solved
    ? view.asked.jobs.flatMap((job, at) => {
        const left = missing(view.asked, solved, at);
        return left > 0 ? [{ job, at, left }] : [];
      })
    : [];
  const unknown = view.jobs.filter((job) => job.unknown !== "" && !job.unknown.startsWith("done"));
  if (lacking.length === 0 && unknown.length === 0) return null;
  return (
    <section aria-label="What does not fit">
      <h2 className="border-b-2 border-ink pb-1">What does not fit</h2>
      <ul>
        {lacking.map(({ job, at, left }) => (
          <li key={job.id} data-unfit={job.name} className="grid gap-2 border-b border-hair py-2">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <p>
                <b className="text-[17px]">{job.name}</b>{" "}
                <span className="font-semibold text-stop">
                  {areaWords(left, view.units)} of {areaWords(job.area, view.units)} are not done inside{" "}
                  {view.jobs.find((each) => each.at === at)!.window}
                </span>
                {solved!.judged.jobs[at]!.undone > 0 && (
                  <>, {areaWords(solved!.judged.jobs[at]!.undone, view.units)} not at all</>
                )}
                .
              </p>
              {curing.job !== at && (
                <button
                  type="button"
                  className="key"
                  aria-disabled={progress !== null || undefined}
                  onClick={() => progress === null && curing.ask(at, solved!)}
                >
                  Why, and what would cure it?
                </button>
              )}
            </div>
            {curing.job === at && <Cures view={view} curing={curing} onCure={onCure} />}
          </li>
        ))}
        {unknown.map((job) => (
          <li key={job.id} className="border-b border-hair py-2" data-unknown={job.name}>
            <b className="text-[17px]">{job.name}</b>{" "}
            <span className="font-semibold text-warn">
              is not in the plan: it is not known {job.unknown}.
            </span>{" "}
            <Link to={`/plan/jobs#job-${job.id}`} className="underline">
              Tell it
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Cures({
  view,
  curing: { job, reason, cures, progress, stop },
  onCure,
}: {
  view: PlanView;
  curing: Curing;
  onCure: Props["onCure"];
}) {
  const sorted = [...cures].sort(
    (a, b) => Number(a.cure.kind === "hire") - Number(b.cure.kind === "hire") || a.touches - b.touches,
  );
  return (
    <div data-cures={progress === null ? "done" : "looking"}>
      <p aria-live="polite">
        {reason ? reasonSaid(reason, view) : "Looking why…"}{" "}
        {progress !== null && (
          <span className="inline-flex flex-wrap items-center gap-2">
            <progress value={progress} max={1} aria-label="Looking for cures" className="accent-dye" />
            <button type="button" className="key" onClick={stop}>
              Stop
            </button>
          </span>
        )}
      </p>
      <ul className="grid gap-1">
        {sorted.map((found, at) => (
          <li key={JSON.stringify(found.cure)} className="flex flex-wrap items-center gap-3">
            <button
              type="button"
              className={at === 0 && progress === null ? "key-main" : "key"}
              data-cure={found.cure.kind}
              onClick={() => onCure(fieldsOf(found.cure, view, job!))}
            >
              Do it
            </button>
            <span className="min-w-0 flex-1">
              {cureSaid(found, view, job!)}
              {at === 0 && progress === null && found.cure.kind !== "hire" && <b> The least change.</b>}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function reasonSaid(reason: Reason, { asked }: PlanView): string {
  switch (reason.kind) {
    case "window too short":
      return `Its window is shorter than its work: it needs ${hoursWords(reason.needs)} of its fastest rig, and there are ${hoursWords(reason.has)}.`;
    case "tractor away":
      return `It would fit, were ${reason.tractors.map((each) => asked.tractors[each]!.name).join(", ")} not away.`;
    case "nobody to drive":
      return "Nobody is there to drive it in those days.";
    case "others work then":
      return reason.jobs.length === 0
        ? "Alone it would fit: coupling and setting take the time."
        : `Alone it would fit. In those days its tractors or tools do ${reason.jobs.map((each) => asked.jobs[each]!.name).join(", ")}.`;
  }
}

const daysSaid = (count: number) => (count === 1 ? "one day" : `${count} days`);

function cureSaid({ cure, least }: FoundCure, { asked, first, units }: PlanView, job: number): string {
  const own = asked.jobs[job]!;
  const by = least ? "Nothing less will do." : "Less was tried, and no plan was found.";
  switch (cure.kind) {
    case "later":
      return `Let it end ${daysSaid(cure.days)} later, ${dateWords(dateAfter(first, own.to + cure.days))}. ${by}`;
    case "earlier":
      return `Begin it ${daysSaid(cure.days)} sooner, ${dateWords(dateAfter(first, own.from - cure.days))}, if ground and crop allow. ${by}`;
    case "days off":
      return `Work on ${cure.days.map((day) => dateWords(dateAfter(first, day))).join(", ")}. ${by}`;
    case "hours":
      return `Work ${hoursWords(cure.more)} longer on ${daysSaid(cure.days)} of its window, all of you. ${by}`;
    case "tractor there":
      return `Have ${asked.tractors[cure.tractor]!.name} there on ${cure.days.map((day) => dateWords(dateAfter(first, day))).join(", ")}. ${by}`;
    case "hire":
      return `Have somebody else do ${areaWords(cure.area, units)} of it.`;
  }
}

function fieldsOf(cure: Cure, { asked, first, machineIds }: PlanView, job: number): Record<string, string> {
  const base = {
    intent: "cure",
    job: String(asked.jobs[job]!.id),
    cure: cure.kind,
    days: "",
    machine: "",
    amount: "1",
  };
  const dates = (days: readonly number[]) => days.map((day) => dateAfter(first, day)).join(",");
  switch (cure.kind) {
    case "later":
    case "earlier":
      return { ...base, amount: String(cure.days) };
    case "days off":
      return { ...base, days: dates(cure.days) };
    case "hours":
      return { ...base, amount: String(cure.more) };
    case "tractor there":
      return { ...base, days: dates(cure.days), machine: String(machineIds[cure.tractor]) };
    case "hire":
      return { ...base, amount: String(Math.ceil(cure.area)) };
  }
}
