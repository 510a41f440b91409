/** The assignment in words: why none, what cures it, what is swapped when, and what each choice costs. */
import { capital } from "../../quantity/capital.ts";
import { remoteName } from "../../yard/circuit.ts";
import type { Rule } from "./board.ts";
import type { Cost } from "./cost.ts";
import { type Need, unmet } from "./fit.ts";
import { kindOf } from "./kinds.ts";
import { type Plan, type Problem, remotesOf, type Stage, type Swap, stagesOf, swapsOf } from "./problem.ts";
import type { Cure } from "./reasons.ts";

/** "a, b and c". */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}

const COUNTS = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"];
/** Small counts in words. */
export const counted = (count: number) => COUNTS[count] ?? String(count);

export const NEED_WORDS: Record<Need, string> = {
  place: "a coupling its hoses reach",
  action: "a double-acting remote",
  float: "float",
  automatic: "a remote the terminal can drive",
  detent: "a lever that stays on",
  return: "a free return for its motor",
  flow: "more flow than a remote gives",
  pressure: "more pressure than the tractor has",
  coupling: "its own form of coupling",
};

/** What a coupling lacks for a function, as "no float". */
export const LACKS: Record<Need, string> = {
  place: "out of reach of its hoses",
  action: "single-acting",
  float: "no float",
  automatic: "not driven by the terminal",
  detent: "lever does not stay on",
  return: "no free return",
  flow: "too little flow",
  pressure: "too little pressure",
  coupling: "another form of coupling",
};

/** A stage by the nouns of its phases. */
export function stageName({ phases }: Stage): string {
  return listed(phases.map(({ noun }) => noun));
}

/** Why there is no plan, a sentence for each reason; those of one stage together. */
export function reasonWords(problem: Problem, rules: readonly Rule[]): string[] {
  const { functions } = problem;
  const stages = stagesOf(problem);
  const remotes = remotesOf(problem);
  const name = (fn: number) => functions[fn]!.name;
  const used = stages.flatMap((stage, at) => {
    const fns = rules.flatMap((rule) => (rule.kind === "use" && rule.stage === at ? [rule.fn] : []));
    if (fns.length === 0) return [];
    if (fns.length === 1) return [`${name(fns[0]!)} is used at ${stageName(stage)}.`];
    return [
      `At ${stageName(stage)} ${listed(fns.map(name))} are used: they need ${counted(fns.length)} couplings of their own.`,
    ];
  });
  const others = rules.flatMap((rule): string[] => {
    if (rule.kind === "need") {
      const without = remotes.filter((remote) =>
        unmet(functions[rule.fn]!, remote, problem.supply).includes(rule.need),
      );
      const all = without.length === remotes.length;
      return [
        `${name(rule.fn)} needs ${NEED_WORDS[rule.need]}: ${all ? "nothing here has it" : `not ${listed(without.map(remoteName))}`}.`,
      ];
    }
    if (rule.kind === "pin") {
      const pinned = remotes.find(({ id }) => id === problem.pins.get(functions[rule.fn]!.id));
      return [`${name(rule.fn)} is pinned to ${pinned ? remoteName(pinned) : "a remote that is gone"}.`];
    }
    if (rule.kind === "locked")
      return [`${name(rule.fn)} cannot be locked: once it carries something, its hoses stay on.`];
    return rule.kind === "kept" ? [`${name(rule.fn)} is held or in float, and keeps its coupling.`] : [];
  });
  const there = remotes.length === 0 ? "no couplings at all" : listed(remotes.map(remoteName));
  return [...used, ...others, `The tractor has ${there}.`];
}

/** A change that cures it, as something to do. */
export function changeWords(problem: Problem, change: Cure): string {
  const name = (fn: number) => problem.functions[fn]!.name;
  switch (change.kind) {
    case "unpin":
      return `let ${name(change.fn)} go where it may`;
    case "valve":
      return `fit a shut-off valve or lock on ${name(change.fn)}`;
    case "diverter":
      return `put ${listed(change.fns.map(name))} on one pair of hoses with a diverter valve`;
    case "return":
      return "lay a free return to the tank";
    case "power beyond":
      return "use a port for power beyond";
    case "upgrade": {
      const remote = problem.supply.remotes.find(({ id }) => id === change.remote);
      const what = { float: "float", automatic: "an automatic valve", detent: "a detent" }[change.need];
      return `give ${remote ? remoteName(remote) : "a remote"} ${what}`;
    }
    case "more":
      return `have ${counted(change.count)} more remote${change.count === 1 ? "" : "s"}${change.place === "rear" ? "" : `, at the ${change.place}`}`;
    case "other tractor":
      return `take a tractor that gives ${name(change.fn)} ${NEED_WORDS[change.need]}`;
  }
}

/** Each way out in a clause, the ways joined by "or". */
export function cureWords(problem: Problem, cures: readonly (readonly Cure[])[]): string {
  if (cures.length === 0) return "No one or two changes would do: take a larger tractor.";
  const ways = cures.map((cure) => listed(cure.map((change) => changeWords(problem, change))));
  return `${capital(ways.join("; or "))}.`;
}

export type SwapStep = { before: string; swaps: Swap[]; words: string };

/** The swap plan: what to do, and before which phase; each as early as its hoses are free, while the machine is small and stands. */
export function swapSteps(problem: Problem, stages: readonly Stage[], plan: Plan): SwapStep[] {
  const { functions } = problem;
  const remotes = remotesOf(problem);
  const name = (fn: number) => functions[fn]!.name.toLowerCase();
  const swaps = swapsOf(stages, plan).map((swap) => ({ swap, at: earliest(stages, plan, swap) }));
  return stages.flatMap((stage, at): SwapStep[] => {
    const here = swaps.filter((each) => each.at === at).map(({ swap }) => swap);
    if (here.length === 0) return [];
    const out = [...new Set(here.flatMap((swap) => (swap.out === null ? [] : [swap.out])))];
    const worked = stages.slice(0, at).some(({ phases }) => phases.some(({ key }) => key === "field"));
    const locks = out.map((fn) => {
      const carries = worked || functions[fn]!.uses.field !== undefined;
      return `${name(fn)} ${carries ? "locked or shut off" : kindOf(functions[fn]!).atWork}`;
    });
    const moves = here.map((swap) => {
      const remote = remoteName(remotes[swap.remote]!);
      return swap.out === null
        ? `plug ${name(swap.in)} into ${remote}`
        : `take ${name(swap.out)} off ${remote} and plug ${name(swap.in)} in`;
    });
    return [
      {
        before: stage.phases[0]!.noun,
        swaps: here,
        words: `Park${locks.length > 0 ? `; leave ${listed(locks)}` : ""}. Engine off, relieve both lines, then ${listed(moves)}.`,
      },
    ];
  });
}

/** The first stage before which a swap can be made: once what comes off and what goes on were used last. */
function earliest(stages: readonly Stage[], plan: Plan, { stage, remote, out, in: coming }: Swap): number {
  const used = (fn: number, at: number) => stages[at]!.active.includes(fn);
  for (let at = stage - 1; at >= 0; at -= 1) {
    const taken = stages[at]!.active.some((fn) => plan[fn]![at] === remote);
    if (taken || used(coming, at) || (out !== null && used(out, at))) return at + 1;
  }
  return stage;
}

/** What a plan costs more than another, worst part first; null where it costs nothing more. */
export function dearer(than: Cost, cost: Cost): string | null {
  const more = (count: number, one: string, many: string) =>
    `${counted(count)} ${count === 1 ? one : many} more`;
  if (cost.swaps > than.swaps) return more(cost.swaps - than.swaps, "swap", "swaps");
  if (cost.slowed > than.slowed) return `${more(cost.slowed - than.slowed, "movement", "movements")} slowed`;
  if (cost.broken > than.broken)
    return `${more(cost.broken - than.broken, "preference", "preferences")} not held`;
  return cost.numbers > than.numbers ? "higher numbers, nothing else" : null;
}

/** What a coupling does not have. */
export const lacksWords = (needs: readonly Need[]) => listed(needs.map((need) => LACKS[need]));
