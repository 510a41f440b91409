/** The simulated folding tool from behind and from the side: a sketch of its state, in pixels; strokes turn into angles and heights. */
import { type Folding, OFF_CRADLE } from "./folding.ts";

export type FoldingPart = {
  id: string;
  role: "frame" | "wing" | "wheel" | "lift" | "cradle" | "jack" | "ground";
  /** corner points */
  points: readonly (readonly [number, number])[];
};

export type Sketch = { width: number; height: number; rear: FoldingPart[]; side: FoldingPart[] };

const WIDTH = 424;
const REAR = 250;
const SIDE = 250;
const GROUND = 220;
/** Pixels the frame stands above ground, right down and right up. */
const LOW = 54;
const RISE = 34;
const WING = 132;
const HALF = 52;

/** The simulated tool as parts to draw, for the state it is in. */
export function sketchOf(state: Folding): Sketch {
  return { width: WIDTH, height: REAR + SIDE, rear: fromBehind(state), side: fromTheSide(state) };
}

const box = (x: number, y: number, w: number, h: number): FoldingPart["points"] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];

/** Height of the frame: the undercarriage lifts it until it is let into float, when it stands on its wheels again. */
function frameY({ stroke, lever }: Folding): number {
  return GROUND - LOW - (lever.undercarriage === "float" ? 0 : Math.min(stroke.undercarriage, 0.6) * RISE);
}

function fromBehind(state: Folding): FoldingPart[] {
  const { stroke, has } = state;
  const y = frameY(state);
  const middle = WIDTH / 2;
  // Folded the wings stand a little past upright, leaning on the cradle.
  const angle = (1 - stroke.wings) * ((97 * Math.PI) / 180);
  const wing = (side: 1 | -1): FoldingPart => {
    const [x0, y0] = [middle + side * HALF, y - 4];
    const along = [Math.cos(angle) * side, -Math.sin(angle)] as const;
    const across = [along[1] * 6, -along[0] * 6] as const;
    const end = [x0 + along[0] * WING, y0 + along[1] * WING] as const;
    return {
      id: `wing ${side}`,
      role: "wing",
      points: [
        [x0 + across[0], y0 + across[1]],
        [end[0] + across[0], end[1] + across[1]],
        [end[0] - across[0], end[1] - across[1]],
        [x0 - across[0], y0 - across[1]],
      ],
    };
  };
  const lifted = Math.min(stroke["front lift"], stroke["rear lift"]);
  return [
    { id: "ground", role: "ground", points: box(0, GROUND, WIDTH, 2) },
    { id: "frame", role: "frame", points: box(middle - HALF, y - 10, 2 * HALF, 14) },
    ...[-1, 1].map(
      (side): FoldingPart => ({
        id: `cradle ${side}`,
        role: "cradle",
        points: box(
          middle + side * (HALF - 6) - 3,
          y - 10 - 66 - (stroke.undercarriage < OFF_CRADLE ? 0 : -8),
          6,
          66,
        ),
      }),
    ),
    ...(has.includes("wings") ? [wing(-1), wing(1)] : []),
    ...[-1, 1].map(
      (side): FoldingPart => ({
        id: `wheel ${side}`,
        role: "wheel",
        points: box(middle + side * 34 - 9, GROUND - 40, 18, 40),
      }),
    ),
    {
      id: "tools",
      role: "lift",
      points: box(middle - HALF, y + 4, 2 * HALF, Math.max(6, GROUND - y - 4 - lifted * 34)),
    },
  ];
}

function fromTheSide(state: Folding): FoldingPart[] {
  const { stroke, has, jackStowed } = state;
  const y = frameY(state);
  const lift = (id: "front lift" | "rear lift", x: number): FoldingPart => ({
    id,
    role: "lift",
    points: box(x, y + 4, 34, Math.max(6, GROUND - y - 4 - stroke[id] * 34)),
  });
  return [
    { id: "ground", role: "ground", points: box(0, GROUND, WIDTH, 2) },
    { id: "frame", role: "frame", points: box(90, y - 8, 250, 12) },
    {
      id: "tongue",
      role: "frame",
      points: [
        [340, y - 6],
        [410, GROUND - 58],
        [410, GROUND - 52],
        [340, y + 2],
      ],
    },
    ...(has.includes("wings")
      ? [
          {
            id: "wing",
            role: "wing" as const,
            points: box(110, y - 12 - (1 - stroke.wings) * WING, 190, 8 + (1 - stroke.wings) * WING),
          },
        ]
      : []),
    ...(has.includes("jack") && !jackStowed
      ? [{ id: "jack", role: "jack" as const, points: box(372, GROUND - 62, 8, 38 + stroke.jack * 24) }]
      : []),
    { id: "wheel", role: "wheel", points: box(190, GROUND - 40, 40, 40) },
    ...(["front lift", "rear lift"] as const).flatMap((id) =>
      has.includes(id) ? [lift(id, id === "front lift" ? 280 : 104)] : [],
    ),
  ];
}
