/** A sequence of the tool in view as it stands: its steps with their levers, how the machine begins, and the run under way. */
import { machineOf, type RigSequence, type RigStep, stepsOfRig } from "../../../core/sequence/of-rig.ts";
import { type RunSince, startNow } from "../../../core/sequence/record.ts";
import type { SequenceKind, World } from "../../../core/sequence/step.ts";
import { type Lists, type Machine, startOf } from "../../../core/sequence/templates.ts";
import { eventsOf } from "../../../data/hookup.ts";
import {
  doneIn,
  listsOf,
  openRunOf,
  type Run,
  type RunEvent,
  runEventsOf,
  runsSince,
} from "../../../data/sequences.ts";
import { ladderNow } from "../frame/ladder-now.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type OpenSequence = {
  kind: SequenceKind;
  sequence: RigSequence;
  machine: Machine;
  lists: Lists;
  /** as the lists before it suppose: what the list is judged by */
  supposed: World;
  /** as the record has it: what a step is allowed by */
  start: World;
  run: Run | null;
  done: string[];
  /** the last run of it, where that was finished and nothing ended it since */
  over: RunEvent | null;
};

type Recorded = { run: Run; events: readonly RunEvent[] };

/** Runs of the tool in view since it was coupled, went by road or was uncoupled last, in order. */
function recordOf(open: OpenRig): Recorded[] {
  const { db, rig } = open;
  const { ticks } = ladderNow(open);
  const [last] = eventsOf(db, rig.id);
  const since = [last?.at ?? "", ticks.get("road")?.at ?? ""].sort().at(-1)!;
  const runs = runsSince(db, rig.couplingId, since);
  const events = runEventsOf(
    db,
    runs.map(({ id }) => id),
  );
  return runs.map((run) => ({ run, events: events.filter(({ runId }) => runId === run.id) }));
}

export function openSequence(open: OpenRig, kind: SequenceKind, record = recordOf(open)): OpenSequence {
  const { db, rig, whole, judged, index } = open;
  const lists = listsOf(db, [rig.implement.id]).get(rig.implement.id) ?? {};
  const machine = machineOf(whole, index);
  const run = openRunOf(db, rig.couplingId, kind);
  const before = record.filter((each) => each.run.id !== run?.id);
  const runs = before.map(({ run: { kind: of }, events }): RunSince => ({ kind: of, done: doneIn(events) }));
  const last = record.at(-1);
  return {
    kind,
    sequence: stepsOfRig(whole, judged.reckoned.hoses, index, kind, lists),
    machine,
    lists,
    supposed: startOf(kind, machine, lists),
    start: startNow(kind, machine, lists, runs),
    run,
    done: run ? doneIn(runEventsOf(db, [run.id])) : [],
    over: last?.run.kind === kind ? (last.events.find(({ what }) => what === "finished") ?? null) : null,
  };
}

/** All of them, the record read once. */
export function openSequences(open: OpenRig, kinds: readonly SequenceKind[]): OpenSequence[] {
  const record = recordOf(open);
  return kinds.map((kind) => openSequence(open, kind, record));
}

/** A step in one sentence, as it is kept in the log: with the levers it moves. */
export function saidOf({ text, levers }: Pick<RigStep, "text" | "levers">): string {
  return levers.length > 0 ? `${text} ${levers.join("; ")}` : text;
}
