/** Tags for both ends of every hose: the coupling's number and a letter, the function, and what the port does. */
import { isPort } from "../../yard/circuit.ts";
import { kindOf } from "./kinds.ts";
import { type Plan, type Problem, remotesOf, type Stage, swapsOf } from "./problem.ts";

export type HoseTag = {
  /** index of the function */
  fn: number;
  /** "3A": the remote's number, the port's letter */
  code: string;
  way: string;
  /** goes on only for some phases: the noun of the first of them */
  from: string;
};

/** Ports of a function: A pushes, B pulls; a motor returns by R and drains by L. */
function portsOf({ action, motor, kind }: Problem["functions"][number]): { letter: string; way: string }[] {
  const [out, back] = kindOf({ kind }).ways;
  if (action === "motor")
    return [
      { letter: "A", way: out },
      { letter: "R", way: "free return" },
      ...(motor?.caseDrain ? [{ letter: "L", way: "leak line, no pressure" }] : []),
    ];
  return action === "single"
    ? [{ letter: "A", way: out }]
    : [
        { letter: "A", way: out },
        { letter: "B", way: back },
      ];
}

/** The tags of a plan, by function from the front; a function that is moved has tags for each of its couplings. */
export function tagsOf(problem: Problem, stages: readonly Stage[], plan: Plan): HoseTag[] {
  const remotes = remotesOf(problem);
  const swaps = swapsOf(stages, plan);
  return problem.functions.flatMap((fn, index) => {
    const places = plan[index]!.flatMap((remote, stage) => (remote === null ? [] : [{ remote, stage }]));
    return [...new Set(places.map(({ remote }) => remote))].flatMap((remote) => {
      const number = isPort(remotes[remote]!) ? "P" : String(remotes[remote]!.number);
      const shared = swaps.some(
        (swap) => swap.remote === remote && (swap.in === index || swap.out === index),
      );
      const { stage } = places.find((place) => place.remote === remote)!;
      return portsOf(fn).map(({ letter, way }) => ({
        fn: index,
        code: `${number}${letter}`,
        way,
        from: shared ? stages[stage]!.phases[0]!.noun : "",
      }));
    });
  });
}
