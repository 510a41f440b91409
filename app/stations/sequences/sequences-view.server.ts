import { faultsOf } from "../../../core/sequence/check.ts";
import { positionOf, refusalBack } from "../../../core/sequence/run.ts";
import type { Actor } from "../../../core/sequence/step.ts";
import { SEQUENCE_KINDS, SEQUENCE_LABELS, type SequenceKind } from "../../../core/sequence/step.ts";
import { foldOf } from "../../../core/sequence/templates.ts";
import { runEventsOf, runsOf } from "../../../data/sequences.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { type OpenSequence, openSequences, saidOf } from "./open-sequence.server.ts";

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
  /** it was run through, and nothing came after: what comes next; null while it is to be run */
  over: { said: string; next: { label: string; href: string } | null } | null;
  /** what comes next once it is run through */
  following: { label: string; href: string } | null;
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
  const all = openSequences(open, SEQUENCE_KINDS);
  const opened = all.find((each) => each.kind === kind)!;
  const { sequence, supposed, start, run, done, lists, machine, over } = opened;
  const following = nextOf(all, kind, hrefOf);
  const { next } = positionOf(start, sequence, done);
  const faults = faultsOf(supposed, sequence).map(({ text }) => text);
  return {
    kind,
    title: SEQUENCE_LABELS[kind],
    kinds: all.map((other) => ({
      kind: other.kind,
      label: SEQUENCE_LABELS[other.kind],
      now: other.kind === kind,
      href: hrefOf(other.kind),
      steps: other.sequence.steps.length,
      under: other.run !== null,
    })),
    over: over && {
      said: `Run through ${moment(over.at)} by ${over.person}.`,
      next: following,
    },
    following,
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

/** What comes after a sequence in a day: the next list that has steps; after the start of work its ladder. */
function nextOf(
  all: readonly OpenSequence[],
  kind: SequenceKind,
  hrefOf: (kind: SequenceKind) => string,
): { label: string; href: string } | null {
  const at = all.findIndex((each) => each.kind === kind);
  const next = all.slice(at + 1).find(({ sequence }) => sequence.steps.length > 0);
  return next ? { label: SEQUENCE_LABELS[next.kind], href: hrefOf(next.kind) } : null;
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
