/** Joints between passes as they really lie, along their way: what a tape would find between the work of one and that of the next. Metres, a gap positive. */

import type { Driven, World } from "./record.ts";
import { widthOf, workAt } from "./rig.ts";
import { STRETCHES } from "./route.ts";

export type Joint = {
  /** between this pass and the next */
  pass: number;
  /** which way the first of both was driven along the heading: 1 or −1 */
  way: 1 | -1;
  /** along the heading, and how wide; a lap negative */
  along: number;
  gap: number;
};

/** A tape is laid every so many metres. */
const EVERY = 2;

type Edge = { left: number; right: number };

/** Across and along a heading, of a place so far east and north. */
const turned = (x: number, y: number, heading: number) => ({
  across: x * Math.cos(heading) - y * Math.sin(heading),
  along: x * Math.sin(heading) + y * Math.cos(heading),
});

/** Of straight passes at a heading, where all sections of both were open. */
export function jointsOf({ rigs, rows }: Driven, world: World, heading: number): Joint[] {
  const pass = STRETCHES.indexOf("pass");
  const half = widthOf(rigs[world]) / 2;
  const edges = new Map<number, { way: 1 | -1; at: Map<number, Edge> }>();
  for (const row of rows) {
    if (row.stretch !== pass || row.open[world].includes(false)) continue;
    const line = workAt(rigs[world], row[world]);
    const { across, along } = turned(line.x, line.y, heading);
    const way = Math.cos(line.heading - heading) > 0 ? 1 : -1;
    const found = edges.get(row.number) ?? { way, at: new Map<number, Edge>() };
    found.at.set(Math.round(along / EVERY), { left: across - half, right: across + half });
    edges.set(row.number, found);
  }
  return [...edges].flatMap(([number, { way, at }]) => {
    const next = edges.get(number + 1);
    if (!next) return [];
    return [...at].flatMap(([bin, { right }]): Joint[] => {
      const beside = next.at.get(bin);
      return beside ? [{ pass: number, way, along: bin * EVERY, gap: beside.left - right }] : [];
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
