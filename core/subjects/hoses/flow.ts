/** Who gets how much of the pump in a phase: motors first, what moves shares the rest. */

import type { Phase } from "../../trade/phases.ts";
import type { HoseFunction, Remote } from "../../yard/circuit.ts";
import { wantedFlow } from "./oil.ts";

export type Share = {
  /** index of the function */
  fn: number;
  wanted: number | null;
  /** what it gets, m³/s; null where neither its wish nor a limit is known */
  gets: number | null;
  /** why it gets less than it wants */
  slowedBy: "remote" | "pump" | null;
};

/** Less than this share of what is wanted is felt (our threshold). */
const FELT = 0.95;

const limited = (wanted: number | null, remote: Remote) =>
  wanted === null ? remote.flow : Math.min(wanted, remote.flow ?? Number.POSITIVE_INFINITY);

/**
 * Flow of everything used in a phase. A motor that runs keeps its flow, being set to it; of what moves, either all move at
 * once and share what is left in proportion, or each moves alone.
 */
export function sharesOf(
  functions: readonly HoseFunction[],
  { key, together }: Pick<Phase, "key" | "together">,
  remoteOf: (fn: number) => Remote,
  pumpFlow: number | null,
): Share[] {
  const using = functions.flatMap((fn, index) => {
    const use = fn.uses[key];
    return use === "moves" || use === "runs" ? [{ index, use, wanted: wantedFlow(fn) }] : [];
  });
  const asked = using.map(({ index, wanted }) => limited(wanted, remoteOf(index)));
  const running = using.reduce((sum, { use }, at) => (use === "runs" ? sum + (asked[at] ?? 0) : sum), 0);
  const moving = using.reduce((sum, { use }, at) => (use === "moves" ? sum + (asked[at] ?? 0) : sum), 0);
  const pump = pumpFlow ?? Number.POSITIVE_INFINITY;
  const left = Math.max(0, pump - running);
  return using.map(({ index, use, wanted }, at) => {
    const ask = asked[at]!;
    const share = use === "runs" ? Math.min(1, pump / (running || 1)) : shareOf(ask, left, moving, together);
    const gets = ask === null ? null : ask * share;
    return { fn: index, wanted, gets, slowedBy: slowedBy(wanted, ask, gets) };
  });
}

function shareOf(ask: number | null, left: number, moving: number, together: boolean): number {
  const demand = together ? moving : (ask ?? 0);
  return demand > left ? left / demand : 1;
}

function slowedBy(wanted: number | null, ask: number | null, gets: number | null): Share["slowedBy"] {
  if (wanted === null || ask === null || gets === null || gets >= wanted * FELT) return null;
  return gets < ask * FELT ? "pump" : "remote";
}
