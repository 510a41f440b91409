/** Whether a function's hoses may go on a coupling, and if not, for which needs. */
import { type HoseFunction, isPort, type Remote, type Supply } from "../../yard/circuit.ts";
import { wantedFlow } from "./oil.ts";

/** What a function needs of its coupling: each can be what stands in the way. */
export const NEEDS = [
  "place",
  "action",
  "float",
  "automatic",
  "detent",
  "return",
  "flow",
  "pressure",
  "coupling",
] as const;
export type Need = (typeof NEEDS)[number];

/** Whether a function floats in any phase: it needs a coupling that can. */
export const floats = ({ uses }: HoseFunction) => Object.values(uses).includes("floats");

/** The needs a coupling does not meet; empty where it fits. What nobody told is no reason against it. */
export function unmet(fn: HoseFunction, remote: Remote, supply: Supply): Need[] {
  const motor = fn.action === "motor";
  const port = isPort(remote);
  const wants = wantedFlow(fn);
  const failed: Record<Need, boolean> = {
    place: fn.place !== remote.place,
    // The port feeds motors only: it has no lever to move anything with.
    action: port ? !motor : fn.action === "double" && remote.action === "single",
    float: floats(fn) && !remote.float,
    automatic: fn.automatic && !remote.automatic,
    detent: motor && !remote.detent,
    return: motor && !port && !supply.freeReturn,
    flow: motor && wants !== null && remote.flow !== null && wants > remote.flow * (1 + 1e-9),
    pressure: fn.pressure !== null && supply.pressure !== null && fn.pressure > supply.pressure,
    coupling: fn.coupling !== "" && remote.coupling !== "" && fn.coupling !== remote.coupling,
  };
  return NEEDS.filter((need) => failed[need]);
}
