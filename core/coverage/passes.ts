/** What a tool works from one position to the next: a quad for every run of sections that are open at both. */
import type { Spot } from "./raster.ts";

/** Where the middle of the tool's working line is, which way it looks (radians, east of north), and which of its sections are open. */
export type At = { x: number; y: number; heading: number; open: readonly boolean[] };

export type Tool = {
  /** metres across of each section, left to right */
  sections: readonly number[];
};

/** Edges of the sections, metres to the right of the middle. */
export function edgesOf({ sections }: Tool): number[] {
  const whole = sections.reduce((sum, each) => sum + each, 0);
  let at = -whole / 2;
  return [at, ...sections.map((each) => (at += each))];
}

/** Runs of sections that are open at one position and the next: first, and one after the last. */
function runsOf(before: At, now: At): [number, number][] {
  const runs: [number, number][] = [];
  for (let at = 0; at < now.open.length; at += 1) {
    if (!before.open[at] || !now.open[at]) continue;
    const last = runs.at(-1);
    if (last && last[1] === at) last[1] = at + 1;
    else runs.push([at, at + 1]);
  }
  return runs;
}

const across = ({ x, y, heading }: At, right: number): Spot => ({
  x: x + right * Math.cos(heading),
  y: y - right * Math.sin(heading),
});

/** Quads worked between two positions, corners in order. */
export function quadsBetween(edges: readonly number[], before: At, now: At): Spot[][] {
  return runsOf(before, now).map(([first, end]) => [
    across(before, edges[first]!),
    across(before, edges[end]!),
    across(now, edges[end]!),
    across(now, edges[first]!),
  ]);
}
