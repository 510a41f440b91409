import type { Block } from "../../../core/season/plan/blocks.ts";
import { drivingOf } from "../../../core/season/plan/people.ts";
import type { Solved } from "../../../core/season/plan/solve.ts";
import type { PlanView } from "./plan-view.server.ts";
import { areaWords, dayWords, hoursWords } from "./plan-words.ts";

type Props = {
  view: PlanView;
  solved: Solved;
  block: Block;
  onPull: (block: Block, tractor: number, day: number) => void;
  onLetGo: () => void;
  onClose: () => void;
};

/** The stretch of work that is looked at: what, by whom, and where else it may go, with keys wide enough for a glove. */
export function Picked({ view, solved, block, onPull, onLetGo, onClose }: Props) {
  const { asked, first, units } = view;
  const job = asked.jobs[block.job]!;
  const told = view.jobs.find(({ at }) => at === block.job)!;
  const people = new Set(
    drivingOf(asked, solved.plan)
      .filter(({ tractor, day }) => tractor === block.tractor && day >= block.from && day <= block.to)
      .map(({ person }) => asked.people[person]!.name),
  );
  const others = job.ways.filter(({ tractor }) => tractor !== block.tractor);
  const next = (by: number) => {
    let day = block.from + by;
    while (asked.days[day] === 0) day += by;
    return day;
  };
  const sooner = next(-1);
  const later = next(1);
  return (
    <section
      aria-label="What is chosen"
      data-picked={job.name}
      className="grid gap-2 border-2 border-dye p-3"
    >
      <p>
        <b className="text-[17px]">{job.name}</b> {asked.tractors[block.tractor]!.name} with{" "}
        {asked.outfits[block.outfit]!.name}: {dayWords(first, block.from)}
        {block.to > block.from && <> to {dayWords(first, block.to)}</>}, {hoursWords(block.time)},{" "}
        {areaWords(block.area, units)} of {told.area}
        {told.done && ` (${told.done} done, by the log)`}.{" "}
        {people.size > 0 && <>{[...people].join(", ")} drives.</>}
      </p>
      <p className={block.late > 0 ? "font-semibold text-stop" : "text-soft"}>
        Its window: {told.window}. {block.late > 0 && `${hoursWords(block.late)} lie beside it.`}
      </p>
      <p className="no-print flex flex-wrap gap-2">
        {sooner >= 0 && (
          <button type="button" className="key" onClick={() => onPull(block, block.tractor, sooner)}>
            Begin {dayWords(first, sooner)}
          </button>
        )}
        {later < asked.days.length && (
          <button type="button" className="key" onClick={() => onPull(block, block.tractor, later)}>
            Begin {dayWords(first, later)}
          </button>
        )}
        {others.map(({ tractor }) => (
          <button
            key={tractor}
            type="button"
            className="key"
            onClick={() => onPull(block, tractor, block.from)}
          >
            To {asked.tractors[tractor]!.name}
          </button>
        ))}
        {block.pinned ? (
          <button type="button" className="key" onClick={onLetGo}>
            Let it go
          </button>
        ) : (
          <button type="button" className="key" onClick={() => onPull(block, block.tractor, block.from)}>
            Hold it here
          </button>
        )}
        <button type="button" className="key" onClick={onClose}>
          Close
        </button>
      </p>
    </section>
  );
}
