/** Joints between passes as they really lie, along their way: what a tape would find between the work of one and that beside it. Metres, a gap positive. */
import { turn } from "../place/plane-field.ts";
import type { Driven, World } from "./record.ts";
import { widthOf, workAt } from "./rig.ts";
import { STRETCHES } from "./route.ts";

export type Joint = {
  /** the pass left of it, and which way that was driven along the heading: 1 or −1 */
  pass: number;
  way: 1 | -1;
  /** along the heading, and how wide; a lap negative */
  along: number;
  gap: number;
};

/** A tape is laid every so many metres. */
const EVERY = 2;
/** Open wider than a good part of the tool it is no joint but ground that is left; lapped further it is the same pass again (ours). */
const MOST = { open: 0.4, lapped: 0.5 };

type Edge = { pass: number; way: 1 | -1; left: number; right: number };

/** Of passes along a heading, where all sections of both were open: each with what lies next to its right. */
export function jointsOf({ rigs, rows }: Driven, world: World, heading: number): Joint[] {
  const pass = STRETCHES.indexOf("pass");
  const width = widthOf(rigs[world]);
  const bins = new Map<number, Map<number, Edge>>();
  for (const row of rows) {
    if (row.stretch !== pass || row.open[world].includes(false)) continue;
    const line = workAt(rigs[world], row[world]);
    // What runs across the passes is none of them.
    if (Math.abs(Math.cos(line.heading - heading)) < 0.94) continue;
    const { across, along } = turn({ east: line.x, north: line.y }, heading);
    const bin = Math.round(along / EVERY);
    const here = bins.get(bin) ?? new Map<number, Edge>();
    const way = Math.cos(line.heading - heading) > 0 ? 1 : -1;
    here.set(row.number, { pass: row.number, way, left: across - width / 2, right: across + width / 2 });
    bins.set(bin, here);
  }
  return [...bins].flatMap(([bin, here]) => {
    const edges = [...here.values()].sort((a, b) => a.left - b.left);
    return edges.slice(1).flatMap((next, at): Joint[] => {
      const { pass: number, way, right } = edges[at]!;
      const gap = next.left - right;
      return gap > MOST.open * width || gap < -MOST.lapped * width
        ? []
        : [{ pass: number, way, along: bin * EVERY, gap }];
    });
  });
}

export type JointsSaid = {
  count: number;
  mean: number;
  least: number;
  most: number;
  after: { up: number; down: number };
};

/** Joints in figures: all of them, and their mean after passes up and after passes down. Null of none. */
export function jointFigures(joints: readonly Joint[]): JointsSaid | null {
  if (joints.length === 0) return null;
  const mean = (of: readonly Joint[]) =>
    of.length === 0 ? Number.NaN : of.reduce((sum, { gap }) => sum + gap, 0) / of.length;
  const gaps = joints.map(({ gap }) => gap);
  return {
    count: joints.length,
    mean: mean(joints),
    least: gaps.reduce((a, b) => Math.min(a, b)),
    most: gaps.reduce((a, b) => Math.max(a, b)),
    after: {
      up: mean(joints.filter(({ way }) => way === 1)),
      down: mean(joints.filter(({ way }) => way === -1)),
    },
  };
}

/** How many joints are how wide: the middle of each step, and how many lie in it, none left out between. */
export function histogramOf(
  joints: readonly Pick<Joint, "gap">[],
  step: number,
): { gap: number; count: number }[] {
  if (joints.length === 0) return [];
  const bins = new Map<number, number>();
  for (const { gap } of joints) {
    const bin = Math.round(gap / step);
    bins.set(bin, (bins.get(bin) ?? 0) + 1);
  }
  const keys = [...bins.keys()];
  const [low, high] = [keys.reduce((a, b) => Math.min(a, b)), keys.reduce((a, b) => Math.max(a, b))];
  return Array.from({ length: high - low + 1 }, (_, at) => ({
    gap: (low + at) * step,
    count: bins.get(low + at) ?? 0,
  }));
}
