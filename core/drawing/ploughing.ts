/**
 * A plough at work, to scale, from behind and from above: furrows as wide, deep and slanting as its figures make them, so that a wide first furrow,
 * a lean or a side pull look as they look from the seat. It turns to the right: ploughed land lies on the right.
 */

export type Ploughing = {
  bodies: number;
  /** cut of one body, depth, width of the first furrow, metres */
  cut: number;
  depth: number;
  first: number;
  /** radians, positive toward ploughed land */
  lean: number;
  /** −1 toward unploughed land … 1 toward ploughed land */
  pull: number;
};

export type Shape = {
  key: string;
  points: readonly (readonly [x: number, y: number])[];
  of: "soil" | "turned" | "iron" | "line" | "alarm" | "wheel";
  closed: boolean;
};
export type Label = { key: string; x: number; y: number; value: number; of: "first" | "cut" | "depth" };

/** Metres: x to the right from the wall of the open furrow, y up from the unploughed surface (behind) or forward from the front body (above). */
export type View = {
  shapes: Shape[];
  labels: Label[];
  box: { left: number; right: number; low: number; high: number };
};

/** The same plough turning to the left: ploughed land lies on the left. */
export function turnedOver({ shapes, labels, box }: View): View {
  return {
    shapes: shapes.map((each) => ({ ...each, points: each.points.map(([x, y]) => [-x, y] as const) })),
    labels: labels.map((each) => ({ ...each, x: -each.x })),
    box: { ...box, left: -box.right, right: -box.left },
  };
}

const shape = (key: string, of: Shape["of"], points: Shape["points"], closed = true): Shape => ({
  key,
  points,
  of,
  closed,
});

/** Where each body's slice begins and ends, from the open furrow's wall to the left; the front body first. */
export function slices({
  bodies,
  cut,
  first,
}: Pick<Ploughing, "bodies" | "cut" | "first">): { from: number; to: number }[] {
  return Array.from({ length: bodies }, (_, at) => {
    const from = at === 0 ? 0 : -(first + (at - 1) * cut);
    return { from, to: at === 0 ? -first : from - cut };
  });
}

/** How deep the floor of a furrow lies at its land side and at its wall, metres: a lean tips it about its middle. */
export function floorOf(
  width: number,
  { depth, lean }: Pick<Ploughing, "depth" | "lean">,
): { land: number; wall: number } {
  const tip = (width / 2) * Math.tan(lean);
  return { land: depth - tip, wall: depth + tip };
}

/** From behind: unploughed land, the floor each body leaves, its slice turned over to the right, and its leg. */
export function fromBehind(now: Ploughing): View {
  const all = slices(now);
  const { depth, cut, lean } = now;
  const left = all.at(-1)!.to;
  const [edge, right] = [left - 1.2 * cut, 2.4 * cut];
  const land = shape("land", "soil", [
    [edge, 0],
    [left, 0],
    [left, -1.8 * depth],
    [edge, -1.8 * depth],
  ]);
  const under = shape(
    "under",
    "soil",
    floorLine(all, now).concat([
      [right, -1.8 * depth],
      [left, -1.8 * depth],
    ]),
  );
  const turned = all.map(({ from, to }, at) => {
    const width = from - to;
    // A slice turned over lies on the floor its neighbour to the right left, leaning against that one's slice.
    const foot = from + 0.25 * cut;
    const tilt = Math.PI / 4;
    const [dx, dy] = [width * Math.cos(tilt), width * Math.sin(tilt)];
    const [ex, ey] = [depth * 0.7 * Math.sin(tilt), depth * 0.7 * Math.cos(tilt)];
    return shape(`slice ${at + 1}`, "turned", [
      [foot, -depth],
      [foot + dx, -depth + dy],
      [foot + dx + ex, -depth + dy - ey],
      [foot + ex, -depth - ey + ey * 0.4],
    ]);
  });
  const height = 3.2 * depth;
  const legs = all.map(({ from, to }, at) => {
    const foot = (from + to) / 2;
    return shape(
      `leg ${at + 1}`,
      "iron",
      [
        [foot, -depth],
        [foot + Math.tan(lean) * (height + depth), height],
      ],
      false,
    );
  });
  const beam = shape("beam", "iron", [legs[legs.length - 1]!.points[1]!, legs[0]!.points[1]!], false);
  const first = all[0]!;
  return {
    shapes: [land, under, ...turned, ...legs, beam],
    labels: [
      { key: "first", x: (first.from + first.to) / 2, y: -1.45 * depth, value: now.first, of: "first" },
      ...(all.length > 2
        ? [
            {
              key: "cut",
              x: (all[2]!.from + all[2]!.to) / 2,
              y: -1.45 * depth,
              value: cut,
              of: "cut" as const,
            },
          ]
        : []),
      { key: "depth", x: (edge + left) / 2, y: -0.7 * depth, value: depth, of: "depth" },
    ],
    box: { left: edge, right, low: -1.8 * depth, high: height + 0.3 * depth },
  };
}

/** The floor from the land on the left to the ploughed land on the right. */
function floorLine(all: readonly { from: number; to: number }[], now: Ploughing): [number, number][] {
  const steps = [...all].reverse().flatMap(({ from, to }): [number, number][] => {
    const floor = floorOf(from - to, now);
    return [
      [to, -floor.land],
      [from, -floor.wall],
    ];
  });
  return [...steps, [2.4 * now.cut, -now.depth]];
}

/** How far apart bodies stand along the frame, in cuts (common practice, no source). */
const APART = 2.2;
/** Rear wheels of a tractor, metres: tyre width and how far it reaches. */
const TYRE = { wide: 0.5, long: 1.6 };
const TRACK = 1.8;

/** From above, travel upward: the rear wheels, one in the open furrow, the frame, its bodies, what each has turned, and where the top link points. */
export function fromAbove(now: Ploughing): View {
  const all = slices(now);
  const { cut, pull } = now;
  const back = APART * cut;
  const end = -(all.length - 1) * back - 2 * cut;
  const strips = all.map(({ from, to }, at) =>
    shape(`slice ${at + 1}`, "turned", [
      [to, -at * back],
      [from, -at * back],
      [from, end],
      [to, end],
    ]),
  );
  const left = all.at(-1)!.to - 0.6 * cut;
  const land = shape("land", "soil", [
    [left, 2.6],
    [0, 2.6],
    [0, 0],
    ...stairs(all, back),
    [all.at(-1)!.to, end],
    [left, end],
  ]);
  const frame = shape(
    "frame",
    "iron",
    [
      [all[0]!.to, 0.9],
      [all.at(-1)!.to, -(all.length - 1) * back - 0.2],
    ],
    false,
  );
  const bodies = all.map(({ from, to }, at) =>
    shape(`body ${at + 1}`, "iron", [
      [to, -at * back + 0.25],
      [from, -at * back - 0.35],
      [to, -at * back - 0.35],
    ]),
  );
  const wheels = [0, -TRACK].map((offset, at) => {
    const middle = 0.02 + TYRE.wide / 2 + offset;
    const [a, b] = [middle - TYRE.wide / 2, middle + TYRE.wide / 2];
    return shape(`wheel ${at + 1}`, "wheel", [
      [a, 2.4],
      [b, 2.4],
      [b, 2.4 - TYRE.long],
      [a, 2.4 - TYRE.long],
    ]);
  });
  const middle = 0.02 + TYRE.wide / 2 - TRACK / 2;
  const head = middle + 0.45 * pull;
  const arrow = shape(
    "pull",
    pull === 0 ? "line" : "alarm",
    [
      [middle, 1.6],
      [head, 2.9],
      [head - 0.1, 2.7],
    ],
    false,
  );
  const tip = shape(
    "tip",
    pull === 0 ? "line" : "alarm",
    [
      [head, 2.9],
      [head + 0.1, 2.7],
    ],
    false,
  );
  // The line of draw passes beside the axle's middle: the top link then points to that side.
  const top = shape(
    "top link",
    "iron",
    [
      [middle, 1.5],
      [middle - 0.3 * pull, 0.9],
    ],
    false,
  );
  return {
    shapes: [land, ...strips, ...wheels, frame, ...bodies, top, arrow, tip],
    labels: [
      { key: "first", x: (all[0]!.from + all[0]!.to) / 2, y: end + 0.5 * cut, value: now.first, of: "first" },
    ],
    box: { left, right: 2.2 * cut, low: end, high: 3.1 },
  };
}

/** The wall of unploughed land, body by body. */
function stairs(all: readonly { from: number; to: number }[], back: number): [number, number][] {
  return all.flatMap(({ from, to }, at): [number, number][] => [
    [from, -at * back],
    [to, -at * back],
  ]);
}
