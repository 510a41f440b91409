/** Where wheels run across a field when tools begin at the same edge, and how much of it they tread. Metres from that edge. */

export type LaneTool = {
  /** from pass to pass */
  spacing: number;
  /** middle to middle of the wheels */
  track: number;
  /** as wide as one tyre */
  tyre: number;
  /** how far its lines are shifted away from the edge */
  shift: number;
};

export type Lane = readonly [from: number, to: number];

/** Middles of its passes over so much of the field, the first against the edge. */
export function passesAcross({ spacing, shift }: LaneTool, width: number): number[] {
  const first = spacing / 2 + shift - spacing * Math.ceil((spacing / 2 + shift) / spacing);
  const count = Math.ceil((width - first) / spacing) + 1;
  return Array.from({ length: count }, (_, pass) => first + pass * spacing).filter(
    (middle) => middle > -spacing / 2 && middle < width + spacing / 2,
  );
}

/** The strips its wheels run on, within so much of the field. */
export function lanesOf(tool: LaneTool, width: number): Lane[] {
  const { track, tyre } = tool;
  return together(
    passesAcross(tool, width)
      .flatMap((middle): Lane[] =>
        [-track / 2, track / 2].map((wheel) => [middle + wheel - tyre / 2, middle + wheel + tyre / 2]),
      )
      .map(([from, to]): Lane => [Math.max(0, from), Math.min(width, to)])
      .filter(([from, to]) => to > from),
  );
}

/** Strips over one another as one, from the edge on. */
export function together(lanes: readonly Lane[]): Lane[] {
  const all: [number, number][] = [];
  for (const [from, to] of [...lanes].sort((a, b) => a[0] - b[0])) {
    const last = all.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/** So many passes of the widest tool away from the edge, what drifts has drifted (ours). */
const FAR = 40;

/** The share of the field under the wheels of all of them: 0 to 1. @throws RangeError of no tool */
export function trodden(tools: readonly LaneTool[]): number {
  if (tools.length === 0) throw new RangeError("nothing treads a field");
  const width = FAR * Math.max(...tools.map(({ spacing }) => spacing));
  const lanes = together(tools.flatMap((tool) => lanesOf(tool, width)));
  return lanes.reduce((sum, [from, to]) => sum + to - from, 0) / width;
}
