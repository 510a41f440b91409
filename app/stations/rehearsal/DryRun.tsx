import { Check, Circle, CircleDot } from "lucide-react";
import { useState } from "react";
import type { RigSequence } from "../../../core/sequence/of-rig.ts";
import { positionOf, refusal } from "../../../core/sequence/run.ts";
import { SEQUENCE_LABELS, type SequenceKind, stateWords, type World } from "../../../core/sequence/step.ts";

export type DryList = { sequence: RigSequence; start: World };

/** The lists of a tool without wings, run dry: any step may be tried, and one out of order says what it would break. */
export function DryRun({ lists }: { lists: DryList[] }) {
  const [kind, setKind] = useState<SequenceKind>(lists[0]!.sequence.kind);
  const [done, setDone] = useState<string[]>([]);
  const [why, setWhy] = useState<string[]>([]);
  const { sequence, start } = lists.find((each) => each.sequence.kind === kind)!;
  const { next, world } = positionOf(start, sequence, done);
  const begin = (other: SequenceKind) => {
    setKind(other);
    setDone([]);
    setWhy([]);
  };
  const press = (id: string) => {
    const refused = refusal(start, sequence, done, id);
    setWhy(refused);
    if (refused.length === 0) setDone([...done, id]);
  };
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap gap-1.5">
        {lists.map(({ sequence: each }) => (
          <button
            key={each.kind}
            type="button"
            aria-pressed={each.kind === kind}
            onClick={() => begin(each.kind)}
            className={`min-h-11 cursor-pointer rounded-[3px] border-[1.5px] px-3 font-semibold ${each.kind === kind ? "border-dye bg-dye-wash text-dye" : "border-line"}`}
          >
            {SEQUENCE_LABELS[each.kind]}
          </button>
        ))}
      </div>
      {why.length > 0 && (
        <div
          role="alert"
          className="border-l-[5px] border-stop bg-stop-wash p-3 font-semibold text-stop"
          data-refused
        >
          {why.map((each) => (
            <p key={each}>{each}</p>
          ))}
        </div>
      )}
      <ol aria-label="Steps">
        {sequence.steps.map((step) => {
          const state = done.includes(step.id) ? "done" : step.id === next?.id ? "now" : "later";
          const Mark = { done: Check, now: CircleDot, later: Circle }[state];
          return (
            <li key={step.id} className="border-b border-hair" data-step={step.id} data-state={state}>
              <button
                type="button"
                onClick={() => press(step.id)}
                className="grid min-h-14 w-full cursor-pointer grid-cols-[28px_1fr] items-center gap-2 py-1 text-left leading-tight"
              >
                <Mark
                  size={22}
                  aria-label={state}
                  className={state === "done" ? "text-ok" : state === "now" ? "text-dye" : "text-soft"}
                />
                <span className={state === "done" ? "text-soft" : ""}>
                  {step.text}
                  {step.levers.length > 0 && <b className="block text-dye">{step.levers.join("; ")}</b>}
                  {state === "now" && step.look && (
                    <span className="block text-soft">Look for: {step.look}</span>
                  )}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <p className="text-soft" data-world>
        Now:{" "}
        {Object.entries(world)
          .map(([part, is]) => stateWords({ part, is }))
          .join("; ")}
        .
      </p>
      {next === null && sequence.steps.length > 0 && (
        <p className="text-lead font-semibold text-ok">
          Right through, in order.{" "}
          <button type="button" className="key" onClick={() => begin(kind)}>
            Once more
          </button>
        </p>
      )}
    </div>
  );
}
