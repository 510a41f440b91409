import type { Block } from "../../../core/season/plan/blocks.ts";
import { dateAfter } from "../../../core/season/plan/kept.ts";
import { drivingOf } from "../../../core/season/plan/people.ts";
import type { Solved } from "../../../core/season/plan/solve.ts";
import type { PlanView } from "./plan-view.server.ts";
import { areaWords, type PickedKey, spanWords } from "./plan-words.ts";

type Props = {
  view: PlanView;
  solved: Solved;
  blocks: readonly Block[];
  onPick: (key: PickedKey) => void;
};

/** Every job by its number on the calendar: its window, and when who does it with what. */
export function JobList({ view, solved, blocks, onPick }: Props) {
  const { asked, first, units } = view;
  const driving = drivingOf(asked, solved.plan);
  const who = ({ tractor, from, to }: Block) => [
    ...new Set(
      driving
        .filter((each) => each.tractor === tractor && each.day >= from && each.day <= to)
        .map(({ person }) => asked.people[person]!.name),
    ),
  ];
  return (
    <section aria-label="Jobs">
      <h2 className="border-b-2 border-ink pb-1">Jobs by their number</h2>
      <ol className="columns-2 gap-8 max-lg:columns-1">
        {asked.jobs.map((job, at) => {
          const own = blocks.filter((block) => block.job === at);
          const { inside } = solved.judged.jobs[at]!;
          const fits = inside >= job.area - 200;
          return (
            <li key={job.id} data-job={job.name} className="break-inside-avoid border-b border-hair py-1.5">
              <p>
                <b>
                  {at + 1} {job.name}
                </b>
                , {areaWords(job.area, units)},{" "}
                <span className="text-soft">{view.jobs.find((each) => each.at === at)!.window}</span>{" "}
                {!fits && (
                  <span className="font-semibold text-stop">
                    {areaWords(job.area - inside, units)} not inside it
                  </span>
                )}
              </p>
              {own.map((block) => (
                <button
                  key={`${block.tractor} ${block.from}`}
                  type="button"
                  className="block min-h-11 w-full text-left"
                  onClick={() => onPick({ job: at, tractor: block.tractor, from: block.from })}
                >
                  <span className={`underline ${block.late > 0 ? "text-stop" : "text-dye"}`}>
                    {spanWords(dateAfter(first, block.from), dateAfter(first, block.to))}
                  </span>{" "}
                  {asked.tractors[block.tractor]!.name}
                  {who(block).length > 0 && `, ${who(block).join(" and ")}`}
                </button>
              ))}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
