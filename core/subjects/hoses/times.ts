/** How long each movement takes on its coupling, and what it has to share the pump with. */

import type { Phase } from "../../trade/phases.ts";
import type { HoseFunction } from "../../yard/circuit.ts";
import { type Share, sharesOf } from "./flow.ts";
import { inVolume, lentVolume, motorSpeed, outVolume, timeFor, wantedFlow } from "./oil.ts";
import { type Plan, type Problem, remotesOf, type Stage } from "./problem.ts";

export type Movement = Share & {
  phase: Phase;
  /** seconds right out and right in, at what it gets; null where cylinder or flow is not known */
  out: number | null;
  in: number | null;
  /** the same at what it wants */
  wantedOut: number | null;
  /** rev/s of a motor at what it gets */
  speed: number | null;
};

/** Every movement of a plan, phase by phase. */
export function movementsOf(problem: Problem, stages: readonly Stage[], plan: Plan): Movement[] {
  const remotes = remotesOf(problem);
  return stages.flatMap(({ phases }, stage) =>
    phases.flatMap((phase) =>
      sharesOf(problem.functions, phase, (fn) => remotes[plan[fn]![stage]!]!, problem.supply.pumpFlow).map(
        (share) => ({ ...share, phase, ...timesOf(problem.functions[share.fn]!, share) }),
      ),
    ),
  );
}

function timesOf(fn: HoseFunction, { gets }: Share) {
  const { cylinder, motor } = fn;
  const wanted = wantedFlow(fn);
  const at = (volume: number, flow: number | null) => (flow === null ? null : timeFor(volume, flow));
  return {
    out: cylinder ? at(outVolume(cylinder), gets) : null,
    in: cylinder ? at(fn.action === "single" ? outVolume(cylinder) : inVolume(cylinder), gets) : null,
    wantedOut: cylinder ? at(outVolume(cylinder), wanted) : null,
    speed: motor && gets !== null ? motorSpeed(motor, gets) : null,
  };
}

/** Oil of the tractor's that is in the implement with everything out at once, m³. */
export function lentOil(functions: readonly HoseFunction[]): number {
  return functions.reduce((sum, fn) => sum + lentVolume(fn), 0);
}
