/** A tool behind other tools: what a terminal that knows every one of them asks, and what one that knows only one gets wrong. */
import { type Attachment, isTrain } from "../dimension/attachment.ts";
import { hasDimension } from "../dimension/catalogue.ts";
import type { PointKey } from "../dimension/points.ts";
import type { Finding } from "../finding/finding.ts";
import { printLength } from "../quantity/length.ts";
import type { Units } from "../quantity/units.ts";
import { steersBy } from "../rig/asked.ts";
import { between } from "../rig/chain.ts";
import { towedRadius } from "../rig/circle.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import { eachSection } from "./of-sections.ts";
import { isShownFor } from "./only.ts";
import type { AskedLine, Scheme, SchemeLine } from "./scheme.ts";

/** A tool that hangs between the machine that drives and the tool in view. */
export type ToolAhead = { name: string; rig: ResolvedRig; stops: readonly Finding[] };

/** The pins of a train from the front, as the frame of its last tool calls them. */
const PINS: readonly PointKey[] = ["leadPin", "midPin", "pin"];

/**
 * The pins of a tool from the machine backward, as its own frame names them: one, or of a train the pins of
 * the tools ahead as well.
 */
export function pinsOf(attachment: Attachment): readonly PointKey[] {
  if (attachment === "third") return PINS;
  return isTrain(attachment) ? ["leadPin", "pin"] : ["pin"];
}

const OF_TOOL = (line: SchemeLine) => line.measure.kind === "between" && line.measure.from === "reference";

/** The lines a terminal shows for a tool: those kept for such tools, with one for each of its sections where it asks them singly. */
function linesFor(lines: readonly SchemeLine[], rig: ResolvedRig): AskedLine[] {
  return lines.filter(({ only }) => isShownFor(only, rig)).flatMap((line) => eachSection(line, rig));
}

/**
 * The lines a scheme asks of a rig. One that counts a tool from a reference point of its own has a page for each tool ahead,
 * with the pin it hangs on and the pin the next one hangs on; any other asks what it asks of a single tool.
 */
export function askedLines({ lines }: Scheme, rig: ResolvedRig, ahead: readonly ToolAhead[]): AskedLine[] {
  const pages = new Set(lines.filter(OF_TOOL).map(({ page }) => page));
  const at = lines.findIndex(({ page }) => pages.has(page));
  if (ahead.length === 0 || at < 0) return linesFor(lines, rig);
  const own = (line: { page: string }) => pages.has(line.page);
  const named = (tool: number, name: string) => `${tool + 1}. ${name}`;
  return [
    ...linesFor(lines.slice(0, at), rig),
    ...ahead.flatMap((each, tool) =>
      linesOfAhead(lines.filter(own), each, tool, pinsOf(rig.attachment)).map((line) => ({
        ...line,
        tool,
        page: named(tool, each.name),
      })),
    ),
    ...linesFor(lines.slice(at), rig).map((line) =>
      own(line) ? { ...line, page: named(ahead.length, line.page) } : line,
    ),
  ];
}

function linesOfAhead(
  lines: readonly SchemeLine[],
  { rig }: ToolAhead,
  tool: number,
  pins: readonly PointKey[],
): AskedLine[] {
  return linesFor(lines, rig).flatMap((line): AskedLine[] => {
    if (!isConnector(line)) return works(rig) ? [line] : [];
    return [
      { ...line, measure: { kind: "hitch", end: "front", to: pins[tool]! } },
      {
        ...line,
        label: `Rear ${line.label.charAt(0).toLowerCase()}${line.label.slice(1)}`,
        measure: { kind: "hitch", end: "rear", to: pins[tool + 1]! },
      },
    ];
  });
}

function isConnector({ measure }: AskedLine): boolean {
  return measure.kind === "between" && measure.from === "reference" && measure.to === "pin";
}

/** A bend most rigs of a train take without trouble, metres at the machine that drives. */
const BEND = 16;

/** Below this a terminal's belief and the truth part too little to be told from the tape, metres. */
const WORTH_A_WORD = 0.05;

/**
 * On what circles the wheels of the tool in view run while the machine that drives runs steadily on `radius`: in truth, and for a
 * terminal that takes everything between the machine and this tool for a rigid overhang. Metres; NaN where no such circle can be,
 * null where a length is missing or the tool has no wheels.
 */
export function circlesOf(
  rig: ResolvedRig,
  ahead: readonly Pick<ToolAhead, "rig">[],
  radius: number,
): { believed: number; runs: number } | null {
  const from = steersBy(rig) === "tracks" && rig.values["tractor.turn"].value !== null ? "turn" : "axle";
  const pins = pinsOf(rig.attachment);
  const wheels = rig.values["pin.pivot"].value;
  const overhang = between(rig, from, "pin", "x").total;
  const first = between(rig, from, pins[0]!, "x").total;
  if (wheels === null || overhang === null || first === null) return null;
  let runs = radius;
  let hitch = -first;
  for (const [tool, { rig: carrier }] of ahead.entries()) {
    const span = between(rig, pins[tool]!, pins[tool + 1]!, "x").total;
    if (span === null) return null;
    if (!hasDimension(carrier, "pin.pivot")) {
      // It turns with what carries it: the next pin is further back on the same body.
      hitch -= span;
      continue;
    }
    const pivot = carrier.values["pin.pivot"].value;
    if (pivot === null) return null;
    runs = towedRadius(runs, hitch, pivot);
    hitch = -span - pivot;
  }
  return { believed: towedRadius(radius, -overhang, wheels), runs: towedRadius(runs, hitch, wheels) };
}

/** What a terminal that knows one implement gets wrong in a bend, with the figures; nothing where nothing swings ahead. */
export function trainCautions(rig: ResolvedRig, ahead: readonly ToolAhead[], { tape }: Units): string[] {
  if (!ahead.some((each) => hasDimension(each.rig, "pin.pivot"))) return [];
  const circles = circlesOf(rig, ahead, BEND);
  const names = ahead.map(({ name }) => name).join(" and ");
  const way = "The ISO 11783-10 file tells it of every tool: take that where the terminal reads it.";
  if (!circles)
    return [
      `A terminal that knows one implement takes ${names} for a rigid overhang. By how much that is wrong in a bend is unknown while a length is missing. ${way}`,
    ];
  const { believed, runs } = circles;
  if (Math.abs(believed - runs) < WORTH_A_WORD) return [];
  const say = (metres: number) =>
    Number.isNaN(metres) ? "no steady circle at all" : printLength(metres, tape);
  return [
    `A terminal that knows one implement takes ${names} for a rigid overhang. With the machine on a radius of ${printLength(BEND, tape)} it believes this tool's wheels on ${say(believed)}; they run on ${say(runs)}. ${way}`,
  ];
}
