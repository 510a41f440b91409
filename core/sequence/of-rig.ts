/** A tool's sequences on its rig: the steps of its lists with the levers of the solved assignment, and the swaps where they fall. */
import { onLinks } from "../dimension/attachment.ts";
import { capital } from "../quantity/capital.ts";
import { chosen, type WholeRig } from "../rig/whole.ts";
import type { Hoses } from "../subjects/hoses/checks.ts";
import { kindOf } from "../subjects/hoses/kinds.ts";
import { remotesOf } from "../subjects/hoses/problem.ts";
import { swapSteps } from "../subjects/hoses/words.ts";
import type { ToolKindKey } from "../trade/kinds.ts";
import type { MeterDrive } from "../trade/meters.ts";
import { PHASES, type PhaseKey } from "../trade/phases.ts";
import { isPort, remoteName } from "../yard/circuit.ts";
import type { SequenceKind, Step, Way } from "./step.ts";
import { type Lists, listOf, type Machine } from "./templates.ts";

/** In which phase the levers of a sequence are moved. */
const PHASE_OF: Record<SequenceKind, PhaseKey> = {
  "hook-up": "stand",
  unfold: "unfold",
  start: "field",
  headland: "headland",
  stop: "headland",
  fold: "fold",
  uncouple: "uncouple",
};

/** The stage of the assignment a sequence is done in; null where nothing is used in it. */
export function stageOf({ solved }: Hoses, kind: SequenceKind): string | null {
  const at = solved?.stages.findIndex(({ phases }) => phases.some(({ key }) => key === PHASE_OF[kind])) ?? -1;
  return at < 0 ? null : String(at);
}

/** What a tool has that its lists of steps depend on. `part` is its index. */
export function machineOf({ parts, hoses }: WholeRig, part: number): Machine {
  const { rig } = parts[part]!;
  const pto = chosen<string>(rig, "tool.pto");
  const meters = chosen<MeterDrive>(rig, "tool.meterDrive");
  const charged = hoses.functions.find((fn) => fn.part === part && fn.kind === "suspension");
  return {
    has: new Set(hoses.functions.flatMap((fn) => (fn.part === part ? [fn.kind] : []))),
    kind: chosen<ToolKindKey>(rig, "tool.kind"),
    driven: (pto !== null && pto !== "none") || meters === "PTO generator",
    stillFolded: chosen<string>(rig, "tool.folded") === "still",
    carried: onLinks(rig.attachment),
    semi: rig.attachment === "semi",
    sprung: chosen(rig, "tool.springs") === "own",
    meters,
    lockouts: chosen(rig, "tool.lockouts") === "two" ? 2 : 1,
    charge: charged?.charge ? bothWays(charged.charge) : null,
    tap: charged?.tap || null,
    automatic: hoses.functions.flatMap((fn) => (fn.part === part && fn.automatic ? [fn.kind] : [])),
  };
}

const BAR = 1e5;
const PSI = 6894.757;

/** "118 bar (1 710 psi)": a step reads alike whatever units a page shows, and is kept in its words. */
function bothWays(pressure: number): string {
  const psi = Math.round(pressure / PSI / 10) * 10;
  return `${Math.round(pressure / BAR)} bar (${String(psi).replace(/(\d)(?=(\d{3})+$)/g, "$1\u202f")} psi)`;
}

/** A step as it is done on this rig: which levers, and which way. */
export type RigStep = Step & { levers: string[] };
export type RigSequence = { kind: SequenceKind; steps: RigStep[] };

/** The steps of one tool's sequence, with swaps that fall before it put first. */
export function stepsOfRig(
  whole: WholeRig,
  hoses: Hoses,
  part: number,
  kind: SequenceKind,
  lists: Lists = {},
): RigSequence {
  const { steps } = listOf(kind, machineOf(whole, part), lists);
  return {
    kind,
    steps: [...swapsBefore(whole, hoses, part, kind), ...steps].map((step) => ({
      ...step,
      levers: step.fns.flatMap((fn) => leverOf(whole, hoses, part, kind, fn, step.way) ?? []),
    })),
  };
}

/** Swaps of a rig are done with the sequence of the tool whose hose goes on. */
function swapsBefore(
  { hoses: own }: WholeRig,
  { problem, solved }: Hoses,
  part: number,
  kind: SequenceKind,
): Step[] {
  if (!problem || !solved) return [];
  const noun = PHASES.find(({ key }) => key === PHASE_OF[kind])!.noun;
  return swapSteps(problem, solved.stages, solved.plan)
    .filter(
      ({ before, swaps }) => before === noun && swaps.some((swap) => own.functions[swap.in]!.part === part),
    )
    .map(({ words }) => ({
      id: `swap ${kind}`,
      actor: "outside" as const,
      fns: [],
      way: null,
      text: words,
      look: "Each hose home by its tag; what came off is capped and hung up.",
      caution: "Engine off, key with you. Oil under pressure goes through skin.",
      needs: [],
      sets: { swapped: "yes" },
      after: [],
      back: null,
      stays: true,
    }));
}

/** "Remote 3, lever 3: unfold"; null where the function has no coupling. */
function leverOf(
  { hoses: own }: WholeRig,
  { problem, solved }: Hoses,
  part: number,
  kind: SequenceKind,
  fnKind: string,
  way: Way | null,
): string | null {
  if (!problem || !solved) return null;
  const index = own.functions.findIndex((fn) => fn.part === part && fn.kind === fnKind);
  const fn = own.functions[index];
  if (!fn) return null;
  const stage = solved.stages.findIndex(({ phases }) => phases.some(({ key }) => key === PHASE_OF[kind]));
  const places = solved.plan[index]!;
  const at = (stage < 0 ? null : places[stage]) ?? places.find((place) => place !== null);
  if (at === undefined || at === null) return null;
  const remote = remotesOf(problem)[at]!;
  if (isPort(remote)) return `Power beyond: ${fn.name.toLowerCase()}, by its own valve`;
  const lever = remote.lever === "" || remote.lever === `lever ${remote.number}` ? "" : `, ${remote.lever}`;
  const word = wayWord(kindOf(fn).ways, way);
  return `${capital(remoteName(remote))}${lever}: ${fn.name.toLowerCase()}${word === "" ? "" : ` ${word}`}`;
}

function wayWord([out, back]: readonly [string, string], way: Way | null): string {
  if (way === null) return "";
  return way === "out"
    ? out
    : way === "in"
      ? back
      : { float: "to float", detent: "to detent", neutral: "to neutral" }[way];
}
