/** What the hoses put on the hook-up list: couplings clean and without pressure, and each hose where it goes. */
import { isFixed, onLinks } from "../../dimension/attachment.ts";
import { usesTerminal } from "../../rig/asked.ts";
import { chosen, type WholeRig } from "../../rig/whole.ts";
import { type HookupLine, line } from "../../subject/hookup-line.ts";
import { remoteName, SOCKETS } from "../../yard/circuit.ts";
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
    ...socketLines(whole),
    line(
      "Shaft, hoses",
      "stowed",
      "What is left of the harness stowed, the hose holder folded back, the jack stored.",
    ),
  ];
}

type Socket = (typeof SOCKETS)[number];

/** What is done with each (common practice, no source: of two air lines the yellow one goes on first, and comes off last). */
const PLUGS: Record<Socket, string> = {
  "7-pin lights": "7-pin plug of its lights in.",
  "3-pin 12 V": "3-pin 12 V plug in the cab in.",
  "implement bus": "implement-bus plug in.",
  "hand piece": "hand piece's plug in, its cable clear of the seat and the pedals.",
  camera: "camera's plug in, its picture seen on the screen.",
  "air brakes": "air lines on, yellow first, then red; their taps open.",
};

/** The plugs of one tool: those it was told to need, or else by how it hangs and what it is. */
export function plugsOf({ parts, hoses }: WholeRig, index: number): Socket[] {
  const { rig } = parts[index]!;
  if (isFixed(rig.attachment)) return [];
  const told = SOCKETS.filter((each) => hoses.sockets[index]?.includes(each));
  if (told.length > 0) return told;
  return ["7-pin lights", ...(usesTerminal(rig) ? (["implement bus"] as const) : [])];
}

/** What leads across beside oil, each plug by its name. */
function socketLines(whole: WholeRig): HookupLine[] {
  return whole.parts.flatMap(({ rig, name }, index) => {
    if (isFixed(rig.attachment)) return [];
    const plug = (key: string, text: string) =>
      line("Shaft, hoses", `${key} ${index + 1}`, `${name}: ${text}`);
    // What is carried has no wheel of its own to take its speed from (common practice, no source).
    const signal = chosen(rig, "tool.kind") === "sprayer" && onLinks(rig.attachment);
    return [
      ...plugsOf(whole, index).map((each) => plug(each, PLUGS[each])),
      ...(signal ? [plug("signal", "harness for the tractor's wheel signal in.")] : []),
    ];
  });
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
