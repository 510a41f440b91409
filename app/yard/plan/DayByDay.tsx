import { type Block, changeoversOf } from "../../../core/season/plan/blocks.ts";
import { dateAfter } from "../../../core/season/plan/kept.ts";
import { drivingOf } from "../../../core/season/plan/people.ts";
import type { Solved } from "../../../core/season/plan/solve.ts";
import { Folded } from "../../ui/Folded.tsx";
import type { PlanView } from "./plan-view.server.ts";
import { areaWords, dateWords, hoursWords, minutesWords } from "./plan-words.ts";

/** Who does what with which tractor, day by day, and what is coupled and set for it. */
export function DayByDay({
  view,
  solved,
  blocks,
}: {
  view: PlanView;
  solved: Solved;
  blocks: readonly Block[];
}) {
  const { asked, first, rerigs, units } = view;
  const driving = drivingOf(asked, solved.plan);
  const changes = changeoversOf(asked, solved.plan);
  const days = asked.days
    .map((_, day) => ({
      day,
      works: solved.plan.works.filter((work) => work.day === day && work.time >= 60),
      changes: changes.filter((change) => change.day === day),
    }))
    .filter(({ works, changes: set }) => works.length + set.length > 0);
  const unknown = [
    ...new Set(changes.flatMap(({ tractor, from, to }) => rerigs[tractor]?.[`${from} ${to}`]?.unknown ?? [])),
  ];
  return (
    <section aria-label="Day by day" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">Day by day</h2>
      {asked.people.length === 0 && (
        <p className="font-semibold text-warn">
          Who drives is not told: nobody is counted, and nobody is named.
        </p>
      )}
      {unknown.length > 0 && <p className="text-warn">Not counted in the minutes: {unknown.join("; ")}.</p>}
      <ul>
        {days.map(({ day, works, changes: set }) => (
          <li
            key={day}
            data-day={dateAfter(first, day)}
            className="grid grid-cols-[110px_1fr] gap-x-3 border-b border-hair py-1.5 max-sm:grid-cols-1"
          >
            <b>{dateWords(dateAfter(first, day))}</b>
            <div>
              {set.map(({ tractor, from, to, time }) => {
                const said = rerigs[tractor]?.[`${from} ${to}`];
                const outfit = asked.tractors[tractor]!.carries[to - 1];
                return (
                  <Folded
                    key={tractor}
                    summary={`${asked.tractors[tractor]!.name}: ${
                      outfit === undefined ? "tool off" : `to ${asked.outfits[outfit]!.name}`
                    }, ${minutesWords(time)}`}
                  >
                    <ul className="list-disc pb-2 pl-5">
                      {said?.lines.map((line) => (
                        <li key={line}>{line}</li>
                      ))}
                    </ul>
                  </Folded>
                );
              })}
              {works.map(({ job, tractor, time, outfit }) => {
                const who = driving
                  .filter((each) => each.day === day && each.tractor === tractor)
                  .map(({ person }) => asked.people[person]!.name);
                const way = asked.jobs[job]!.ways.find(
                  (each) => each.tractor === tractor && each.outfit === outfit,
                );
                const block = blocks.find(
                  (each) =>
                    each.job === job && each.tractor === tractor && each.from <= day && each.to >= day,
                );
                return (
                  <p key={`${job} ${tractor}`} className={block && block.late > 0 ? "text-stop" : ""}>
                    {asked.tractors[tractor]!.name}: <b>{asked.jobs[job]!.name}</b>, {hoursWords(time)},{" "}
                    {areaWords((way?.rate ?? 0) * time, units)}
                    {who.length > 0 && <span className="text-soft">, {who.join(" and ")}</span>}
                  </p>
                );
              })}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
