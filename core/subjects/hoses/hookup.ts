/** What the hoses put on the hook-up list: couplings clean and without pressure, and each hose where it goes. */
import type { WholeRig } from "../../rig/whole.ts";
import { type HookupLine, line } from "../../subject/hookup-line.ts";
import { remoteName } from "../../yard/circuit.ts";
import type { Hoses } from "./checks.ts";
import { pluggedAtCoupling, remotesOf } from "./problem.ts";

/** Which hose goes where, in the order they are plugged in, and the sockets. */
export function hoseLines(whole: WholeRig, hoses: Hoses): HookupLine[] {
  return [
    line(
      "Shaft, hoses",
      "hoses",
      "Pressure relieved, couplings wiped, hoses and cables in and clear of links and wheels. Never feel for a leak with a hand.",
      { protects: true },
    ),
    ...pluggedLines(whole, hoses),
  ];
}

/** What is plugged in at coupling, by the assignment; what is swapped later has its own place at the station. */
function pluggedLines(whole: WholeRig, { problem, solved }: Hoses): HookupLine[] {
  if (!problem || !solved) return [];
  const remotes = remotesOf(problem);
  return pluggedAtCoupling(solved.stages, solved.plan).map(({ fn, remote }) => {
    const { name, part } = whole.hoses.functions[fn]!;
    const of = whole.parts.length > 1 ? `${whole.parts[part]!.name}, ` : "";
    return line(
      "Shaft, hoses",
      `hose ${problem.functions[fn]!.id}`,
      `${of}${name} into ${remoteName(remotes[remote]!)}.`,
    );
  });
}
