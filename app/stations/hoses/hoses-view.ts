/** The panel of the hoses station: what is plugged where in each phase, what is swapped, how long it takes, and why so. */
import { drawHoses, type HoseSheet } from "../../../core/drawing/hoses.ts";
import { capital } from "../../../core/quantity/capital.ts";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import type { WholeRig } from "../../../core/rig/whole.ts";
import { type Hoses, seconds } from "../../../core/subjects/hoses/checks.ts";
import { brokenAlone } from "../../../core/subjects/hoses/cost.ts";
import { unmet } from "../../../core/subjects/hoses/fit.ts";
import { kindOf } from "../../../core/subjects/hoses/kinds.ts";
import {
  type Plan,
  type Problem,
  remotesOf,
  type Stage,
  stagesOf,
  swapsOf,
} from "../../../core/subjects/hoses/problem.ts";
import { appliedAll, type Cure } from "../../../core/subjects/hoses/reasons.ts";
import { type Solved, solve } from "../../../core/subjects/hoses/solve.ts";
import { type Steps, stepsOf, within } from "../../../core/subjects/hoses/steps.ts";
import { lentOil, type Movement } from "../../../core/subjects/hoses/times.ts";
import {
  changeWords,
  counted,
  dearer,
  lacksWords,
  listed,
  stageName,
  swapSteps,
} from "../../../core/subjects/hoses/words.ts";
import { isPort, type Remote, remoteName, type Supply, type Use } from "../../../core/yard/circuit.ts";

export type BoardRow = {
  id: number;
  name: string;
  tool: string;
  /** "remote 3", or where its hose is kept in the stage shown */
  where: string;
  pinned: boolean;
  open: boolean;
  href: string;
};

export type BoardColumn = { id: number; label: string; name: string; lever: string };

export type Board = {
  sheet: HoseSheet;
  rows: BoardRow[];
  columns: BoardColumn[];
  shown: string;
  /** what the tractor gives besides: pump, return, oil, sockets */
  facts: { label: string; text: string }[];
};

export type Cell = { name: string; use: string; swapped: boolean } | null;

export type PhaseRow = { id: number; label: string; lever: string; cells: Cell[] };

export type PlaceChoice = {
  id: number;
  label: string;
  lever: string;
  now: boolean;
  can: boolean;
  said: string;
};

export type HosesView = {
  board: Board | null;
  stages: { label: string; now: boolean; href: string }[];
  phases: PhaseRow[];
  swaps: { before: string; words: string }[];
  /** where there is no plan: what would give one, and what it would be like then; null where there is one, or nobody can tell */
  refused: { cure: string; after: string }[] | null;
  planned: boolean;
  /** of the function that is open: every coupling, with what it would cost or why not */
  open: { id: number; name: string; about: string; choices: PlaceChoice[]; pinned: boolean } | null;
  times: { phase: string; name: string; remote: string; flow: string; time: string; slow: string }[];
  oil: string;
  pinned: number;
  preferences: string[];
  /** whether these are the places kept last, so that the other rigs are held to them */
  kept: boolean;
};

type Asked = {
  whole: WholeRig;
  hoses: Hoses;
  units: Units;
  /** index of the stage shown, as the address has it */
  stage: string | null;
  /** id of the function that is open */
  fn: string | null;
  hrefOf: (query: Record<string, string | null>) => string;
  /** what was kept last: kind → number */
  kept: readonly { kind: string; number: number }[] | null;
};

const USE_WORDS: Record<Use, string> = { moves: "moves", floats: "float", holds: "held", runs: "runs" };

export function hosesView(asked: Asked): HosesView {
  const { whole, hoses, units } = asked;
  const { problem, solved, movements } = hoses;
  const empty: HosesView = {
    board: null,
    stages: [],
    phases: [],
    swaps: [],
    refused: null,
    planned: false,
    open: null,
    times: [],
    oil: "",
    pinned: whole.hoses.pins.size,
    preferences: [],
    kept: false,
  };
  if (!problem || problem.functions.length === 0) return empty;
  const { stages, stage, plan } = shownOf(problem, solved, asked.stage);
  return {
    ...empty,
    board: boardOf(asked, problem, { stages, stage, plan }),
    stages: stages.map((each, at) => ({
      label: each.phases.map((phase) => phase.label).join(", "),
      now: at === stage,
      href: asked.hrefOf({ stage: String(at) }),
    })),
    phases: solved ? phaseRows(problem, solved) : [],
    swaps: solved
      ? swapSteps(problem, stages, plan).map(({ before, words }) => ({ before: `Before ${before}`, words }))
      : [],
    refused: solved || hoses.tooMany ? null : hoses.cures.map((cure) => cureRow(problem, cure)),
    planned: solved !== null,
    open: openFunction(problem, solved, asked),
    times: movements.map((each) => timeRow(problem, stages, plan, each, units)),
    oil: oilText(problem, units),
    preferences: solved ? preferencesOf(problem, stages, plan) : [],
    kept: solved !== null && asked.kept !== null && sameAs(asked.kept, placesOf(problem, solved)),
  };
}

type Shown = { stages: readonly Stage[]; stage: number; plan: Plan };

/** The stage that is asked for, or else the one with the most in use; without a plan nothing is plugged in. */
function shownOf(problem: Problem, solved: Solved | null, asked: string | null): Shown {
  const stages = stagesOf(problem);
  const busiest = stages.reduce(
    (most, { active }, at) => (active.length > stages[most]!.active.length ? at : most),
    0,
  );
  const wanted = Number(asked ?? busiest);
  return {
    stages,
    stage: stages[wanted] ? wanted : busiest,
    plan: solved?.plan ?? problem.functions.map(() => stages.map(() => null)),
  };
}

/** The plugboard alone, for pages that show nothing else of the hoses. */
export function boardView(asked: Omit<Asked, "kept">): Board | null {
  const { problem, solved } = asked.hoses;
  if (!problem || problem.functions.length === 0) return null;
  return boardOf(asked, problem, shownOf(problem, solved, asked.stage));
}

function cureRow(problem: Problem, cure: readonly Cure[]): { cure: string; after: string } {
  const then = within(() => solve(appliedAll(problem, cure)), null);
  const words = capital(listed(cure.map((change) => changeWords(problem, change))));
  if (!then) return { cure: words, after: "there is a way, and there are too many to find the cheapest" };
  const { swaps, slowed: slow } = then.cost;
  return {
    cure: words,
    after: `${swaps === 0 ? "nothing is swapped" : `${counted(swaps)} ${swaps === 1 ? "swap" : "swaps"}`}, ${slow === 0 ? "nothing slowed" : `${counted(slow)} ${slow === 1 ? "movement" : "movements"} slowed`}`,
  };
}

const places = (plan: Plan, fn: number) => [...new Set(plan[fn]!.filter((remote) => remote !== null))];

/** Where each kind of function is plugged in, for the tractor's other rigs to be held to. */
export function placesOf(problem: Problem, { plan }: Solved): { kind: string; number: number }[] {
  const remotes = remotesOf(problem);
  return problem.functions.flatMap(({ kind }, fn) =>
    places(plan, fn)
      .map((at) => remotes[at]!)
      .filter((remote) => !isPort(remote))
      .slice(0, 1)
      .map(({ number }) => ({ kind, number })),
  );
}

function sameAs(a: readonly { kind: string; number: number }[], b: typeof a): boolean {
  const text = (each: typeof a) =>
    each
      .map(({ kind, number }) => `${kind} ${number}`)
      .sort()
      .join();
  return text(a) === text(b);
}

function toolOf(whole: WholeRig, fn: number): string {
  return whole.parts.length > 1 ? whole.parts[whole.hoses.functions[fn]!.part]!.name : "";
}

function boardOf(
  { whole, fn: open, hrefOf, units }: Omit<Asked, "kept">,
  problem: Problem,
  { stages, stage, plan }: Shown,
): Board {
  const remotes = remotesOf(problem);
  const sheet = drawHoses({ width: 424, remotes, plan, stage, functions: problem.functions.length });
  return {
    sheet,
    shown: stageName(stages[stage]!),
    facts: factsOf(problem.supply, units),
    columns: remotes.map((remote) => ({
      id: remote.id,
      label: isPort(remote) ? "PB" : String(remote.number),
      name: capital(remoteName(remote)),
      lever: remote.lever,
    })),
    rows: problem.functions.map(({ id, name, uses }, fn) => {
      const at = plan[fn]![stage] ?? null;
      return {
        id,
        name,
        tool: toolOf(whole, fn),
        where:
          at !== null
            ? remoteName(remotes[at]!)
            : Object.keys(uses).length === 0
              ? "used in no phase"
              : places(plan, fn).length > 0
                ? "not used now"
                : "no coupling",
        pinned: problem.pins.has(id),
        open: String(id) === open,
        href: hrefOf({ fn: String(id) === open ? null : String(id) }),
      };
    }),
  };
}

/** Oil's pressure needs no decimals. */
const sayPressure = (pressure: number, units: Units) =>
  say("pressure", pressure, units).replace(/[.,]\d+/, "");

function factsOf(supply: Supply, units: Units): Board["facts"] {
  const { pumpFlow, pressure, freeReturn, powerBeyond, loadSensing, spareOil, sockets } = supply;
  const ports = [
    freeReturn ? "free return" : "",
    powerBeyond ? "power beyond" : "",
    loadSensing ? "load sensing" : "",
  ];
  const none = "not entered";
  return [
    { label: "Pump", text: pumpFlow === null ? none : say("flow", pumpFlow, units) },
    { label: "Pressure", text: pressure === null ? none : sayPressure(pressure, units) },
    { label: "Ports", text: listed(ports.filter(Boolean)) || "remotes only" },
    { label: "Oil to spare", text: spareOil === null ? none : say("volume", spareOil, units) },
    { label: "Sockets", text: listed(sockets) || none },
  ];
}

/** A row a coupling, a cell a phase in which anything is used. */
function phaseRows(problem: Problem, { stages, plan }: Solved): PhaseRow[] {
  const swaps = swapsOf(stages, plan);
  return remotesOf(problem).map(
    (remote, at): PhaseRow => ({
      id: remote.id,
      label: capital(remoteName(remote)),
      lever: remote.lever,
      cells: stages.map((stage, index): Cell => {
        const fn = stage.active.find((each) => plan[each]![index] === at);
        if (fn === undefined) return null;
        const { name, uses } = problem.functions[fn]!;
        const used = [
          ...new Set(stage.phases.flatMap(({ key }) => (uses[key] ? [USE_WORDS[uses[key]]] : []))),
        ];
        return {
          name,
          use: used.join(", "),
          swapped: swaps.some((swap) => swap.stage === index && swap.in === fn && swap.remote === at),
        };
      }),
    }),
  );
}

function openFunction(problem: Problem, solved: Solved | null, { fn: id, whole }: Asked): HosesView["open"] {
  const index = problem.functions.findIndex((fn) => String(fn.id) === id);
  const fn = problem.functions[index];
  if (!fn) return null;
  const kind = kindOf(fn);
  const own = solved ? places(solved.plan, index) : [];
  const others = new Map([...problem.pins].filter(([other]) => other !== fn.id));
  // One function is looked at with as many steps as two plans take, however many couplings there are.
  const steps = stepsOf(4);
  const free = within(() => solve({ ...problem, pins: others }, steps), null);
  return {
    id: fn.id,
    name: fn.name,
    pinned: problem.pins.has(fn.id),
    about: [toolOf(whole, index), `At work: ${kind.atWork}.`, kind.caution].filter(Boolean).join(" "),
    choices: remotesOf(problem).map((remote, at) =>
      choiceOf({ problem, solved, free, others, index, steps }, remote, own.includes(at)),
    ),
  };
}

/** A function that is looked at: the plan as it is, and the one without a pin of its own. */
type Looked = {
  problem: Problem;
  solved: Solved | null;
  free: Solved | null;
  /** pins of the other functions */
  others: ReadonlyMap<number, number>;
  index: number;
  steps: Steps;
};

/** What it would mean to have it on a coupling: solved anew with it pinned there. */
function choiceOf(
  { problem, solved, free, others, index, steps }: Looked,
  remote: Remote,
  now: boolean,
): PlaceChoice {
  const fn = problem.functions[index]!;
  const base = { id: remote.id, label: capital(remoteName(remote)), lever: remote.lever, now };
  const lacks = unmet(fn, remote, problem.supply);
  if (lacks.length > 0) return { ...base, can: false, said: capital(lacksWords(lacks)) };
  const pinned = { ...problem, pins: new Map(others).set(fn.id, remote.id) };
  const there = within(() => solve(pinned, steps), "too many");
  if (there === "too many")
    return { ...base, can: true, said: "Not weighed: there are too many ways to plug in the rest" };
  if (!there) return { ...base, can: false, said: "Then something else has no place" };
  if (now && solved && there.cost.swaps === solved.cost.swaps)
    return { ...base, can: true, said: whyThere(problem, index, remote) };
  if (!there.proved || !free?.proved)
    return { ...base, can: true, said: "Works; there are too many ways to weigh it against the others" };
  const more = dearer(free.cost, there.cost);
  return { ...base, can: true, said: more ? capital(more) : "As good" };
}

function whyThere(problem: Problem, index: number, remote: Remote): string {
  const { kind, trigger, automatic, action, uses } = problem.functions[index]!;
  const broken = brokenAlone(problem, index, remote);
  const reasons = [
    problem.habits.get(kind) === remote.number ? "the same lever as on the tractor's other rigs" : "",
    trigger && problem.supply.mainLever === remote.number ? "the lever used most" : "",
    automatic ? "the terminal drives it" : "",
    action === "motor" ? (isPort(remote) ? "a motor needs no lever" : "enough flow and a free return") : "",
    Object.values(uses).includes("floats") ? "it has float" : "",
    broken.length > 0 ? "a preference gives way" : "",
  ].filter(Boolean);
  return reasons.length > 0 ? `Chosen: ${reasons.join(", ")}` : "Chosen: the lowest number that is free";
}

function timeRow(
  problem: Problem,
  stages: readonly Stage[],
  plan: Plan,
  { fn, phase, gets, wanted, out, in: back, slowedBy, speed }: Movement,
  units: Units,
): HosesView["times"][number] {
  const stage = stages.findIndex(({ phases }) => phases.some(({ key }) => key === phase.key));
  const remote = remotesOf(problem)[plan[fn]![stage]!]!;
  const times = [
    out === null ? "" : `${seconds(out)} out`,
    back === null ? "" : `${seconds(back)} in`,
  ].filter(Boolean);
  return {
    phase: phase.label,
    name: problem.functions[fn]!.name,
    remote: remoteName(remote),
    flow: gets === null ? "not known" : say("flow", gets, units),
    time: speed !== null ? say("rotation", speed, units) : times.join(", ") || "–",
    slow:
      slowedBy === null || wanted === null
        ? ""
        : `wants ${say("flow", wanted, units)}; ${slowedBy === "pump" ? "shares the pump" : "the remote gives no more"}`,
  };
}

function oilText({ functions, supply }: Problem, units: Units): string {
  const lent = lentOil(functions);
  if (lent === 0) return "";
  const spare =
    supply.spareOil === null ? "" : ` The tractor can spare ${say("volume", supply.spareOil, units)}.`;
  return `With everything out, ${say("volume", lent, units)} of the tractor's oil are in the implement.${spare}`;
}

/** Preferences that gave way to something more important. */
function preferencesOf(problem: Problem, stages: readonly Stage[], plan: Plan): string[] {
  const remotes = remotesOf(problem);
  const found = stages.flatMap((stage, at) =>
    stage.active.flatMap((fn) => {
      const remote = remotes[plan[fn]![at]!]!;
      return brokenAlone(problem, fn, remote).map(({ why }) => {
        const { name, kind } = problem.functions[fn]!;
        return why === "habit"
          ? `${name} is on ${remoteName(remote)}; on the tractor's other rigs it is on remote ${problem.habits.get(kind)}.`
          : `${name} starts and stops the record; the lever used most is ${problem.supply.mainLever}.`;
      });
    }),
  );
  return [...new Set(found)];
}
