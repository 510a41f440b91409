/** The hoses station: is there a coupling for everything, what is swapped, what is slow, does the oil suffice? */

import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { capital } from "../../quantity/capital.ts";
import { capitalSaid, joined, quantity, tell } from "../../quantity/said.ts";
import { chosen, type WholeRig } from "../../rig/whole.ts";
import { PHASES } from "../../trade/phases.ts";
import { couplingsOf, type HoseFunction, type Supply } from "../../yard/circuit.ts";
import type { RigHoses } from "../../yard/rig-hoses.ts";
import { wantedFlow } from "./oil.ts";
import { type Problem, remotesOf, stagesOf, swapsOf } from "./problem.ts";
import { type Cure, curesOf, reasonsOf } from "./reasons.ts";
import { type Solved, solve } from "./solve.ts";
import { within } from "./steps.ts";
import { lentOil, type Movement, movementsOf } from "./times.ts";
import { counted, cureWords, listed, reasonWords, swapSteps } from "./words.ts";

export type Hoses = {
  problem: Problem | null;
  /** null where no way works, or where there are too many to tell */
  solved: Solved | null;
  /** there are more ways to plug in than can be weighed: nothing is proved */
  tooMany: boolean;
  movements: Movement[];
  /** where there is no plan: what would give one */
  cures: Cure[][];
};

/** What the couplings are asked for; null where the machine's are not entered. */
export function problemOf({ supply, functions, pins, habits }: RigHoses): Problem | null {
  return supply && { phases: PHASES, supply, functions, pins, habits };
}

/** The assignment of a whole rig, and what follows from it. */
export function hosesOf({ hoses }: WholeRig): Hoses {
  const problem = problemOf(hoses);
  const none = { problem, solved: null, tooMany: false, movements: [], cures: [] };
  if (!problem || hoses.functions.length === 0) return none;
  const answer = within(() => solve(problem), "too many");
  if (answer === "too many") return { ...none, tooMany: true };
  return answer
    ? { ...none, solved: answer, movements: movementsOf(problem, answer.stages, answer.plan) }
    : { ...none, cures: curesOf(problem) };
}

/** What is looked at of it. */
export function hoseChecks(whole: WholeRig, { problem, solved, tooMany, movements, cures }: Hoses): Check[] {
  const at = checkerOf("hoses", whole.parts[0]!.rig);
  const open = untold(whole, at);
  if (!problem || whole.hoses.functions.length === 0) return [...open, ...nothing(whole, at)];
  return [
    solved
      ? assignedCheck(problem, solved, at)
      : tooMany
        ? tooManyCheck(problem, at)
        : refusedCheck(problem, cures, at),
    ...open,
    ...functionChecks(whole, at),
    ...planterChecks(whole, at),
    // Without a plan nobody knows what moves with what flow: nothing is said of it, least of all that it suffices.
    ...(solved ? slowChecks(problem, movements, at) : []),
    ...oilCheck(problem, at),
    ...socketChecks(whole, at),
  ];
}

/** The tractor's couplings, and each implement's functions, where nobody entered them. */
function untold({ hoses, parts, selfPropelled }: WholeRig, rowOf: Checker): Check[] {
  const untoldTools = parts.some((_, part) => !hoses.told[part]);
  return [
    ...(hoses.supply === null && (hoses.functions.length > 0 || untoldTools)
      ? [
          rowOf("remotes", "Remotes").judged(
            "unknown",
            "remotes",
            `The ${selfPropelled ? "machine" : "tractor"}'s remotes are not entered.`,
            "Without them nobody can say where a hose may go.",
            "Enter remotes",
          ),
        ]
      : []),
    ...parts.flatMap(({ name }, part) =>
      hoses.told[part]
        ? []
        : [
            {
              ...rowOf(`functions${part === 0 ? "" : `:${part + 1}`}`, "Functions").judged(
                "unknown",
                "functions",
                `${capital(name)}: functions not entered.`,
                "Say what moves by oil, or that nothing does.",
                "Enter functions",
              ),
              part,
            },
          ],
    ),
  ];
}

function nothing({ hoses }: WholeRig, rowOf: Checker): Check[] {
  return hoses.functions.length === 0 && hoses.told.length > 0 && hoses.told.every(Boolean)
    ? [
        rowOf("assignment", "Assignment").good(
          "functions",
          "Nothing here moves by the tractor's oil.",
          "",
          "Look at functions",
        ),
      ]
    : [];
}

/** The most functions used in one stage, and the couplings there are: what makes the ways so many. */
function tooManyCheck(problem: Problem, rowOf: Checker): Check {
  const most = Math.max(...stagesOf(problem).map(({ active }) => active.length));
  const couplings = remotesOf(problem).length;
  return rowOf("assignment", "Assignment").judged(
    "unknown",
    "hoses",
    `${capital(counted(most))} functions used at once on ${counted(couplings)} couplings: there are too many ways to weigh.`,
    "Nothing is proved, neither that a way works nor that none does. Pin the functions whose coupling you know: each one pinned leaves fewer ways.",
    "Pin some",
  );
}

function assignedCheck(problem: Problem, { stages, plan, proved }: Solved, rowOf: Checker): Check {
  const row = rowOf("assignment", "Assignment");
  const swaps = swapsOf(stages, plan);
  const functions = problem.functions.length;
  const places = new Set(plan.flat().filter((remote) => remote !== null)).size;
  const has = `${capital(counted(functions))} function${functions === 1 ? "" : "s"} on ${counted(places)} coupling${places === 1 ? "" : "s"}`;
  if (swaps.length === 0) return row.good("hoses", `${has}, nothing swapped.`, "", "Look at the hoses");
  const steps = swapSteps(problem, stages, plan);
  return row.check(
    "hoses",
    `${has}: hoses are swapped before ${listed(steps.map(({ before }) => before))}.`,
    `${proved ? "No way of plugging them in has fewer swaps." : NOT_PROVED} ${steps[0]!.words}`,
    "Look at the hoses",
  );
}

const NOT_PROVED =
  "It works; whether another way has fewer swaps is not proved, there are too many to weigh. Pin what you know.";

function refusedCheck(problem: Problem, cures: readonly Cure[][], rowOf: Checker): Check {
  const reasons = within(() => reasonWords(problem, reasonsOf(problem)).join(" "), null);
  const least = cures.length === 0 ? "" : ` The least that would: ${cureWords(problem, cures)}`;
  return rowOf("assignment", "Assignment").stop(
    "hoses",
    reasons ?? "No way of plugging them in works; what stands in the way has too many parts to single out.",
    `No way of plugging them in works.${least}`,
    "Look at the hoses",
  );
}

/** Functions that cannot be as they were entered. */
/** What a planter is built with, held against what was entered that moves by oil: hydraulic downforce is a function, a bulk fill has a fan. */
function planterChecks({ hoses, parts }: WholeRig, rowOf: Checker): Check[] {
  return parts.flatMap(({ rig }, part): Check[] => {
    const own = hoses.functions.filter((fn) => fn.part === part);
    if (own.length === 0) return [];
    const lacks = (kind: string) => !own.some((fn) => fn.kind === kind);
    const row = (key: string, label: string) => rowOf(`${key}:${part}`, label);
    return [
      ...(chosen(rig, "tool.downforce") === "hydraulic" && lacks("downforce")
        ? [
            row("no-downforce", "Downforce").fix(
              "functions",
              "Its downforce is hydraulic, and none of its functions is that.",
              "It would get no coupling, and no step would switch it on: the stand is uneven from the first pass.",
              "Enter it",
            ),
          ]
        : []),
      ...(chosen(rig, "tool.hoppers") === "bulk" && lacks("fan")
        ? [
            row("no-fan", "Fan of the bulk fill").check(
              "functions",
              "Seed is blown to its rows, and none of its functions is a fan.",
              "Where oil drives it, it needs a coupling; driven by the shaft it needs none.",
              "Enter it",
            ),
          ]
        : []),
    ];
  });
}

function functionChecks({ hoses, parts }: WholeRig, rowOf: Checker): Check[] {
  const of = (fn: RigHoses["functions"][number]) =>
    (parts.length > 1 ? `${parts[fn.part]!.name}, ` : "") + fn.name;
  return hoses.functions.flatMap((fn): Check[] => {
    const at = (what: string) => rowOf(`${what}:${fn.id}`, fn.name);
    const found: Check[] = [];
    if (Object.keys(fn.uses).length === 0)
      found.push(
        at("no-phase").fix(
          "functions",
          `${of(fn)} is used in no phase.`,
          "It would get no coupling. Say when it moves.",
          "Change it",
        ),
      );
    if (fn.kind === "suspension" && !(fn.uses.field === "holds" && fn.uses.uncouple === "moves"))
      found.push(
        at("charge").check(
          "functions",
          `${of(fn)} is charged, and does not keep its coupling until it is let off.`,
          "Its hose comes off under pressure, and what is plugged in there meanwhile has to come off first. Let it hold at work and on the road, and move at uncoupling.",
          "Change it",
        ),
      );
    const wants = wantedFlow(fn);
    if (wants !== null && wants <= 0)
      found.push(
        at("no-flow").fix(
          "functions",
          tell`${of(fn)} wants ${quantity("flow", 0)}.`,
          "Nothing moves without oil. Look for a slipped digit, or a motor without speed.",
          "Change it",
        ),
      );
    const most = fastest(hoses.supply, fn);
    if (fn.action === "motor" && wants !== null && most !== null && wants > most)
      found.push(
        at("too-fast").stop(
          "functions",
          tell`${of(fn)} wants ${quantity("flow", wants)}; the most any coupling here gives is ${quantity("flow", most)}.`,
          "It would never reach its speed. A larger remote, power beyond, or a slower speed.",
          "Change it",
        ),
      );
    return found;
  });
}

function fastest(supply: Supply | null, { place }: HoseFunction): number | null {
  const flows = supply
    ? couplingsOf(supply).flatMap((remote) => (remote.place === place ? [remote.flow] : []))
    : [];
  return flows.length === 0 || flows.includes(null) ? null : Math.max(...(flows as number[]));
}

function slowChecks(problem: Problem, movements: readonly Movement[], rowOf: Checker): Check[] {
  const slow = movements.filter(({ slowedBy }) => slowedBy !== null);
  if (problem.supply.pumpFlow === null) return [];
  if (slow.length === 0)
    return [
      rowOf("flow", "Flow").good(
        "hoses",
        tell`${quantity("flow", problem.supply.pumpFlow)} suffice for all that moves at once.`,
        "",
        "Look at the times",
      ),
    ];
  const told = slow.map(({ fn, phase, wanted, gets, out, wantedOut }) => {
    const { name } = problem.functions[fn]!;
    const time =
      out !== null && wantedOut !== null ? `, ${seconds(out)} instead of ${seconds(wantedOut)}` : "";
    return tell`${name} at ${phase.label.toLowerCase()} gets ${quantity("flow", gets!)} of ${quantity("flow", wanted!)}${time}`;
  });
  const motors = slow.some(({ fn }) => problem.functions[fn]!.action === "motor");
  return [
    rowOf("flow", "Flow").judged(
      motors ? "fix" : "check",
      "hoses",
      tell`${capitalSaid(joined(told.slice(0, 3), "; "))}${told.length > 3 ? `; and ${counted(told.length - 3)} more` : ""}.`,
      motors
        ? "A motor below its speed does not do its work. Move less at once, or take more flow."
        : "It moves, only slower.",
      "Look at the times",
    ),
  ];
}

/** "4.2 s", and whole ones from ten on. */
export const seconds = (value: number) => `${value < 9.95 ? value.toFixed(1) : Math.round(value)}\u00a0s`;

function oilCheck({ functions, supply }: Problem, rowOf: Checker): Check[] {
  const lent = lentOil(functions);
  if (supply.spareOil === null || lent === 0) return [];
  const said = tell`${quantity("volume", lent)} go into the implement with everything out; the tractor can spare ${quantity("volume", supply.spareOil)}`;
  return [
    lent > supply.spareOil
      ? rowOf("oil", "Oil").fix(
          "remotes",
          tell`${said}: ${quantity("volume", lent - supply.spareOil)} too little.`,
          "Its pump would draw air. Top up with everything out, and mind the level when it comes back.",
          "Look at the oil",
        )
      : rowOf("oil", "Oil").good("remotes", tell`${said}.`, "", "Look at the oil"),
  ];
}

function socketChecks({ hoses, parts }: WholeRig, rowOf: Checker): Check[] {
  const have = hoses.supply?.sockets ?? [];
  return hoses.sockets.flatMap((needs, part) => {
    const missing = needs.filter((socket) => !have.includes(socket));
    if (needs.length === 0) return [];
    return [
      rowOf(`sockets${part === 0 ? "" : `:${part + 1}`}`, "Sockets").judged(
        missing.length > 0 ? "fix" : "good",
        "remotes",
        missing.length > 0
          ? `${parts[part]!.name} needs ${listed(missing)}; the tractor has none.`
          : `${parts[part]!.name}: ${listed(needs)} there.`,
        missing.length > 0 ? "Lights, controller or bus stay dead without it." : "",
        "Look at the sockets",
      ),
    ];
  });
}
