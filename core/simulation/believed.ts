/** What a terminal believes of a rig, from what was typed into it line by line. */
import { type AskedLine, type AskedScheme, isTimeUnit } from "../card/scheme.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Axis, PointKey } from "../dimension/points.ts";
import { parseLength } from "../quantity/length.ts";
import { parseMeasure } from "../quantity/measure.ts";

/** What stands in one line of the simulated terminal. */
export type Typed = { text: string; word: string };

export type Believed = {
  /** B − A along an axis; 0 where nothing typed leads from one to the other: so does a terminal */
  between: (from: PointKey, to: PointKey, axis: Axis) => number;
  width: number;
  spacing: number;
  delays: { on: number; off: number };
};

/** A point of the tool in view, or the reference point of a tool ahead of it. */
type Node = PointKey | `tool ${number}`;
type Edge = { from: Node; to: Node; axis: Axis; value: number };

/** A line's value in SI, forward, right and up positive; null where it cannot be read. */
export function lineValue({ unit, sense, sign }: AskedLine, { text, word }: Typed): number | null {
  if (isTimeUnit(unit)) {
    const time = parseMeasure("time", text, unit);
    return time.ok ? time.value.value : null;
  }
  const read = parseLength(text, unit);
  if (!read.ok) return null;
  const turned = sign.kind === "words" && word === sign.minus ? -1 : 1;
  return sense * turned * read.value.metres;
}

/** Reads the terminal's lines into one frame; what no line asks for stands at zero. */
export function believe(scheme: AskedScheme, typed: readonly Typed[]): Believed {
  const value = (wanted: (line: AskedLine) => boolean) => {
    const at = scheme.lines.findIndex(wanted);
    const entry = at < 0 ? undefined : typed[at];
    return entry ? (lineValue(scheme.lines[at]!, entry) ?? 0) : 0;
  };
  const asked = (key: DimensionKey) =>
    value(({ measure, tool }) => tool === undefined && measure.kind === "dimension" && measure.key === key);
  const width = asked("tool.width");
  const edges = [
    ...impliedEdges(width, hitchOfMachine(scheme)),
    ...scheme.lines.flatMap((line, at) => edgeOf(line, typed[at])),
  ];
  return {
    between: (from, to, axis) => walk(edges, from, to, axis) ?? 0,
    width,
    spacing: value(({ measure }) => measure.kind === "track spacing"),
    delays: { on: asked("work.delayOn"), off: asked("work.delayOff") },
  };
}

function edgeOf(line: AskedLine, typed: Typed | undefined): Edge[] {
  const { measure } = line;
  const value = typed ? lineValue(line, typed) : null;
  if (value === null) return [];
  if (measure.kind === "hitch") return [{ from: `tool ${line.tool ?? 0}`, to: measure.to, axis: "x", value }];
  return measure.kind === "between" && line.tool === undefined ? [{ ...measure, value }] : [];
}

/** A terminal takes the line of pull for the tractor's middle, and the work's middle for the middle of its width. */
function impliedEdges(width: number, hitch: PointKey): Edge[] {
  const level = (from: PointKey, to: PointKey, axis: Axis, value = 0): Edge => ({ from, to, axis, value });
  return [
    level("connector", hitch, "x"),
    level("axle", "pin", "y"),
    level("reference", "pin", "y"),
    level("pin", "pivot", "y"),
    level("workFront", "workMid", "y"),
    level("workMid", "workRear", "y"),
    level("leftEdge", "workMid", "y", width / 2),
    level("workMid", "rightEdge", "y", width / 2),
  ];
}

/** Which pin the machine's own hitch is: the first of a train, where the terminal knows the tools ahead. */
function hitchOfMachine({ lines }: AskedScheme): PointKey {
  return lines.some(({ tool }) => tool !== undefined) ? "leadPin" : "pin";
}

/** Where nothing was typed for a point of the work: one coverage point stands for both ranks, the middle lies between them. */
function walk(edges: readonly Edge[], from: PointKey, to: PointKey, axis: Axis): number | null {
  const direct = path(edges, from, to, axis);
  if (direct !== null) return direct;
  const others = (["workFront", "workMid", "workRear"] as const).filter((point) => point !== to);
  if (others.length === 3) return null;
  const reached = others.flatMap((point) => path(edges, from, point, axis) ?? []);
  return reached.length === 0 ? null : reached.reduce((sum, each) => sum + each, 0) / reached.length;
}

function path(edges: readonly Edge[], from: Node, to: Node, axis: Axis): number | null {
  const reached = new Map<Node, number>([[from, 0]]);
  const open: Node[] = [from];
  for (const here of open)
    for (const edge of edges) {
      if (edge.axis !== axis) continue;
      const [next, step] =
        edge.from === here ? [edge.to, edge.value] : edge.to === here ? [edge.from, -edge.value] : [null, 0];
      if (next === null || reached.has(next)) continue;
      reached.set(next, reached.get(here)! + step);
      open.push(next);
    }
  return reached.get(to) ?? null;
}
