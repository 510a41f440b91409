import { faultsOf } from "../../../core/sequence/check.ts";
import { positionOf, refusalBack } from "../../../core/sequence/run.ts";
import type { Actor } from "../../../core/sequence/step.ts";
import { SEQUENCE_KINDS, SEQUENCE_LABELS, type SequenceKind } from "../../../core/sequence/step.ts";
import { foldOf } from "../../../core/sequence/templates.ts";
import { runEventsOf, runsOf } from "../../../data/sequences.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { type OpenSequence, openSequence, saidOf } from "./open-sequence.server.ts";

const ACTOR_WORDS: Record<Actor, string> = {
  lever: "at the lever",
  outside: "outside, on foot",
  terminal: "in the terminal",
  PTO: "at the PTO switch",
  driver: "from the seat",
};

export type StepRow = {
  id: string;
  text: string;
  /** "Remote 3: wings unfold" */
  levers: string[];
  who: string;
  look: string;
  caution: string;
  said: string;
  state: "done" | "now" | "later";
};

export type SequenceView = {
  kind: SequenceKind;
  title: string;
  kinds: { kind: SequenceKind; label: string; now: boolean; href: string; steps: number; under: boolean }[];
  steps: StepRow[];
  run: string | null;
  done: number;
  /** how the last step is taken back, or why it cannot be; null where nothing is done */
  back: { step: string; text: string; levers: string[]; look: string; caution: string; why: string } | null;
  faults: string[];
  edited: boolean;
  log: { id: string; said: string }[];
};

export function sequenceView(
  open: OpenRig,
  kind: SequenceKind,
  hrefOf: (kind: SequenceKind) => string,
): SequenceView {
  const opened = openSequence(open, kind);
  const { sequence, start, run, done, lists, machine } = opened;
  const { next } = positionOf(start, sequence, done);
  const faults = faultsOf(start, sequence).map(({ text }) => text);
  return {
    kind,
    title: SEQUENCE_LABELS[kind],
    kinds: SEQUENCE_KINDS.map((each) => {
      const other = each === kind ? opened : openSequence(open, each);
      return {
        kind: each,
        label: SEQUENCE_LABELS[each],
        now: each === kind,
        href: hrefOf(each),
        steps: other.sequence.steps.length,
        under: other.run !== null,
      };
    }),
    steps: sequence.steps.map((step) => ({
      id: step.id,
      text: step.text,
      levers: step.levers,
      who: ACTOR_WORDS[step.actor],
      look: step.look,
      caution: step.caution,
      said: saidOf(step),
      state: done.includes(step.id) ? "done" : step.id === next?.id ? "now" : "later",
    })),
    run: run?.id ?? null,
    done: done.length,
    back: backOf(opened),
    faults: kind === "fold" && lists.fold === undefined ? [...foldOf(machine, lists).why, ...faults] : faults,
    edited: lists[kind] !== undefined,
    log: logOf(open),
  };
}

function backOf({ sequence, start, done }: OpenSequence): SequenceView["back"] {
  const step = sequence.steps.find(({ id }) => id === done.at(-1));
  if (!step) return null;
  return {
    step: step.id,
    text: step.back?.text ?? "",
    levers: step.back?.way ? step.levers.map((lever) => lever.replace(/:.*/, "")) : [],
    look: step.back?.look ?? "",
    caution: step.back?.caution ?? "",
    why: refusalBack(start, sequence, done).join(" "),
  };
}

const EVENT_WORDS = { done: "", back: "Taken back: ", aborted: "Given up: ", finished: "" } as const;

/** What was done lately on this rig, the newest first. */
function logOf({ db, rig }: OpenRig): SequenceView["log"] {
  const runs = new Map(runsOf(db, rig.id, 6).map((run) => [run.id, run]));
  return runEventsOf(db, [...runs.keys()])
    .reverse()
    .slice(0, 20)
    .map(({ id, runId, what, said, person, at }) => ({
      id,
      said: `${moment(at)}, ${person}: ${SEQUENCE_LABELS[runs.get(runId)!.kind]}. ${EVENT_WORDS[what]}${said}`,
    }));
}
