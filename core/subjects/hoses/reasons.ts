/** Why there is no plan, as few reasons as it takes; and the least changes that would give one. */

import type { HoseFunction, Remote } from "../../yard/circuit.ts";
import { boardOf, feasible, type Rule, rulesOf } from "./board.ts";
import type { Need } from "./fit.ts";
import type { Problem } from "./problem.ts";
import { type Steps, stepsOf, within } from "./steps.ts";

/** Reasons, and cures, take a question for each rule or change: all of them together may take so many searches' steps. */
const SEARCHES = 3;

/**
 * A smallest set of rules that together rule out every plan: without any one of them there is a plan. Empty where there is
 * a plan with all of them.
 * @throws TooManyWays where it would take more steps than a page may
 */
export function reasonsOf(problem: Problem): Rule[] {
  const steps = stepsOf(SEARCHES);
  if (feasible(boardOf(problem), steps)) return [];
  const rules = rulesOf(problem);
  let needed = rules;
  // What can be waived without giving a plan is no reason; what is left at the end all is.
  for (const rule of rules) {
    const without = needed.filter((each) => each !== rule);
    const waived = rules.filter((each) => !without.includes(each));
    if (!feasible(boardOf(problem, waived), steps)) needed = without;
  }
  return needed;
}

/** One change to tractor, implement or wish. */
export type Cure =
  | { kind: "unpin"; fn: number }
  | { kind: "valve"; fn: number }
  | { kind: "diverter"; fns: readonly [number, number] }
  | { kind: "return" }
  | { kind: "power beyond" }
  | { kind: "upgrade"; remote: number; need: "float" | "automatic" | "detent" }
  | { kind: "more"; place: Remote["place"]; count: number }
  | { kind: "other tractor"; fn: number; need: Need };

/**
 * Changes that cure it, those that cost least first; each a set of as few changes as it takes, two at the most. A change that
 * cannot be tried within the steps is not among them.
 */
export function curesOf(problem: Problem, most = 3): Cure[][] {
  const single = changesFor(problem);
  const steps: Steps = stepsOf(SEARCHES);
  const works = (changes: readonly Cure[]) =>
    within(() => feasible(boardOf(appliedAll(problem, changes)), steps), false);
  const alone = single.filter((change) => works([change]));
  if (alone.length > 0) {
    // Where one more remote does, two are no answer.
    const one = alone.some((change) => change.kind === "more" && change.count === 1);
    return alone
      .filter((change) => change.kind !== "more" || change.count === 1 || !one)
      .slice(0, most)
      .map((change) => [change]);
  }
  const pairs: Cure[][] = [];
  for (const [at, first] of single.entries())
    for (const second of single.slice(at + 1)) {
      if (pairs.length === most) return pairs;
      // A second diverter would have to speak of functions the first has joined.
      if (first.kind === "diverter" && second.kind === "diverter") continue;
      if (works([first, second])) pairs.push([first, second]);
    }
  return pairs;
}

/** Every change worth trying, by what it takes: a wish given up, a valve, a line, a kit, another remote, another tractor. */
function changesFor(problem: Problem): Cure[] {
  const { functions, supply, pins } = problem;
  const fns = functions.map((_, fn) => fn);
  const places = [...new Set(functions.map(({ place }) => place))];
  const motor = functions.some(({ action }) => action === "motor");
  const needs = new Map<string, Cure>();
  for (const rule of rulesOf(problem))
    if (rule.kind === "need")
      needs.set(`${rule.fn} ${rule.need}`, { kind: "other tractor", fn: rule.fn, need: rule.need });
  return [
    ...fns.flatMap((fn): Cure[] => (pins.has(functions[fn]!.id) ? [{ kind: "unpin", fn }] : [])),
    ...fns.flatMap((fn): Cure[] => (functions[fn]!.lockable ? [] : [{ kind: "valve", fn }])),
    ...fns.flatMap((a) =>
      fns
        .slice(a + 1)
        .flatMap((b): Cure[] =>
          canDivert(problem, functions[a]!, functions[b]!) ? [{ kind: "diverter", fns: [a, b] }] : [],
        ),
    ),
    ...(motor && !supply.freeReturn ? [{ kind: "return" as const }] : []),
    ...(motor && !supply.powerBeyond ? [{ kind: "power beyond" as const }] : []),
    ...supply.remotes.flatMap((remote): Cure[] =>
      (["float", "automatic", "detent"] as const).flatMap((need): Cure[] =>
        remote[need] ? [] : [{ kind: "upgrade", remote: remote.id, need }],
      ),
    ),
    ...places.flatMap((place): Cure[] => [1, 2].map((count) => ({ kind: "more", place, count }))),
    ...needs.values(),
  ];
}

/** Two functions on one pair of hoses with a valve between: neither driven, held nor in float while the other is used. */
function canDivert({ phases }: Problem, a: HoseFunction, b: HoseFunction): boolean {
  const plain = ({ action, automatic, uses }: HoseFunction) =>
    action !== "motor" && !automatic && Object.values(uses).every((use) => use === "moves");
  const atOnce = phases.some(({ key, together }) => together && a.uses[key] && b.uses[key]);
  return plain(a) && plain(b) && !atOnce && a.place === b.place && a.coupling === b.coupling;
}

/** The problem after several changes: a diverter last, as it joins two functions and the others speak of each. */
export function appliedAll(problem: Problem, changes: readonly Cure[]): Problem {
  const joins = ({ kind }: Cure) => Number(kind === "diverter");
  return [...changes].sort((a, b) => joins(a) - joins(b)).reduce(applied, problem);
}

/** The problem after a change. */
function applied(problem: Problem, change: Cure): Problem {
  const { functions, supply, pins } = problem;
  const withFn = (fn: number, rest: Partial<HoseFunction>): Problem => ({
    ...problem,
    functions: functions.map((each, at) => (at === fn ? { ...each, ...rest } : each)),
  });
  switch (change.kind) {
    case "unpin":
      return { ...problem, pins: new Map([...pins].filter(([id]) => id !== functions[change.fn]!.id)) };
    case "valve":
      return withFn(change.fn, { lockable: true });
    case "diverter": {
      const [a, b] = change.fns.map((fn) => functions[fn]!) as [HoseFunction, HoseFunction];
      const both: HoseFunction = {
        ...a,
        name: `${a.name} and ${b.name}`,
        action: a.action === "double" || b.action === "double" ? "double" : "single",
        uses: { ...b.uses, ...a.uses },
        trigger: a.trigger || b.trigger,
        lockable: a.lockable && b.lockable,
      };
      return {
        ...problem,
        functions: functions.flatMap((each) => (each === a ? [both] : each === b ? [] : [each])),
      };
    }
    case "return":
      return { ...problem, supply: { ...supply, freeReturn: true } };
    case "power beyond":
      return { ...problem, supply: { ...supply, powerBeyond: true } };
    case "upgrade":
      return {
        ...problem,
        supply: {
          ...supply,
          remotes: supply.remotes.map((remote) =>
            remote.id === change.remote ? { ...remote, [change.need]: true } : remote,
          ),
        },
      };
    case "more": {
      const highest = Math.max(0, ...supply.remotes.map(({ number }) => number));
      const more = Array.from(
        { length: change.count },
        (_, at): Remote => ({
          id: -1 - at,
          number: highest + 1 + at,
          lever: "",
          action: "double",
          float: true,
          detent: true,
          timed: false,
          automatic: true,
          flow: null,
          place: change.place,
          coupling: "",
        }),
      );
      return { ...problem, supply: { ...supply, remotes: [...supply.remotes, ...more] } };
    }
    case "other tractor":
      return meeting(problem, change.fn, change.need);
  }
}

/** As if the tractor met one need of a function: what another one would have to bring. */
function meeting(problem: Problem, fn: number, need: Need): Problem {
  const { supply, functions } = problem;
  const each = functions[fn]!;
  const remotes = (rest: (remote: Remote) => Partial<Remote>): Problem => ({
    ...problem,
    supply: { ...supply, remotes: supply.remotes.map((remote) => ({ ...remote, ...rest(remote) })) },
  });
  switch (need) {
    case "place":
      return remotes(() => ({ place: each.place }));
    case "action":
      return remotes(() => ({ action: "double" }));
    case "float":
    case "automatic":
    case "detent":
      return remotes(() => ({ [need]: true }));
    case "return":
      return { ...problem, supply: { ...supply, freeReturn: true } };
    case "flow":
      return remotes(() => ({ flow: null }));
    case "pressure":
      return { ...problem, supply: { ...supply, pressure: null } };
    case "coupling":
      return remotes(() => ({ coupling: "" }));
  }
}
