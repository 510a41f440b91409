/** A sequence of the tool in view as it stands: its steps with their levers, how the machine begins, and the run under way. */
import { machineOf, type RigSequence, type RigStep, stepsOfRig } from "../../../core/sequence/of-rig.ts";
import type { SequenceKind, World } from "../../../core/sequence/step.ts";
import { type Lists, type Machine, startOf } from "../../../core/sequence/templates.ts";
import { doneIn, listsOf, openRunOf, type Run, runEventsOf } from "../../../data/sequences.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type OpenSequence = {
  kind: SequenceKind;
  sequence: RigSequence;
  machine: Machine;
  lists: Lists;
  start: World;
  run: Run | null;
  done: string[];
};

export function openSequence(open: OpenRig, kind: SequenceKind): OpenSequence {
  const { db, rig, whole, judged, index } = open;
  const lists = listsOf(db, [rig.implement.id]).get(rig.implement.id) ?? {};
  const machine = machineOf(whole, index);
  const run = openRunOf(db, rig.couplingId, kind);
  return {
    kind,
    sequence: stepsOfRig(whole, judged.reckoned.hoses, index, kind, lists),
    machine,
    lists,
    start: startOf(kind, machine, lists),
    run,
    done: run ? doneIn(runEventsOf(db, [run.id])) : [],
  };
}

/** A step in one sentence, as it is kept in the log: with the levers it moves. */
export function saidOf({ text, levers }: Pick<RigStep, "text" | "levers">): string {
  return levers.length > 0 ? `${text} ${levers.join("; ")}` : text;
}
